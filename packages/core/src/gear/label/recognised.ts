import { said } from '../../said';
import type { Label } from './label';
import { readLabel } from './read-label';
import type { LabelSaid } from './says';

/** A word that was recognised in a picture, where it stands there, in pixels. */
export interface RecognisedWord {
  readonly text: string;
  /** 0 to 100, as the recogniser says. */
  readonly confidence: number;
  /** Words of one printed line share it. */
  readonly line: number;
  readonly box: { readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number };
}

/** What a picture of a label says, for a person to look at before it is used. */
export interface PictureLabel {
  /** The lines with figures, mended where letters were taken for digits. */
  readonly text: string;
  readonly label: Label;
  /** What was recognised, the doubtful ones marked. */
  readonly words: readonly (RecognisedWord & { readonly doubtful: boolean })[];
  /** Why a figure may be wrong; none only where several ways of reading agree. */
  readonly doubts: readonly LabelSaid[];
}

/** A word below it is doubted, even where it was read the same twice. */
const SURE = 60;
/** A word without digits below it is a scratch or a shadow. */
const SCRAP = 45;
/** Volts of a cell as packs of them are named. */
const CELL_V = [1.2, 1.5, 2, 3.2, 3.3, 3.6, 3.63, 3.7, 3.8, 3.85, 3.87];
const MOST_CELLS = 8;
/** Volts × amp-hours and watt-hours that are this near confirm each other. */
const CONFIRMS = 0.03;

const UNIT = '(?:mAh|Ah|mWh|Wh|mA|VDC|V|A|W)';
const FIGURE = new RegExp(`\\d[\\d.,]*\\s*${UNIT}(?![a-z])`, 'gi');

/**
 * Makes a label of what a recogniser read, once or several times over the same picture. The reading that holds together
 * best counts. It is told as doubtful wherever nothing else on the label, and no other reading, confirms a figure.
 *
 * @example labelOfPicture([]).doubts[0] // { code: 'nothing-read' }
 */
export function labelOfPicture(readings: readonly (readonly RecognisedWord[])[]): PictureLabel {
  const read = readings.map((words) => {
    const text = textOf(words);
    const label = readLabel(text);
    return { words, text, label, figures: figuresOf(text), confirmed: isConfirmed(label), score: scoreOf(words, label) };
  });
  const best = [...read].sort((a, b) => b.score - a.score)[0];
  if (!best) return { text: '', label: readLabel(''), words: [], doubts: [said('nothing-read')] };
  const doubts: LabelSaid[] = [];
  if (best.figures.length === 0) doubts.push(said('no-figure'));
  const { voltageV, capacityAh, energyWh } = best.label.reads;
  if (best.label.disagrees) {
    const { printedWh, voltageV: v, capacityAh: ah } = best.label.disagrees;
    doubts.push(said('figures-disagree', { v, ah, printedWh }));
  }
  if (voltageV !== undefined && !isOfCells(voltageV) && (capacityAh !== undefined || energyWh !== undefined))
    doubts.push(said('no-usual-pack', { voltageV }));
  const others = read.filter((one) => one !== best);
  const unsure = new Set<string>();
  for (const figure of best.figures) {
    const again = others.filter(({ figures }) => figures.includes(figure)).length;
    if (!(best.confirmed && isOfPack(figure)) && again === 0) unsure.add(figure);
  }
  // a figure that only another reading has was missed here, or misread
  for (const { figures } of others) {
    for (const figure of figures) if (!best.figures.includes(figure) && !(best.confirmed && isOfPack(figure))) unsure.add(figure);
  }
  for (const figure of unsure) doubts.push(said('not-twice', { figure }));
  const words = best.words.map((word) => {
    const own = figuresOf(mended(word.text));
    const doubtful = /\d/.test(word.text) && (word.confidence < SURE || own.some((figure) => unsure.has(figure)));
    return { ...word, doubtful: doubtful && !(best.confirmed && own.length > 0 && own.every(isOfPack)) };
  });
  // a number alone is a figure whose unit was not read; beside a word it is a name
  for (const line of linesOf(best.words)) {
    if (figuresOf(mended(line)).length === 0 && /\d/.test(line) && !/\p{L}{3}/u.test(line)) doubts.push(said('no-unit', { line }));
  }
  const weak = words.filter(({ doubtful, confidence }) => doubtful && confidence < SURE);
  if (weak.length > 0) doubts.push(said('hard-to-read', { texts: weak.map(({ text }) => text) }));
  return { text: best.text, label: best.label, words, doubts };
}

/** What was printed, line by line, without scraps. */
function linesOf(words: readonly RecognisedWord[]): readonly string[] {
  const lines = new Map<number, string[]>();
  for (const { line, text } of words.filter(isPrint)) lines.set(line, [...(lines.get(line) ?? []), text]);
  return [...lines.values()].map((line) => line.join(' '));
}

/** The lines that hold figures, in the order in which they stand. */
function textOf(words: readonly RecognisedWord[]): string {
  return linesOf(words)
    .map((line) => usable(mended(line)))
    .filter((line) => line !== '')
    .join(', ');
}

/** Scraps are none: no letter or digit in it, or letters that nobody is sure of. */
function isPrint({ text, confidence }: RecognisedWord): boolean {
  return /[\p{L}\d]/u.test(text) && (/\d/.test(text) || confidence >= SCRAP || IS_UNIT.test(text));
}

/** A whole line where the label’s reader takes it; else its figures alone, since names are no figures. */
function usable(line: string): string {
  if (figuresOf(line).length === 0) return '';
  const { refused } = readLabel(line);
  if (refused === undefined) return line;
  const direction = /\b(in|out)(?:put)?\b/i.exec(line)?.[0];
  const port = /\b(usb-?c|usb-?a|d-?tap|pd)\b/i.exec(line)?.[0];
  const figures = (line.match(FIGURE) ?? []).join(' ');
  const told = [port, direction, figures].filter((part) => part !== undefined).join(' ');
  return readLabel(told).refused === undefined ? told : figures;
}

/** How a unit comes out of a recogniser, rightly and wrongly. */
const UNITISH = '(?:m|rn|M|n)?A[hHnb]|W[hHnb]|VVh|VDC|[VvAW]';
/** A unit that stands by itself is one, however unsure it is: the number before it would be nothing without it. */
const IS_UNIT = new RegExp(`^(?:${UNITISH}|V[vV])$`);
const ZERO = new RegExp(`[OQo](?=[\\d.,OQolI|]*\\s*(?:${UNITISH})(?![a-z]))`, 'g');
const ONE = new RegExp(
  `(?<![A-Za-z])[lI|](?=[\\d.,lI|]*\\d[\\d.,lI|]*\\s*(?:${UNITISH})(?![a-z]))|(?<=\\d)[lI|](?=[\\d.,lI|]*\\s*(?:${UNITISH})(?![a-z]))`,
  'g',
);

/** Letters that stand for digits before a unit, and units that were split or misread. */
function mended(line: string): string {
  return line
    .replace(/[⎓=]{1,2}|[—–]{1,2}/g, ' ')
    .replace(ZERO, (letter, at: number, whole: string) => (/[\dOQolI|.,]/.test(whole[at - 1] ?? '') ? '0' : letter))
    .replace(ONE, '1')
    .replace(/(?<=\d)\s*(?:rnAh|mAn|mAb|mah|MAh|mAH|nAh)\b/g, ' mAh')
    .replace(/(?<=\d)\s*(?:Wn|Wb|WH|wh|Vh|VVh)\b/g, ' Wh')
    .replace(/(?<=\d)\s*[vV]{1,2}(?=\s|$|[,/])/g, ' V')
    .replace(/(?<=\d)\s+(?=[.,]\d)/g, '')
    .replace(/(?<=\d[.,])\s+(?=\d)/g, '')
    .replace(/\s{2,}/g, ' ')
    .trim();
}

/** Figures as they are compared between readings: `14.4 V`. */
function figuresOf(text: string): readonly string[] {
  return (text.match(FIGURE) ?? []).map((figure) => {
    const [, number = '', unit = ''] = /^([\d.,]+)\s*(.*)$/.exec(figure) ?? [];
    return `${number.replace(',', '.').replace(/[.,]$/, '')} ${unit}`;
  });
}

const isOfPack = (figure: string): boolean => /(?:mAh|Ah|Wh| V)$/i.test(figure) && !/mWh$/i.test(figure);

/** Volts, amp-hours and watt-hours that hold together. */
function isConfirmed({ reads: { voltageV, capacityAh, energyWh } }: Label): boolean {
  if (voltageV === undefined || capacityAh === undefined || energyWh === undefined) return false;
  return Math.abs((voltageV * capacityAh) / energyWh - 1) <= CONFIRMS;
}

function isOfCells(voltageV: number): boolean {
  return CELL_V.some((cellV) =>
    Array.from({ length: MOST_CELLS }, (_, index) => (index + 1) * cellV).some((volts) => Math.abs(volts - voltageV) < 0.06),
  );
}

function scoreOf(words: readonly RecognisedWord[], label: Label): number {
  const withDigits = words.filter(({ text }) => /\d/.test(text));
  const mean = withDigits.reduce((sum, { confidence }) => sum + confidence, 0) / Math.max(1, withDigits.length);
  const { voltageV, capacityAh, energyWh } = label.reads;
  const known = [voltageV, capacityAh, energyWh].filter((value) => value !== undefined).length;
  return mean + 20 * known + (isConfirmed(label) ? 100 : 0) - (label.refused ? 50 : 0) - (label.disagrees ? 60 : 0);
}
