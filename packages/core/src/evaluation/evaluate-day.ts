import { DEFAULT_SEED } from '../answer';
import { measuredOf } from '../bench/measured';
import type { CardsRun } from '../day/cards';
import { dayIssues } from '../day/model';
import { neededToday, planDay, topUps } from '../day/planner';
import type { DayPlan } from '../day/planner';
import { chargingList, dayChances, dayIndicators, DaySimulation, planFigures } from '../day/run';
import type { Band, BlockRun, PlanFigures, Stay } from '../day/run';
import type { DayEntry } from '../day/shape';
import type { Plan } from '../document';
import type { Gear } from '../gear';
import type { Issue } from '../issue';
import type { ToldCharging, ToldDayIndicator, ToldGap, ToldTopUp, Words } from '../words';

/** A day as it goes with its moves. */
export interface DayEvaluation {
  readonly id: string;
  readonly name: string;
  readonly issues: readonly Issue[];
  readonly figures: PlanFigures;
  readonly blocks: readonly BlockRun[];
  readonly gaps: readonly ToldGap[];
  readonly stays: readonly Stay[];
  readonly charging: ToldCharging;
  /** Cards, and where recording stops though there is power. */
  readonly cards: CardsRun;
  /** Whether the plan itself needs it, by place among the day's charges. */
  readonly needed: readonly boolean[];
  readonly topUps: readonly ToldTopUp[];
  readonly indicators: readonly ToldDayIndicator[];
  /** Where random runs were asked for. */
  readonly chances?: {
    readonly runs: number;
    readonly seed: number;
    readonly all: number;
    /** By block. */
    readonly blocks: Readonly<Record<string, number>>;
    /** By battery. */
    readonly bands: Readonly<Record<string, readonly Band[]>>;
  };
  /** Where a plan was asked for. */
  readonly plan?: DayPlan;
}

/** Everything computed for one day of a plan document. Cost: milliseconds for each rig with batteries; a plan about a second. */
export function evaluateDay(
  { id, body }: DayEntry,
  { rigs, sheets = [], ask }: Plan,
  gear: ReadonlyMap<string, Gear>,
  words: Words,
): DayEvaluation {
  const byId = new Map(rigs.map((rig) => [rig.id, rig.body]));
  const simulation = new DaySimulation(body, gear, byId, undefined, measuredOf(byId, gear, sheets));
  const run = simulation.run();
  const runs = ask?.dayRuns ?? 0;
  return {
    id,
    name: body.name,
    issues: dayIssues(body),
    figures: planFigures(simulation, body),
    blocks: run.blocks,
    gaps: run.gaps.map(words.tellGap),
    stays: run.stays,
    charging: words.tellCharging(chargingList(simulation, run)),
    cards: run.cards,
    needed: neededToday(simulation, run),
    topUps: topUps(simulation, run).map(words.tellTopUp),
    indicators: dayIndicators(simulation, run).map(words.tellDayIndicator),
    ...(runs > 0 && { chances: chancesOf(simulation, runs, ask?.seed) }),
    // the page looks longer
    ...(ask?.plans && { plan: planDay(simulation, { effort: 0.5 }) }),
  };
}

function chancesOf(simulation: DaySimulation, runs: number, seed = DEFAULT_SEED): DayEvaluation['chances'] {
  const { blocks, bands, ...rest } = dayChances(simulation, simulation.day, { runs, seed });
  return { ...rest, blocks: Object.fromEntries(blocks), bands: Object.fromEntries(bands) };
}
