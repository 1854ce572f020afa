// Builds server and web when their sources are newer than what is built.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { licencesText } from './licences.mjs';
import { copyPublicFiles } from './public-files.mjs';
import { ROOT } from './paths.mjs';
import { Failure, say } from './say.mjs';

export const SERVER_MAIN = path.join(ROOT, 'packages/server/dist/main.js');
export const WEB_DIR = path.join(ROOT, 'packages/web/dist/web/browser');
export const GALLERY_DIR = path.join(ROOT, 'packages/web/dist/gallery/browser');

const WEB_SOURCES = [
  'packages/core/src',
  'packages/web/src',
  'packages/web/public',
  'packages/web/angular.json',
  'packages/web/tsconfig.json',
];
const PARTS = [
  {
    name: 'server',
    workspace: '@viaggio/server',
    result: SERVER_MAIN,
    sources: ['packages/core/src', 'packages/server/src', 'packages/server/build.mjs'],
  },
  {
    name: 'pages',
    workspace: '@viaggio/web',
    result: path.join(WEB_DIR, 'index.html'),
    sources: WEB_SOURCES,
  },
];

/** Of no use to a person: every field, mark and chart on one page, for whoever changes them and for a test. */
const GALLERY = {
  name: 'gallery',
  workspace: '@viaggio/web',
  script: 'gallery',
  result: path.join(GALLERY_DIR, 'index.html'),
  sources: WEB_SOURCES,
};

export function build({ gallery = false } = {}) {
  copyPublicFiles();
  for (const { name, workspace, script = 'build', result, sources } of gallery ? [...PARTS, GALLERY] : PARTS) {
    // beside what is served, never in it
    const stamp = path.join(ROOT, `packages/${workspace.split('/')[1]}/dist/${name}.sources`);
    const hash = hashOf([...sources, 'package-lock.json', 'tsconfig.base.json']);
    if (fs.existsSync(result) && fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === hash) continue;
    say(`Building the ${name} …`);
    const run = spawnSync('npm', ['run', '--silent', script, '-w', workspace], {
      cwd: ROOT,
      encoding: 'utf8',
      env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
    });
    if (run.status !== 0) throw new Failure(`Building the ${name} failed:\n${run.stdout}${run.stderr}`);
    if (result.endsWith('.html')) {
      fs.writeFileSync(path.join(path.dirname(result), 'licences.txt'), licencesText());
      compress(path.dirname(result));
    }
    fs.writeFileSync(stamp, hash);
  }
}

/** Beside each script and style its compressed twin, as small as it gets: there is time for that once, and not at each request. */
function compress(folder) {
  for (const name of fs.readdirSync(folder).filter((file) => /\.(js|css)$/.test(file))) {
    const text = fs.readFileSync(path.join(folder, name));
    fs.writeFileSync(path.join(folder, `${name}.br`), brotliCompressSync(text));
  }
}

function hashOf(sources) {
  const hash = createHash('sha256');
  const add = (file) => {
    const full = path.join(ROOT, file);
    if (!fs.existsSync(full)) return;
    if (fs.statSync(full).isDirectory()) for (const entry of fs.readdirSync(full).sort()) add(path.join(file, entry));
    else hash.update(file).update(fs.readFileSync(full));
  };
  sources.forEach(add);
  return hash.digest('hex');
}
