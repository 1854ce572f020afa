// Installs what is missing: Debian's packages (as root or through sudo), and npm's when the lock has changed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { DATA, ROOT } from './paths.mjs';
import { Failure, begun } from './say.mjs';

/** Where `npm ci` last ran for this lock; inside node_modules, so that it goes with them. */
const STAMP = path.join(ROOT, 'node_modules', '.viaggio-lock');

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) throw new Failure(`Viaggio needs Node 20.19 or later; this is ${process.versions.node}.`);
}

export function installNodePackages() {
  const lock = createHash('sha256')
    .update(fs.readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (fs.existsSync(STAMP) && fs.readFileSync(STAMP, 'utf8') === lock) return;
  const done = begun('Installing npm packages (first time, or the lock changed); about a minute');
  const log = path.join(DATA, 'install.log');
  fs.mkdirSync(DATA, { recursive: true });
  const noise = fs.openSync(log, 'w', 0o600);
  const result = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', noise, noise],
    env: { ...process.env, SCARF_ANALYTICS: 'false' },
  });
  fs.closeSync(noise);
  if (result.status !== 0) throw new Failure(`npm ci failed. The end of ${log}:\n\n${lastLines(log)}`);
  fs.writeFileSync(STAMP, lock);
  done();
}

/** Debian's package would make a cluster and start it, on a port that may be somebody's; where there is one already it stays. */
const NO_CLUSTER_OF_ITS_OWN =
  'd=/etc/postgresql-common/createcluster.d; [ -e /etc/postgresql-common/createcluster.conf ] || { mkdir -p $d && echo "create_main_cluster = false" > $d/viaggio.conf; }';

/** What a package manager said last. */
function lastLines(file, count = 25) {
  return fs.readFileSync(file, 'utf8').trimEnd().split('\n').slice(-count).join('\n');
}

/** @param {{name: string, found: () => boolean}[]} packages */
export function installDebianPackages(packages) {
  const missing = packages.filter(({ found }) => !found()).map(({ name }) => name);
  if (missing.length === 0) return;
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  const prefix = process.getuid() === 0 ? [] : canSudo() ? ['sudo', '-n'] : undefined;
  if (!prefix)
    throw new Failure(
      `Missing: ${missing.join(', ')}. Run this once, then start again:\n\n  ${ROOT_PREFIX}apt-get update && ${ROOT_PREFIX}${command}\n`,
    );
  const done = begun(`Installing ${missing.join(', ')} from Debian; a minute or two`);
  fs.mkdirSync(DATA, { recursive: true });
  const log = path.join(DATA, 'apt.log');
  const noise = fs.openSync(log, 'w', 0o600);
  const asRoot = (...args) => {
    const [program, ...rest] = [...prefix, ...args];
    return spawnSync(program, rest, { stdio: ['ignore', noise, noise], env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } }).status;
  };
  const apt = (...args) => asRoot('apt-get', '-q', '-o', 'Dpkg::Use-Pty=0', ...args);
  if (missing.includes('postgresql')) asRoot('sh', '-c', NO_CLUSTER_OF_ITS_OWN);
  apt('update');
  const status = apt('install', '-y', '--no-install-recommends', ...missing);
  fs.closeSync(noise);
  if (status !== 0) throw new Failure(`This failed: ${command}\nThe end of ${log}:\n\n${lastLines(log)}`);
  done();
  const still = packages.filter(({ found }) => !found()).map(({ name }) => name);
  if (still.length > 0) throw new Failure(`Installed, but not found: ${still.join(', ')}.`);
}

/** Who has sudo uses it; who has not becomes root first. */
const ROOT_PREFIX = fs.existsSync('/usr/bin/sudo') ? 'sudo ' : '';

function canSudo() {
  return spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;
}

const CHROMIUM_PROGRAM = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
export const CHROMIUM = { name: 'chromium', program: CHROMIUM_PROGRAM, found: () => fs.existsSync(CHROMIUM_PROGRAM) };
