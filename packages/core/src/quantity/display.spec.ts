import fc from 'fast-check';
import { readField } from '../shape/check-number';
import { number } from '../shape/shape';
import { displayAs, displayNow, formatClock, formatDate, USUAL_DISPLAY } from './display';
import type { Display } from './display';
import { formatNumber, formatQuantity } from './format-quantity';
import { parseQuantity } from './parse-quantity';

const as = (over: Partial<Display>): void => displayAs({ ...USUAL_DISPLAY, ...over });
afterEach(() => displayAs(USUAL_DISPLAY));

describe('figures as a person reads them', () => {
  it.each<[Partial<Display>, number, Parameters<typeof formatQuantity>[1], string]>([
    [{ mass: 'oz' }, 100, 'g', '3.5 oz'],
    [{ mass: 'oz' }, 1300, 'g', '2.9 lb'],
    [{}, 999, 'g', '999 g'],
    [{}, 12_870, 'g', '12.87 kg'],
    [{ temperature: 'F' }, -5, 'C', '23 °F'],
    [{ temperature: 'F' }, 25, 'C', '77 °F'],
    [{ length: 'in' }, 5.5, 'mm', '0.22 in'],
    [{ length: 'in' }, 0.6, 'm', '2 ft'],
    [{ decimal: ',' }, 14.4, 'V', '14,4 V'],
    [{ mass: 'oz', temperature: 'F', length: 'in' }, 95, 'Wh', '95 Wh'],
  ])('%j: %d %s', (over, value, unit, expected) => {
    as(over);
    expect(formatQuantity(value, unit)).toBe(expected);
  });

  it.each([
    ['09:30', '9:30 am'],
    ['00:05', '12:05 am'],
    ['12:00', '12:00 pm'],
    ['23:59', '11:59 pm'],
  ])('a clock of twelve hours: %s', (time, expected) => {
    as({ clock: '12 h' });
    expect(formatClock(time)).toBe(expected);
  });

  it.each<[Display['date'], string, string]>([
    ['day first', 'Tue 13 Jan 2026', 'Tue 13 Jan'],
    ['month first', 'Tue Jan 13, 2026', 'Tue Jan 13'],
    ['year first', 'Tue 2026-01-13', 'Tue 01-13'],
  ])('a date, %s', (date, whole, short) => {
    as({ date });
    expect(formatDate('2026-01-13')).toBe(whole);
    expect(formatDate('2026-01-13', { year: false })).toBe(short);
  });

  it('a date that is none stays what it is', () => expect(formatDate('next week')).toBe('next week'));

  it('is another object once it has changed, so that what was said before can be told from it', () => {
    const before = displayNow();
    as({ mass: 'oz' });
    expect(displayNow()).not.toBe(before);
  });
});

describe('figures as a person types them', () => {
  const mass = number('Mass', 'g', { min: 0, max: 50_000 });

  it('a bare number in a field is in the unit that is shown, in a table in the one that is kept', () => {
    as({ mass: 'oz' });
    expect(readField(mass, '10', 'shown')).toEqual({ ok: true, value: 283.49523125 });
    expect(readField(mass, '10')).toEqual({ ok: true, value: 10 });
    expect(readField(mass, '10 g', 'shown')).toEqual({ ok: true, value: 10 });
  });

  it('says the range in the unit that was meant', () => {
    as({ mass: 'oz' });
    expect(readField(mass, '99999', 'shown')).toMatchObject({ issue: { expected: 'from 0 to 1763.7 oz' } });
    expect(readField(mass, '99999')).toMatchObject({ issue: { expected: 'from 0 to 50000 g' } });
  });

  it('reads back what it shows', () => {
    as({ temperature: 'F', mass: 'oz', decimal: ',' });
    fc.assert(
      fc.property(fc.integer({ min: -40, max: 60 }), (celsius) => {
        const read = parseQuantity(formatNumber(celsius, 'C'), 'C', 'shown');
        return read.ok && Math.abs(read.value - celsius) < 0.5;
      }),
    );
  });
});
