// `npm run demo:reset`: puts the demo crew back as it shipped, in the running application or, when none runs, in its database.
import fs from 'node:fs';
import path from 'node:path';
import { build } from './lib/build.mjs';
import { installDebianPackages, installNodePackages } from './lib/install.mjs';
import { DATA } from './lib/paths.mjs';
import { POSTGRESQL, START_CLUSTER, startPostgres } from './lib/postgres.mjs';
import { Failure, main, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

await main(async () => {
  const running = readRunning();
  if (running && (await reset(running.url))) return;
  installDebianPackages([POSTGRESQL]);
  installNodePackages();
  build();
  const postgres = await startPostgres(START_CLUSTER);
  try {
    const server = await startServer({ databaseUrl: postgres.url, port: 0, logFile: path.join(DATA, 'server.log') });
    if (!(await reset(server.url))) throw new Failure('The server did not answer.');
    await server.stop();
  } finally {
    await postgres.stop();
  }
});

function readRunning() {
  try {
    return JSON.parse(fs.readFileSync(path.join(DATA, 'running.json'), 'utf8'));
  } catch {
    return undefined;
  }
}

async function reset(url) {
  const response = await fetch(new URL('/api/demo/reset', url), { method: 'POST' }).catch(() => undefined);
  if (!response) return false;
  const answer = await response.json();
  if (!response.ok) throw new Failure(`${answer.title}: ${answer.detail}`);
  say(`The demo crew is back as it shipped: ${answer.rigs} rigs, ${answer.gear} pieces of gear. What is your own stayed.`);
  return true;
}
