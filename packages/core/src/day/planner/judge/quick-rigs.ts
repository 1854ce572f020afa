import type { Drain, Drained } from './drain';
import type { FlatDay, FlatRig } from './flat-day';
import type { QuickHarm } from './quick-harm';
import type { QuickSeats } from './quick-seats';

/** The rigs of a quick run, each followed in time as far as it is looked at: what it draws runs its batteries down. */
export class QuickRigs {
  /** By rig: followed up to. */
  readonly minutes: Float64Array;
  /** By rig: the span that comes next. */
  readonly span: Int32Array;
  /** By rig: charges of batteries built into its devices. */
  readonly own: readonly Float64Array[];
  private readonly out: Drained = { gaps: [], lowFromMin: Infinity, lowToMin: -Infinity };

  constructor(
    private readonly flat: FlatDay,
    private readonly drain: Drain,
    private readonly soc: Float64Array,
    private readonly seats: QuickSeats,
    private readonly harm: QuickHarm,
  ) {
    this.minutes = new Float64Array(flat.rigs.length);
    this.span = new Int32Array(flat.rigs.length);
    this.own = flat.rigs.map((_, rig) => new Float64Array(drain.builtInOf(rig).length));
  }

  reset(): void {
    this.span.fill(0);
    this.flat.rigs.forEach(({ fromMin }, rig) => {
      this.minutes[rig] = fromMin;
      this.own[rig]!.fill(1);
    });
  }

  /** It is disconnected until then. */
  rest(index: number, toMin: number): void {
    this.minutes[index] = Math.max(this.minutes[index]!, toMin);
  }

  /** Follows a rig up to a minute. */
  to(index: number, toMin: number): void {
    const rig = this.flat.rigs[index]!;
    let now = this.minutes[index]!;
    while (now < toMin) {
      let next = toMin;
      for (const seat of rig.seats) {
        this.seats.due(seat, now);
        if (this.seats.nextMin[seat]! < next) next = this.seats.nextMin[seat]!;
      }
      this.pass(rig, index, now, next);
      now = next;
    }
    this.minutes[index] = Math.max(this.minutes[index]!, toMin);
  }

  private pass(rig: FlatRig, index: number, fromMin: number, toMin: number): void {
    const { spans, seats } = rig;
    const batteries = seats.length === 1 ? [this.seats.seated[seats[0]!]!] : seats.map((seat) => this.seats.seated[seat]!);
    let isChanging = false;
    for (const seat of seats) if (this.seats.next[seat] !== -1) isChanging = true;
    const { out } = this;
    for (let at = this.span[index]!; at < spans.length; at++) {
      const span = spans[at]!;
      if (span.fromMin >= toMin) break;
      if (span.toMin <= fromMin) {
        this.span[index] = at + 1;
        continue;
      }
      const [from, to] = [Math.max(fromMin, span.fromMin), Math.min(toMin, span.toMin)];
      out.gaps.length = 0;
      out.lowFromMin = Infinity;
      out.lowToMin = -Infinity;
      this.drain.through(rig, index, span, from, to, batteries, this.soc, this.own[index]!, out);
      if (out.gaps.length === 0 && out.lowFromMin === Infinity) continue;
      this.harm.note(index, span.parts, from, to, out, isChanging);
    }
  }
}
