export type ParsedNumber =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly reason: 'not-a-number' | 'ambiguous' };

const GROUP_SPACE = /[\u0020\u00a0\u2009\u202f'’]/g;
const GROUPED = /^[+-]?\d{1,3}([\u0020\u00a0\u2009\u202f'’]\d{3})+([.,]\d+)?$/;
const PLAIN = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;
const BOTH_MARKS = /^[+-]?\d{1,3}(,\d{3})+\.\d+$|^[+-]?\d{1,3}(\.\d{3})+,\d+$/;
const THREE_AFTER_MARK = /^[+-]?[1-9]\d{0,2}[.,]\d{3}$/;

/**
 * A number as people type it: `14.4`, `14,4`, `10 000`, `1,234.5`.
 *
 * One mark followed by exactly three digits (`20,000`, `20.000`) can be a thousand or a fraction. Where `thousands`
 * says that the figure is of a kind counted in thousands (milliamp-hours), it is read so; a comma elsewhere is `ambiguous`
 * rather than guessed, and a point elsewhere is the decimal point of a careful reader.
 *
 * @example parseNumber('14,4') // { ok: true, value: 14.4 }
 */
export function parseNumber(text: string, thousands = false): ParsedNumber {
  const typed = text.trim().replace('−', '-');
  if (GROUPED.test(typed)) return { ok: true, value: Number(typed.replace(GROUP_SPACE, '').replace(',', '.')) };
  if (BOTH_MARKS.test(typed)) {
    const decimal = typed.lastIndexOf(',') > typed.lastIndexOf('.') ? ',' : '.';
    const grouping = decimal === ',' ? '.' : ',';
    return { ok: true, value: Number(typed.replaceAll(grouping, '').replace(decimal, '.')) };
  }
  if (!PLAIN.test(typed)) return { ok: false, reason: 'not-a-number' };
  if (THREE_AFTER_MARK.test(typed)) {
    if (thousands) return { ok: true, value: Number(typed.replace(/[.,]/, '')) };
    if (typed.includes(',')) return { ok: false, reason: 'ambiguous' };
  }
  return { ok: true, value: Number(typed.replace(',', '.')) };
}
