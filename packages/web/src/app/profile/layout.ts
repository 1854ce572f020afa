import type { Station, Track } from '@viaggio/core/answer';

/** A station in the picture. A part that several tracks share is placed once, in the row of the first of them. */
export interface PlacedStation {
  readonly station: Station;
  readonly sourceId: string;
  readonly row: number;
  readonly x0: number;
  readonly x1: number;
  /** What its power comes from; undefined for a source. */
  readonly before: PlacedStation | undefined;
}

export type RowSize = 'tall' | 'low' | 'flat';

/** The row of one track. */
export interface Row {
  readonly track: Track;
  readonly top: number;
  readonly bottom: number;
  /** Of several one stands open; the others are low, and of many flat: a line and its device, without names and meters. */
  readonly size: RowSize;
  /** Round volts that it is ruled with. */
  readonly ticksV: readonly number[];
}

export interface ProfileLayout {
  readonly width: number;
  readonly height: number;
  /** From the source outwards, track by track: the order in which it is read and stepped through. */
  readonly placed: readonly PlacedStation[];
  readonly rows: readonly Row[];
  /** Height of a voltage within a row. */
  readonly yOf: (row: number, voltageV: number) => number;
}

export const LEFT = 34;
const RIGHT = 8;
/** Above the line for the device's name; below it for the names of the parts, a line or two, and for the meters of current. */
const ROOM = { top: 20, names: 17, secondLine: 12, meters: 24 };
const LOW = { height: 70, top: 18, bottom: 24 };
const FLAT = { height: 42, top: 17, bottom: 5 };
/** So many stand open beside each other; of more, one, and of many the others are flat. */
const MOST_TALL = 2;
const MOST_LOW = 6;
/** Where there is little room the gates are narrower too. */
const GATE = { wide: 74, narrow: 60, from: 480 };
/** Narrower than this a part can neither be pointed at nor named; the picture is then wider than its frame and scrolls. */
const LEAST_WIDTH = 36;
const ROW_HEIGHT = { one: 290, several: 175 };
/** Relative widths: leads are long, converters are a step. */
const WEIGHT: Readonly<Record<Station['kind'], number>> = { battery: 1.1, lead: 1.4, converter: 1, device: 0 };
const STEPS_V = [0.5, 1, 2, 5, 10, 20];
const MOST_TICKS = { tall: 6, few: 3 };
/** Of a letter of a name. */
const LETTER_PX = 6.2;

interface Node {
  readonly station: Station;
  readonly sourceId: string;
  readonly depth: number;
  readonly row: number;
  readonly children: Node[];
}

/**
 * Lays out the journeys of a rig's energy, left to right from source to device, height being voltage. Each device has
 * a row of its own, all rows have the same scale, and what tracks share is placed once and tied into them. Nothing is
 * ever placed by hand. Of several rows those `opened`, by the keys of their tracks, are tall.
 */
export function layoutProfile(tracks: readonly Track[], frameWidth: number, opened: ReadonlySet<string> = NONE): ProfileLayout {
  const roots = treesOf(tracks);
  const columns = columnsOf(roots);
  const gateWidth = frameWidth < GATE.from ? GATE.narrow : GATE.wide;
  const width = Math.max(frameWidth, LEFT + RIGHT + gateWidth + columns.length * LEAST_WIDTH);
  const total = columns.reduce((sum, weight) => sum + weight, 0);
  const unit = (width - LEFT - RIGHT - gateWidth) / Math.max(total, 1);
  const starts = columns.reduce<number[]>((at, weight) => [...at, at.at(-1)! + weight * unit], [LEFT]);
  const gateX = width - RIGHT - gateWidth;
  const { lowV, highV } = scaleOf(tracks);
  const room = (starts.at(-1)! - LEFT) / Math.max(1, columns.length);
  const wraps = tracks.some(({ stations }) => stations.some(({ kind, name }) => kind !== 'device' && name.length * LETTER_PX > room));
  const meters = tracks.some(({ stations }) => stations.some(({ limit }) => limit !== undefined));
  const below = ROOM.names + (wraps ? ROOM.secondLine : 0) + (meters ? ROOM.meters : 0);
  const tall = tracks.length === 1 ? ROW_HEIGHT.one : ROW_HEIGHT.several;
  const shut: RowSize = tracks.length <= MOST_TALL ? 'tall' : tracks.length <= MOST_LOW ? 'low' : 'flat';
  const heights: Readonly<Record<RowSize, number>> = { tall, low: LOW.height, flat: FLAT.height };
  const rooms = { tall: { top: ROOM.top, bottom: below }, low: LOW, flat: FLAT };
  const rows: Row[] = [];
  for (const track of tracks) {
    const size = opened.has(trackKey(track)) ? 'tall' : shut;
    const top = rows.at(-1)?.bottom ?? 0;
    const ticksV = ticksOf(lowV, highV, size === 'tall' ? (tracks.length > 1 ? MOST_TICKS.few : MOST_TICKS.tall) : 0);
    rows.push({ track, top, bottom: top + heights[size], size, ticksV });
  }
  const yOf = (row: number, voltageV: number): number => {
    const { top, bottom, size } = rows[row]!;
    const room = rooms[size];
    return top + room.top + ((highV - voltageV) / (highV - lowV)) * (bottom - top - room.top - room.bottom);
  };
  const placed: PlacedStation[] = [];
  const place = (node: Node, before: PlacedStation | undefined): void => {
    const { station, sourceId, row, depth, children } = node;
    const isGate = station.kind === 'device' && children.length === 0;
    const toGate = children.some((child) => child.station.kind === 'device' && child.children.length === 0);
    const here: PlacedStation = {
      station,
      sourceId,
      row,
      x0: isGate ? gateX : starts[depth]!,
      x1: isGate ? width - RIGHT : toGate && children.length === 1 ? gateX : starts[depth + 1]!,
      before,
    };
    placed.push(here);
    for (const child of children) place(child, here);
  };
  for (const root of roots) place(root, undefined);
  return { width, height: rows.at(-1)?.bottom ?? 0, placed, rows, yOf };
}

const NONE: ReadonlySet<string> = new Set();

/** The same track through edits. */
export function trackKey({ deviceId, sourceId }: Track): string {
  return `${deviceId} ${sourceId}`;
}

/** A name in the lines that it has room for, two at the most; cut only where even they are too short. */
export function nameLines(name: string, width: number): readonly string[] {
  if (name.length <= lettersIn(width)) return [name];
  const space = name.lastIndexOf(' ', lettersIn(width));
  return space <= 0 ? [cutTo(name, width)] : [name.slice(0, space), cutTo(name.slice(space + 1), width)];
}

/** A name in one line that is so wide, in pixels. */
export function cutTo(name: string, width: number): string {
  return name.length <= lettersIn(width) ? name : `${name.slice(0, lettersIn(width) - 1)}…`;
}

function lettersIn(width: number): number {
  return Math.max(3, Math.floor(width / LETTER_PX));
}

/** Lanes merged where they share stations. */
function treesOf(tracks: readonly Track[]): readonly Node[] {
  const roots: Node[] = [];
  tracks.forEach(({ sourceId, stations }, row) => {
    let level = roots;
    stations.forEach((station, depth) => {
      const known = level.find((node) => node.station.key === station.key && node.sourceId === sourceId);
      const node: Node = known ?? { station, sourceId, depth, row, children: [] };
      if (!known) level.push(node);
      level = node.children;
    });
  });
  return roots;
}

/** The weight of each column: that of its widest station. Gates stand in a column of their own at the end. */
function columnsOf(roots: readonly Node[]): readonly number[] {
  const columns: number[] = [];
  const visit = ({ station, depth, children }: Node): void => {
    if (station.kind !== 'device' || children.length > 0) columns[depth] = Math.max(columns[depth] ?? 0, WEIGHT[station.kind] || 1);
    children.forEach(visit);
  };
  roots.forEach(visit);
  return Array.from(columns, (weight) => weight || 1);
}

function scaleOf(tracks: readonly Track[]): { readonly lowV: number; readonly highV: number } {
  const volts = tracks
    .flatMap(({ stations }) => stations)
    .flatMap(({ highV, lowV, start, end }) => [highV, lowV, start?.voltageV, end?.voltageV])
    .filter((value) => value !== undefined);
  const top = Math.max(...volts, 1);
  const bottom = Math.min(...volts, top);
  const pad = Math.max((top - bottom) * 0.1, 0.4);
  return { lowV: Math.max(0, bottom - pad), highV: top + pad };
}

/** Round volts, so many at the most; where there is room for none, the lowest and the highest round ones. */
function ticksOf(lowV: number, highV: number, most: number): readonly number[] {
  const step = STEPS_V.find((candidate) => (highV - lowV) / candidate <= Math.max(most, MOST_TICKS.few)) ?? 50;
  const ticksV: number[] = [];
  for (let voltageV = Math.ceil(lowV / step) * step; voltageV <= highV; voltageV += step) ticksV.push(voltageV);
  return most > 0 || ticksV.length <= 2 ? ticksV : [ticksV[0]!, ticksV.at(-1)!];
}
