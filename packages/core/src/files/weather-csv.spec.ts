import type { Day } from '../day/shape/day';
import { weatherFromCsv } from './weather-csv';

const DAY: Day = { name: 'Day', date: '2026-01-12', days: 1, rigIds: [], blocks: [], zone: 'Europe/Berlin', temperatureC: 9 };

describe('a table of temperatures', () => {
  it('is read with dates or without, decimal commas, and Fahrenheit where it says so', () => {
    const read = weatherFromCsv('time;temperature\n2026-01-12 06:00;-4,5\n07:00;-3\n', DAY, 'own');
    expect(read.issues).toEqual([]);
    expect(read.weather!.hours).toEqual([
      { atMin: 360, temperatureC: -4.5 },
      { atMin: 420, temperatureC: -3 },
    ]);
    expect(weatherFromCsv('time,temperatureF\n06:00,14\n', DAY, 'own').weather!.hours[0]!.temperatureC).toBeCloseTo(-10, 9);
  });

  it('tells each cell that is wrong by its line and column, and takes the rest', () => {
    const read = weatherFromCsv('time,temperature\nsix,-4\n07:00,warm\n08:00,-80\n09:00,1\n', DAY, 'own');
    expect(read.issues.map(({ path, code }) => [path, code])).toEqual([
      ['/2/time', 'bad-cell'],
      ['/3/temperature', 'bad-cell'],
      ['/4/temperature', 'out-of-range'],
    ]);
    expect(read.weather!.hours).toEqual([{ atMin: 540, temperatureC: 1 }]);
  });

  it('without its columns, or of other dates only, is refused', () => {
    expect(weatherFromCsv('when,how\n1,2\n', DAY, 'own')).toMatchObject({ weather: undefined, issues: [{ code: 'no-column' }] });
    expect(weatherFromCsv('time,temperature\n2026-03-01 06:00,4\n', DAY, 'own')).toMatchObject({
      weather: undefined,
      issues: [{ code: 'bad-cell' }],
    });
  });
});
