import fc from 'fast-check';
import { displayAs, formatDate, USUAL_DISPLAY } from './display';
import type { Display } from './display';
import { readDate } from './read-date';

afterEach(() => displayAs(USUAL_DISPLAY));
const TODAY = '2026-11-28';

describe('a date as people type it', () => {
  it.each([
    ['2026-01-13', '2026-01-13'],
    ['13.1.2026', '2026-01-13'],
    ['13/1/26', '2026-01-13'],
    ['13 1', '2027-01-13'],
    ['13 Jan 2026', '2026-01-13'],
    ['Tue 13 January', '2027-01-13'],
    ['Jan 13, 2026', '2026-01-13'],
    ['1 Dec', '2026-12-01'],
    ['29 Feb 2028', '2028-02-29'],
  ])('%s is %s', (typed, expected) => expect(readDate(typed, TODAY)).toEqual({ ok: true, value: expected }));

  it('of two numbers is read in the order that the person reads, between points always the day first', () => {
    displayAs({ ...USUAL_DISPLAY, date: 'month first' });
    expect(readDate('1/13/2026', TODAY)).toEqual({ ok: true, value: '2026-01-13' });
    expect(readDate('13.1.2026', TODAY)).toEqual({ ok: true, value: '2026-01-13' });
  });

  it.each(['', 'soon', '31 Feb 2026', '13 Foo 2026', '32.1.2026', '29 Feb 2027'])('“%s” is none', (typed) =>
    expect(readDate(typed, TODAY)).toMatchObject({ ok: false, issue: { expected: 'a date such as 13 Jan 2026 or 2026-01-13' } }),
  );

  it('reads back whatever is shown', () => {
    const dates = fc.date({ min: new Date('2000-01-01'), max: new Date('2090-12-31'), noInvalidDate: true });
    fc.assert(
      fc.property(dates, fc.constantFrom<Display['date']>('day first', 'month first', 'year first'), (date, order) => {
        displayAs({ ...USUAL_DISPLAY, date: order });
        const iso = date.toISOString().slice(0, 10);
        expect(readDate(formatDate(iso), TODAY)).toEqual({ ok: true, value: iso });
      }),
    );
  });
});
