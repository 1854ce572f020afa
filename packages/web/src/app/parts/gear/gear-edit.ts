import type { Gear } from '@viaggio/core/gear';

/** A change to a piece of gear, with the field that was changed: what one undo takes back. */
export interface GearEdit<G extends Gear = Gear> {
  readonly body: G;
  readonly field: string;
}
