import type { QueryInterface, QueryOptions, Sequelize, Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Migration } from './migrations';

/**
 * Runs those that have not run yet, in order. Each is one transaction with the record that it ran: a start that is killed
 * in the middle leaves the tables of the version before, or of the one after. Returns the names of those that ran.
 */
export async function runMigrations(sequelize: Sequelize, migrations: readonly Migration[]): Promise<readonly string[]> {
  const storage = new SequelizeStorage({ sequelize, tableName: 'migrations' });
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () =>
        sequelize.transaction(async (transaction) => {
          await up(tablesWithin(sequelize, transaction));
          await sequelize.query('INSERT INTO migrations (name) VALUES ($1)', { bind: [name], transaction });
        }),
    })),
    // it is recorded with what it did
    storage: { executed: () => storage.executed(), logMigration: () => Promise.resolve(), unlogMigration: () => Promise.resolve() },
    logger: undefined,
  });
  return (await umzug.up()).map(({ name }) => name);
}

/** Tables as a migration sees them, all within one transaction: one of its own that it begins is that very one. */
function tablesWithin(sequelize: Sequelize, transaction: Transaction): QueryInterface {
  const tables = Object.create(sequelize.getQueryInterface()) as QueryInterface;
  const within = Object.create(sequelize) as Sequelize;
  Object.assign(tables, { sequelize: within });
  Object.assign(within, {
    getQueryInterface: () => tables,
    transaction: (work: (same: Transaction) => unknown) => work(transaction),
    query: (sql: string, options?: QueryOptions) => sequelize.query(sql, { ...options, transaction }),
  });
  return tables;
}
