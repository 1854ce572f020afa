import type { Page } from '@playwright/test';
import { addressOf, expect, test, untilSaved } from '../support/viaggio';

/** What is one's own and what is the demo crew's never meet: not in a list, a choice, a proposal, a tag. */
test.use({ world: 'own' });

const PAGES = [
  '/today', '/kit', '/kit/add', '/rigs', '/rigs/new', '/days', '/bench/check', '/bench/contacts', '/bench/build', '/bench/fault',
  '/pack/trips', '/pack/charge', '/pack/tags', '/pack/rules', '/pack/borrowed', '/log', '/log/new', '/log/draws', '/log/batteries',
  '/log/plans', '/log/recordings', '/log/recordings/import', '/log/recordings/live', '/backup', '/preferences',
]; // prettier-ignore

/** Everything that a page says, in choices too. */
async function saidIn(page: Page): Promise<string> {
  return page.locator('main').evaluate((main) =>
    Array.from(main.querySelectorAll('*'))
      .flatMap((one) => [one.textContent, one.getAttribute('aria-label'), (one as HTMLInputElement).value])
      .join('\n'),
  );
}

test('nothing of the demo crew’s stands on any page of one’s own, not in a choice either', async ({ page, request }) => {
  const names = new Set<string>();
  for (const kind of ['gear', 'rigs', 'days', 'trips', 'recordings', 'sheets', 'rules'])
    for (const { body } of (await (await request.get(`/demo/api/${kind}`)).json()) as { body: { name?: string; tag?: string } }[])
      if (body.name !== undefined) names.add(body.name);
  // words that generic gear is called by too, before there is anything of anybody's
  for (const path of ['/kit/add', '/rigs/new']) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const generic = await saidIn(page);
    for (const name of names) if (generic.includes(name)) names.delete(name);
  }
  expect(names.size).toBeGreaterThan(50);
  // a kit of one's own, so that what is proposed has something to be proposed for
  await page.goto('/kit/add');
  await page.getByRole('searchbox').fill('V-mount 95');
  await page.getByRole('button', { name: 'V-mount battery, 95 Wh' }).click();
  await expect(page.getByLabel('Tag')).toHaveValue('V1');
  await page.getByRole('button', { name: 'Add it to the kit' }).click();
  await page.goto('/kit/add');
  await page.getByRole('searchbox').fill('Mid-size camera');
  await page.getByRole('button', { name: 'Mid-size camera, 4K at high frame rate' }).click();
  await page.getByRole('button', { name: 'Add it to the kit' }).click();
  await expect(page).toHaveURL(/\/kit\?item=/);
  for (const path of PAGES) {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect(page.getByText(/^(Loading|Working it out) …$/)).toHaveCount(0);
    if (path === '/today') await expect(page.getByRole('heading', { name: 'Start something' })).toBeVisible();
    const said = await saidIn(page);
    expect([path, [...names].filter((name) => said.includes(name))]).toEqual([path, []]);
  }
  // a rig is fed from the own kit alone
  await page.goto('/rigs');
  await page.getByLabel('New rig around a device of the kit').selectOption({ label: 'Mid-size camera, 4K at high frame rate' });
  await expect(page).toHaveURL(/\/rigs\/[0-9a-f-]{36}$/);
  const strange = async (): Promise<readonly string[]> => {
    const said = await page.getByRole('dialog').innerText();
    return [...names].filter((name) => said.includes(name));
  };
  for (const act of ['Build it by hand …', 'Choose a feed …']) {
    await page.getByRole('button', { name: act }).click();
    await expect(page.getByRole('dialog')).toContainText(/V1|Nothing|No sound/);
    expect([act, await strange()]).toEqual([act, []]);
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  // nor is it found
  await page.getByRole('button', { name: 'Search everything' }).click();
  await page.getByRole('combobox', { name: 'Search everything' }).fill('Holmvik');
  await expect(page.getByText('Nothing is called “Holmvik”.')).toBeVisible();
});

test('a rig of the demo crew’s is copied over with one press, and is one’s own from then on', async ({ page, request }) => {
  await page.goto('/demo/rigs');
  await page.getByRole('link', { name: /^Deck/ }).first().click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Deck');
  await page.getByRole('button', { name: 'Actions: Deck' }).click();
  await page.getByRole('button', { name: 'Copy to my kit' }).click();
  await expect(page).toHaveURL(/^[^/]*\/\/[^/]*\/rigs\/[0-9a-f-]{36}$/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Deck');
  await page.getByLabel('It must run for').fill('3 h');
  await untilSaved(page);
  const body = async (at: string) => ((await (await request.get(at)).json()) as { body: { wantedMin?: number } }).body;
  const mine = await addressOf(request, '/api/rigs/<Deck>');
  expect((await body(mine)).wantedMin).toBe(180);
  expect((await body(`/demo${mine}`)).wantedMin).not.toBe(180);
});

test('a trip, a recording with its samples and a log entry of theirs come over as well', async ({ page }) => {
  const copied = async (at: string): Promise<void> => {
    await page.getByRole('button', { name: 'Copy to my kit' }).click();
    await expect(page).toHaveURL(new RegExp(`^[^/]*//[^/]*${at}/[0-9a-f-]{36}$`));
  };
  await page.goto('/demo/pack/trips');
  await page.getByRole('link', { name: /^Out to Skarnholm/ }).click();
  await page.getByRole('button', { name: 'Actions: Out to Skarnholm' }).click();
  await copied('/pack/trips');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Out to Skarnholm');

  await page.goto('/demo/log/recordings');
  await page.getByRole('link', { name: /V1 to Wheelhouse, bench/ }).click();
  await copied('/log/recordings');
  await expect(page.getByRole('heading', { name: 'V1 to Wheelhouse, bench' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Samples, CSV' })).toBeEnabled();

  await page.goto('/demo/log');
  await page.locator('.entries a').first().click();
  await copied('/log/entry');
  await expect(page.getByRole('button', { name: 'Keep the correction' })).toBeVisible();
});

test('an address from before leads to the demo crew’s, a tag’s too', async ({ page, request }) => {
  const rigs = (await (await request.get('/demo/api/rigs')).json()) as { id: string; body: { name: string } }[];
  const gear = (await (await request.get('/demo/api/gear')).json()) as { id: string; body: { tag?: string } }[];
  const deck = rigs.find(({ body }) => body.name === 'Deck')!;
  await page.goto(`/rigs/${deck.id}`);
  await expect(page).toHaveURL(`/demo/rigs/${deck.id}`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Deck');
  const v4 = gear.find(({ body }) => body.tag === 'V4')!;
  await page.goto(`/g/${v4.id}`);
  await expect(page).toHaveURL(`/demo/kit?item=${v4.id}`);
});

test('on a phone the head says whose things they are, and the menu leads to the other', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/kit');
  await expect(page.locator('header .place')).toHaveText(/My kit/);
  await page.getByRole('button', { name: 'Menu' }).click();
  await page.getByRole('link', { name: 'Go to: Demo crew' }).click();
  await expect(page).toHaveURL('/demo/today');
  await expect(page.locator('header .place')).toHaveText(/Demo crew/);
});
