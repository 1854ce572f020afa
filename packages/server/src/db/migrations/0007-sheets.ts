import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

/** What is measured on the bench becomes a kind of item. */
export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable('sheets', {
    id: { type: DataTypes.UUID, primaryKey: true },
    revision: { type: DataTypes.INTEGER, allowNull: false },
    origin: { type: DataTypes.TEXT, allowNull: false },
    body: { type: DataTypes.JSONB, allowNull: false },
    created_at: { type: DataTypes.DATE, allowNull: false },
    updated_at: { type: DataTypes.DATE, allowNull: false },
    deleted_at: { type: DataTypes.DATE },
  });
}
