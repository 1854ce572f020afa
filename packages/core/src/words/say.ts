import { formatQuantity } from '../quantity';

/** `14.4 V` and the like, for sentences. */
export const say = formatQuantity;

/** `A, B and C`. */
export function sayList(names: readonly string[], last: 'and' | 'or' = 'and'): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)}`;
}

/** Millimetres that matter for how a rig stands are whole ones. */
export const millimetres = (value: number): string => say(Math.round(value), 'mm');

/** `5 V at 3 A, 15 W`. */
export function sayContract({
  voltageV,
  currentA,
  powerW,
}: {
  readonly voltageV: number;
  readonly currentA: number;
  readonly powerW: number;
}): string {
  return `${say(voltageV, 'V')} at ${say(currentA, 'A')}, ${say(powerW, 'W')}`;
}
