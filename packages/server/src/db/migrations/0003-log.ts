import { DataTypes, QueryTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

interface Rest {
  readonly log?: readonly unknown[];
  readonly aside: readonly { readonly path: string; readonly value?: unknown }[];
}

/**
 * Observations and recordings become items; samples and originals of recordings get a table of their own. What earlier
 * documents held as `log`, when it had no shape yet, stays with them as `earlierLog`.
 */
export async function up(tables: QueryInterface): Promise<void> {
  const { sequelize } = tables;
  await sequelize.transaction(async (transaction) => {
    for (const table of ['log', 'recordings']) {
      await tables.createTable(
        table,
        {
          id: { type: DataTypes.UUID, primaryKey: true },
          revision: { type: DataTypes.INTEGER, allowNull: false },
          origin: { type: DataTypes.TEXT, allowNull: false },
          body: { type: DataTypes.JSONB, allowNull: false },
          created_at: { type: DataTypes.DATE, allowNull: false },
          updated_at: { type: DataTypes.DATE, allowNull: false },
          deleted_at: { type: DataTypes.DATE },
        },
        { transaction },
      );
    }
    await tables.createTable(
      'recording_data',
      {
        recording_id: { type: DataTypes.UUID, primaryKey: true },
        slots: { type: DataTypes.BLOB, allowNull: false },
        original: { type: DataTypes.BLOB },
        original_name: { type: DataTypes.TEXT },
        saved_at: { type: DataTypes.DATE, allowNull: false },
      },
      { transaction },
    );
    // what a live recording has so far, so that a server that dies loses some seconds only
    await tables.createTable(
      'live_chunks',
      {
        live_id: { type: DataTypes.UUID, primaryKey: true },
        place: { type: DataTypes.INTEGER, primaryKey: true },
        about: { type: DataTypes.JSONB, allowNull: false },
        samples: { type: DataTypes.BLOB, allowNull: false },
      },
      { transaction },
    );
    const rests = await sequelize.query<{ id: number; body: Rest }>('SELECT id, body FROM plan_rests', {
      type: QueryTypes.SELECT,
      transaction,
    });
    for (const { id, body } of rests) {
      const { log, ...rest } = body;
      if (!log) continue;
      const kept = { ...rest, aside: [...rest.aside, { path: '/earlierLog', value: log }] };
      await sequelize.query('UPDATE plan_rests SET body = $2::jsonb WHERE id = $1', { bind: [id, JSON.stringify(kept)], transaction });
    }
  });
}
