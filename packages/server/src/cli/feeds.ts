import { assignFeeds, findFeeds } from '@viaggio/core/answer';
import { tellAssignments, tellFeeds } from '@viaggio/core/words';
import { parsePlan } from '../plan/read-plan';
import { tellIssues } from './evaluate';
import { rigIn } from './item-in';
import type { Output } from './solve';

/** `viaggio feeds FILE --rig ID`: every sound feed of a rig's devices from the plan's gear, and the rig fed at once. */
export function feedsText(text: string, rigId: string, { out, err }: Output): number {
  const read = parsePlan(text);
  if (!read.ok) return tellIssues(read.issues, err);
  const rig = rigIn(read.plan, rigId, err);
  if (!rig) return 1;
  const gear = new Map(read.plan.gear.map(({ id, body }) => [id, body]));
  const feeds = rig.body.devices.map(({ gearId }) => tellFeeds(findFeeds(rig.body, gearId, gear)));
  out(JSON.stringify({ rig: rig.id, name: rig.body.name, feeds, assignments: tellAssignments(assignFeeds(rig.body, gear)) }, undefined, 2));
  return 0;
}
