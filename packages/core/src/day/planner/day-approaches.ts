import { alternativeOf, APPROACHES } from '../../feed';
import type { Approach, FeedSaid } from '../../feed';
import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { whyNotAtHand } from '../../gear/kit';
import { batteriesOf } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import { DaySimulation } from '../run';
import { planDay } from './plan-day';
import type { DayPlan, PlanOptions } from './plan-day';

/** A day as one approach would feed it. */
export interface DayApproach {
  readonly approach: Approach;
  readonly title: string;
  /** Rigs that the approach cannot feed, and why; they keep the feed they have. */
  readonly kept: readonly { readonly rigId: string; readonly why: FeedSaid | undefined }[];
  /** What is not owned and would have to be. */
  readonly toBuy: readonly string[];
  readonly plan: DayPlan;
}

/** Share of the usual search for each. */
const COMPARED = 0.5;

/** The two that people argue about. */
export const DAY_APPROACHES: readonly Approach[] = ['one-v-mount', 'each-its-own'];

/**
 * The same day as an approach would feed it: every rig fed its way from what is owned, completed with generic gear where
 * that is not enough, no battery in two rigs; then planned. What the person placed for the rigs as they are does not
 * count. Cost: a search of about a second for each rig, and a plan.
 */
export function dayApproach(approach: Approach, { day, gear, rigs }: DaySimulation, options: PlanOptions = {}): DayApproach {
  const kit = new Map([...gear].filter(([, body]) => whyNotAtHand(body) === undefined));
  const all = new Map<string, Gear>(gear);
  const fed = new Map<string, Rig>(rigs);
  const kept: { rigId: string; why: FeedSaid | undefined }[] = [];
  const toBuy = new Set<string>();
  const taken = new Set<string>();
  for (const rigId of day.rigIds) {
    const rig = rigs.get(rigId);
    if (!rig) continue;
    const { assignment, toBuy: missing, lack } = alternativeOf(approach, rig, kit, { exclude: taken });
    if (assignment) {
      const { batteries: _states, ...rest } = rig;
      fed.set(rigId, { ...rest, links: assignment.links });
      for (const { id, body } of missing) {
        all.set(id, body);
        toBuy.add(gearTitle(body));
      }
    } else kept.push({ rigId, why: lack });
    for (const id of batteriesOf(fed.get(rigId)!, all)) taken.add(id);
  }
  const { swaps: _swaps, charges: _charges, ...bare } = day;
  const plan = planDay(new DaySimulation(bare, all, fed), { ...options, effort: COMPARED });
  return { approach, title: APPROACHES[approach], kept, toBuy: [...toBuy].sort(), plan };
}
