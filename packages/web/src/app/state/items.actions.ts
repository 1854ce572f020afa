import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { PlanPart, Gear, Rig } from '@viaggio/core';
import type { Bodies, Kind, Problem, Saved } from '../api/api';

export interface ItemRef {
  readonly kind: Kind;
  readonly id: string;
}

export const Items = createActionGroup({
  source: 'Items',
  events: {
    Load: emptyProps(),
    Loaded: props<{ gear: readonly Saved<Gear>[]; rigs: readonly Saved<Rig>[] }>(),
    'Load failed': props<{ problem: Problem }>(),

    /** `field` names what was changed, `at` is the moment in milliseconds: both decide what one undo takes back. */
    Edit: props<ItemRef & { body: Bodies[Kind]; field: string; at: number }>(),
    Undo: emptyProps(),
    Redo: emptyProps(),

    'Save started': props<ItemRef>(),
    Saved: props<ItemRef & { saved: Saved<Bodies[Kind]>; sent: Bodies[Kind] }>(),
    'Save failed': props<ItemRef & { problem: Problem }>(),
    'Conflict found': props<ItemRef & { theirs: Saved<Bodies[Kind]> }>(),
    'Keep mine': props<ItemRef & { at: number }>(),
    'Take theirs': props<ItemRef & { at: number }>(),
    'Keep both': props<{ id: string; copyId: string; at: number }>(),

    /** Opens the first rig when it is there. */
    Add: props<{ part: PlanPart }>(),
    Added: props<{ gear: readonly Saved<Gear>[]; rigs: readonly Saved<Rig>[] }>(),
    'Add failed': props<{ problem: Problem }>(),

    Remove: props<ItemRef & { name: string }>(),
    Removed: props<ItemRef & { name: string }>(),
    Restore: props<ItemRef>(),
    Restored: props<{ kind: Kind; saved: Saved<Bodies[Kind]> }>(),

    'Reset demo': emptyProps(),
    'Demo was reset': emptyProps(),
    /** An act that is not a save went wrong. */
    'Act failed': props<{ problem: Problem }>(),
  },
});
