import type { Page } from '@playwright/test';
import { TAGS, axe, expectNothingCutOff, serious } from '../support/readable';
import { DAY, expect, test, visit } from '../support/viaggio';

const LISTS = /\/api\/(gear|rigs|days|log|recordings|sheets|rules|trips)$/;
/** Each view, and how it says that there is nothing. */
const EMPTY: readonly (readonly [address: string, says: RegExp])[] = [
  ['/today', /Will it run, and for how long/],
  ['/kit', /Nothing in the kit yet/],
  ['/rigs', /No rig yet/],
  ['/days', /No day yet/],
  ['/log', /Nothing in the log yet/],
  ['/log/recordings', /No recordings yet/],
  ['/log/draws', /Nothing learnt yet/],
  ['/log/batteries', /No batteries yet/],
  ['/log/plans', /No run on set yet/],
  ['/bench/check', /No rig yet/],
  ['/bench/contacts', /Nothing compared yet/],
  ['/bench/fault', /No rig yet/],
  ['/pack/trips', /No trip yet/],
  ['/pack/charge', /No rechargeable battery is at hand/],
  ['/pack/tags', /Nothing in the kit yet/],
  ['/pack/borrowed', /Nothing is borrowed/],
  ['/rigs/nowhere', /There is no such rig/],
];
const VIEWS = EMPTY.map(([address]) => address).slice(0, -1);
const LONG = ' with the follow focus of the second unit, and everything else that hangs on it on a working day';

test('a view with nothing in it says how to begin, at any width', async ({ page }) => {
  await page.route(LISTS, (route) => (route.request().method() === 'GET' ? route.fulfill({ json: [] }) : route.continue()));
  for (const [address, says] of EMPTY)
    await test.step(address, async () => {
      await page.goto(address);
      await expect(page.locator('main').getByText(says).first()).toBeVisible();
      await canBeRead(page);
    });
});

test('a view whose server does not answer says so, and does not say that all is saved', async ({ page }) => {
  await page.route(LISTS, (route) => route.fulfill({ status: 503, body: '' }));
  for (const address of VIEWS)
    await test.step(address, async () => {
      await page.goto(address);
      await expect(page.getByRole('alert').getByText('No connection')).toBeVisible();
      await expect(page.getByRole('status').filter({ hasText: 'No server' })).toBeVisible();
      await canBeRead(page);
    });
  // it is tried again by itself
  await page.unroute(LISTS);
  await expect(page.getByRole('alert')).toBeHidden({ timeout: 15_000 });
});

test('a view that is still loading says so', async ({ page }) => {
  let go = (): void => undefined;
  const until = new Promise<void>((resolve) => (go = resolve));
  await page.route(LISTS, async (route) => {
    await until;
    await route.continue();
  });
  await page.goto('/kit');
  await expect(page.getByRole('status').filter({ hasText: 'Loading …' })).toBeVisible();
  expect(await serious(axe(page).withTags(TAGS))).toEqual([]);
  go();
  await expect(page.getByRole('row').nth(3)).toBeVisible();
});

test('names as long as they may be push nothing off the page', async ({ page }) => {
  await page.route(LISTS, async (route) => {
    if (route.request().method() !== 'GET') return route.continue();
    // as a browser does where the server ends a connection that it had kept open
    const response = await route.fetch({ maxRetries: 2 });
    const items = (await response.json()) as { body: { name?: string } }[];
    const json = items.map((item) =>
      item.body.name === undefined ? item : { ...item, body: { ...item.body, name: longer(item.body.name) } },
    );
    return route.fulfill({ response, json });
  });
  for (const address of [...VIEWS, '/rigs/<Wheelhouse, everything on one V-mount>', DAY, '/kit?item=<V4>'])
    await test.step(address, async () => {
      await visit(page, address);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await page.setViewportSize({ width: 1280, height: 800 });
      await expectNothingCutOff(page);
    });
});

const longer = (name: string): string => `${name}${LONG}`.slice(0, 120);

async function canBeRead(page: Page): Promise<void> {
  await page.setViewportSize({ width: 1280, height: 800 });
  expect(await serious(axe(page).withTags(TAGS))).toEqual([]);
  await expectNothingCutOff(page);
}
