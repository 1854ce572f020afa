import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

export async function up(tables: QueryInterface): Promise<void> {
  await tables.sequelize.transaction(async (transaction) => {
    for (const table of ['gear', 'rigs']) {
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
      'revisions',
      {
        kind: { type: DataTypes.TEXT, primaryKey: true },
        item_id: { type: DataTypes.UUID, primaryKey: true },
        revision: { type: DataTypes.INTEGER, primaryKey: true },
        body: { type: DataTypes.JSONB, allowNull: false },
        saved_at: { type: DataTypes.DATE, allowNull: false },
      },
      { transaction },
    );
  });
}
