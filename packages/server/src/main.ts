import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp, servicesOf } from './app';
import { removeOldArchives } from './backup/backup-operations';
import { readConfig } from './config';
import type { Config } from './config';
import { migrate, NewerDatabase, openDatabase, untilAnswering } from './db/database';
import { exposureOf } from './http/exposure';
import { thinRevisions } from './items/thin-revisions';
import { LogFile } from './log/log-file';
import { threadPool } from './threads/thread-pool';
import { playerApart, playerHere } from './meters/meter-player';
import { HERE } from './threads/work';

const config = configOrEnd();
// before anything is started, what is wrong in the environment
if (process.argv.includes('--check')) process.exit(0);
const log = pino({ level: config.logLevel }, config.logFile === undefined ? pino.destination(1) : new LogFile(config.logFile));
const database = openDatabase(config.databaseUrl);
const WORKER = fileURLToPath(new URL('worker.js', import.meta.url));
// run from its sources there is none: then all is done here
const work = existsSync(WORKER) ? threadPool(WORKER) : HERE;
const METER = fileURLToPath(new URL('meter.js', import.meta.url));
const player = existsSync(METER) ? playerApart(METER) : playerHere();
const services = servicesOf(database, { meters: config.meters, forecastUrl: config.forecastUrl, work, player });

await bringUpToDate();
if (await services.demo.loadIfNew()) log.info('demo loaded');
const recovered = await services.live.recover();
if (recovered.kept + recovered.unreadable > 0) log.warn(recovered, 'recordings of a server that ended');
services.live.watch((later) => log.warn(later, 'recordings of a server that ended'));

const server = createServer(createApp(database, log, { webDir: config.webDir, exposure: exposureOf(config), services }));
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
  void services.live
    .end()
    .then(() => Promise.all([services.meters.end(), services.forecasts.end(), work.end()]))
    .finally(() => server.close(() => void database.sequelize.close().finally(() => process.exit(0))));
  server.closeIdleConnections();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
process.on('disconnect', stop); // the process that started this one is gone

/** Tables, and what was left over, on a connection that has the time for it. */
async function bringUpToDate(): Promise<void> {
  const patient = openDatabase(config.databaseUrl, { patient: true });
  try {
    await untilAnswering(patient, log);
    await migrate(patient);
    await servicesOf(patient).recordings.sweep();
    // somebody else's may be among them
    await removeOldArchives().catch((error: unknown) => log.warn({ err: error }, 'old archives'));
    const thinned = await thinRevisions(patient);
    if (thinned > 0) log.info({ thinned }, 'older states of items');
  } catch (error) {
    if (!(error instanceof NewerDatabase)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  } finally {
    await patient.sequelize.close();
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
