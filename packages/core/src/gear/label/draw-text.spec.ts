import { drawText, readDrawText } from './draw-text';

describe('a draw in one line', () => {
  it.each([
    ['8.8 W', { basis: 'maker', powerW: 8.8 }],
    ['8,8W', { basis: 'maker', powerW: 8.8 }],
    ['7.4 V 1.2 A', { basis: 'meter', voltageV: 7.4, currentA: 1.2, at: 'device' }],
    ['14,4V / 850 mA', { basis: 'meter', voltageV: 14.4, currentA: 0.85, at: 'device' }],
    ['lasts 50 min on 24.5 Wh', { basis: 'run-down', energyWh: 24.5, minutes: 50 }],
    ['50 min on 24.5 Wh', { basis: 'run-down', energyWh: 24.5, minutes: 50 }],
    ['1 h 40 min from 7.2 V 2040 mAh', { basis: 'run-down', energyWh: 14.69, minutes: 100 }],
    ['1:40 on 14,7 Wh', { basis: 'run-down', energyWh: 14.7, minutes: 100 }],
    ['95 Wh lasted 5 h 10', { basis: 'run-down', energyWh: 95, minutes: 310 }],
    ['2.5 h on 98 Wh', { basis: 'run-down', energyWh: 98, minutes: 150 }],
    ['2 h 98 Wh', { basis: 'run-down', energyWh: 98, minutes: 120 }],
    ['385 shots on 14.7 Wh at 60 an hour', { basis: 'shots-a-charge', shots: 385, energyWh: 14.7, shotsPerHour: 60 }],
    ['385 shots a charge, 7.2V 2040mAh, 120/h', { basis: 'shots-a-charge', shots: 385, energyWh: 14.69, shotsPerHour: 120 }],
    ['1,200 shots from 16 Wh at 200 per hour', { basis: 'shots-a-charge', shots: 1200, energyWh: 16, shotsPerHour: 200 }],
  ])('reads “%s”', (text, draw) => {
    expect(readDrawText(text)).toEqual({ ok: true, value: draw });
  });

  it.each([
    '',
    'some',
    '50 min',
    '24.5 Wh',
    '7.4 V',
    '1.2 A',
    '385 shots',
    '385 shots on 14.7 Wh',
    '0 W',
    '-3 W',
    '0 min on 24 Wh',
    '2040 mAh in 50 min',
  ])('refuses “%s” with what it expects', (text) => {
    const read = readDrawText(text);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.issue.code).not.toBe('');
    expect(!read.ok && read.issue.expected).not.toBe('');
  });

  it('gives back what was typed, and reads that again', () => {
    for (const text of ['8.8 W', '7.4 V 1.2 A', '50 min on 24.5 Wh', '385 shots on 14.7 Wh at 60 an hour']) {
      const read = readDrawText(text);
      expect(read.ok && drawText(read.value)).toBe(text);
    }
  });
});
