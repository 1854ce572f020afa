import { BaseError } from 'sequelize';
import type { Sequelize, Transaction } from 'sequelize';

/** SQLSTATE of what passes when it is done again: a serialisation failure, a deadlock. */
const PASSING = new Set(['40001', '40P01']);
const TRIES = 4;
const PAUSE_MS = 20;

/** Work within a transaction, all of it or nothing; done again where another one was in its way. */
export async function inTransaction<T>(sequelize: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await sequelize.transaction(work);
    } catch (error) {
      if (tries >= TRIES || !passes(error)) throw error;
      // not both again at the same moment
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * tries * (1 + Math.random())));
    }
  }
}

function passes(error: unknown): boolean {
  const original = error instanceof BaseError && 'original' in error ? error.original : error;
  return PASSING.has(String((original as { code?: unknown } | null)?.code));
}
