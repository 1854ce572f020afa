// What documents say of files and commands, held against what is there.
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths.mjs';
import { read } from './house-files.mjs';

/** The documents that speak of what is; decisions and the changelog speak of what was. */
function documents() {
  const docs = fs.readdirSync(path.join(ROOT, 'docs')).filter((name) => name.endsWith('.md'));
  return ['ARCHITECTURE.md', 'CONTRIBUTING.md', 'README.md', 'SECURITY.md', ...docs.map((name) => `docs/${name}`)];
}

/** Paths in backticks or links that lead to nothing. */
export function pathsAmiss() {
  return documents().flatMap((document) => {
    const text = read(document);
    const quoted = [...text.matchAll(/`((?:packages|scripts|docs|e2e|\.ci)\/[\w./-]+)`/g)].map(([, at]) => at);
    const linked = [...text.matchAll(/\]\((?!https?:)([^)#\s]+)/g)].map(([, at]) => path.join(path.dirname(document), at));
    return [...new Set([...quoted, ...linked])]
      .filter((at) => !fs.existsSync(path.join(ROOT, at)))
      .map((at) => `${document}: ${at} is not there`);
  });
}

/** Scripts of npm, steps of the tests and commands of the command line that are none. */
export function commandsAmiss() {
  const { scripts } = JSON.parse(read('package.json'));
  const steps = [...read('scripts/test.mjs').matchAll(/^ {2}(\w+): \[/gm)]
    .map(([, name]) => name)
    .concat('unit', 'journeys', 'reliability');
  const commands = [...read('packages/server/src/cli/commands.ts').matchAll(/^ {2}(\w+): \{$/gm)].map(([, name]) => name);
  return documents().flatMap((document) => {
    const text = read(document);
    const run = [...text.matchAll(/npm run ([\w:-]+)/g)].map(([, name]) => name).filter((name) => !(name in scripts));
    const tested = [...text.matchAll(/npm test -- (?!-)([a-z]+)/g)].map(([, name]) => name).filter((name) => !steps.includes(name));
    const called = [...text.matchAll(/`(?:npx )?viaggio ([a-z]+)/g)].map(([, name]) => name).filter((name) => !commands.includes(name));
    return [...run, ...tested, ...called].map((name) => `${document}: there is no command ${name}`);
  });
}
