import type { Page } from '@playwright/test';
import { WHEELHOUSE, expect, openPart, test, untilSaved, visit } from '../support/viaggio';

/** Two windows on one rig; the second saves first, the first then finds out. */
async function conflict(one: Page, other: Page): Promise<void> {
  await visit(one, WHEELHOUSE);
  await visit(other, WHEELHOUSE);
  await expect(one.getByLabel('It must run for')).toHaveValue('4 h');
  await other.getByLabel('It must run for').fill('3h');
  await untilSaved(other);
  await one.getByLabel('It must run for').fill('5h');
  const dialog = one.getByRole('dialog');
  await expect(dialog).toContainText('“Wheelhouse” was changed in two places');
  await expect(dialog.getByRole('row', { name: /Must run/ })).toContainText('5 h');
  await expect(dialog.getByRole('row', { name: /Must run/ })).toContainText('3 h');
}

test('keep mine', async ({ page, context }) => {
  const other = await context.newPage();
  await conflict(page, other);
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await untilSaved(page);
  await other.reload();
  await expect(other.getByLabel('It must run for')).toHaveValue('5 h');
});

test('take theirs, and mine is one undo away', async ({ page, context }) => {
  const other = await context.newPage();
  await conflict(page, other);
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(page.getByLabel('It must run for')).toHaveValue('3 h');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByLabel('It must run for')).toHaveValue('5 h');
  await untilSaved(page);
});

test('keep both', async ({ page, context }) => {
  const other = await context.newPage();
  await conflict(page, other);
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wheelhouse (mine)');
  await expect(page.getByLabel('It must run for')).toHaveValue('5 h');
  await visit(page, WHEELHOUSE);
  await expect(page.getByLabel('It must run for')).toHaveValue('3 h');
});

test('the same for a piece of gear', async ({ page, context }) => {
  const other = await context.newPage();
  await visit(page, WHEELHOUSE);
  await visit(other, WHEELHOUSE);
  for (const window of [page, other]) await openPart(window, /^Battery V1/);
  await expect(page.getByLabel('Energy', { exact: true })).toHaveValue('95');
  await other.getByLabel('Energy', { exact: true }).fill('90');
  await untilSaved(other);
  await page.getByLabel('Energy', { exact: true }).fill('99');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /Energy/ })).toContainText('99 Wh');
  await expect(dialog.getByRole('row', { name: /Energy/ })).toContainText('90 Wh');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await untilSaved(page);
});
