import type { FlatDay, FlatRig } from './flat-day';

/** From when on each battery could be charged at each place, in minutes; `Infinity` while it is wanted elsewhere. */
export class QuickReach {
  readonly minutes: Float64Array;

  constructor(private readonly flat: FlatDay) {
    this.minutes = new Float64Array(flat.batteries.length * Math.max(1, flat.places.length));
  }

  reset(): void {
    this.minutes.fill(this.flat.startMin);
  }

  at(battery: number, place: number): number {
    return this.minutes[battery * this.flat.places.length + place]!;
  }

  /** A battery comes out of a rig at a minute, and goes where the rig goes. */
  from(battery: number, rig: FlatRig, atMin: number): void {
    const { length } = this.flat.places;
    for (let place = 0; place < length; place++)
      this.minutes[battery * length + place] = atMin === Infinity ? Infinity : this.flat.comesTo(rig, place, atMin);
  }
}
