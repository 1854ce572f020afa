import fc from 'fast-check';
import { arbitraryNetwork } from '../../../testing/arbitrary-network';
import { cellVoltage } from '../cell/ocv';
import type { Feed, Network } from './network';
import { networkIssues } from './network-issues';
import { operatingPoint } from './operating-point';

const pack = { cellsInSeries: 4, ocvPerCell: [[0, 3], [1, 4]] as const, capacityAh: 5, resistanceOhm: 0.1, cutoffV: 12 }; // prettier-ignore
const load = (id: string, powerW: number) => ({ id, powerW });

describe('an operating point', () => {
  it('takes the low-current root of a constant power behind a resistance', () => {
    const point = operatingPoint({ pack, feeds: [{ id: 'f', resistanceOhm: 0.1, load: load('l', 30) }] }, 1)!;
    // 16 V behind 0.2 Ω: I = (16 − √(256 − 24)) / 0.4
    expect(point.packA).toBeCloseTo((16 - Math.sqrt(256 - 24)) / 0.4, 12);
    expect(point.feeds[0]!.inputV).toBeCloseTo(16 - 0.2 * point.packA, 11); // Newton stops at 1e-13 of 16 V
  });

  it('balances at every node: currents add up, voltages fall by I × R', () => {
    fc.assert(
      fc.property(arbitraryNetwork(), fc.double({ min: 0, max: 1, noNaN: true }), (network, soc) => {
        const point = operatingPoint(network, soc);
        if (!point) return;
        const { pack: source } = network;
        const emf = source.cellsInSeries * cellVoltage(source.ocvPerCell, soc);
        expect(point.packV).toBeCloseTo(emf - source.resistanceOhm * point.packA, 9);
        expect(point.packA).toBeCloseTo(
          point.feeds.reduce((sum, { currentA }) => sum + currentA, 0),
          9,
        );
        network.feeds.forEach((feed, index) => {
          const { currentA, inputV } = point.feeds[index]!;
          expect(inputV).toBeCloseTo(point.packV - feed.resistanceOhm * currentA, 9);
          const takenW = feed.converter
            ? feed.load!.powerW / (feed.converter.efficiency as number) + feed.converter.standbyW
            : feed.load!.powerW;
          expect(inputV * currentA).toBeCloseTo(takenW, 6);
        });
      }),
      { numRuns: 200, seed: 3 },
    );
  });

  it('is none past the most a source can give: V² / 4R', () => {
    const most = 16 ** 2 / (4 * 0.2);
    const at = (powerW: number) => operatingPoint({ pack, feeds: [{ id: 'f', resistanceOhm: 0.1, load: load('l', powerW) }] }, 1);
    expect(at(most * 0.999)).toBeDefined();
    expect(at(most * 1.001)).toBeUndefined();
  });

  it('carries shared cables, and converters behind converters', () => {
    const inner: Feed = {
      id: 'inner',
      resistanceOhm: 0.5,
      converter: { outputV: 5, efficiency: 0.8, standbyW: 0.2 },
      load: load('recorder', 4),
    };
    const network: Network = {
      pack,
      feeds: [{ id: 'outer', resistanceOhm: 0, converter: { outputV: 12, efficiency: 0.9, standbyW: 0.1 }, feeds: [inner] }],
    };
    const point = operatingPoint(network, 1)!;
    const innerW = 4 / 0.8 + 0.2;
    const innerA = (12 - Math.sqrt(144 - 4 * 0.5 * innerW)) / (2 * 0.5);
    expect(point.feeds[1]).toMatchObject({ id: 'inner', loadV: 5 });
    expect(point.feeds[1]!.currentA).toBeCloseTo(innerA, 12);
    expect(point.feeds[0]!.currentA * point.feeds[0]!.inputV).toBeCloseTo((12 * innerA) / 0.9 + 0.1, 9);
  });
});

describe('networkIssues', () => {
  const sound: Network = { pack, feeds: [{ id: 'f', resistanceOhm: 0.1, load: load('l', 10) }] };
  const paths = (network: Network) => networkIssues(network).map(({ path, code }) => `${path} ${code}`);

  it('finds nothing in a sound network', () => expect(paths(sound)).toEqual([]));

  it.each<[string, Network, string]>([
    ['neither load nor feeds', { ...sound, feeds: [{ id: 'f', resistanceOhm: 0 }] }, '/feeds/0 load-or-feeds'],
    [
      'both',
      { ...sound, feeds: [{ ...sound.feeds[0]!, feeds: [{ ...sound.feeds[0]!, id: 'g', load: load('m', 1) }] }] },
      '/feeds/0 load-or-feeds',
    ],
    ['a feed’s name twice', { ...sound, feeds: [sound.feeds[0]!, { ...sound.feeds[0]!, load: load('m', 1) }] }, '/feeds/1/id id-twice'],
    ['a load’s name twice', { ...sound, feeds: [sound.feeds[0]!, { ...sound.feeds[0]!, id: 'g' }] }, '/feeds/1/load/id id-twice'],
    ['a table that falls', { ...sound, pack: { ...pack, ocvPerCell: [[0, 3.5], [1, 3]] } }, '/pack/ocvPerCell/1/1 table-order'], // prettier-ignore
    ['a table out of order', { ...sound, pack: { ...pack, ocvPerCell: [[0, 3], [0.6, 3.1], [0.5, 3.2], [1, 4]] } }, '/pack/ocvPerCell/2/0 table-order'], // prettier-ignore
    ['a table that starts late', { ...sound, pack: { ...pack, ocvPerCell: [[0.1, 3], [1, 4]] } }, '/pack/ocvPerCell/0/0 table-range'], // prettier-ignore
    [
      'a phase for a load that is not there',
      { ...sound, profile: [{ minutes: 1, scale: { ghost: 1 } }] },
      '/profile/0/scale/ghost unknown-load',
    ],
    ['nothing that draws', { ...sound, feeds: [{ id: 'f', resistanceOhm: 0, load: load('l', 0) }] }, '/feeds nothing-draws'],
  ])('finds %s', (_what, network, expected) => expect(paths(network)).toContain(expected));

  it('stops at a depth no rig has', () => {
    let feed: Feed = { id: 'leaf', resistanceOhm: 0, load: load('l', 1) };
    for (let depth = 0; depth < 30; depth++) feed = { id: `f${depth}`, resistanceOhm: 0, feeds: [feed] };
    expect(networkIssues({ pack, feeds: [feed] }).map(({ code }) => code)).toContain('too-deep');
  });
});
