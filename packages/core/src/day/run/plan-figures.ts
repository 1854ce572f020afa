import type { Swap } from '../shape';
import type { DaySimulation, Moves } from './simulate';

/** What a day with certain moves comes to, whoever made them. */
export interface PlanFigures {
  readonly interruptions: number;
  /** Minutes without power, changes of battery left out; and those off for changes. */
  readonly gapMin: number;
  readonly changeMin: number;
  /** Changes of battery after a rig has begun. */
  readonly changes: number;
  /** Of them, in a block that draws, and of those bridged so that nothing goes off. */
  readonly whileRunning: number;
  readonly hot: number;
  readonly batteries: number;
  readonly massG: number;
  /** Batteries among them whose mass is not entered: they are not in it. */
  readonly massUnknown: number;
  /** Batteries that go below the reserve in a rig. */
  readonly intoReserve: number;
  /** Times that somebody puts a battery on a charger, and what that takes from the wall. */
  readonly charges: number;
  readonly wallWh: number;
}

/** Figures of a day with these moves, so that plans, and what a person placed, can be laid side by side. Cost: one run. */
export function planFigures(simulation: DaySimulation, moves: Moves): PlanFigures {
  const run = simulation.run(simulation.prepare(moves));
  const changes = run.seated.filter(({ first }) => !first);
  const running = changes.filter(({ within }) => within !== undefined);
  const used = [...new Set(run.seated.map(({ batteryId }) => batteryId))];
  const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
  return {
    interruptions: sum(run.blocks.map(({ interruptions }) => interruptions)),
    gapMin: sum(run.blocks.map(({ gapMin }) => gapMin)),
    changeMin: sum(run.blocks.map(({ changeMin }) => changeMin)),
    changes: changes.length,
    whileRunning: running.length,
    hot: running.filter(({ takesMin }) => takesMin === 0).length,
    batteries: used.length,
    massG: sum(used.map((id) => simulation.gear.get(id)?.massG ?? 0)),
    massUnknown: used.filter((id) => simulation.gear.get(id)?.massG === undefined).length,
    intoReserve: run.intoReserve.length,
    charges: run.filled.length,
    wallWh: sum(run.filled.map(({ wallWh }) => wallWh)),
  };
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
