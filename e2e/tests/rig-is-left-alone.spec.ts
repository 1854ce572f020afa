import { expect, test, untilSaved, visit } from '../support/viaggio';

const BREAKWATER = '/rigs/<Breakwater>';

test('a time-lapse is left alone: its days, its sun, its visits, and what other intervals would give', async ({ page }) => {
  await visit(page, BREAKWATER);
  await page.getByRole('link', { name: 'Unattended' }).click();
  const answer = page.getByRole('region', { name: 'Unattended, the answer' });
  await expect(answer).toContainText(/It stops on day 11 of 14, Thu 22 Jan, unless somebody comes before/);
  await expect(answer).toContainText('20 W × 0.54 h × 0.65 = 7 Wh a day');
  await expect(answer).toContainText('The sun alone does not carry it.');
  await expect(answer).toContainText('Coming every 4 days with a full battery and an empty card is often enough.');
  await expect(answer).toContainText(/Day 9, Tue 20 Jan: bring an empty card/);
  await expect(answer.getByRole('row', { name: /^1 min, as it is/ })).toContainText('▲ not enough');
  await expect(answer.getByRole('row', { name: /^10 min/ })).toContainText('● carries it');
  await expect(answer).toContainText('Put a charge controller between panel and battery');

  // typed hours go before those of the latitude, and summer carries it
  await page.getByLabel('Peak-sun hours a day').fill('3.5 h');
  await expect(answer).toContainText('The sun carries it.');
  await page.getByLabel('Longest dull spell, in days').fill('9');
  await expect(answer).toContainText('9 days without any sun: more than a full battery bridges');
  await page.getByLabel('Peak-sun hours a day').fill('plenty');
  await expect(page.getByText(/such as 1.2 h/)).toBeVisible();
  await page.getByLabel('Peak-sun hours a day').fill('');
  await page.getByLabel('Latitude, south below zero').fill('');
  await expect(answer).toContainText('How much sun there is, is unknown');
  await untilSaved(page);
  await page.reload();
  await expect(answer).toContainText('How much sun there is, is unknown');
});

test('on a phone a rig that no panel feeds tells its days on the battery', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await visit(page, '/rigs/<Wheelhouse>/unattended');
  const answer = page.getByRole('region', { name: 'Unattended, the answer' });
  await expect(answer).toContainText('On a full battery alone');
  await expect(answer).toContainText('Without a panel the battery is all there is.');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});
