/** A sheet of labels: so many across and down, each so large, the first so far from the paper's edge. In millimetres. */
export interface TagFormat {
  readonly title: string;
  readonly paper: readonly [width: number, height: number];
  readonly across: number;
  readonly down: number;
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly top: number;
  readonly gapX: number;
  readonly gapY: number;
}

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;
/** The usual sheets, by paper and by how large a label is; and rolls with a label a page. */
export const TAG_FORMATS = {
  'a4-24': { title: 'A4, 24 of 70 × 37 mm', paper: A4, across: 3, down: 8, width: 70, height: 37, left: 0, top: 0.5, gapX: 0, gapY: 0 },
  'a4-21': {
    title: 'A4, 21 of 63.5 × 38.1 mm',
    paper: A4,
    across: 3,
    down: 7,
    width: 63.5,
    height: 38.1,
    left: 7.25,
    top: 15.15,
    gapX: 2.5,
    gapY: 0,
  },
  'a4-65': {
    title: 'A4, 65 of 38.1 × 21.2 mm',
    paper: A4,
    across: 5,
    down: 13,
    width: 38.1,
    height: 21.2,
    left: 4.75,
    top: 10.7,
    gapX: 2.5,
    gapY: 0,
  },
  'letter-30': {
    title: 'Letter, 30 of 2⅝ × 1 in',
    paper: LETTER,
    across: 3,
    down: 10,
    width: 66.7,
    height: 25.4,
    left: 4.8,
    top: 12.7,
    gapX: 3.1,
    gapY: 0,
  },
  'letter-10': {
    title: 'Letter, 10 of 4 × 2 in',
    paper: LETTER,
    across: 2,
    down: 5,
    width: 101.6,
    height: 50.8,
    left: 4,
    top: 12.7,
    gapX: 4.7,
    gapY: 0,
  },
  'one-62': {
    title: 'One by one, 62 × 29 mm',
    paper: [62, 29],
    across: 1,
    down: 1,
    width: 62,
    height: 29,
    left: 0,
    top: 0,
    gapX: 0,
    gapY: 0,
  },
  'one-50': {
    title: 'One by one, 50 × 25 mm',
    paper: [50, 25],
    across: 1,
    down: 1,
    width: 50,
    height: 25,
    left: 0,
    top: 0,
    gapX: 0,
    gapY: 0,
  },
} as const satisfies Readonly<Record<string, TagFormat>>;
export type TagFormatId = keyof typeof TAG_FORMATS;
