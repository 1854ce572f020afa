/** What a column holds, by the figures that a meter writes. */
export type FigureRole = 'time' | 'voltage' | 'current' | 'power' | 'energy' | 'charge';
/** Or a day without a clock, or nothing of use. */
export type ColumnRole = FigureRole | 'date' | 'none';

/** Units as they stand in heads and cells, what they are of, and from them to seconds, volts, amps, watts, watt-hours, amp-hours. */
const UNITS: Readonly<Record<string, readonly [FigureRole, number]>> = {
  V: ['voltage', 1],
  mV: ['voltage', 1e-3],
  kV: ['voltage', 1e3],
  A: ['current', 1],
  mA: ['current', 1e-3],
  uA: ['current', 1e-6],
  W: ['power', 1],
  mW: ['power', 1e-3],
  kW: ['power', 1e3],
  Wh: ['energy', 1],
  mWh: ['energy', 1e-3],
  kWh: ['energy', 1e3],
  J: ['energy', 1 / 3600],
  kJ: ['energy', 1 / 3.6],
  Ah: ['charge', 1],
  mAh: ['charge', 1e-3],
  s: ['time', 1],
  sec: ['time', 1],
  secs: ['time', 1],
  second: ['time', 1],
  seconds: ['time', 1],
  ms: ['time', 1e-3],
  msec: ['time', 1e-3],
  us: ['time', 1e-6],
  ns: ['time', 1e-9],
  min: ['time', 60],
  mins: ['time', 60],
  minutes: ['time', 60],
  h: ['time', 3600],
  hr: ['time', 3600],
  hours: ['time', 3600],
  d: ['time', 86_400],
  days: ['time', 86_400],
  Tage: ['time', 86_400],
};
const BARE = /^[a-zµμ]+$/i;

/** What a unit is of, and its size; undefined for what is none. Either micro sign is `u`; `MA` and `VOLTS` are told by their letters. */
export function unitOf(text: string): readonly [role: FigureRole, scale: number] | undefined {
  const written = text.trim().replace(/\.$/, '').replace(/[µμ]/, 'u');
  if (!BARE.test(written)) return undefined;
  const direct = UNITS[written];
  if (direct) return direct;
  // `MA` is no megaamp on a bench
  const lower = written.toLowerCase();
  const found = Object.keys(UNITS).find((unit) => unit.toLowerCase() === lower);
  if (found !== undefined) return UNITS[found];
  if (/^(volts?|watts?|amps?|amperes?)$/.test(lower)) return UNITS[lower.startsWith('v') ? 'V' : lower.startsWith('w') ? 'W' : 'A'];
  if (/^milli(seconds?|volts?|amps?|watts?)$/.test(lower)) return UNITS[`m${{ s: 's', v: 'V', a: 'A', w: 'W' }[lower.charAt(5)]!}`];
  return undefined;
}
