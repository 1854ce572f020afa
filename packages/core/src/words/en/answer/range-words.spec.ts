import { DRAW_SPREAD } from '../../../tables/spreads';
import { sayRangeRule, tellRange } from './range-words';

it('what a range draws anew is told with the figures of the tables, two deviations each', () => {
  const rule = sayRangeRule();
  for (const spread of Object.values(DRAW_SPREAD)) expect(rule).toContain(`±${(200 * spread).toFixed(0)} %`);
  expect(rule).toContain('±3 % when measured, ±8 % otherwise');
  expect(rule).toContain('efficiencies (±2 points)');
});

it('a range is told with its rule beside its figures', () => {
  const range = { p10Min: 50, p50Min: 60, p90Min: 70, chanceOfLasting: 0.4, wantedMin: 65, runs: 200, seed: 1 };
  expect(tellRange(range)).toEqual({ ...range, rule: sayRangeRule() });
});
