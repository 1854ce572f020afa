import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import path from 'node:path';

const HOME = 'http://gallery.invalid/';
const FOLDER = process.env['E2E_GALLERY'];
const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.woff2': 'font/woff2',
};

/** The gallery is files alone: they are given out of their folder, and there is no server. */
async function open(page: Page): Promise<void> {
  await page.route(`${HOME}**`, (route) => {
    const { pathname } = new URL(route.request().url());
    const file = pathname === '/' ? 'index.html' : pathname.slice(1);
    return route.fulfill({ body: readFileSync(path.join(FOLDER!, file)), contentType: TYPES[path.extname(file)] ?? 'text/plain' });
  });
  await page.goto(HOME);
}

for (const theme of ['light', 'dark'] as const) {
  test(`every field, mark and chart is photographed, ${theme}`, async ({ page }, info) => {
    const errors: string[] = [];
    page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
    await page.emulateMedia({ colorScheme: theme });
    await open(page);
    await expect(page.locator('html')).toHaveAttribute('data-bs-theme', theme);
    for (const label of ['Figure, faulty', 'Text, faulty', 'Clock, faulty']) {
      const field = page.getByLabel(label);
      await field.fill(label.startsWith('Text') ? 'x'.repeat(60) : 'much');
      await field.blur();
      await expect(field).toHaveAttribute('aria-invalid', 'true');
    }
    await page.getByLabel('Figure, typed in its own way').fill('1h20');
    await expect(page.getByText('read as 1 h 20 min')).toBeVisible();
    await page.getByLabel('Words as printed').fill('9:30');
    await expect(page.getByText('Read as 570 minutes past midnight.')).toBeVisible();
    await expect(page.locator('app-apex-chart')).toHaveCount(4);
    await expect(page.locator('app-apex-chart[aria-busy="true"]')).toHaveCount(0);
    await expect(page.locator('.apexcharts-svg')).toHaveCount(4);
    // a token that is missing would leave a line without colour
    const strokes = await page
      .locator('.apexcharts-series path[stroke]')
      .evaluateAll((paths) => paths.map((one) => one.getAttribute('stroke')));
    expect(strokes.length).toBeGreaterThan(0);
    expect(strokes.filter((stroke) => stroke === '' || stroke === 'undefined')).toEqual([]);
    const { violations } = await new AxeBuilder({ page }).withRules(['color-contrast', 'label', 'select-name', 'button-name']).analyze();
    expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`)).toEqual([]);
    await page.screenshot({ path: info.outputPath(`gallery-${theme}.png`), fullPage: true });
    await page.setViewportSize({ width: 390, height: 844 });
    await page.waitForFunction(() => document.documentElement.scrollWidth <= 390);
    expect(errors).toEqual([]);
  });
}
