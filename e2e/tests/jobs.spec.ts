import type { Page } from '@playwright/test';
import { Hands } from '../support/hands';
import { expect, runTime, test, timeNow, untilSaved } from '../support/viaggio';

test.use({ world: 'own' });

/** The jobs of docs/jobs.md, each from an own kit that begins empty; what it takes in presses and fields is counted. */
const CAMERA = 'Mid-size camera, 4K at high frame rate';
const SMALL = 'Small mirrorless camera, 4K';

const findings = (page: Page) => page.getByRole('region', { name: 'Findings' });
const answer = (page: Page) => page.getByRole('region', { name: 'Answer' });
const minutes = (text: string): number => {
  const [, h = '0', m = '0'] = /^(?:(\d+) h)?\s*(?:(\d+) min)?/.exec(text.trim())!;
  return Number(h) * 60 + Number(m);
};
const CHARGED = { tag: 'A1' };

test('1: a solo shooter’s 5 V bank and battery-shaped adapter', async ({ page }) => {
  const hands = new Hands(page);
  await page.goto('/rigs/new');
  await hands.choose('Device', SMALL);
  await hands.press(page.getByText('5 V USB bank', { exact: true }));
  await hands.choose('Battery', '5 V bank, 10 000 mAh');
  await hands.type('What its label says', '20000 mAh 74 Wh 3.7 V');
  await hands.type('What the port says', '5V 2.4A');
  expect(minutes(await timeNow(page))).toBeGreaterThan(300);
  await expect(findings(page)).toContainText('shows a full battery until it stops dead');
  await hands.pressButton('Keep this rig');
  await untilSaved(page);
  hands.costs({ presses: 2, fields: 4 });
});

test('2: an all-day event on one V-mount', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing(CAMERA);
  await hands.addBattery('V-mount battery', '14.4 V 98 Wh 10A max', { ports: 'D-tap 8A, USB-C 65W, USB-A 5V 2.4A', tag: 'V1' });
  await hands.addThing('USB-C cable, 5 A, 1 m');
  await hands.rigAround(CAMERA);
  await hands.plug(CAMERA, [/^Plug in USB-C of V1/], [/USB-C of/]);
  await hands.type('It must run for', '10 h');
  await expect(findings(page)).toContainText('It must run 10 h');
  await expect(findings(page)).toContainText(/charged batteries of this kind last 10 h/);
  hands.costs({ presses: 10, fields: 10 });
});

test('3: a grip with two batteries, and a spare', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing('Stills body, by the shot');
  await hands.addThing('Battery grip for bay M');
  await hands.addThing('Camera battery, 7.2 V 2040 mAh', () => hands.type('How many', '3'));
  await hands.rigAround('Stills body, by the shot');
  await hands.plug(
    'Stills body, by the shot',
    [/^Plug in .*Battery grip for bay M/, /^Plug in Contacts of .*Camera battery/, /^Plug in Contacts of .*Camera battery/],
    [undefined, /Left slot/, /Right slot/],
  );
  const both = minutes(await timeNow(page));
  await expect(page.getByRole('region', { name: 'Backups and swaps' })).toContainText('without a cut');
  await expect(page.getByRole('region', { name: 'Backups and swaps' })).toContainText(/Time to change/);
  await expect(answer(page)).toContainText(/That is \d+ shots/);
  expect(both).toBeGreaterThan(300);
  hands.costs({ presses: 11, fields: 8 });
});

test('4: a monitor that passes its bigger battery on draws its own from the first moment', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing(CAMERA);
  await hands.addThing('Monitor that passes its power on');
  await hands.addThing('Battery-shaped adapter, from a barrel, 8 V in', () => hands.type('Fits the bay', 'M'));
  await hands.addBattery('camera battery', '7.2 V 6600 mAh', { bay: 'L', tag: 'L1' });
  await hands.rigAround(CAMERA);
  await hands.plug(
    CAMERA,
    [/^Plug in Battery-shaped adapter/, /^Plug in 8 V out of Monitor/, /^Plug in Contacts of L1/],
    [/Battery bay/, undefined, /Battery plate/],
  );
  // 47.5 Wh for 14 W and 12 W are less than two hours: never the camera's share alone
  const time = minutes(await timeNow(page));
  expect(time).toBeLessThan(120);
  expect(time).toBeGreaterThan(45);
  hands.costs({ presses: 15, fields: 13 });
});

test('5: a camera on a holder of two cells', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing(SMALL);
  await hands.addThing('Holder of two 18650 cells, 2600 mAh');
  await hands.addThing('Battery-shaped adapter, from a barrel, 8 V in', () => hands.type('Fits the bay', 'S'));
  await hands.rigAround(SMALL);
  await hands.plug(SMALL, [/^Plug in Battery-shaped adapter/, /^Plug in (Lead of )?.*Holder of two/], [/Battery bay/]);
  expect(minutes(await timeNow(page))).toBeGreaterThan(60);
  await expect(findings(page)).toContainText(/Holder of two 18650 cells/);
  hands.costs({ presses: 11, fields: 6 });
});

test('6: a field case on two lead-acid batteries', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing('Seven-inch monitor-recorder');
  await hands.addThing('Field case for two 12 V batteries');
  await hands.addBattery('lead-acid battery', '12 V 33 Ah', CHARGED);
  await hands.addBattery('lead-acid battery', '12 V 33 Ah', { tag: 'A2' });
  await hands.rigAround('Seven-inch monitor-recorder');
  await hands.plug(
    'Seven-inch monitor-recorder',
    [/^Plug in D-tap 1 of Field case/, /^Plug in Terminals of A1/, /^Plug in Terminals of A2/],
    [/D-tap lead/, /Battery 1/, /Battery 2/],
  );
  const both = minutes((await timeNow(page)).replace(/^(\d+) d (\d+) h/, (_all, d, h) => `${Number(d) * 24 + Number(h)} h`));
  expect(both).toBeGreaterThan(18 * 60);
  hands.costs({ presses: 16, fields: 13 });
});

test('7: a Power Delivery bank and two tested modes', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing(CAMERA, async () => {
    await hands.press(page.getByText('Own test', { exact: true }));
    await hands.type('A pack of', '74');
    await hands.type('lasted', '4 h 30');
    await hands.choose('In that test it was fed', 'through an adapter or a converter');
    await hands.type('Lost on the way in that test', '12 %');
    await hands.press(page.getByText('Other modes'));
    await hands.pressButton('Add a mode');
    await hands.type('Draws', '2 h 40 on 74 Wh');
  });
  await hands.addBattery('USB bank', '20 000 mAh 74 Wh', { ports: 'USB-C 65W, USB-A 5V 2.4A', tag: 'B1' });
  await hands.addThing('USB-C cable, 3 A, 1 m');
  await hands.rigAround(CAMERA);
  await hands.plug(CAMERA, [/^Plug in USB-C of B1/], [/USB-C of/]);
  const usual = minutes(await timeNow(page));
  await hands.choose('Mode', 'Mode 1');
  await expect.poll(async () => minutes(await timeNow(page))).toBeLessThan(usual * 0.75);
  hands.costs({ presses: 14, fields: 16 });
});

test('8: one pack for camera, monitor and recorder', async ({ page }) => {
  const hands = new Hands(page);
  for (const thing of [
    'Seven-inch monitor-recorder',
    'Wireless video transmitter',
    'Follow focus motor and receiver',
    'V-mount plate with two D-taps',
    'D-tap splitter, four ports',
  ])
    // prettier-ignore
    await hands.addThing(thing);
  await hands.addBattery('V-mount battery', '14.4 V 147 Wh 12A max', { ports: 'D-tap 8A', tag: 'V1' });
  await hands.rigAround('Seven-inch monitor-recorder');
  await hands.addDevice('Wireless video transmitter');
  await hands.addDevice('Follow focus motor and receiver');
  await hands.pressButton('Feed the whole rig at once');
  await hands.pressButton('Feed it this way');
  const time = minutes(await timeNow(page));
  // 147 Wh for some 30 W
  expect(time).toBeGreaterThan(3 * 60);
  expect(time).toBeLessThan(6 * 60);
  await expect(page.getByRole('region', { name: 'What it costs' })).toContainText('What fails together');
  hands.costs({ presses: 17, fields: 12 });
});

test('9: a top mode that needs more volts than the stabiliser gives', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing(SMALL, async () => {
    await hands.press(page.getByText('Other modes'));
    await hands.pressButton('Add a mode');
    await hands.type('Draws', '9 W');
    await hands.press(page.getByText('More of Mode 1'));
    await hands.press(page.getByRole('group', { name: 'Mode Mode 1' }).getByText('What it needs of its feed'));
    await hands.type('Needs at least', '8.2', page.getByRole('group', { name: 'Mode Mode 1' }));
  });
  await hands.addThing('Stabiliser that feeds a camera');
  await hands.addThing('Battery-shaped adapter, from a barrel, 8 V in', () => hands.type('Fits the bay', 'S'));
  await hands.addBattery('camera battery', '14.4 V 49 Wh', { bay: 'stabiliser', tag: 'G1' });
  await hands.rigAround(SMALL);
  await hands.plug(
    SMALL,
    [/^Plug in Battery-shaped adapter/, /^Plug in Camera out of Stabiliser/, /^Plug in Contacts of G1/],
    [/Battery bay/],
  );
  await hands.choose('Mode', 'Mode 1');
  await expect(findings(page)).toContainText('it needs 8.2 V');
  hands.costs({ presses: 19, fields: 14 });
});

test('10: a step-up plate does not start on a half-charged pack', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing('Cinema camera, 14.4 V', async () => {
    await hands.press(page.getByText('All its figures and ports'));
    await page.getByLabel('Connector', { exact: true }).first().selectOption('2-pin circular');
    hands.fields++;
    await hands.type('Lowest voltage', '20');
    await hands.type('Highest voltage', '34');
  });
  await hands.addThing('Step-up plate, V-mount to 26 V');
  await hands.addThing('V-mount battery, 147 Wh', () => hands.type('Tag', 'V1'));
  await hands.addThing('Two-pin lead, 0.6 m');
  await hands.rigAround('Cinema camera, 14.4 V');
  await hands.plug('Cinema camera, 14.4 V', [/^Plug in .*Step-up plate/, /^Plug in Mount of V1/]);
  await hands.type('Charged to', '50');
  await expect(answer(page).getByText('Stop', { exact: true })).toBeVisible();
  await expect(findings(page)).toContainText('starts at 15.2 V or more');
  await hands.pressButton(/^Charge V1/, findings(page));
  await expect(answer(page).getByText('Stop', { exact: true })).toHaveCount(0);
  hands.costs({ presses: 14, fields: 10 });
});

test('11: a remote camera on AA cells', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing('Time-lapse camera with a controller');
  await hands.addBattery('holder of AA or 18650 cells', '8 x AA NiMH 1900 mAh', CHARGED);
  await hands.addThing('Switching regulator, 12 V in, 8 V out');
  await hands.rigAround('Time-lapse camera with a controller');
  await hands.plug('Time-lapse camera with a controller', [/^Plug in Switching regulator/, /^Plug in .*A1/]);
  await expect(runTime(page)).toHaveText(/\d/);
  await expect(answer(page)).toContainText(/frames/);
  hands.costs({ presses: 10, fields: 8 });
});

test('12: lead-acid, a regulator and the sun, left alone', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing('Time-lapse camera with a controller');
  await hands.addBattery('lead-acid battery', '12 V 33 Ah', CHARGED);
  await hands.addThing('Switching regulator, 12 V in, 8 V out', () => hands.choose('Polarity', 'as marked, + to +'));
  await hands.rigAround('Time-lapse camera with a controller');
  const dialog = await hands.byHand('Time-lapse camera with a controller');
  await expect(dialog.getByRole('list', { name: 'What fits' })).toContainText('Switching regulator');
  await hands.press(dialog.getByRole('button', { name: /^Plug in Switching regulator/ }).first());
  await hands.press(dialog.getByRole('button', { name: /^Plug in Terminals of A1/ }).first());
  await hands.press(dialog.getByRole('button', { name: 'Use this chain' }));
  await expect(runTime(page)).toHaveText(/\d+ d/);
  await hands.press(page.getByRole('link', { name: 'Unattended' }));
  await expect(page.getByRole('heading', { name: /left|alone|Unattended/i }).first()).toBeVisible();
  hands.costs({ presses: 14, fields: 8 });
});

test('13: a lead of one’s own is judged by its wire', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing('Audio recorder, six tracks');
  await hands.addThing('V-mount battery, 95 Wh', () => hands.type('Tag', 'V1'));
  await hands.addThing('D-tap to barrel 5.5 × 2.1, centre positive', async () => {
    await hands.type('Length', '5 m');
    await hands.type('Wire', '26 AWG');
  });
  await hands.rigAround('Audio recorder, six tracks');
  await hands.plug('Audio recorder, six tracks', [/^Plug in D-tap of V1/]);
  await expect(page.getByRole('region', { name: 'What it rests on' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'What it rests on' })).toContainText('0.129 mm²');
  hands.costs({ presses: 10, fields: 7 });
});

test('14: locked off on a mains coupler, the door closed over its lead', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing(CAMERA);
  await hands.addThing('Mains coupler for a battery bay, 8 V 3 A', () => hands.type('Fits the bay', 'M'));
  await hands.rigAround(CAMERA);
  await hands.plug(CAMERA, [/^Plug in Battery shape of Mains coupler|^Plug in Mains coupler/], [/Battery bay/]);
  await expect(runTime(page)).toHaveText('as long as the mains is on');
  hands.costs({ presses: 7, fields: 5 });
});

test('15: two devices on one bank share what it can give', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing(CAMERA);
  await hands.addBattery('USB bank', '26800 mAh 96.5 Wh', { ports: 'USB-C1 45W, USB-C2 20W, total 65W', tag: 'B1' });
  await hands.addThing('USB-C cable, 3 A, 1 m', () => hands.type('How many', '2'));
  await hands.addThing('Stills camera, video now and then');
  await hands.rigAround(CAMERA);
  await hands.plug(CAMERA, [/^Plug in USB-C1 of B1/], [/USB-C of/]);
  await hands.addDevice('Stills camera, video now and then');
  await hands.plug('Stills camera, video now and then', [/^Plug in USB-C2 of B1/], [/USB-C of/]);
  await expect(findings(page)).toContainText('only charges its battery when it is off');
  hands.costs({ presses: 16, fields: 12 });
});

test('16: stills by shots a charge', async ({ page }) => {
  const hands = new Hands(page);
  await hands.addThing('Stills body, by the shot', async () => {
    await hands.press(page.getByText('Shots a charge', { exact: true }));
    await hands.type('Shots', '385');
    await hands.type('from a battery of', '14.7');
    await hands.type('You shoot', '77');
  });
  await hands.addBattery('camera battery', '7.2V 14.7Wh 2040mAh', { bay: 'M', tag: 'K1' });
  await hands.rigAround('Stills body, by the shot');
  await hands.plug('Stills body, by the shot', [/^Plug in Contacts of K1/]);
  // five hours at 77 an hour are the 385 that its maker counts, less what the cut-off leaves
  await expect(answer(page)).toContainText(/That is 3[5-9]\d shots/);
  hands.costs({ presses: 8, fields: 10 });
});
