import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

/** A live recording belongs to the server that makes it, until its word is not renewed any more. */
export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable('live_leases', {
    live_id: { type: DataTypes.UUID, primaryKey: true },
    owner: { type: DataTypes.TEXT, allowNull: false },
    until: { type: DataTypes.DATE, allowNull: false },
  });
}
