// `npm run mutate -- ROOM…`: puts small faults into a room of core, one at a time, and counts which its specs notice; `--list`
// names those that they let pass. `--write` keeps the figures in docs/testing.md. Not in `npm test`: a room takes minutes to an hour.
import fs from 'node:fs';
import { createRequire } from 'node:module';
import os from 'node:os';
import path from 'node:path';
import { Stryker } from '@stryker-mutator/core';
import { filesBelow, read } from './lib/house-files.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { Failure, main, say } from './lib/say.mjs';

const { core } = createRequire(import.meta.url)('../rooms.cjs');

const SRC = 'packages/core/src';
const TESTING = 'docs/testing.md';
/** Rooms whose specs try another's things whole, beside its own. */
const TRIED_IN = {
  'physics/circuit': ['run', 'answer'],
  rig: ['run', 'findings', 'answer'],
  run: ['answer'],
  findings: ['answer'],
  'day/charging': ['day/run', 'day/cards'],
  'day/run': ['day/charging', 'day/cards'],
};
/** Its type asks for a constant that is not there when it runs. */
const QUIET = /** @type {object} */ ({ logLevel: 'warn' });
/** What a room's specs should notice, in 100. */
const WANTED = 85;
const NOTICED = ['Killed', 'Timeout'];
const LET_PASS = ['Survived', 'NoCoverage'];
const CHANGED_CHARACTERS = 90;

await main(async () => {
  const asked = process.argv.slice(2).filter((word) => !word.startsWith('--'));
  const rooms = core.map(({ room }) => room);
  const unknown = asked.filter((one) => !fs.existsSync(path.join(ROOT, SRC, one)));
  if (asked.length === 0 || unknown.length > 0)
    throw new Failure(`${unknown.length > 0 ? `No room ${unknown.join(', ')}. ` : ''}Name one or more of: ${rooms.join(', ')}`);
  for (const room of asked) {
    const report = await mutated(room);
    say(`${room}: ${report.noticed} of ${report.all} noticed, ${report.share} % (wanted ${WANTED} %), ${report.minutes} min`);
    if (process.argv.includes('--list')) for (const line of report.passed) say(`  ${line}`);
    if (process.argv.includes('--write')) keep(room, report);
  }
});

/** One room's faults, tried. Stryker copies the project into a folder of its own and removes it at the end. */
async function mutated(room) {
  const files = filesBelow(`${SRC}/${room}`).filter((file) => !/(\.spec|\/index)\.ts$/.test(file));
  const began = Date.now();
  process.env.MUTATE_SPECS = [room, ...(TRIED_IN[room] ?? [])].join(' ');
  const jsonFile = path.join(DATA, 'reports', `mutate-${room.replaceAll('/', '-')}.json`);
  const results = await new Stryker({
    mutate: files,
    testRunner: 'jest',
    jest: { projectType: 'custom', configFile: 'jest.mutate.cjs', enableFindRelatedTests: true },
    coverageAnalysis: 'perTest',
    concurrency: Number(process.env.MUTATE_AT_ONCE ?? os.availableParallelism()),
    tempDirName: path.join(DATA, 'mutate'),
    ignorePatterns: ['.data', 'dist', 'docs', 'e2e', 'packages/web', 'packages/server'],
    ignoreStatic: true,
    timeoutMS: 20_000,
    dryRunTimeoutMinutes: 15,
    disableTypeChecks: true,
    reporters: ['json'],
    jsonReporter: { fileName: jsonFile },
    allowConsoleColors: false,
    ...QUIET,
  }).runMutationTest();
  const tried = results.filter(({ status }) => NOTICED.includes(status) || LET_PASS.includes(status));
  if (tried.length === 0) throw new Failure(`${room}: there is nothing in it that a fault could be put into`);
  const passed = tried.filter(({ status }) => LET_PASS.includes(status));
  const noticed = tried.length - passed.length;
  return {
    all: tried.length,
    noticed,
    share: Math.floor((100 * noticed) / tried.length),
    minutes: Math.round((Date.now() - began) / 60_000),
    passed: passed.map(sayOne),
  };
}

function sayOne({ fileName, location, mutatorName, replacement, status }) {
  const where = `${path.relative(ROOT, fileName)}:${location.start.line}:${location.start.column}`;
  const changed = (replacement ?? '').replaceAll(/\s+/g, ' ').slice(0, CHANGED_CHARACTERS);
  return `${where} ${mutatorName} → ${changed}${status === 'NoCoverage' ? ' (no spec goes there)' : ''}`;
}

/** A room's line in the table of docs/testing.md, in the order of the rooms. */
function keep(room, { noticed, all, share }) {
  const text = read(TESTING);
  const date = new Date().toISOString().slice(0, 10);
  const lines = text.split('\n');
  const at = lines.findIndex((line) => line.startsWith(`| \`${room}\` `));
  const line = `| \`${room}\` | ${noticed} of ${all} | ${share} % | ${date} |`;
  if (at >= 0) lines[at] = line;
  else lines.splice(lines.findLastIndex((one) => one.startsWith('| ')) + 1, 0, line);
  fs.writeFileSync(path.join(ROOT, TESTING), lines.join('\n'));
}
