import { DEFAULT_RESERVE } from '../../gear';
import { overlap } from '../model';
import type { Span } from '../model';
import { isDrawing } from '../shape';
import type { Swap } from '../shape';
import type { DayRun } from './day-run';
import type { Seated } from './seating';
import type { DaySimulation, Moves } from './simulate';

/** What a day with certain moves comes to, whoever made them. */
export interface PlanFigures {
  /** Blocks that must not be interrupted and go dark, for whatever reason. */
  readonly interruptions: number;
  /** Minutes without power, changes of battery left out; and those off for changes. */
  readonly gapMin: number;
  readonly changeMin: number;
  /** Changes of battery after a rig has begun. */
  readonly changes: number;
  /** Of them, in a block that draws, and of those bridged by something else so that nothing goes off. */
  readonly whileRunning: number;
  readonly hot: number;
  readonly batteries: number;
  readonly massG: number;
  /** Batteries among them whose mass is not entered: they are not in it. */
  readonly massUnknown: number;
  /** Batteries that go below the reserve in a rig. */
  readonly intoReserve: number;
  /** Minutes below the reserve in blocks that draw, of rigs on one battery. */
  readonly lowMin: number;
  /** Times that somebody puts a battery on a charger, and what that takes from the wall. */
  readonly charges: number;
  readonly wallWh: number;
}

/** Figures of a day with these moves, so that plans, and what a person placed, can be laid side by side. Cost: one run. */
export function planFigures(simulation: DaySimulation, moves: Moves, run = simulation.run(simulation.prepare(moves))): PlanFigures {
  const changes = run.seated.filter(({ first }) => !first);
  const running = changes.filter(({ within }) => within !== undefined && isDrawing(within));
  const goesOff = ({ rigId, atMin, takesMin }: Seated): boolean =>
    run.gaps.some((gap) => gap.rigId === rigId && overlap(gap, { fromMin: atMin, toMin: atMin + takesMin }) > 0);
  const used = [...new Set(run.seated.map(({ batteryId }) => batteryId))];
  const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
  return {
    interruptions: sum(run.blocks.map(({ interruptions }) => interruptions)),
    gapMin: sum(run.blocks.map(({ gapMin }) => gapMin)),
    changeMin: sum(run.blocks.map(({ changeMin }) => changeMin)),
    changes: changes.length,
    whileRunning: running.length,
    hot: running.filter((change) => !goesOff(change)).length,
    batteries: used.length,
    massG: sum(used.map((id) => simulation.gear.get(id)?.massG ?? 0)),
    massUnknown: used.filter((id) => simulation.gear.get(id)?.massG === undefined).length,
    intoReserve: run.intoReserve.length,
    lowMin: sum(belowReserve(simulation, run).map(({ fromMin, toMin }) => toMin - fromMin)),
    charges: run.filled.length,
    wallWh: sum(run.filled.map(({ wallWh }) => wallWh)),
  };
}

/** Where one battery alone carries a rig and is below the reserve while a block draws; what is dark by then is not in it. */
export function belowReserve({ day, states }: DaySimulation, run: DayRun): readonly (Span & { readonly rigId: string })[] {
  const reserve = day.reserve ?? DEFAULT_RESERVE;
  return run.intoReserve.flatMap(({ rigId, batteryId, fromMin, toMin }) => {
    if (states.seatsOf(rigId).length !== 1) return [];
    const points = run.charge.get(batteryId) ?? [];
    return points.slice(1).flatMap((after, index) => {
      const before = points[index]!;
      if (before.minute < fromMin - 1e-6 || after.minute > toMin + 1e-6 || after.minute <= before.minute || after.charge >= reserve - 1e-9)
        return [];
      const share = before.charge <= reserve ? 0 : (before.charge - reserve) / (before.charge - after.charge);
      const low: Span = { fromMin: before.minute + share * (after.minute - before.minute), toMin: after.minute };
      return day.blocks
        .filter((block) => block.rigId === rigId && isDrawing(block) && overlap(block, low) > 0)
        .flatMap((block) =>
          lit(
            { fromMin: Math.max(block.fromMin, low.fromMin), toMin: Math.min(block.toMin, low.toMin) },
            run.gaps.filter((gap) => gap.rigId === rigId),
          ),
        )
        .map((span) => ({ rigId, ...span }));
    });
  });
}

/** What of a span is in none of some others. */
function lit(span: Span, gaps: readonly Span[]): readonly Span[] {
  return gaps.reduce<readonly Span[]>(
    (rest, gap) =>
      rest.flatMap(({ fromMin, toMin }) =>
        [
          { fromMin, toMin: Math.min(toMin, gap.fromMin) },
          { fromMin: Math.max(fromMin, gap.toMin), toMin },
        ].filter((one) => one.toMin > one.fromMin),
      ),
    [span],
  );
}

/** Changes of battery that one plan has and another has not; those some minutes apart are the same. */
export function onlyIn(one: readonly Swap[] = [], other: readonly Swap[] = []): readonly Swap[] {
  return one.filter(
    (swap) =>
      !other.some(
        ({ rigId, seatId, batteryId, atMin }) =>
          rigId === swap.rigId && seatId === swap.seatId && batteryId === swap.batteryId && Math.abs(atMin - swap.atMin) <= SAME_MIN,
      ),
  );
}

const SAME_MIN = 5;
