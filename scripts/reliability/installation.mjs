// An installation of the suite's own, as `npm start` makes one: its processes may be killed.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from '../lib/paths.mjs';

const START = path.join(ROOT, 'scripts/start.mjs');
const UP_WITHIN_MS = 90_000;

/** A folder for it that PostgreSQL's own user can enter. */
export function newFolder(parent = '/var/tmp') {
  const folder = fs.mkdtempSync(path.join(parent, 'viaggio-reliability-'));
  fs.chmodSync(folder, 0o755);
  return folder;
}

/** Starts it in `folder` and waits for its address. */
export async function start(folder) {
  const child = spawn(process.execPath, [START], {
    cwd: ROOT,
    env: { ...process.env, VIAGGIO_DATA: folder, PORT: '0' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const url = await new Promise((resolve, reject) => {
    let said = '';
    const late = setTimeout(() => reject(new Error(`It did not start:\n${said}`)), UP_WITHIN_MS);
    const read = (text) => {
      said += text;
      const [, address] = /Viaggio is at (\S+)/.exec(said) ?? [];
      if (!address) return;
      clearTimeout(late);
      resolve(address);
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    void ended.then(() => reject(new Error(`It ended:\n${said}`)));
  });
  return {
    url,
    child,
    ended,
    /** Asks it to end, and waits; what was killed has ended already. */
    stop: async () => {
      child.kill('SIGTERM');
      await ended;
    },
  };
}

/** Its processes as they are now. */
export function processesOf(folder, child) {
  const postmaster = Number(fs.readFileSync(path.join(baseOf(folder), 'data/postmaster.pid'), 'utf8').split('\n')[0]);
  const server = childrenOf(child.pid).find((pid) => commandOf(pid).includes('dist/main.js'));
  return { start: child.pid, server, postmaster, guard: parentOf(postmaster) };
}

/** Where its database is: elsewhere when its folder lies in a private home. */
function baseOf(folder) {
  return path.join(folder, 'postgres');
}

export function postgresPids(folder) {
  return pids().filter((pid) => {
    const command = commandOf(pid);
    return command.includes('postgres') && (command.includes(folder) || commandOf(parentOf(pid)).includes(folder));
  });
}

/** Waits until nothing of its database runs any more, and removes it. */
export async function remove(folder) {
  for (let tries = 0; tries < 100 && postgresPids(folder).length > 0; tries++) await pause(100);
  fs.rmSync(folder, { recursive: true, force: true });
}

export function pause(ms) {
  return new Promise((resolve) => setTimeout(resolve, ms));
}

/** A piece of gear that nobody has yet. */
export function newGear(name) {
  return { id: randomUUID(), body: { kind: 'cable', name, ends: { source: { type: 'usb-c' }, load: { type: 'usb-c' } } } };
}

export async function send(url, method, at, body, headers = {}, ms = 20_000) {
  const response = await fetch(new URL(at, url), {
    method,
    headers: { 'Content-Type': 'application/json', ...headers },
    signal: AbortSignal.timeout(ms),
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
  return { status: response.status, body: await response.json().catch(() => undefined) };
}

function pids() {
  return fs
    .readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map(Number);
}

function childrenOf(pid) {
  return pids().filter((one) => parentOf(one) === pid);
}

function parentOf(pid) {
  try {
    return Number(/^PPid:\s*(\d+)$/m.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);
  } catch {
    return 0;
  }
}

function commandOf(pid) {
  try {
    return fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
  } catch {
    return '';
  }
}
