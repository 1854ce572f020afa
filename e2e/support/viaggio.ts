import { test as base, expect } from '@playwright/test';
import type { APIRequestContext, Locator, Page } from '@playwright/test';

export const WHEELHOUSE = '/rigs/0d0c0000-0000-4000-8000-000000000101';
export const STILLS = '/rigs/0d0c0000-0000-4000-8000-000000000106';
export const OLD_BANK = '/rigs/0d0c0000-0000-4000-8000-000000000105';
export const DAY = '/days/0d0c0000-0000-4000-8000-000000004001';

/**
 * Every journey starts from the demo as it shipped and from nothing of one's own, and fails when the page logs an
 * error or asks anything of another machine.
 */
export const test = base.extend<{ watched: undefined }>({
  // each worker has a server to itself: journeys change what is kept there
  baseURL: async ({ baseURL }, use, { parallelIndex }) => use(process.env['E2E_URL']?.split(' ')[parallelIndex] ?? baseURL),
  watched: [
    async ({ context, request, baseURL }, use) => {
      await onlyTests(request);
      await request.post('/api/demo/reset');
      for (const kind of ['recordings', 'log', 'days', 'rigs', 'gear']) {
        for (const item of (await (await request.get(`/api/${kind}`)).json()) as { id: string; origin: string; revision: number }[]) {
          if (item.origin === 'own') await request.delete(`/api/${kind}/${item.id}`, { headers: { 'If-Match': `"${item.revision}"` } });
        }
      }
      const home = new URL(baseURL!).origin;
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

/** Opens the figures of a part of the rig, found by its name. */
export async function openPart(page: Page, name: string | RegExp): Promise<void> {
  await page.getByRole('region', { name: 'Devices and their feeds' }).getByRole('button', { name, expanded: false }).first().click();
}

export async function untilSaved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
}

/** Chooses in a drop-down, or in a field that searches where there is much to choose from. */
export async function pick(field: Locator, title: string): Promise<void> {
  if ((await field.evaluate(({ tagName }) => tagName)) === 'SELECT') {
    await field.selectOption(title);
    return;
  }
  await field.fill(title);
  await field.page().getByRole('listbox').getByRole('option', { name: title }).first().click();
}
