import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp, demoServiceOf, servicesOf } from './app';
import type { Services, Worlds } from './app';
import { removeOldArchives } from './backup/backup-operations';
import { readConfig } from './config';
import type { Config } from './config';
import { migrate, NewerDatabase, openDatabase, untilAnswering } from './db/database';
import { WORLDS, WORLDS_CAME } from './db/world';
import type { Database } from './db/database';
import { exposureOf } from './http/exposure';
import { thinRevisions } from './items/thin-revisions';
import { errorLine } from './log/error-line';
import { LogFile } from './log/log-file';
import { threadPool } from './threads/thread-pool';
import { playerApart, playerHere } from './meters/meter-player';
import { HERE } from './threads/work';

const config = configOrEnd();
// before anything is started, what is wrong in the environment
if (process.argv.includes('--check')) process.exit(0);
const log = pino(
  { level: config.logLevel, serializers: { err: errorLine } },
  config.logFile === undefined ? pino.destination(1) : new LogFile(config.logFile),
);
const WORKER = fileURLToPath(new URL('worker.js', import.meta.url));
// run from its sources there is none: then all is done here
const work = existsSync(WORKER) ? threadPool(WORKER) : HERE;
const METER = fileURLToPath(new URL('meter.js', import.meta.url));
const player = () => (existsSync(METER) ? playerApart(METER) : playerHere());
const worlds: Worlds = {
  own: servicesOf(openDatabase(config.databaseUrl, { world: 'own' }), {
    meters: config.meters,
    forecastUrl: config.forecastUrl,
    work,
    player: player(),
  }),
  // no meter of a person's, and no service of theirs
  demo: servicesOf(openDatabase(config.databaseUrl, { world: 'demo' }), { work, player: player() }),
};
const all = WORLDS.map((world) => worlds[world]);

const steps = await bringUpToDate();
const demo = demoServiceOf(worlds);
// what was changed among the demo crew's things has just come to the own side
if (steps.includes(WORLDS_CAME)) await demo.reset();
else if (await demo.loadIfNew()) log.info('demo loaded');
for (const { live } of all) {
  const recovered = await live.recover();
  if (recovered.kept + recovered.unreadable > 0) log.warn(recovered, 'recordings of a server that ended');
  live.watch((later) => log.warn(later, 'recordings of a server that ended'));
}

const server = createServer(createApp(worlds, log, { webDir: config.webDir, exposure: exposureOf(config) }));
server.on('error', (error: NodeJS.ErrnoException) => {
  const says = error.code === 'EADDRINUSE' ? `PORT: ${config.port} is in use by another program` : error.message;
  log.fatal({ err: error }, says);
  process.stderr.write(`${says}\n`);
  process.exit(1);
});
server.listen(config.port, config.host, () => {
  const { address, port } = server.address() as AddressInfo;
  log.info({ url: `http://${address}:${port}/` }, 'listening');
  process.send?.({ listening: `http://${address}:${port}/` });
});

let stopping = false;
/** Lets answers under way finish, then closes the pool; a second signal, or five seconds, ends it at once. */
function stop(): void {
  if (stopping) process.exit(1);
  stopping = true;
  setTimeout(() => process.exit(1), 5000).unref();
  void Promise.allSettled(all.map(endWorld))
    .then(() => work.end())
    .finally(() =>
      server.close(() => void Promise.allSettled(all.map(({ database }) => database.sequelize.close())).finally(() => process.exit(0))),
    );
  server.closeIdleConnections();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
process.on('disconnect', stop); // the process that started this one is gone

/** What is being recorded is kept first. */
async function endWorld({ live, meters, forecasts }: Services): Promise<void> {
  await live.end();
  await Promise.all([meters.end(), forecasts.end()]);
}

/** Tables, and what was left over, on connections that have the time for it. Returns the steps that the tables went. */
async function bringUpToDate(): Promise<readonly string[]> {
  const patient = openDatabase(config.databaseUrl, { patient: true });
  try {
    await untilAnswering(patient, log);
    const ran = await migrate(patient);
    for (const world of WORLDS) await tidy(openDatabase(config.databaseUrl, { patient: true, world }));
    // somebody else's may be among them
    await removeOldArchives().catch((error: unknown) => log.warn({ err: error }, 'old archives'));
    return ran;
  } catch (error) {
    if (!(error instanceof NewerDatabase)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  } finally {
    await patient.sequelize.close();
  }
}

async function tidy(database: Database): Promise<void> {
  try {
    await servicesOf(database).recordings.sweep();
    const thinned = await thinRevisions(database);
    if (thinned > 0) log.info({ thinned }, 'older states of items');
  } finally {
    await database.sequelize.close();
  }
}

/** What is wrong in the environment is a sentence, not a stack. */
function configOrEnd(): Config {
  try {
    return readConfig(process.env);
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`);
    process.exit(1);
  }
}
