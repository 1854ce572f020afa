import { FULL_SHARE } from '../../../tables';
import type { FlatDay } from './flat-day';
import type { Move } from './quick-moves';

/** When a battery is wanted next, and by which rig: -1 where a charger wants it. */
export interface Need {
  readonly atMin: number;
  readonly rig: number;
}

/** What is wanted of each battery and seat in the course of a quick run. */
export class QuickNeeds {
  private readonly needs: Need[][];
  /** By battery: how many of its needs are over. */
  readonly done: Int32Array;
  private readonly seatMoves: number[][];
  /** Not full at the start. */
  private readonly alwaysActive: readonly number[];

  constructor(private readonly flat: FlatDay) {
    this.needs = flat.batteries.map(() => []);
    this.done = new Int32Array(flat.batteries.length);
    this.seatMoves = flat.seats.map(() => []);
    this.alwaysActive = flat.batteries.flatMap(({ startCharge }, battery) => (startCharge < FULL_SHARE ? [battery] : []));
  }

  /** Takes the moves of a run, in the order of time; gives the batteries that may want a charger in it. */
  take(moves: readonly Move[]): readonly number[] {
    for (const needs of this.needs) needs.length = 0;
    for (const list of this.seatMoves) list.length = 0;
    const active = new Set(this.alwaysActive);
    for (const { kind, battery, seat, atMin } of moves) {
      if (kind === 'lost') continue;
      active.add(battery);
      this.needs[battery]!.push({ atMin, rig: seat === -1 ? -1 : this.flat.seats[seat]!.rig });
      if (seat !== -1) this.seatMoves[seat]!.push(atMin);
    }
    return [...active];
  }

  next(battery: number): Need | undefined {
    return this.needs[battery]![this.done[battery]!];
  }

  /** When something is next put into a seat. */
  nextIn(seat: number, minute: number): number {
    return this.seatMoves[seat]!.find((one) => one > minute) ?? Infinity;
  }
}
