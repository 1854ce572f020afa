// Starts the built server as a child that ends with this process.
import { fork, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { SERVER_MAIN, WEB_DIR } from './build.mjs';
import { Failure } from './say.mjs';

/** A Failure where something in the environment is not as the server expects it: told before anything is started. */
export function requireSettings(host) {
  const env = { ...process.env, DATABASE_URL: 'postgres://none', PORT: '0', HOST: host ?? '127.0.0.1' };
  const { status, stderr } = spawnSync(process.execPath, [SERVER_MAIN, '--check'], { encoding: 'utf8', env });
  if (status !== 0) throw new Failure(stderr.trim());
}

const MOST_SAID = 20_000;

/** Returns its address, the promise of its end, and a function that stops it. */
export async function startServer({ databaseUrl, port, host = '127.0.0.1', logFile }) {
  fs.mkdirSync(path.dirname(logFile), { recursive: true });
  const child = fork(SERVER_MAIN, [], {
    stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    env: { ...process.env, DATABASE_URL: databaseUrl, PORT: String(port), HOST: host, WEB_DIR, LOG_FILE: logFile, NODE_ENV: 'production' },
  });
  let errors = '';
  // what it says while it starts is told; later only the last of it is of use
  child.stderr.setEncoding('utf8').on('data', (text) => (errors = (errors + text).slice(-MOST_SAID)));
  const ended = new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
  const listening = new Promise((resolve) => child.once('message', (/** @type {{ listening: string }} */ said) => resolve(said.listening)));
  const url = await Promise.race([listening, ended]);
  if (typeof url !== 'string') throw new Failure(`The server did not start: ${errors.trim() || `see ${logFile}`}`);
  const stop = async () => {
    child.kill('SIGTERM');
    await ended;
  };
  return { url, ended, stop, pid: child.pid };
}
