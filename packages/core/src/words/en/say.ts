import { formatQuantity } from '../../quantity';
import type { Unit } from '../../quantity';

/** `14.4 V` and the like, for sentences. */
export const say = formatQuantity;

/** `A, B and C`. */
export function sayList(names: readonly string[], last: 'and' | 'or' = 'and'): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)}`;
}

/**
 * A sum of which some parts are not known: never 0 for what nobody entered.
 *
 * @example saySum(450, 'g', ['V1'], 2) // 'at least 450 g'
 */
export function saySum(known: number, unit: Unit, unknown: readonly string[], parts: number): string {
  return sumOf(say(known, unit), unknown, parts);
}

/**
 * The same of a sum that is said already: in a person's currency. Of no parts at all it is nothing.
 *
 * @example sumOf('450 g', [], 2) // '450 g'
 */
export function sumOf(said: string, unknown: readonly string[], parts: number): string {
  if (parts === 0) return 'nothing';
  if (unknown.length === 0) return said;
  return unknown.length >= parts ? 'unknown' : `at least ${said}`;
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
