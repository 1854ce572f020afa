import { DAY_S } from '../../quantity';
import { isMarker, readFigure } from './row-fields';
import { hasClock, isClock, isDate } from './times';
import { unitOf } from './units';
import type { ColumnRole, FigureRole } from './units';

/** What a column may hold, and how much speaks for it. */
export interface Candidate {
  readonly role: ColumnRole;
  readonly scale: number;
  /** The more, the rather it is what was measured. */
  readonly score: number;
  /** It only counts its rows. */
  readonly isNumbers?: boolean;
}

const NAMES: readonly (readonly [FigureRole | 'date' | 'index', RegExp])[] = [
  ['index', /^(#|no|nr|nº|n°|index|idx|sample|samples|record|count|lfd|row|point|id)\b\.?/i],
  ['energy', /\b(energy|energie|énergie|energi|work)\b|^(e|wh|mwh)$/i],
  ['charge', /\b(charge|capacity|ladung|kapazität|capacité|capacidad|ladning|capacità|mah|ah)\b/i],
  ['date', /^(date|datum|fecha|data|dato)$/i],
  [
    'time',
    /\b(time|zeit|timestamp|datetime|elapsed|seconds?|sec|clock|uhrzeit|heure|temps|hora|tiempo|tid|tempo|ora|date|datum|millis\w*)\b|^t$/i,
  ],
  ['power', /\b(power|pow|watts?|leistung|puissance|potencia|potenza|effekt|wirkleistung)\b|^p(\d|out|in)?$|^w$/i],
  ['voltage', /\b(volt|volts|voltage|spannung|tension|tensión|tensione|spenning|vbus|vdc|vout|vin|uout)\b|^[uv]\d?$/i],
  ['current', /\b(curr|current|strom|courant|corriente|corrente|str[øo]m|ibus|iout|iin|amps?|ampere|amperage)\b|^[ia]\d?$/i],
];
/** What was set, or the ends of it, is not what was measured; what goes in is not what came out. */
const LESS: readonly (readonly [RegExp, number])[] = [
  [/\b(set|setpoint|target|preset|soll|sollwert|nominal|rated|programmed|consigne|demand|cmd|ref|reference)\b/i, -8],
  [/^[uvip](set|lim|limit|max|min|ref|nom)\b/i, -8],
  [/\b(shunt|sense|factor|d|dp|dm|cc1?|cc2)\b/i, -8],
  [/\b(limit|ovp|ocp|opp|protection|threshold|grenze|range|max allowed|cutoff)\b/i, -8],
  [/\b(min|minimum|low|lowest|max|maximum|high|highest|peak|spitze|pk|std|stddev|sigma|ripple|error|delta|diff)\b/i, -4],
  [/\b(apparent|reactive|scheinleistung|blindleistung)\b/i, -3],
  [/\b(input|in|supply|mains|eingang)\b/i, -1],
  [/\b(avg|average|mean|mittel|mittelwert|rms|moyenne)\b/i, 1],
  [/\b(meas|measured|measure|actual|ist|istwert|output|out|load|ausgang|live|present)\b/i, 2],
];
/** From this a time is since 1970, in seconds, milliseconds, microseconds or nanoseconds. */
const EPOCHS: readonly (readonly [number, number])[] = [
  [1e17, 1e-9],
  [1e14, 1e-6],
  [1e11, 1e-3],
];
/** Days of a spreadsheet since 1900, between 1982 and 2091, and steps that no seconds have. */
const SERIAL = { least: 30_000, most: 70_000, step: 0.02 };

/** `time_s`, `voltageV`, `CH1-Volt` and `current(A)` are words and their units. */
function spaced(name: string): string {
  return name
    .replaceAll(/[_\-/.,:;]+/g, ' ')
    .replaceAll(/([a-z]{3})([A-Z])/g, '$1 $2')
    .replaceAll(/[[({]/g, ' [')
    .replaceAll(/[\])}]/g, '] ');
}

/** What a column of values under a name is most likely. */
export function candidateOf(name: string, values: readonly string[], decimal: string): Candidate {
  const words = spaced(name).trim();
  const filled = values.filter((value) => value !== '' && !isMarker(value));
  const none: Candidate = { role: 'none', scale: 1, score: 0 };
  if (filled.length === 0) return none;
  if (filled.every((value) => isDate(value)))
    return { role: filled.some((value) => hasClock(value)) ? 'time' : 'date', scale: 1, score: 6 };
  if (filled.every((value) => isClock(value))) return { role: 'time', scale: 1, score: 5 };
  const figures = filled.map((value) => readFigure(value, decimal));
  if (figures.filter(({ value }) => Number.isNaN(value)).length > filled.length / 2) return none;
  const unit = unitIn(words) ?? unitOf(figures[0]!.unit);
  const named = NAMES.find(([, pattern]) => pattern.test(words))?.[0];
  if (named === 'index' && !unit) return { ...none, isNumbers: true };
  // a unit says more than a name: `Energy [W]`, `Output (mA)`, `Sample time [ms]`
  const role = unit?.[0] ?? (named === 'date' ? 'time' : named === 'index' ? undefined : named);
  if (role === undefined) return none;
  const said = named === role ? 2 : 0;
  const less = LESS.reduce((sum, [pattern, by]) => sum + (pattern.test(words) ? by : 0), 0);
  const scale = unit?.[0] === role ? unit[1] : role === 'time' ? timeScale(figures.map(({ value }) => value)) : 1;
  return { role, scale, score: 3 + said + (unit ? 1 : 0) + less };
}

/** The last word that is a unit, in brackets or not; that of a counter goes before. */
function unitIn(words: string): ReturnType<typeof unitOf> {
  const bracketed = [...words.matchAll(/\[\s*([^\]]+?)\s*\]/g)].map(([, inside]) => unitOf(inside!)).find((unit) => unit !== undefined);
  if (bracketed) return bracketed;
  const parts = words.split(/\s+/);
  // a word that names the column is not its unit: `t`, `Min`, `D`
  const found = parts
    .slice(1)
    .map((part) => unitOf(part))
    .filter((unit) => unit !== undefined);
  const glued = /^(?:volt|voltage|current|power|time|energy|charge)(m?[VAWs]h?)$/i.exec(words)?.[1];
  const alone = parts.length === 1 && /^(m?[WA]h|ms|m?[VAW]|watts?|volts?|amps?)$/i.test(words) ? unitOf(words) : undefined;
  return found.at(-1) ?? (glued === undefined ? undefined : unitOf(glued)) ?? alone;
}

/** Of times without a unit. */
function timeScale(values: readonly number[]): number {
  const first = values[0]!;
  const epoch = EPOCHS.find(([from]) => first >= from);
  if (epoch) return epoch[1];
  const steps = values.slice(1).map((value, index) => Math.abs(value - values[index]!));
  const isSerial =
    first >= SERIAL.least && first <= SERIAL.most && !Number.isInteger(values[1] ?? 0.5) && steps.every((step) => step < SERIAL.step);
  return isSerial ? DAY_S : 1;
}

/** Channels, as loggers number them: what belongs together bears the same. */
export function channelOf(name: string): string {
  return (
    /\b(?:ch|channel|kanal|voie|port|out|output)\s*([a-d1-9])\b|^[uvipw]([1-9])\b/i
      .exec(spaced(name))
      ?.slice(1)
      .find((one) => one !== undefined)
      ?.toLowerCase() ?? ''
  );
}

/** A column that nobody named, taken for the time. */
export function timeCandidate(values: readonly string[], decimal: string): Candidate {
  return { role: 'time', scale: timeScale(values.map((value) => readFigure(value, decimal).value)), score: 0 };
}

/** Whether values rise from row to row, or fall: what a time does that nobody named. */
export function isRising(values: readonly string[], decimal: string): boolean {
  const figures = values.map((value) => readFigure(value, decimal).value);
  const steps = figures.slice(1).map((value, index) => value - figures[index]!);
  return figures.length > 2 && (steps.every((step) => step > 0) || steps.every((step) => step < 0));
}
