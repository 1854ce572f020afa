import { DEFAULT_RESERVE } from '../../gear';
import type { Block } from '../shape';
import { rigSpansOf } from '../run';
import type { DaySimulation, Deviation, RigSpan } from '../run';

/** How far a rig gets with the batteries in it. */
export interface Walk {
  /** When it must have been helped: a battery at the reserve, or a device without power. Undefined: it gets to its end. */
  readonly troubleMin: number | undefined;
  /** The seat whose battery is to be changed by then; undefined where no seat is to blame. */
  readonly seatId: string | undefined;
  /** Charge of every source at a minute up to the trouble. */
  readonly chargeAt: (minute: number) => ReadonlyMap<string, number>;
}

interface Leg {
  readonly fromMin: number;
  readonly toMin: number;
  readonly trace: readonly { readonly minute: number; readonly soc: Readonly<Record<string, number>> }[];
  readonly end: ReadonlyMap<string, number>;
}

/** One rig followed by itself through its blocks, for plans that are looked for. */
export class RigWalker {
  readonly blocks: readonly Block[];
  readonly endMin: number;
  private readonly spans: readonly RigSpan[];
  private readonly known = new Map<string, Walk>();
  private readonly reserve: number;

  constructor(
    private readonly simulation: DaySimulation,
    readonly rigId: string,
    private readonly deviation: Deviation,
  ) {
    const { day, outlets } = simulation;
    this.blocks = day.blocks.filter((block) => block.rigId === rigId).sort((a, b) => a.fromMin - b.fromMin);
    this.spans = rigSpansOf(day, rigId, this.blocks, new Map(), outlets, simulation.states.partsOf(rigId));
    this.endMin = this.spans.at(-1)?.toMin ?? 0;
    this.reserve = day.reserve ?? DEFAULT_RESERVE;
  }

  /** From a minute on with these batteries and charges (by battery and built-in battery) until trouble or `untilMin`. */
  walk(fromMin: number, seats: ReadonlyMap<string, string>, charge: ReadonlyMap<string, number>, untilMin = this.endMin): Walk {
    const key = `${fromMin} ${untilMin} ${[...seats].join(';')} ${[...charge].map(([id, soc]) => `${id}${soc.toFixed(4)}`).join(';')}`;
    let walk = this.known.get(key);
    if (!walk) {
      walk = this.follow(fromMin, seats, charge, untilMin);
      this.known.set(key, walk);
    }
    return walk;
  }

  private follow(fromMin: number, seats: ReadonlyMap<string, string>, charge: ReadonlyMap<string, number>, untilMin: number): Walk {
    let now = new Map(charge);
    const legs: Leg[] = [];
    const start = new Map(charge);
    const chargeAt = (minute: number): ReadonlyMap<string, number> => chargeIn(legs, start, minute);
    for (const span of this.spans) {
      if (span.toMin <= fromMin || span.fromMin >= untilMin) continue;
      const from = Math.max(span.fromMin, fromMin);
      const phasesFrom = partsFrom(span, from, Math.min(span.toMin, untilMin));
      const state = this.simulation.states.state(this.rigId, seats, span.temperatureC);
      if (!state.runner || span.broken !== undefined)
        return { troubleMin: this.firstDrawing(from), seatId: span.broken === undefined ? [...seats.keys()][0] : undefined, chargeAt };
      const fixed = this.simulation.fixedCharges(state, seats, span.power);
      const startSoc = state.sourceIds.map((id, place) => fixed[place] ?? now.get(id) ?? this.simulation.startCharge(id));
      const phases = phasesFrom.map(({ block, minutes }) => ({ minutes, loadW: state.loadW(block) }));
      const run = state.rough().run(state.vary(this.deviation), { phases, startSoc, record: true, trace: true });
      const end = new Map(now);
      state.sourceIds.forEach((id, place) => {
        if (!state.supplies[place]) end.set(id, Math.max(0, run.sources[place]!.endSoc));
      });
      legs.push({ fromMin: from, toMin: Math.min(span.toMin, untilMin), trace: run.trace, end });
      const alone = state.sourceIds.length === 1 ? state.sourceIds[0] : undefined;
      const low = alone === undefined ? undefined : reachedAt(run.trace, alone, this.reserve);
      const gap = run.events.find(({ kind }) => kind === 'gap')?.minute;
      if (low !== undefined || gap !== undefined) {
        const out = run.events.findLast(({ kind, minute }) => (kind === 'source-out' || kind === 'tripped') && minute <= (gap ?? 0) + 1e-6);
        const blamed = alone ?? out?.id;
        const seatId = [...seats].find(([, batteryId]) => batteryId === blamed)?.[0] ?? this.emptySeat(seats);
        return { troubleMin: from + Math.min(low ?? Infinity, gap ?? Infinity), seatId, chargeAt };
      }
      now = end;
    }
    return { troubleMin: undefined, seatId: undefined, chargeAt };
  }

  private emptySeat(seats: ReadonlyMap<string, string>): string | undefined {
    return this.simulation.states.seatsOf(this.rigId).find((seatId) => !seats.has(seatId));
  }

  private firstDrawing(fromMin: number): number {
    return this.blocks.find(({ toMin }) => toMin > fromMin)?.fromMin ?? fromMin;
  }
}

function partsFrom(span: RigSpan, fromMin: number, toMin: number): RigSpan['parts'] {
  let at = span.fromMin;
  return span.parts.flatMap(({ block, minutes }) => {
    const [from, to] = [Math.max(at, fromMin), Math.min(at + minutes, toMin)];
    at += minutes;
    return to > from ? [{ block, minutes: to - from }] : [];
  });
}

/** When a source falls to a charge, straight between the points of its trace. */
function reachedAt(trace: Leg['trace'], id: string, charge: number): number | undefined {
  for (let index = 1; index < trace.length; index++) {
    const [before, after] = [trace[index - 1]!, trace[index]!];
    const [high, low] = [before.soc[id] ?? 1, after.soc[id] ?? 1];
    if (low >= charge || high <= low) continue;
    if (high <= charge) return before.minute;
    return before.minute + ((high - charge) / (high - low)) * (after.minute - before.minute);
  }
  return undefined;
}

function chargeIn(legs: readonly Leg[], start: ReadonlyMap<string, number>, minute: number): ReadonlyMap<string, number> {
  const leg = legs.findLast(({ fromMin }) => fromMin <= minute);
  if (!leg) return start;
  if (minute >= leg.toMin) return leg.end;
  const now = new Map(leg.end);
  const at = minute - leg.fromMin;
  const next = leg.trace.findIndex((point) => point.minute >= at);
  const [before, after] = [leg.trace[Math.max(0, next - 1)], leg.trace[next]];
  if (!before || !after) return now;
  const share = after.minute > before.minute ? (at - before.minute) / (after.minute - before.minute) : 0;
  for (const [id, soc] of Object.entries(before.soc)) if (now.has(id)) now.set(id, soc + share * ((after.soc[id] ?? soc) - soc));
  return now;
}
