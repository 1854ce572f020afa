// The sources as a list of paths from the project's folder, and their text, each read once.
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths.mjs';

const LEFT_OUT = new Set(['node_modules', 'dist', 'dist-types', '.angular', 'out-tsc', 'older', 'public', 'test-results', '.data', '.git']);
const texts = new Map();

const CODE = /\.(ts|mjs|cjs)$/;

/** Every TypeScript and script file below a folder, or every file with other endings. */
export function filesBelow(folder, endings = CODE) {
  const at = path.join(ROOT, folder);
  if (!fs.existsSync(at)) return [];
  return fs.readdirSync(at, { withFileTypes: true }).flatMap((entry) => {
    const below = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return LEFT_OUT.has(entry.name) ? [] : filesBelow(below, endings);
    return endings.test(entry.name) && !/\.d\.ts$/.test(entry.name) ? [below] : [];
  });
}

export function read(file) {
  if (!texts.has(file)) texts.set(file, fs.readFileSync(path.join(ROOT, file), 'utf8'));
  return texts.get(file);
}
