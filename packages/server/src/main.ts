import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp, servicesOf } from './app';
import { isLoopback, readConfig } from './config';
import type { Config } from './config';
import { migrate, openDatabase, untilAnswering } from './db/database';
import { thinRevisions } from './items/thin-revisions';

const config = configOrEnd();
const log = pino({ level: config.logLevel });
const database = openDatabase(config.databaseUrl);

await untilAnswering(database, log);
await migrate(database);
const services = servicesOf(database, config.meters, config.forecastUrl);
if (await services.demo.loadIfNew()) log.info('demo loaded');
const recovered = await services.live.recover();
if (recovered.kept + recovered.unreadable > 0) log.warn(recovered, 'recordings of a server that ended');

await services.recordings.sweep();
const thinned = await thinRevisions(database);
if (thinned > 0) log.info({ thinned }, 'older states of items');

const server = createServer(createApp(database, log, { webDir: config.webDir, loopbackOnly: isLoopback(config.host), services }));
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
    .then(() => Promise.all([services.meters.end(), services.forecasts.end()]))
    .finally(() => server.close(() => void database.sequelize.close().finally(() => process.exit(0))));
  server.closeIdleConnections();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
process.on('disconnect', stop); // the process that started this one is gone

/** What is wrong in the environment is a sentence, not a stack. */
function configOrEnd(): Config {
  try {
    return readConfig(process.env);
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`);
    process.exit(1);
  }
}
