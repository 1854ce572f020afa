import { QueryTypes } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import type { ItemKind } from '../db/models/item';

export interface Thinning {
  /** Only this item's; everything's when absent. */
  readonly kind?: ItemKind;
  readonly itemId?: string;
  readonly transaction?: Transaction;
  /** For tests: when it is now. */
  readonly now?: Date;
}

/**
 * Thins what autosave has kept, by age: every state of the last day, then the last of each hour for a month, then the
 * last of each day. The newest state of an item always stays. Returns how many states went.
 */
export async function thinRevisions(
  { sequelize }: Database,
  { kind, itemId, transaction, now = new Date() }: Thinning = {},
): Promise<number> {
  const gone = await sequelize.query(
    `WITH kept AS (
       SELECT kind, item_id, revision, row_number() OVER (
         PARTITION BY kind, item_id,
           CASE WHEN saved_at > $1::timestamptz - interval '1 day' THEN revision::text
                WHEN saved_at > $1::timestamptz - interval '30 days' THEN date_trunc('hour', saved_at)::text
                ELSE date_trunc('day', saved_at)::text END
         ORDER BY revision DESC) AS place
       FROM revisions WHERE ($2::text IS NULL OR kind = $2) AND ($3::uuid IS NULL OR item_id = $3)
     )
     DELETE FROM revisions r USING kept k
     WHERE k.place > 1 AND r.kind = k.kind AND r.item_id = k.item_id AND r.revision = k.revision RETURNING r.revision`,
    { bind: [now.toISOString(), kind ?? null, itemId ?? null], type: QueryTypes.SELECT, ...(transaction && { transaction }) },
  );
  return gone.length;
}
