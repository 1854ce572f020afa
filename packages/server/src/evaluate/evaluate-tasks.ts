import { evaluate } from '@viaggio/core/document';
import { parsedJson } from '../http/json-body';
import { planOrThrow } from '../plan/read-plan';
import { asJson } from '../threads/task';
import type { Task } from '../threads/task';

/** Everything computed for a document, as JSON. */
export const EVALUATE_PLAN: Task<{ readonly bytes: Uint8Array }, Uint8Array> = {
  name: 'evaluatePlan',
  isShort: false,
  run: ({ bytes }) => asJson(evaluate(planOrThrow(parsedJson(bytes)).plan)),
};
