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
  await page.goto('/');
  const demo = page.getByRole('region', { name: /Low Water/ });
  await expect(demo.getByRole('listitem')).toHaveCount(11);
  await expect(demo.getByRole('link', { name: /^Galley on the old bank/ })).toContainText('Stop');
  await expect(demo.getByRole('link', { name: /^Galley interviews/ })).toContainText('Good');
  await demo.getByRole('link', { name: /^Galley on the old bank/ }).click();
  await expect(page).toHaveURL(await addressOf(page.request, OLD_BANK));
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('The contract is 9 V at 2 A, 18 W');
});

test('reset demo brings it back and leaves one’s own alone', async ({ page }) => {
  await page.goto('/rigs/new');
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
  await page.getByRole('button', { name: /Reset demo/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Reset demo' }).click();
  await expect(runTime(page)).toHaveText(shipped);
  await page.goto('/rigs');
  await expect(page.getByRole('region', { name: 'Your rigs' }).getByRole('listitem')).toHaveCount(1);
});

test('the picture’s parts can be reached by keyboard and say their numbers', async ({ page }) => {
  await visit(page, STILLS);
  const part = page.getByRole('img', { name: /^Plovera R; accepts 6.3 V to 8.6 V; at the start 8.19 V, 0.63 A, 5.2 W/ });
  await part.focus();
  await expect(page.getByRole('region', { name: 'Voltage profile' })).toContainText(
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
  await expect(page).toHaveURL('/rigs/new');
  await page.keyboard.press('1');
  await expect(page).toHaveURL('/kit');
  await page.keyboard.press('/');
  await expect(page.getByRole('searchbox')).toBeFocused();
  await page.getByRole('heading', { name: 'Kit' }).click();
  await page.keyboard.press('2');
  await expect(page).toHaveURL('/rigs');
});
