import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { chmodSync, cpSync, existsSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const ROOT = path.resolve(import.meta.dirname, '../..');
const RIG = 'api/rigs/0d0c0000-0000-4000-8000-000000000101';

interface Started {
  readonly child: ChildProcess;
  readonly url: string;
  readonly ended: Promise<number | null>;
}

// each of them starts and ends whole commands: one after the other, beside other journeys
test.describe.configure({ mode: 'default' });

let data: string;
const running: ChildProcess[] = [];

test.beforeEach(() => {
  data = mkdtempSync(path.join('/var/tmp', 'viaggio-start-'));
  chmodSync(data, 0o755); // as root, PostgreSQL’s own user must be able to enter it
});
test.afterEach(async () => {
  for (const child of running.splice(0)) {
    if (child.exitCode !== null || child.signalCode !== null) continue;
    child.kill('SIGTERM');
    await new Promise((resolve) => child.once('exit', resolve));
  }
  await expect.poll(postgresProcesses).toEqual([]);
  rmSync(data, { recursive: true, force: true });
});

/** `npm start` on a folder of the test's own, so that nobody's data is touched. */
async function start(program = process.execPath, args = [path.join(ROOT, 'scripts/start.mjs')]): Promise<Started> {
  const child = spawn(program, args, { cwd: ROOT, env: environment(), stdio: ['ignore', 'pipe', 'pipe'] });
  running.push(child);
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const url = await new Promise<string>((resolve, reject) => {
    let said = '';
    const read = (text: Buffer): void => {
      said += text.toString();
      const [, address] = /Viaggio is at (\S+)/.exec(said) ?? [];
      if (address) resolve(address);
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    void ended.then(() => reject(new Error(said)));
  });
  return { child, url, ended };
}

function environment(): NodeJS.ProcessEnv {
  return { ...process.env, VIAGGIO_DATA: data, PORT: '0' };
}

/** The processes of PostgreSQL that run on the test's folder. */
function postgresProcesses(): string[] {
  return readdirSync('/proc').filter((pid) => {
    if (!/^\d+$/.test(pid)) return false;
    try {
      const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      return command.includes('postgres') && command.includes(data);
    } catch {
      return false;
    }
  });
}

async function setWanted(request: APIRequestContext, url: string, wantedMin: number): Promise<void> {
  const { revision, body } = (await (await request.get(url + RIG)).json()) as { revision: number; body: object };
  const saved = await request.put(url + RIG, { headers: { 'If-Match': `"${revision}"` }, data: { ...body, wantedMin } });
  expect(saved.status()).toBe(200);
}

async function wanted(request: APIRequestContext, url: string): Promise<number> {
  return ((await (await request.get(url + RIG)).json()) as { body: { wantedMin: number } }).body.wantedMin;
}

test('what was saved survives a stop and another start; a stop leaves nothing running', async ({ request }) => {
  test.setTimeout(90_000);
  const first = await start();
  expect(first.url).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/$/);
  expect(postgresProcesses().length).toBeGreaterThan(0);
  await setWanted(request, first.url, 77);
  first.child.kill('SIGINT');
  expect(await first.ended).toBe(0);
  expect(postgresProcesses()).toEqual([]);
  expect(existsSync(path.join(data, 'running.json'))).toBe(false);
  const second = await start();
  expect(await wanted(request, second.url)).toBe(77);
});

test('a second start says where the first one runs, and leaves it alone', async ({ request }) => {
  test.setTimeout(60_000);
  const first = await start();
  const second = spawnSync(process.execPath, [path.join(ROOT, 'scripts/start.mjs')], { env: environment(), encoding: 'utf8' });
  expect(second.status).toBe(1);
  expect(second.stderr).toContain(`Viaggio is running already: ${first.url}`);
  expect((await request.get(`${first.url}api/health`)).status()).toBe(200);
});

test('after kill -9 nothing stays behind, and the next start finds everything', async ({ request }) => {
  test.setTimeout(90_000);
  const first = await start();
  await setWanted(request, first.url, 55);
  first.child.kill('SIGKILL');
  await first.ended;
  await expect.poll(postgresProcesses, { timeout: 10_000 }).toEqual([]);
  await expect(request.get(`${first.url}api/health`)).rejects.toThrow();
  const second = await start();
  expect(await wanted(request, second.url)).toBe(55);
});

test('ending npm ends what it started', async ({ request }) => {
  test.setTimeout(60_000);
  for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
    const first = await start('npm', ['start']);
    first.child.kill(signal);
    await first.ended;
    await expect.poll(postgresProcesses, { timeout: 10_000 }).toEqual([]);
    await expect(request.get(`${first.url}api/health`)).rejects.toThrow();
  }
});

test('a lock left by a killed database is recovered', async ({ request }) => {
  test.setTimeout(90_000);
  const first = await start();
  await setWanted(request, first.url, 33);
  const lock = path.join(data, 'postgres/data/postmaster.pid');
  const pid = Number(readFileSync(lock, 'utf8').split('\n')[0]);
  process.kill(pid, 'SIGKILL');
  // its other processes end a moment after the one that was killed
  await expect.poll(async () => (await request.get(`${first.url}api/health`)).status()).toBe(503);
  first.child.kill('SIGTERM');
  await first.ended;
  expect(existsSync(lock)).toBe(true);
  const second = await start();
  expect(await wanted(request, second.url)).toBe(33);
});

test('the command puts the demo back, with and without a server running', async ({ request }) => {
  test.setTimeout(90_000);
  const reset = () => spawnSync(process.execPath, [path.join(ROOT, 'scripts/demo-reset.mjs')], { env: environment(), encoding: 'utf8' });
  const first = await start();
  await setWanted(request, first.url, 1);
  expect(reset().stdout).toMatch(/back as it shipped: \d+ rigs, \d+ pieces of gear/);
  expect(await wanted(request, first.url)).toBe(240);
  await setWanted(request, first.url, 2);
  first.child.kill('SIGTERM');
  await first.ended;
  expect(reset().stdout).toMatch(/back as it shipped: \d+ rigs, \d+ pieces of gear/);
  const second = await start();
  expect(await wanted(request, second.url)).toBe(240);
});

test('an ordinary user needs no root', () => {
  test.skip(process.getuid?.() !== 0, 'runs as an ordinary user already');
  const home = mkdtempSync(path.join(os.tmpdir(), 'viaggio-user-'));
  cpSync(path.join(ROOT, 'scripts/lib'), path.join(home, 'lib'), { recursive: true }); // the clone itself may be private
  const script = `import(${JSON.stringify(path.join(home, 'lib/postgres.mjs'))}).then(async ({ startPostgres }) => {
    const { stop } = await startPostgres(${JSON.stringify(path.join(home, 'postgres'))}, { throwaway: true });
    await stop();
    console.log('started and stopped as ' + process.getuid());
  })`;
  spawnSync('chown', ['-R', 'nobody', home]);
  try {
    const id = Number(spawnSync('id', ['-u', 'nobody'], { encoding: 'utf8' }).stdout);
    const run = spawnSync(process.execPath, ['--input-type=module', '-e', script], { uid: id, cwd: '/', encoding: 'utf8' });
    expect(run.stderr).toBe('');
    expect(run.stdout).toContain(`started and stopped as ${id}`);
  } finally {
    rmSync(home, { recursive: true, force: true });
  }
});
