// `npm run bench`: figures and ratios, printed; never part of a test. Each `*.bench.ts` of packages/core/bench is one,
// bundled as it ships; worker.ts runs in Chromium's worker.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { benchLabels } from './bench-labels.mjs';
import { benchPage } from './bench-page.mjs';
import { build as buildAll } from './lib/build.mjs';
import { launchChromium } from './lib/chromium.mjs';
import { CHROMIUM, installDebianPackages, installNodePackages } from './lib/install.mjs';
import { POSTGRESQL } from './lib/postgres.mjs';
import { writeMeterFile } from './lib/meter-file.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

const FROM = path.join(ROOT, 'packages/core/bench');
const TO = path.join(DATA, 'bench');
const ROWS = 5_000_000;

await main(async () => {
  installDebianPackages([POSTGRESQL, CHROMIUM]);
  installNodePackages();
  const files = fs.readdirSync(FROM).filter((file) => file.endsWith('.bench.ts'));
  const { build } = await import('esbuild');
  const bundle = (entryPoints, platform, format) =>
    build({
      entryPoints,
      outdir: TO,
      outExtension: { '.js': '.mjs' },
      bundle: true,
      platform,
      format,
      target: 'es2022',
      logLevel: 'warning',
    });
  await bundle(
    files.map((file) => path.join(FROM, file)),
    'node',
    'esm',
  );
  await bundle([path.join(FROM, 'worker.ts')], 'browser', 'iife');
  const meter = { long: path.join(TO, 'meter.csv'), short: path.join(TO, 'meter-short.csv') };
  await writeMeterFile(meter.long, ROWS);
  await writeMeterFile(meter.short, ROWS / 10);
  const env = { ...process.env, METER_FILE: meter.long, METER_FILE_SHORT: meter.short };
  let failed = 0;
  for (const file of files) {
    const built = path.join(TO, file.replace(/\.ts$/, '.mjs'));
    failed += spawnSync(process.execPath, ['--expose-gc', built], { cwd: ROOT, stdio: 'inherit', env }).status === 0 ? 0 : 1;
  }
  const { ms, runs } = await inWorker(fs.readFileSync(path.join(TO, 'worker.mjs'), 'utf8'));
  say(`${runs} random runs of six loads in Chromium’s worker   ${ms.toFixed(0)} ms   (aim: under 1000 ms)`);
  buildAll();
  await benchPage(meter.long);
  await benchLabels();
  for (const file of Object.values(meter)) fs.rmSync(file);
  return failed > 0 ? 1 : 0;
});

async function inWorker(code) {
  const browser = await launchChromium();
  try {
    const page = await browser.newPage();
    return await page.evaluate(
      (source) =>
        new Promise((resolve, reject) => {
          const worker = new globalThis.Worker(URL.createObjectURL(new Blob([source], { type: 'text/javascript' })));
          worker.onmessage = ({ data }) => resolve(data);
          worker.onerror = ({ message }) => reject(new Error(message));
        }),
      code,
    );
  } finally {
    await browser.close();
  }
}
