// `npm test`: types, lint, formatting, the dependency rule, unit and API tests against a PostgreSQL of their own, and
// the journeys in Chromium. `npm test -- unit journeys` runs only the steps named.
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { build } from './lib/build.mjs';
import { CHROMIUM, installDebianPackages, installNodePackages, requireNode } from './lib/install.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { POSTGRESQL, startPostgres } from './lib/postgres.mjs';
import { Failure, main, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const REPORTS = path.join(DATA, 'reports');
const totals = { passed: 0, failed: 0 };

/** Checks that pass or fail as a whole; they run beside each other. */
const CHECKS = { types: 'typecheck', lint: 'lint', formatting: 'format:check', dependencies: 'depcruise' };

const STEPS = [
  ...Object.entries(CHECKS).map(([name, script]) => ({ name, script })),
  { name: 'unit', run: unit },
  { name: 'journeys', run: journeys },
];

await main(async () => {
  requireNode();
  const wanted = process.argv.slice(2);
  const unknown = wanted.filter((name) => !STEPS.some((step) => step.name === name));
  if (unknown.length > 0) throw new Failure(`No such step: ${unknown.join(', ')}. There are ${STEPS.map(({ name }) => name).join(', ')}.`);
  installDebianPackages([POSTGRESQL, CHROMIUM]);
  installNodePackages();
  fs.mkdirSync(REPORTS, { recursive: true });
  removeLeftOvers();

  // a cluster for this run alone: no test comes near a person's data, nor near another run
  const folder = path.join(DATA, `test-${process.pid}`);
  const postgres = await startPostgres(folder, { throwaway: true });
  try {
    const steps = STEPS.filter(({ name }) => wanted.length === 0 || wanted.includes(name));
    await Promise.all(steps.filter(({ script }) => script).map(check));
    for (const { name, run } of steps) {
      if (!run) continue;
      say(`\n== ${name}`);
      await run(postgres.url);
    }
  } finally {
    await postgres.stop();
    fs.rmSync(postgres.base, { recursive: true, force: true });
  }
  say(`\n${totals.passed} passed, ${totals.failed} failed`);
  return totals.failed > 0 ? 1 : 0;
});

/** What a check says is kept together, and shown when it is done. */
function check({ name, script }) {
  const child = spawn('npm', ['run', '--silent', script], { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let output = '';
  for (const stream of [child.stdout, child.stderr]) stream.setEncoding('utf8').on('data', (text) => (output += text));
  return new Promise((resolve) => {
    child.once('close', (code) => {
      say(`\n== ${name}\n${output}`);
      count(code === 0 ? 1 : 0, 1);
      resolve();
    });
  });
}

function unit(databaseUrl) {
  const report = path.join(REPORTS, 'jest.json');
  fs.rmSync(report, { force: true });
  const ok = execute(['npx', '--no', '--', 'jest', '--json', `--outputFile=${report}`], { TEST_DATABASE_URL: databaseUrl });
  const { numPassedTests = 0, numTotalTests = 0 } = fs.existsSync(report) ? JSON.parse(fs.readFileSync(report, 'utf8')) : {};
  count(numPassedTests, numTotalTests);
  if (!ok && numPassedTests === numTotalTests) count(0, 1); // a suite that did not even start
}

async function journeys(databaseUrl) {
  build();
  const report = path.join(REPORTS, 'playwright.json');
  fs.rmSync(report, { force: true });
  const second = await startPostgres(path.join(DATA, `test-${process.pid}-2`), { throwaway: true });
  const servers = [];
  let ok;
  try {
    for (const [index, url] of [databaseUrl, second.url].entries())
      servers.push(await startServer({ databaseUrl: url, port: 0, logFile: path.join(DATA, `test-server-${index + 1}.log`) }));
    const urls = servers.map(({ url }) => url).join(' ');
    ok = execute(['npx', '--no', '--', 'playwright', 'test'], { E2E_URL: urls, E2E_REPORT: report }, path.join(ROOT, 'e2e'));
  } finally {
    for (const server of servers) await server.stop();
    await second.stop();
    fs.rmSync(second.base, { recursive: true, force: true });
  }
  const { expected = 0, unexpected = 0, flaky = 0 } = fs.existsSync(report) ? JSON.parse(fs.readFileSync(report, 'utf8')).stats : {};
  count(expected, expected + unexpected + flaky);
  if (!ok && unexpected + flaky === 0) count(0, 1);
}

function execute([program, ...args], env = {}, cwd = ROOT) {
  return spawnSync(program, args, { cwd, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } }).status === 0;
}

function count(passed, total) {
  totals.passed += passed;
  totals.failed += total - passed;
}

/** Clusters of runs that were killed. */
function removeLeftOvers() {
  for (const name of fs.readdirSync(DATA)) {
    const [, pid] = /^test-(\d+)(?:-\d+)?$/.exec(name) ?? [];
    if (pid && !fs.existsSync(`/proc/${pid}`)) fs.rmSync(path.join(DATA, name), { recursive: true, force: true });
  }
}
