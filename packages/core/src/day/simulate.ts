import type { Gear } from '../gear/gear';
import { DEFAULT_RESERVE } from '../gear/rig';
import type { Rig } from '../gear/rig';
import { builtInId } from '../match/rig-system';
import { QUIET_KINDS } from './day';
import type { Block, Day } from './day';
import { ChargerQueues, pairingOf } from './charger-queue';
import type { Filled, Pairing } from './charger-queue';
import { placeW } from './place-power';
import { RigStates } from './rig-states';
import type { SystemPhase } from '../discharge/system';
import type { Deviation, RigState } from './rig-states';
import { seatingOf } from './seating';
import type { OnCharger, Outlets, RigSpan, Seated, Seating } from './seating';
import { dailySpans, overlap } from './spans';
import type { Span } from './spans';

/** Minutes in which a rig has no power though a block of it wants some. */
export interface PowerGap extends Span {
  readonly rigId: string;
  readonly blockId: string;
  /** A planned change of battery, a battery that gave out, a seat with none in it, or a rig that cannot run so. */
  readonly why: 'change' | 'gave-out' | 'empty-seat' | 'cannot-run';
  readonly says: string;
}

/** A battery in a rig, from when it is put in until it is taken out. */
export interface Stay extends Span {
  readonly rigId: string;
  readonly batteryId: string;
  readonly fromCharge: number;
  readonly toCharge: number;
}

export interface BlockRun {
  readonly blockId: string;
  /** Minutes without power, planned changes left out. */
  readonly gapMin: number;
  /** Minutes without power through a change of battery. */
  readonly changeMin: number;
  /** Changes that fall into a block that must not be interrupted. */
  readonly interruptions: number;
}

/** A day as it goes: every charge, gap and charger. */
export interface DayRun {
  readonly seated: readonly Seated[];
  readonly stays: readonly Stay[];
  readonly gaps: readonly PowerGap[];
  readonly blocks: readonly BlockRun[];
  readonly filled: readonly Filled[];
  /** Charge of each battery over time, the batteries built into devices by `builtInId`; straight between points. */
  readonly charge: ReadonlyMap<string, readonly ChargePoint[]>;
  /** Charge at the end of the plan: what the next day starts with. */
  readonly endCharge: ReadonlyMap<string, number>;
  /** Batteries of which nobody said how full they are at the start. */
  readonly takenAsFull: readonly string[];
  /** Stays that end below the reserve. */
  readonly intoReserve: readonly Stay[];
}

export interface ChargePoint {
  readonly minute: number;
  readonly charge: number;
}

/** A plan's moves: what may be tried otherwise while the rest of the day stays. */
export type Moves = Pick<Day, 'swaps' | 'charges'>;

/** At the same minute: what ends comes first, then outlets that come or go, then what begins. */
const RANK = { end: 0, outlet: 1, begin: 2 };
type Happening =
  | { readonly kind: 'span'; readonly atMin: number; readonly rank: number; readonly index: number }
  | { readonly kind: 'charge'; readonly atMin: number; readonly rank: number; readonly charge: OnCharger };

/** A rig's span made ready to be run. */
interface ReadySpan {
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
  readonly ready: readonly ReadySpan[];
  readonly happenings: readonly Happening[];
}

/** Gaps that are nearer than this are one. */
const TOUCH_MIN = 1e-3;
/** Shorter gaps are the rounding of an instant. */
const LEAST_GAP_MIN = 1e-3;

/**
 * Runs a day through the circuits of its rigs. Made once for a day; tried with as many moves, and as many chances, as
 * wanted.
 *
 * Cost: some milliseconds for each rig with batteries not seen before, then some tens of microseconds for each span
 * of each rig. Never throws for sound shapes: what cannot be run is a gap, and says why.
 *
 * @example new DaySimulation(day, gear, rigs).run().gaps // [] where every block has power
 */
export class DaySimulation {
  readonly states: RigStates;
  readonly outlets: Outlets;
  private readonly pairings = new Map<string, Pairing>();

  constructor(
    readonly day: Day,
    readonly gear: ReadonlyMap<string, Gear>,
    readonly rigs: ReadonlyMap<string, Rig>,
    /** Of the same gear and rigs, where the day was worked out before. */
    states?: RigStates,
  ) {
    this.states = states?.covers(day) ? states : new RigStates(day, gear, rigs);
    this.outlets = new Map(
      (day.places ?? []).map((place) => [place.id, placeW(place) === 0 ? [] : dailySpans(day, place.powerFrom, place.powerTo)]),
    );
  }

  /** What a battery does on a charger; looked up once for each two. */
  readonly pairing = (charge: OnCharger): Pairing => {
    const key = `${charge.batteryId} ${charge.chargerId}`;
    let pairing = this.pairings.get(key);
    if (!pairing) {
      pairing = pairingOf(charge, this.gear, this.day);
      this.pairings.set(key, pairing);
    }
    return pairing;
  };

  /** Charge of a battery at the start; full where nobody said, which `DayRun.takenAsFull` tells. */
  startCharge(batteryId: string): number {
    return this.saidCharge(batteryId) ?? 1;
  }

  /** What the day says of a battery's charge at the start, what its rig says, what lies in the kit. */
  saidCharge(batteryId: string): number | undefined {
    const said = this.day.batteries?.find(({ gearId }) => gearId === batteryId)?.startCharge;
    if (said !== undefined) return said;
    for (const rigId of this.day.rigIds) {
      const rig = this.rigs.get(rigId);
      if (!rig || !this.states.seatsOf(rigId).includes(batteryId)) continue;
      const own = rig.batteries?.find(({ gearId }) => gearId === batteryId)?.startCharge ?? rig.startCharge;
      if (own !== undefined) return own;
    }
    const battery = this.gear.get(batteryId);
    return battery?.kind === 'battery' ? battery.charge : undefined;
  }

  /** Follows the moves, and looks up everything that does not depend on chance. */
  prepare(moves: Moves = this.day): ReadyDay {
    const seating = seatingOf({ ...this.day, swaps: moves.swaps, charges: moves.charges }, this.states, this.outlets);
    const ready = seating.rigSpans.map((span) => this.readySpan(span));
    const happenings: Happening[] = [];
    seating.rigSpans.forEach(({ fromMin, toMin }, index) => {
      happenings.push({ kind: 'span', atMin: fromMin, rank: RANK.begin, index });
      happenings.push({ kind: 'span', atMin: toMin, rank: RANK.end, index });
    });
    for (const charge of seating.charging) {
      if (charge.toMin <= charge.fromMin) continue;
      happenings.push({ kind: 'charge', atMin: charge.fromMin, rank: RANK.begin, charge });
      happenings.push({ kind: 'charge', atMin: charge.toMin, rank: RANK.end, charge });
      for (const { fromMin, toMin } of this.outlets.get(charge.place?.id ?? '') ?? []) {
        for (const atMin of [fromMin, toMin])
          if (atMin > charge.fromMin && atMin < charge.toMin) happenings.push({ kind: 'charge', atMin, rank: RANK.outlet, charge });
      }
    }
    happenings.sort((one, other) => one.atMin - other.atMin || one.rank - other.rank);
    return { ...seating, ready, happenings };
  }

  private readySpan(span: RigSpan): ReadySpan {
    const state = this.states.state(span.rigId, span.seats, span.temperatureC);
    const fixed = this.fixedCharges(state, span.seats, span.power);
    return {
      span,
      state,
      phases: span.parts.map(({ block, minutes }) => ({ minutes, loadW: state.loadW(block) })),
      fixed,
      held: state.sourceIds.flatMap((id, place) => (fixed[place] === undefined ? [{ id, place, builtIn: !this.gear.has(id) }] : [])),
    };
  }

  /** By source of a rig: full or nothing where an outlet or an empty seat decides; undefined for a battery that is there. */
  fixedCharges(state: RigState, seats: ReadonlyMap<string, string>, power: RigSpan['power']): readonly (number | undefined)[] {
    const here = new Set(seats.values());
    return state.sourceIds.map((id, place) => {
      const supply = state.supplies[place];
      if (supply) return power.includes(supply) ? 1 : 0;
      return this.gear.has(id) && !here.has(id) ? 0 : undefined;
    });
  }

  /** Runs the day; with `deviation` once more with other draws and capacities. */
  run(day: ReadyDay = this.prepare(), deviation?: Deviation): DayRun {
    return new OneRun(this, day, deviation).result();
  }
}

/** One run of a day, in the order of time over all rigs and chargers, since they share batteries. */
class OneRun {
  private readonly soc = new Map<string, number>();
  private readonly points = new Map<string, ChargePoint[]>();
  private readonly gaps: PowerGap[] = [];
  private readonly pieces: Stay[] = [];
  private readonly queues: ChargerQueues;

  /** Ends of the spans that go on now. */
  private readonly ends: (() => void)[] = [];

  constructor(
    private readonly simulation: DaySimulation,
    private readonly day: ReadyDay,
    private readonly deviation: Deviation | undefined,
  ) {
    this.queues = new ChargerQueues(simulation.pairing, simulation.outlets, this.soc);
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
      blocks: day.blocks.map((block) => blockRun(block, gaps, seated)),
      filled: this.queues.done,
      charge: this.points,
      endCharge: new Map(this.soc),
      takenAsFull: [...this.soc.keys()].filter((id) => this.simulation.gear.has(id) && this.simulation.saidCharge(id) === undefined),
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
    else {
      this.queues.end(charge);
      const filled = this.queues.done.at(-1);
      if (filled?.fullMin !== undefined && filled.fullMin < atMin)
        this.points.get(charge.batteryId)!.push({ minute: filled.fullMin, charge: 1 });
    }
    this.mark(charge.batteryId, atMin);
  }

  /** Runs a span; what it leaves is taken over when it ends, when the batteries are free for what comes next. */
  private runSpan({ span, state, phases, fixed, held }: ReadySpan): () => void {
    const { rigId, fromMin, toMin } = span;
    const { deviation } = this;
    if (!state.runner || span.broken !== undefined) {
      this.cannotRun(span, state);
      return () => undefined;
    }
    for (const { id, builtIn } of held) if (builtIn) this.start(id);
    const startSoc = fixed.map((charge, place) => charge ?? this.soc.get(state.sourceIds[place]!)!);
    const runner = deviation ? state.rough() : state.runner;
    const run = runner.run(deviation && state.vary(deviation), { phases, startSoc, record: true, trace: true });
    this.noteGaps(span, run.events);
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
    const trouble = part ? `${part.name} is broken; the rig’s own page shows what else could feed it.` : (state.trouble ?? '');
    let fromMin = span.fromMin;
    for (const { block, minutes } of span.parts) {
      const toMin = fromMin + minutes;
      if (block && isDrawing(block))
        this.gaps.push({ rigId: span.rigId, blockId: block.id, fromMin, toMin, why: 'cannot-run', says: trouble });
      fromMin = toMin;
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
    const changing = this.day.seated.find(
      ({ rigId, atMin, takesMin, seatId }) =>
        rigId === span.rigId && takesMin > 0 && !span.seats.has(seatId) && fromMin >= atMin - TOUCH_MIN && fromMin < atMin + takesMin,
    );
    if (changing) return { why: 'change', says: `${device} is off while a battery is changed.` };
    const seats = this.simulation.states.seatsOf(span.rigId);
    if (span.seats.size < seats.length) return { why: 'empty-seat', says: `${device} has no battery.` };
    return { why: 'gave-out', says: `${device} has no power: what feeds it has given out.` };
  }
}

/** Whether a block wants power at all. */
export function isDrawing({ kind, devices = [] }: Block): boolean {
  return !QUIET_KINDS.includes(kind) || devices.some(({ mode }) => mode !== 'off');
}

/** Stays of one battery in one rig that follow each other at once are one. */
function joined(pieces: readonly Stay[]): readonly Stay[] {
  const stays: Stay[] = [];
  const last = new Map<string, number>();
  for (const piece of [...pieces].sort((a, b) => a.fromMin - b.fromMin)) {
    const key = `${piece.rigId} ${piece.batteryId}`;
    const before = last.get(key);
    if (before !== undefined && Math.abs(stays[before]!.toMin - piece.fromMin) < TOUCH_MIN)
      stays[before] = { ...stays[before]!, toMin: piece.toMin, toCharge: piece.toCharge }; // prettier-ignore
    else last.set(key, stays.push(piece) - 1);
  }
  return stays;
}

/** Gaps of several devices at once are one of the rig, and so are those that follow each other for one reason. */
function joinedGaps(gaps: readonly PowerGap[]): readonly PowerGap[] {
  const result: PowerGap[] = [];
  const last = new Map<string, number>();
  for (const gap of [...gaps].sort((a, b) => a.fromMin - b.fromMin)) {
    const key = `${gap.blockId} ${gap.why}`;
    const before = last.get(key);
    if (before !== undefined && result[before]!.toMin >= gap.fromMin - TOUCH_MIN)
      result[before] = { ...result[before]!, toMin: Math.max(result[before]!.toMin, gap.toMin) };
    else last.set(key, result.push(gap) - 1);
  }
  return result;
}

function blockRun({ id, uninterrupted }: Block, gaps: readonly PowerGap[], seated: readonly Seated[]): BlockRun {
  const own = gaps.filter(({ blockId }) => blockId === id);
  const minutes = (of: readonly PowerGap[]): number => of.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
  const interrupting = seated.filter(({ within, first, takesMin }) => !first && within?.id === id && takesMin > 0);
  return {
    blockId: id,
    gapMin: minutes(own.filter(({ why }) => why !== 'change')),
    changeMin: minutes(own.filter(({ why }) => why === 'change')),
    interruptions: uninterrupted ? interrupting.length : 0,
  };
}

/** Name of a battery or built-in battery as a person knows it. */
export function sourceName(id: string, gear: ReadonlyMap<string, Gear>): string {
  const known = gear.get(id);
  if (known) return known.kind === 'battery' && known.tag !== undefined ? known.tag : known.name;
  const device = [...gear].find(([gearId]) => builtInId(gearId) === id);
  return device ? `${device[1].name}’s own battery` : id;
}
