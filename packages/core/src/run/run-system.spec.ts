import cases from '../../testing/network-cases.json';
import { packFrom } from '../physics/cell/pack';
import type { Feed, Network } from '../physics/circuit/network';
import { discharge } from './discharge';
import { SystemRunner } from './run-system';
import type { System, SystemLoad, SystemSource } from './system';

type Case = Network & { readonly id: string };
const CASES = (cases as unknown as readonly Case[]).filter(({ pack }) => pack.capacityAh > 0);

const loadsOf = (feeds: readonly Feed[]): readonly { id: string; powerW: number }[] =>
  feeds.flatMap((feed) => (feed.load ? [feed.load] : loadsOf(feed.feeds ?? [])));
const source = (network: Network, id = 'pack', changes: Partial<SystemSource> = {}): SystemSource => ({
  id,
  network,
  spares: [],
  swapMin: 1,
  swapAtSoc: 0,
  ...changes,
});
const PACK = packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95 });
const SMALL = packFrom({ chemistry: 'li-ion', cellsInSeries: 2, energyWh: 15 });
const feeding = (id: string, powerW: number, minV?: number): Network => ({
  pack: PACK,
  feeds: [{ id: `to-${id}`, resistanceOhm: 0.05, load: { id, powerW, ...(minV !== undefined && { minV }) } }],
});
const system = (
  sources: readonly SystemSource[],
  loads: readonly SystemLoad[],
  loadW: Record<string, number>,
  changes: Partial<System> = {},
): System => ({
  sources,
  loads,
  phases: [{ minutes: 60, loadW }],
  repeatPhases: false,
  horizonMin: 10_000,
  ...changes,
});
const run = (built: System) => new SystemRunner(built).run(undefined, { record: true, trace: true });

describe('one source', () => {
  it.each(CASES.map((one) => [one.id, one] as const))('%s: first stops when the exact discharge ends', (_id, network) => {
    const exact = discharge(network);
    const loads = loadsOf(network.feeds);
    const watts = (scale: Readonly<Record<string, number>>) =>
      Object.fromEntries(loads.map(({ id, powerW }) => [id, powerW * (scale[id] ?? 1)]));
    const { firstGapMin } = run({
      sources: [source(network)],
      loads: loads.map(({ id }) => ({ id, feeds: [{ sourceId: 'pack' }] })),
      phases: (network.profile ?? [{ minutes: 1, scale: {} }]).map(({ minutes, scale }) => ({ minutes, loadW: watts(scale) })),
      repeatPhases: network.repeatProfile ?? false,
      horizonMin: 1e6,
    });
    expect(Math.abs(firstGapMin! - exact.minutes)).toBeLessThanOrEqual(1e-4 * exact.minutes + 1e-6);
  });

  it('goes on with the others when one gives out', () => {
    const network: Network = {
      pack: PACK,
      feeds: [
        { id: 'to-a', resistanceOhm: 0.05, load: { id: 'a', powerW: 10, minV: 14 } },
        { id: 'to-b', resistanceOhm: 0.05, load: { id: 'b', powerW: 10 } },
      ],
    };
    const { loads, events } = run(
      system(
        [source(network)],
        ['a', 'b'].map((id) => ({ id, feeds: [{ sourceId: 'pack' }] })),
        { a: 10, b: 10 },
      ),
    );
    const [a, b] = loads;
    expect(events.find(({ kind }) => kind === 'tripped')).toMatchObject({ cause: 'load-undervoltage', at: 'a' });
    expect(b!.firstGapMin).toBeGreaterThan(a!.firstGapMin! * 1.3);
    const alone = run(system([source(feeding('b', 10))], [{ id: 'b', feeds: [{ sourceId: 'pack' }] }], { b: 10 }));
    expect(b!.firstGapMin).toBeLessThan(alone.firstGapMin!);
  });

  it('what goes out is what the loads got and what the leads took', () => {
    const { sources, loads } = run(system([source(feeding('a', 20))], [{ id: 'a', feeds: [{ sourceId: 'pack' }] }], { a: 20 }));
    const exact = discharge(feeding('a', 20));
    expect(sources[0]!.packWh / exact.packWh).toBeCloseTo(1, 4);
    expect(loads[0]!.energyWh / exact.loadsWh).toBeCloseTo(1, 4);
  });
});

describe('swaps', () => {
  const withSpares = (swapMin: number, swapAtSoc: number) =>
    run(
      system(
        [
          source(feeding('a', 30), 'pack', {
            spares: [
              { id: 'second', pack: PACK },
              { id: 'third', pack: PACK },
            ],
            swapMin,
            swapAtSoc,
          }),
        ],
        [{ id: 'a', feeds: [{ sourceId: 'pack' }] }],
        { a: 30 },
      ),
    );
  const single = discharge(feeding('a', 30)).minutes;

  it('hot: three batteries last three times as long, without a gap', () => {
    const { firstGapMin, events, loads } = withSpares(0, 0);
    expect(firstGapMin! / (3 * single)).toBeCloseTo(1, 4);
    expect(events.filter(({ kind }) => kind === 'swap').map(({ by }) => by)).toEqual(['second', 'third']);
    expect(loads[0]!.gapMin).toBe(0);
  });

  it('cold: each takes the time it takes', () => {
    const { firstGapMin, loads, events } = withSpares(2, 0);
    expect(firstGapMin! / (3 * single + 4)).toBeCloseTo(1, 4); // a change is planned, the end is not
    expect(loads[0]!.gapMin).toBeCloseTo(4, 6);
    expect(events.filter(({ kind }) => kind === 'back')).toHaveLength(2);
  });

  it('kept to the reserve: changed before it is empty', () => {
    const { events } = withSpares(0, 0.2);
    const first = events.find(({ kind }) => kind === 'swap')!;
    expect(first.minute).toBeGreaterThan(0.7 * single);
    expect(first.minute).toBeLessThan(0.85 * single);
  });
});

describe('a battery in the device', () => {
  const own = source({ pack: SMALL, feeds: [{ id: 'contacts', resistanceOhm: 0.01, load: { id: 'camera', powerW: 12 } }] }, 'own');
  const camera = (feed: Partial<SystemLoad['feeds'][number]>): readonly SystemLoad[] => [
    {
      id: 'camera',
      feeds: [
        { sourceId: 'bank', ...feed },
        { sourceId: 'own', own: true },
      ],
    },
  ];
  const bank = source(feeding('camera', 12), 'bank');
  const outside = discharge(feeding('camera', 12)).minutes;
  const inside = discharge(own.network).minutes;

  it('takes over without a gap, and adds its own time', () => {
    const { firstGapMin, events } = run(system([bank, own], camera({ maxW: 15 }), { camera: 12 }));
    expect(firstGapMin! / (outside + inside)).toBeCloseTo(1, 4);
    expect(events.find(({ kind }) => kind === 'fallback')).toMatchObject({ id: 'camera', by: 'own' });
  });

  it('gives what a short contract lacks, and is flat first', () => {
    const { events, firstGapMin } = run(system([bank, own], camera({ maxW: 9 }), { camera: 12 }));
    const flat = events.find(({ kind }) => kind === 'own-battery-flat')!;
    const alone3W = discharge({
      ...own.network,
      feeds: [{ id: 'contacts', resistanceOhm: 0.01, load: { id: 'camera', powerW: 3 } }],
    }).minutes;
    expect(flat.minute / alone3W).toBeCloseTo(1, 3);
    expect(firstGapMin).toBeCloseTo(flat.minute, 6); // nine watts alone do not run it
  });

  it('is filled from what a contract has left over', () => {
    const low = { ...own, network: { ...own.network, pack: { ...SMALL, startSoc: 0.2 } } };
    const { trace, events } = run(system([bank, low], camera({ maxW: 20, chargeW: 6 }), { camera: 12 }));
    const full = trace.find(({ soc }) => soc['own']! >= 0.9999)!;
    // 0.8 of about 15 Wh at 6 W × 0.9
    expect(full.minute).toBeGreaterThan(110);
    expect(full.minute).toBeLessThan(160);
    expect(events.some(({ kind }) => kind === 'own-battery-flat')).toBe(true); // at the very end
  });

  it('is filled only while off, where the device charges only then', () => {
    const low = { ...own, network: { ...own.network, pack: { ...SMALL, startSoc: 0.5 } } };
    const { trace } = run(
      system(
        [bank, low],
        camera({ onlyCharges: true, chargeW: 6 }),
        {},
        {
          phases: [
            { minutes: 30, loadW: { camera: 0 } },
            { minutes: 10, loadW: { camera: 12 } },
          ],
          horizonMin: 40,
        },
      ),
    );
    const at = (minute: number) => trace.filter((point) => point.minute <= minute).at(-1)!.soc['own']!;
    expect(at(30)).toBeGreaterThan(0.6);
    expect(at(40)).toBeLessThan(at(30));
  });
});

describe('two batteries of a grip', () => {
  const cells = ['left', 'right'].map((id) =>
    source({ pack: SMALL, feeds: [{ id: 'contacts', resistanceOhm: 0.01, load: { id: 'camera', powerW: 10 } }] }, id),
  );
  const one = discharge(cells[0]!.network).minutes;

  it('one after the other last twice as long', () => {
    const feeds = cells.map(({ id }) => ({ sourceId: id }));
    const { firstGapMin } = run(system(cells, [{ id: 'camera', feeds }], { camera: 10 }));
    expect(firstGapMin! / (2 * one)).toBeCloseTo(1, 4);
  });

  it('together last a little longer than that: each carries half', () => {
    const feeds = cells.map(({ id }) => ({ sourceId: id, share: 0.5 }));
    const { firstGapMin } = run(system(cells, [{ id: 'camera', feeds }], { camera: 10 }));
    expect(firstGapMin!).toBeGreaterThan(2 * one);
    expect(firstGapMin!).toBeLessThan(2.2 * one);
  });
});

describe('bounds', () => {
  it('ends at the horizon when nothing draws', () => {
    const { firstGapMin, minutes } = run(
      system([source(feeding('a', 1))], [{ id: 'a', feeds: [{ sourceId: 'pack' }] }], { a: 0 }, { horizonMin: 500 }),
    );
    expect([firstGapMin, minutes]).toEqual([undefined, 500]);
  });

  it('refuses to count phases without end', () => {
    const endless = system(
      [source(feeding('a', 1))],
      [{ id: 'a', feeds: [{ sourceId: 'pack' }] }],
      {},
      { repeatPhases: true, horizonMin: 1e6, phases: [{ minutes: 0.001, loadW: { a: 0.001 } }] },
    );
    expect(() => run(endless)).toThrow(RangeError);
  });
});
