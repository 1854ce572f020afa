import type { Battery } from '../../../gear';
import { FULL_SHARE } from '../../../tables';
import type { FlatDay } from './flat-day';

/** What a plan comes to, as the search sees it. */
export interface Outcome {
  /** Blocks that must not be interrupted and go dark, for whatever reason. */
  interruptions: number;
  /** Minutes without power, in all blocks. */
  gapMin: number;
  /** Minutes below the reserve, of rigs on one battery and of batteries built into devices. */
  lowMin: number;
  sparesMissing: number;
  swaps: number;
  /** Of them, in pauses in which a card of the rig is changed too: together they are one visit. */
  joined: number;
  /** Of them, so soon after another of the same seat that nobody would plan it. */
  hasty: number;
  /** Of them, in blocks that must not be interrupted, though something else bridges them. */
  touched: number;
  /** Moves that cannot be made: the battery is somewhere else. */
  impossible: number;
  batteries: number;
  massG: number;
  handlings: number;
}

export const NOTHING: Outcome = {
  interruptions: 0,
  gapMin: 0,
  lowMin: 0,
  sparesMissing: 0,
  swaps: 0,
  joined: 0,
  hasty: 0,
  touched: 0,
  impossible: 0,
  batteries: 0,
  massG: 0,
  handlings: 0,
};

/** Full batteries that stand by: one of its form for each rig that must not be interrupted. */
export class SpareCount {
  private readonly forms: readonly string[];
  private readonly guarded: readonly string[];
  private readonly apart: ReadonlyMap<string, number>;

  constructor({ batteries, rigs, seats, day, simulation }: FlatDay) {
    const formOf = (id: string): string => (simulation.gear.get(id) as Battery).form;
    this.forms = batteries.map(({ id }) => formOf(id));
    this.guarded = rigs.flatMap(({ seats: own, blocks: mine }) =>
      own.length > 0 && mine.some(({ uninterrupted }) => uninterrupted) ? [formOf(seats[own[0]!]!.id)] : [],
    );
    const apart = new Map<string, number>();
    for (const { gearId, apart: isApart, startCharge = 1 } of day.batteries ?? []) {
      if (isApart && startCharge > FULL_SHARE && simulation.gear.get(gearId)?.kind === 'battery')
        apart.set(formOf(gearId), (apart.get(formOf(gearId)) ?? 0) + 1);
    }
    this.apart = apart;
  }

  /** Rigs without one, of what was not used and is full. */
  missing(used: Uint8Array, soc: Float64Array): number {
    const spare = new Map(this.apart);
    this.forms.forEach((form, battery) => {
      if (!used[battery] && soc[battery]! > FULL_SHARE) spare.set(form, (spare.get(form) ?? 0) + 1);
    });
    let missing = 0;
    for (const form of this.guarded) {
      const there = spare.get(form) ?? 0;
      if (there > 0) spare.set(form, there - 1);
      else missing++;
    }
    return missing;
  }
}
