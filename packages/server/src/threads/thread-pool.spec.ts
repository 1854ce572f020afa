import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import { PLAN_FORMAT, PLAN_VERSION } from '@viaggio/core/document';
import { build } from 'esbuild';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { EVALUATE_PLAN } from '../evaluate/evaluate-tasks';
import { READ_PLAN } from '../plan/plan-tasks';
import { threadPool } from './thread-pool';
import type { Work } from './work';
import { HERE } from './work';

const SERVER = path.join(__dirname, '../..');
let folder: string;
let worker: string;
beforeAll(async () => {
  // within the project, where the packages are that the worker asks for
  mkdirSync(path.join(SERVER, 'dist'), { recursive: true });
  folder = mkdtempSync(path.join(SERVER, 'dist/spec-'));
  worker = path.join(folder, 'worker.mjs');
  await build({
    entryPoints: [path.join(SERVER, 'src/worker.ts')],
    outfile: worker,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    tsconfig: path.join(SERVER, 'tsconfig.json'),
  });
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

let pool: Work | undefined;
afterEach(() => pool?.end());

const document = (ask: object) =>
  Buffer.from(JSON.stringify({ format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs, days: [{ id: LOW_WATER_DAY.id, body: LOW_WATER_DAY.body }], ask })); // prettier-ignore
/** More than a second of work on any machine. */
const LONG = document({ days: true, runs: 200 });
const SHORT_QUESTION = document({ runs: 0 });

describe('threads', () => {
  it('answer as the same work does here, and refuse in the same words', async () => {
    pool = threadPool(worker);
    const there = await pool.run(EVALUATE_PLAN, { bytes: SHORT_QUESTION });
    expect(Buffer.from(there).toString()).toBe(Buffer.from(await HERE.run(EVALUATE_PLAN, { bytes: SHORT_QUESTION })).toString());
    for (const bad of [Buffer.from('{'), Buffer.from('{"gear":[{}],"rigs":3}')]) {
      const refused = await HERE.run(READ_PLAN, { bytes: bad }).catch((error: unknown) => error);
      await expect(pool.run(READ_PLAN, { bytes: bad })).rejects.toEqual(refused);
    }
  });

  it('leave the one who answers free: it comes back to itself at once while they work', async () => {
    pool = threadPool(worker);
    const working = pool.run(EVALUATE_PLAN, { bytes: LONG });
    let turns = 0;
    let done = false;
    void working.finally(() => (done = true));
    while (!done) {
      await new Promise((resolve) => setTimeout(resolve, 5));
      turns++;
    }
    expect(turns).toBeGreaterThan(20);
  });

  it('are given up after their time, and work on for the next', async () => {
    pool = threadPool(worker, { seconds: 0.3 });
    await expect(pool.run(EVALUATE_PLAN, { bytes: LONG })).rejects.toMatchObject({ code: 'too-heavy' });
    await pool.end();
    pool = threadPool(worker, { threads: 1 });
    const gone = new AbortController();
    const nobody = pool.run(EVALUATE_PLAN, { bytes: LONG }, gone.signal);
    gone.abort();
    await expect(nobody).rejects.toMatchObject({ name: 'AbortError' });
    expect((await pool.run(EVALUATE_PLAN, { bytes: SHORT_QUESTION })).length).toBeGreaterThan(100);
  });

  it('say so where too many wait, while what is short goes past', async () => {
    pool = threadPool(worker, { threads: 1, waiting: 1 });
    const asked = [1, 2].map(() => pool!.run(EVALUATE_PLAN, { bytes: LONG }));
    let answered = 0;
    for (const one of asked) void one.then(() => answered++);
    expect((await pool.run(READ_PLAN, { bytes: SHORT_QUESTION })).ok).toBe(true);
    expect(answered).toBe(0);
    const third = pool.run(EVALUATE_PLAN, { bytes: LONG });
    await expect(pool.run(EVALUATE_PLAN, { bytes: LONG })).rejects.toMatchObject({ code: 'busy' });
    await Promise.all([...asked, third]);
    expect(answered).toBe(2);
  });

  it('that need too much memory end, and not the server', async () => {
    const hungry = path.join(folder, 'hungry.mjs');
    writeFileSync(hungry, 'export default () => { const all = []; for (;;) all.push(new Array(1e5).fill(all.length)); }');
    pool = threadPool(hungry, { megabytes: 32 });
    await expect(pool.run(EVALUATE_PLAN, { bytes: SHORT_QUESTION })).rejects.toMatchObject({ code: 'too-heavy' });
  });
});
