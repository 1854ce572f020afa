import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { chmodSync, cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';

const ROOT = path.resolve(import.meta.dirname, '../..');
const RIG = 'demo/api/rigs/0d0c0000-0000-4000-8000-000000000101';

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
  const first = await start();
  const second = spawnSync(process.execPath, [path.join(ROOT, 'scripts/start.mjs')], { env: environment(), encoding: 'utf8' });
  expect(second.status).toBe(1);
  expect(second.stderr).toContain(`Viaggio is running already: ${first.url}`);
  expect((await request.get(`${first.url}api/health`)).status()).toBe(200);
});

test('after kill -9 nothing stays behind, and the next start finds everything', async ({ request }) => {
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
  for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
    const first = await start('npm', ['start']);
    first.child.kill(signal);
    await first.ended;
    await expect.poll(postgresProcesses, { timeout: 10_000 }).toEqual([]);
    await expect(request.get(`${first.url}api/health`)).rejects.toThrow();
  }
});

const postmaster = (): number => Number(readFileSync(path.join(data, 'postgres/data/postmaster.pid'), 'utf8').split('\n')[0]);

test('a killed database is brought back, and so is one whose guard was killed', async ({ request }) => {
  const first = await start();
  await setWanted(request, first.url, 33);
  for (const victim of ['database', 'guard'] as const) {
    const pid = postmaster();
    const [, guard] = /^PPid:\s*(\d+)$/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
    process.kill(victim === 'database' ? pid : Number(guard), 'SIGKILL');
    await expect
      .poll(() => (existsSync(path.join(data, 'postgres/data/postmaster.pid')) ? postmaster() : pid), { timeout: 10_000 })
      .not.toBe(pid);
    await expect.poll(async () => (await request.get(`${first.url}api/health`)).status(), { timeout: 10_000 }).toBe(200);
    expect(await wanted(request, first.url)).toBe(33);
  }
  first.child.kill('SIGTERM');
  expect(await first.ended).toBe(0);
});

test('what a start leaves that is killed with its database and guard is no hindrance', async ({ request }) => {
  const first = await start();
  await setWanted(request, first.url, 44);
  const pid = postmaster();
  const [, guard] = /^PPid:\s*(\d+)$/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  process.kill(Number(guard), 'SIGKILL'); // the database is nobody's now
  first.child.kill('SIGKILL');
  await first.ended;
  const second = await start();
  expect(await wanted(request, second.url)).toBe(44);
  process.kill(postmaster(), 'SIGKILL'); // and now its lock stays
  second.child.kill('SIGKILL');
  await second.ended;
  const third = await start();
  expect(await wanted(request, third.url)).toBe(44);
});

/** The folders in which clusters are being made, or were. */
function asides(): string[] {
  const base = path.join(data, 'postgres');
  return existsSync(base) ? readdirSync(base).filter((name) => name.startsWith('data.new-')) : [];
}

test('a first start that was killed while it made its database starts the next time', async ({ request }) => {
  const killed = spawn(process.execPath, [path.join(ROOT, 'scripts/start.mjs')], { cwd: ROOT, env: environment(), stdio: 'ignore' });
  // at once when it begins to make its cluster
  await expect.poll(() => asides().length, { timeout: 60_000, intervals: [20] }).toBe(1);
  killed.kill('SIGKILL'); // its initdb is not, and writes on
  // as if it had been killed between the cluster and its database
  await start().then(async ({ child, ended }) => {
    child.kill('SIGTERM');
    await ended;
  });
  const file = path.join(data, 'postgres/state.json');
  const { database: _made, rolePassword: _its, ...state } = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>;
  writeFileSync(file, JSON.stringify(state));
  const again = await start();
  expect((await request.get(`${again.url}api/health`)).status()).toBe(200);
});

test('a bad port, one in use, a lost password: a sentence, before anything is done', async () => {
  const tell = (more: NodeJS.ProcessEnv) => {
    const run = spawnSync(process.execPath, [path.join(ROOT, 'scripts/start.mjs')], {
      env: { ...environment(), ...more },
      encoding: 'utf8',
    });
    expect(run.status).toBe(1);
    expect(run.stderr).not.toContain('    at ');
    return run.stderr;
  };
  expect(tell({ PORT: 'abc' })).toContain('PORT: expected a number from 0 to 65535; got “abc”.');
  expect(tell({ METERS: 'bench' })).toContain('METERS: expected name=host:port, apart by commas; got “bench”');
  expect(tell({ FORECAST_URL: 'weather' })).toContain('FORECAST_URL: expected http://host/path; got “weather”');
  const taken = createServer();
  await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve));
  const { port } = taken.address() as AddressInfo;
  expect(tell({ PORT: String(port) })).toMatch(
    new RegExp(`Port ${port} is in use by another program\\. This one is free: PORT=\\d+ npm start`),
  );
  await new Promise((resolve) => taken.close(resolve));
  expect(existsSync(path.join(data, 'postgres'))).toBe(false);
  mkdirSync(path.join(data, 'postgres/data'), { recursive: true });
  writeFileSync(path.join(data, 'postgres/data/PG_VERSION'), readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a))[0]!);
  expect(tell({})).toMatch(/state\.json is lost or cannot be read/);
});

test('the command puts the demo back, with and without a server running', async ({ request }) => {
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
