// `npm run bench`: figures and ratios, printed; never part of a test. Each `*.bench.ts` of packages/core/bench is one,
// bundled as it ships; worker.ts runs in Chromium's worker.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { launchChromium } from './lib/chromium.mjs';
import { CHROMIUM, installDebianPackages, installNodePackages } from './lib/install.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { main, say } from './lib/say.mjs';

const FROM = path.join(ROOT, 'packages/core/bench');
const TO = path.join(DATA, 'bench');

await main(async () => {
  installDebianPackages([CHROMIUM]);
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
  await bundle(files.map((file) => path.join(FROM, file)), 'node', 'esm'); // prettier-ignore
  await bundle([path.join(FROM, 'worker.ts')], 'browser', 'iife');
  let failed = 0;
  for (const file of files) {
    const built = path.join(TO, file.replace(/\.ts$/, '.mjs'));
    failed += spawnSync(process.execPath, ['--expose-gc', built], { cwd: ROOT, stdio: 'inherit' }).status === 0 ? 0 : 1;
  }
  const { ms, runs } = await inWorker(fs.readFileSync(path.join(TO, 'worker.mjs'), 'utf8'));
  say(`${runs} random runs of six loads in Chromium’s worker   ${ms.toFixed(0)} ms   (aim: under 1000 ms)`);
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
