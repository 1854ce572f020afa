import {
  LOW_WATER,
  LOW_WATER_DAY,
  LOW_WATER_LOG,
  LOW_WATER_RULES,
  LOW_WATER_SHEETS,
  LOW_WATER_TRIPS,
  lowWaterRecording,
} from '@viaggio/core/demo';
import { byKind, PLAN_KINDS, slotsToCsv } from '@viaggio/core/document';
import { slotsToBytes } from '@viaggio/core/measure';
import { gzipSync } from 'node:zlib';
import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import type { ItemKind } from '../db/models/item';
import type { NewItem } from '../items/item-service';
import type { ItemServices } from '../items/kinds';
import type { RecordingDataService } from '../recordings/recording-data-service';

/** Loads the demo crew into its world, and puts it back as it shipped: what was added there goes, restorably. */
export class DemoService {
  constructor(
    private readonly database: Database,
    private readonly items: ItemServices,
    private readonly recordings: RecordingDataService,
  ) {}

  /** Every item back to its shipped state, whatever was done to it, and no others; the states in between stay among the revisions. */
  async reset(kinds: readonly ItemKind[] = PLAN_KINDS): Promise<Readonly<Record<ItemKind, number>>> {
    const { entry, data } = (made ??= makeRecording());
    const shipped = shippedItems();
    await inTransaction(this.database.sequelize, async (transaction) => {
      for (const kind of kinds) await this.items[kind].reset(shipped[kind], transaction);
      // samples never change once they are there
      await this.recordings.putIfNew(entry.id, data, transaction);
    });
    return byKind((kind) => shipped[kind].length);
  }

  /**
   * On the very first start, and of a kind that an older version did not have yet; a demo that somebody deleted stays
   * deleted.
   */
  async loadIfNew(): Promise<boolean> {
    const kinds: ItemKind[] = [];
    for (const kind of PLAN_KINDS) if ((await this.database.revisions.count({ where: { kind } })) === 0) kinds.push(kind);
    if (kinds.length > 0) await this.reset(kinds);
    return kinds.length > 0;
  }
}

/** Everything of the demo crew's, as it ships. */
export function shippedItems(): Readonly<Record<ItemKind, readonly NewItem[]>> {
  return {
    ...LOW_WATER,
    days: [LOW_WATER_DAY],
    log: LOW_WATER_LOG,
    recordings: [(made ??= makeRecording()).entry],
    sheets: LOW_WATER_SHEETS,
    rules: LOW_WATER_RULES,
    trips: LOW_WATER_TRIPS,
  };
}

/** The same every time, so it is made once. */
let made: ReturnType<typeof makeRecording> | undefined;

function makeRecording() {
  const { entry, slots } = lowWaterRecording();
  return {
    entry,
    data: { slots: Buffer.from(slotsToBytes(slots)), original: gzipSync(slotsToCsv(slots)), originalName: 'bench.csv' },
  };
}
