import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import { Sequelize } from 'sequelize';
import type { DatabaseError } from 'sequelize';
import { createApp, demoServiceOf, servicesOf } from '../src/app';
import type { Services, Worlds } from '../src/app';
import { answersAsDeclared } from './answers-as-declared';
import { migrate, openDatabase } from '../src/db/database';
import type { Database } from '../src/db/database';

/** The cluster that `npm test` started for this run. */
function clusterUrl(): string {
  const url = process.env['TEST_DATABASE_URL'];
  if (!url) throw new Error('TEST_DATABASE_URL is missing: run the tests with `npm test -- unit`, which starts a PostgreSQL for them');
  return url;
}

/** What every suite begins with is made once a cluster, and copied: tables and the demo. */
const TEMPLATE = 'suite_template';
/** Suites that begin at the same moment wait for the first; any number that nothing else of the cluster locks. */
const TEMPLATE_LOCK = 20_260_107;

/** A database of a suite's own in that cluster, with its tables and the demo in it; its name ends in `suffix`. */
export async function freshDatabase(suffix = '_tests'): Promise<{ database: Database; url: string; drop: () => Promise<void> }> {
  await makeTemplate();
  return emptyDatabase(suffix, TEMPLATE);
}

async function makeTemplate(): Promise<void> {
  const connection = new Sequelize(clusterUrl(), { logging: false, pool: { max: 1 } });
  try {
    await connection.query(`SELECT pg_advisory_lock(${TEMPLATE_LOCK})`);
    const [there] = await connection.query(`SELECT 1 FROM pg_database WHERE datname = '${TEMPLATE}' AND datistemplate`);
    if (there.length > 0) return;
    await connection.query(`DROP DATABASE IF EXISTS ${TEMPLATE}`);
    await connection.query(`CREATE DATABASE ${TEMPLATE}`);
    const database = openDatabase(clusterUrl().replace(/\/[^/]*$/, `/${TEMPLATE}`), { world: 'demo' });
    await migrate(database);
    await demoServiceOf({ demo: servicesOf(database) }).loadIfNew();
    await database.sequelize.close();
    await connection.query(`ALTER DATABASE ${TEMPLATE} IS_TEMPLATE true`);
  } finally {
    await connection.close();
  }
}

/** One without any table, or a copy of another; opened as the demo crew’s. */
export async function emptyDatabase(
  suffix = '_tests',
  template = 'template1',
): Promise<{ database: Database; url: string; drop: () => Promise<void> }> {
  const name = `suite_${randomUUID().replaceAll('-', '')}${suffix}`;
  await administer(`CREATE DATABASE ${name} TEMPLATE ${template}`);
  const url = clusterUrl().replace(/\/[^/]*$/, `/${name}`);
  const database = openDatabase(url, { world: 'demo' });
  const drop = async () => {
    await database.sequelize.close();
    await administer(`DROP DATABASE ${name} WITH (FORCE)`);
  };
  return { database, url, drop };
}

/** Both worlds of a database, the demo crew’s loaded, one’s own empty. */
export function worldsAt(url: string): { readonly worlds: Worlds; readonly close: () => Promise<void> } {
  const [own, demo] = [openDatabase(url, { world: 'own' }), openDatabase(url, { world: 'demo' })];
  const close = async () => {
    await own.sequelize.close();
    await demo.sequelize.close();
  };
  return { worlds: { own: servicesOf(own), demo: servicesOf(demo) }, close };
}

/** An application on one world: there is no other beside it. */
export function appOn(database: Database) {
  return createApp(oneWorld(servicesOf(database)), pino({ level: 'silent' }), { inspect: answersAsDeclared });
}

export const oneWorld = (services: Services): Worlds => ({ own: services, demo: services });

/** Ends every connection to a database, as a restarting server does. */
export async function cutConnections(url: string): Promise<void> {
  await administer(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE backend_type = 'client backend' AND datname = '${new URL(url).pathname.slice(1)}'`,
  );
}

export async function allowConnections(url: string, allow: boolean): Promise<void> {
  await administer(`ALTER DATABASE ${new URL(url).pathname.slice(1)} ALLOW_CONNECTIONS ${allow}`);
}

/** Somebody is still in a database, or its vacuum is, whom only a superuser may send away. Both leave by themselves. */
const STILL_THERE = ['55006', '42501'];
const LEAVES_MS = 500;
const LEAVING_TRIES = 60;

async function administer(sql: string): Promise<void> {
  const connection = new Sequelize(clusterUrl(), { logging: false, pool: { max: 1 } });
  try {
    for (let left = LEAVING_TRIES; ; left--) {
      try {
        await connection.query(sql);
        return;
      } catch (error) {
        const { message, parent } = error as DatabaseError;
        const { code } = (parent ?? {}) as { code?: string };
        // Sequelize's stack leaves the message out, and a test shows the stack
        if (!STILL_THERE.includes(code ?? '') || left === 1) throw new Error(`${sql}: ${message} (${code})`, { cause: error });
        await new Promise((resolve) => setTimeout(resolve, LEAVES_MS));
      }
    }
  } finally {
    await connection.close();
  }
}
