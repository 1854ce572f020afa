import { DEFAULT_RESERVE } from '../rig/drawn';
import type { Rig } from '../rig/drawn';
import type { Discharge } from './discharge';
import type { PeakBreak } from './peaks';

/** A peak that breaks a limit only in the last of the charge changes nothing that the run's own end does not. */
const LATE_PEAK = 0.05;

/** The peak that can stop the device well before the run ends by itself. */
export function stoppingPeak(run: Discharge): PeakBreak | undefined {
  return run.peak && run.peak.fromSoc - run.endSoc >= LATE_PEAK ? run.peak : undefined;
}

/** Minutes to plan with: until the first stop, less the reserve of the battery that is in by then. */
export function plannedMinutes(rig: Rig, firstStopMin: number, lastSwapMin = 0): number {
  return firstStopMin - (firstStopMin - lastSwapMin) * (rig.reserve ?? DEFAULT_RESERVE);
}
