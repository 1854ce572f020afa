import { printedEnergy } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { TAG_FORMATS } from '@viaggio/core/travel';
import type { TagFormat, TagFormatId } from '@viaggio/core/travel';
import { formatQuantity } from '@viaggio/core/units';
import QRCode from 'qrcode';
import { FONTS, newPdf } from './new-pdf';

const MM = 72 / 25.4;

export interface TagOrder {
  readonly gear: readonly { readonly id: string; readonly body: Gear }[];
  readonly format: TagFormatId;
  /** Labels of the first sheet that are gone already. */
  readonly skip: number;
  /** What the link in the code begins with: where this installation is reached. */
  readonly origin: string;
}

/** The link that a tag's code holds. */
export function tagLink(origin: string, id: string): string {
  return `${origin}/g/${id}`;
}

/** Tags for batteries and leads: tag, name, watt-hours, and a code with a link that opens it here. */
export async function tagsPdf({ gear, format, skip, origin }: TagOrder): Promise<Buffer> {
  const of: TagFormat = TAG_FORMATS[format];
  const [wide, high] = of.paper;
  const { doc, done } = newPdf('Tags', { size: [wide * MM, high * MM], margin: 0, autoFirstPage: false });
  const root = doc.struct('Document');
  doc.addStructure(root);
  const each = of.across * of.down;
  gear.forEach((one, index) => {
    const at = index + skip;
    const place = at % each;
    if (index === 0 || place === 0) doc.addPage();
    const x = (of.left + (place % of.across) * (of.width + of.gapX)) * MM;
    const y = (of.top + Math.floor(place / of.across) * (of.height + of.gapY)) * MM;
    const part = doc.struct('Sect');
    root.add(part);
    oneTag(doc, part, one.body, tagLink(origin, one.id), { x, y, width: of.width * MM, height: of.height * MM });
    part.end();
  });
  root.end();
  doc.end();
  return done;
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Printers are off by a millimetre or two: nothing stands nearer to the edge. */
const INSET = 2.2 * MM;

function oneTag(doc: PDFKit.PDFDocument, part: PDFKit.PDFStructureElement, gear: Gear, link: string, { x, y, width, height }: Box): void {
  const size = Math.min(height - 2 * INSET, (width - 2 * INSET) * 0.45);
  part.add(
    doc.struct('Figure', { alt: `Code with the link ${link}` }, () =>
      qrCode(doc, link, x + width - INSET - size, y + (height - size) / 2, size),
    ),
  );
  const room = width - 3 * INSET - size;
  const lines = linesOf(gear);
  const whole = height - 2 * INSET;
  let top = y + INSET;
  part.add(
    doc.struct('P', {}, () => {
      lines.forEach(({ text, strong, share, most }) => {
        const tall = whole * share;
        doc.font(FONTS[strong ? 'strong' : 'text']).fillColor('#000000');
        const fits = fitting(doc, text, room, tall, most);
        doc.fontSize(fits).text(text, x + INSET, top, { width: room, height: tall, ellipsis: true, lineGap: 0 });
        top += tall;
      });
    }),
  );
}

interface Line {
  readonly text: string;
  readonly strong: boolean;
  /** Of the label's height. */
  readonly share: number;
  readonly most: number;
}

/** The tag largest, what it is, what it holds. */
function linesOf(gear: Gear): readonly Line[] {
  const says = figuresOf(gear);
  const name = { text: gear.name, strong: false, share: says === '' ? 0.58 : 0.36, most: 11 } as const;
  const figures = says === '' ? [] : [{ text: says, strong: true, share: 0.22, most: 11 } as const];
  if (gear.tag === undefined) return [{ ...name, strong: true, share: says === '' ? 1 : 0.78, most: 14 }, ...figures];
  return [{ text: gear.tag, strong: true, share: 0.42, most: 30 }, name, ...figures];
}

/** What somebody with the thing in hand wants to read: printed watt-hours and volts; a lead's amps. */
function figuresOf(gear: Gear): string {
  if (gear.kind === 'battery') {
    const { energyWh } = printedEnergy(gear);
    return [
      energyWh === undefined ? '' : formatQuantity(energyWh, 'Wh'),
      gear.nominalV === undefined ? '' : formatQuantity(gear.nominalV, 'V'),
    ]
      .filter((one) => one !== '')
      .join(', ');
  }
  if (gear.kind === 'cable') return gear.maxA === undefined ? '' : `to ${formatQuantity(gear.maxA, 'A')}`;
  return '';
}

/** The largest type in which a text fits its room; small at the least, and then cut. */
function fitting(doc: PDFKit.PDFDocument, text: string, width: number, height: number, most: number): number {
  for (let size = most; size > 5; size -= 0.5) {
    doc.fontSize(size);
    const longest = Math.max(...text.split(/\s+/).map((word) => doc.widthOfString(word)));
    if (longest <= width && doc.heightOfString(text, { width, lineGap: 0 }) <= height + 0.5) return size;
  }
  return 5;
}

/** A QR code (ISO/IEC 18004), drawn as rows of black; its quiet zone is within the size. */
function qrCode(doc: PDFKit.PDFDocument, text: string, x: number, y: number, size: number): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const quiet = 2;
  const module = size / (modules.size + 2 * quiet);
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size;) {
      let run = 0;
      while (column + run < modules.size && modules.get(row, column + run)) run++;
      if (run > 0) doc.rect(x + (column + quiet) * module, y + (row + quiet) * module, run * module, module);
      column += Math.max(1, run);
    }
  }
  doc.fill('#000000');
}

/** The name of a file that is offered for saving: what a file system takes. */
export function fileName(title: string): string {
  const plain = title
    .replaceAll(/[^\p{L}\p{N} .,-]+/gu, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim()
    .slice(0, 80);
  return `${plain === '' ? 'Viaggio' : plain}.pdf`;
}
