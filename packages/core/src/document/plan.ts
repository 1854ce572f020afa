import { MAX_RUNS } from '../answer';
import { sheetItemShape } from '../bench/sheet';
import { sizeQuestion } from '../bench/size';
import { dayItemShape } from '../day/shape';
import { gearShape, idShape } from '../gear';
import { observationItemShape, recordingItemShape } from '../measure/log';
import { rigShape, styleShape } from '../rig/drawn';
import { choice, flag, list, number, object, optional, record, text, toJsonSchema } from '../shape';
import type { Infer, JsonSchema } from '../shape';
import { flightRulesItemShape, tripItemShape } from '../travel/trip';
import { SYMPTOMS } from '../words';
import { faultAnswerShape } from './fault-answer-shape';
import { ITEM_KINDS } from './item-kinds';

export const PLAN_FORMAT = 'viaggio-plan';
export const PLAN_VERSION = 2;
/** Random runs a rig when a plan does not say: enough for P10 to P90 within some per cent. */
export const EVALUATION_RUNS = 100;

/** What to work out beyond the answer of every rig. */
export const askShape = object('What to work out', {
  rigs: optional(list('Only these rigs', idShape, { max: ITEM_KINDS.rigs.most })),
  runs: optional(number('Random runs a rig', 'count', { min: 0, max: MAX_RUNS, integer: true })),
  seed: optional(number('Seed', 'count', { min: 0, max: 2_147_483_647, integer: true })),
  tracePoints: optional(number('Points of each curve', 'count', { min: 0, max: 500, integer: true })),
  feeds: optional(flag('Every sound feed of each device')),
  assignments: optional(flag('The whole rig fed at once')),
  alternatives: optional(flag('The approaches side by side')),
  purchases: optional(flag('What one purchase would help')),
  days: optional(flag('Every day as it goes')),
  dayRuns: optional(number('Random runs a day', 'count', { min: 0, max: 2000, integer: true })),
  plans: optional(flag('A plan for every day')),
  checks: optional(flag('What to measure before power, and every bench sheet judged')),
  sizes: optional(list('Sizes', sizeQuestion, { max: 1000 })),
  faults: optional(
    list(
      'Faults',
      object('Fault', {
        rigId: idShape,
        deviceId: optional(idShape),
        symptom: choice('Symptom', SYMPTOMS),
        answers: optional(list('What was tried', faultAnswerShape, { max: 60 })),
      }),
      { max: 50 },
    ),
  ),
  style: optional(styleShape),
  weights: optional(record('Weights', number('Points', 'points', { max: 1000 }), 30)),
});
export type Ask = Infer<typeof askShape>;

const gearItems = list('Gear', object('Gear item', { id: idShape, body: gearShape }), { max: ITEM_KINDS.gear.most });
const rigItems = list('Rigs', object('Rig item', { id: idShape, body: rigShape }), { max: ITEM_KINDS.rigs.most });
const dayItems = list('Days', dayItemShape, { max: ITEM_KINDS.days.most });
const ruleItems = list('Flight rules', flightRulesItemShape, { max: ITEM_KINDS.rules.most });

/** What was deleted, while something that is there still names it: an observation outlives its camera. */
export const deletedShape = object('Deleted, and still named', {
  gear: optional(gearItems),
  rigs: optional(rigItems),
  days: optional(dayItems),
  rules: optional(ruleItems),
});

/** One document for gear, rigs, days and log: the form in which plans are kept, sent and evaluated. */
export const planShape = object('Viaggio plan', {
  format: choice('Format', { [PLAN_FORMAT]: 'Viaggio plan' }),
  version: number('Version', 'count', { min: PLAN_VERSION, max: PLAN_VERSION, integer: true }),
  name: optional(text('Name', 120)),
  gear: gearItems,
  rigs: rigItems,
  days: optional(dayItems),
  log: optional(list('Log', observationItemShape, { max: ITEM_KINDS.log.most })),
  /** What their meters saw, as segments; the samples are kept apart. */
  recordings: optional(list('Recordings', recordingItemShape, { max: ITEM_KINDS.recordings.most })),
  sheets: optional(list('Bench sheets', sheetItemShape, { max: ITEM_KINDS.sheets.most })),
  /** Of carriers, dated; the usual ones need none. */
  rules: optional(ruleItems),
  trips: optional(list('Trips', tripItemShape, { max: ITEM_KINDS.trips.most })),
  /** Kept as deleted where it comes in: nothing of it shows, and nothing is refused for want of it. */
  deleted: optional(deletedShape),
  ask: optional(askShape),
});
export type Plan = Infer<typeof planShape>;

/**
 * JSON Schema (2020-12) of a plan; fields that it does not name are allowed, and kept on a round trip.
 *
 * @example planJsonSchema().type // 'object'
 */
export function planJsonSchema(): JsonSchema {
  const { properties, ...schema } = toJsonSchema(planShape, '#/$defs/', true);
  const kinds = Object.keys(deletedShape.fields);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'viaggio-plan.schema.json',
    ...schema,
    properties: {
      ...(properties as object),
      // lists of the same things: said once
      deleted: {
        title: deletedShape.title,
        type: 'object',
        properties: Object.fromEntries(kinds.map((kind) => [kind, { $ref: `#/properties/${kind}` }])),
      },
    },
    description: `A Viaggio plan, version ${PLAN_VERSION}. Figures are in the unit that ends their name. ${EVALUATION_RUNS} random runs a rig unless asked otherwise.`,
  };
}
