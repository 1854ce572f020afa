import { expect, test, untilSaved, openPart, visit } from '../support/viaggio';

const EVERYTHING = '/rigs/<Wheelhouse, everything on one V-mount>';
const BREAKWATER = '/rigs/<Breakwater>';

test('a rig of four devices on one battery shows every way, and what stops together', async ({ page }) => {
  await visit(page, EVERYTHING);
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings).toContainText(
    'When Holmvik 147 or Kjolen plate fails, Skuadon 60, Lysning 7 monitor-recorder, Tern Link transmitter and Skjaer follow focus stop together.',
  );
  const profile = page.getByRole('region', { name: 'Energy path' });
  for (const device of ['Skuadon 60', 'Lysning 7 monitor-recorder', 'Tern Link transmitter', 'Skjaer follow focus'])
    await expect(profile.getByRole('img', { name: new RegExp(`^${device}; accepts`) })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText('After one change of battery Holmvik 95');
});

test('one device of several is changed, and the answer follows', async ({ page }) => {
  await visit(page, EVERYTHING);
  const time = page.getByTestId('run-time');
  const before = await time.textContent();
  await openPart(page, /^Device Tern Link/);
  const transmitter = page.getByRole('region', { name: 'Device: Tern Link transmitter' });
  await transmitter.getByLabel('Maker’s watts').last().fill('20 W');
  await expect(time).not.toHaveText(before!);
  await untilSaved(page);
  await page.reload();
  await openPart(page, /^Device Tern Link/);
  await expect(transmitter.getByLabel('Maker’s watts').last()).toHaveValue('20');
});

test('a time-lapse is told in days and frames', async ({ page }) => {
  await visit(page, BREAKWATER);
  await expect(page.getByTestId('run-time')).toHaveText(/^7 d \d+ h$/);
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText('frames of Ternlet T');
});

test('a plan goes out as one document and is evaluated as the page says', async ({ page, request }) => {
  const document = await (await request.get('/api/plan')).json();
  const { rigs } = await (await request.post('/api/evaluate', { data: document })).json();
  await page.goto('/rigs');
  for (const { name, answer } of rigs as { name: string; answer: { verdict: string } }[]) {
    const word = { good: 'Good', caution: 'Caution', stop: 'Stop', unknown: 'Unknown' }[answer.verdict]!;
    await expect(page.getByRole('link', { name: new RegExp(`^${name} ${word}`) })).toBeVisible();
  }
});
