import type { Gear } from '../../gear';
import { DEFAULT_RESERVE } from '../../rig/drawn';
import type { SystemPhase, SystemRun } from '../../run';
import { said } from '../../said';
import { LEAST_GAP_MIN } from '../../tables';
import type { CardsRun } from '../cards';
import { ChargerQueues } from '../charging';
import type { OnCharger, Outlets, Pairing } from '../charging';
import { overlap } from '../model';
import type { Hands, Span } from '../model';
import { isDrawing } from '../shape';
import type { Day } from '../shape';
import type { Dark } from './dark';
import { blockRun, joined, joinedGaps, TOUCH_MIN } from './day-run';
import type { ChargePoint, DayRun, PowerGap, Stay } from './day-run';
import { nobodyThere } from './nobody-there';
import type { Deviation, RigState, RigStates } from './rig-states';
import type { RigSpan, Seating } from './seating';

/** At the same minute: what ends comes first, then outlets that come or go, then what begins. */
export const RANK = { end: 0, outlet: 1, begin: 2 };
export type Happening =
  | { readonly kind: 'span'; readonly atMin: number; readonly rank: number; readonly index: number }
  | { readonly kind: 'charge'; readonly atMin: number; readonly rank: number; readonly charge: OnCharger };

/** A rig's span made ready to be run. */
export interface ReadySpan {
  readonly span: RigSpan;
  readonly state: RigState;
  readonly phases: readonly SystemPhase[];
  /** By source: the charge it always starts with, where it is no battery that is there. */
  readonly fixed: readonly (number | undefined)[];
  /** Batteries that are there, and those built into devices. */
  readonly held: readonly { readonly id: string; readonly place: number; readonly builtIn: boolean }[];
}

/** A day with its moves, ready to be run as often as wanted. */
export interface ReadyDay extends Seating {
  /** What becomes of the recording media: no chance enters into it. */
  readonly cards: CardsRun;
  readonly ready: readonly ReadySpan[];
  readonly happenings: readonly Happening[];
}

/** What a run needs of its simulation. */
export interface RunWorld {
  readonly day: Day;
  readonly gear: ReadonlyMap<string, Gear>;
  readonly states: RigStates;
  readonly outlets: Outlets;
  readonly hands: Hands;
  readonly pairing: (charge: OnCharger) => Pairing;
  startCharge(batteryId: string): number;
  saidCharge(batteryId: string): number | undefined;
}

/** One run of a day, in the order of time over all rigs and chargers, since they share batteries. */
export class OneRun {
  private readonly soc = new Map<string, number>();
  private readonly points = new Map<string, ChargePoint[]>();
  private readonly gaps: PowerGap[] = [];
  private readonly pieces: Stay[] = [];
  private readonly queues: ChargerQueues;

  /** Ends of the spans that go on now. */
  private readonly ends: (() => void)[] = [];

  constructor(
    private readonly simulation: RunWorld,
    private readonly day: ReadyDay,
    private readonly deviation: Deviation | undefined,
  ) {
    this.queues = new ChargerQueues(simulation.pairing, simulation.outlets, this.soc, (id, minute, charge) =>
      this.points.get(id)!.push({ minute, charge }),
    );
    for (const { batteryId } of day.seated) this.start(batteryId);
    for (const { batteryId } of day.charging) this.start(batteryId);
    for (const happening of day.happenings) {
      if (happening.kind === 'charge') this.atCharger(happening);
      else if (happening.rank === RANK.end) this.ends[happening.index]!();
      else this.ends[happening.index] = this.runSpan(day.ready[happening.index]!);
    }
  }

  result(): DayRun {
    const { day } = this.simulation;
    const { seated } = this.day;
    const stays = joined(this.pieces);
    const gaps = joinedGaps(this.gaps);
    const reserve = day.reserve ?? DEFAULT_RESERVE;
    return {
      seated,
      stays,
      gaps,
      blocks: day.blocks.map((block) => blockRun(block, gaps, this.day.cards)),
      cards: this.day.cards,
      filled: this.queues.done,
      charge: this.points,
      endCharge: new Map(this.soc),
      takenAsFull: [...this.soc.keys()].filter((id) => this.simulation.gear.has(id) && this.simulation.saidCharge(id) === undefined),
      nobodyThere: this.deviation ? [] : nobodyThere(day, this.simulation.hands, seated, this.day.charging, this.day.cards),
      intoReserve: stays.filter(({ fromCharge, toCharge }) => toCharge < Math.min(reserve, fromCharge) - 1e-9),
    };
  }

  private start(batteryId: string): void {
    if (this.soc.has(batteryId)) return;
    this.soc.set(batteryId, this.simulation.startCharge(batteryId));
    this.mark(batteryId, 0);
  }

  private mark(batteryId: string, minute: number): void {
    const charge = this.soc.get(batteryId) ?? 0;
    const points = this.points.get(batteryId);
    if (points) points.push({ minute, charge });
    else this.points.set(batteryId, [{ minute, charge }]);
  }

  private atCharger({ atMin, rank, charge }: Extract<Happening, { kind: 'charge' }>): void {
    this.queues.advance(atMin);
    if (rank === RANK.outlet) return;
    if (rank === RANK.begin) this.queues.begin(charge);
    else this.queues.end(charge);
    this.mark(charge.batteryId, atMin);
  }

  /** Runs a span; what it leaves is taken over when it ends, when the batteries are free for what comes next. */
  private runSpan({ span, state, phases, fixed, held }: ReadySpan): () => void {
    const { rigId, fromMin, toMin } = span;
    const { deviation } = this;
    if (span.resting) return () => undefined;
    if (!state.runner || span.broken !== undefined) {
      this.cannotRun(span, state);
      return () => undefined;
    }
    for (const { id, builtIn } of held) if (builtIn) this.start(id);
    const startSoc = fixed.map((charge, place) => charge ?? this.soc.get(state.sourceIds[place]!)!);
    const runner = deviation ? state.rough() : state.runner;
    const run = runner.run(deviation && state.vary(deviation), { phases, startSoc, record: true, trace: true });
    this.noteGaps(span, run.events);
    if (!deviation) this.noteStops(span, state, run.trace);
    return () => {
      for (const { id, place, builtIn } of held) {
        const toCharge = Math.max(0, run.sources[place]!.endSoc);
        for (const { minute, soc } of run.trace) this.points.get(id)!.push({ minute: fromMin + minute, charge: soc[id] ?? 0 });
        this.soc.set(id, toCharge);
        this.mark(id, toMin);
        if (!builtIn) this.pieces.push({ rigId, batteryId: id, fromMin, toMin, fromCharge: startSoc[place]!, toCharge });
      }
    };
  }

  private cannotRun(span: RigSpan, state: RigState): void {
    const part = span.broken === undefined ? undefined : this.simulation.gear.get(span.broken);
    const trouble = part ? said('part-broken', { name: part.name }) : (state.trouble ?? said('rig-gone'));
    let fromMin = span.fromMin;
    for (const { block, minutes } of span.parts) {
      const toMin = fromMin + minutes;
      if (block && isDrawing(block))
        this.gaps.push({ rigId: span.rigId, blockId: block.id, fromMin, toMin, why: 'cannot-run', says: trouble });
      fromMin = toMin;
    }
  }

  /** Blocks whose modes must not be, or do not work, on what feeds them at the charge that they come down to. */
  private noteStops(span: RigSpan, state: RigState, trace: SystemRun['trace']): void {
    let from = 0;
    for (const { block, minutes } of span.parts) {
      const to = from + minutes;
      const part: Span = { fromMin: span.fromMin + from, toMin: span.fromMin + to };
      from = to;
      // what the run itself shows as a gap is told as that
      if (!block || !isDrawing(block) || this.gaps.some(({ blockId }) => blockId === block.id)) continue;
      const soc = trace.findLast(({ minute }) => minute <= to + LEAST_GAP_MIN)?.soc ?? {};
      const says = state.stopIn(block, soc);
      if (says !== undefined) this.gaps.push({ rigId: span.rigId, blockId: block.id, ...part, why: 'cannot-run', says });
    }
  }

  private noteGaps(span: RigSpan, events: readonly { minute: number; kind: string; id: string }[]): void {
    const { rigId, parts } = span;
    if (events.length === 0) return;
    const open = new Map<string, number>();
    const found: { readonly loadId: string; readonly fromMin: number; readonly toMin: number }[] = [];
    for (const { minute, kind, id } of events) {
      if (kind === 'gap') open.set(id, minute);
      else if (kind === 'back' && open.has(id)) {
        found.push({ loadId: id, fromMin: open.get(id)!, toMin: minute });
        open.delete(id);
      }
    }
    for (const [loadId, fromMin] of open) found.push({ loadId, fromMin, toMin: span.toMin - span.fromMin });
    let from = 0;
    for (const { block, minutes } of parts) {
      const part: Span = { fromMin: from, toMin: from + minutes };
      from += minutes;
      if (!block) continue;
      for (const gap of found) {
        if (overlap(gap, part) < LEAST_GAP_MIN) continue;
        const fromMin = span.fromMin + Math.max(gap.fromMin, part.fromMin);
        const toMin = span.fromMin + Math.min(gap.toMin, part.toMin);
        this.gaps.push({ rigId, blockId: block.id, fromMin, toMin, ...this.whyOf(span, fromMin, gap.loadId) });
      }
    }
  }

  private whyOf(span: RigSpan, fromMin: number, loadId: string): Pick<PowerGap, 'why' | 'says'> {
    const device = this.simulation.gear.get(loadId)?.name ?? 'A device';
    const dark = (why: Dark) => ({ why, says: said('dark', { device, why }) });
    const changing = this.day.seated.find(
      ({ rigId, atMin, takesMin, seatId }) =>
        rigId === span.rigId && takesMin > 0 && !span.seats.has(seatId) && fromMin >= atMin - TOUCH_MIN && fromMin < atMin + takesMin,
    );
    if (changing) return dark('change');
    const seats = this.simulation.states.seatsOf(span.rigId);
    if (span.seats.size < seats.length) return dark('empty-seat');
    return dark('gave-out');
  }
}
