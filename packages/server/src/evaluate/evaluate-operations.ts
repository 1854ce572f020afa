import { rawOperation } from '../http/operation';
import type { Operation } from '../http/operation';
import { PLAN_DOCUMENT } from '../plan/plan-operations';
import type { Work } from '../threads/work';
import { AnswerCache } from './answer-cache';
import { EVALUATE_PLAN } from './evaluate-tasks';

const EVALUATION_SCHEMA = {
  title: 'Evaluation',
  type: 'object',
  required: ['format', 'version', 'rigs'],
  properties: {
    format: { const: 'viaggio-evaluation' },
    version: { const: 2 },
    rigs: {
      type: 'array',
      items: {
        type: 'object',
        required: ['id', 'name', 'answer', 'sensitivities', 'indicators', 'criteria', 'cost'],
        properties: {
          id: { type: 'string', format: 'uuid' },
          name: { type: 'string' },
          answer: { type: 'object', description: 'Verdict, findings, runs, timeline, figures, tracks, failures, cautions' },
          range: { type: 'object', description: 'P10, P50, P90 and the chance of lasting as long as asked' },
          sensitivities: { type: 'array', description: 'Which uncertain figure matters most' },
          indicators: { type: 'array', description: 'What the gauges show, beside the truth' },
          criteria: { type: 'object' },
          cost: { type: 'number', description: 'Points for the shooting style; the less the better' },
          feeds: { type: 'array', description: 'When asked for: every sound feed of each device' },
          assignments: { type: 'object', description: 'When asked for: the whole rig fed at once' },
          alternatives: { type: 'array', description: 'When asked for: the approaches side by side' },
          purchases: { type: 'array', description: 'When asked for: what one purchase would help' },
          alone: { type: 'object', description: 'Of an unattended rig: days of autonomy, sun by month, visits' },
        },
      },
    },
    days: {
      type: 'array',
      description: 'When asked for: every day as it goes',
      items: {
        type: 'object',
        required: ['id', 'name', 'figures', 'blocks', 'gaps', 'stays', 'charging', 'topUps', 'indicators'],
        properties: {
          id: { type: 'string', format: 'uuid' },
          name: { type: 'string' },
          figures: { type: 'object', description: 'Minutes without power, changes, batteries, charges' },
          blocks: { type: 'array' },
          gaps: { type: 'array' },
          stays: { type: 'array', description: 'Which battery is in which rig, from which charge to which' },
          charging: { type: 'object', description: 'What goes on which charger when, and what is not ready' },
          topUps: { type: 'array', description: 'Top-ups in the breaks, and whether they are worth the handling' },
          indicators: { type: 'array', description: 'What the gauges show through the day' },
          chances: { type: 'object', description: 'When random runs are asked for: of every block, with bands' },
          plan: { type: 'object', description: 'When asked for: changes, charges, reasons, cost, and the bound' },
        },
      },
    },
  },
} as const;

export function evaluateOperations(work: Work): readonly Operation[] {
  const answers = new AnswerCache();
  return [
    rawOperation({
      id: 'evaluatePlan',
      method: 'post',
      path: '/api/evaluate',
      tag: 'plan',
      summary: 'Everything computed for a plan document, without keeping anything',
      rawBody: PLAN_DOCUMENT,
      answers: { status: 200, says: 'The evaluation', schema: EVALUATION_SCHEMA },
      fails: ['malformed-request', 'too-large', 'invalid-fields', 'busy', 'too-heavy'],
      handle: async ({ body, signal }) => ({
        status: 200,
        json: await answers.of(body, () => work.run(EVALUATE_PLAN, { bytes: body }, signal)),
      }),
    }),
  ];
}
