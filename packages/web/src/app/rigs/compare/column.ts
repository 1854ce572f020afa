import type { Alternative, Criteria, School } from '@viaggio/core';

/** A column of the comparison: a school's best rig, or the rig as it is. */
export interface Column {
  readonly key: School | 'now';
  readonly title: string;
  readonly criteria: Criteria;
  readonly alternative: Alternative | undefined;
}
