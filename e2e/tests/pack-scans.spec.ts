import type { Page } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { readPdf } from '../support/pdf';
import { CAMERA_ARGS, pointCameraAt } from '../support/tag-camera';
import { addressOf, expect, test, untilSaved, visit } from '../support/viaggio';

const TRIP = '/pack/trips/<Out to Skarnholm>';

test.use({
  launchOptions: async ({ launchOptions }, use) => use({ ...launchOptions, args: [...(launchOptions.args ?? []), ...CAMERA_ARGS] }),
});

/** The sheet of tags that the page makes, photographed by the camera that the next scan sees. */
async function printedTags(page: Page, tags: readonly string[], file: string): Promise<void> {
  const ids = await Promise.all(tags.map(async (tag) => await addressOf(page.request, `<${tag}>`)));
  const answer = await page.request.post('/api/prints/tags', {
    data: { gearIds: ids, format: 'a4-24', origin: 'http://192.168.1.20:4377' },
  });
  expect(answer.status(), await answer.text().catch(() => '')).toBe(200);
  writeFileSync(file, await answer.body());
  const sheet = await (await readPdf(file)).draw(1, 4);
  pointCameraAt(sheet, tags.map((_, at) => at)); // prettier-ignore
}

test('tags that were printed are scanned with a camera in a dim room: ticked in Pack, found in Kit, entered in the Log', async ({
  page,
}, info) => {
  await printedTags(page, ['V3', 'K2'], info.outputPath('tags.pdf'));
  await visit(page, TRIP);
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/^V3: packed\. 52 still missing/)).toBeVisible();
  await expect(dialog.getByText(/^K2: packed\. 51 still missing/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('checkbox', { name: /^V3 / })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /^K2 / })).toBeChecked();
  await untilSaved(page);

  await page.goto('/kit');
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  await expect(page).toHaveURL(/item=/);
  await expect(page.getByRole('heading', { name: /Holmvik 147|Plovera cell M/ })).toBeVisible();

  await page.goto('/log/new?kind=run-down');
  await page.getByRole('button', { name: 'Scan a battery or a device' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByLabel('Battery', { exact: true }).locator('option:checked')).toHaveText(/Holmvik 147|Plovera cell M/);
});
