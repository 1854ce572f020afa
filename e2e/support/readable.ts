import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';

export const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'];

/** A desk's window at 200 %, a phone, and a desk's window at 400 %. */
const NARROW = [
  [640, 400],
  [390, 844],
  [320, 640],
] as const;

/** There are no frames: looked at in place, which takes half as long as by way of a page of axe's own. */
export const axe = (page: Page): AxeBuilder => new AxeBuilder({ page }).setLegacyMode();

export async function serious(builder: AxeBuilder): Promise<string[]> {
  const { violations } = await builder.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`);
}

/** At every narrow width nothing makes the page scroll sideways. */
export async function expectNothingCutOff(page: Page): Promise<void> {
  for (const [width, height] of NARROW) {
    await page.setViewportSize({ width, height });
    // a chart follows a moment after the page
    await page.waitForFunction((most) => document.documentElement.scrollWidth <= most, width, { timeout: 3000 });
  }
}
