import fc from 'fast-check';
import cases from '../../testing/network-cases.json';
import { arbitraryNetwork } from '../../testing/arbitrary-network';
import { fixedStepDischarge } from '../../testing/fixed-step-discharge';
import type { Network } from '../physics/circuit/network';
import { discharge } from './discharge';

interface Expected {
  readonly minutes: number;
  readonly cause: string;
  readonly at: string;
  readonly packWh?: number;
  readonly loadsWh?: number;
  readonly startPackV?: number;
  readonly startPackA?: number;
  readonly startFeeds?: readonly { readonly id: string; readonly amps: number; readonly inputV: number }[];
}
type Case = Network & { readonly id: string; readonly expect: Expected };
const CASES = cases as unknown as readonly Case[];
const caseOf = (id: string): Case => CASES.find((one) => one.id === id)!;

function expectWithin(actual: number | undefined, expected: number | undefined, relative: number): void {
  if (expected === undefined) return;
  expect(actual).toBeDefined();
  expect(Math.abs(actual! - expected)).toBeLessThanOrEqual(relative * Math.abs(expected));
}

describe('reference cases, solved independently', () => {
  it('are all here', () => expect(CASES.map(({ id }) => id)).toHaveLength(14));

  it.each(CASES.map((one) => [one.id, one] as const))('%s', (_id, one) => {
    const run = discharge(one);
    const { minutes, cause, at, packWh, loadsWh, startPackV, startPackA, startFeeds } = one.expect;
    expect(run).toMatchObject({ cause, at });
    expectWithin(run.minutes, minutes, 1e-3);
    expectWithin(run.packWh, packWh, 1e-3);
    expectWithin(run.loadsWh, loadsWh, 1e-3);
    expectWithin(run.start?.packV, startPackV, 1e-4);
    expectWithin(run.start?.packA, startPackA, 1e-4);
    expect(run.start?.feeds.map(({ id }) => id)).toEqual(startFeeds?.map(({ id }) => id));
    for (const [index, { amps, inputV }] of (startFeeds ?? []).entries()) {
      expectWithin(run.start?.feeds[index]?.currentA, amps, 1e-4);
      expectWithin(run.start?.feeds[index]?.inputV, inputV, 1e-4);
    }
  });
});

describe('a discharge', () => {
  const single = caseOf('single-direct');

  it('agrees with a fixed one-second loop within a second or two', () => {
    for (const id of ['single-direct', 'splitter', 'regulator-in-series', 'duty-cycle']) {
      const one = caseOf(id);
      expect(Math.abs(discharge(one).minutes - fixedStepDischarge(one).minutes)).toBeLessThan(0.05);
    }
  });

  it('has a point at the start, at half the charge used and at the end, and a trace from one to the other', () => {
    const run = discharge(single, { tracePoints: 40 });
    expect(run.start).toMatchObject({ minute: 0, soc: 1 });
    expect(run.middle?.soc).toBeCloseTo((1 + run.endSoc) / 2, 9);
    expect(run.end?.minute).toBeCloseTo(run.minutes, 6);
    expect(run.end?.packV).toBeCloseTo(12, 6);
    expect(run.trace.length).toBeGreaterThan(40);
    expect(run.trace.at(-1)?.minute).toBeCloseTo(run.minutes, 4);
    const minutes = run.trace.map(({ minute }) => minute);
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
  });

  it('says what a part-charged pack has left, as open-circuit energy', () => {
    const run = discharge(caseOf('port-limit-late'));
    // 10 Ah, four cells, 9.417 % left: between 3.0 and 3.438 V a cell
    expect(run.strandedWh).toBeGreaterThan(10 * 4 * 0.0941 * 3.0);
    expect(run.strandedWh).toBeLessThan(10 * 4 * 0.0942 * 3.44);
  });

  it('does not start a converter whose starting voltage the idle pack does not reach', () => {
    const network = caseOf('step-up-dropout');
    const feed = network.feeds[0]!;
    const withStart = (startInputV: number, startSoc: number): Network => ({
      pack: { ...network.pack, startSoc },
      feeds: [{ ...feed, converter: { ...feed.converter!, startInputV } }],
    });
    // half charge is 15.0 V without load
    expect(discharge(withStart(15.1, 0.5))).toMatchObject({ minutes: 0, cause: 'converter-dropout', at: 'to-camera' });
    expect(discharge(withStart(14.9, 0.5)).minutes).toBeGreaterThan(50);
  });

  it('passes a linear regulator’s output current on as input current', () => {
    const run = discharge({
      pack: single.pack,
      feeds: [
        {
          id: 'regulator',
          resistanceOhm: 0,
          converter: { outputV: 6, efficiency: 1, standbyW: 0, linear: true },
          load: { id: 'camera', powerW: 3 },
        },
      ],
    });
    expect(run.start?.packA).toBeCloseTo(0.5, 9);
    expect(run.end?.packA).toBeCloseTo(0.5, 9);
    expect(run.minutes).toBeCloseTo(((1 - run.endSoc) * 6.8 * 60) / 0.5, 6);
  });

  it('reads an efficiency curve at the load it carries', () => {
    const withEfficiency = (efficiency: number | readonly (readonly [number, number])[]) =>
      discharge({
        pack: single.pack,
        feeds: [{ id: 'f', resistanceOhm: 0, converter: { outputV: 8, efficiency, standbyW: 0 }, load: { id: 'l', powerW: 10 } }],
      }).minutes;
    expect(withEfficiency([[5, 0.8], [15, 0.9]])).toBeCloseTo(withEfficiency(0.85), 9); // prettier-ignore
    expect(withEfficiency([[20, 0.7], [30, 0.9]])).toBeCloseTo(withEfficiency(0.7), 9); // prettier-ignore
    expect(withEfficiency([[1, 0.6], [2, 0.75]])).toBeCloseTo(withEfficiency(0.75), 9); // prettier-ignore
  });

  it('ends by a converter’s own output limit and by the pack’s', () => {
    const feed = caseOf('camera-through-regulator').feeds[0]!;
    const limited = discharge({ pack: single.pack, feeds: [{ ...feed, converter: { ...feed.converter!, maxOutputA: 1.7 } }] });
    expect(limited).toMatchObject({ minutes: 0, cause: 'over-current', at: 'to-camera' }); // 14 W at 8 V is 1.75 A
    expect(discharge({ pack: { ...single.pack, maxA: 0.8 }, feeds: single.feeds })).toMatchObject({ cause: 'over-current', at: 'pack' });
  });

  it('lets the last phase last when the profile does not repeat, and rests in a phase that draws nothing', () => {
    const half: Network = { ...single, profile: [{ minutes: 60, scale: {} }, { minutes: 1, scale: { monitor: 0.5 } }] }; // prettier-ignore
    const full = discharge(single).minutes;
    expect(discharge(half).minutes).toBeGreaterThan(60 + (full - 60) * 1.95);
    const rests: Network = { ...single, repeatProfile: true, profile: [{ minutes: 10, scale: {} }, { minutes: 50, scale: { monitor: 0 } }] }; // prettier-ignore
    expect(discharge(rests).minutes).toBeCloseTo(full + 50 * Math.floor(full / 10), 3);
    const off: Network = { ...single, profile: [{ minutes: 10, scale: {} }, { minutes: 5, scale: { monitor: 0 } }] }; // prettier-ignore
    expect(discharge(off)).toMatchObject({ cause: 'no-draw', minutes: 10 });
  });

  it('refuses a profile of endless tiny phases instead of hanging', () => {
    const tiny = { ...single, repeatProfile: true, profile: [{ minutes: 1e-4, scale: {} }] };
    expect(() => discharge(tiny)).toThrow(RangeError);
    const idle: Network = { ...single, repeatProfile: true, profile: [{ minutes: 1, scale: { monitor: 0 } }] };
    expect(() => discharge(idle)).toThrow(RangeError);
  });

  it('checks peaks at every state of charge, and fuses forgive short ones', () => {
    const feeds = (limit: 'electronic' | 'fuse', peakMs: number) => [
      { id: 'f', resistanceOhm: 0.03, maxA: 1.5, limit, load: { id: 'camera', powerW: 10, peakW: 21, peakMs } },
    ];
    const run = discharge({ pack: single.pack, feeds: feeds('electronic', 50) });
    expect(run.peak).toMatchObject({ loadId: 'camera', cause: 'over-current', at: 'f' });
    // 1.5 A carry 21 W down to 14.0 V behind 0.12 Ω: open-circuit 14.18 V, 3.545 V a cell
    expect(run.peak!.fromSoc).toBeCloseTo(0.179, 2);
    expect(run.peak!.minute).toBeGreaterThan(0.8 * run.minutes);
    // forgiven by the fuse, it is only the pack's cut-off that the peak meets, at the very end
    expect(discharge({ pack: single.pack, feeds: feeds('fuse', 50) }).peak).toMatchObject({ cause: 'pack-cutoff', at: 'pack' });
    expect(discharge({ pack: single.pack, feeds: feeds('fuse', 500) }).peak).toMatchObject({ cause: 'over-current', at: 'f' });
  });
});

describe('laws', () => {
  const parameters = { numRuns: 150, seed: 20260107 };

  it('energy out of the pack is energy delivered and lost, to a millionth', () => {
    fc.assert(
      fc.property(arbitraryNetwork(), (network) => {
        const run = discharge(network);
        const lost = run.losses.filter(({ id }) => id !== 'pack').reduce((sum, { energyWh }) => sum + energyWh, 0);
        expect(Math.abs(run.packWh - run.loadsWh - lost)).toBeLessThanOrEqual(1e-6 * Math.max(run.packWh, 1e-9));
      }),
      parameters,
    );
  });

  it('more load, a thinner cable or an older pack never runs longer', () => {
    fc.assert(
      fc.property(arbitraryNetwork(), fc.double({ min: 1.001, max: 3, noNaN: true }), (network, factor) => {
        const { minutes } = discharge(network);
        const [first, ...rest] = network.feeds;
        const heavier = { ...first!, load: { ...first!.load!, powerW: first!.load!.powerW * factor } };
        const thinner = { ...first!, resistanceOhm: first!.resistanceOhm * factor };
        const older = { ...network.pack, capacityAh: network.pack.capacityAh / factor, resistanceOhm: network.pack.resistanceOhm * factor };
        for (const worse of [
          { ...network, feeds: [heavier, ...rest] },
          { ...network, feeds: [thinner, ...rest] },
          { ...network, pack: older },
        ]) {
          expect(discharge(worse).minutes).toBeLessThanOrEqual(minutes * (1 + 1e-9));
        }
      }),
      parameters,
    );
  });
});
