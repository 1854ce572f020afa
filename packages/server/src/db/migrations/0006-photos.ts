import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

/** Photographs of gear, beside the items: they are no part of an item's states. */
export async function up(tables: QueryInterface): Promise<void> {
  await tables.sequelize.transaction(async (transaction) => {
    await tables.createTable(
      'photos',
      {
        id: { type: DataTypes.UUID, primaryKey: true },
        gear_id: { type: DataTypes.UUID, allowNull: false },
        bytes: { type: DataTypes.BLOB, allowNull: false },
        saved_at: { type: DataTypes.DATE, allowNull: false },
      },
      { transaction },
    );
    await tables.addIndex('photos', ['gear_id'], { transaction });
  });
}
