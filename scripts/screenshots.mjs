// `npm run screenshots`: docs/screenshots from the demo data, on a database of its own; with names, only those.
import fs from 'node:fs';
import path from 'node:path';
import { build } from './lib/build.mjs';
import { launchChromium } from './lib/chromium.mjs';
import { CHROMIUM, installDebianPackages, installNodePackages } from './lib/install.mjs';
import { ROOT } from './lib/paths.mjs';
import { POSTGRESQL } from './lib/postgres.mjs';
import { main, say } from './lib/say.mjs';
import { withThrowawayServer } from './lib/throwaway.mjs';

const FOLDER = path.join(ROOT, 'docs/screenshots');
const RIG = (number) => `/rigs/0d0c0000-0000-4000-8000-0000000001${number}`;
const DAY = '/days/0d0c0000-0000-4000-8000-000000004001';
const TRIP = '/pack/trips/0d0c0000-0000-4000-8000-000000009001';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Of the demo crew's world, but for those that show how one's own begins. */
const PICTURES = [
  { name: 'kit', path: '/kit?item=0d0c0000-0000-4000-8000-000000000012', size: DESK },
  { name: 'label', path: '/kit/label', size: DESK },
  { name: 'today', path: '/today', size: DESK, wait: 'app-concern-list li' },
  { name: 'rigs', path: '/rigs', size: DESK },
  { name: 'rig', path: RIG('02'), size: DESK, prepare: slideToEnd },
  { name: 'rig-of-four', path: RIG('07'), size: DESK, wait: '.apply' },
  { name: 'compare', path: `${RIG('07')}/compare`, size: { width: 1280, height: 1340 }, prepare: compareAll },
  { name: 'balance', path: `${RIG('11')}/balance`, size: DESK },
  { name: 'three-questions', path: '/today', size: DESK, own: true, prepare: answerThreeQuestions },
  { name: 'stop-dark', path: RIG('05'), size: DESK, dark: true, wait: '.apply' },
  { name: 'unattended', path: `${RIG('09')}/unattended`, size: { width: 1280, height: 1100 }, wait: '.apexcharts-svg' },
  { name: 'draws', path: '/log/draws', size: DESK, wait: '.rows' },
  {
    name: 'recording',
    path: '/log/recordings/0d0c0000-0000-4000-8000-000000005501',
    size: { width: 1280, height: 980 },
    wait: '.apexcharts-svg',
  },
  { name: 'check', path: '/bench/check/0d0c0000-0000-4000-8000-000000000112', size: DESK },
  { name: 'fault', path: `/bench/fault?rig=${RIG('01').slice(6)}&symptom=flashes-and-dies&tried=when-it-comes.at-switch-on`, size: DESK },
  { name: 'pack', path: `${TRIP}/bags`, size: { width: 1280, height: 1000 }, prepare: suggestBags },
  { name: 'phone-dark', path: RIG('06'), size: PHONE, dark: true },
  { name: 'day', path: DAY, size: { width: 1280, height: 900 }, prepare: makeItWork },
  { name: 'phone-day', path: DAY, size: PHONE, dark: true, wait: 'app-agenda li:nth-child(3)' },
];

await main(async () => {
  installDebianPackages([POSTGRESQL, CHROMIUM]);
  installNodePackages();
  build();
  fs.mkdirSync(FOLDER, { recursive: true });
  await withThrowawayServer('screenshots', takeAll);
});

async function takeAll(baseURL) {
  const browser = await launchChromium();
  try {
    const asked = process.argv.slice(2);
    for (const { name, path: at, size, dark, prepare, wait, own } of PICTURES) {
      if (asked.length > 0 && !asked.includes(name)) continue;
      const context = await browser.newContext({ baseURL, viewport: size, colorScheme: dark ? 'dark' : 'light', locale: 'en-GB' });
      const page = await context.newPage();
      await page.goto(own ? at : `/demo${at}`);
      await page.locator('h1').waitFor();
      await prepare?.(page);
      if (wait) await page.locator(wait).first().waitFor();
      await page.waitForTimeout(400);
      await page.screenshot({ path: path.join(FOLDER, `${name}.png`) });
      say(`docs/screenshots/${name}.png`);
      await context.close();
    }
  } finally {
    await browser.close();
  }
}

/** The end of the run, where the limit is reached. */
async function slideToEnd(page) {
  await page.locator('.apply').first().waitFor();
  await page.getByLabel('Go through the discharge').fill('240');
}

async function suggestBags(page) {
  await page.getByRole('button', { name: /^Suggest bags for the rest/ }).click();
  await page.getByRole('region', { name: 'In no bag' }).waitFor({ state: 'detached' });
  await page.getByText('Saved', { exact: true }).waitFor();
}

async function compareAll(page) {
  await page.getByRole('button', { name: 'Compare again' }).waitFor({ timeout: 60_000 });
  await page.locator('.apexcharts-svg').waitFor();
}

/** Chooses in a drop-down, or in a field that searches where there is much to choose from. */
async function pick(page, field, title) {
  if ((await field.evaluate(({ tagName }) => tagName)) === 'SELECT') return field.selectOption(title);
  await field.fill(title);
  return page.getByRole('listbox').getByRole('option', { name: title }).first().click();
}

async function answerThreeQuestions(page) {
  await pick(page, page.getByLabel('Device', { exact: true }), 'Mid-size camera, 4K at high frame rate');
  await page.getByText('USB-C Power Delivery bank', { exact: true }).click();
  await pick(page, page.getByLabel('Battery', { exact: true }), '45 W Power Delivery bank, 20 000 mAh');
  await page.getByLabel('It must run for').fill('3h30');
  await page.evaluate('window.scrollTo(0, 0)');
}

async function makeItWork(page) {
  await page.getByRole('button', { name: 'Make it work' }).click();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await page.getByText('Every block has power').waitFor();
  await page.getByText(/All of it lasts in \d/).waitFor();
}
