import type { Approach } from '@viaggio/core/answer';
import { measuredOf } from '@viaggio/core/bench';
import type { Sheet } from '@viaggio/core/bench';
import {
  chargingList,
  costOfMoving,
  dayApproach,
  dayChances,
  dayIndicators,
  DaySimulation,
  movedChange,
  neededToday,
  planDay,
  planFigures,
  topUps,
  whatWouldDo,
} from '@viaggio/core/day';
import type {
  CardChange,
  Day,
  DayChances,
  DayPlan,
  DayRun,
  MovedChange,
  Moves,
  PlanFigures,
  PlanOrder,
  RigStates,
  Swap,
} from '@viaggio/core/day';
import type { Gear, Rig } from '@viaggio/core/gear';
import { tellCharging, tellDayApproach, tellDayIndicator, tellHelp, tellTopUp } from '@viaggio/core/words';
import type { ToldCharging, ToldDayApproach, ToldDayIndicator, ToldHelp, ToldTopUp } from '@viaggio/core/words';

/** A day with everything that it names. */
export interface DayWorld {
  readonly day: Day;
  readonly gear: ReadonlyMap<string, Gear>;
  readonly rigs: ReadonlyMap<string, Rig>;
  /** What was measured on the bench. */
  readonly sheets: ReadonlyMap<string, Sheet>;
}

/** What a day comes to. */
export interface DayOutlook {
  readonly run: DayRun;
  readonly charging: ToldCharging;
}

/** What was worked out of these rigs and this gear before: an edit of times or moves needs none of it again. */
let known: (Omit<DayWorld, 'day'> & { readonly states: RigStates }) | undefined;

function simulationOf({ day, gear, rigs, sheets }: DayWorld): DaySimulation {
  const same = known?.gear === gear && known.rigs === rigs && known.sheets === sheets;
  const states = same ? known?.states : undefined;
  const simulation = new DaySimulation(
    day,
    gear,
    rigs,
    states,
    states?.measured ??
      measuredOf(
        rigs,
        gear,
        [...sheets].map(([id, body]) => ({ id, body })),
      ),
  );
  known = { gear, rigs, sheets, states: simulation.states };
  return simulation;
}

export function dayOutlook(world: DayWorld): DayOutlook {
  const simulation = simulationOf(world);
  const run = simulation.run();
  return { run, charging: tellCharging(chargingList(simulation, run)) };
}

export function dayChancesOf(world: DayWorld, runs: number, progress?: (done: number) => void): DayChances {
  const simulation = simulationOf(world);
  return dayChances(simulation, simulation.day, {
    runs,
    onProgress: (done) => {
      progress?.(done);
      return true;
    },
  });
}

export function helpsOf(
  world: DayWorld,
  plan: DayPlan,
  options: { readonly order: PlanOrder; readonly fromMin?: number },
): readonly ToldHelp[] {
  return whatWouldDo(simulationOf(world), plan, options).map(tellHelp);
}

export function dayApproachOf(approach: Approach, world: DayWorld, order: PlanOrder): ToldDayApproach {
  return tellDayApproach(dayApproach(approach, simulationOf(world), { order }));
}

/** A plan on its way is run exactly before it is told: that often at most. */
const TELL_EVERY_MS = 1000;

/** `best` is told the best plan now and then, so that it is there when the search is cancelled. */
export function planDayWith(
  world: DayWorld,
  options: { readonly order: PlanOrder; readonly fromMin?: number },
  best: (plan: DayPlan, done: number, of: number) => void,
): DayPlan {
  let toldMs = performance.now();
  return planDay(simulationOf(world), {
    ...options,
    onProgress: (done, of, plan) => {
      if (performance.now() - toldMs > TELL_EVERY_MS) {
        best(plan(), done, of);
        toldMs = performance.now();
      }
      return true;
    },
  });
}

/** Figures of the day with each of some moves. */
export function figuresOf(world: DayWorld, plans: readonly Moves[]): readonly PlanFigures[] {
  const simulation = simulationOf(world);
  return plans.map((moves) => planFigures(simulation, moves));
}

export function movingCosts(world: DayWorld, swap: Swap): readonly MovedChange[] {
  return costOfMoving(simulationOf(world), swap);
}

export function movedChangeOf(world: DayWorld, change: Swap | CardChange, atMin: number): MovedChange {
  return movedChange(simulationOf(world), change, atMin);
}

/** What there is to know of charging beyond the list. */
export interface ChargingAdvice {
  readonly topUps: readonly ToldTopUp[];
  /** By place among the day's charges. */
  readonly needed: readonly boolean[];
}

export function chargingAdvice(world: DayWorld): ChargingAdvice {
  const simulation = simulationOf(world);
  const run = simulation.run();
  return { topUps: topUps(simulation, run).map(tellTopUp), needed: neededToday(simulation, run) };
}

export function indicatorsOf(world: DayWorld): readonly ToldDayIndicator[] {
  const simulation = simulationOf(world);
  return dayIndicators(simulation, simulation.run()).map(tellDayIndicator);
}
