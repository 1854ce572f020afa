import type { Page } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test, visit } from '../support/viaggio';

const restoreFrom = (page: Page, file: string) => page.locator('input[type=file]').setInputFiles(file);
const row = (page: Page, name: string) => page.getByRole('row', { name: new RegExp(`^${name} `) });

/** What is kept, as one file on the disk. */
async function backUp(page: Page, file: string): Promise<void> {
  await visit(page, '/today');
  await page.getByRole('button', { name: 'Menu' }).click();
  await page.getByRole('link', { name: 'Backup and restore' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download a backup' }).click(),
  ]); // prettier-ignore
  expect(download.suggestedFilename()).toMatch(/^Viaggio \d{4}-\d\d-\d\d \d{4}\.zip$/);
  await download.saveAs(file);
}

test('a season goes into one file and comes back: looked at first, then brought, then taken back', async ({ page, request }, info) => {
  const file = info.outputPath('backup.zip');
  await backUp(page, file);
  const kept = (await (await request.get('/api/plan')).json()) as { rigs: { id: string; body: { name: string } }[] };
  const { id, body } = kept.rigs.find((rig) => rig.body.name === 'Breakwater')!;
  const { revision } = (await (await request.get(`/api/rigs/${id}`)).json()) as { revision: number };
  await request.put(`/api/rigs/${id}`, { headers: { 'If-Match': `"${revision}"` }, data: { ...body, name: 'Broken by mistake' } });

  await visit(page, '/backup');
  await restoreFrom(page, file);
  await expect(page.getByText(/0 things that are not here, 1 different/)).toBeVisible();
  await expect(row(page, 'Rigs')).toHaveText(/^Rigs *0 *1/);
  await expect(page.getByRole('button', { name: 'Restore', exact: true })).toBeDisabled(); // what is here stays unless told
  await page.getByText('Which ones').click();
  await expect(page.getByText('Rigs: Breakwater, newer here')).toBeVisible();
  await page.getByLabel(/^Becomes as it is in the backup/).check();
  await page.getByRole('button', { name: 'Restore 1 thing' }).click();
  await expect(page.getByText(/1 thing was brought from backup\.zip/)).toBeVisible();

  // the pages know at once, and the state before is among the older ones
  await page.getByRole('link', { name: 'Rigs', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Breakwater/ }).first()).toBeVisible();
  await visit(page, '/rigs/<Breakwater>/history');
  await expect(page.getByText('Broken by mistake').first()).toBeVisible();
  await visit(page, '/backup');
  await restoreFrom(page, file);
  await expect(page.getByText('everything in it is here already')).toBeVisible();
});

test('a file that broke off is told by what is wrong with it, on a phone, with units that come along', async ({ page }, info) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const file = info.outputPath('backup.zip');
  await visit(page, '/preferences');
  await page.getByLabel('Mass').selectOption('oz');
  await backUp(page, file);
  const broken = info.outputPath('broken.zip');
  writeFileSync(broken, readFileSync(file).subarray(0, -500));
  await restoreFrom(page, broken);
  await expect(page.getByRole('alert')).toContainText('The backup cannot be read');
  await expect(page.getByRole('alert')).toContainText('nothing was changed');

  await visit(page, '/preferences');
  await page.getByLabel('Mass').selectOption('g');
  await visit(page, '/backup');
  await restoreFrom(page, file);
  await page.getByLabel(/^Also units, dates and look/).check();
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(page.getByText('The settings of this device are those of the backup.')).toBeVisible();
  await visit(page, '/preferences');
  await expect(page.getByLabel('Mass')).toHaveValue('oz');
});
