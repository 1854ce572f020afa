import type { FlatDay, FlatSwap, QuickRun, Then } from './judge';

/** Why a change of battery is where it is. */
export interface SwapReason {
  readonly rigId: string;
  readonly batteryId: string;
  readonly atMin: number;
  readonly where: 'before the start' | 'put back' | 'in a pause' | 'hot' | 'in a block';
  /** Without it the rig wants for power then, at the chance asked for; the end of its day where it does not. */
  readonly byMin: number;
}

/** How far it is looked for when a rig would want for power without a change. */
const LOOK_MIN = 36 * 60;

/** Why each change of a plan is made: when the rig would want for power without it. Cost: about two runs of the day. */
export function reasonsOf(flat: FlatDay, judge: QuickRun, swaps: readonly FlatSwap[]): readonly SwapReason[] {
  let then: Then | undefined;
  return swaps.map((swap): SwapReason => {
    const { seat, battery, atMin } = swap;
    const { rig: index, id } = flat.seats[seat]!;
    const rig = flat.rigs[index]!;
    then = judge.then(swaps, atMin, then && then.minute <= atMin ? then : undefined);
    judge.run(
      swaps.filter((one) => one !== swap && (one.seat !== seat || one.atMin < atMin)),
      atMin + LOOK_MIN,
      then,
    );
    const byMin = Math.max(atMin, Math.min(judge.troubles[index]?.atMin ?? Infinity, rig.toMin));
    const before = swaps.findLast((one) => one.seat === seat && one.atMin < atMin)?.battery ?? flat.batteryAt(id);
    const draws = rig.draws.some(({ fromMin, toMin }) => fromMin < atMin + 1e-9 && atMin < toMin - 1e-9);
    const isBridged = draws && judge.isBridged(swaps, swap, then);
    // into a seat that was emptied before, as a block begins
    const isReady = isBridged && rig.draws.some(({ fromMin }) => fromMin === atMin);
    const where =
      atMin <= rig.fromMin
        ? 'before the start'
        : battery === before
          ? 'put back'
          : !draws || isReady
            ? 'in a pause'
            : isBridged
              ? 'hot'
              : 'in a block';
    return { rigId: rig.id, batteryId: flat.batteries[battery]!.id, atMin, where, byMin };
  });
}
