import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { readPdf } from '../support/pdf';
import { expect, pressAct, test, untilSaved, visit } from '../support/viaggio';

const TRIP = '/pack/trips/<Out to Skarnholm>';
const PHONE = { width: 390, height: 844 };

const tick = (page: Page, name: RegExp) => page.getByRole('checkbox', { name });
const bag = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

test('a trip by air is packed: what may not fly goes by road, one over 100 Wh is asked about, three banks are shared out', async ({
  page,
}) => {
  await visit(page, `${TRIP}/flying`);
  await expect(page.getByText('■ Not as it is packed now.')).toBeVisible();
  await expect(page.getByText('V5 may not fly: send it by road, or hire one there.')).toBeVisible();
  await expect(page.getByText('Ask the carrier before: V3: Holmvik 147: 147 Wh.')).toBeVisible();
  // rules of last winter are not trusted
  await expect(page.getByText(/Skarn Air, 2026-01: look them up again/).first()).toBeVisible();

  await page.getByRole('link', { name: 'Bags', exact: true }).click();
  await page.getByRole('button', { name: /^Suggest bags for the rest/ }).click();
  await expect(bag(page, 'In no bag')).toHaveCount(0);
  await expect(bag(page, 'Crate on the supply boat').getByRole('button', { name: /^V5 / })).toBeVisible();
  await expect(bag(page, 'Crate on the supply boat')).toContainText('Breakwater cannot run.');
  await expect(page.getByText('too heavy', { exact: false }).filter({ hasText: '■' })).toHaveCount(0);

  await page.getByRole('link', { name: 'Flying', exact: true }).click();
  await expect(page.getByText(/◆ Everybody keeps the limits, if the carrier agrees/)).toBeVisible();
  const carriers = page.getByRole('region', { name: 'Who carries what' });
  await expect(carriers.getByText(/1 bank/)).toHaveCount(3);

  // three banks in one bag are one too many
  await page.getByRole('link', { name: 'Bags', exact: true }).click();
  for (const name of ['B1', 'B3', 'B5']) {
    const from = page.getByRole('region').filter({ has: page.getByRole('button', { name: new RegExp(`^${name} `) }) });
    if ((await from.getAttribute('aria-label')) === 'Siv’s cabin bag') continue;
    await page.getByRole('button', { name: new RegExp(`^${name} `) }).click();
    await page
      .getByRole('group', { name: /^Move / })
      .getByRole('button', { name: 'Siv’s cabin bag' })
      .click();
  }
  await page.getByRole('link', { name: 'Flying', exact: true }).click();
  await expect(page.getByText('Siv has 3 banks, 2 are allowed: move one to somebody else.')).toBeVisible();
  await page.keyboard.press('Control+Z');
  await expect(page.getByText(/^Siv has 3 banks/)).toHaveCount(0);

  await page.getByRole('link', { name: 'At the gate', exact: true }).click();
  const ine = page.getByRole('listitem').filter({ hasText: 'V3: Holmvik 147' });
  await expect(ine).toContainText('147 Wh');
  await expect(ine).toContainText('14.4 V × 10.21 Ah = 147 Wh');
  await expect(page.getByText('V5: Holmvik 196')).toHaveCount(0);
  await untilSaved(page);
});

test('a thing is dragged from one bag into another', async ({ page }) => {
  await visit(page, `${TRIP}/bags`);
  await page.getByRole('button', { name: /^Suggest bags for the rest/ }).click();
  const from = bag(page, 'Case A').getByRole('button', { name: /^Havgall cinema camera/ });
  await from.scrollIntoViewIfNeeded();
  const [start, end] = [(await from.boundingBox())!, (await bag(page, 'Case B').boundingBox())!];
  await page.mouse.move(start.x + 10, start.y + 10);
  await page.mouse.down();
  await page.mouse.move(start.x + 40, start.y + 12, { steps: 5 });
  await page.mouse.move(end.x + 60, end.y + 60, { steps: 10 });
  await page.mouse.up();
  await expect(bag(page, 'Case B').getByRole('button', { name: /^Havgall cinema camera/ })).toBeVisible();
});

test('on a phone the list is ticked by a press and by a typed tag; what is missing is loud, and what is left on the way home', async ({
  page,
}) => {
  await page.setViewportSize(PHONE);
  await visit(page, TRIP);
  await tick(page, /^V3 /).check();
  const search = page.getByLabel(/^Find, or type a tag/);
  await search.fill('v2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('V2: packed. 51 still missing.')).toBeVisible();
  await search.fill('v2');
  await page.keyboard.press('Enter');
  await expect(page.getByText('V2 was ticked already.')).toBeVisible();
  await search.fill('v4');
  await page.keyboard.press('Enter');
  await expect(page.getByText('V4 is not on this list.')).toBeVisible();
  await page.getByRole('button', { name: 'Only what is missing' }).click();
  await expect(tick(page, /^V3 /)).toHaveCount(0);
  await page.getByRole('button', { name: 'Only what is missing' }).click();

  await page.getByRole('button', { name: 'Way home' }).click();
  await expect(page.getByText('2 not packed for home: do not leave them.')).toBeVisible();
  await tick(page, /^V3 /).check();
  await expect(page.getByText('1 not packed for home: do not leave it.')).toBeVisible();
  await tick(page, /^V2 /).check();
  await expect(page.getByText('Nothing is missing.')).toBeVisible();
  await untilSaved(page);
  await page.reload();
  await expect(tick(page, /^V3 /)).toBeChecked();
});

test('two people tick at once: each sees the other’s, nobody is asked, and undo takes back one’s own', async ({ page, context }) => {
  await visit(page, TRIP);
  const other = await context.newPage();
  await visit(other, TRIP);
  await expect(tick(other, /^V2 /)).toBeVisible();
  await Promise.all([tick(page, /^V3 /).check(), tick(other, /^V2 /).check()]);
  await Promise.all([tick(page, /^K2 /).check(), tick(other, /^K1 /).check()]);
  for (const one of [page, other]) for (const name of [/^V2 /, /^V3 /, /^K1 /, /^K2 /]) await expect(tick(one, name)).toBeChecked();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(other.getByRole('dialog')).toHaveCount(0);
  await page.bringToFront();
  await page.keyboard.press('Control+Z');
  await expect(tick(page, /^K2 /)).not.toBeChecked();
  await expect(tick(page, /^K1 /)).toBeChecked();
  await untilSaved(page);
  await other.bringToFront();
  await expect(tick(other, /^K2 /)).not.toBeChecked();
  await expect(tick(other, /^K1 /)).toBeChecked();
});

test('what a single failure would need is taken along with one press', async ({ page }) => {
  await visit(page, TRIP);
  await expect(page.getByText('If Adapter M from D-tap, second fails, Skuadon 60 stops. Take Adapter M from D-tap along.')).toBeVisible();
  // the verdicts of the rigs stand above the button, and move it when they come
  await expect(page.getByText('Brenning step-up plate starts at 15.2 V or more', { exact: false }).first()).toBeVisible();
  await page.getByRole('button', { name: /^Take along what helps/ }).click();
  await expect(page.getByText(/^If Adapter M from D-tap, second fails/)).toHaveCount(0);
  await expect(tick(page, /^Adapter M from D-tap put on the list by hand/)).toBeVisible();
  await page.getByText('Add to the list').click();
  await page.getByRole('textbox', { name: 'Own item' }).fill('3 × gaffer hooks');
  await page.keyboard.press('Enter');
  await expect(tick(page, /^3 × gaffer hooks/)).toBeVisible();
});

test('charge tonight: plugged in, full, and the kit knows it', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await page.goto('/pack/charge');
  await expect(page.getByText(/Never unattended, never where you sleep/)).toBeVisible();
  await page.getByRole('button', { name: 'V3: Holmvik 147 is plugged in' }).click();
  await expect(page.getByText(/on since/)).toBeVisible();
  await untilSaved(page);
  await page.reload();
  await page.getByRole('button', { name: 'V3: Holmvik 147 is full' }).click();
  await expect(page.getByText('1 of 9 full')).toBeVisible();
  await untilSaved(page);
  await visit(page, '/kit?item=<V3>');
  await expect(page.getByLabel('Charge now')).toHaveValue('100');

  // the kit as it lies there: what is not entered is taken as empty, and said
  await page.goto('/pack/charge');
  await page.getByLabel('What is to be charged').selectOption({ label: 'the kit, as it lies there' });
  await expect(page.getByText(/○ Charge not entered, taken as empty/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Not full by then' })).toBeVisible();
});

test('tags are made for a sheet of labels, begun where it is free, and read back', async ({ page }) => {
  await page.goto('/pack/tags');
  await page.getByLabel('Labels', { exact: true }).selectOption({ label: 'A4, 24 of 70 × 37 mm' });
  await page.getByLabel('First free label of the sheet').fill('3');
  await page.getByLabel('Codes lead to').fill('nonsense');
  await expect(page.getByText('Expected an address such as http://192.168.1.20:4377.')).toBeVisible();
  await page.getByLabel('Codes lead to').fill('http://192.168.1.20:4377');
  const [saved] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /^Make the PDF/ }).click()]);
  const pdf = await readPdf(await saved.path());
  expect(pdf.isTagged).toBe(true);
  expect(pdf.pages.join(' ')).toContain('V3 Holmvik 147 147 Wh, 14.4 V');
  // without a camera a typed tag does the same
  await page.goto('/kit');
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  await page.getByLabel('Or type the tag').fill('nothing');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nothing here bears “nothing”.')).toBeVisible();
  await page.getByLabel('Or type the tag').fill('v4');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Holmvik 49/ })).toBeVisible();
  // the code on a tag opens its thing
  await visit(page, '/g/<V3>');
  await expect(page.getByRole('heading', { name: /Holmvik 147/ })).toBeVisible();
});

test('the power sheet is a PDF with a page for each rig, selectable, tagged and bookmarked', async ({ page }) => {
  await visit(page, TRIP);
  const [saved] = await Promise.all([page.waitForEvent('download'), pressAct(page, 'Power sheet for the crew, A4 (PDF)')]);
  expect(saved.suggestedFilename()).toBe('Power sheet, Day 2, out with the pilots.pdf');
  const pdf = await readPdf(await saved.path());
  expect(pdf.bookmarks.slice(0, 2)).toEqual(['Power sheet: Day 2, out with the pilots', 'Wheelhouse, everything on one V-mount']);
  expect(pdf.isTagged).toBe(true);
  expect(pdf.pages[0]).toContain('radio channel 2');
  expect(pdf.pages.join(' ')).toContain('Which gauge to believe');
  // of one rig alone
  await visit(page, '/rigs/<Deck>');
  const [one] = await Promise.all([page.waitForEvent('download'), pressAct(page, 'Power sheet of this rig (PDF)')]);
  expect((await readPdf(await one.path())).bookmarks).toContain('Deck');
});

test('rules of a carrier are added, saved as a file, read again, and used by a leg', async ({ page }) => {
  await page.goto('/pack/rules');
  await page.getByRole('button', { name: 'Add a carrier' }).click();
  await page.getByLabel('Carrier', { exact: true }).fill('Ferry Wings');
  await page.getByLabel('Lithium-ion free up to').fill('90 Wh');
  await page.getByLabel('Lithium-ion free up to').blur();
  await untilSaved(page);
  const [saved] = await Promise.all([page.waitForEvent('download'), pressAct(page, 'Save these as a file (JSON)')]);
  const file = await saved.path();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ format: 'viaggio-flight-rules', carrier: 'Ferry Wings', freeWh: 90 });
  await pressAct(page, 'Delete these');
  await expect(page.getByRole('button', { name: /^Ferry Wings/ })).toHaveCount(0);
  await page
    .getByLabel('Rules from a file')
    .setInputFiles({ name: 'wrong.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"x"}') });
  await expect(page.getByRole('alert').filter({ hasText: 'wrong.json: format: expected “viaggio-flight-rules”; got “x”.' })).toBeVisible();
  await page.getByLabel('Rules from a file').setInputFiles(file);
  await expect(page.getByRole('button', { name: /^Ferry Wings/ })).toBeVisible();
  await untilSaved(page);
  await visit(page, `${TRIP}/setup`);
  await expect(page.getByLabel('Rules', { exact: true })).toHaveCount(2);
  for (const rules of await page.getByLabel('Rules', { exact: true }).all()) await rules.selectOption({ label: 'Ferry Wings, 2026-11' });
  await page.getByRole('link', { name: 'Flying', exact: true }).click();
  await expect(page.getByText('95 Wh: over 90 Wh, only with the carrier’s approval').first()).toBeVisible();
});

test('a newcomer makes a trip of a rig: who, how, bags; what is rented is given back', async ({ page }) => {
  await page.goto('/pack');
  await page.getByRole('button', { name: /^New trip/ }).click();
  await expect(page.getByText(/^Nothing is on the list yet/)).toBeVisible();
  await page.getByRole('link', { name: 'Crew and travel' }).click();
  await page.getByRole('checkbox', { name: 'Deck', exact: true }).check();
  await page.getByRole('button', { name: 'Add a leg' }).click();
  await page.getByRole('button', { name: 'Add a person' }).click();
  await page.getByRole('button', { name: 'Add a case for the hold' }).click();
  await page.getByRole('link', { name: 'List', exact: true }).click();
  await page.getByRole('button', { name: 'Suggest bags for the rest' }).click();
  await expect(page.getByRole('region', { name: 'Cabin bag 1' })).toContainText('Grynna 10');
  await expect(page.getByRole('region', { name: 'Case 1' })).toContainText('Ternlet 2');
  await untilSaved(page);

  await page.goto('/pack/borrowed');
  const camera = page.getByRole('article', { name: 'Havgall cinema camera' });
  await expect(camera).toContainText('overdue');
  await camera.getByRole('button', { name: 'Given back', exact: true }).click();
  await camera.getByLabel('State when it went back').fill('as it came');
  await camera.getByLabel('State when it went back').blur();
  await expect(camera).toContainText('given back');
  await untilSaved(page);
});
