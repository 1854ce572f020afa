const CR = 13;
/** Nobody rules off, or comments, at such length. */
const LONGEST = 1000;
/** Of a longer line no more is kept: a file without an end of line is no table. */
const MOST_LINE = 1_000_000;

/** Lines of a text that comes piece by piece, ended by CR, LF or both. */
export class Lines {
  private rest = '';
  private begun = false;

  constructor(private readonly take: (line: string) => void) {}

  push(piece: string): void {
    // a mark before the text is none of it
    const text = this.rest + (this.begun ? piece : piece.replace(/^\ufeff/, ''));
    this.begun ||= piece !== '';
    let from = 0;
    let cr = text.indexOf('\r');
    let lf = text.indexOf('\n');
    while (cr >= 0 || lf >= 0) {
      const at = cr >= 0 && (lf < 0 || cr < lf) ? cr : lf;
      // the other half of its end may be in the next piece
      if (text.charCodeAt(at) === CR && at === text.length - 1) break;
      this.take(text.slice(from, at));
      from = text.charCodeAt(at) === CR && text.charCodeAt(at + 1) === 10 ? at + 2 : at + 1;
      if (cr >= 0 && cr < from) cr = text.indexOf('\r', from);
      if (lf >= 0 && lf < from) lf = text.indexOf('\n', from);
    }
    this.rest = text.length - from > MOST_LINE ? text.slice(from, from + MOST_LINE) : text.slice(from);
  }

  /** What is left without an end is a line too. */
  finish(): void {
    const last = this.rest.replace(/\r$/, '');
    this.rest = '';
    if (last !== '') this.take(last);
  }
}

/** The lines of a text that is there as a whole. */
export function linesOf(text: string): readonly string[] {
  const found: string[] = [];
  const lines = new Lines((line) => found.push(line));
  lines.push(text);
  lines.finish();
  return found;
}

/** A line that is said to be none of the table, or rules it off. A number sign alone heads the column of row numbers. */
export function isComment(line: string): boolean {
  if (line.length > LONGEST) return false;
  return /^\s*"?(#(?!\s*[,;\t|])|\/\/|%|!)/.test(line) || isRule(line);
}

/** `-----  -----` between head and figures. */
export function isRule(line: string): boolean {
  if (line.length > LONGEST) return false;
  return /^[\s|+=-]*(?:--|==)[\s|+=-]*$/.test(line);
}
