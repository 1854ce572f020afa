import { evaluate } from '@viaggio/core/document';
import { powerSheet } from '@viaggio/core/travel';
import type { SheetOrder } from '@viaggio/core/travel';
import { backedUpItems } from '../backup/backed-up-items';
import { exported, itemsOf } from '../plan/plan-items';
import type { KeptItems } from '../plan/plan-items';
import { planOrThrow } from '../plan/read-plan';
import type { PaperSize } from '../prints/paper';
import { powerSheetPdf } from '../prints/power-sheet-pdf';
import { tagsPdf } from '../prints/tags-pdf';
import type { TagOrder } from '../prints/tags-pdf';
import { BODY_SHAPES, checkedBody, parsedJson } from './json-body';

/**
 * What may take more than some milliseconds, and is therefore never done on the thread that answers everybody. What goes
 * in and comes out can be cloned from thread to thread; what is sent as JSON comes out as JSON already. All throw as
 * operations do.
 */
export const TASKS = {
  checkBody: ({ shape, bytes }: { readonly shape: string; readonly bytes: Uint8Array }) => checkedBody(BODY_SHAPES[shape]!, bytes),
  readPlan: ({ bytes }: { readonly bytes: Uint8Array }) => planOrThrow(parsedJson(bytes)),
  planItems: ({ bytes }: { readonly bytes: Uint8Array }) => {
    const { plan, aside } = planOrThrow(parsedJson(bytes));
    return asJson(itemsOf(plan, aside));
  },
  readBackup: ({ live, deleted }: { readonly live: Uint8Array; readonly deleted: Uint8Array }) => backedUpItems(live, deleted),
  exportPlan: (kept: KeptItems) => asJson(exported(kept)),
  evaluatePlan: ({ bytes }: { readonly bytes: Uint8Array }) => asJson(evaluate(planOrThrow(parsedJson(bytes)).plan)),
  printPowerSheet: async ({ order, paper, madeAt }: { readonly order: SheetOrder; readonly paper: PaperSize; readonly madeAt: string }) => {
    const sheet = powerSheet(order);
    return { title: sheet.title, bytes: new Uint8Array(await powerSheetPdf(sheet, paper, madeAt)) };
  },
  printTags: async (order: TagOrder) => new Uint8Array(await tagsPdf(order)),
} as const;

export type TaskName = keyof typeof TASKS;
export type TaskInput<N extends TaskName> = Parameters<(typeof TASKS)[N]>[0];
export type TaskResult<N extends TaskName> = Awaited<ReturnType<(typeof TASKS)[N]>>;

/** These are short whatever they are given, so they never wait behind those that are not. */
export const SHORT: ReadonlySet<TaskName> = new Set<TaskName>(['checkBody', 'readPlan', 'planItems', 'exportPlan', 'readBackup']);

function asJson(value: unknown): Uint8Array {
  return new TextEncoder().encode(JSON.stringify(value));
}
