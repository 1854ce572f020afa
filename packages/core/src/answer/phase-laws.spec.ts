import fc from 'fast-check';
import { plainSolve } from '../../testing/plain-solver';
import { build, camera, DTAP, dummy, pack, splitter, wire } from '../../testing/rig-builder';
import type { Built } from '../../testing/rig-builder';
import type { Finding } from '../findings/facts';
import { finding } from '../findings/finding';
import type { Adapter, Gear } from '../gear/gear';
import { cellVoltage } from '../physics/cell/ocv';
import type { Rig } from '../rig/drawn/rig';
import type { Figure } from '../rig/resolved/figure';
import { discharge } from '../run/discharge';
import { networkOf } from '../run/network-of';
import { CHEMISTRIES } from '../tables/chemistries';
import { assess } from './assess';
import { withTurns } from './deciding-assumptions';
import { rigModel } from './rig-model';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

interface Drawn {
  readonly watts: readonly (readonly number[])[];
  readonly minutes: readonly number[];
  readonly again: boolean;
  readonly scale: number;
  readonly portA: number;
  readonly leadA: number;
  readonly leadOhm: number;
  readonly minV: number;
  readonly energyWh: number;
  readonly temperatureC: number;
}
const drawn: fc.Arbitrary<Drawn> = fc.record({
  watts: fc.array(fc.array(between(1, 60), { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 2 }),
  minutes: fc.array(between(3, 40), { minLength: 3, maxLength: 3 }),
  again: fc.boolean(),
  scale: between(0.3, 1.5),
  portA: between(1, 8),
  leadA: between(1, 12),
  leadOhm: between(0.005, 0.3),
  minV: between(8, 15),
  energyWh: between(40, 200),
  temperatureC: between(-10, 30),
});

/** One or two devices behind a splitter on a lead, three phases in modes of their own; nothing about it is assumed. */
function rigOf({ watts, minutes, again, scale, portA, leadA, leadOhm, minV, energyWh, temperatureC }: Drawn): Built {
  const parts: Record<string, Gear> = {
    pack: pack({ energyWh, maxA: 40 }, { maxA: 40 }),
    lead: wire({ resistanceOhm: leadOhm, maxA: leadA }),
    hub: splitter(watts.length, { resistanceOhm: 0.001 }, { maxA: portA }),
  };
  watts.forEach((modes, place) => {
    parts[`lead${place}`] = wire({ resistanceOhm: 0.01, maxA: 40 });
    parts[`d${place}`] = camera(
      {
        name: `Device ${place}`,
        modes: modes.map((powerW, mode) => ({ id: `m${mode}`, name: `m${mode}`, draw: { basis: 'maker', powerW } })),
      },
      1,
      { minV, maxV: 30 },
    );
  });
  const phases: Rig['phases'] = minutes.map((length, mode) => ({
    minutes: length,
    devices: watts.map((_, place) => ({ gearId: `d${place}`, mode: `m${mode}`, ...(mode === 1 && { scale }) })),
  }));
  return build(parts, [['pack.out', 'hub.in', 'lead'], ...watts.map((_, place) => [`hub.p${place + 1}`, `d${place}.in`, `lead${place}`] as const)], {
    phases,
    repeatPhases: again ? 'again' : 'stay',
    temperatureC,
    startCharge: 1,
  }); // prettier-ignore
}

/** Whether any moment of any phase breaks a limit, by a solver that shares nothing with the findings. */
function brokenSomewhere(built: Built): boolean {
  const model = rigModel(built.rig, built.gear);
  const answer = assess(built.rig, built.gear);
  const [tree] = model.resolved.trees;
  const { phases } = model.draws!;
  const until = answer.firstStopMin ?? answer.timeline?.minutes ?? 0;
  const cycle = phases.reduce((sum, { minutes }) => sum + minutes, 0);
  const phaseAt = (minute: number) => {
    let within = built.rig.repeatPhases === 'again' ? minute % cycle : minute;
    return phases.find(({ minutes }) => (within -= minutes) < 0) ?? phases.at(-1)!;
  };
  const trace = answer.timeline?.trace ?? [{ minute: 0, soc: { pack: 1 } }];
  return trace.some(({ minute, soc }) => {
    if (minute >= until - 1e-6 && minute > 0) return false;
    const network = networkOf(tree!, phaseAt(minute + 1e-6).loads)!;
    const points = plainSolve(network, network.pack.cellsInSeries * cellVoltage(CHEMISTRIES['li-ion'].ocvPerCell, soc['pack']!));
    if (!points) return true;
    return points.some(({ id, currentA, inputV }) => {
      const one = tree!.connections.find((connection) => connection.id === id);
      if (!one) return false;
      const leastV = one.input.takes === 'window' ? (one.input.minV ?? 0) : 0;
      return currentA > one.limits[0]!.maxA * 1.0005 || inputV < leastV * 0.9995;
    });
  });
}

describe('laws of rigs with phases, modes and brightness', () => {
  it('no rig is good where any moment of any phase breaks a limit; a limit that nothing breaks is not called broken', () => {
    let [broken, sound] = [0, 0];
    fc.assert(
      fc.property(drawn, (drawing) => {
        const built = rigOf(drawing);
        const { findings, verdict, firstStopMin } = assess(built.rig, built.gear);
        const bad = brokenSomewhere(built);
        if (bad) {
          broken++;
          expect(verdict).not.toBe('good');
        }
        const told = findings.filter(({ verdict: one, phase }) => one === 'stop' && phase?.fromMin === 0);
        if (told.length > 0 && firstStopMin === 0) expect(bad).toBe(true);
        if (!bad) sound++;
      }),
      { numRuns: 150, seed: 121, endOnFailure: true },
    );
    expect(Math.min(broken, sound)).toBeGreaterThan(20);
  });

  it('a run that stops with charge left has a finding that says why, in the phase in which it stops', () => {
    let stopped = 0;
    fc.assert(
      fc.property(drawn, (drawing) => {
        const built = rigOf(drawing);
        const { findings, firstStopMin: gap, timeline } = assess(built.rig, built.gear);
        const left = timeline?.trace.findLast(({ minute }) => minute <= (gap ?? 0) + 1e-6)?.soc['pack'] ?? 0;
        if (gap === undefined || left < 0.25) return;
        stopped++;
        const why = findings.filter(({ verdict, aspect }) => verdict !== 'good' && (aspect === 'voltage' || aspect === 'current'));
        expect(why).not.toEqual([]);
        if (gap < 10 && left > 0.5) expect(why.some(({ verdict }) => verdict === 'stop' || verdict === 'unknown')).toBe(true);
      }),
      { numRuns: 150, seed: 122, endOnFailure: true },
    );
    expect(stopped).toBeGreaterThan(20);
  });

  it('more load, a longer lead or more cold never makes a verdict better', () => {
    const order = ['good', 'caution', 'unknown', 'stop'];
    const worse: readonly ((drawing: Drawn) => Drawn)[] = [
      (drawing) => ({ ...drawing, watts: drawing.watts.map((modes) => modes.map((powerW) => powerW * 1.15)) }),
      (drawing) => ({ ...drawing, leadOhm: drawing.leadOhm * 1.6 }),
      (drawing) => ({ ...drawing, temperatureC: drawing.temperatureC - 8 }),
    ];
    fc.assert(
      fc.property(drawn, fc.constantFrom(...worse), (drawing, change) => {
        const [before, after] = [drawing, change(drawing)].map(rigOf).map(({ rig, gear }) => assess(rig, gear).verdict);
        // what stops at once is not timed: nothing else is then known of it
        expect(order.indexOf(after!)).toBeGreaterThanOrEqual(order.indexOf(before!));
      }),
      { numRuns: 150, seed: 123, endOnFailure: true },
    );
  });
});

describe('law: no converter gives more than it takes', () => {
  it('whichever way it works, on whatever it is given', () => {
    const works = fc.constantFrom<Partial<Adapter>>({ linear: true }, { works: 'down' }, { works: 'up' }, { works: 'both' }, {});
    fc.assert(
      fc.property(works, between(5, 24), fc.integer({ min: 1, max: 6 }), between(1, 30), between(0.7, 1), (how, outV, cells, powerW, efficiency) => {
        const adapter = dummy({ input: { connector: DTAP, minV: 2, maxV: 40 }, output: { connector: DTAP, voltageV: outV }, ratedW: 100, efficiency, ...how });
        const { rig, gear } = build(
          { pack: pack({ cellsInSeries: cells, cutoffV: cells * 3 }), adapter, camera: camera({}, powerW, { minV: 1, maxV: 60 }) },
          [['pack.out', 'adapter.in'], ['adapter.out', 'camera.in']],
        );
        const { resolved, draws } = rigModel(rig, gear);
        const run = discharge(networkOf(resolved.trees[0]!, draws!.usual)!);
        for (const { energyWh } of run.losses) expect(energyWh).toBeGreaterThanOrEqual(-1e-9);
        expect(run.loadsWh).toBeLessThanOrEqual(run.packWh * (1 + 1e-9));
      }),
      { numRuns: 200, seed: 124 },
    ); // prettier-ignore
  });
});

describe('law: a wider range never makes an unknown good', () => {
  const place = { aspect: 'current', role: 'device', gearId: 'lamp', part: 'Lamp' } as const;
  const stop = finding('poe-short', 'stop', place, { device: 'Lamp', agreedW: 10, wantedW: 12 });
  const figure = (name: string): Figure => ({ role: 'cable', gearId: name, part: name, value: 0, unit: 'ohm', from: 'assumed', basis: { of: 'cable-resistance' } });
  const verdicts = (all: readonly Finding[]): string => all.map(({ verdict }) => verdict).join();

  it('however many figures are assumed, and whichever of them counts', () => {
    fc.assert(
      fc.property(fc.array(between(-2, 2), { minLength: 1, maxLength: 6 }), between(0.1, 1), between(1, 3), (limits, narrow, wider) => {
        const assumptions = new Map(limits.map((_, at) => [`a${at}`, figure(`a${at}`)]));
        // a limit at 0 or below is broken as assumed
        const judged = (width: number) => {
          const judge = (places: (name: string) => number) => (limits.some((limit, at) => places(`a${at}`) * width >= limit) ? [stop] : []);
          return verdicts(withTurns(judge(() => 0), assumptions, judge));
        };
        if (judged(narrow) === 'unknown') expect(judged(narrow * wider)).toBe('unknown');
      }),
      { numRuns: 400, seed: 125 },
    );
  });
}); // prettier-ignore
