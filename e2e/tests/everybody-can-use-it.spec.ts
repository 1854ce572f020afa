import type { Page } from '@playwright/test';
import { TAGS, TARGET_PX, axe, expectNothingCutOff, serious, squeezed, tooSmall } from '../support/readable';
import { DAY, WHEELHOUSE, addressOf, expect, test, untilPlanned, untilSaved, visit } from '../support/viaggio';

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
  '/today',
  '/preferences',
  '/backup',
  '/help',
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
  '/bench/check',
  '/bench/check/<Skuadon on the blue board>',
  '/bench/contacts',
  '/bench/contacts/<Second-hand adapter S>',
  '/bench/build/pack',
  '/bench/build/converter',
  '/bench/fault',
  '/bench/fault?symptom=no-gauge&rig=<Wheelhouse>',
  '/pack/trips',
  '/pack/trips/<Out to Skarnholm>',
  '/pack/trips/<Out to Skarnholm>/bags',
  '/pack/trips/<Out to Skarnholm>/flying',
  '/pack/trips/<Out to Skarnholm>/gate',
  '/pack/trips/<Out to Skarnholm>/setup',
  '/pack/charge',
  '/pack/tags',
  '/pack/rules',
  '/pack/borrowed',
  '/nowhere',
];

/** Some pages a test: a window that has loaded the application once opens the next page in a fraction of the time. */
const AT_ONCE = 5;

for (let from = 0; from < PAGES.length; from += AT_ONCE) {
  const pages = PAGES.slice(from, from + AT_ONCE);
  test(`axe finds nothing serious, and nothing is cut off on a phone: ${pages.join(', ')}`, async ({ page }) => {
    test.slow();
    for (const path of pages) await test.step(path, () => look(page, path));
  });
}

test.describe('where nothing is entered yet', () => {
  test.use({ world: 'own' });

  test('axe finds nothing serious, and nothing is cut off on a phone', async ({ page }) => {
    for (const path of ['/today', '/rigs', '/kit']) await test.step(path, () => look(page, path));
  });
});

async function look(page: Page, path: string): Promise<void> {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'light' });
  await visit(page, path);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText(/^(Loading|Working it out) /)).toHaveCount(0);
  if (path === WHEELHOUSE || path === RECORDING) await expect(page.locator('.apexcharts-svg')).toBeVisible();
  // its editors come when there is time for them
  if (path === '/rigs/new') await expect(page.locator('app-battery-editor, app-adapter-editor')).toHaveCount(2);
  await page.evaluate(() => document.querySelectorAll('details').forEach((fold) => (fold.open = true)));
  // what nobody worded reaches a page as this
  expect(await page.locator('body').innerText()).not.toMatch(/\[object |\bundefined\b|\bNaN\b/);
  expect(await serious(axe(page).withTags(TAGS))).toEqual([]);
  expect(await tooSmall(page, TARGET_PX.desk)).toEqual([]);
  // another theme is other colours, and nothing else
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  // halfway from one colour to another is neither
  await page.waitForFunction(() =>
    document.getAnimations().every((one) => {
      const target = (one.effect as KeyframeEffect | null)?.target;
      // what is folded away stands still halfway until it is opened
      return !(one instanceof CSSTransition) || target?.checkVisibility() !== true;
    }),
  );
  expect(await serious(axe(page).withRules(['color-contrast']))).toEqual([]);
  await expectNothingCutOff(page);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await tooSmall(page, TARGET_PX.phone)).toEqual([]);
  for (const width of [390, 320]) {
    await page.setViewportSize({ width, height: 844 });
    expect(await squeezed(page)).toEqual([]);
  }
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
  test.slow();
  await visit(page, DAY);
  await page.getByRole('button', { name: 'Places and gear' }).click();
  await page.getByRole('button', { name: 'Make it work' }).click();
  await expect(page.getByRole('button', { name: 'Stop, keep the best so far' })).toBeVisible();
  await untilPlanned(page);
  await expect(page.getByRole('table', { name: 'Plans side by side' })).toBeVisible();
  await page
    .getByRole('button', { name: /^Stills with the grip: Stills, morning/ })
    .and(page.locator('.block'))
    .click();
  await expect(page.getByRole('region', { name: 'Block', exact: true })).toBeVisible();
  await page.evaluate(() => document.querySelectorAll('details').forEach((fold) => (fold.open = true)));
  expect(await serious(axe(page).withTags(TAGS))).toEqual([]);
  await expectNothingCutOff(page);
});

test('the theme can be pinned and stays', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/rigs');
  await page.getByRole('button', { name: 'Menu' }).click();
  await page.getByRole('link', { name: 'Preferences' }).click();
  await page.getByLabel('Colours').selectOption('dark, for the set');
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
});

test('figures, clocks and dates are read as somebody likes, at once and after a reload; what is kept stays metric', async ({
  page,
  request,
}) => {
  await page.goto('/preferences');
  const sample = page.getByTestId('sample');
  await expect(sample).toHaveText('Tue 13 Jan 2026, 15:05: -5 °C, a battery of 14.4 V and 640 g, a lead of 0.6 m, 180.');
  await page.getByLabel('Mass').selectOption('ounces and pounds');
  await page.getByLabel('Temperature').selectOption('Fahrenheit');
  await page.getByLabel('Length').selectOption('inches and feet');
  await page.getByLabel('Decimal mark').selectOption('comma: 14,4');
  await page.getByLabel('Clock').selectOption('12 h');
  await page.getByLabel('Dates').selectOption('month first: Jan 13');
  await page.getByLabel('Prices are in').fill('€');
  await expect(sample).toHaveText('Tue Jan 13, 2026, 3:05 pm: 23 °F, a battery of 14,4 V and 1,4 lb, a lead of 2 ft, 180 €.');
  await visit(page, WHEELHOUSE);
  const field = page.getByLabel('Battery is at', { exact: true });
  await field.fill('32');
  await expect(page.locator('.chip').filter({ hasText: '32 °F' })).toBeVisible();
  await untilSaved(page);
  const { body } = (await (await request.get(await addressOf(request, '/api/rigs/<Wheelhouse>'))).json()) as {
    body: { temperatureC: number };
  };
  expect(body.temperatureC).toBeCloseTo(0, 9);
  await page.reload();
  await expect(field).toHaveValue('32');
});
