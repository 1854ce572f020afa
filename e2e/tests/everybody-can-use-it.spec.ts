import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { DAY, WHEELHOUSE, expect, test, visit } from '../support/viaggio';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'];
const RECORDING = '/log/recordings/<V1 to Wheelhouse, bench>';
const PAGES = [
  '/rigs',
  '/rigs/new',
  WHEELHOUSE,
  '/rigs/<Galley on the old bank>',
  '/rigs/<Wheelhouse, everything on one V-mount>',
  '/rigs/<Wheelhouse, everything on one V-mount>/balance',
  '/rigs/<Wheelhouse, everything on one V-mount>/history',
  '/rigs/<Breakwater>/unattended',
  '/kit?item=<V4>',
  '/kit/add',
  '/kit/import',
  '/kit/label',
  '/days',
  DAY,
  '/log',
  '/log/new',
  '/log/new?kind=part',
  '/log/draws',
  '/log/batteries',
  '/log/batteries/<V4>',
  '/log/plans',
  RECORDING,
  '/log/recordings/import',
  '/log/recordings/live',
  '/nowhere',
];

/** Some pages a test: a window that has loaded the application once opens the next page in a fraction of the time. */
const AT_ONCE = 5;

for (let from = 0; from < PAGES.length; from += AT_ONCE) {
  const pages = PAGES.slice(from, from + AT_ONCE);
  test(`axe finds nothing serious, and nothing is cut off on a phone: ${pages.join(', ')}`, async ({ page }) => {
    for (const path of pages) await test.step(path, () => look(page, path));
  });
}

async function look(page: Page, path: string): Promise<void> {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'light' });
  await visit(page, path);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText(/^(Loading|Working it out) /)).toHaveCount(0);
  if (path === WHEELHOUSE || path === RECORDING) await expect(page.locator('.apexcharts-svg')).toBeVisible();
  await page.evaluate(() => document.querySelectorAll('details').forEach((fold) => (fold.open = true)));
  expect(await serious(axe(page).withTags(TAGS))).toEqual([]);
  // another theme is other colours, and nothing else
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  // halfway from one colour to another is neither
  await page.waitForFunction(() => document.getAnimations().every((one) => !(one instanceof CSSTransition)));
  expect(await serious(axe(page).withRules(['color-contrast']))).toEqual([]);
  for (const width of [390, 360]) {
    await page.setViewportSize({ width, height: 844 });
    // a chart follows a moment after the page
    await page.waitForFunction((most) => document.documentElement.scrollWidth <= most, width, { timeout: 3000 });
  }
}

/** There are no frames: looked at in place, which takes half as long as by way of a page of axe's own. */
const axe = (page: Page): AxeBuilder => new AxeBuilder({ page }).setLegacyMode();

async function serious(builder: AxeBuilder): Promise<string[]> {
  const { violations } = await builder.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
}

test('axe finds nothing serious where a feed is chosen, and where approaches are compared', async ({ page }) => {
  const all = () => serious(axe(page).withTags(TAGS));
  await visit(page, WHEELHOUSE);
  await page.getByRole('button', { name: 'Other feeds …' }).click();
  await expect(page.getByRole('list', { name: /^Sound feeds/ })).toBeVisible();
  expect(await all()).toEqual([]);
  await page.getByRole('button', { name: 'By hand' }).click();
  await expect(page.getByText(/^Why not the others/)).toBeVisible();
  expect(await all()).toEqual([]);
  await visit(page, `${WHEELHOUSE}/compare`);
  await expect(page.getByRole('button', { name: 'Compare again' })).toBeVisible({ timeout: 25_000 });
  expect(await all()).toEqual([]);
});

test('axe finds nothing serious where a day is set up, planned, and a block is open', async ({ page }) => {
  await visit(page, DAY);
  await page.getByRole('button', { name: 'Places and gear' }).click();
  await page.getByRole('button', { name: 'Make it work' }).click();
  await expect(page.getByRole('table', { name: 'Plans side by side' })).toBeVisible();
  await page
    .getByRole('button', { name: /^Stills with the grip: Stills, morning/ })
    .and(page.locator('.block'))
    .click();
  await expect(page.getByRole('region', { name: 'Block', exact: true })).toBeVisible();
  await page.evaluate(() => document.querySelectorAll('details').forEach((fold) => (fold.open = true)));
  expect(await serious(axe(page).withTags(TAGS))).toEqual([]);
  for (const width of [390, 360]) {
    await page.setViewportSize({ width, height: 844 });
    await page.waitForFunction((most) => document.documentElement.scrollWidth <= most, width, { timeout: 3000 });
  }
});

test('the theme can be pinned and stays', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/rigs');
  await page.getByRole('button', { name: 'Menu' }).click();
  await page.getByRole('button', { name: 'Dark, for the set' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
});
