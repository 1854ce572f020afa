// The running application, or one that runs for as long as a command needs it.
import fs from 'node:fs';
import path from 'node:path';
import { build } from './build.mjs';
import { installDebianPackages, installNodePackages } from './install.mjs';
import { DATA } from './paths.mjs';
import { POSTGRESQL, START_CLUSTER, startPostgres } from './postgres.mjs';
import { startServer } from './server.mjs';

/** Calls `work(url)` on this machine's application. One that does not run is started for it, and stopped again. */
export async function withServer(work) {
  const running = await runningUrl();
  if (running !== undefined) return work(running);
  installDebianPackages([POSTGRESQL]);
  installNodePackages();
  build();
  const postgres = await startPostgres(START_CLUSTER);
  try {
    const server = await startServer({ databaseUrl: postgres.url, port: 0, logFile: path.join(DATA, 'server.log') });
    try {
      return await work(server.url);
    } finally {
      await server.stop();
    }
  } finally {
    await postgres.stop();
  }
}

/** Where the start command says that it runs; undefined where nothing answers there. */
async function runningUrl() {
  try {
    const { url } = JSON.parse(fs.readFileSync(path.join(DATA, 'running.json'), 'utf8'));
    // any answer: one that says what is wrong is of use too
    await fetch(new URL('/api/health', url));
    return url;
  } catch {
    return undefined;
  }
}
