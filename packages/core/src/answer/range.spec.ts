import { bank, build, camera, dummy, inCamera, pack, usbCamera, usbWire, wire } from '../../testing/rig-builder';
import { sixLoads } from '../../testing/six-loads';
import type { Battery, Device } from '../gear/gear';
import type { Rig } from '../rig/drawn/rig';
import { discharge } from '../run/discharge';
import { networkOf } from '../run/network-of';
import { sayGauge } from '../words/en/answer/gauge-words';
import { saySensitive } from '../words/en/answer/sensitivity-words';
import { tellIndicator } from '../words/en/answer/tell-model';
import { assess } from './assess';
import { indicators } from './indicators';
import { runRange } from './range';
import { rigModel } from './rig-model';
import { sensitivities } from './sensitivity';

const model = (battery: Battery = pack(), device: Device = camera({}, 20), changes: Partial<Rig> = {}) => {
  const { rig, gear } = build({ pack: battery, camera: device }, [['pack.out', 'camera.in']], changes);
  return rigModel(rig, gear, { tracePoints: 60 });
};

describe('the range of a run', () => {
  it('is the same for the same seed, to the last digit, and another for another', () => {
    const once = runRange(model(), { runs: 300, seed: 5 })!;
    expect(runRange(model(), { runs: 300, seed: 5 })).toEqual(once);
    expect(runRange(model(), { runs: 300, seed: 6 })!.p50Min).not.toBe(once.p50Min);
    // written down once: a change here is a change of the figures that people were given
    expect([once.p10Min, once.p50Min, once.p90Min].map((minutes) => minutes!.toFixed(6))).toMatchInlineSnapshot(`
     [
       "254.932486",
       "285.831606",
       "318.741051",
     ]
    `);
  });

  it('lies around the plan, wider for a guess than for a measurement', () => {
    const width = (device: Device, battery = pack()) => {
      const { p10Min, p50Min, p90Min } = runRange(model(battery, device), { runs: 1500 })!;
      return (p90Min! - p10Min!) / p50Min!;
    };
    const exact = model().runs.values().next().value!.minutes;
    expect(runRange(model(), { runs: 1500 })!.p50Min! / exact).toBeCloseTo(1, 1.5);
    const guess = width({ ...camera({}, 20), from: { draw: 'guess' } });
    const plate = width(camera({}, 20));
    const measured = width({ ...camera({}, 20), draw: { basis: 'meter', voltageV: 10, currentA: 2, at: 'device' } });
    const both = width(
      { ...camera({}, 20), draw: { basis: 'meter', voltageV: 10, currentA: 2, at: 'device' } },
      pack({ from: { energyWh: 'measured' } }),
    );
    expect(guess).toBeGreaterThan(plate * 1.3);
    expect(plate).toBeGreaterThan(measured * 1.3);
    expect(measured).toBeGreaterThan(both);
    // the rule itself: ±15 % and ±8 % read as two standard deviations, P10 to P90 is 2.563 of them
    expect(plate).toBeGreaterThan(2.563 * Math.hypot(0.075, 0.04) * 0.85);
    expect(plate).toBeLessThan(2.563 * Math.hypot(0.075, 0.04, 0.03) * 1.25);
  });

  it('gives the chance of lasting as long as asked', () => {
    const { p10Min, p90Min } = runRange(model(), { runs: 1000 })!;
    const chance = (wantedMin: number) => runRange(model(pack(), camera({}, 20), { wantedMin }), { runs: 1000 })!.chanceOfLasting!;
    expect(chance(p10Min!)).toBeCloseTo(0.9, 2);
    expect(chance(p90Min!)).toBeCloseTo(0.1, 2);
    expect(chance(1)).toBe(1);
  });

  it('is not given for what must not be connected', () => {
    expect(runRange(model(pack({ cellsInSeries: 7 })))).toBeUndefined();
  });

  it('can be stopped, and says how many runs it made', () => {
    expect(runRange(model(), { runs: 1000, onProgress: (done) => done < 300 })!.runs).toBe(300);
    const { rig, gear } = sixLoads();
    expect(runRange(rigModel(rig, gear), { runs: 1000, mostSteps: 500 })!.runs).toBeLessThan(20);
  });
});

describe('what matters most', () => {
  it('is the worst-known figure that weighs; shares add up to one', () => {
    const found = sensitivities(model(pack({ from: { energyWh: 'measured' } }), { ...camera({}, 20), from: { draw: 'guess' } }));
    expect(found[0]).toMatchObject({ part: 'Camera', what: { of: 'draw' } });
    expect(found.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    for (const { lowMin, highMin } of found) expect(lowMin).toBeLessThan(highMin);
    const measured = { ...camera({}, 20), draw: { basis: 'meter', voltageV: 10, currentA: 2, at: 'device' } } as const;
    expect(sensitivities(model(pack(), measured))[0]).toMatchObject({ part: 'Pack', what: { of: 'capacity' } });
  });

  it('is nothing while nothing can be run', () => {
    expect(sensitivities(model(pack({ energyWh: undefined })))).toEqual([]);
  });
});

describe('what the indicators show', () => {
  it('a counting gauge tells the truth in its steps', () => {
    const [gauge] = indicators(model(pack({ gauge: { reads: 'charge', steps: 4 } })));
    expect(gauge!.readings.map(({ shown }) => shown)).toEqual(['4 of 4', '3 of 4', '2 of 4', '1 of 4']);
    for (const { shown, charge } of gauge!.readings) expect(Number(shown[0]) / 4).toBeGreaterThanOrEqual(charge - 0.01);
  });

  it('a voltage gauge under load is off, by as much as it says', () => {
    const [gauge] = indicators(model(pack({ gauge: { reads: 'voltage', steps: 4 } })));
    expect(gauge!.believable).toBe('no');
    expect(sayGauge(gauge!.why)).toMatch(/off by up to \d+ points/);
  });

  it('behind an adapter with a fixed output the camera shows full to the end', () => {
    const { rig, gear } = build(
      { pack: pack(), adapter: dummy({ gauge: 'always-full' }), camera: usbCamera() },
      [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']],
    ); // prettier-ignore
    const shown = indicators(rigModel(rig, gear, { tracePoints: 20 })).map(tellIndicator);
    expect(shown.find(({ where }) => where === 'gauge of Camera')).toMatchObject({ believable: 'no', readings: [{ shown: '100 %' }] });
    expect(shown.find(({ where }) => where === 'gauge of Pack')).toMatchObject({ believable: 'unknown', readings: [] });
  });
});

describe('what matters most includes what is assumed', () => {
  type Parts = Parameters<typeof build>[0];
  const lead = wire({ resistanceOhm: undefined });
  const adapter = dummy({ leadOhm: 0.05 });
  const chain: Parts = { pack: pack(), lead, adapter, camera: usbCamera() };
  const links = [['pack.out', 'adapter.in', 'lead'], ['adapter.out', 'camera.bay']] as const; // prettier-ignore
  const firstStop = (parts: Parts): number => assess(...pairOf(parts)).firstStopMin!;
  const pairOf = (parts: Parts) => {
    const { rig, gear } = build(parts, links);
    return [rig, gear] as const;
  };

  // each moved in the running circuit against the same figure typed
  it.each<[string, Parts, Parts, Parts]>([
    ['Lead', chain, { ...chain, lead: { ...lead, resistanceOhm: 0.03 } }, { ...chain, lead: { ...lead, resistanceOhm: 0.2 } }],
    ['Adapter', { ...chain, lead: wire(), adapter: { ...adapter, efficiency: undefined } }, { ...chain, lead: wire(), adapter: { ...adapter, efficiency: 0.84 } }, { ...chain, lead: wire(), adapter: { ...adapter, efficiency: 0.94 } }],
    ['Adapter', { ...chain, lead: wire(), adapter: { ...adapter, standbyW: undefined } }, { ...chain, lead: wire(), adapter: { ...adapter, standbyW: 0.02 } }, { ...chain, lead: wire(), adapter: { ...adapter, standbyW: 0.4 } }],
    ['Adapter', { ...chain, lead: wire(), adapter: { ...adapter, leadOhm: undefined } }, { ...chain, lead: wire(), adapter: { ...adapter, leadOhm: 0.02 } }, { ...chain, lead: wire(), adapter: { ...adapter, leadOhm: 0.125 } }],
  ])('%s', (part, assumed, low, high) => {
    const found = sensitivities(rigModel(...pairOf(assumed))).find((one) => one.part === part && one.what.of === 'assumed')!;
    const ends = [low, high].map((parts) => (firstStop(parts) + firstStop(assumed)) / 2).sort((a, b) => a - b);
    expect(found.lowMin / ends[0]!).toBeCloseTo(1, 4);
    expect(found.highMin / ends[1]!).toBeCloseTo(1, 4);
  }); // prettier-ignore
});

describe('the resistance of a pack', () => {
  it('moves the run as a pack of that resistance and the same amp-hours', () => {
    const { rig, gear } = build({ pack: pack({ resistanceOhm: undefined }), camera: camera({}, 40) }, [['pack.out', 'camera.in']]);
    const base = rigModel(rig, gear);
    const found = sensitivities(base).find(({ what }) => saySensitive(what).startsWith('resistance'))!;
    const [tree] = base.resolved.trees;
    const network = networkOf(tree!, base.draws!.usual)!;
    const stops = [0.6, 1, 1.8].map((times) => discharge({ ...network, pack: { ...network.pack, resistanceOhm: network.pack.resistanceOhm * times } }).minutes);
    expect(found.lowMin / ((stops[1]! + stops[2]!) / 2)).toBeCloseTo(1, 4);
    expect(found.highMin / ((stops[1]! + stops[0]!) / 2)).toBeCloseTo(1, 4);
  }); // prettier-ignore
});

describe('batteries in devices', () => {
  it('give the rig the time of both, and one that is short of contract its own time', () => {
    const run = (ratingW: number) => {
      const parts = { bank: bank({ ratingW }), cable: usbWire(), own: inCamera(), camera: usbCamera(18, { sink: 'mixes' }) };
      const { rig, gear } = build(parts, [['bank.out', 'camera.usb', 'cable'], ['own.out', 'camera.bay']]); // prettier-ignore
      return runRange(rigModel(rig, gear), { runs: 200 })!;
    };
    expect(run(27).p50Min!).toBeGreaterThan(290); // 90 Wh × 0.9 ÷ 18 W, then 15 Wh
    expect(run(15).p50Min!).toBeLessThan(310); // its own 15 Wh at 3 W
  });
});
