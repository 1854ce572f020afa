import { PAUSE_STEP_MIN, ROUND_MIN } from '../../../tables';
import { isThere } from '../../model';
import type { FlatDay, FlatRig } from '../judge';

/** Where a search may put a change of one rig. */
export interface Moments {
  /** Every minute that is worth a try, in the order of time. */
  readonly all: readonly number[];
  /** Of them: where pauses begin and end, where somebody comes or goes in them, and where one block follows another. */
  readonly edges: readonly number[];
  /** Of them: within blocks. */
  readonly inBlocks: readonly number[];
  /** Of them: as a day of the rig begins. */
  readonly mornings: readonly number[];
}

/** Whether a rig's battery can be changed at a minute: it is still to come, and somebody is there. What a rig starts with is put in before. */
export function canChange(flat: FlatDay, rig: FlatRig, minute: number, fromMin: number): boolean {
  if (minute < fromMin) return false;
  return minute === rig.fromMin || isThere(flat.hands(flat.places[flat.placeOf(rig, minute)]), minute);
}

/** The minutes from `fromMin` on at which a search may change a rig's battery. */
export function momentsOf(flat: FlatDay, rig: FlatRig, fromMin: number): Moments {
  const all = new Set<number>();
  const edges = new Set<number>();
  const inBlocks = new Set<number>();
  const swapMin = Math.max(0, ...rig.seats.map((seat) => flat.seats[seat]!.swapMin));
  const add = (minute: number, ...to: readonly Set<number>[]): void => {
    const at = Math.ceil(minute);
    if (at < rig.fromMin || at >= rig.toMin || !canChange(flat, rig, at, fromMin)) return;
    all.add(at);
    for (const one of to) one.add(at);
  };
  rig.draws.forEach((draw, index) => {
    for (let minute = Math.ceil(draw.fromMin / ROUND_MIN) * ROUND_MIN; minute < draw.toMin; minute += ROUND_MIN) add(minute, inBlocks);
    const next = rig.draws[index + 1];
    if (!next) return;
    const lastMin = Math.floor(next.fromMin - swapMin);
    add(draw.toMin, edges);
    if (lastMin > draw.toMin) add(lastMin, edges);
    // into a seat that was emptied it takes no time
    add(next.fromMin, edges);
    for (let minute = Math.ceil(draw.toMin / PAUSE_STEP_MIN) * PAUSE_STEP_MIN; minute < lastMin; minute += PAUSE_STEP_MIN) add(minute);
    for (const { fromMin: from, toMin: to } of flat.hands(flat.places[flat.placeOf(rig, draw.toMin)]))
      for (const edge of [from, Math.ceil(to) - 1]) if (edge >= draw.toMin && edge <= next.fromMin) add(edge, edges);
  });
  for (const { fromMin: from } of rig.blocks) add(from, edges);
  add(rig.fromMin, edges);
  const dawns = new Map<number, number>();
  for (const { fromMin: from } of rig.draws) {
    const day = flat.dayOf(from);
    dawns.set(day, Math.min(dawns.get(day) ?? Infinity, from));
  }
  return {
    all: sorted(all),
    edges: sorted(edges),
    inBlocks: sorted(inBlocks),
    mornings: sorted(dawns.values()).filter((minute) => all.has(minute)),
  };
}

function sorted(minutes: Iterable<number>): readonly number[] {
  return [...minutes].sort((a, b) => a - b);
}
