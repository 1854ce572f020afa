import type { PlanKind } from './item-kinds';

/** What becomes of things that are here in another state than in the backup. */
export type OnDifferent = 'keep' | 'take';

export interface KindCompared {
  readonly new: number;
  readonly same: number;
  readonly different: number;
  /** In no backup: they stay as they are. */
  readonly onlyHere: number;
}

/** What a backup holds beside what is here; of a restore, what was here when it began. */
export interface BackupComparison {
  readonly madeAt: string;
  readonly kinds: Readonly<Record<PlanKind | 'samples' | 'photos', KindCompared>>;
  /** Of what is different: what a person knows it by, some dozens at most. */
  readonly different: readonly { readonly kind: PlanKind; readonly id: string; readonly title: string; readonly says: string }[];
  /** Of the device that it was made on. */
  readonly settings?: object;
}
