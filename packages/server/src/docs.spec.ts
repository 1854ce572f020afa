import { existsSync, readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { COMMANDS } from './cli/commands';
import { EXIT } from './cli/run';

const ROOT = path.join(__dirname, '../../..');
const read = (file: string) => readFileSync(path.join(ROOT, file), 'utf8');

function pagesIn(folder: string): readonly string[] {
  return readdirSync(path.join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const at = path.join(folder, entry.name);
    return entry.isDirectory() ? pagesIn(at) : entry.name.endsWith('.md') ? [at] : [];
  });
}

const PAGES = ['README.md', 'ARCHITECTURE.md', 'CONTRIBUTING.md', 'SECURITY.md', 'CHANGELOG.md', ...pagesIn('docs')];
const scripts = Object.keys((JSON.parse(read('package.json')) as { scripts: object }).scripts);
const steps = ['types', 'lint', 'formatting', 'dependencies', 'unit', 'journeys', 'reliability', 'house', '--watch'];

describe.each(PAGES)('%s', (page) => {
  const text = read(page);

  it('links and names only files that there are', () => {
    const links = [...text.matchAll(/\]\(([^)#:]+)(?:#[^)]*)?\)/g)].map(([, to]) => path.join(path.dirname(page), to!));
    const named = [...text.matchAll(/`((?:packages|scripts|e2e|docs)\/[\w@.-]+(?:\/[\w@.-]+)*\/?)`/g)].map(([, to]) => to!);
    const made = /\/dist(\/|$)/; // what a build makes is not there before it
    expect([...links, ...named].filter((file) => !made.test(file) && !existsSync(path.join(ROOT, file)))).toEqual([]);
  });

  it('names only commands that there are', () => {
    const runs = [...text.matchAll(/npm run ([\w:-]+)/g)].map(([, name]) => name!);
    expect(runs.filter((name) => !scripts.includes(name))).toEqual([]);
    const tested = [...text.matchAll(/npm test -- ([\w -]+?)(?=[`\n]| {2}|$)/g)].flatMap(([, names]) =>
      names!
        .trim()
        .split(' ')
        .filter((name) => name !== 'FILE'),
    );
    expect(tested.filter((name) => !steps.includes(name))).toEqual([]);
    const called = [...text.matchAll(/`(?:npx )?viaggio (\w+)(?= |`)/g)].map(([, name]) => name!);
    expect(called.filter((name) => name !== 'COMMAND' && !(name in COMMANDS))).toEqual([]);
  });
});

describe('docs/command-line.md', () => {
  const text = read('docs/command-line.md');

  it('lists every command, and every exit code', () => {
    for (const { usage } of Object.values(COMMANDS)) expect(text).toContain(`viaggio ${usage}`);
    for (const code of Object.values(EXIT)) expect(text).toContain(`| ${code} `);
  });
});
