import { AxeBuilder } from '@axe-core/playwright';
import { WHEELHOUSE, expect, test } from '../support/viaggio';

const PAGES = [
  '/rigs',
  '/rigs/new',
  WHEELHOUSE,
  '/rigs/0d0c0000-0000-4000-8000-000000000105',
  '/rigs/0d0c0000-0000-4000-8000-000000000107',
  '/nowhere',
];

for (const theme of ['light', 'dark'] as const) {
  for (const path of PAGES) {
    test(`axe finds nothing serious: ${path}, ${theme}`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: theme });
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      if (path === WHEELHOUSE) await expect(page.locator('.apexcharts-svg')).toBeVisible();
      await page.evaluate(() => document.querySelectorAll('details').forEach((fold) => (fold.open = true)));
      const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']).analyze();
      const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
      expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`)).toEqual([]);
    });
  }
}

test('nothing is cut off at 390 px, nor at 360', async ({ page }) => {
  for (const width of [390, 360]) {
    await page.setViewportSize({ width, height: 844 });
    for (const path of PAGES) {
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    }
  }
});

test('the theme can be pinned and stays', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/rigs');
  await page.getByRole('button', { name: 'Menu' }).click();
  await page.getByRole('button', { name: 'Dark, for the set' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
});
