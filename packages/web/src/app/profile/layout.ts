import type { Station } from '@viaggio/core';

/** One point of the way in picture coordinates. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A station placed in the picture. */
export interface Placed {
  readonly station: Station;
  readonly x0: number;
  readonly x1: number;
  /** The whole range that leaves it, as an area; empty where a voltage is not known. */
  readonly band: readonly Point[];
  /** The run's first moment and its last, as lines; thicker for more watts. */
  readonly start: readonly Point[];
  readonly end: readonly Point[];
  readonly startWidth: number;
  /** A converter's step from the level that arrives to the one that leaves; empty elsewhere. */
  readonly riser: readonly Point[];
}

export interface ProfileLayout {
  readonly width: number;
  readonly height: number;
  readonly placed: readonly Placed[];
  readonly ticks: readonly { readonly y: number; readonly voltageV: number }[];
  readonly yOf: (voltageV: number) => number;
}

const MARGIN = { left: 34, right: 12, top: 22, bottom: 26 };
/** Relative widths: leads are long, converters are a step. */
const WEIGHT: Readonly<Record<Station['kind'], number>> = { battery: 1.1, lead: 1.4, converter: 1, device: 0.9 };
const STEPS_V = [0.5, 1, 2, 5, 10];

/**
 * Lays the stations out from left to right, height being voltage: bands and lines run from what arrives at a station
 * to what leaves it. Nothing is ever placed by hand. `scaledBy`: the stations of all lanes that share a height, so that
 * they can be compared.
 */
export function layoutProfile(stations: readonly Station[], width: number, height: number, scaledBy = stations): ProfileLayout {
  const volts = scaledBy
    .flatMap(({ highV, lowV, start, end }) => [highV, lowV, start?.voltageV, end?.voltageV])
    .filter((value) => value !== undefined);
  const top = Math.max(...volts, 1);
  const bottom = Math.min(...volts, top);
  const pad = Math.max((top - bottom) * 0.12, 0.4);
  const highV = top + pad;
  const lowV = Math.max(0, bottom - pad);
  const plotHeight = height - MARGIN.top - MARGIN.bottom;
  const yOf = (voltageV: number): number => MARGIN.top + ((highV - voltageV) / (highV - lowV)) * plotHeight;

  const weights = stations.map(({ kind }) => WEIGHT[kind]);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const unit = (width - MARGIN.left - MARGIN.right) / Math.max(total, 1);
  let x = MARGIN.left;
  const placed = stations.map((station, index): Placed => {
    const x0 = x;
    x += weights[index]! * unit;
    return { station, x0, x1: x, ...drawn(station, stations[index - 1], x0, x, yOf) };
  });
  return { width, height, placed, ticks: ticksOf(lowV, highV, yOf), yOf };
}

function drawn(station: Station, before: Station | undefined, x0: number, x1: number, yOf: (voltageV: number) => number) {
  const slopes = station.kind === 'lead' && before !== undefined;
  const line = (here: number | undefined, there: number | undefined): Point[] => {
    if (here === undefined) return [];
    return [
      { x: x0, y: yOf(slopes ? (there ?? here) : here) },
      { x: x1, y: yOf(here) },
    ];
  };
  // the device stands at the end as a gate: what arrives runs into it, its own range is drawn as posts
  const range = station.kind === 'device' ? before : station;
  const high = line(range?.highV, before?.highV);
  const low = line(range?.lowV, before?.lowV);
  const arriving = before?.start?.voltageV ?? before?.highV;
  const leaving = station.start?.voltageV ?? station.highV;
  const steps = station.kind === 'converter' && arriving !== undefined && leaving !== undefined;
  return {
    band: high.length > 0 && low.length > 0 ? [...high, ...low.reverse()] : [],
    start: line(station.start?.voltageV, before?.start?.voltageV),
    end: line(station.end?.voltageV, before?.end?.voltageV),
    startWidth: 1.5 + Math.min(6, (station.start?.powerW ?? 0) / 8),
    riser: steps
      ? [
          { x: x0, y: yOf(arriving) },
          { x: x0, y: yOf(leaving) },
        ]
      : [],
  };
}

function ticksOf(lowV: number, highV: number, yOf: (voltageV: number) => number) {
  const step = STEPS_V.find((candidate) => (highV - lowV) / candidate <= 6) ?? 20;
  const ticks: { y: number; voltageV: number }[] = [];
  for (let voltageV = Math.ceil(lowV / step) * step; voltageV <= highV; voltageV += step) ticks.push({ y: yOf(voltageV), voltageV });
  return ticks;
}
