import { issue } from '../issue';
import type { Issue } from '../issue';
import { shownUnit } from './display';
import { parseNumber } from './parse-number';
import { UNITS } from './unit';
import type { Unit } from './unit';

export type Parsed<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issue: Issue };

const HOURS_MINUTES = /^(\d+)\s*(?:h|hr|hours?|:)\s*(\d{1,2})\s*(?:m|min|mins|minutes)?$/i;
const NUMBER_THEN_UNIT = /^([+\-−]?[\d.,\u0020\u00a0\u2009\u202f'’]*\d[.,]?)\s*(\D*?)\s*$/;

/**
 * Reads one figure as people type it, with or without its unit, into the unit it is kept in.
 *
 * A bare number is taken to be in the kept unit (per cent for a `fraction`, minutes for a duration); where `bare` is
 * `shown`, as in a field, in the unit that the person reads (`display.ts`). The range is not
 * checked here but by the figure's shape. Errors: `empty`, `not-a-number`, `ambiguous`, `wrong-unit`.
 *
 * @example parseQuantity('1h20', 'min') // { ok: true, value: 80 }
 * @example parseQuantity('14,4V', 'V')  // { ok: true, value: 14.4 }
 */
export function parseQuantity(text: string, unit: Unit, bare: 'kept' | 'shown' = 'kept'): Parsed<number> {
  const info = UNITS[unit];
  const expected = unit === 'count' ? info.noun : `a number of ${info.noun}, such as ${info.example}`;
  const fail = (code: string, wanted = expected): Parsed<number> => ({ ok: false, issue: issue('', code, wanted, text) });

  const typed = unit === 'price' ? withoutCurrency(text.trim()) : text.trim();
  if (typed === '') return fail('empty');
  if (unit === 'min') {
    const clock = HOURS_MINUTES.exec(typed);
    if (clock) return Number(clock[2]) < 60 ? { ok: true, value: Number(clock[1]) * 60 + Number(clock[2]) } : fail('not-a-number');
  }
  const split = NUMBER_THEN_UNIT.exec(typed);
  if (!split) return fail('not-a-number');
  const [, digits = '', spelled = ''] = split;
  const convert = spelled === '' ? bareUnit(unit, bare) : spelling(info.spellings, spelled, unit);
  if (!convert) return fail('wrong-unit');
  // three digits behind a mark are thousands of a small unit, and of money, which has two at the most
  const number = parseNumber(digits, unit === 'price' || /^m(ah|wh|a|w|v)$/i.test(spelled));
  if (!number.ok) {
    if (number.reason !== 'ambiguous') return fail('not-a-number');
    return fail('ambiguous', `${digits.replace(',', '')} or ${digits.replace(',', '.')} (three digits behind a comma can mean either)`);
  }
  return { ok: true, value: convert(number.value) };
}

/** Mega is not milli: where a capital may be meant as a prefix it is never folded. Amp-hours on labels are printed in capitals. */
function spelling(spellings: (typeof UNITS)[Unit]['spellings'], typed: string, unit: Unit): ((typed: number) => number) | undefined {
  const keptCase = unit === 'ohm' || unit === 'V';
  const folded = keptCase && /^M/.test(typed) ? `M${typed.slice(1).toLowerCase().replace('ω', 'Ω')}` : typed.toLowerCase();
  return spellings[typed] ?? spellings[folded];
}

function bareUnit(unit: Unit, bare: 'kept' | 'shown'): (typed: number) => number {
  const shown = bare === 'shown' ? shownUnit(unit) : undefined;
  return shown?.keep ?? UNITS[unit].spellings['%'] ?? ((typed) => typed);
}

/** `€180`, `180 EUR`, `1 200 kr`: prices are kept in one currency, whichever it is. */
function withoutCurrency(typed: string): string {
  return typed.replace(/^(?:\p{Sc}|\p{Lu}{3}(?=[\s\d]))\s*/u, '').replace(/\s*(?:\p{Sc}|\p{Lu}{3}|kr|zł|Kč|Fr\.?|,-|\.-)$/u, '');
}
