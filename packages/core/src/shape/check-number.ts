import { issue } from '../issue';
import type { Issue } from '../issue';
import { parseQuantity } from '../quantity';
import type { Parsed } from '../quantity';
import { describeTyped } from './describe';
import type { NumberShape } from './shape';

/**
 * Whether a number is within a shape's range. The server's edge uses the same bounds; a test holds the two equal.
 *
 * @example isWithin(number('Watts', 'W', { max: 100 }), 120) // false
 */
export function isWithin(shape: NumberShape, value: number): boolean {
  const { min, max, aboveMin, integer } = shape;
  return Number.isFinite(value) && value <= max && (aboveMin ? value > min : value >= min) && (!integer || Number.isInteger(value));
}

/**
 * Reads one typed field against its shape: what `parseQuantity` says, then the range. `bare` says in which unit a number
 * without one is meant: in a table the kept one, in a field the one that is shown.
 *
 * Errors: those of `parseQuantity`, and `out-of-range`. A figure of zero or below says so in the same words.
 *
 * @example readField(number('Draw', 'W', { above: 0, max: 2000 }), '-5 W') // { ok: false, issue: { code: 'out-of-range', … } }
 */
export function readField(shape: NumberShape, typed: string, bare: 'kept' | 'shown' = 'kept'): Parsed<number> {
  const parsed = parseQuantity(typed, shape.unit, bare);
  if (!parsed.ok || isWithin(shape, parsed.value)) return parsed;
  const wrong: Issue = issue('', 'out-of-range', describeTyped(shape, bare), typed);
  return { ok: false, issue: wrong };
}
