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

/** What a pointer meets on a desk, and a thumb on a phone, in pixels each way. */
export const TARGET_PX = { desk: 24, phone: 44 } as const;

/**
 * What is pressed and is smaller than that, each with its size. A box counts with the words that belong to it; a link within a
 * sentence is as high as its line; a shape of a drawing is as large as what it stands for, and its table is pressed instead.
 */
export async function tooSmall(page: Page, least: number): Promise<string[]> {
  return page.evaluate((px) => {
    const isSentence = (link: Element): boolean =>
      getComputedStyle(link).display === 'inline' &&
      Array.from(link.parentElement?.childNodes ?? []).some(
        (node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim().length > 2,
      );
    const pressed = document.querySelectorAll<HTMLElement>('a[href], button, input, select, textarea, summary');
    return Array.from(pressed).flatMap((one) => {
      if (!one.checkVisibility({ visibilityProperty: true, opacityProperty: true }) || one.closest('[aria-hidden="true"]')) return [];
      const labels = one instanceof HTMLInputElement && ['checkbox', 'radio'].includes(one.type) ? Array.from(one.labels ?? []) : [];
      const boxes = [one, ...labels].map((each) => each.getBoundingClientRect());
      const [width, height] = [Math.max(...boxes.map((box) => box.width)), Math.max(...boxes.map((box) => box.height))];
      // drawn for a screen reader alone
      if (width <= 1 || height <= 1 || isSentence(one)) return [];
      const said = one.getAttribute('aria-label') ?? one.textContent.trim().slice(0, 40);
      return Math.min(width, height) < px - 0.5
        ? [`${one.tagName.toLowerCase()} “${said}” ${Math.round(width)} × ${Math.round(height)}`]
        : [];
    });
  }, least);
}

/** Whatever is pressed and whose words are wider than it is: they run over what stands beside it. */
export async function squeezed(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    Array.from(document.querySelectorAll<HTMLElement>('a[href], button, summary')).flatMap((one) => {
      if (!one.checkVisibility({ visibilityProperty: true, opacityProperty: true }) || one.clientWidth <= 1) return [];
      const { overflowX } = getComputedStyle(one);
      const isOver = overflowX === 'visible' && one.scrollWidth > one.clientWidth + 1;
      return isOver
        ? [`${one.tagName.toLowerCase()} “${one.textContent.trim().slice(0, 40)}” ${one.scrollWidth} in ${one.clientWidth}`]
        : [];
    }),
  );
}
