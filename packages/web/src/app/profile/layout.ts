import type { Track, Station } from '@viaggio/core';

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

/** The row of one track. */
export interface Row {
  readonly track: Track;
  readonly top: number;
  readonly bottom: number;
}

export interface ProfileLayout {
  readonly width: number;
  readonly height: number;
  /** From the source outwards, track by track: the order in which it is read and stepped through. */
  readonly placed: readonly PlacedStation[];
  readonly rows: readonly Row[];
  /** Round volts that every row is ruled with. */
  readonly ticksV: readonly number[];
  /** Height of a voltage within a row. */
  readonly yOf: (row: number, voltageV: number) => number;
}

export const LEFT = 34;
const RIGHT = 8;
/** Above the line for the device's name, below it for the names of the parts. */
const ROOM = { top: 20, bottom: 17 };
/** Where there is little room the gates are narrower too. */
const GATE = { wide: 74, narrow: 60, from: 480 };
/** Narrower than this a part can neither be pointed at nor named; the picture is then wider than its frame and scrolls. */
const LEAST_WIDTH = 36;
const ROW_HEIGHT = { one: 240, least: 104, all: 760 };
/** Relative widths: leads are long, converters are a step. */
const WEIGHT: Readonly<Record<Station['kind'], number>> = { battery: 1.1, lead: 1.4, converter: 1, device: 0 };
const STEPS_V = [0.5, 1, 2, 5, 10, 20];
const MOST_TICKS = { tall: 6, low: 3 };

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
 * ever placed by hand.
 */
export function layoutProfile(tracks: readonly Track[], frameWidth: number): ProfileLayout {
  const roots = treesOf(tracks);
  const columns = columnsOf(roots);
  const gateWidth = frameWidth < GATE.from ? GATE.narrow : GATE.wide;
  const width = Math.max(frameWidth, LEFT + RIGHT + gateWidth + columns.length * LEAST_WIDTH);
  const total = columns.reduce((sum, weight) => sum + weight, 0);
  const unit = (width - LEFT - RIGHT - gateWidth) / Math.max(total, 1);
  const starts = columns.reduce<number[]>((at, weight) => [...at, at.at(-1)! + weight * unit], [LEFT]);
  const gateX = width - RIGHT - gateWidth;
  const rowHeight = tracks.length === 1 ? ROW_HEIGHT.one : Math.max(ROW_HEIGHT.least, Math.min(170, ROW_HEIGHT.all / tracks.length));
  const rows = tracks.map((track, row): Row => ({ track, top: row * rowHeight, bottom: (row + 1) * rowHeight }));
  const { lowV, highV, ticksV } = scaleOf(tracks, rowHeight < 150 ? MOST_TICKS.low : MOST_TICKS.tall);
  const plot = rowHeight - ROOM.top - ROOM.bottom;
  const yOf = (row: number, voltageV: number): number => row * rowHeight + ROOM.top + ((highV - voltageV) / (highV - lowV)) * plot;
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
  return { width, height: rows.length * rowHeight, placed, rows, ticksV, yOf };
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

function scaleOf(tracks: readonly Track[], mostTicks: number): { lowV: number; highV: number; ticksV: readonly number[] } {
  const volts = tracks
    .flatMap(({ stations }) => stations)
    .flatMap(({ highV, lowV, start, end }) => [highV, lowV, start?.voltageV, end?.voltageV])
    .filter((value) => value !== undefined);
  const top = Math.max(...volts, 1);
  const bottom = Math.min(...volts, top);
  const pad = Math.max((top - bottom) * 0.1, 0.4);
  const [lowV, highV] = [Math.max(0, bottom - pad), top + pad];
  const step = STEPS_V.find((candidate) => (highV - lowV) / candidate <= mostTicks) ?? 50;
  const ticksV: number[] = [];
  for (let voltageV = Math.ceil(lowV / step) * step; voltageV <= highV; voltageV += step) ticksV.push(voltageV);
  return { lowV, highV, ticksV };
}
