import { DAY, expect, test, untilSaved, visit, pressAct } from '../support/viaggio';
import type { Page } from '@playwright/test';

const editor = (page: Page) => page.getByRole('region', { name: 'Block', exact: true });
const block = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).and(page.locator('.block'));
const risks = (page: Page) => page.getByRole('region', { name: 'At risk' });

async function makeItWork(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Make it work' }).click();
  await page.getByRole('button', { name: 'Take this plan' }).click();
}

test('a day begins from a template, gets a kind of block of its own with its modes, and is repeated', async ({ page }) => {
  await page.goto('/days');
  await page.getByRole('button', { name: 'New day from a template' }).click();
  await page.getByRole('button', { name: /^Talks, locked off/ }).click();
  const which = page.getByRole('form', { name: 'Which rigs?' });
  await expect(which.getByRole('checkbox', { checked: true })).toHaveCount(1);
  await page.getByRole('button', { name: 'Make the day' }).click();
  await expect(page.getByRole('heading', { name: 'Talks, locked off', level: 1 })).toBeVisible();
  await block(page, /Sound check, 08:00 to 09:00/).click();
  await editor(page).getByText('Modes in it').click();
  const camera = editor(page)
    .getByLabel(/^Skuadon|^Ternlet|^Plovera/)
    .first();
  await camera.selectOption('off');
  await expect(editor(page).getByText('Modes in it: 1 said')).toBeVisible();
  await editor(page).getByRole('button', { name: 'Keep “Sound check” as a kind of block' }).click();
  await expect(editor(page).getByLabel('What')).toHaveValue(/^own:/);

  // the lunch becomes one too, with the modes that go with it
  await block(page, /Lunch, 12:00 to 13:00/).click();
  await editor(page).getByLabel('What').selectOption('Sound check');
  await expect(editor(page).getByText('Modes in it: 1 said')).toBeVisible();
  await editor(page).getByLabel('On so many days after it').fill('3');
  await editor(page).getByRole('button', { name: 'Repeat' }).click();
  await expect(editor(page).getByText('3 blocks added.')).toBeVisible();
  await editor(page).getByRole('button', { name: 'Repeat' }).click();
  await expect(editor(page).getByText('0 blocks added. 3 blocks left out: the rig is in another block then.')).toBeVisible();
  await untilSaved(page);
  await page.reload();
  await expect(block(page, /Lunch, .* 12:00 to .* 13:00/)).toHaveCount(4);

  await page.getByRole('button', { name: 'Places and gear' }).click();
  await page.getByRole('button', { name: 'Remove Sound check' }).click();
  await expect(page.getByText('Own kinds of block')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('Own kinds of block')).toBeVisible();
});

test('the day after begins with the batteries as the plan leaves them, and tells when that changes', async ({ page }) => {
  await visit(page, DAY);
  await makeItWork(page);
  await expect(risks(page)).toContainText('as surely as you asked');
  await pressAct(page, 'The day after');
  await expect(page.getByRole('heading', { name: 'After Day 2, out with the pilots' })).toBeVisible();
  await expect(page.getByText(/It begins where Day 2, out with the pilots ends/)).toBeVisible();
  await expect(page.getByText('That plan now leaves them otherwise')).toHaveCount(0);
  await untilSaved(page);

  await page.getByRole('link', { name: 'Day 2, out with the pilots' }).click();
  await page.getByRole('button', { name: 'Places and gear' }).click();
  await page.getByLabel('Charger M, four slots').selectOption('not there');
  await untilSaved(page);
  await page.getByRole('link', { name: 'Days' }).click();
  await page.getByRole('link', { name: 'After Day 2, out with the pilots' }).click();
  await expect(page.getByText(/That plan now leaves them otherwise: .*K2: Plovera cell M/)).toBeVisible();
  await page.getByRole('button', { name: 'Take over the charges' }).click();
  await expect(page.getByText('That plan now leaves them otherwise')).toHaveCount(0);
});

test('weather comes from a forecast service that is off until it is wanted, or from a file', async ({ page, request }) => {
  await request.post('/api/forecast/service', { data: { on: false } });
  await visit(page, DAY);
  await page.getByRole('button', { name: 'Places and gear' }).click();
  const setUp = page.getByRole('region', { name: 'Places and gear' });
  await expect(setUp.getByRole('button', { name: /^Ask for/ })).toHaveCount(0);
  await setUp.getByRole('button', { name: 'Turn on the simulated one' }).click();
  await expect(setUp.getByText('its weather is made up')).toBeVisible();
  await expect(setUp.getByRole('button', { name: 'Ask for Breakwater' })).toBeDisabled();
  await setUp.getByLabel('Latitude of Breakwater').fill('57');
  await setUp.getByLabel('Longitude of Breakwater').fill('8.5');
  await setUp.getByRole('button', { name: 'Ask for Breakwater' }).click();
  await expect(setUp.getByText(/Simulated forecast: -?\d+ °C at \w{3} \d\d:00 is the coldest/)).toBeVisible();
  await setUp.getByRole('button', { name: 'Turn it off' }).click();
  await expect(setUp.getByRole('button', { name: /^Ask for/ })).toHaveCount(0);

  await setUp.getByRole('button', { name: 'From a file' }).last().click();
  const drop = setUp.getByLabel('Choose a file, or drop it here');
  const rows = Array.from({ length: 60 }, (_, hour) => `2026-01-${String(12 + Math.floor(hour / 24))} ${hour % 24}:00;-11,5`);
  const csv = ['time;temperature', ...rows, 'noon;mild'].join('\n');
  await drop.setInputFiles({ name: 'harbour.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(setUp.getByText(/62.time: expected a time such as 2026-01-12 06:00; got “noon”/)).toBeVisible();
  await expect(setUp.getByText(/harbour.csv: -12 °C|harbour.csv: -11 °C/)).toBeVisible();
  await page.getByRole('button', { name: 'Places and gear' }).click();
  await block(page, /^Breakwater: A frame a minute/).click();
  await expect(editor(page).getByLabel('Temperature')).toHaveAttribute('placeholder', '-12');
  // what is typed for the block goes before it
  await editor(page).getByLabel('Temperature').fill('-3');
  await untilSaved(page);
});

test('plans stand side by side, each change says what moving it costs, and top-ups whether they are worth it', async ({ page }) => {
  await visit(page, DAY);
  await page.getByRole('button', { name: 'Make it work' }).click();
  const table = page.getByRole('table', { name: 'Plans side by side' });
  await expect(table.getByRole('columnheader', { name: 'Found: fewest swaps' })).toBeVisible({ timeout: 60_000 });
  await expect(table.getByRole('row', { name: /^Without power/ })).toContainText(/\d+ h \d+ min\s*0 min/);
  await page.getByLabel('Among sound plans').selectOption('fewest batteries');
  await page.getByRole('button', { name: 'Make it work' }).click();
  await expect(table.getByRole('columnheader', { name: 'Found before: fewest swaps' })).toBeVisible();
  await table.getByRole('button', { name: 'Open' }).click();
  await expect(table.getByRole('columnheader', { name: 'Found: fewest swaps' })).toBeVisible();
  await page.getByRole('button', { name: 'Take this plan' }).click();

  const moves = page.getByRole('region', { name: 'Batteries that go in' });
  await moves
    .getByRole('button', { name: /^Earlier or later/ })
    .last()
    .click();
  const costs = moves.getByRole('list', { name: /^What moving it costs/ });
  await expect(costs.getByRole('listitem')).toHaveCount(6);
  await expect(costs).toContainText(/60 min earlier: .*(without power|nothing is lost|reserve)/);
  await expect(costs).toContainText(/comes out with \d+ %/);

  const charging = page.getByRole('region', { name: 'Charging' });
  await expect(charging.getByRole('columnheader', { name: 'For' })).toBeVisible();
  await expect(charging.getByRole('cell', { name: 'this plan' })).not.toHaveCount(0);
  const topUps = charging.getByRole('list', { name: 'Top-ups in the breaks' });
  const worth = topUps.getByRole('listitem').filter({ hasText: '● worth it' });
  await expect(worth).toContainText('keeps it out of its reserve');
  await worth.getByRole('button', { name: 'Add to the plan' }).click();
  await expect(worth).toHaveCount(0);

  const gauges = page.getByRole('region', { name: 'What the gauges show' });
  await gauges.getByText(/^Deck: \d of \d not to be believed/).click();
  const deck = gauges.locator('details').filter({ hasText: 'Deck:' });
  await expect(deck.getByText(/holds its output, so the gauge shows full until it stops dead/).first()).toBeVisible();
});
