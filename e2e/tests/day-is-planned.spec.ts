import { readFileSync } from 'node:fs';
import { DAY, expect, pick, test, untilSaved, visit } from '../support/viaggio';
import type { Page } from '@playwright/test';

const block = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).and(page.locator('.block'));
const risks = (page: Page) => page.getByRole('region', { name: 'At risk' });
const moves = (page: Page) => page.getByRole('region', { name: 'Batteries that go in' });
const allGood = (page: Page) => expect(risks(page)).toContainText('Every block has power, as surely as you asked.');

async function makeItWork(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Make it work' }).click();
  await page.getByRole('button', { name: 'Take this plan' }).click();
}

test('a day is built from nothing, planned, a battery locked, and planned again', async ({ page }) => {
  await page.goto('/rigs');
  await page.keyboard.press('4');
  await page.getByRole('button', { name: 'New day', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'New day' })).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Harbour day');
  await page.getByLabel('First day', { exact: true }).fill('14 Jan 2026');
  await page.getByLabel('First day', { exact: true }).blur();
  await page.getByLabel('Stills with the grip').uncheck();
  await page.getByLabel('Wheelhouse, everything on one V-mount').check();
  await page.getByLabel('V2: Holmvik 95', { exact: true }).check();
  await page.getByLabel('V6: Holmvik 95', { exact: true }).check();
  await page.getByLabel('Charge of V6: Holmvik 95').fill('100');
  await page.getByRole('button', { name: 'Places and gear' }).click();

  await page.getByRole('button', { name: 'Wheelhouse, everything on one V-mount', exact: true }).click();
  const editor = page.getByRole('region', { name: 'Block', exact: true });
  await editor.getByLabel('From', { exact: true }).fill('0830');
  await editor.getByLabel('From', { exact: true }).press('Enter');
  await editor.getByLabel('To', { exact: true }).fill('+4h');
  await editor.getByLabel('To', { exact: true }).press('Enter');
  await expect(editor.getByLabel('To', { exact: true })).toHaveValue('12:30');
  await editor.getByLabel('To', { exact: true }).fill('noonish');
  await editor.getByLabel('To', { exact: true }).press('Enter');
  await expect(editor.getByText(/a time such as 9, 0930 or 9:30/)).toBeVisible();
  await editor.getByLabel('To', { exact: true }).fill('12:30');
  await editor.getByLabel('To', { exact: true }).press('Enter');
  await expect(risks(page)).toContainText('what feeds it has stopped');
  await untilSaved(page);

  await makeItWork(page);
  await allGood(page);
  const taken = moves(page).getByRole('listitem');
  await expect(taken.first()).toContainText('into Wheelhouse, everything on one V-mount');
  // the person moves one and locks it there; the next plan leaves it
  const when = taken.last().getByRole('textbox');
  await when.fill('9:40');
  await when.press('Enter');
  await taken
    .filter({ has: page.locator('input') })
    .getByRole('button', { name: /^Lock/ })
    .first()
    .click();
  const locked = moves(page)
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: /^Lock/, pressed: true }) });
  const kept = await locked.getByRole('textbox').inputValue();
  await makeItWork(page);
  await expect(locked).toHaveCount(1);
  await expect(locked.getByRole('textbox')).toHaveValue(kept);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Redo' }).click();
  await untilSaved(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Harbour day' })).toBeVisible();
  await expect(locked).toHaveCount(1);
});

test('the demo day is in trouble, is made to work, and breaks when a charger does', async ({ page }) => {
  await visit(page, DAY);
  await expect(risks(page)).toContainText(/Cinema camera day has no power.*The quay at dusk/);
  await expect(page.getByRole('region', { name: 'Charging' })).toContainText('V5: Holmvik 196 is not full at Tue 15:15');
  await page.getByRole('button', { name: 'Make it work' }).click();
  await expect(page.getByText(/nothing is interrupted that must not be/)).toBeVisible();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await allGood(page);
  await expect(page.getByRole('region', { name: 'Charging' })).toContainText('Lithium: not below 0 °C.');
  // a battery can be followed through the day by its tag
  await page.getByRole('button', { name: 'Follow V5', exact: true }).first().press('Enter');
  await expect(page.locator('.on-charger.followed')).not.toHaveCount(0);

  await page.getByRole('button', { name: 'Places and gear' }).click();
  await page.getByLabel('V-mount charger, two slots').selectOption('not there');
  await page.getByRole('button', { name: 'Places and gear' }).click();
  await expect(risks(page)).toContainText('what feeds it has stopped');
  await page.getByRole('button', { name: 'Make it work' }).click();
  await expect(page.getByRole('button', { name: 'Take this plan' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await allGood(page);
});

test('blocks are moved by keys and by pointer, several at once, and back again', async ({ page }) => {
  await visit(page, DAY);
  const morning = block(page, /^Stills with the grip: Stills, morning/);
  await morning.focus();
  await page.keyboard.press('ArrowRight');
  await expect(block(page, /Stills, morning, Tue 08:05 to Tue 12:05/)).toBeVisible();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(block(page, /Stills, morning, Tue 08:05 to Tue 12:00/)).toBeVisible();
  await block(page, /Stills, afternoon/).click({ modifiers: ['Control'] });
  await expect(page.getByText('2 blocks are chosen.')).toBeVisible();
  await morning.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(block(page, /Stills, afternoon, Tue 12:55 to Tue 16:55/)).toBeVisible();
  await page.getByRole('button', { name: 'Choose none' }).click();

  const edge = block(page, /The quay at dusk/).locator('[data-edge="to"]');
  await edge.scrollIntoViewIfNeeded();
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + 3, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 3 + 40, box.y + 8, { steps: 5 });
  await page.mouse.up();
  await expect(block(page, /The quay at dusk, Tue 15:15 to Tue 17:/)).toBeVisible();
  await untilSaved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(block(page, /The quay at dusk, Tue 15:15 to Tue 16:30/)).toBeVisible();
});

test('on a phone the hours of one rig are a list, and a block is changed at a touch', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await visit(page, DAY);
  const hours = page.getByRole('region', { name: 'Hours of a rig' });
  await hours.getByLabel('Hours of').selectOption('Cinema camera day');
  await expect(hours).toContainText('Starts with V5: Holmvik 196');
  await expect(hours).toContainText('▲ No power');
  await hours.getByRole('button', { name: /The quay at dusk/ }).click();
  const editor = page.getByRole('region', { name: 'Block', exact: true });
  await editor.getByLabel('To', { exact: true }).fill('16');
  await editor.getByLabel('To', { exact: true }).press('Enter');
  await expect(hours).toContainText('record until Tue 16:00');
  await untilSaved(page);
});

test('a battery dies: what is lost is seen, the new plan from then on is taken, and taken back', async ({ page }) => {
  await visit(page, DAY);
  await makeItWork(page);
  await allGood(page);
  const whatIf = page.getByRole('region', { name: 'What if' });
  await pick(whatIf.getByLabel('Which'), 'V3: Holmvik 147');
  await whatIf.getByLabel('At', { exact: true }).fill('1000');
  await whatIf.getByLabel('At', { exact: true }).press('Enter');
  await whatIf.getByRole('button', { name: 'See what is lost' }).click();
  await expect(whatIf.getByText(/min more without power|Nothing more is lost/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Plan from then on' }).click();
  await expect(page.getByText('With this: Holmvik 147 is gone.')).toBeVisible();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await expect(risks(page)).toContainText('V3: Holmvik 147 is broken or gone from Tue 10:00 on.');
  await untilSaved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await allGood(page);

  await whatIf.getByLabel('This happens').selectOption('it is colder');
  await whatIf.getByRole('button', { name: 'See what is lost' }).click();
  await expect(whatIf.getByText(/min more without power|Nothing more is lost/).first()).toBeVisible();
  await whatIf.getByRole('button', { name: 'Dismiss' }).click();
  await expect(page.getByRole('button', { name: 'Make it work' })).toBeVisible();
});

test('the day leaves as a calendar, and comes back from it', async ({ page }) => {
  await visit(page, DAY);
  await page.getByRole('button', { name: 'Export' }).click();
  const [out] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /^Calendar/ }).click()]);
  const text = readFileSync(await out.path(), 'utf8');
  expect(text).toContain('BEGIN:VCALENDAR');
  // somebody moves the interview in their own calendar, an hour later, and writes one down
  const moved = text
    .replace(/(DTSTART:20260113T)100000(Z[\s\S]*?DTEND:20260113T)114500/, '$1110000$2124500')
    .replace(
      'END:VCALENDAR',
      'BEGIN:VEVENT\r\nUID:x\r\nSUMMARY:Ferry\r\nDTSTART:20260113T180000Z\r\nDURATION:PT30M\r\nEND:VEVENT\r\nEND:VCALENDAR',
    );
  await page.getByRole('button', { name: 'Import' }).click();
  await page.getByLabel('Events that name no rig are of').selectOption('Deck');
  await page
    .getByLabel('Choose a file, or drop it here')
    .setInputFiles({ name: 'ours.ics', mimeType: 'text/calendar', buffer: Buffer.from(moved) });
  await expect(page.getByText('1 new, 13 of this day’s own, 0 that cannot be taken.')).toBeVisible();
  await page.getByRole('button', { name: 'Take them' }).click();
  await expect(block(page, /^Galley, two cameras on mains: Interview, harbour master, Tue 11:00 to Tue 12:45/)).toBeVisible();
  await expect(block(page, /^Deck: Ferry, Tue 18:00 to Tue 18:30/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(block(page, /Interview, harbour master, Tue 10:00/)).toBeVisible();
  await expect(block(page, /Ferry/)).toHaveCount(0);

  await page.getByRole('button', { name: 'Import' }).click();
  await page
    .getByLabel('Choose a file, or drop it here')
    .setInputFiles({ name: 'rows.csv', mimeType: 'text/csv', buffer: Buffer.from('rig,from,to\nDeck,20,21\nDock,9,10\n') });
  await expect(page.getByText(/3.rig: expected the name of a rig of this day; got “Dock”/)).toBeVisible();
  await page.getByRole('button', { name: 'Take them' }).click();
  await expect(page.getByRole('button', { name: /^Deck: record, Mon 20:00 to Mon 21:00/ })).toBeVisible();
});

test('the day prints on paper: picture, lists, and nothing to press', async ({ page }) => {
  await visit(page, DAY);
  await makeItWork(page);
  await allGood(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Make it work' })).toBeHidden();
  await expect(page.locator('app-timeline svg')).toBeVisible();
  // blocks of the picture can be pressed on the screen; on paper they are the picture
  await expect(page.locator('button:visible, .btn:visible')).toHaveCount(0);
  // the picture, then a page for each rig with its own batteries, and one for the chargers
  const rigs = await page.getByRole('region', { name: /^Printed: / }).count();
  await expect(page.getByRole('region', { name: 'Printed: The chargers' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Printed: Deck' })).toContainText('Batteries: B');
  const pages = (await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Type \/Page\b/g);
  expect(pages!.length).toBeGreaterThan(rigs);
  expect(pages!.length).toBeLessThanOrEqual(rigs + 4);
});

test('both approaches stand side by side for the whole day', async ({ page }) => {
  test.setTimeout(240_000);
  await visit(page, DAY);
  const approaches = page.getByRole('region', { name: 'Both approaches' });
  await approaches.getByRole('button', { name: 'Compare them' }).click();
  await expect(approaches.getByRole('row')).toHaveCount(3, { timeout: 180_000 });
  await expect(approaches).toContainText('one V-mount for everything');
  await expect(approaches).toContainText('each device its own battery');
  await expect(approaches.getByText(/\d k?g/)).toHaveCount(2);
});
