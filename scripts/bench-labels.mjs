// Sixty drawn labels of the demo's world through the page's own reader: how many are right, how many wrong unsaid.
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { launchChromium } from './lib/chromium.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';
import { withThrowawayServer } from './lib/throwaway.mjs';

const CLOSE = 1e-6;

export async function benchLabels() {
  const { build } = await import('esbuild');
  const outdir = path.join(DATA, 'bench');
  const entryPoints = {
    'drawn-label': path.join(ROOT, 'e2e/support/drawn-label.ts'),
    label: path.join(ROOT, 'packages/core/src/gear/label/index.ts'),
  };
  await build({
    entryPoints,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'es2022',
    logLevel: 'warning',
  });
  const load = (name) => import(pathToFileURL(path.join(outdir, `${name}.mjs`)).href);
  const { DRAWN_LABELS, HOWS, drawLabel } = await load('drawn-label');
  const { readLabel } = await load('label');
  await withThrowawayServer('bench-labels', async (url) => {
    const browser = await launchChromium();
    try {
      const page = await browser.newPage({ baseURL: url, viewport: { width: 1280, height: 800 } });
      await page.goto('/kit/add');
      await page.getByRole('button', { name: 'By a battery’s label' }).click();
      await page.getByRole('button', { name: 'Read it from a photograph' }).click();
      const started = performance.now();
      const counts = { right: 0, warned: 0, silent: 0 };
      for (const [at, label] of DRAWN_LABELS.entries()) {
        for (const how of HOWS) {
          const { text, doubts } = await read(page, await drawLabel(page, label, how, at * HOWS.length + HOWS.indexOf(how) + 1));
          const { reads } = readLabel(text);
          const { prints = [], ...says } = label.says;
          const bare = text.replaceAll(' ', '');
          const right =
            Object.entries(says).every(([figure, value]) => Math.abs((reads[figure] ?? 0) - value) < CLOSE) &&
            prints.every((print) => bare.includes(print.replaceAll(' ', '')));
          const outcome = right ? 'right' : doubts > 0 ? 'warned' : 'silent';
          counts[outcome]++;
          if (!right) say(`  ${label.lines[0]}, ${how}: read “${text}”${doubts > 0 ? ', and doubted' : ''}`);
        }
      }
      const of = DRAWN_LABELS.length * HOWS.length;
      const each = (performance.now() - started) / of / 1000;
      say(
        `drawn labels read from pictures   ${counts.right} of ${of} right, ${counts.warned} wrong and doubted, ${counts.silent} wrong unsaid   (aim: 50, 0 unsaid), ${each.toFixed(1)} s each`,
      );
    } finally {
      await browser.close();
    }
  });
}

async function read(page, buffer) {
  const chooser = page.getByLabel('Take or drop a picture of the label');
  await chooser.setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer });
  const box = page.getByLabel('What was read: correct it');
  const failed = page.getByRole('alert');
  await box.or(failed).waitFor({ timeout: 90_000 });
  if (await failed.isVisible()) return { text: '', doubts: 1 };
  const found = { text: await box.inputValue(), doubts: await page.locator('app-label-photo .usual-caution').count() };
  await page.getByRole('button', { name: 'Another picture' }).click();
  return found;
}
