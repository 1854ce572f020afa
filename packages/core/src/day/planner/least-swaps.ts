import type { Battery } from '../../gear';
import { isDrawing } from '../shape';
import type { DaySimulation } from '../run';
import { startPool } from './plan-pool';
import type { Hands, Locked } from './plan-pool';
import { MOST_SWAPS } from './plan-rig';
import type { RigWalker } from './rig-walk';

/** Changes of battery that no plan can do without. */
export interface LeastSwaps {
  /** Of all plans. */
  readonly ever: number;
  /** Of those that leave nothing off for a minute: they change in pauses, or hot. */
  readonly withoutGap: number;
}

const NOTHING_LOCKED: Locked = { swaps: [], charges: [] };

/**
 * A bound to hold a plan against: each rig with one seat is followed with whichever battery of the form lasts longest, full
 * and as often as wanted, changed as late as can be. No plan does better, since a later start with a full battery never ends
 * earlier. Rigs with several seats count for nothing.
 */
export function leastSwaps(simulation: DaySimulation, walkers: ReadonlyMap<string, RigWalker>, hands: Hands): LeastSwaps {
  const { states, gear } = simulation;
  const pool = [...startPool(simulation, NOTHING_LOCKED, hands).free.keys()];
  let [ever, withoutGap] = [0, 0];
  for (const [rigId, walker] of walkers) {
    const seats = states.seatsOf(rigId);
    const [seatId] = seats;
    if (seatId === undefined || seats.length !== 1) continue;
    const fitting = pool.filter((id) => (gear.get(id) as Battery).form === (gear.get(seatId) as Battery).form);
    const isHot = states.swapMinutes(rigId, seatId) === 0;
    const late = changesOf(walker, seatId, fitting, (byMin) => byMin) ?? 0;
    ever += late;
    const pauses = pausesOf(walker, states.swapMinutes(rigId, seatId));
    withoutGap += isHot ? late : (changesOf(walker, seatId, fitting, (byMin) => pauses.findLast((atMin) => atMin <= byMin)) ?? late);
  }
  return { ever, withoutGap };
}

/** Changes of one rig, each at the last moment there is; undefined where some span cannot be bridged so. */
function changesOf(
  walker: RigWalker,
  seatId: string,
  fitting: readonly string[],
  lastMoment: (byMin: number) => number | undefined,
): number | undefined {
  let minute = walker.blocks[0]?.fromMin ?? 0;
  for (let changes = 0; changes < MOST_SWAPS; changes++) {
    let furthest = minute;
    for (const batteryId of fitting) {
      const { troubleMin } = walker.walk(minute, new Map([[seatId, batteryId]]), new Map([[batteryId, 1]]));
      if (troubleMin === undefined) return changes;
      furthest = Math.max(furthest, troubleMin);
    }
    const next = lastMoment(furthest);
    if (next === undefined || next <= minute + 1e-6) return undefined;
    minute = next;
  }
  return undefined;
}

/** When each pause of a rig begins that is long enough for a change. */
function pausesOf({ blocks }: RigWalker, takesMin: number): readonly number[] {
  const drawing = blocks.filter(isDrawing);
  return drawing.slice(1).flatMap((block, index) => {
    const before = Math.max(...drawing.slice(0, index + 1).map(({ toMin }) => toMin));
    return block.fromMin > before && block.fromMin - before >= takesMin ? [before] : [];
  });
}
