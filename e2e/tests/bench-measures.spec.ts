import type { Page } from '@playwright/test';
import { WHEELHOUSE, expect, pressAct, test, untilSaved, visit } from '../support/viaggio';

const BOARD = '/bench/check/<Skuadon on the blue board>';
const DRAWER = '/bench/check/<Monitor on the drawer lead>';
const PHONE = { width: 390, height: 844 };

const steps = (page: Page) => page.getByRole('list', { name: /^Joints/ }).getByRole('button');
const said = (page: Page) => page.locator('#reading-says');

/** What the meter shows, typed and kept. */
async function reads(page: Page, text: string): Promise<void> {
  await page.getByLabel(/^Reading, /).fill(text);
  await page.getByRole('button', { name: 'Keep reading' }).click();
}

test('a converter that was set too high is found before the camera is on it, and corrected in the kit', async ({ page }) => {
  await visit(page, BOARD);
  await expect(page.getByText('Stopped: no power')).toBeVisible();
  await expect(said(page)).toContainText('Do not connect it');
  // what lies behind it is closed
  await steps(page).last().click();
  await expect(page.getByText(/^Closed\./)).toBeVisible();
  await steps(page).nth(4).click();
  await page.getByRole('button', { name: /^Enter 9.4 V as its output/ }).click();
  await untilSaved(page);
  // the kit knows it now: so does every rig that uses it
  await visit(page, '/rigs/<Skuadon on the blue board>');
  await expect(page.getByText(/up to 9.4 V/).first()).toBeVisible();
  await page.keyboard.press('Control+Z');
  await expect(page.getByText(/up to 9.4 V/)).toHaveCount(0);
});

test('on a phone a crossed lead is found by its sign, and is a stop wherever it is used', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await visit(page, DRAWER);
  await pressAct(page, 'Begin a new sheet');
  await expect(page.getByText('Step 1 of 5')).toBeVisible();
  await reads(page, '0,2');
  await expect(page.getByText('Step 2 of 5')).toBeVisible();
  await reads(page, '0.2');
  await page.getByRole('button', { name: 'OL', exact: true }).click();
  await expect(page.getByText('Step 4 of 5')).toBeVisible();
  // the keypad of a phone has no minus: the sign has a key of its own
  await page.getByLabel(/^Reading, /).fill('16,4');
  await page.getByRole('button', { name: 'Other sign' }).click();
  await expect(said(page)).toContainText('Never connect');
  await page.getByRole('button', { name: 'Keep reading' }).click();
  await expect(page.getByText('Stopped: no power')).toBeVisible();
  await page.getByRole('button', { name: 'Mark the lead as crossed' }).click();
  await untilSaved(page);
  await visit(page, '/rigs/<Monitor on the drawer lead>');
  await expect(page.getByText(/is crossed inside/).first()).toBeVisible();
  await expect(page.getByText('Stop', { exact: true }).first()).toBeVisible();
});

test('a rig that is measured through is passed, on the rig and on Today; what changes is measured again', async ({ page }) => {
  await visit(page, '/bench/check/<Deck>');
  await expect(page.getByText('Not measured')).toBeVisible();
  await page.getByLabel(/^Reading, /).fill('much');
  await expect(said(page)).toContainText('expected volts');
  await reads(page, '5,02');
  await reads(page, '8.0 V');
  await expect(page.getByText('2 of 3 measured')).toBeVisible();
  await reads(page, '7,95');
  await expect(page.getByText('All as expected. Now connect, in this order')).toBeVisible();
  await untilSaved(page);
  await visit(page, '/rigs/<Deck>');
  await page.getByRole('link', { name: /^Measured / }).click();
  await expect(page).toHaveURL(/\/bench\/check\//);
  await visit(page, '/today');
  await expect(
    page
      .getByRole('list', { name: 'Rigs' })
      .getByRole('link', { name: /^Deck/ })
      .getByText(/^Measured /),
  ).toBeVisible();
});

test('a reading is taken from a meter over the network', async ({ page, request }) => {
  const rigs = (await (await request.get('/api/rigs')).json()) as { id: string; body: { name: string } }[];
  const rig = rigs.find(({ body }) => body.name === 'Wheelhouse')!;
  expect((await request.post('/api/meters/simulated/play', { data: { rigId: rig.id, secondsEach: 60 } })).ok()).toBe(true);
  await visit(page, '/bench/check/<Wheelhouse on the small battery>');
  await page.getByRole('button', { name: /^Take from Simulated meter/ }).click();
  await expect(steps(page).first()).toContainText(/1[5-6]\.\d+ V · expected/);
});

test('a third contact that is live, where the original is dead, is found; what was changed by hand counts from then on', async ({
  page,
}) => {
  await visit(page, '/bench/contacts/<Second-hand adapter S>');
  const differs = page.getByRole('region', { name: 'What differs' });
  await expect(differs).toContainText('4.96 V, on the original dead');
  await expect(differs).toContainText('An adapter made for this very model');
  // dead as on the original: nothing differs
  await page.getByLabel('Contact 3, substitute, volts free').fill('0,03');
  await expect(differs).toContainText('every contact is as on the original');
  await page.getByLabel('Contact 1, substitute, volts free').fill('-8,1');
  await expect(differs).toContainText('plus and minus are exchanged');
  await page.getByRole('button', { name: 'Record what I changed on it' }).click();
  const byHand = page.getByRole('region', { name: 'Changed by hand' });
  await byHand.getByLabel('What was changed').fill('data contact cleaned and moved');
  await byHand.getByRole('button', { name: 'Record the change' }).click();
  await expect(byHand).toContainText('data contact cleaned and moved');
});

test('contacts of one’s own are compared on a phone; the groups of a pack tell the weak one', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await visit(page, '/bench/contacts');
  await page.getByRole('button', { name: 'Compare contacts' }).click();
  await page.getByLabel('Contact 1, original, volts free').fill('8,2');
  await page.getByLabel('Contact 1, substitute, volts free').fill('8,0');
  await page.getByLabel('Contact 3, original, volts free').fill('0');
  await page.getByLabel('Contact 3, substitute, volts free').fill('5');
  await expect(page.getByRole('region', { name: 'What differs' })).toContainText('Never put it in');
  await visit(page, '/bench/contacts');
  await page.getByRole('link', { name: /^Balance lead of D1/ }).click();
  await expect(page.getByText(/Group 2 is weak/)).toBeVisible();
  await page.getByLabel('Volts of group 2').fill('4,01');
  await expect(page.getByText(/All groups within/)).toBeVisible();
});

test('a lead is sized from a rig, drawn, and put into the kit with how its figures came about', async ({ page }) => {
  await visit(page, '/bench/build/lead');
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText('AWG');
  await page.getByLabel('Take the figures from a rig').selectOption({ label: 'Monitor on the drawer lead' });
  await page.getByLabel('Which').selectOption({ index: 1 });
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText('that the rig runs go into this lead');
  await expect(page.getByRole('img', { name: /^A lead of AWG/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the drawing, as SVG' }).click();
  expect((await download).suggestedFilename()).toBe('Lead of our own.svg');
  await page.getByRole('button', { name: 'Add it to the kit' }).click();
  await expect(page.getByRole('region', { name: /^Lead of our own/ })).toBeVisible();
  const kept = (await (await page.request.get('/api/gear')).json()) as { body: { name: string; note?: string } }[];
  expect(kept.find(({ body }) => body.name === 'Lead of our own')?.body.note).toMatch(/^Built .*Ω mm²/);
});

test('a fault is hunted from its symptom to its cause, written into the kit and logged', async ({ page }) => {
  await page.setViewportSize(PHONE);
  await visit(page, WHEELHOUSE);
  await pressAct(page, 'Find a fault');
  await page.getByRole('button', { name: 'Flashes and dies' }).click();
  await page.getByRole('button', { name: 'As it is moved or touched' }).click();
  await expect(page.getByText('Tried so far')).toBeVisible();
  for (let turn = 0; turn < 8 && (await page.getByRole('region', { name: 'Found' }).count()) === 0; turn++) {
    const next = page.getByRole('region', { name: 'What to try next' });
    const before = await next.getByRole('heading').textContent();
    // a loose plug of the adapter: on the camera's own battery it does not come
    const answer = before?.includes('own original battery')
      ? /^It is gone$/
      : /^(Something changes|It stays|Nothing changes|All as on the original|It holds|As expected|As always|As a full one)$/;
    await next.getByRole('button', { name: answer }).first().click();
    await expect(next.getByRole('heading', { name: before!, exact: true })).toHaveCount(0);
  }
  const found = page.getByRole('region', { name: 'Found' });
  await expect(found).toContainText('A plug or contact is loose');
  await found.getByRole('button', { name: 'Log it' }).click();
  await expect(found.getByRole('button', { name: 'Logged' })).toBeDisabled();
  await found.getByRole('button', { name: /^Mark .* as broken$/ }).click();
  await untilSaved(page);
  await page.getByRole('button', { name: 'Another symptom' }).click();
  await expect(page.getByRole('link', { name: 'Wheelhouse: Flashes and dies' })).toBeVisible();
});
