import { test as base, expect } from '@playwright/test';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import { askingIn, browsingIn } from './worlds';
import type { World } from './worlds';

/** What opens beside a rig's answer, and every finding. */
const OPEN_AT_A_RIG = ['build', 'what-if', 'findings', 'gauges', 'backups', 'connecting', 'costs', 'over-time', 'reasons'];

/** Addresses with the names that things have in the demo; `addressOf` finds what they are kept under. */
export const WHEELHOUSE = '/rigs/<Wheelhouse>';
export const STILLS = '/rigs/<Stills>';
export const OLD_BANK = '/rigs/<Galley on the old bank>';
export const DAY = '/days/<Day 2, out with the pilots>';

/** `/kit?item=<V4>` as it is on this server: a piece of gear by its tag, everything else by its name. */
export async function addressOf(request: APIRequestContext, address: string): Promise<string> {
  const [, name] = /<(.*)>/.exec(address) ?? [];
  if (name === undefined) return address;
  for (const kind of ['gear', 'rigs', 'days', 'recordings', 'sheets', 'rules', 'trips']) {
    const items = (await (await request.get(`/api/${kind}`)).json()) as { id: string; body: { name: string; tag?: string } }[];
    const found = items.find(({ body }) => (body.tag ?? body.name) === name);
    if (found) return address.replace(`<${name}>`, found.id);
  }
  throw new Error(`Nothing of the demo is called ${name}.`);
}

/** Goes to an address in the demo's names. */
export async function visit(page: Page, address: string): Promise<void> {
  await page.goto(await addressOf(page.request, address));
}

/**
 * Every journey starts from the demo crew's world as it shipped, or from one's own with nothing in it, and fails when the
 * page logs an error or asks anything of another machine.
 */
export const test = base.extend<{ watched: undefined; world: World }>({
  // the demo crew's, where a journey does not say that it begins with nothing
  world: ['demo', { option: true }],
  context: async ({ context, world }, use) => use(browsingIn(world, context)),
  request: async ({ request, world }, use) => use(askingIn(world, request)),
  // each worker has a server to itself: journeys change what is kept there
  baseURL: async ({ baseURL }, use, { parallelIndex }) => use(process.env['E2E_URL']?.split(' ')[parallelIndex] ?? baseURL),
  watched: [
    async ({ context, request, baseURL }, use) => {
      const home = new URL(baseURL!).origin;
      await onlyTests(request);
      await request.post('/api/demo/reset');
      for (const kind of ['trips', 'rules', 'sheets', 'recordings', 'log', 'days', 'rigs', 'gear']) {
        for (const item of (await (await request.get(`${home}/api/${kind}`)).json()) as { id: string; revision: number }[])
          await request.delete(`${home}/api/${kind}/${item.id}`, { headers: { 'If-Match': `"${item.revision}"` } });
      }
      // as a person who works at the desk left it: everything of a rig stands open
      await context.addInitScript((open) => {
        // the page before the first address keeps nothing, and must not be asked to
        if (location.protocol !== 'http:' || localStorage.getItem('viaggio.rig-open') !== null) return;
        localStorage.setItem('viaggio.rig-open', JSON.stringify(open));
      }, OPEN_AT_A_RIG);
      const elsewhere: string[] = [];
      const errors: string[] = [];
      context.on('request', (sent) => {
        const url = new URL(sent.url());
        if (url.origin !== home && !['data:', 'blob:'].includes(url.protocol)) elsewhere.push(sent.url());
      });
      context.on('weberror', (error) => errors.push(error.error().message));
      context.on('console', (message) => {
        // a refused save is logged by the browser itself; the journeys that provoke one look at what the page says
        if (message.type() === 'error' && !/status of (412|422|503)|ERR_CONNECTION_REFUSED/.test(message.text()))
          errors.push(message.text());
      });
      await use(undefined);
      expect(elsewhere, 'requests that left the machine').toEqual([]);
      expect(errors, 'errors on the page').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Nothing is deleted where the database does not itself say that it is for tests. */
async function onlyTests(request: APIRequestContext): Promise<void> {
  const { keeps } = (await (await request.get('/api/health')).json()) as { keeps?: string };
  if (keeps !== 'tests')
    throw new Error('This server keeps a person’s data. Journeys delete everything: run them with npm test -- journeys');
}

/** The big number of the answer. */
export function runTime(page: Page): Locator {
  return page.getByTestId('run-time');
}

/** The big number as it is now, once it is there: what a journey compares with is read, not known. */
export async function timeNow(page: Page): Promise<string> {
  await expect(runTime(page)).toHaveText(/\d/);
  return (await runTime(page).textContent())!.trim();
}

/** Opens the figures of a part of the rig, found by its name. */
export async function openPart(page: Page, name: string | RegExp): Promise<void> {
  await page.getByRole('region', { name: 'Devices and their feeds' }).getByRole('button', { name, expanded: false }).first().click();
}

export async function untilSaved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^\s*Saved\s*$/ })).toBeVisible();
}

/** Does what stands in the menu of a page, or of a panel within it. */
export async function pressAct(page: Page, act: string, within: Page | Locator = page): Promise<void> {
  const menu = within.getByRole('button', { name: /^Actions: / });
  const entry = within.getByRole('button', { name: act, exact: true });
  // what is saved meanwhile may make the page anew, and closes the menu with it
  await expect(async () => {
    if ((await menu.getAttribute('aria-expanded')) !== 'true') {
      await menu.click();
    }
    await entry.click({ timeout: 3000 });
  }).toPass();
}

/** Chooses in a drop-down, or in a field that searches where there is much to choose from. */
export async function pick(field: Locator, title: string): Promise<void> {
  if ((await field.evaluate(({ tagName }) => tagName)) === 'SELECT') {
    await field.selectOption(title);
    return;
  }
  const list = field.page().getByRole('listbox');
  // what is worked out meanwhile may draw the list anew under the press: a person presses again
  await expect(async () => {
    await field.fill(title);
    await list.getByRole('option', { name: title }).first().click({ timeout: 5000 });
    await expect(list).toBeHidden({ timeout: 2000 });
  }).toPass();
}

/** Until the planner has looked at everything, as its page tells; the bound is for what hangs. */
export async function untilPlanned(page: Page): Promise<void> {
  await expect(page.getByRole('progressbar', { name: 'Looked at' })).toBeHidden({ timeout: 180_000 });
}
