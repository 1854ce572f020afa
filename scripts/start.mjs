// `npm start`: installs what is missing, starts the database, builds, migrates, loads the demo, serves.
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { build } from './lib/build.mjs';
import { installDebianPackages, installNodePackages, requireNode } from './lib/install.mjs';
import { DATA } from './lib/paths.mjs';
import { askedPort, requireFree } from './lib/port.mjs';
import { POSTGRESQL, START_CLUSTER, startPostgres } from './lib/postgres.mjs';
import { Failure, main, say } from './lib/say.mjs';
import { requireSettings, startServer } from './lib/server.mjs';

/** Says which process runs and where, for `npm run demo:reset` and for a second start. */
const RUNNING = path.join(DATA, 'running.json');

await main(async () => {
  requireNode();
  const other = runningStart();
  if (other)
    throw new Failure(`Viaggio is running already: ${other.url} (process ${other.pid}). Stop it with Ctrl+C where it was started.`);
  const port = askedPort(process.env.PORT);
  // a name of our own: shells and containers set HOST for reasons of theirs
  const host = process.env.VIAGGIO_HOST || undefined;
  await requireFree(port, host);

  installDebianPackages([POSTGRESQL]);
  installNodePackages();
  build();
  requireSettings(host);
  fs.mkdirSync(DATA, { recursive: true });
  const stopping = toldToStop();
  const postgres = await startPostgres(START_CLUSTER, { watched: true });
  try {
    const server = await startServer({ databaseUrl: postgres.url, port, host, logFile: path.join(DATA, 'server.log') });
    fs.writeFileSync(RUNNING, JSON.stringify({ pid: process.pid, url: server.url }));
    say(
      `\n  Viaggio is at ${addressesOf(server.url)}\n  The demo crew is at ${hereOf(server.url)}demo/\n\n  Ctrl+C stops it. The log is ${path.join(DATA, 'server.log')}.`,
    );
    const code = await Promise.race([stopping.then(() => undefined), server.ended]);
    if (code !== undefined) throw new Failure('The server ended by itself; see its log.');
    await server.stop();
  } finally {
    fs.rmSync(RUNNING, { force: true });
    await postgres.stop();
  }
  say('Stopped.');
});

/** Where it is reached from this machine. */
function hereOf(url) {
  const { hostname, port } = new URL(url);
  return hostname === '0.0.0.0' || hostname === '[::]' ? `http://127.0.0.1:${port}/` : url;
}

/** Where it is reached; served on every address, where from this machine and where from others. */
function addressesOf(url) {
  const { port } = new URL(url);
  if (hereOf(url) === url) return url;
  const others = Object.values(os.networkInterfaces())
    .flatMap((all = []) => all.filter(({ internal, family }) => !internal && family === 'IPv4'))
    .map(({ address }) => `http://${address}:${port}/`);
  return `${hereOf(url)} here${others.map((address) => `, ${address} for others`).join('')}.
  Whoever reaches it may do everything in it: see SECURITY.md.`;
}

/** By a signal, or because npm, which does not pass every signal on, is gone. */
function toldToStop() {
  return new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, resolve);
    const npm = npmAbove(process.ppid);
    if (npm) setInterval(() => !fs.existsSync(`/proc/${npm}`) && resolve(), 500).unref();
  });
}

/** The npm that runs this, through the shell it puts in between; undefined when it was started by hand. */
function npmAbove(pid, levels = 3) {
  if (pid <= 1 || levels === 0 || process.env.npm_lifecycle_event !== 'start') return undefined;
  if (/^npm\b/.test(fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8'))) return pid;
  const [, parent] = /^PPid:\s*(\d+)$/m.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  return npmAbove(Number(parent), levels - 1);
}

function runningStart() {
  try {
    const running = JSON.parse(fs.readFileSync(RUNNING, 'utf8'));
    return fs.readFileSync(`/proc/${running.pid}/cmdline`, 'utf8').includes('start.mjs') ? running : undefined;
  } catch {
    return undefined;
  }
}
