/** Lines of a stream, none longer than so many characters: of a longer one nothing is kept but that it was there. */
export class BoundedLines {
  private rest = '';
  private isDropping = false;

  constructor(
    private readonly most: number,
    private readonly take: (line: string) => void,
    private readonly tooLong: () => void,
  ) {}

  push(text: string): void {
    let from = 0;
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', from)) {
      this.end(text.slice(from, at));
      from = at + 1;
    }
    this.keep(text.slice(from));
  }

  private end(piece: string): void {
    this.keep(piece);
    const line = this.rest;
    const wasDropping = this.isDropping;
    this.rest = '';
    this.isDropping = false;
    if (!wasDropping) this.take(line.endsWith('\r') ? line.slice(0, -1) : line);
  }

  private keep(piece: string): void {
    if (this.isDropping) return;
    if (this.rest.length + piece.length <= this.most) {
      this.rest += piece;
      return;
    }
    this.rest = '';
    this.isDropping = true;
    this.tooLong();
  }
}
