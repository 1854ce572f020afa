import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

/** Flight rules of carriers, and trips with what lies in which bag, become kinds of item. */
export async function up(tables: QueryInterface): Promise<void> {
  for (const table of ['rules', 'trips']) {
    await tables.createTable(table, {
      id: { type: DataTypes.UUID, primaryKey: true },
      revision: { type: DataTypes.INTEGER, allowNull: false },
      origin: { type: DataTypes.TEXT, allowNull: false },
      body: { type: DataTypes.JSONB, allowNull: false },
      created_at: { type: DataTypes.DATE, allowNull: false },
      updated_at: { type: DataTypes.DATE, allowNull: false },
      deleted_at: { type: DataTypes.DATE },
    });
  }
}
