// The command line as one file, kept beside the server's and named for the sources it was made from.
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const HERE = path.dirname(fileURLToPath(import.meta.url));
const KEPT = path.join(HERE, 'dist', 'cli');
const SOURCES = [
  path.join(HERE, '../core/src'),
  path.join(HERE, 'src'),
  path.join(HERE, '../../package-lock.json'),
  fileURLToPath(import.meta.url),
];

/** The bundle's address; made first where the sources have changed since, which takes some tenths of a second. */
export async function bundledCli() {
  const folder = path.join(KEPT, stampOf());
  const file = path.join(folder, 'main.mjs');
  if (!fs.existsSync(file)) await make(folder);
  return pathToFileURL(file).href;
}

/** Names, sizes and times of the sources: read in some milliseconds, where their contents would take a tenth of a second. */
function stampOf() {
  const hash = createHash('sha256');
  const add = (place) => {
    const { mtimeMs, size, isDirectory } = describe(place);
    if (isDirectory) for (const name of fs.readdirSync(place).sort()) add(path.join(place, name));
    else if (!place.endsWith('.spec.ts')) hash.update(`${place} ${size} ${mtimeMs}\n`);
  };
  SOURCES.forEach(add);
  return hash.digest('hex').slice(0, 16);
}

function describe(place) {
  const stat = fs.statSync(place);
  return { mtimeMs: stat.mtimeMs, size: stat.size, isDirectory: stat.isDirectory() };
}

/** Made aside and then renamed: two calls at once do not read each other's half. */
async function make(folder) {
  const { build } = await import('esbuild');
  const aside = `${folder}.${process.pid}`;
  await build({
    entryPoints: { main: path.join(HERE, 'src/cli/main.ts') },
    outdir: aside,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    // what one command alone needs is loaded by that command
    splitting: true,
    minifySyntax: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    tsconfig: path.join(HERE, 'tsconfig.json'),
    // these read files of their own beside them
    external: ['pdfkit', 'qrcode'],
    // packages in the older form ask for each other by `require`
    banner: { js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);" },
    logLevel: 'warning',
  });
  try {
    fs.renameSync(aside, folder);
  } catch {
    fs.rmSync(aside, { recursive: true, force: true }); // another call was first
  }
  for (const name of fs.readdirSync(KEPT))
    if (!folder.endsWith(name) && !name.includes('.')) fs.rmSync(path.join(KEPT, name), { recursive: true, force: true });
}
