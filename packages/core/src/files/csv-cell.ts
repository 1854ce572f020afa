import { issue } from '../issue';
import type { Issue } from '../issue';
import { describe, readField } from '../shape';
import type { Shape } from '../shape';

/** What a spreadsheet would take for a formula: `=`, `+`, `-`, `@`, a tab; behind quotes of ours, so that it comes back. */
const FORMULA = /^'*[=+\-@\t\r]/;
const UNQUOTED = /^'(?='*[=+\-@\t\r])/;
const NUMBER = /^[+-]?\d+([.,]\d+)?(e[+-]?\d+)?$/i;

/**
 * A cell that no spreadsheet runs: text that begins like a formula gets a quote before it, figures stay as they are.
 * `asMeant` takes it off again.
 *
 * @example harmless('=1+1') // "'=1+1"
 */
export function harmless(cell: string | number): string | number {
  return typeof cell === 'string' && FORMULA.test(cell) && !NUMBER.test(cell) ? `'${cell}` : cell;
}

/** The text that a harmless cell stands for. */
export function asMeant(cell: string): string {
  return cell.replace(UNQUOTED, '');
}

export type ReadCell = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly issue: Issue };

const YES = new Set(['yes', 'y', 'true', '1', 'x']);
const NO = new Set(['no', 'n', 'false', '0']);

/**
 * One cell of a table as the value of a field: numbers with or without their unit, choices by their key or their words,
 * yes and no. Never throws.
 */
export function readCell(shape: Shape, text: string): ReadCell {
  const typed = text.trim();
  const fail = (): ReadCell => ({ ok: false, issue: issue('', 'bad-cell', describe(shape), text) });
  switch (shape.kind) {
    case 'number':
      return readField(shape, typed);
    case 'text':
      return typed.length > shape.maxLength || (shape.pattern && !shape.pattern.regex.test(typed)) ? fail() : { ok: true, value: typed };
    case 'boolean':
      if (YES.has(typed.toLowerCase())) return { ok: true, value: true };
      return NO.has(typed.toLowerCase()) ? { ok: true, value: false } : { ok: false, issue: issue('', 'bad-cell', 'yes or no', text) };
    case 'choice': {
      const wanted = typed.toLowerCase();
      const found = Object.entries(shape.options).find(([key, says]) => key.toLowerCase() === wanted || says.toLowerCase() === wanted);
      return found ? { ok: true, value: found[0] } : fail();
    }
    default:
      return fail();
  }
}

/** The cell that `readCell` reads back to the very same value. */
export function writeCell(shape: Shape, value: unknown): string {
  if (shape.kind === 'boolean') return value === true ? 'yes' : 'no';
  if (shape.kind !== 'number' || typeof value !== 'number') return String(value);
  if (shape.unit !== 'fraction') return plain(value);
  // a bare share is read as per cent; most of them survive times a hundred and back, the rest keep all digits
  const percent = Number((value * 100).toPrecision(15));
  return plain(percent / 100 === value ? percent : value * 100);
}

/** Without an exponent, which is not how people write figures. */
function plain(value: number): string {
  const text = String(value);
  return text.includes('e') ? value.toFixed(20) : text;
}
