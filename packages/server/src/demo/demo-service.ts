import { LOW_WATER } from '@viaggio/core';
import type { Database } from '../db/database';
import type { ItemService } from '../items/item-service';

/** Loads the demo crew, and puts it back as it shipped. What people made themselves is never touched. */
export class DemoService {
  constructor(
    private readonly database: Database,
    private readonly gear: ItemService,
    private readonly rigs: ItemService,
  ) {}

  /** Every demo item back to its shipped state, whatever was done to it; the states in between stay among the revisions. */
  async reset(): Promise<{ gear: number; rigs: number }> {
    await this.database.sequelize.transaction(async (transaction) => {
      await this.gear.reset(LOW_WATER.gear, 'demo', transaction);
      await this.rigs.reset(LOW_WATER.rigs, 'demo', transaction);
    });
    return { gear: LOW_WATER.gear.length, rigs: LOW_WATER.rigs.length };
  }

  /** On the very first start; a demo that somebody deleted stays deleted. */
  async loadIfNew(): Promise<boolean> {
    const revisions = await this.database.revisions.count();
    if (revisions > 0) return false;
    await this.reset();
    return true;
  }
}
