// Builds server and web when their sources are newer than what is built.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths.mjs';
import { Failure, say } from './say.mjs';

export const SERVER_MAIN = path.join(ROOT, 'packages/server/dist/main.js');
export const WEB_DIR = path.join(ROOT, 'packages/web/dist/web/browser');

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
    sources: ['packages/core/src', 'packages/web/src', 'packages/web/public', 'packages/web/angular.json', 'packages/web/tsconfig.json'],
  },
];

export function build() {
  for (const { name, workspace, result, sources } of PARTS) {
    const stamp = `${result}.sources`;
    const hash = hashOf([...sources, 'package-lock.json', 'tsconfig.base.json']);
    if (fs.existsSync(result) && fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === hash) continue;
    say(`Building the ${name} …`);
    const run = spawnSync('npm', ['run', '--silent', 'build', '-w', workspace], {
      cwd: ROOT,
      encoding: 'utf8',
      env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
    });
    if (run.status !== 0) throw new Failure(`Building the ${name} failed:\n${run.stdout}${run.stderr}`);
    fs.writeFileSync(stamp, hash);
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
