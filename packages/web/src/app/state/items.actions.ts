import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Beside, Bodies, Kind, Problem, Saved, SavedItems } from '../api/api';
import type { Acting, Step } from './items';
import type { Steps } from './kept-steps';

export interface ItemRef {
  readonly kind: Kind;
  readonly id: string;
}

export const Items = createActionGroup({
  source: 'Items',
  events: {
    Load: emptyProps(),
    Loaded: props<{ saved: SavedItems }>(),
    'Load failed': props<{ problem: Problem }>(),

    /** `field` names what was changed, `at` is the moment in milliseconds: both decide what one undo takes back. */
    Edit: props<ItemRef & { body: Bodies[Kind]; field: string; at: number }>(),
    Undo: emptyProps(),
    Redo: emptyProps(),
    /** Steps that the tab kept over a reload. */
    'Steps kept': props<Steps>(),

    'Save started': props<ItemRef>(),
    Saved: props<ItemRef & { saved: Saved<Bodies[Kind]>; sent: Bodies[Kind] }>(),
    'Save failed': props<ItemRef & { problem: Problem }>(),
    'Conflict found': props<ItemRef & { theirs: Saved<Bodies[Kind]> }>(),
    /** Somebody else saved a newer state, and what both changed can be put together; `base` is what both began with. */
    Merge: props<ItemRef & { base: Bodies[Kind]; theirs: Saved<Bodies[Kind]> }>(),
    /** Looked again: what is there now. */
    Seen: props<ItemRef & { now: Saved<Bodies[Kind]> }>(),
    'Keep mine': props<ItemRef & { at: number }>(),
    'Take theirs': props<ItemRef & { at: number }>(),
    'Keep both': props<{ kind: 'rigs' | 'days'; id: string; copyId: string; at: number }>(),

    /** Several items at once, all or none; `open` is the rig to go to then. `beside`: of an imported document. */
    Change: props<{ step: Step; open?: string; beside?: Beside }>(),
    Changed: props<{ acting: Acting; saved: SavedItems; open?: string }>(),
    'Change failed': props<{ problem: Problem }>(),
    'Reset demo': emptyProps(),
    'Demo was reset': emptyProps(),
    /** An act that is not a save went wrong. */
    'Act failed': props<{ problem: Problem }>(),
  },
});
