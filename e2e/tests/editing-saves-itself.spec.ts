import { WHEELHOUSE, expect, runTime, test, untilSaved, openPart, visit, timeNow, pressAct } from '../support/viaggio';

test('a changed figure is answered at once, saved, and survives a reload', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  await timeNow(page);
  await openPart(page, /^Battery V1/);
  const energy = page.getByLabel('Energy', { exact: true });
  await energy.fill('147Wh');
  await expect(page.getByText('read as 147 Wh')).toBeVisible();
  await expect(runTime(page)).toHaveText(/^7 h \d+ min$/);
  await untilSaved(page);
  await page.reload();
  await openPart(page, /^Battery V1/);
  await expect(energy).toHaveValue('147');
  await expect(runTime(page)).toHaveText(/^7 h \d+ min$/);
});

test('leaving in the middle of an edit loses nothing', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  await page.getByLabel('It must run for').fill('1h20');
  await page.reload();
  await expect(page.getByLabel('It must run for')).toHaveValue('1 h 20 min');
});

test('undo and redo, by button and by key', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  const before = await timeNow(page);
  const battery = page.getByLabel('Battery is at', { exact: true });
  const was = await battery.inputValue();
  await battery.fill('-20');
  await battery.blur();
  await expect(runTime(page)).not.toHaveText(before);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(battery).toHaveValue(was);
  await expect(runTime(page)).toHaveText(before);
  await page.keyboard.press('Control+Shift+Z');
  await expect(battery).toHaveValue('-20');
  await page.keyboard.press('Control+Z');
  await expect(battery).toHaveValue(was);
  await untilSaved(page);
  await page.reload();
  await expect(battery).toHaveValue(was);
});

test('what was done can be taken back after a reload, saved or not', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  const must = page.getByLabel('It must run for');
  const was = await must.inputValue();
  await must.fill('2h10');
  await untilSaved(page);
  await page.reload();
  await expect(must).toHaveValue('2 h 10 min');
  await must.fill('3h40');
  await page.reload();
  await expect(must).toHaveValue('3 h 40 min');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(must).toHaveValue('2 h 10 min');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(must).toHaveValue(was);
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(must).toHaveValue('2 h 10 min');
  await untilSaved(page);
});

test('another battery of the kit is one choice away', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  await openPart(page, /^Battery V1/);
  await page.getByLabel('Which of the kit').selectOption('V4: Holmvik 49');
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('draws more than 1.5 A (D-tap of Holmvik 49)');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Battery V1: Holmvik 95' })).toBeVisible();
});

test('gear that is in other rigs says so, and a change counts there too', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  await openPart(page, /^Adapter/);
  await expect(page.getByText('Also in Wheelhouse on the small battery; a change counts there too.')).toBeVisible(); // the adapter
  await page.getByLabel('Rated power').fill('12');
  await untilSaved(page);
  await page.goto('/rigs');
  await expect(page.getByRole('link', { name: /^Wheelhouse on the small battery/ })).toContainText('Stop');
});

test('a deleted rig can be taken back', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  await pressAct(page, 'Delete');
  await expect(page.getByRole('heading', { level: 1, name: 'Rigs' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Wheelhouse Good/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(page.getByRole('link', { name: /^Wheelhouse Good/ })).toBeVisible();
});
