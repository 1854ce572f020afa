import { unitOf } from './units';

const SPACE = 32;
const TAB = 9;
const QUOTE = 34;
const MINUS = 45;
const PLUS = 43;
const ZERO = 48;
/** Digits that a double holds exactly: with more, the plain way reads it. */
const EXACT_DIGITS = 15;
const TENS = Float64Array.from({ length: EXACT_DIGITS + 1 }, (_, power) => 10 ** power);

/** Of a figure, with all that stands about it. */
const LONGEST = 60;

/** Instruments write this for “over the range” and “no number” (SCPI 1999.0, 7.2.1.4 and 7.2.1.5). */
const LARGEST = 9.9e37;
const MARKERS = /^$|^[-+]?\s*(o\.?l\.?|0\.?l\.?|[-–—]{2,}|\*{2,}|\?{2,}|inf(inity)?|∞|nan|n\/?a|over(load|range|flow)?)$/i;

/** Whether a field stands for “over the range” or “no reading”, or is empty: it is a gap, not a mistake. */
export function isMarker(text: string): boolean {
  return (
    text.length <= LONGEST && (MARKERS.test(text) || (/e\+?3[78]$/i.test(text) && Math.abs(Number(text.replace(',', '.'))) >= LARGEST))
  );
}

/** A number with what may stand about it: signs, groups of thousands, an exponent, a unit behind. */
const FIGURE = /^([-−–+]?)\s*([\d\s.,'’\u00a0\u202f]*\d[.,]?(?:[eE][-+]?\d+)?)\s*([a-zA-Zµμ]*\.?)$/;

/**
 * A figure as a person reads it: `1.234,5`, `7,9 V`, `-0.5e-3`, `12 345`. `unit` is what stands behind it; NaN where it is
 * no figure.
 *
 * @example readFigure('1.234,5 mA', ',').value // 1234.5
 */
export function readFigure(text: string, decimal: string): { readonly value: number; readonly unit: string } {
  // nothing that long is a figure, and no pattern is to be tried on it
  if (text.length > LONGEST) return { value: Number.NaN, unit: '' };
  const found = FIGURE.exec(text);
  if (!found) return { value: Number.NaN, unit: '' };
  const [, sign, digits = '', unit = ''] = found;
  const [whole = '', ...parts] = digits.split(decimal === ',' ? ',' : '.');
  const ungrouped = /[^\d]/.test(whole)
    ? /^\d{1,3}([\s.,'’\u00a0\u202f]\d{3})+$/.test(whole)
      ? whole.replace(/\D/g, '')
      : undefined
    : whole;
  if (ungrouped === undefined || parts.length > 1 || /[^\deE+-]/.test(parts[0] ?? '')) {
    // an exponent without decimals
    const plain = parts.length === 0 && /^\d+[eE][-+]?\d+$/.test(digits) ? Number(digits) : Number.NaN;
    return { value: sign === '' || sign === '+' ? plain : -plain, unit };
  }
  const value = Number(parts.length === 0 ? ungrouped : `${ungrouped || '0'}.${parts[0]}`);
  return { value: sign === '' || sign === '+' ? value : -value, unit };
}

/**
 * The fields of one row of a file after the other, found without cutting the row into pieces: of millions of rows only
 * the figures that are wanted are read. Fields may be quoted, with the separator in them; a blank separates by any number.
 */
export class RowFields {
  /** Of the last figure that was asked for: the size of the unit that stood behind it; undefined without one. */
  unitScale: number | undefined;
  private row = '';
  private count = 0;
  private readonly starts: number[] = [];
  private readonly ends: number[] = [];
  private readonly delimiter: number;
  private readonly decimal: number;

  constructor(delimiter: string, decimal: string) {
    this.delimiter = delimiter.charCodeAt(0);
    this.decimal = decimal.charCodeAt(0);
  }

  get length(): number {
    return this.count;
  }

  split(written: string): void {
    this.count = 0;
    if (this.delimiter === SPACE) {
      this.splitAtBlanks(written);
      return;
    }
    this.row = written;
    let start = 0;
    for (let at = 0; at < written.length; at++) {
      const code = written.charCodeAt(at);
      if (code === this.delimiter) {
        this.field(start, at);
        start = at + 1;
      } else if (code === QUOTE) at = this.closing(at);
    }
    this.field(start, written.length);
  }

  /** Without blanks and quotes about it; empty where the row is shorter. */
  text(place: number): string {
    if (place < 0 || place >= this.count) return '';
    const text = this.row.slice(this.starts[place], this.ends[place]).trim();
    return text.length > 1 && text.startsWith('"') && text.endsWith('"') ? text.slice(1, -1).replaceAll('""', '"').trim() : text;
  }

  /** NaN where it is none. */
  number(place: number): number {
    this.unitScale = undefined;
    if (place < 0 || place >= this.count) return Number.NaN;
    let at = this.starts[place]!;
    let end = this.ends[place]!;
    while (at < end && this.row.charCodeAt(at) === SPACE) at++;
    while (end > at && this.row.charCodeAt(end - 1) === SPACE) end--;
    const sign = this.row.charCodeAt(at);
    if (sign === MINUS || sign === PLUS) at++;
    let [digits, value, behind] = [0, 0, -1];
    for (; at < end; at++) {
      const code = this.row.charCodeAt(at);
      const digit = code - ZERO;
      if (digit >= 0 && digit <= 9) {
        value = value * 10 + digit;
        digits++;
        if (behind >= 0) behind++;
      } else if (code === this.decimal && behind < 0) behind = 0;
      else return this.plain(place);
    }
    if (digits === 0 || digits > EXACT_DIGITS) return this.plain(place);
    const size = behind > 0 ? value / TENS[behind]! : value;
    return sign === MINUS ? -size : size;
  }

  /** Exponents, quotes, thousands, units, many digits. */
  private plain(place: number): number {
    const text = this.text(place);
    if (text === '' || isMarker(text)) return Number.NaN;
    const { value, unit } = readFigure(text, String.fromCharCode(this.decimal));
    if (unit === '' || Number.isNaN(value)) return value;
    this.unitScale = unitOf(unit)?.[1];
    return this.unitScale === undefined ? Number.NaN : value;
  }

  private field(start: number, end: number): void {
    this.starts[this.count] = start;
    this.ends[this.count++] = end;
  }

  /** The quote that ends the one here; the quote itself where none does: then it is a sign like another. */
  private closing(at: number): number {
    const end = this.row.indexOf('"', at + 1);
    return end < 0 ? at : end;
  }

  private splitAtBlanks(written: string): void {
    // `10:00:00 PM` is one field
    this.row = written.includes('M') || written.includes('m') ? written.replaceAll(/(\d)\s+([ap])\.?m\b\.?/gi, '$1$2m') : written;
    let start = -1;
    for (let at = 0; at <= this.row.length; at++) {
      const code = at < this.row.length ? this.row.charCodeAt(at) : SPACE;
      const isBlank = code === SPACE || code === TAB;
      if (!isBlank && start < 0) start = at;
      if (code === QUOTE && start === at) at = this.closing(at);
      else if (isBlank && start >= 0) {
        this.field(start, at);
        start = -1;
      }
    }
  }
}

/** The fields of one line as text. */
export function fieldsOf(line: string, delimiter: string): readonly string[] {
  const fields = new RowFields(delimiter, '.');
  fields.split(line);
  return Array.from({ length: fields.length }, (_, place) => fields.text(place));
}
