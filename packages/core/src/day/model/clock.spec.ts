import fc from 'fast-check';
import { displayAs, USUAL_DISPLAY } from '../../quantity/display';
import { clockAt, isZone, minuteAt, readClock } from './clock';
import { dailySpans, isDuring, overlap } from './spans';

const UTC = { date: '2026-01-12' };
/** Clocks there go forward at two in the night to Sunday, and back again in autumn. */
const SPRING = { date: '2026-03-28', zone: 'Europe/Paris' };
const AUTUMN = { date: '2026-10-24', zone: 'Europe/Paris' };

describe('the clock of a plan', () => {
  it('tells day, time and date past midnight', () => {
    expect(clockAt(UTC, 1440 + 570)).toEqual({ day: 1, time: '09:30', date: '2026-01-13', weekday: 'Tue 13 Jan' });
    // of another calendar, or for somebody who reads dates otherwise, the same minute is another
    expect(clockAt({ date: '2026-02-01' }, 1440 + 570)).toMatchObject({ date: '2026-02-02', weekday: 'Mon 2 Feb' });
    displayAs({ ...USUAL_DISPLAY, date: 'month first' });
    expect(clockAt(UTC, 1440 + 570).weekday).toBe('Tue Jan 13');
    displayAs(USUAL_DISPLAY);
    expect(clockAt(UTC, 1440 + 570).weekday).toBe('Tue 13 Jan');
  });

  it('keeps half past nine half past nine over a change of the clocks', () => {
    expect(minuteAt(SPRING, 1, 570)).toBe(1440 + 570 - 60);
    expect(minuteAt(AUTUMN, 1, 570)).toBe(1440 + 570 + 60);
    expect(clockAt(SPRING, minuteAt(SPRING, 1, 570))).toMatchObject({ day: 1, time: '09:30' });
    expect(minuteAt(SPRING, 2, 0)).toBe(2 * 1440 - 60);
  });

  it('law: a time of a day comes back as it was put in', () => {
    const anyTime = fc.integer({ min: 0, max: 1439 }).filter((clock) => Math.floor(clock / 60) !== 2);
    fc.assert(
      fc.property(fc.constantFrom(UTC, SPRING, AUTUMN), fc.integer({ min: 0, max: 4 }), anyTime, (calendar, day, clock) => {
        const { day: back, time } = clockAt(calendar, minuteAt(calendar, day, clock));
        const [hours, minutes] = time.split(':').map(Number);
        expect([back, hours! * 60 + minutes!]).toEqual([day, clock]);
      }),
    );
  });

  it('takes a 31st of a shorter month for the first of the next, and an unknown zone for UTC', () => {
    expect(clockAt({ date: '2026-02-29', zone: 'Skarnholm' }, 90)).toMatchObject({ date: '2026-03-01', time: '01:30' });
  });

  it('knows zones', () => expect([isZone('Europe/Paris'), isZone('UTC'), isZone('Skarnholm')]).toEqual([true, true, false]));

  it.each([
    ['9', 540],
    ['930', 570],
    ['0930', 570],
    ['9:30', 570],
    ['9.30', 570],
    ['24', 1440],
    ['+1h20', 680],
    ['+15', 615],
  ])('reads %s', (typed, minutes) => expect(readClock(typed, 600)).toEqual({ ok: true, value: minutes }));

  it.each(['', '25', '9:70', 'noon', '+x', '12345'])('does not read “%s”, and says what it wants', (typed) => {
    expect(readClock(typed, 600)).toMatchObject({
      ok: false,
      issue: { expected: expect.stringContaining('0930') as string, received: expect.any(String) as string },
    });
  });
});

describe('spans', () => {
  it('of hours through the night reach into the next day', () => {
    const nights = dailySpans({ ...UTC, days: 2 }, 18 * 60, 7 * 60);
    expect(nights).toEqual([
      { fromMin: 0, toMin: 7 * 60 },
      { fromMin: 18 * 60, toMin: 31 * 60 },
      { fromMin: 42 * 60, toMin: 55 * 60 },
      { fromMin: 66 * 60, toMin: 79 * 60 },
    ]);
    expect([isDuring(nights, 0), isDuring(nights, 7 * 60), isDuring(nights, 18 * 60)]).toEqual([true, false, true]);
  });

  it('of whole days are one', () => expect(dailySpans({ ...UTC, days: 2 })).toEqual([{ fromMin: 0, toMin: 3 * 1440 }]));

  it('share what both have', () => {
    expect(overlap({ fromMin: 0, toMin: 60 }, { fromMin: 45, toMin: 90 })).toBe(15);
    expect(overlap({ fromMin: 0, toMin: 60 }, { fromMin: 60, toMin: 90 })).toBe(0);
  });
});
