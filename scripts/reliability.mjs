// `npm run reliability`: what is promised of an installation (docs/reliability.md), tried. Ends with 1 on any loss.
// `--short` is what `npm test` runs of it.
import { build } from './lib/build.mjs';
import { installDebianPackages, installNodePackages, requireNode } from './lib/install.mjs';
import { POSTGRESQL } from './lib/postgres.mjs';
import { main, say } from './lib/say.mjs';
import { withThrowawayServer } from './lib/throwaway.mjs';
import { databaseStopped } from './reliability/database-stopped.mjs';
import { diskFull } from './reliability/disk-full.mjs';
import { fuzz } from './reliability/fuzz.mjs';
import { heavyDocuments, uploads } from './reliability/heavy.mjs';
import { kills } from './reliability/kills.mjs';
import { twoServers } from './reliability/two-servers.mjs';

const LIMIT_MS = 10 * 60_000;
const LONG = { kills: 40, stopped: 24, requests: 20_000, heavyS: 40, writers: 50, rounds: 5 };
const SHORT = { kills: 4, stopped: 9, requests: 1500, heavyS: 8, writers: 8, rounds: 5 };

await main(async () => {
  const size = process.argv.includes('--short') ? SHORT : LONG;
  requireNode();
  installDebianPackages([POSTGRESQL]);
  installNodePackages();
  build();
  setTimeout(() => {
    process.stderr.write(`Not done within ${LIMIT_MS / 60_000} minutes.\n`);
    process.exit(1);
  }, LIMIT_MS).unref();
  const parts = [
    () => kills({ kills: size.kills }),
    () => databaseStopped({ requests: size.stopped }),
    () => diskFull(),
    () => twoServers({ writers: size.writers, rounds: size.rounds }),
    () => withThrowawayServer('reliability-heavy', (url) => heavyDocuments(url, { seconds: size.heavyS })),
    ...(size === LONG ? [() => withThrowawayServer('reliability-uploads', (url, pid) => uploads(url, pid))] : []),
    () => withThrowawayServer('reliability-fuzz', (url) => fuzz(url, { requests: size.requests })),
  ];
  let failed = 0;
  for (const part of parts) {
    const since = performance.now();
    const told = await part().catch((error) => ({ title: 'A part that broke off', figures: [error.stack], failed: true }));
    say(`\n${told.failed ? '✗' : '✓'} ${told.title} (${Math.round((performance.now() - since) / 1000)} s)`);
    for (const figure of told.figures) say(`    ${figure}`);
    if (told.failed) failed++;
  }
  say(`\n${parts.length - failed} passed, ${failed} failed`);
  return failed > 0 ? 1 : 0;
});
