import { momentOf } from '@viaggio/core/answer';
import type { Level, StationMoment, Track } from '@viaggio/core/answer';
import { formatNumber, formatQuantity } from '@viaggio/core/units';
import { sayMoment, sayTrackPeak } from '@viaggio/core/words';
import { nameLines } from './layout';
import type { PlacedStation, ProfileLayout, Row } from './layout';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A station as it is drawn at one moment. */
export interface DrawnStation {
  /** The same station through edits and moments. */
  readonly key: string;
  readonly placed: PlacedStation;
  readonly moment: StationMoment;
  /** The whole range that leaves it, as an area; empty where a voltage is not known. */
  readonly band: readonly Point[];
  /** Its level at this moment, a converter's step with it; where nothing was run, the highest that it may be. */
  readonly line: readonly Point[];
  /** Thicker for more watts. */
  readonly lineWidth: number;
  /** Down from the row of what feeds it to its own; empty within a row. */
  readonly tie: readonly Point[];
  /** Whether the line is that of a run, or only what is known without one. */
  readonly timed: boolean;
  /** Its name in the lines that there is room for; none where the row is low. */
  readonly name: readonly string[];
  /** Amps used of amps allowed; undefined where nothing limits them, where nothing was run, and in a low row. */
  readonly meter: DrawnMeter | undefined;
}

/** A small meter at a limit: the bar is as long as what is allowed. */
export interface DrawnMeter {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** Shares of the width: now, and at the worst moment of the run. */
  readonly now: number;
  readonly worst: number;
  /** `1.1 of 1.5 A`; empty where there is no room for it. */
  readonly text: string;
}

const METER_WIDTH = 84;
/** Above the foot of a row: the meter's bar stands over the names. */
const METER_UP = 34;
const LOW_METER_UP = 22;
/** Wide enough for the meter's figures. */
const FIGURES_WIDTH = 62;

/** Draws every station at the moments that their sources have reached after so many minutes. */
export function drawAt(layout: ProfileLayout, minute: number): readonly DrawnStation[] {
  const reached = new Map(layout.rows.map(({ track }) => [track.sourceId, momentIndex(track, minute)]));
  return layout.placed.map((placed) => drawStation(layout, placed, reached.get(placed.sourceId) ?? 0));
}

/** The last moment of a track that is not after a minute; past its end, its last. */
export function momentIndex({ moments }: Track, minute: number): number {
  let index = 0;
  while (index + 1 < moments.length && moments[index + 1]!.minute <= minute + 1e-9) index++;
  return index;
}

function drawStation(layout: ProfileLayout, placed: PlacedStation, index: number): DrawnStation {
  const { station, row, x0, x1, before } = placed;
  const { yOf } = layout;
  const level = (of: PlacedStation): number | undefined => (of.station.moments[index] ?? of.station.start)?.voltageV ?? of.station.highV;
  const isGate = station.kind === 'device';
  const slopes = station.kind === 'lead' && before !== undefined;
  const segment = (here: number | undefined, there: number | undefined): readonly Point[] =>
    here === undefined
      ? []
      : [
          { x: x0, y: yOf(row, slopes ? (there ?? here) : here) },
          { x: x1, y: yOf(row, here) },
        ];
  // the device stands at the end as a gate: what arrives runs into it, its own range is drawn as posts
  const range = isGate ? before?.station : station;
  const high = segment(range?.highV, before?.station.highV);
  const low = segment(range?.lowV, before?.station.lowV);
  const arriving = before && level(before);
  const leaving = isGate ? ((station.moments[index] ?? station.start)?.voltageV ?? arriving) : level(placed);
  const steps = station.kind === 'converter' && arriving !== undefined && leaving !== undefined;
  const line = segment(leaving, arriving);
  const watts: Level | undefined = station.moments[index] ?? station.start;
  return {
    key: `${placed.sourceId} ${station.key}`,
    placed,
    moment: momentOf(station, index),
    band: high.length > 0 && low.length > 0 ? [...high, ...[...low].reverse()] : [],
    line: steps ? [{ x: x0, y: yOf(row, arriving) }, ...line] : line,
    lineWidth: 1.5 + Math.min(6, (watts?.powerW ?? 0) / 8),
    tie:
      before && before.row !== row && arriving !== undefined
        ? [
            { x: x0, y: yOf(before.row, arriving) },
            { x: x0, y: yOf(row, arriving) },
          ]
        : [],
    timed: watts !== undefined,
    name: isGate ? [] : namesIn(layout.rows[row]!, station.name, x1 - x0),
    meter: meterOf(placed, station.moments[index] ?? station.start, layout.rows[row]!),
  };
}

function namesIn({ size }: Row, name: string, width: number): readonly string[] {
  if (size === 'flat') return [];
  const lines = nameLines(name, width);
  return size === 'tall' || lines.length === 1 ? lines : [`${lines[0]}…`];
}

function meterOf({ station, x0, x1 }: PlacedStation, level: Level | undefined, { size, bottom }: Row): DrawnMeter | undefined {
  const { limit, moments, start, end } = station;
  if (!limit || !level || size === 'flat') return undefined;
  const worstA = Math.max(...[...moments, start, end].map((one) => one?.currentA ?? 0));
  const width = Math.min(METER_WIDTH, x1 - x0 - 8);
  const share = (amps: number): number => Math.min(1, amps / limit.maxA);
  const text =
    x1 - x0 < FIGURES_WIDTH || size === 'low' ? '' : `${formatNumber(level.currentA, 'A')} of ${formatQuantity(limit.maxA, 'A')}`;
  return {
    x: (x0 + x1 - width) / 2,
    y: bottom - (size === 'low' ? LOW_METER_UP : METER_UP),
    width,
    now: share(level.currentA),
    worst: share(worstA),
    text,
  };
}

/** Something that happens during the run: a limit that comes near, or is reached. */
export interface ProfileEvent {
  readonly minute: number;
  readonly verdict: 'caution' | 'stop';
  readonly name: string;
  readonly sentence: string;
}

/** What happens while the run goes on, in time: for each station the moment it comes near a limit, and the one it is there. */
export function eventsOf({ placed, rows }: ProfileLayout): readonly ProfileEvent[] {
  const tracks = new Map(rows.map(({ track }) => [track.sourceId, track]));
  const peaks = rows.flatMap(({ track: { peak, stations } }): ProfileEvent[] =>
    peak ? [{ minute: peak.minute, verdict: 'stop', name: stations[0]!.name, sentence: sayTrackPeak(peak) }] : [],
  );
  const once = [...new Map(peaks.map((event) => [`${event.name} ${event.minute}`, event])).values()];
  const reached = placed.flatMap(({ station, sourceId }) => {
    const moments = tracks.get(sourceId)?.moments ?? [];
    const at = station.moments.map((_, index) => momentOf(station, index));
    return (['caution', 'stop'] as const).flatMap((verdict): ProfileEvent[] => {
      const index = at.findIndex((moment) => moment.verdict === verdict && moment.level !== undefined);
      if (index < 0) return [];
      return [{ minute: moments[index]!.minute, verdict, name: station.name, sentence: sayMoment(station, at[index]!) }];
    });
  });
  return [...once, ...reached].sort((a, b) => a.minute - b.minute);
}
