import { WHEELHOUSE, expect, runTime, test, openPart, visit, addressOf, timeNow } from '../support/viaggio';

const FIELD_CASES = [
  ['Energy', '-95 Wh', 'Expected more than 0 and at most 5000 Wh; got “-95 Wh”.'],
  ['Energy', '0', 'Expected more than 0 and at most 5000 Wh; got “0”.'],
  ['Energy', '10 000 Wh', 'Expected more than 0 and at most 5000 Wh; got “10 000 Wh”.'],
  ['Energy', 'plenty', 'Expected a number of watt-hours, such as 95 Wh; got “plenty”.'],
  ['Energy', '14.4 V', 'Expected a number of watt-hours, such as 95 Wh; got “14.4 V”.'],
  ['Adapter output', '0 V', 'Expected more than 0 and at most 100 V; got “0 V”.'],
  ['A pack of', '', 'Expected a number of watt-hours, such as 95 Wh; got an empty text.'],
  ['lasted', 'all day', 'Expected a number of hours and minutes, such as 1h20 or 90 min; got “all day”.'],
  ['What its label says', '2040 mAh', 'Expected the volts beside the mAh'],
  ['What its label says', '7.2 V 2040 mAh 20 Wh', 'the label says 20 Wh; type the one you trust'],
] as const;

test('at its field, in plain words, and nothing of it is saved', async ({ page, request }) => {
  await visit(page, WHEELHOUSE);
  const time = await timeNow(page);
  for (const part of ['Battery V1', 'Adapter', 'Device']) await openPart(page, new RegExp(`^${part}`));
  for (const [label, typed, says] of FIELD_CASES) {
    const field = page.getByLabel(label, { exact: true });
    const before = await field.inputValue();
    await field.fill(typed);
    await expect(page.getByText(says)).toBeVisible();
    await expect(field).toHaveAttribute('aria-invalid', 'true');
    await expect(runTime(page)).toHaveText(time);
    await field.fill(before);
  }
  const gear = await (await request.get(await addressOf(request, '/api/gear/<V1>'))).json();
  expect(gear.body.energyWh).toBe(95);
});

test('a decimal comma is read, and said how', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  await openPart(page, /^Adapter/);
  await page.getByLabel('Lowest input').fill('12,4V');
  await expect(page.getByText('read as 12.4 V')).toBeVisible();
  await page.getByLabel('Lowest input').blur();
  await expect(page.getByLabel('Lowest input')).toHaveValue('12.4');
});

test('a name of 5 000 characters is refused at its field', async ({ page }) => {
  await visit(page, WHEELHOUSE);
  await page.getByLabel('Name of the rig').fill('x'.repeat(5000));
  await expect(page.getByText('Expected a text of 1 to 120 characters')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wheelhouse');
});

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/rigs/0d0c0000-0000-4000-8000-00000000ffff');
  await expect(page.getByRole('heading', { name: 'There is no such rig' })).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
});
