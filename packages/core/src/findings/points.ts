import type { Discharge, TimedPoint } from '../run';
import type { Verdict } from './verdict';

/** The point of a feed in an operating point. */
export function feedPoint(point: TimedPoint | undefined, id: string): TimedPoint['feeds'][number] | undefined {
  return point?.feeds.find((feed) => feed.id === id);
}

/** Volts at a device in an operating point, whichever feed of its own it hangs on. */
export function deviceVolts(point: TimedPoint | undefined, deviceId: string): number | undefined {
  return point?.feeds.find(({ id, loadV }) => loadV !== undefined && id.startsWith(deviceId))?.loadV;
}

/** A run that ends within so many minutes, with so much of its charge still there, did not run. */
const FIRST_MINUTES = 10;
const MOST_OF_CHARGE = 0.5;

/** What an end of a run is called: a `stop` where it never really ran, else a `caution`, the time being told. */
export function endVerdict(
  run: Discharge,
  { minute, soc }: { readonly minute: number; readonly soc: number } = { minute: run.minutes, soc: run.endSoc },
): Verdict {
  if (minute === 0) return 'stop';
  return minute < FIRST_MINUTES && soc > MOST_OF_CHARGE * (run.start?.soc ?? 1) ? 'stop' : 'caution';
}

/** The most current in a feed over a run: constant power draws ever more as the voltage falls, so an end of the run has it. */
export function mostCurrent(run: Discharge, id: string): number {
  return Math.max(feedPoint(run.start, id)?.currentA ?? 0, feedPoint(run.end, id)?.currentA ?? 0);
}
