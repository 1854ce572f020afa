import type { Discharge, TimedPoint } from '../run';

/** The point of a feed in an operating point. */
export function feedPoint(point: TimedPoint | undefined, id: string): TimedPoint['feeds'][number] | undefined {
  return point?.feeds.find((feed) => feed.id === id);
}

/** Volts at a device in an operating point, whichever feed of its own it hangs on. */
export function deviceVolts(point: TimedPoint | undefined, deviceId: string): number | undefined {
  return point?.feeds.find(({ id, loadV }) => loadV !== undefined && id.startsWith(deviceId))?.loadV;
}

/** The most current in a feed over a run: constant power draws ever more as the voltage falls, so an end of the run has it. */
export function mostCurrent(run: Discharge, id: string): number {
  return Math.max(feedPoint(run.start, id)?.currentA ?? 0, feedPoint(run.end, id)?.currentA ?? 0);
}
