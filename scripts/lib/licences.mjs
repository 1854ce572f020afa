// The licences of all that the application is made of, as one text that it serves.
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths.mjs';

const PARTS = ['packages/core', 'packages/server', 'packages/web'];
const LICENCE_FILE = /^(licen[cs]e|copying|ofl|notice)([-.].*)?$/i;

/** Each package that is not for building or checking alone, with what it says itself, the same text once for all that share it. */
export function licencesText() {
  const byText = new Map();
  for (const folder of packageFolders()) {
    const { name, version, license } = readPackage(folder);
    const says = `${name} ${version}: ${typeof license === 'string' ? license : (license?.type ?? 'see below')}`;
    const text = fs
      .readdirSync(folder)
      .filter((file) => LICENCE_FILE.test(file) && fs.statSync(path.join(folder, file)).isFile())
      .map((file) => fs.readFileSync(path.join(folder, file), 'utf8').trim())
      .join('\n\n');
    byText.set(text, [...(byText.get(text) ?? []), says]);
  }
  const own = fs.readFileSync(path.join(ROOT, 'LICENSE'), 'utf8').trim();
  const parts = [...byText].map(
    ([text, names]) => `${names.sort().join('\n')}\n\n${text || 'The package brings no text of its licence; its name is above.'}`,
  );
  return ['Viaggio\n\n' + own, ...parts.sort()].join(`\n\n${'-'.repeat(72)}\n\n`) + '\n';
}

/** Of the parts' dependencies, and of theirs, where npm put them. */
function packageFolders() {
  const found = new Set();
  const visit = (from, name, needed) => {
    const folder = resolved(from, name);
    if (!folder) {
      if (needed) throw new Error(`${name}, which ${from} needs, is not installed`);
      return;
    }
    if (found.has(folder)) return;
    found.add(folder);
    const { dependencies = {}, optionalDependencies = {} } = readPackage(folder);
    for (const other of Object.keys({ ...dependencies, ...optionalDependencies })) visit(folder, other, !(other in optionalDependencies));
  };
  for (const part of PARTS) {
    const own = path.join(ROOT, part);
    for (const name of Object.keys(readPackage(own).dependencies ?? {})) if (!name.startsWith('@viaggio/')) visit(own, name, true);
  }
  return [...found].sort();
}

/** As Node looks: in each `node_modules` from there up. */
function resolved(from, name) {
  for (let folder = from; ; folder = path.dirname(folder)) {
    const here = path.join(folder, 'node_modules', name);
    if (fs.existsSync(path.join(here, 'package.json'))) return here;
    if (folder === ROOT || folder === path.dirname(folder)) return undefined;
  }
}

function readPackage(folder) {
  return JSON.parse(fs.readFileSync(path.join(folder, 'package.json'), 'utf8'));
}
