import { assessModel, criteriaOf, rigModel } from '@viaggio/core/answer';
import type { Criteria } from '@viaggio/core/answer';
import { LOW_WATER } from '@viaggio/core/demo';
import { STYLE_WEIGHTS } from '@viaggio/core/units';
import type { Column } from './column';
import { bestIn, exchange, facts } from './facts';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
function criteria(name: string): Criteria {
  const model = rigModel(LOW_WATER.rigs.find(({ body }) => body.name === name)!.body, gear);
  return criteriaOf(model.resolved, assessModel(model));
}
const base = criteria('Wheelhouse');
const column = (key: Column['key'], changes: Partial<Criteria> = {}): Column => ({
  key,
  title: key,
  criteria: { ...base, ...changes },
  alternative: undefined,
});
const weights = STYLE_WEIGHTS.handheld;
const sayPrice = (price: number | undefined) => (price === undefined ? 'unknown' : `${price} €`);
const row = (columns: readonly Column[], title: string) => facts(columns, weights, sayPrice).find((fact) => fact.title.startsWith(title))!;

describe('the facts of a comparison', () => {
  it('mark the best of each, and what is the same in all is not stressed', () => {
    const columns = [
      column('now'),
      column('grip', { massOnG: base.massOnG + 300, firstStopMin: base.firstStopMin! + 60 }),
      column('mains'),
    ];
    expect(row(columns, 'To the first swap').cells.map(({ best }) => best)).toEqual([false, true, false]);
    expect(row(columns, 'Plugs')).toMatchObject({ same: true });
    expect(row(columns, 'Plugs').cells.some(({ best }) => best)).toBe(false);
  });

  it('do not call a distinction what most of them share', () => {
    const columns = [column('now'), column('mains'), column('grip', { together: 9 })];
    expect(row(columns, 'Stop together').cells.some(({ best }) => best)).toBe(false);
  });

  it('let an endless supply win over any time, and a missing figure never', () => {
    const columns = [column('now'), column('mains', { unlimited: true }), column('grip', { firstStopMin: undefined })];
    const cells = row(columns, 'To the first swap').cells;
    expect(cells.map(({ text }) => text)).toEqual(['4 h 43 min', 'as long as the mains is on', 'not known']);
    expect(cells.map(({ best }) => best)).toEqual([false, true, false]);
  });

  it('never call a sum best, or nothing, of which parts are not known', () => {
    const columns = [
      column('now', { massOnG: 0, massOnUnknown: ['V1'], piecesOn: 1 }),
      column('grip', { massOnG: 300, massOnUnknown: ['V1'], piecesOn: 2 }),
      column('mains', { massOnG: 900, massOnUnknown: [], piecesOn: 1, pricePerWh: undefined }),
    ];
    expect(row(columns, 'On the camera').cells).toEqual([
      { text: 'unknown', best: false },
      { text: 'at least 300 g', best: false },
      { text: '900 g', best: true },
    ]);
    expect(row(columns, 'Price a watt-hour').cells[2]!.text).toBe('unknown');
  });

  it('name the column that costs the fewest points, by the weights given', () => {
    const columns = [column('now'), column('grip', { massOnG: base.massOnG + 2000, hotSwap: true, swaps: 0, blindGauges: 0 })];
    expect(bestIn(columns, { ...weights, massOn: 9 })?.key).toBe('now');
    expect(bestIn(columns, { ...weights, massOn: 0, blindGauge: 9 })?.key).toBe('grip');
    const none: readonly Column[] = [];
    expect(bestIn(none, weights)).toBeUndefined();
  });
});

describe('what a way gains and costs against another', () => {
  const than: Criteria = { ...base, firstStopMin: 200, massOnG: 300, massOnUnknown: [], together: 1, blindGauges: 1, hotSwap: false };

  it('is told in few words, each difference once, for the better or the worse', () => {
    const of: Criteria = { ...than, firstStopMin: 290, massOnG: 520, blindGauges: 0, hotSwap: true, joints: than.joints + 1 };
    expect(exchange(of, than)).toEqual({
      gains: ['1 h 30 min longer', 'swapped without a cut', '1 gauge more to believe'],
      costs: ['220 g more on the camera', '1 plug more'],
    });
    expect(exchange(than, of).gains).toEqual(['220 g less on the camera', '1 plug less']);
  });

  it('is nothing where they are the same, where nobody feels it, and where a figure is not known', () => {
    expect(exchange(than, than)).toEqual({ gains: [], costs: [] });
    expect(exchange({ ...than, firstStopMin: 203, massOnG: 310 }, than)).toEqual({ gains: [], costs: [] });
    expect(exchange({ ...than, massOnG: 0, massOnUnknown: ['Plate'] }, than)).toEqual({ gains: [], costs: [] });
    expect(exchange({ ...than, firstStopMin: undefined }, than)).toEqual({ gains: [], costs: [] });
  });
});
