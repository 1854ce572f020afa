// `npm test`: types, lint, formatting, the dependency rule, unit and API tests against a PostgreSQL of their own, and
// the journeys in Chromium, and the short form of the reliability suite. `npm test -- unit journeys` runs only the steps
// named, `npm test -- journeys FILE` only the journeys of a file, `npm test -- --watch unit` stays. What was sound and has
// not changed is not looked at again (`.data/cache`); a run that is ended ends all that it began.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { GALLERY_DIR, build } from './lib/build.mjs';
import { CHROMIUM, installDebianPackages, installNodePackages, requireNode } from './lib/install.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { POSTGRESQL, startPostgres } from './lib/postgres.mjs';
import { Failure, main, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';
import { endAll, timed } from './lib/timed.mjs';

const REPORTS = path.join(DATA, 'reports');
/** Nothing of a run is as old. */
const LEFT_AFTER_MS = 3 * 3600 * 1000;
const totals = { passed: 0, failed: 0 };
/** What each step cost, and each test. */
const costs = [];
const tests = [];
/** What failed, and the first that it said: told once more at the end, where whoever reads only that finds it. */
const failures = [];
/** As much of a failure as is told again, in lines. */
const TOLD_AGAIN = 25;

const CACHE = path.join(DATA, 'cache');
const incremental = (name) => ['--incremental', '--tsBuildInfoFile', path.join(CACHE, `${name}.tsbuildinfo`)];
const lint = (name, ...rest) => ['eslint', '--cache', '--cache-strategy', 'content', '--cache-location', path.join(CACHE, name), ...rest];

/** Checks that pass or fail as a whole, the longest first; two run beside each other. */
const CHECKS = {
  lint: [lint('eslint-typed', '-c', 'eslint.typed.config.mjs', 'packages', 'e2e'), lint('eslint', '.')],
  types: [
    ['ngc', '-p', 'packages/web/tsconfig.check.json', '--noEmit'],
    ['tsc', '-p', 'packages/server/tsconfig.spec.json', ...incremental('server')],
    ['tsc', '-p', 'packages/core/tsconfig.json', ...incremental('core')],
    ['tsc', '-p', 'packages/web/tsconfig.worker.json', '--noEmit', ...incremental('worker')],
    ['tsc', '-p', 'e2e/tsconfig.json', ...incremental('e2e')],
    ['tsc', '-p', 'scripts/tsconfig.json', ...incremental('scripts')],
  ],
  formatting: [['prettier', '--check', '--cache', '--cache-strategy', 'content', '--cache-location', path.join(CACHE, 'prettier'), '.']],
  dependencies: [['depcruise', '--config', '.dependency-cruiser.cjs', 'packages', 'e2e', 'scripts']],
  house: [['node', 'scripts/house.mjs', '--rules']],
};
const STEPS = [...Object.keys(CHECKS), 'unit', 'journeys', 'reliability'];

/** What ends the run, and how long what it began may take to end. */
const ENDED = 130;
const TO_END_MS = 5000;
let isEnding = false;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    if (isEnding) process.exit(ENDED);
    isEnding = true;
    say('Ending what this run began …');
    endAll();
    // servers and databases see this process go, and end by themselves
    setTimeout(() => process.exit(ENDED), TO_END_MS);
  });

await main(async () => {
  requireNode();
  const args = process.argv.slice(2);
  const watch = args.includes('--watch');
  const named = args.filter((name) => name !== '--watch');
  // behind `journeys` come the files of journeys that are wanted
  const files = named.includes('journeys') ? named.filter((name) => !STEPS.includes(name)) : [];
  const wanted = named.filter((name) => !files.includes(name));
  const unknown = wanted.filter((name) => !STEPS.includes(name));
  if (unknown.length > 0) throw new Failure(`No such step: ${unknown.join(', ')}. There are ${STEPS.join(', ')}, and --watch unit.`);
  if (watch && wanted.join() !== 'unit') throw new Failure('--watch is for the unit tests alone: npm test -- --watch unit');
  installDebianPackages([POSTGRESQL, CHROMIUM]);
  installNodePackages();
  fs.mkdirSync(REPORTS, { recursive: true });
  fs.mkdirSync(CACHE, { recursive: true });
  removeLeftOvers();

  const steps = STEPS.filter((name) => wanted.length === 0 || wanted.includes(name));
  await checks(steps.filter((name) => name in CHECKS));
  if (steps.includes('unit') || steps.includes('journeys')) await withClusters(steps, watch, files);
  if (steps.includes('reliability')) await reliability();
  report();
  say(`\n${totals.passed} passed, ${totals.failed} failed`);
  return totals.failed > 0 ? 1 : 0;
});

/** Every command of the checks, two at a time; what a check says is kept together, and shown when it is done. */
async function checks(names) {
  const queue = names.flatMap((name) => CHECKS[name].map((command) => ({ name, command })));
  const results = new Map(names.map((name) => [name, []]));
  const work = async () => {
    for (let next = queue.shift(); next; next = queue.shift()) {
      const { name, command } = next;
      const done = results.get(name);
      done.push(await timed(['npx', '--no', '--', ...command], { quiet: true }));
      if (done.length < CHECKS[name].length) continue;
      const failed = done.filter(({ ok }) => !ok);
      say(`\n== ${name}${failed.length === 0 ? ': sound' : `\n${failed.map(({ output }) => output).join('\n')}`}`);
      count(failed.length === 0 ? 1 : 0, 1);
      failures.push(...failed.map(({ output }) => ({ name, said: output.trim().split('\n').slice(-TOLD_AGAIN) })));
      costs.push({ name, wallS: sum(done, 'wallS'), cpuS: sum(done, 'cpuS') });
    }
  };
  await Promise.all([work(), work()]);
}

/** Clusters for this run alone, one for each worker: no test comes near a person's data, nor near another run. */
async function withClusters(steps, watch, files) {
  const clusters = [];
  try {
    const places = steps.includes('journeys') ? [1, 2] : [1];
    for (const place of places) clusters.push(await startPostgres(path.join(DATA, `test-${process.pid}-${place}`), { throwaway: true }));
    const urls = clusters.map(({ url }) => url);
    if (steps.includes('unit')) await unit(urls[0], watch);
    if (steps.includes('journeys')) await journeys(urls, files);
  } finally {
    for (const { stop, base } of clusters) {
      await stop();
      fs.rmSync(base, { recursive: true, force: true });
    }
  }
}

async function unit(databaseUrl, watch) {
  const env = { TEST_DATABASE_URL: databaseUrl };
  if (watch) {
    spawnSync('npx', ['--no', '--', 'jest', '--watch'], { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
    return;
  }
  say('\n== unit');
  const report = path.join(REPORTS, 'jest.json');
  fs.rmSync(report, { force: true });
  const done = await timed(['npx', '--no', '--', 'jest', '--json', `--outputFile=${report}`], { env });
  const { numPassedTests = 0, numTotalTests = 0, testResults = [] } = readJson(report) ?? {};
  count(numPassedTests, numTotalTests);
  if (!done.ok && numPassedTests === numTotalTests) count(0, 1); // a suite that did not even start
  costs.push({ name: 'unit', ...done });
  for (const { name, status, message, assertionResults } of testResults) {
    const file = path.relative(ROOT, name);
    if (status === 'failed' && assertionResults.length === 0) failures.push({ name: file, said: firstLines(message) });
    for (const one of assertionResults) {
      const test = `${file}: ${one.fullName}`;
      tests.push({ name: test, seconds: (one.duration ?? 0) / 1000 });
      if (one.status === 'failed') failures.push({ name: test, said: firstLines(one.failureMessages.join('\n')) });
    }
  }
}

async function journeys(databaseUrls, files) {
  say('\n== journeys');
  build({ gallery: true });
  const report = path.join(REPORTS, 'playwright.json');
  fs.rmSync(report, { force: true });
  const servers = [];
  let done;
  try {
    for (const [index, databaseUrl] of databaseUrls.entries())
      servers.push(await startServer({ databaseUrl, port: 0, logFile: path.join(DATA, `test-server-${index + 1}.log`) }));
    const env = { E2E_URL: servers.map(({ url }) => url).join(' '), E2E_REPORT: report, E2E_GALLERY: GALLERY_DIR };
    done = await timed(['npx', '--no', '--', 'playwright', 'test', ...files], { env, cwd: path.join(ROOT, 'e2e') });
  } finally {
    for (const server of servers) await server.stop();
  }
  const { stats = {}, suites = [] } = readJson(report) ?? {};
  const { expected = 0, unexpected = 0, flaky = 0 } = stats;
  count(expected, expected + unexpected + flaky);
  if (!done.ok && unexpected + flaky === 0) count(0, 1);
  costs.push({ name: 'journeys', ...done });
  for (const { file, title, tests: runs } of suites.flatMap(specsOf)) {
    const name = `e2e/tests/${file}: ${title}`;
    const results = runs.flatMap((run) => run.results);
    tests.push({ name, seconds: sum(results, 'duration') / 1000 });
    if (runs.some(({ status }) => status === 'unexpected' || status === 'flaky'))
      failures.push({ name, said: firstLines(results.flatMap(({ errors }) => errors.map(({ message }) => message)).join('\n')) });
  }
}

/** The short form of what `npm run reliability` tries. */
async function reliability() {
  say('\n== reliability');
  const done = await timed([process.execPath, path.join(ROOT, 'scripts/reliability.mjs'), '--short'], { quiet: true });
  say(done.output);
  const [, passed = '0', failed = '0'] = /(\d+) passed, (\d+) failed\s*$/.exec(done.output) ?? [];
  count(Number(passed), Number(passed) + Number(failed));
  if (!done.ok && failed === '0') count(0, 1);
  if (!done.ok) failures.push({ name: 'reliability', said: ['See above.'] });
  costs.push({ name: 'reliability', ...done });
}

/** The beginning of what a test said, without the colours of a terminal. */
function firstLines(message = '') {
  return stripVTControlCharacters(message).split('\n').slice(0, TOLD_AGAIN);
}

function specsOf({ suites = [], specs = [] }) {
  return [...specs, ...suites.flatMap(specsOf)];
}

/** Where the time went, for whoever is about to add a test, and what failed. */
function report() {
  say('\n== time, in seconds: clock, processor');
  for (const { name, wallS, cpuS } of costs) say(`${name.padEnd(14)}${wallS.toFixed(0).padStart(6)}${cpuS.toFixed(0).padStart(6)}`);
  if (tests.length > 0) say('\n== the ten slowest tests');
  for (const { name, seconds } of tests.sort((a, b) => b.seconds - a.seconds).slice(0, 10))
    say(`${seconds.toFixed(1).padStart(6)}  ${name}`);
  if (failures.length > 0) say('\n== what failed');
  for (const { name, said } of failures) say(`\n✗ ${name}\n${said.map((line) => `    ${line}`).join('\n')}`);
}

function readJson(file) {
  return fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : undefined;
}

function sum(items, key) {
  return items.reduce((total, item) => total + item[key], 0);
}

function count(passed, total) {
  totals.passed += passed;
  totals.failed += total - passed;
}

/** What runs that were killed left: clusters in the data folder, and what a test made elsewhere. */
function removeLeftOvers() {
  for (const folder of ['/var/tmp', os.tmpdir(), path.join(ROOT, 'packages/server/dist')].filter((one) => fs.existsSync(one)))
    for (const name of fs.readdirSync(folder).filter((one) => /^(viaggio-(start|reliability|user|log|backup)|spec)-/.test(one))) {
      const left = path.join(folder, name);
      if (Date.now() - fs.statSync(left).mtimeMs < LEFT_AFTER_MS) continue;
      // a file system that was filled lies there
      if (process.getuid() === 0) spawnSync('umount', ['-l', left], { stdio: 'ignore' });
      fs.rmSync(left, { recursive: true, force: true });
    }
  for (const name of fs.readdirSync(DATA)) {
    const [, pid] = /^(?:test|two-servers|reliability-[a-z]+)-(\d+)(?:-\d+)?$/.exec(name) ?? [];
    if (pid && !fs.existsSync(`/proc/${pid}`)) fs.rmSync(path.join(DATA, name), { recursive: true, force: true });
  }
}
