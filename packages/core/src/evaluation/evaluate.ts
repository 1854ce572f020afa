import { assessModel, DEFAULT_SEED, indicators, rigModel, runRange, sensitivities } from '../answer';
import { measuredFindings } from '../bench/measured';
import { EVALUATION_RUNS, PLAN_KINDS } from '../document';
import type { Ask, Plan } from '../document';
import { alternatives, assignFeeds, costOf, criteriaOf, DEFAULT_STYLE, findFeeds, purchasesFor, weightsOf } from '../feed';
import type { Points } from '../feed';
import type { Gear } from '../gear';
import { issue } from '../issue';
import type { Issue } from '../issue';
import { drawnRig } from '../rig/drawn';
import type { Rig, Style } from '../rig/drawn';
import { autonomyOf } from '../unattended';
import { wordsIn } from '../words';
import type {
  Language,
  ToldAlternative,
  ToldAnswer,
  ToldAssignments,
  ToldAutonomy,
  ToldCriteria,
  ToldFeeds,
  ToldIndicator,
  ToldPurchases,
  ToldRange,
  ToldSensitivity,
  Words,
} from '../words';
import { evaluateBench, evaluateCheck } from './evaluate-bench';
import type { BenchEvaluation, CheckEvaluation } from './evaluate-bench';
import { evaluateDay } from './evaluate-day';
import type { DayEvaluation } from './evaluate-day';

/** Everything computed for one rig of a plan. */
export interface RigEvaluation {
  readonly id: string;
  readonly name: string;
  readonly answer: ToldAnswer;
  readonly range: ToldRange | undefined;
  readonly sensitivities: readonly ToldSensitivity[];
  readonly indicators: readonly ToldIndicator[];
  readonly criteria: ToldCriteria;
  readonly style: Style;
  readonly cost: number;
  readonly points: Points;
  readonly feeds?: readonly ToldFeeds[];
  readonly assignments?: ToldAssignments;
  readonly alternatives?: readonly ToldAlternative[];
  readonly purchases?: readonly ToldPurchases[];
  /** Where the rig says that it runs unattended. */
  readonly alone?: ToldAutonomy;
  /** What to measure before power, where it was asked for. */
  readonly check?: CheckEvaluation;
}

export interface Evaluation {
  readonly format: 'viaggio-evaluation';
  readonly version: 2;
  readonly rigs: readonly RigEvaluation[];
  /** Where they were asked for. */
  readonly days?: readonly DayEvaluation[];
  readonly bench?: BenchEvaluation;
}

/** Random runs of all rigs of one evaluation together. */
export const MOST_RUNS_TOGETHER = 40_000;
/** Searches of one evaluation, each of about a second: a device's feeds count one, its purchases two, a rig at once at least three. */
export const MOST_SEARCHES = 16;
/** Blocks of all days of one evaluation: run in some seconds, top-ups tried. */
const MOST_BLOCKS = 400;
/** Charges of all days: each is left out once, to see whether the day needs it. */
const MOST_CHARGES = 100;
/** Blocks of all days that are planned in one evaluation: some seconds. */
const MOST_PLANNED_BLOCKS = 60;
/** Random runs of all blocks together: some seconds. */
const MOST_BLOCK_RUNS = 100_000;
/** Steps of all runs of one evaluation together: some seconds. */
const MOST_STEPS = 600_000;
const TRACE_POINTS = 30;

/**
 * What keeps a plan that has the right shape from being evaluated: identifiers used twice, rigs whose power runs in a
 * circle, more asked for than one evaluation does. Empty: `evaluate` will answer, and end.
 *
 * @example planIssues(plan) // []
 */
export function planIssues(plan: Plan): readonly Issue[] {
  const issues: Issue[] = [];
  for (const kind of PLAN_KINDS) {
    const seen = new Set<string>();
    plan[kind]?.forEach(({ id }, index) => {
      if (seen.has(id)) issues.push(issue(`/${kind}/${index}/id`, 'id-twice', 'an identifier used once', id));
      seen.add(id);
    });
  }
  const gear = gearOf(plan);
  plan.rigs.forEach(({ body }, index) => {
    if (drawnRig(body, gear).faults.some(({ fault }) => fault === 'loop'))
      issues.push(issue(`/rigs/${index}/body/links`, 'cyclic', 'links that lead from sources to devices', 'a circle'));
  });
  const rigs = asked(plan);
  const together = rigs.length * (plan.ask?.runs ?? EVALUATION_RUNS);
  if (together > MOST_RUNS_TOGETHER)
    issues.push(issue('/ask/runs', 'too-much-asked', `at most ${MOST_RUNS_TOGETHER} runs of all rigs together`, `${together}`));
  const blocks = plan.ask?.days ? (plan.days ?? []).reduce((sum, { body }) => sum + body.blocks.length, 0) : 0;
  if (blocks > MOST_BLOCKS)
    issues.push(issue('/ask/days', 'too-much-asked', `at most ${MOST_BLOCKS} blocks of all days together`, `${blocks}`));
  const charges = plan.ask?.days ? (plan.days ?? []).reduce((sum, { body }) => sum + (body.charges?.length ?? 0), 0) : 0;
  if (charges > MOST_CHARGES)
    issues.push(issue('/ask/days', 'too-much-asked', `at most ${MOST_CHARGES} charges of all days together`, `${charges}`));
  if (plan.ask?.plans && blocks > MOST_PLANNED_BLOCKS)
    issues.push(issue('/ask/plans', 'too-much-asked', `at most ${MOST_PLANNED_BLOCKS} blocks of all days together`, `${blocks}`));
  const blockRuns = blocks * (plan.ask?.dayRuns ?? 0);
  if (blockRuns > MOST_BLOCK_RUNS)
    issues.push(issue('/ask/dayRuns', 'too-much-asked', `at most ${MOST_BLOCK_RUNS} runs of all blocks together`, `${blockRuns}`));
  const { feeds, assignments, alternatives: approaches, purchases } = plan.ask ?? {};
  const perDevice = (feeds ? 1 : 0) + (purchases ? 2 : 0);
  const searches = rigs.reduce((sum, { body: { devices } }) => {
    const perRig = (assignments ? Math.max(3, devices.length) : 0) + (approaches ? Math.max(4, 2 * devices.length) : 0);
    return sum + perRig + perDevice * devices.length;
  }, 0);
  if (searches > MOST_SEARCHES)
    issues.push(
      issue('/ask', 'too-much-asked', `at most ${MOST_SEARCHES} searches; name fewer rigs in “rigs”, or ask for less`, `${searches}`),
    );
  return issues;
}

/**
 * Everything computed for a plan, without keeping anything: answers, ranges, what matters most, what indicators show,
 * and, where asked for, feeds, assignments, approaches and purchases.
 *
 * Precondition: `planIssues(plan)` is empty. Cost: a few milliseconds a rig; searches up to about a second a device.
 *
 * @example evaluate(plan).rigs[0].answer.verdict // 'good'
 */
export function evaluate(plan: Plan, language: Language = 'en'): Evaluation {
  const words = wordsIn(language);
  const gear = gearOf(plan);
  const rigs = asked(plan);
  return {
    format: 'viaggio-evaluation',
    version: 2,
    rigs: rigs.map(({ id, body }) => evaluateRig(id, body, gear, plan, MOST_STEPS / rigs.length, words)),
    ...(asksBench(plan.ask) && { bench: evaluateBench(plan, gear, words) }),
    ...(plan.ask?.days && { days: (plan.days ?? []).map((entry) => evaluateDay(entry, plan, gear, words)) }),
  };
}

const asksBench = ({ checks, sizes, faults }: Ask = {}): boolean => checks === true || sizes !== undefined || faults !== undefined;

function evaluateRig(id: string, body: Rig, gear: ReadonlyMap<string, Gear>, plan: Plan, mostSteps: number, words: Words): RigEvaluation {
  const { ask = {} } = plan;
  const rig: Rig = ask.style === undefined ? body : { ...body, style: ask.style };
  const style = rig.style ?? DEFAULT_STYLE;
  const weights = weightsOf(style, ask.weights);
  const measured = measuredFindings(id, rig, gear, plan.sheets ?? []);
  const model = rigModel(rig, gear, { tracePoints: ask.tracePoints ?? TRACE_POINTS, measured });
  const answer = assessModel(model);
  const runs = ask.runs ?? EVALUATION_RUNS;
  const range = runs === 0 ? undefined : runRange(model, { runs, seed: ask.seed ?? DEFAULT_SEED, mostSteps });
  const criteria = criteriaOf(model.resolved, answer);
  const each = <T>(of: (deviceId: string) => T): readonly T[] => rig.devices.map(({ gearId }) => of(gearId));
  return {
    id,
    name: rig.name,
    answer: words.tellAnswer(answer),
    range: range && words.tellRange(range),
    sensitivities: sensitivities(model, mostSteps).map(words.tellSensitivity),
    indicators: indicators(model).map(words.tellIndicator),
    criteria: words.tellCriteria(criteria),
    style,
    ...costOf(criteria, weights),
    ...(ask.feeds && { feeds: each((deviceId) => words.tellFeeds(findFeeds(rig, deviceId, gear, { weights }))) }),
    ...(ask.assignments && { assignments: words.tellAssignments(assignFeeds(rig, gear, { weights })) }),
    ...(ask.alternatives && { alternatives: alternatives(rig, gear, { weights }).map(words.tellAlternative) }),
    ...(ask.purchases && { purchases: each((deviceId) => words.tellPurchases(purchasesFor(rig, deviceId, gear, { weights }))) }),
    ...(rig.unattended && { alone: words.tellAutonomy(autonomyOf(rig, gear)) }),
    ...(ask.checks && { check: evaluateCheck(id, rig, gear, plan, words) }),
  };
}

function asked({ rigs, ask }: Plan): Plan['rigs'] {
  return ask?.rigs === undefined ? rigs : rigs.filter(({ id }) => ask.rigs!.includes(id));
}

function gearOf({ gear }: Plan): ReadonlyMap<string, Gear> {
  return new Map(gear.map(({ id, body }) => [id, body]));
}
