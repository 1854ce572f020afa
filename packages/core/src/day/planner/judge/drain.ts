import type { SystemRun } from '../../../run';
import { belowIn } from '../../run';
import type { Deviation, RigState } from '../../run';
import { DrainTable } from './drain-table';
import type { FlatDay, FlatRig, FlatSpan } from './flat-day';

/** Charges that differ less are run once: the search rounds, the run that confirms its plan does not. */
const CHARGE_STEPS = 4096;
/** Steps of a table that a run of a circuit costs. */
const RUN_WORK = 25;
/** Shorter than this is the rounding of an instant. */
const LEAST_MIN = 1e-3;

/** A rig as it stands for a while: the batteries in its seats, at one temperature. */
interface Standing {
  readonly state: RigState;
  /** By source: the seat whose battery it is, or -1 for one with a fixed charge, or -2 - n for built-in battery n of the rig. */
  readonly sources: readonly number[];
  readonly fixed: readonly (number | undefined)[];
  /** Sources that are to keep their reserve: built into a device, or sitting in one. */
  readonly kept: readonly string[];
  /** One source that is the battery of the one seat. */
  readonly alone: boolean;
  readonly tables: DrainTable[];
  readonly runs: Map<string, Known>;
}

interface Known {
  readonly ends: Float64Array;
  /** From and to of each time without power, from the start of the run. */
  readonly gaps: readonly number[];
  /** From when until when a battery built into a device is below the reserve; the first infinite where none is. */
  readonly lowFromMin: number;
  readonly lowToMin: number;
}

/** What a rig does to the batteries in it for a while. */
export interface Drained {
  /** Minutes without power, as pairs of from and to in the day's minutes. */
  readonly gaps: number[];
  /** When the one battery of a rig, or one that is built into a device, was below the reserve: from infinite where none was. */
  lowFromMin: number;
  lowToMin: number;
}

/**
 * How the batteries of rigs run down, for searches: rigs on one battery by tables, others by runs that are kept. Charges are
 * those of the seats in the order of the rig, and of its built-in batteries.
 */
export class Drain {
  /** Steps taken: what the search has cost. */
  work = 0;
  private readonly standings = new Map<string, Standing>();
  /** Of rigs with one seat: by span and kind of battery. */
  private readonly ofOneSeat: (Standing | undefined)[] = [];
  private readonly builtIn: string[][];

  constructor(
    private readonly flat: FlatDay,
    private readonly deviation: Deviation,
    private readonly reserve: number,
  ) {
    this.builtIn = flat.rigs.map((rig) => {
      const { state } = flat.stateOf(
        rig,
        rig.seats.map((seat) => this.kindOf(flat.seats[seat]!.own)),
        rig.spans[0]?.span.temperatureC,
      );
      return state.sourceIds.filter((id) => !flat.simulation.gear.has(id));
    });
  }

  /** Built-in batteries of a rig. */
  builtInOf(rig: number): readonly string[] {
    return this.builtIn[rig]!;
  }

  kindOf(battery: number): number {
    return battery === -1 ? -1 : this.flat.batteries[battery]!.kind;
  }

  /**
   * Runs a rig through a part of one of its spans. `seats`: the battery in each (-1: none), `soc`: their charges, changed in
   * place, `own`: those of its built-in batteries, changed too.
   */
  through(
    rig: FlatRig,
    index: number,
    span: FlatSpan,
    fromMin: number,
    toMin: number,
    seats: readonly number[],
    soc: Float64Array,
    own: Float64Array,
    out: Drained,
  ): void {
    const standing = this.standing(rig, index, span, seats);
    if (span.span.broken !== undefined || !standing.state.runner) {
      for (const part of span.parts) if (part.draws) addGap(out.gaps, Math.max(part.fromMin, fromMin), Math.min(part.toMin, toMin));
      return;
    }
    if (standing.alone) this.alone(standing, span, fromMin, toMin, seats[0]!, soc, out);
    else this.together(standing, span, fromMin, toMin, seats, soc, own, out);
  }

  private alone(
    standing: Standing,
    span: FlatSpan,
    fromMin: number,
    toMin: number,
    battery: number,
    soc: Float64Array,
    out: Drained,
  ): void {
    let charge = soc[battery]!;
    for (const part of span.parts) {
      const [from, to] = [Math.max(part.fromMin, fromMin), Math.min(part.toMin, toMin)];
      if (to <= from) continue;
      this.work++;
      const table = this.table(standing, part.pattern, part.block);
      const at = table.minuteOf(charge);
      const lasts = Math.max(0, Math.min(to - from, table.endMin - at));
      const before = charge;
      charge = Math.min(charge, table.chargeAt(at + lasts));
      if (!part.draws) continue;
      if (table.stopBelow > 0 && charge < table.stopBelow) {
        addGap(out.gaps, from, to);
        continue;
      }
      if (charge < this.reserve) out.lowToMin = toMin;
      if (before >= this.reserve && charge < this.reserve)
        out.lowFromMin = Math.min(out.lowFromMin, from + table.minuteOf(this.reserve) - at);
      else if (charge < this.reserve) out.lowFromMin = Math.min(out.lowFromMin, from);
      addGap(out.gaps, from + lasts, to);
    }
    soc[battery] = charge;
  }

  private together(
    standing: Standing,
    span: FlatSpan,
    fromMin: number,
    toMin: number,
    seats: readonly number[],
    soc: Float64Array,
    own: Float64Array,
    out: Drained,
  ): void {
    const start = standing.sources.map((source, place) => {
      if (source === -1) return standing.fixed[place]!;
      return source < -1 ? own[-2 - source]! : soc[seats[source]!]!;
    });
    const rounded = start.map((charge) => Math.round(charge * CHARGE_STEPS));
    const key = `${span.fromMin} ${fromMin} ${toMin} ${rounded.join(' ')}`;
    let known = standing.runs.get(key);
    if (!known) {
      this.work += RUN_WORK;
      known = this.run(
        standing,
        span,
        fromMin,
        toMin,
        rounded.map((charge) => charge / CHARGE_STEPS),
      );
      standing.runs.set(key, known);
    }
    this.work++;
    standing.sources.forEach((source, place) => {
      if (source === -1) return;
      // what rounding added or took is given back
      const end = Math.max(0, known.ends[place]! + start[place]! - rounded[place]! / CHARGE_STEPS);
      if (source < -1) own[-2 - source] = end;
      else soc[seats[source]!] = end;
    });
    for (let place = 0; place < known.gaps.length; place += 2)
      addGap(out.gaps, fromMin + known.gaps[place]!, fromMin + known.gaps[place + 1]!);
    if (known.lowFromMin === Infinity) return;
    out.lowFromMin = fromMin + known.lowFromMin;
    out.lowToMin = fromMin + known.lowToMin;
  }

  private run({ state, kept }: Standing, span: FlatSpan, fromMin: number, toMin: number, startSoc: readonly number[]): Known {
    const parts = span.parts.flatMap((part) => {
      const [from, to] = [Math.max(part.fromMin, fromMin), Math.min(part.toMin, toMin)];
      return to > from ? [{ ...part, from, to }] : [];
    });
    const phases = parts.map(({ block, from, to }) => ({ minutes: to - from, loadW: state.loadW(this.flat.blocks[block]) }));
    const run = state.rough().run(state.vary(this.deviation), { phases, startSoc, record: true, trace: kept.length > 0 });
    const gaps: number[] = [];
    const open = new Map<string, number>();
    const dark = (from: number, to: number): void => {
      for (const part of parts) if (part.draws) addGap(gaps, Math.max(from, part.from - fromMin), Math.min(to, part.to - fromMin));
    };
    for (const { kind, id, minute } of run.events) {
      if (kind === 'gap') open.set(id, minute);
      else if (kind === 'back' && open.has(id)) {
        dark(open.get(id)!, minute);
        open.delete(id);
      }
    }
    for (const from of open.values()) dark(from, toMin - fromMin);
    const ends = Float64Array.from(run.sources, ({ endSoc }) => Math.max(0, endSoc));
    return { ends, gaps: gaps.length > 2 ? merged(gaps) : gaps, ...this.lowOf(kept, run.trace, toMin - fromMin) };
  }

  /** When a battery that is to keep its reserve falls below it in a run; straight between its points. */
  private lowOf(ids: readonly string[], trace: SystemRun['trace'], untilMin: number): Pick<Known, 'lowFromMin' | 'lowToMin'> {
    let [lowFromMin, lowToMin] = [Infinity, -Infinity];
    for (const id of ids) {
      const points = trace.map(({ minute, soc }) => ({ minute, charge: soc[id] ?? 1 }));
      // one that is low and rests takes nothing from its reserve
      if ((points.at(-1)?.charge ?? 1) >= (points[0]?.charge ?? 1) - 1e-9) continue;
      for (const { fromMin, toMin } of belowIn(points, this.reserve)) {
        lowFromMin = Math.min(lowFromMin, fromMin);
        lowToMin = Math.max(lowToMin, Math.min(toMin, untilMin));
      }
    }
    return { lowFromMin, lowToMin };
  }

  private table(standing: Standing, pattern: number, block: number): DrainTable {
    return (standing.tables[pattern] ??= new DrainTable(standing.state, this.flat.blocks[block], this.deviation));
  }

  private standing(rig: FlatRig, index: number, span: FlatSpan, seats: readonly number[]): Standing {
    if (seats.length !== 1) return this.standingOf(rig, index, span, seats);
    const place = span.index * (this.flat.kinds + 1) + this.kindOf(seats[0]!) + 1;
    return (this.ofOneSeat[place] ??= this.standingOf(rig, index, span, seats));
  }

  private standingOf(rig: FlatRig, index: number, { span, climate }: FlatSpan, seats: readonly number[]): Standing {
    let key = `${index} ${climate} ${span.power.length}${span.power[0] ?? ''}`;
    for (const battery of seats) key += ` ${this.kindOf(battery)}`;
    let standing = this.standings.get(key);
    if (standing) return standing;
    const { state, seats: seated } = this.flat.stateOf(
      rig,
      seats.map((battery) => this.kindOf(battery)),
      span.temperatureC,
    );
    const fixed = this.flat.simulation.fixedCharges(state, seated, span.power);
    const seatIds = [...seated];
    const order = this.flat.simulation.states.seatsOf(rig.id);
    const sources = state.sourceIds.map((id, place) => {
      if (fixed[place] !== undefined) return -1;
      const seat = seatIds.find(([, batteryId]) => batteryId === id);
      return seat ? order.indexOf(seat[0]) : -2 - this.builtIn[index]!.indexOf(id);
    });
    const alone = sources.length === 1 && sources[0] === 0;
    const keeps = order.map((seatId) => this.flat.simulation.states.keepsReserve(rig.id, seatId));
    const kept = state.sourceIds.filter((_, place) => sources[place]! < -1 || keeps[sources[place]!]);
    standing = { state, sources, kept, fixed, alone, tables: [], runs: new Map() };
    this.standings.set(key, standing);
    return standing;
  }
}

function addGap(gaps: number[], from: number, to: number): void {
  if (to - from > LEAST_MIN) gaps.push(from, to);
}

/** Times of several devices without power as times of the rig. */
function merged(gaps: readonly number[]): readonly number[] {
  const pairs: [number, number][] = [];
  for (let place = 0; place < gaps.length; place += 2) pairs.push([gaps[place]!, gaps[place + 1]!]);
  pairs.sort((a, b) => a[0] - b[0]);
  const result: number[] = [];
  for (const [from, to] of pairs) {
    if (result.length > 0 && from <= result.at(-1)! + LEAST_MIN) result[result.length - 1] = Math.max(result.at(-1)!, to);
    else result.push(from, to);
  }
  return result;
}
