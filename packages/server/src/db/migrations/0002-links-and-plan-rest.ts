import { rigFromV0 } from '@viaggio/core/document';
import { DataTypes, QueryTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

/** Rigs of one device on one battery become devices and links, in every revision; what else a plan document held gets a table. */
export async function up(tables: QueryInterface): Promise<void> {
  const { sequelize } = tables;
  await sequelize.transaction(async (transaction) => {
    const rigs = await sequelize.query<{ id: string; body: object }>('SELECT id, body FROM rigs', { type: QueryTypes.SELECT, transaction });
    for (const { id, body } of rigs) {
      await sequelize.query('UPDATE rigs SET body = $2::jsonb WHERE id = $1', { bind: [id, JSON.stringify(rigFromV0(body))], transaction });
    }
    const revisions = await sequelize.query<{ id: string; revision: number; body: object }>(
      `SELECT item_id AS id, revision, body FROM revisions WHERE kind = 'rigs'`,
      { type: QueryTypes.SELECT, transaction },
    );
    for (const { id, revision, body } of revisions) {
      await sequelize.query(`UPDATE revisions SET body = $3::jsonb WHERE kind = 'rigs' AND item_id = $1 AND revision = $2`, {
        bind: [id, revision, JSON.stringify(rigFromV0(body))],
        transaction,
      });
    }
    await tables.createTable(
      'plan_rests',
      {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        body: { type: DataTypes.JSONB, allowNull: false },
        imported_at: { type: DataTypes.DATE, allowNull: false },
      },
      { transaction },
    );
  });
}
