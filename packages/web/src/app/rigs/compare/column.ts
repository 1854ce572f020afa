import type { Alternative, Criteria, Approach } from '@viaggio/core';

/** A column of the comparison: an approach's best rig, or the rig as it is. */
export interface Column {
  readonly key: Approach | 'now';
  readonly title: string;
  readonly criteria: Criteria;
  readonly alternative: Alternative | undefined;
}
