const SPACE = 32;
const MINUS = 45;
const PLUS = 43;
const ZERO = 48;
/** Digits that a double holds exactly: with more, the plain way reads it. */
const EXACT_DIGITS = 15;
const TENS = Float64Array.from({ length: EXACT_DIGITS + 1 }, (_, power) => 10 ** power);

/**
 * The fields of one row of a file after the other, found without cutting the row into pieces: of millions of rows only
 * the figures that are wanted are read. Fields may be quoted; a separator within quotes is not looked for in figures.
 */
export class RowFields {
  private row = '';
  private count = 0;
  private readonly starts: number[] = [];
  private readonly delimiter: number;
  private readonly decimal: number;

  constructor(delimiter: string, decimal: string) {
    this.delimiter = delimiter.charCodeAt(0);
    this.decimal = decimal.charCodeAt(0);
  }

  split(row: string): void {
    this.row = row;
    this.count = 0;
    this.starts[0] = 0;
    for (let at = 0; at < row.length; at++) if (row.charCodeAt(at) === this.delimiter) this.starts[++this.count] = at + 1;
    this.starts[++this.count] = row.length + 1;
  }

  /** Without blanks and quotes about it; empty where the row is shorter. */
  text(place: number): string {
    if (place < 0 || place >= this.count) return '';
    const text = this.row.slice(this.starts[place], this.starts[place + 1]! - 1).trim();
    return text.length > 1 && text.startsWith('"') && text.endsWith('"') ? text.slice(1, -1).trim() : text;
  }

  /** NaN where it is none. */
  number(place: number): number {
    if (place < 0 || place >= this.count) return Number.NaN;
    let at = this.starts[place]!;
    const end = this.starts[place + 1]! - 1;
    while (at < end && this.row.charCodeAt(at) === SPACE) at++;
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

  /** Exponents, quotes, blanks behind, many digits. */
  private plain(place: number): number {
    const text = this.text(place);
    return text === '' ? Number.NaN : Number(this.decimal === 44 ? text.replace(',', '.') : text);
  }
}
