import { DataTypes, QueryTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

interface Rest {
  readonly days?: readonly unknown[];
  readonly aside: readonly { readonly path: string; readonly value?: unknown }[];
}

/** Days become items. What earlier documents held as `days`, when they had no shape yet, stays with them as `earlierDays`. */
export async function up(tables: QueryInterface): Promise<void> {
  const { sequelize } = tables;
  await sequelize.transaction(async (transaction) => {
    await tables.createTable(
      'days',
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
    const rests = await sequelize.query<{ id: number; body: Rest }>('SELECT id, body FROM plan_rests', {
      type: QueryTypes.SELECT,
      transaction,
    });
    for (const { id, body } of rests) {
      const { days, ...rest } = body;
      if (!days) continue;
      const kept = { ...rest, aside: days.length === 0 ? rest.aside : [...rest.aside, { path: '/earlierDays', value: days }] };
      await sequelize.query('UPDATE plan_rests SET body = $2::jsonb WHERE id = $1', { bind: [id, JSON.stringify(kept)], transaction });
    }
  });
}
