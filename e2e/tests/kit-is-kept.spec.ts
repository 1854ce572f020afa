import { readFileSync } from 'node:fs';
import { expect, pressAct, test, untilSaved, visit, addressOf } from '../support/viaggio';
import type { Page } from '@playwright/test';
import { DRAWN_LABELS, drawLabel } from '../support/drawn-label';

const lines = (page: Page) => page.locator('app-kit-table tbody tr');
/** How much there is in the kit, as the server says. */
const kitSize = async (page: Page) => ((await (await page.request.get('/api/gear')).json()) as unknown[]).length;
const line = (page: Page, name: string | RegExp) => page.getByRole('row', { name });

test('what is owned is found by searching, by kind and by sorting', async ({ page }) => {
  const all = await kitSize(page);
  await page.goto('/kit');
  await expect(lines(page)).toHaveCount(all);
  await page.getByRole('searchbox').focus();
  await page.keyboard.type('holm case 1');
  await expect(lines(page)).toHaveCount(3);
  await page.getByRole('searchbox').fill('');
  await page.getByRole('button', { name: /^Batteries/ }).click();
  await expect(lines(page)).toHaveCount(27);
  await page.getByRole('button', { name: 'Energy' }).click();
  await page.getByRole('button', { name: 'Energy' }).click();
  await expect(lines(page).first()).toContainText('Ballast 12 V lead-acid');
  await page.getByRole('searchbox').fill('nothing like it');
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(lines(page)).toHaveCount(all);
});

test('a worn battery shows its health, where that is from, and whether it may fly', async ({ page }) => {
  await page.goto('/kit');
  await expect(line(page, 'V6: Holmvik 95')).toContainText(/71 Wh\s*measured.*75 %\s*measured/);
  await expect(line(page, 'V4: Holmvik 49')).toContainText(/printed, less its age.*80 %\s*assumed/);
  await expect(line(page, /^V5/)).toContainText('may not fly');
  await expect(line(page, /^V3/)).toContainText('flies on approval');
});

test('a line is changed in its place, by keyboard alone, and undone', async ({ page }) => {
  const all = await kitSize(page);
  await page.goto('/kit');
  await expect(lines(page)).toHaveCount(all);
  await page.getByRole('searchbox').focus();
  await page.keyboard.type('V7');
  await page.keyboard.press('ArrowDown');
  await expect(lines(page).first()).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/item=/);
  const charge = page.getByLabel('Charge now');
  await charge.fill('much');
  await expect(page.getByText('Expected a number of per cent')).toBeVisible();
  await charge.fill('80');
  await page.getByLabel('Where it is').first().fill('pilot boat');
  await untilSaved(page);
  await page.reload();
  await expect(page.getByLabel('Charge now')).toHaveValue('80');
  await expect(line(page, /V7/)).toBeVisible();
  await page.getByLabel('Where it is').first().fill('guest house');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByLabel('Where it is').first()).toHaveValue('pilot boat');
});

test('every figure and port of a thing can be changed; what is not whole yet is not saved', async ({ page }) => {
  await visit(page, '/kit?item=<V4>');
  const panel = page.getByRole('region', { name: 'V4: Holmvik 49' });
  await panel.getByText('All its figures and ports').click();
  await panel.getByRole('button', { name: 'Add output' }).click();
  await expect(panel.getByText(/^Not saved yet: outputs 2, name needs/)).toBeVisible();
  const second = panel.locator('.item').nth(1);
  await second.getByLabel('Name', { exact: true }).fill('Second D-tap');
  await second.getByLabel('Connector').selectOption('D-tap');
  await expect(panel.getByText(/^Not saved yet/)).toHaveCount(0);
  await untilSaved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
});

test('a thing is doubled, put away and deleted, and each is taken back', async ({ page }) => {
  await visit(page, '/kit?item=<S2>');
  await expect(page.getByRole('region', { name: 'S2: ' })).toBeVisible();
  const all = await lines(page).count();
  await pressAct(page, 'Duplicate', page.locator('app-item-panel'));
  await expect(lines(page)).toHaveCount(all + 1);
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(lines(page)).toHaveCount(all);
  await visit(page, '/kit?item=<S2>');
  await pressAct(page, 'Archive', page.locator('app-item-panel'));
  await expect(lines(page)).toHaveCount(all - 1);
  await page.getByLabel(/^Archived/).check();
  await expect(lines(page)).toHaveCount(1);
  await pressAct(page, 'Take out of the archive', page.locator('app-item-panel'));
  await untilSaved(page);
  await visit(page, '/kit?item=<S2>');
  await pressAct(page, 'Delete', page.locator('app-item-panel'));
  await expect(lines(page)).toHaveCount(all - 1);
  await page.keyboard.press('Control+Z');
  await expect(lines(page)).toHaveCount(all);
  // what rigs hang on is put away, not deleted
  await visit(page, '/kit?item=<V1>');
  await page
    .locator('app-item-panel')
    .getByRole('button', { name: /^Actions: / })
    .click();
  await expect(page.getByRole('button', { name: /^Delete/ })).toBeDisabled();
});

test('adding from the list, several at once, under tags that go on', async ({ page }) => {
  const all = await kitSize(page);
  await page.goto('/kit/add');
  await page.getByRole('searchbox').fill('V-mount 95');
  await page.getByRole('button', { name: 'V-mount battery, 95 Wh' }).click();
  await expect(page.getByLabel('Tag')).toHaveValue('V8');
  await page.getByLabel('How many').fill('3');
  await expect(page.getByText('They will be V8, V9, V10.')).toBeVisible();
  await page.getByRole('button', { name: 'Add all 3' }).click();
  await expect(line(page, /^V10: /)).toContainText('guess');
  await expect(lines(page)).toHaveCount(all + 3);
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(lines(page)).toHaveCount(all);
});

test('a label is read from a photograph, shown on it, corrected, and used only when somebody says so', async ({ page }) => {
  await page.addInitScript('globalThis.__name = (made) => made'); // what the test’s compiler leaves in a function that runs in the page
  await page.goto('/kit/add');
  await page.getByRole('button', { name: 'By a battery’s label' }).click();
  await page.getByRole('button', { name: 'Read it from a photograph' }).click();
  const chooser = page.getByLabel('Take or drop a picture of the label');
  await chooser.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('14.4 V') });
  await expect(page.getByRole('alert')).toHaveText('Expected a picture of at most 25 MB, got notes.txt.');
  const [holmvik, , , plovera] = DRAWN_LABELS;
  const text = page.getByLabel('What was read: correct it');
  for (const [label, how, says] of [
    [holmvik!, 'turned', 'Read as 14.4 V, 6.6 Ah, 95 Wh.'],
    [plovera!, 'dim', 'Read as 7.2 V, 2.04 Ah, 14.7 Wh.'],
  ] as const) {
    const buffer = await drawLabel(page, label, how, 3);
    await chooser.setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer });
    await expect(text).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('status').filter({ hasText: says })).toBeVisible();
    // every word stands on the picture where it was read
    await expect(page.locator('.picture .word')).not.toHaveCount(0);
    if (label === holmvik) await page.getByRole('button', { name: 'Another picture' }).click();
  }
  const field = page.getByLabel('What does it say?');
  await expect(field).toHaveValue('');
  await text.fill('7.2 V 2200 mAh');
  await page.getByRole('button', { name: 'Use these figures' }).click();
  await expect(field).toHaveValue('7.2 V 2200 mAh');
  await page.getByRole('button', { name: 'Add it to the kit' }).click();
  await expect(line(page, /My camera battery/)).toContainText('15.8 Wh');
});

test('photographs stay with a piece of gear, made small, and a deleted one comes back', async ({ page }) => {
  await page.addInitScript('globalThis.__name = (made) => made');
  await visit(page, '/kit?item=<V4>');
  const photos = page.getByRole('group', { name: 'Photographs' });
  const buffer = await drawLabel(page, DRAWN_LABELS[2]!, 'straight', 1);
  await photos.locator('input').setInputFiles({ name: 'v4.png', mimeType: 'image/png', buffer });
  await expect(photos.getByRole('img')).toHaveCount(1);
  await page.reload();
  await expect(photos.getByRole('img')).toHaveCount(1);
  await photos.getByRole('button', { name: 'Delete photograph 1' }).click();
  await expect(photos.getByRole('img')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(photos.getByRole('img')).toHaveCount(1);
  await photos.getByRole('button', { name: 'Delete photograph 1' }).click();
  await photos.locator('input').setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.getByText('That is no picture')).toBeVisible();
});

test('several things are moved, charged and tagged at once; each is one step of undo', async ({ page }) => {
  await page.goto('/kit');
  await page.getByRole('searchbox').fill('holm case 1');
  await expect(lines(page)).toHaveCount(3);
  await page.getByRole('checkbox', { name: /^Choose all: Batteries/ }).check();
  const bar = page.getByRole('region', { name: 'Chosen' });
  await expect(bar).toContainText('3 chosen');
  await bar.getByLabel('Charge of all chosen batteries').fill('much');
  await bar.getByRole('button', { name: 'Charge', exact: true }).click();
  await expect(bar.getByRole('alert')).toContainText('Expected full, flat or');
  await bar.getByLabel('Charge of all chosen batteries').fill('full');
  await bar.getByRole('button', { name: 'Charge', exact: true }).click();
  await expect(lines(page).filter({ hasText: 'full' })).toHaveCount(3);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(lines(page).filter({ hasText: 'full' })).not.toHaveCount(3);
});

test('adding by what the label says', async ({ page }) => {
  await page.goto('/kit/add');
  await page.getByRole('button', { name: 'By a battery’s label' }).click();
  const says = page.getByLabel('What does it say?');
  await says.fill('2040 mAh');
  await expect(page.getByText(/How many volts\? mAh alone say nothing/)).toBeVisible();
  await says.fill('7,2 V 2040 mÄh');
  await expect(says).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByRole('button', { name: 'Add it to the kit' })).toBeDisabled();
  await says.fill('7,2 V 2040 mAh');
  await expect(page.getByText('Read as 7.2 V, 2.04 Ah, that is 14.7 Wh.')).toBeVisible();
  await page.getByRole('button', { name: 'M', exact: true }).click();
  await page.getByLabel('Tag').fill('K9');
  await page.getByRole('button', { name: 'Add it to the kit' }).click();
  await expect(line(page, /^K9|K9/).first()).toContainText(/14\.7 Wh\s*printed/);
});

test('a bank of two ports goes in by its labels in four fields; lead-acid is not taken for lithium', async ({ page }) => {
  await page.goto('/kit/add');
  await page.getByRole('button', { name: 'By a battery’s label' }).click();
  const kind = page.getByLabel('What is it?');
  await kind.selectOption('USB bank');
  await page.getByLabel('What does it say?').fill('13000 mAh');
  await page.getByLabel('What do its ports say?').fill('USB-C 45W, USB-A 5V 2.4A');
  await expect(page.getByText(/Assumed: a bank’s mAh counted at 3.7 V/)).toBeVisible();
  await page.getByLabel('Tag').fill('B9');
  await page.getByRole('button', { name: 'Add it to the kit' }).click();
  await expect(line(page, /^B9|B9/).first()).toContainText(/48\.1 Wh\s*(a )?guess/);
  await page.goto('/kit/add');
  await page.getByRole('button', { name: 'By a battery’s label' }).click();
  await kind.selectOption('holder of AA or 18650 cells');
  await page.getByLabel('What does it say?').fill('8 x AA 1900 mAh');
  await expect(page.getByText('Say which chemistry it is.')).toBeVisible();
  await kind.selectOption('lead-acid battery');
  await page.getByLabel('What does it say?').fill('12 V 33 Ah');
  await expect(page.getByRole('region', { name: 'To be added' })).toContainText('6 in series, AGM lead-acid');
  // what is emptied counts no more
  await page.getByLabel('What does it say?').fill('');
  await expect(page.getByRole('region', { name: 'To be added' })).toContainText('unknown in series');
});

test('why the bank with the bigger mAh is the smaller battery', async ({ page }) => {
  await page.goto('/kit/label');
  await expect(page.getByRole('region', { name: 'What the mAh hide' })).toContainText('The bigger mAh is the smaller battery.');
  await page.getByLabel('Label 2 says').fill('14.4 V 3400 mAh');
  await expect(page.getByRole('region', { name: 'What the mAh hide' })).toHaveCount(0);
  await page.getByLabel('Label 1 says').fill('10Wh 5000 mAh 3.7 V');
  await expect(page.getByText(/the label says 10 Wh; type the one you trust/)).toBeVisible();
});

test('a table with bad rows: told by line and column, nothing written until accepted, one undo for all of it', async ({
  page,
  request,
}) => {
  const all = await kitSize(page);
  await page.goto('/kit/import');
  const csv = ['kind;tag;name;form;label;years;massG', 'battery;V1;Holmvik 95;;;3;', 'battery;V2;Holmvik 95;;;old;', 'battery;X1;Brick;v-mount;14,4 V 6600 mAh;1;0,64 kg', 'lamp;;Lamp;;;;'].join('\r\n'); // prettier-ignore
  await page.getByLabel(/^Choose a file/).setInputFiles({ name: 'trunk.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('trunk.csv: 1 new, 1 changed, 0 as they are, 2 faults')).toBeVisible();
  await expect(page.getByRole('row', { name: /^3 years a number of years.* “old”$/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^5 kind one of battery.* “lamp”$/ })).toBeVisible();
  await expect(page.getByText('Age: not given → 3 years')).toBeVisible();
  const v1 = async () =>
    ((await (await request.get(await addressOf(request, '/api/gear/<V1>'))).json()) as { body: { years?: number; massG?: number } }).body;
  expect((await v1()).years).toBeUndefined();
  await page.getByRole('button', { name: 'Accept the sound rows' }).click();
  await expect(lines(page)).toHaveCount(all + 1);
  await expect(line(page, /^X1: Brick/)).toContainText('93.1 Wh');
  expect(await v1()).toMatchObject({ years: 3 });
  await page.keyboard.press('Control+Z');
  await expect(lines(page)).toHaveCount(all);
  await expect.poll(async () => (await v1()).years).toBeUndefined();
  expect((await v1()).massG).toBe(640);
  await page.keyboard.press('Control+Shift+Z');
  await expect(lines(page)).toHaveCount(all + 1);
});

test('the kit goes out as a table and comes back the same', async ({ page }) => {
  const all = await kitSize(page);
  await page.goto('/kit');
  const [download] = await Promise.all([page.waitForEvent('download'), pressAct(page, 'Export what is listed, as CSV')]);
  const text = readFileSync(await download.path(), 'utf8');
  expect(text.split('\r\n')).toHaveLength(all + 1);
  await page.goto('/kit/import');
  await page.getByLabel(/^Choose a file/).setInputFiles({ name: 'viaggio-kit.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByText(`viaggio-kit.csv: 0 new, 0 changed, ${all} as they are`)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Accept' })).toBeDisabled();
});

test('a plan document goes out, and what is changed in it comes in again', async ({ page }) => {
  await page.goto('/kit');
  const [download] = await Promise.all([page.waitForEvent('download'), pressAct(page, 'Export everything, as a plan document (JSON)')]);
  const plan = JSON.parse(readFileSync(await download.path(), 'utf8')) as { gear: { body: { name: string } }[] };
  plan.gear[0]!.body.name = 'Renamed outside';
  await page.goto('/kit/import');
  await page
    .getByLabel(/^Choose a file/)
    .setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(plan)) });
  await expect(page.getByText(/^plan.json: 0 new, 1 changed/)).toBeVisible();
  await page.getByRole('button', { name: 'Accept' }).click();
  await expect(line(page, /Renamed outside/)).toBeVisible();
  await page.goto('/kit/import');
  await page.getByText('Paste it instead').click();
  await page.getByLabel('Text of the table or document').fill('{"format":"viaggio-plan","version":99,"gear":[],"rigs":[]}');
  await page.getByRole('button', { name: 'Preview' }).click();
  await expect(page.getByRole('alert')).toContainText('version');
});

test('an empty kit teaches how to begin', async ({ page }) => {
  await page.route('**/api/gear', (route) => route.fulfill({ json: [] }));
  await page.route('**/api/rigs', (route) => route.fulfill({ json: [] }));
  await page.goto('/kit');
  await expect(page.getByRole('region', { name: 'Nothing in the kit yet' }).getByRole('link', { name: 'Import a table' })).toBeVisible();
});
