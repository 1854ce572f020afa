// Runs a command and tells what it cost: seconds on the clock, and seconds of processor of it and all it started.
import { spawn } from 'node:child_process';
import { ROOT } from './paths.mjs';

/** What was begun here and has not ended: each the head of a group with all that it started itself. */
const running = new Set();

/** Ends everything that runs, and what that started. */
export function endAll(signal = /** @type {NodeJS.Signals} */ ('SIGTERM')) {
  for (const child of running) {
    try {
      process.kill(-child.pid, signal);
    } catch {
      // it has ended meanwhile
    }
  }
}
process.on('exit', () => endAll('SIGKILL'));

/** A shell that says at its end, on a third stream, what its children took; the command's exit code is its own. */
const SHELL = '"$@"; code=$?; times >&3; exit $code';

/**
 * @param {readonly string[]} command
 * @param {{ env?: Record<string, string>, cwd?: string, quiet?: boolean }} options `quiet` keeps what it says until it is done
 * @returns {Promise<{ ok: boolean, output: string, wallS: number, cpuS: number }>}
 */
export function timed(command, { env = {}, cwd = ROOT, quiet = false } = {}) {
  const started = performance.now();
  const said = quiet ? 'pipe' : 'inherit';
  const child = spawn('/bin/sh', ['-c', SHELL, 'sh', ...command], {
    cwd,
    stdio: ['ignore', said, said, 'pipe'],
    detached: true,
    env: { ...process.env, ...env },
  });
  running.add(child);
  let output = '';
  let times = '';
  for (const stream of [child.stdout, child.stderr]) stream?.setEncoding('utf8').on('data', (text) => (output += text));
  /** @type {import('node:stream').Readable} */ (child.stdio[3]).setEncoding('utf8').on('data', (text) => (times += text));
  return new Promise((resolve) => {
    child.once('close', (code) => {
      running.delete(child);
      resolve({ ok: code === 0, output, wallS: (performance.now() - started) / 1000, cpuS: childSeconds(times) });
    });
  });
}

/** The second line of `times` is of the children: `0m12.34s 0m1.20s`. */
function childSeconds(times) {
  const [, children = ''] = times.split('\n');
  return [...children.matchAll(/(\d+)m([\d.]+)s/g)].reduce((sum, [, minutes, seconds]) => sum + Number(minutes) * 60 + Number(seconds), 0);
}
