import type { Alternative, Approach, Criteria } from '@viaggio/core/answer';

/** What stands beside others in a comparison. */
export interface Compared {
  readonly key: string;
  readonly title: string;
  readonly criteria: Criteria;
}

/** A column of the approaches: an approach's best rig, or the rig as it is. */
export interface Column extends Compared {
  readonly key: Approach | 'now';
  readonly alternative: Alternative | undefined;
}
