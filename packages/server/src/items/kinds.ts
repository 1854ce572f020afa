import { byKind } from '@viaggio/core/document';
import type { PlanKind } from '@viaggio/core/document';
import type { Database } from '../db/database';
import { ItemService } from './item-service';

export type ItemServices = Readonly<Record<PlanKind, ItemService>>;

export function itemServices(database: Database): ItemServices {
  return byKind((kind) => new ItemService(database, kind));
}
