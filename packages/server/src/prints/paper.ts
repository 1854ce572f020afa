import { FONTS, newPdf } from './new-pdf';
import type { Face } from './new-pdf';

export const PAPERS = { a4: 'A4', letter: 'Letter' } as const;
export type PaperSize = keyof typeof PAPERS;

const MARGIN = 42;
/** Room for the foot of each page, within the margin below. */
const FOOT = 26;
const INK = '#000000';
const GREY = '#595959';
const LINE = '#8c8c8c';
const SHADE = '#ececec';
const SIZES = { title: 20, heading: 13, text: 9.5, note: 8.5 } as const;

type Structure = PDFKit.PDFStructureElement;

/** A column of a table: its head, and its share of the width. */
export interface Column {
  readonly head: string;
  readonly share: number;
}

export interface Label {
  readonly width: number;
  readonly size?: number;
  readonly strong?: boolean;
  readonly lines?: number;
}

/**
 * A document on paper: headings with bookmarks, paragraphs, lists and tables that run over pages, each tagged as what it is,
 * in one embedded font, in black and grey. What is called writes at once, from top to bottom.
 */
export class Paper {
  readonly doc: PDFKit.PDFDocument;
  private readonly root: Structure;
  private readonly done: Promise<Buffer>;

  constructor(
    private readonly title: string,
    size: PaperSize,
    private readonly about: string,
  ) {
    const margins = { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + FOOT };
    const made = newPdf(title, { size: size === 'a4' ? 'A4' : 'LETTER', margins, bufferPages: true });
    this.doc = made.doc;
    this.done = made.done;
    this.root = this.doc.struct('Document');
    this.doc.addStructure(this.root);
  }

  get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }

  get left(): number {
    return MARGIN;
  }

  /** Where nothing more is written on a page. */
  private get bottom(): number {
    return this.doc.page.height - MARGIN - FOOT;
  }

  newPage(): void {
    this.doc.addPage();
  }

  /** Goes to the next page where so much does not fit on this one. */
  need(height: number): void {
    if (this.doc.y + height > this.bottom) this.doc.addPage();
  }

  heading(text: string, level: 1 | 2 | 3 = 2): void {
    const size = level === 1 ? SIZES.title : level === 2 ? SIZES.heading : SIZES.text + 1;
    // never alone at the end of a page
    this.need(size * 1.3 + 48);
    if (level < 3) (level === 1 ? this.doc.outline : this.chapter()).addItem(text);
    if (level > 1) this.doc.y += level === 2 ? 8 : 4;
    this.write(`H${level}`, () => this.text(text, { font: 'strong', size }));
    this.doc.y += 3;
  }

  paragraph(
    text: string,
    { strong = false, grey = false, size = SIZES.text }: { strong?: boolean; grey?: boolean; size?: number } = {},
  ): void {
    this.need(size * 1.4);
    this.write('P', () => this.text(text, { font: strong ? 'strong' : 'text', size, color: grey ? GREY : INK }));
    this.doc.y += 3;
  }

  /** Numbered or with dashes; each entry hangs behind its sign. */
  list(entries: readonly string[], numbered = false): void {
    const list = this.doc.struct('L');
    this.root.add(list);
    entries.forEach((entry, at) => {
      const sign = numbered ? `${at + 1}.` : '–';
      const indent = numbered ? 18 : 11;
      this.doc.font(FONTS.text).fontSize(SIZES.text);
      this.need(Math.min(120, this.doc.heightOfString(entry, { width: this.width - indent })));
      const item = this.doc.struct('LI');
      list.add(item);
      const y = this.doc.y;
      item.add(
        this.doc.struct('Lbl', {}, () =>
          this.doc.font(FONTS.text).fontSize(SIZES.text).fillColor(INK).text(sign, MARGIN, y, { lineBreak: false }),
        ),
      );
      item.add(this.doc.struct('LBody', {}, () => this.doc.text(entry, MARGIN + indent, y, { width: this.width - indent })));
      item.end();
      this.doc.x = MARGIN;
      this.doc.y += 2;
    });
    list.end();
    this.doc.y += 3;
  }

  /** Rows are never torn; the head stands again on each page. An empty table writes nothing. */
  table(columns: readonly Column[], rows: readonly (readonly string[])[], strongFirst = true): void {
    if (rows.length === 0) return;
    const whole = columns.reduce((sum, { share }) => sum + share, 0);
    const widths = columns.map(({ share }) => (share / whole) * this.width);
    const table = this.doc.struct('Table');
    this.root.add(table);
    const head = (): void =>
      this.row(
        table,
        'TH',
        columns.map((one) => one.head),
        widths,
        true,
      );
    this.need(
      this.rowHeight(
        columns.map((one) => one.head),
        widths,
        'strong',
      ) + this.rowHeight(rows[0]!, widths, 'text'),
    );
    head();
    for (const cells of rows) {
      if (this.doc.y + this.rowHeight(cells, widths, 'text') > this.bottom) {
        this.doc.addPage();
        head();
      }
      this.row(table, 'TD', cells, widths, false, strongFirst);
    }
    table.end();
    this.doc.x = MARGIN;
    this.doc.y += 6;
  }

  /** A drawing with words for those who do not see it. `draw` gets the upper left corner. */
  figure(alt: string, height: number, draw: (x: number, y: number) => void): void {
    this.need(height);
    const y = this.doc.y;
    this.root.add(
      this.doc.struct('Figure', { alt }, () => {
        this.doc.save();
        draw(MARGIN, y);
        this.doc.restore();
      }),
    );
    this.doc.x = MARGIN;
    this.doc.y = y + height;
  }

  /** The finished document. Nothing can be written afterwards. */
  async end(): Promise<Buffer> {
    this.root.end();
    const { start, count } = this.doc.bufferedPageRange();
    for (let at = start; at < start + count; at++) {
      this.doc.switchToPage(at);
      this.foot(`${at - start + 1} of ${count}`);
    }
    this.doc.end();
    return this.done;
  }

  /** Words of one style at a place, cut where so many lines do not hold them. */
  label(text: string, x: number, y: number, { width, size = SIZES.note, strong = false, lines = 1 }: Label): void {
    this.doc
      .font(FONTS[strong ? 'strong' : 'text'])
      .fontSize(size)
      .fillColor(INK);
    this.doc.text(text, x, y, { width, height: size * 1.3 * lines, ellipsis: true, lineGap: 0 });
  }

  /** Bookmarks below the last of the first level. */
  private chapter(): PDFKit.PDFOutline {
    const { children } = this.doc.outline as unknown as { children: PDFKit.PDFOutline[] };
    return children.at(-1) ?? this.doc.outline;
  }

  private write(tag: string, draw: () => void): void {
    this.root.add(this.doc.struct(tag, {}, draw));
  }

  private text(text: string, { font, size, color = INK }: { font: Face; size: number; color?: string }): void {
    this.doc.font(FONTS[font]).fontSize(size).fillColor(color).text(text, MARGIN, this.doc.y, { width: this.width });
  }

  private rowHeight(cells: readonly string[], widths: readonly number[], font: Face): number {
    this.doc.font(FONTS[font]).fontSize(SIZES.note);
    return 6 + Math.max(...cells.map((cell, at) => this.doc.heightOfString(cell === '' ? ' ' : cell, { width: widths[at]! - 8 })));
  }

  private row(
    table: Structure,
    tag: 'TH' | 'TD',
    cells: readonly string[],
    widths: readonly number[],
    isHead: boolean,
    strongFirst = false,
  ): void {
    const height = this.rowHeight(cells, widths, isHead ? 'strong' : 'text');
    const y = this.doc.y;
    if (isHead) this.artifact(() => this.doc.rect(MARGIN, y, this.width, height).fill(SHADE));
    const row = this.doc.struct('TR');
    table.add(row);
    cells.forEach((cell, at) => {
      const x = MARGIN + widths.slice(0, at).reduce((sum, one) => sum + one, 0);
      row.add(
        this.doc.struct(tag, {}, () => {
          this.doc
            .font(FONTS[isHead || (strongFirst && at === 0) ? 'strong' : 'text'])
            .fontSize(SIZES.note)
            .fillColor(INK);
          this.doc.text(cell, x + 4, y + 3, { width: widths[at]! - 8 });
        }),
      );
    });
    row.end();
    this.artifact(() =>
      this.doc
        .moveTo(MARGIN, y + height)
        .lineTo(MARGIN + this.width, y + height)
        .lineWidth(0.5)
        .strokeColor(LINE)
        .stroke(),
    );
    this.doc.x = MARGIN;
    this.doc.y = y + height;
  }

  /** What is no content: lines and shades are not read out. */
  private artifact(draw: () => void): void {
    this.doc.markContent('Artifact', { type: 'Layout' });
    draw();
    this.doc.endMarkedContent();
  }

  private foot(pages: string): void {
    const { doc } = this;
    const bottom = doc.page.margins.bottom;
    // below the margin: the page is not to be turned by it
    doc.page.margins.bottom = 0;
    doc.markContent('Artifact', { type: 'Pagination' });
    doc.font(FONTS.text).fontSize(SIZES.note).fillColor(GREY);
    const y = doc.page.height - MARGIN - 8;
    doc.text(`${this.title}. ${this.about}`, MARGIN, y, { width: this.width - 60, height: 12, ellipsis: true });
    doc.text(pages, MARGIN + this.width - 60, y, { width: 60, align: 'right' });
    doc.endMarkedContent();
    doc.page.margins.bottom = bottom;
  }
}
