// `npm run house`: figures of the structure, and the rules that keep it; `--rules` says only what breaks them, `--write`
// brings ARCHITECTURE.md's tables up to date. Which room may import which is held by the dependency rule; all of it is
// made from rooms.cjs.
import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { filesBelow, read } from './lib/house-files.mjs';
import { figuresOf, namesOf } from './lib/house-figures.mjs';
import { ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

const { core, entries, packages } = createRequire(import.meta.url)('../rooms.cjs');

/** What no file, function or folder should pass; those that do are counted, and may not become more. */
const LIMITS = { fileLines: 350, functionLines: 60, folderFiles: 20 };
/** How many there may be. Lower a figure when it has fallen; raising one needs a reason in the commit. */
const MOST = {
  longFiles: 0,
  longFunctions: 0,
  fullFolders: 0,
  prettierIgnores: 6,
  nonNull: 1014,
  casts: 111,
  prose: 7,
  publicNames: 635,
  withoutExample: 41,
};

/** Words of docs/glossary.md's last column that mean nothing else wherever they stand. */
const REPLACED =
  /who and how|what to mend|what mates|keeps its batteries apart|the way of its energy|left alone|what you will see meanwhile|(compare|suggest|agrees) anew|asks? for more than|is asked for|gives out|nobody said|put away|insists on|draw basis|second duty/i;

await main(async () => {
  const files = packages.flatMap(({ base }) => filesBelow(base));
  const sources = files.filter((file) => !/\.spec\.ts$/.test(file));
  const inCore = sources.filter((file) => file.startsWith('packages/core/'));
  const { longFunctions, nonNull, casts, prose } = figuresOf(inCore, sources, LIMITS.functionLines);
  const longFiles = sources.filter((file) => lines(file) > LIMITS.fileLines);
  const fullFolders = foldersOf(sources).filter(({ count }) => count > LIMITS.folderFiles);
  const { publicNames, unused, withoutExample } = namesOf(entries, files);
  const figures = {
    longFiles: longFiles.length,
    longFunctions: longFunctions.length,
    fullFolders: fullFolders.length,
    prettierIgnores: sources.reduce((sum, file) => sum + (read(file).match(/prettier-ignore/g)?.length ?? 0), 0),
    nonNull,
    casts,
    prose: prose.length,
    publicNames,
    withoutExample: withoutExample.length,
  };
  const tables = architectureTables();
  if (process.argv.includes('--write')) fs.writeFileSync(path.join(ROOT, 'ARCHITECTURE.md'), tables.wanted);
  const amiss = [
    ...Object.entries(figures).flatMap(([name, count]) =>
      count > MOST[name] ? [`${name}: ${count}, at most ${MOST[name]} may be there`] : [],
    ),
    ...unused.map((name) => `${name}: public, and used by no package`),
    ...replacedWords(),
    ...apartRooms().map((top) => `rooms.cjs: the rooms of ${top}/ do not stand together`),
    ...(tables.wanted === read('ARCHITECTURE.md') || process.argv.includes('--write')
      ? []
      : ['ARCHITECTURE.md: not as rooms.cjs has it; npm run house -- --write']),
  ];
  if (!process.argv.includes('--rules')) {
    for (const [name, count] of Object.entries(figures)) say(`${name.padEnd(18)}${String(count).padStart(6)}   at most ${MOST[name]}`);
    if (process.argv.includes('--list'))
      for (const one of [...longFiles, ...longFunctions, ...fullFolders.map(({ folder, count }) => `${folder}: ${count}`), ...prose])
        say(`  ${one}`);
    say(testShare());
  }
  for (const one of amiss) say(one);
  return amiss.length > 0 ? 1 : 0;
});

function lines(file) {
  return read(file).split('\n').length - 1;
}

function foldersOf(files) {
  const counts = new Map();
  for (const file of files) counts.set(path.dirname(file), (counts.get(path.dirname(file)) ?? 0) + 1);
  return [...counts].map(([folder, count]) => ({ folder, count }));
}

/** Top folders of core whose rooms are apart in the order: others could stand between, and a circle with them. */
function apartRooms() {
  const tops = core.map(({ room }) => room.split('/')[0]);
  return [...new Set(tops)].filter((top) => tops.lastIndexOf(top) - tops.indexOf(top) + 1 !== tops.filter((one) => one === top).length);
}

/** Lines that show a word which the glossary replaced; comments may say it, and so may a name in the code. */
function replacedWords() {
  const shown = ['packages/core/src/words', 'packages/web/src/app', 'packages/server/src']
    .flatMap((folder) => filesBelow(folder, /\.(ts|html)$/))
    .filter((file) => !file.endsWith('.spec.ts'));
  return shown.flatMap((file) =>
    read(file)
      .split('\n')
      .flatMap((line, index) => {
        const [word] = REPLACED.exec(line.replace(/^\s*(\/?\*|\/\/).*/, '')) ?? [];
        return word ? [`${file}:${index + 1}: says “${word}”, which the glossary replaced`] : [];
      }),
  );
}

/** ARCHITECTURE.md with the table of each package between its two marks. */
function architectureTables() {
  const wanted = packages.reduce((text, { name, rooms }) => {
    const rows = rooms.map(({ room, holds }) => `| ${room === '' ? '(root)' : `\`${room}\``} | ${holds} |`);
    const table = aligned(['| room | what is in it |', '| --- | --- |', ...rows]);
    return text.replace(new RegExp(`(<!-- rooms of ${name} -->\n)[^]*?(<!-- end -->)`), `$1\n${table}\n\n$2`);
  }, read('ARCHITECTURE.md'));
  return { wanted };
}

/** A table as the formatter leaves it. */
function aligned(rows) {
  const cells = rows.map((row) => row.slice(2, -2).split(' | '));
  const widths = [0, 1].map((at) => Math.max(...cells.map((row) => [...row[at]].length)));
  return cells
    .map(
      (row, index) =>
        `| ${row.map((cell, at) => (index === 1 ? '-'.repeat(widths[at]) : cell + ' '.repeat(widths[at] - [...cell].length))).join(' | ')} |`,
    )
    .join('\n');
}

/** Lines of tests in all lines of code; data, demo and tables left out. */
function testShare() {
  const isData = (file) => /\/(demo|tables)\/|generic-power|labels\.tsv|\.json$/.test(file);
  const all = ['packages/core', 'packages/server', 'packages/web', 'e2e', 'scripts']
    .flatMap((folder) => filesBelow(folder))
    .filter((file) => !isData(file));
  const isTest = (file) => /\.spec\.ts$|\/testing\/|^e2e\//.test(file);
  const count = (some) => some.reduce((sum, file) => sum + lines(file), 0);
  const [tests, total] = [count(all.filter(isTest)), count(all)];
  return `tests are ${Math.round((100 * tests) / total)} % of ${total} lines, data left out`;
}
