import type { SystemPhase } from './system';
export interface RunOptions {
  /** Collects events; without it only the loads' minutes, which is all that many random runs need. */
  readonly record?: boolean;
  /** Collects the charge of every source over time as well. */
  readonly trace?: boolean;
  /** Instead of the system's own phases and horizon: these, once. */
  readonly phases?: readonly SystemPhase[];
  /** Charge of each source's battery at the start, instead of what its pack says. */
  readonly startSoc?: ArrayLike<number>;
}
