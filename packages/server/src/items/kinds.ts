import { ITEM_SHAPES, MAX_DAYS, MAX_GEAR, MAX_LOG, MAX_RECORDINGS, MAX_RIGS } from '@viaggio/core';
import type { Shape } from '@viaggio/core';
import type { Database } from '../db/database';
import { ITEM_KINDS } from '../db/models/item';
import type { ItemKind } from '../db/models/item';
import { ItemService } from './item-service';

/** What the items of each kind are: their shape, what one is called, and how many one request may carry. */
export const KINDS = {
  gear: { shape: ITEM_SHAPES.gear, one: 'piece of gear', most: MAX_GEAR },
  rigs: { shape: ITEM_SHAPES.rigs, one: 'rig', most: MAX_RIGS },
  days: { shape: ITEM_SHAPES.days, one: 'day', most: MAX_DAYS },
  log: { shape: ITEM_SHAPES.log, one: 'observation', most: MAX_LOG },
  recordings: { shape: ITEM_SHAPES.recordings, one: 'recording', most: MAX_RECORDINGS },
} as const satisfies Readonly<Record<ItemKind, { readonly shape: Shape; readonly one: string; readonly most: number }>>;

export type ItemServices = Readonly<Record<ItemKind, ItemService>>;

export function itemServices(database: Database): ItemServices {
  return byKind((kind) => new ItemService(database, kind));
}

/** Something for each kind, gear first: what others name is put before them. */
export function byKind<T>(make: (kind: ItemKind) => T): Readonly<Record<ItemKind, T>> {
  return Object.fromEntries(ITEM_KINDS.map((kind) => [kind, make(kind)])) as Readonly<Record<ItemKind, T>>;
}
