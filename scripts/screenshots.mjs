// `npm run screenshots`: docs/screenshots from the demo data, on a database of its own.
import fs from 'node:fs';
import path from 'node:path';
import { build } from './lib/build.mjs';
import { launchChromium } from './lib/chromium.mjs';
import { CHROMIUM, installDebianPackages, installNodePackages } from './lib/install.mjs';
import { DATA, ROOT } from './lib/paths.mjs';
import { POSTGRESQL, startPostgres } from './lib/postgres.mjs';
import { main, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const FOLDER = path.join(ROOT, 'docs/screenshots');
const RIG = (number) => `/rigs/0d0c0000-0000-4000-8000-0000000001${number}`;
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const PICTURES = [
  { name: 'rigs', path: '/rigs', size: DESK },
  { name: 'rig', path: RIG('02'), size: { width: 1280, height: 1340 }, wait: '.apexcharts-svg' },
  { name: 'rig-of-four', path: RIG('07'), size: { width: 1280, height: 1500 }, prepare: showWays },
  { name: 'three-questions', path: '/rigs/new', size: DESK, prepare: answerThreeQuestions, wait: '.apexcharts-svg' },
  { name: 'stop-dark', path: RIG('05'), size: DESK, dark: true },
  { name: 'conflict', path: RIG('01'), size: DESK, prepare: makeConflict },
  { name: 'phone-dark', path: RIG('06'), size: PHONE, dark: true },
];

await main(async () => {
  installDebianPackages([POSTGRESQL, CHROMIUM]);
  installNodePackages();
  build();
  fs.mkdirSync(FOLDER, { recursive: true });
  const postgres = await startPostgres(path.join(DATA, `test-${process.pid}`), { throwaway: true });
  try {
    const server = await startServer({ databaseUrl: postgres.url, port: 0, logFile: path.join(DATA, 'screenshots.log') });
    await takeAll(server.url);
    await server.stop();
  } finally {
    await postgres.stop();
    fs.rmSync(postgres.base, { recursive: true, force: true });
  }
});

async function takeAll(baseURL) {
  const browser = await launchChromium();
  try {
    for (const { name, path: at, size, dark, prepare, wait } of PICTURES) {
      const context = await browser.newContext({ baseURL, viewport: size, colorScheme: dark ? 'dark' : 'light', locale: 'en-GB' });
      const page = await context.newPage();
      await page.goto(at);
      await page.locator('h1').waitFor();
      await prepare?.(page, context);
      if (wait) await page.locator(wait).waitFor();
      await page.waitForTimeout(400);
      await page.screenshot({ path: path.join(FOLDER, `${name}.png`) });
      say(`docs/screenshots/${name}.png`);
      await context.close();
    }
  } finally {
    await browser.close();
  }
}

/** The ways of its energy at the top, the answer above them out of sight. */
async function showWays(page) {
  await page.getByRole('region', { name: 'Voltage profile' }).scrollIntoViewIfNeeded();
  await page.evaluate(`document.querySelector('[aria-label="Voltage profile"]').scrollIntoView({ block: 'start' })`);
}

async function answerThreeQuestions(page) {
  await page.getByLabel('Device', { exact: true }).selectOption('Mid-size camera, 4K at high frame rate');
  await page.getByText('USB-C Power Delivery bank', { exact: true }).click();
  await page.getByLabel('Battery', { exact: true }).selectOption('45 W Power Delivery bank, 20 000 mAh');
  await page.getByLabel('It must run for').fill('3h30');
  await page.evaluate('window.scrollTo(0, 0)');
}

async function makeConflict(page, context) {
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByLabel('It must run for').fill('3 h');
  await other.getByText('Saved', { exact: true }).waitFor();
  await other.waitForTimeout(1200);
  await page.getByLabel('It must run for').fill('5 h');
  await page.getByRole('dialog').waitFor();
  await other.close();
}
