import { parsedJson } from '../http/json-body';
import { asJson } from '../threads/task';
import type { Task } from '../threads/task';
import { exported, itemsOf } from './plan-items';
import type { KeptItems } from './plan-items';
import { planOrThrow } from './read-plan';

type Bytes = { readonly bytes: Uint8Array };

export const READ_PLAN: Task<Bytes, ReturnType<typeof planOrThrow>> = {
  name: 'readPlan',
  isShort: true,
  run: ({ bytes }) => planOrThrow(parsedJson(bytes)),
};

/** The items of a document, as JSON. */
export const PLAN_ITEMS: Task<Bytes, Uint8Array> = {
  name: 'planItems',
  isShort: true,
  run: ({ bytes }) => {
    const { plan, aside } = planOrThrow(parsedJson(bytes));
    return asJson(itemsOf(plan, aside));
  },
};

/** What is kept, as one document. */
export const EXPORT_PLAN: Task<KeptItems, Uint8Array> = {
  name: 'exportPlan',
  isShort: true,
  run: (kept) => asJson(exported(kept)),
};
