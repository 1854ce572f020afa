import fc from 'fast-check';
import type { Feed, Network } from '../src/physics/circuit/network';
import { CHEMISTRIES } from '../src/tables/chemistries';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** Sound networks of one to three feeds, each with a load, some behind a converter; they may end in any way. */
export function arbitraryNetwork(): fc.Arbitrary<Network> {
  const feed = fc
    .record({
      ohm: between(0, 0.3),
      watts: between(0.5, 30),
      converts: fc.boolean(),
      outputV: between(5, 24),
      efficiency: between(0.7, 0.97),
      standbyW: between(0, 0.5),
      minV: between(5, 13),
      maxA: fc.option(between(0.5, 8), { nil: undefined }),
    })
    .map(({ ohm, watts, converts, outputV, efficiency, standbyW, minV, maxA }): Omit<Feed, 'id'> => {
      const load = { id: 'load', powerW: watts, ...(!converts && { minV }) };
      return {
        resistanceOhm: ohm,
        ...(maxA !== undefined && { maxA }),
        ...(converts && { converter: { outputV, efficiency, standbyW, minInputV: minV } }),
        load,
      };
    });
  return fc
    .record({
      chemistry: fc.constantFrom('li-ion', 'lifepo4', 'agm', 'nimh'),
      cells: fc.integer({ min: 4, max: 7 }),
      capacityAh: between(1, 30),
      resistanceOhm: between(0, 0.4),
      startSoc: between(0.2, 1),
      feeds: fc.array(feed, { minLength: 1, maxLength: 3 }),
    })
    .map(({ chemistry, cells, capacityAh, resistanceOhm, startSoc, feeds }) => {
      const { ocvPerCell, cutoffCellV } = CHEMISTRIES[chemistry as 'li-ion'];
      return {
        pack: { cellsInSeries: cells, ocvPerCell, capacityAh, resistanceOhm, cutoffV: cells * cutoffCellV, startSoc },
        feeds: feeds.map((one, index) => ({ ...one, id: `feed-${index}`, load: { ...one.load!, id: `load-${index}` } })),
      };
    });
}
