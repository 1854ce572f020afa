import { chargingList } from '../day/charging-list';
import type { ChargingList } from '../day/charging-list';
import type { DayEntry } from '../day/day';
import { dayIssues } from '../day/day-issues';
import { DaySimulation } from '../day/simulate';
import type { BlockRun, PowerGap, Stay } from '../day/day-run';
import type { Gear } from '../gear/gear';
import type { Issue } from '../issue';
import type { Plan } from './plan';

/** A day as it goes with its moves. */
export interface DayEvaluation {
  readonly id: string;
  readonly name: string;
  readonly issues: readonly Issue[];
  readonly blocks: readonly BlockRun[];
  readonly gaps: readonly PowerGap[];
  readonly stays: readonly Stay[];
  readonly charging: ChargingList;
}

/** Everything computed for one day of a plan document. Cost: milliseconds for each rig with batteries. */
export function evaluateDay({ id, body }: DayEntry, { rigs }: Plan, gear: ReadonlyMap<string, Gear>): DayEvaluation {
  const simulation = new DaySimulation(body, gear, new Map(rigs.map((rig) => [rig.id, rig.body])));
  const run = simulation.run();
  return {
    id,
    name: body.name,
    issues: dayIssues(body),
    blocks: run.blocks,
    gaps: run.gaps,
    stays: run.stays,
    charging: chargingList(simulation, run),
  };
}
