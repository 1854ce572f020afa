import { DAY, expect, pick, runTime, test, untilSaved } from '../support/viaggio';

test.use({ world: 'own' });

test('by picking generic gear', async ({ page }) => {
  await page.goto('/');
  // an answer stands there before anything is chosen, and says that it is of a usual rig
  await expect(runTime(page)).toHaveText(/\d/);
  await expect(page.getByText('our guess')).toHaveCount(3);
  await pick(page.getByLabel('Device', { exact: true }), 'Mid-size camera, 4K at high frame rate');
  await page.getByText('V-mount battery', { exact: true }).click();
  await pick(page.getByLabel('Battery', { exact: true }), 'V-mount battery, 95 Wh');
  await page.getByLabel('It must run for').fill('5h');
  await expect(page.getByText('our guess')).toHaveCount(0);

  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer.getByText('Good', { exact: true })).toBeVisible();
  // 14 W through an assumed 90 % adapter is 15.7 W from 95 Wh: about six hours
  await expect(runTime(page)).toHaveText(/^(5 h 5\d|6 h \d{1,2}) min$/);
  await expect(answer).toContainText('14 W guess');
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings).toContainText(
    'V-mount battery, 95 Wh gives 16.8 V full to 12 V empty; Battery-shaped adapter, from D-tap accepts 11 V to 17 V.',
  );
  await expect(findings).toContainText('allowed are 8 A');
  await expect(findings).toContainText('shows a full battery until it stops dead');
  await expect(page.getByRole('img', { name: /^Over \d h .* the charge falls to .* at the device 8 V at the start/ })).toBeVisible();

  await page.getByRole('button', { name: 'Keep this rig' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Mid-size camera.* on V-mount battery, 95 Wh/);
  await untilSaved(page);
  await page.getByRole('link', { name: 'Rigs', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Rigs' }).getByRole('listitem')).toHaveCount(1);
});

test('by looking around in the demo crew’s day: what needs somebody is a press away', async ({ page, request }) => {
  await page.goto('/');
  const theirs = page.getByRole('link', { name: 'The demo crew’s day: look around in it' });
  await expect(theirs).toContainText(/Cinema camera day/);
  await theirs.click();
  await expect(page).toHaveURL('/demo/today');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('out with the pilots');
  const rigs = page.getByRole('list', { name: 'Rigs' }).getByRole('listitem');
  const days = (await (await request.get('/demo/api/days')).json()) as { body: { name: string; rigIds: string[] } }[];
  const { body } = days.find((day) => DAY.includes(day.body.name))!;
  await expect(rigs).toHaveCount(body.rigIds.length);
  await page.getByRole('link', { name: /^Open: Cinema camera day cannot run/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cinema camera day');
  await page.goBack();
  // charged: the kit says so, and it needs nobody any more
  await page.getByRole('button', { name: /^It is full: V5/ }).click();
  await expect(page.getByRole('link', { name: /^V5: .* holds/ })).toHaveCount(0);
  await untilSaved(page);
});

test('by typing what the labels say, figure by figure, until nothing is unknown', async ({ page }) => {
  await page.goto('/rigs/new');
  await pick(page.getByLabel('Device', { exact: true }), 'Something else: type its figures');
  await page.getByText('Its own battery', { exact: true }).click();
  await pick(page.getByLabel('Battery', { exact: true }), 'Another: type its label');

  const answer = page.getByRole('region', { name: 'Answer' });
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(answer.getByText('Unknown', { exact: true })).toBeVisible();
  await expect(runTime(page)).toHaveText('no time yet');
  await expect(findings).toContainText('its energy is not known');
  await expect(findings).toContainText('its draw is not known');
  await expect(findings).toContainText('the highest voltage it accepts is not known');

  await page.getByLabel('What its label says').fill('7.2 V 2040 mAh');
  await expect(page.getByText('Read as 14.7 Wh (7.2 V × 2.04 Ah), 2 cells in series.')).toBeVisible();
  await page.getByText('Meter', { exact: true }).click();
  await page.getByLabel('Meter volts').fill('7,4 V');
  await page.getByLabel('Meter amps').fill('950 mA');
  await expect(page.getByText('That is 7 W.')).toBeVisible();
  await expect(runTime(page)).toHaveText(/^2 h \d{1,2}? ?m?i?n?|^1 h 5\d min$/);
  await expect(answer).toContainText('Draw 7 W measured');
  await expect(page.getByRole('region', { name: 'What it rests on' })).toContainText('7.4 V × 0.95 A = 7 W');
  // the time asked for is our guess until somebody says another, or none
  await page.getByLabel('It must run for').fill('');
  await expect(answer.getByText('Unknown', { exact: true })).toBeVisible();

  await page.getByLabel('Lowest voltage').fill('6');
  await page.getByLabel('Highest voltage').fill('8.4');
  await page.getByLabel('Contacts allows').fill('3 A');
  await expect(answer.getByText('Good', { exact: true })).toBeVisible();

  // one volt off, and the same battery is refused
  await page.getByLabel('Highest voltage').fill('7.4');
  await expect(answer.getByText('Stop', { exact: true })).toBeVisible();
  await expect(findings).toContainText('gives up to 8.4 V; Battery bay of My camera accepts at most 7.4 V. It can be damaged.');
  await expect(runTime(page)).toHaveText('no time yet');
});

test('for a Power Delivery bank that is too weak, and one that is not', async ({ page }) => {
  await page.goto('/rigs/new');
  await pick(page.getByLabel('Device', { exact: true }), 'Mid-size camera, 4K at high frame rate');
  await page.getByText('USB-C Power Delivery bank', { exact: true }).click();
  await pick(page.getByLabel('Battery', { exact: true }), '45 W Power Delivery bank, 20 000 mAh');
  await page.getByLabel('It must run for').fill('');
  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer.getByText('Good', { exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('Agreed over USB-C: 15 V at 3 A, 45 W; 27 W are needed.');
  await page.getByLabel('Rating of the port').fill('18W');
  await expect(answer.getByText('Stop', { exact: true })).toBeVisible();
  await page.getByLabel('Its PD profiles, as printed').fill('5V 3A / 9V 3A / 12V 2,25A');
  await expect(page.getByText('Read as 5 V at 3 A, 9 V at 3 A, 12 V at 2.25 A.')).toBeVisible();
  // 18 W and a list up to 27 W cannot both be right
  await expect(answer.getByText('Unknown', { exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('18 W are typed, 9 V × 3 A come to 27 W');
  await page.getByLabel('Rating of the port').fill('27W');
  await expect(answer.getByText('Good', { exact: true })).toBeVisible();
});

test('for a 5 V bank through an adapter whose port is too small', async ({ page }) => {
  await page.goto('/rigs/new');
  await pick(page.getByLabel('Device', { exact: true }), 'Small mirrorless camera, 4K');
  await page.getByText('5 V USB bank', { exact: true }).click();
  await pick(page.getByLabel('Battery', { exact: true }), '5 V bank, 10 000 mAh');
  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer.getByText('Caution', { exact: true })).toBeVisible();
  await page.getByLabel('What the port says').fill('5V 1A');
  await expect(answer.getByText('Stop', { exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('from the first minute; allowed are 1 A (USB-A of 5 V bank');
});
