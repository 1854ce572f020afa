/** The units that figures are kept in; the same spelling ends the field's name (`powerW`, `energyWh`). */
export type Unit =
  | 'V'
  | 'A'
  | 'W'
  | 'Wh'
  | 'Ah'
  | 'J'
  | 'ohm'
  | 'min'
  | 's'
  | 'ms'
  | 'C'
  | 'fraction'
  | 'per-hour'
  | 'm'
  | 'mm'
  | 'mm2'
  | 'g'
  | 'deg'
  | 'price'
  | 'count'
  | 'points'
  | 'peak-sun hours'
  | 'years';

export interface UnitInfo {
  /** In a sentence: "a number of volts". */
  readonly noun: string;
  /** Behind a number on the screen. */
  readonly symbol: string;
  /** An example of what may be typed. */
  readonly example: string;
  /** Digits after the point when shown. */
  readonly digits: number;
  /** What people type behind the number, and what turns it into the kept unit: lower case, but for a capital that is a prefix. */
  readonly spellings: Readonly<Record<string, (typed: number) => number>>;
}

const times = (factor: number) => (typed: number) => typed * factor;
const same = times(1);
const milli = (typed: number) => typed / 1000;
const kilo = times(1000);
const mega = times(1e6);

export const UNITS: Readonly<Record<Unit, UnitInfo>> = {
  V: { noun: 'volts', symbol: 'V', example: '14.4 V', digits: 2, spellings: { v: same, volt: same, volts: same, mv: milli } },
  A: { noun: 'amps', symbol: 'A', example: '1.8 A', digits: 2, spellings: { a: same, amp: same, amps: same, ma: milli } },
  W: {
    noun: 'watts',
    symbol: 'W',
    example: '18 W',
    digits: 1,
    spellings: { w: same, watt: same, watts: same, mw: milli, kw: times(1000) },
  },
  Wh: { noun: 'watt-hours', symbol: 'Wh', example: '95 Wh', digits: 1, spellings: { wh: same, mwh: milli, kwh: times(1000) } },
  Ah: { noun: 'amp-hours', symbol: 'Ah', example: '2040 mAh', digits: 2, spellings: { ah: same, mah: milli } },
  J: { noun: 'joules', symbol: 'J', example: '3 J', digits: 1, spellings: { j: same, ws: same, mj: milli, kj: times(1000) } },
  ohm: {
    noun: 'ohms',
    symbol: 'Ω',
    example: '80 mΩ',
    digits: 3,
    spellings: {
      ohm: same,
      ohms: same,
      // as a meter's range is read out: “10k”
      k: kilo,
      m: milli,
      M: mega,
      Ω: same,
      ω: same,
      mohm: milli,
      mω: milli,
      mΩ: milli,
      kohm: kilo,
      kω: kilo,
      kΩ: kilo,
      Mohm: mega,
      MΩ: mega,
    },
  },
  min: {
    noun: 'hours and minutes',
    symbol: 'min',
    example: '1h20 or 90 min',
    digits: 0,
    spellings: { min: same, mins: same, minutes: same, m: same, h: times(60), hr: times(60), hours: times(60), s: (typed) => typed / 60 },
  },
  C: {
    noun: 'degrees',
    symbol: '°C',
    example: '-5 C',
    digits: 0,
    spellings: { c: same, '°c': same, '°': same, f: (typed) => ((typed - 32) * 5) / 9, '°f': (typed) => ((typed - 32) * 5) / 9 },
  },
  fraction: { noun: 'per cent', symbol: '%', example: '10 %', digits: 0, spellings: { '%': (typed) => typed / 100 } },
  ms: { noun: 'milliseconds', symbol: 'ms', example: '200 ms', digits: 0, spellings: { ms: same, s: times(1000) } },
  s: {
    noun: 'seconds',
    symbol: 's',
    example: '20 s',
    digits: 1,
    spellings: { s: same, sec: same, ms: milli, min: times(60), m: times(60) },
  },
  'per-hour': { noun: 'times an hour', symbol: 'an hour', example: '120', digits: 0, spellings: { '/h': same } },
  m: { noun: 'metres', symbol: 'm', example: '0.6 m', digits: 2, spellings: { m: same, cm: times(0.01), ft: times(0.3048) } },
  mm2: { noun: 'square millimetres', symbol: 'mm²', example: '0.75 mm²', digits: 2, spellings: { mm2: same, 'mm²': same } },
  mm: { noun: 'millimetres', symbol: 'mm', example: '5.5 mm', digits: 2, spellings: { mm: same, cm: times(10), in: times(25.4) } },
  g: {
    noun: 'grams',
    symbol: 'g',
    example: '620 g',
    digits: 0,
    spellings: { g: same, kg: times(1000), oz: times(28.349523125), lb: times(453.59237), lbs: times(453.59237) },
  },
  deg: { noun: 'degrees', symbol: '°', example: '12', digits: 0, spellings: { '°': same, deg: same } },
  price: { noun: 'money', symbol: '', example: '180', digits: 2, spellings: {} },
  count: { noun: 'a whole number', symbol: '', example: '4', digits: 0, spellings: {} },
  points: { noun: 'points', symbol: '', example: '1.5', digits: 2, spellings: { '%': same } },
  'peak-sun hours': {
    noun: 'peak-sun hours',
    symbol: 'h',
    example: '1.2 h',
    digits: 2,
    spellings: { h: same, hour: same, hours: same, 'kwh/m2': same, 'kwh/m²': same, 'kwh/m2/day': same },
  },
  years: { noun: 'years', symbol: 'years', example: '3', digits: 1, spellings: { y: same, year: same, years: same } },
};
