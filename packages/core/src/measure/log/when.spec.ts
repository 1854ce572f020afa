import { dayOf, whenShape } from './when';

describe('days', () => {
  it.each<[string, number]>([
    ['1970-01-01', 0.5],
    ['2026-01-07', 20460.5],
    ['2026-01-07T12:00Z', 20460.5],
    ['2026-01-07T12:00:00', 20460.5],
    ['2026-01-07T13:00:00+01:00', 20460.5],
    ['2026-01-07T06:30:00.25-05:30', 20460.5],
    ['2026-02-31', 20515.5], // the third of March
  ])('%s is %d', (at, day) => expect(dayOf(at)).toBeCloseTo(day, 9));

  it.each(['yesterday', '2026-13-01', '2026-00-10', '2026-01-32', '2026-1-7', '2026-01-07T25:00Z', '2026-01-07T12:60Z', ''])(
    '%j is none',
    (at) => {
      expect(whenShape.pattern!.regex.test(at)).toBe(false);
      expect(dayOf(at)).toBeNaN();
    },
  );
});
