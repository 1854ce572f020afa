import {
  expect,
  OLD_BANK,
  openPart,
  pick,
  runTime,
  STILLS,
  test,
  untilSaved,
  WHEELHOUSE,
  visit,
  addressOf,
  timeNow,
} from '../support/viaggio';

test('the demo crew’s rigs are judged, their troubles found', async ({ page }) => {
  await page.goto('/rigs');
  const demo = page.getByRole('list', { name: 'Rigs' });
  const rigs = (await (await page.request.get('/api/rigs')).json()) as readonly object[];
  await expect(demo.getByRole('listitem')).toHaveCount(rigs.length);
  await expect(demo.getByRole('link', { name: /^Galley on the old bank/ })).toContainText('Stop');
  await expect(demo.getByRole('link', { name: /^Galley interviews/ })).toContainText('Good');
  await demo.getByRole('link', { name: /^Galley on the old bank/ }).click();
  await expect(page).toHaveURL(`/demo${await addressOf(page.request, OLD_BANK)}`);
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('Agreed over USB-C: 9 V at 2 A, 18 W');
});

test('put back, the demo crew is as it shipped; one’s own is another world, and is left alone', async ({ page, baseURL }) => {
  const home = new URL(baseURL!).origin;
  await page.goto(`${home}/rigs/new`);
  await pick(page.getByLabel('Device', { exact: true }), 'Small mirrorless camera, 4K');
  await page.getByText('Its own battery', { exact: true }).click();
  await pick(page.getByLabel('Battery', { exact: true }), 'Small camera battery, 7.2 V 1050 mAh');
  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}$/);

  await visit(page, WHEELHOUSE);
  const shipped = await timeNow(page);
  await openPart(page, /^Battery V1/);
  await page.getByLabel('Energy', { exact: true }).fill('50');
  await untilSaved(page);
  await page.getByRole('button', { name: 'Menu' }).click();
  await page.getByRole('button', { name: /Put the demo crew back/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Put it back' }).click();
  await expect(runTime(page)).toHaveText(shipped);
  await page.getByRole('link', { name: 'My kit' }).click();
  await page.getByRole('link', { name: 'Rigs', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Rigs' }).getByRole('listitem')).toHaveCount(1);
});

test('the picture’s parts can be reached by keyboard and say their numbers', async ({ page }) => {
  await visit(page, STILLS);
  const part = page.getByRole('img', { name: /^Plovera R; accepts 6.3 V to 8.6 V; at the start 8.19 V, 0.63 A, 5.2 W/ });
  await part.focus();
  await expect(page.getByRole('region', { name: 'Energy path' })).toContainText(
    /Plovera R accepts 6.3 V to 8.6 V\..*8.19 V.*0.63 A.*5.2 W/,
  );
});

test('keys lead to the views and list themselves', async ({ page }) => {
  await visit(page, STILLS);
  await expect(runTime(page)).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('A new rig, by three questions');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('n');
  await expect(page).toHaveURL('/demo/rigs/new');
  for (const [digit, path] of ['/today', '/kit', '/rigs', '/days', '/bench/check', '/pack/trips', '/log'].entries()) {
    await page.keyboard.press(String(digit + 1));
    await expect(page).toHaveURL(`/demo${path}`);
  }
});

test('everything is found by a key, a few letters and Enter: gear, rigs, days, the log, and what can be done', async ({ page }) => {
  await page.goto('/today');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const find = async (typed: string): Promise<void> => {
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(page.locator('body')).not.toHaveClass(/modal-open/);
    await page.keyboard.press('/');
    await expect(page.getByRole('combobox', { name: 'Search everything' })).toBeFocused();
    await page.keyboard.type(typed);
  };
  const found = page.getByRole('listbox', { name: 'Found' }).getByRole('option');
  await find('v4');
  await expect(found.first()).toContainText('V4: Holmvik 49');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(`/demo${await addressOf(page.request, '/kit?item=<V4>')}`);
  await find('stills');
  await expect(found.nth(1)).toContainText('Stills with the grip');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(`/demo${await addressOf(page.request, '/rigs/<Stills with the grip>')}`);
  await find('out with the pilots');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(`/demo${await addressOf(page.request, '/days/<Day 2, out with the pilots>')}`);
  await find('add entry');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL('/demo/log/new');
  await page.goto('/log');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await find('nothing like it');
  await expect(page.getByText('Nothing is called “nothing like it”.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('the help shows each view, is searched, and a word is explained where it stands', async ({ page }) => {
  await page.goto('/help');
  const pictures = page.locator('main img');
  await expect(pictures).toHaveCount(7);
  for (const picture of await pictures.all()) {
    await picture.scrollIntoViewIfNeeded();
    await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(0);
  }
  await page.getByLabel('Search the help').fill('d-tap amps');
  await expect(page.getByText('A two-pole socket that passes on')).toBeVisible();
  await visit(page, WHEELHOUSE);
  await page.getByText('What “Plan with” means').first().click();
  await expect(page.getByText('The time until the first stop, the reserve kept.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('The time until the first stop, the reserve kept.')).toBeHidden();
});
