import { dayShape } from '../day/model';
import type { Day } from '../day/model';
import { gearShape, gearTitle, rigShape } from '../gear';
import type { Gear, Rig } from '../gear';
import { OBSERVATION_KINDS, observationShape, recordingShape } from '../measure/log';
import type { Observation, Recording } from '../measure/log';

/** What a plan is made of, by kind. In the order in which they may name each other: a rig names gear, a day and an observation name both. */
export const ITEM_SHAPES = { gear: gearShape, rigs: rigShape, days: dayShape, log: observationShape, recordings: recordingShape } as const;

export interface ItemBodies {
  readonly gear: Gear;
  readonly rigs: Rig;
  readonly days: Day;
  readonly log: Observation;
  readonly recordings: Recording;
}
export type PlanKind = keyof ItemBodies;

/** What an item is called where several kinds stand together. */
export function itemTitle<K extends PlanKind>(kind: K, body: ItemBodies[K]): string {
  switch (kind) {
    case 'gear':
      return gearTitle(body as Gear);
    case 'log': {
      const observation = body as Observation;
      return `${OBSERVATION_KINDS[observation.kind]}, ${observation.at.slice(0, 10)}`;
    }
    default:
      return (body as Rig | Day | Recording).name;
  }
}
