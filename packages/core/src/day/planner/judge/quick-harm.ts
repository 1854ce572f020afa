import { overlap } from '../../model';
import type { Drained } from './drain';
import type { FlatDay, FlatRig } from './flat-day';
import type { Outcome } from './quick-outcome';

/** Where a rig first wants for power: what a repair begins with. */
export interface Trouble {
  readonly rig: number;
  readonly atMin: number;
}

/** What a quick run costs its rigs and blocks, minute by minute. */
export class QuickHarm {
  /** By block: minutes without power. */
  private readonly dark: Float64Array;
  /** By rig: minutes below the reserve. */
  private readonly low: Float64Array;
  /** By block that must not be interrupted: changes in it. */
  private readonly touched: Uint8Array;
  /** By rig: where it first wanted for power though no battery was being changed. */
  readonly troubles: (Trouble | undefined)[];

  constructor(private readonly flat: FlatDay) {
    this.dark = new Float64Array(flat.blocks.length);
    this.low = new Float64Array(flat.rigs.length);
    this.touched = new Uint8Array(flat.blocks.length);
    this.troubles = flat.rigs.map(() => undefined);
  }

  arrays(): readonly (Float64Array | Uint8Array)[] {
    return [this.dark, this.low, this.touched];
  }

  reset(): void {
    for (const array of this.arrays()) array.fill(0);
    this.troubles.fill(undefined);
  }

  /** What one rig has lost. */
  of(index: number): { readonly interruptions: number; readonly minutes: number } {
    let [interruptions, minutes] = [0, Math.max(0, this.low[index]!)];
    for (const block of this.flat.rigs[index]!.blockPlaces) {
      const dark = this.dark[block]!;
      if (dark <= 0) continue;
      minutes += dark;
      if (this.flat.blocks[block]!.uninterrupted) interruptions++;
    }
    return { interruptions, minutes };
  }

  /** A change of battery that falls into blocks which must not be interrupted. */
  touch({ blockPlaces }: FlatRig, atMin: number): void {
    for (const place of blockPlaces) {
      const { uninterrupted, fromMin, toMin } = this.flat.blocks[place]!;
      if (uninterrupted && fromMin <= atMin && atMin < toMin) this.touched[place]!++;
    }
  }

  /** What a rig wanted for in a part of its day; `isChanging` while a battery is put in. */
  note(index: number, parts: FlatRig['spans'][number]['parts'], fromMin: number, toMin: number, out: Drained, isChanging: boolean): void {
    let darkMin = 0;
    for (const part of parts) {
      if (!part.draws) continue;
      for (let pair = 0; pair < out.gaps.length; pair += 2) {
        const minutes = Math.min(part.toMin, out.gaps[pair + 1]!) - Math.max(part.fromMin, out.gaps[pair]!);
        if (minutes <= 0) continue;
        this.dark[part.block]! += minutes;
        darkMin += minutes;
      }
      if (out.lowFromMin < Infinity)
        this.low[index]! += overlap(part, { fromMin: Math.max(fromMin, out.lowFromMin), toMin: Math.min(toMin, out.lowToMin) });
    }
    if (out.lowFromMin < Infinity) this.low[index]! -= darkMin;
    const first = Math.min(out.lowFromMin, isChanging ? Infinity : (out.gaps[0] ?? Infinity));
    if (first < Infinity && (!this.troubles[index] || first < this.troubles[index].atMin))
      this.troubles[index] = { rig: index, atMin: first };
  }

  sumInto(result: Outcome): void {
    this.flat.blocks.forEach(({ uninterrupted }, block) => {
      const dark = this.dark[block]!;
      if (dark <= 0) {
        result.touched += this.touched[block]!;
        return;
      }
      result.gapMin += dark;
      if (uninterrupted) result.interruptions++;
    });
    result.lowMin = Math.max(
      0,
      this.low.reduce((sum, minutes) => sum + minutes, 0),
    );
  }
}
