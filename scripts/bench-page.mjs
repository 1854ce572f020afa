/* global document, requestAnimationFrame -- what runs in the page */
// The page in Chromium: milliseconds from an edit to its answer on the screen, on the demo and on a large kit.
import fs from 'node:fs';
import { launchChromium } from './lib/chromium.mjs';
import { largeKit } from './lib/large-kit.mjs';
import { say } from './lib/say.mjs';
import { withThrowawayServer } from './lib/throwaway.mjs';

const EDITS = 40;
const ZOOMS = 20;
const DEMO_RIG = '/rigs/0d0c0000-0000-4000-8000-000000000107';

/** `meterFile`: a long one, to be read. */
export async function benchPage(meterFile) {
  await withThrowawayServer('bench-page', async (url) => {
    const browser = await launchChromium();
    try {
      const page = await browser.newPage({ baseURL: url, viewport: { width: 1280, height: 800 } });
      await edits(page, DEMO_RIG, 'demo, four loads, 74 items', 50);
      await settled(page, DEMO_RIG, 'demo, four loads');
      await settled(page, '/rigs/0d0c0000-0000-4000-8000-000000000102', 'demo, one load');
      const { gear, rig } = largeKit();
      const put = await page.request.post('/api/changes', { data: { gear, rigs: [rig] } });
      if (!put.ok()) throw new Error(await put.text());
      await edits(page, `/rigs/${rig.id}`, 'twelve loads, 574 items', 150);
      await searches(page);
      await recording(page, meterFile);
    } finally {
      await browser.close();
    }
  });
}

async function edits(page, path, what, aimMs) {
  await page.goto(path);
  await page.getByTestId('range').waitFor();
  const times = await page.evaluate(measureEdits, EDITS);
  say(`edit to answer, ${what}:   median ${median(times)} ms, worst ${Math.round(Math.max(...times))} ms   (aim: ${aimMs} ms)`);
}

/** Until all of the answer is there: the line of its likelihood too; and the longest piece of work that held the page up. */
async function settled(page, path, what) {
  await page.goto(path);
  await page.getByTestId('range').waitFor();
  const { times, longest } = await page.evaluate(measureSettled, EDITS);
  say(
    `edit to settled, ${what}:   median ${median(times)} ms, worst ${Math.round(Math.max(...times))} ms   (aim: 150 and 300 ms); longest task ${Math.round(longest)} ms   (aim: 50 ms)`,
  );
}

/** In the page: the same, until the range has been worked out anew. */
async function measureSettled(count) {
  let longest = 0;
  new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => (longest = Math.max(longest, duration)))).observe({
    entryTypes: ['longtask'],
  });
  /** @type {HTMLInputElement} */
  const slider = document.querySelector('[aria-label="Battery is at, by slider"]');
  const range = () => document.querySelector('[data-testid="range"]');
  const times = [];
  for (let turn = 0; turn < count; turn++) {
    const before = range()?.textContent;
    const from = performance.now();
    slider.value = String(turn % 2 === 0 ? -20 + (turn % 10) : 20 - (turn % 10));
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    while (performance.now() - from < 5000) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const now = range();
      if (now && !now.classList.contains('stale') && now.textContent !== before) break;
    }
    times.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  return { times, longest };
}

/** In the page: moves a slider, and waits until the new time has been painted. */
async function measureEdits(count) {
  /** @type {HTMLInputElement} */
  const slider = document.querySelector('[aria-label="Battery is at, by slider"]');
  const time = document.querySelector('[data-testid="run-time"]');
  const times = [];
  for (let turn = 0; turn < count; turn++) {
    const changed = new Promise((resolve) => {
      const observer = new globalThis.MutationObserver(() => {
        observer.disconnect();
        requestAnimationFrame(() => setTimeout(resolve));
      });
      observer.observe(time, { characterData: true, childList: true, subtree: true });
    });
    const from = performance.now();
    slider.value = String(turn % 2 === 0 ? -20 + (turn % 10) : 20 - (turn % 10));
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    await changed;
    times.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, 120));
  }
  return times;
}

/** A long file read, kept and looked at, with the longest time in which the page did not answer. */
async function recording(page, file) {
  const megabytes = Math.round(fs.statSync(file).size / 1e6);
  await page.goto('/log/recordings/import');
  await page.getByLabel('Choose a file, or drop it here').setInputFiles(file);
  const [readMs, readHeld] = await longWork(page, 'Preview', page.getByRole('button', { name: 'Keep it' }));
  say(`a meter’s file of ${megabytes} MB read in the worker   ${readMs} ms   (aim: 10 000 ms), the page held for ${readHeld} ms at most`);
  const [keepMs, keepHeld] = await longWork(page, 'Keep it', page.getByRole('button', { name: 'Zoom in' }));
  say(`  compressed, sent, kept and shown        ${keepMs} ms, the page held for ${keepHeld} ms at most`);
  const zooms = await page.evaluate(measureZooms, ZOOMS);
  say(`  closer, later or wider in its picture   median ${median(zooms)} ms, worst ${Math.round(Math.max(...zooms))} ms`);
}

/** Presses a button and waits for what shows that it is done; how long that took, and the longest gap between two frames. */
async function longWork(page, button, done) {
  await page.evaluate(() => {
    globalThis.longestGapMs = 0;
    let last = performance.now();
    const frame = () => {
      const now = performance.now();
      globalThis.longestGapMs = Math.max(globalThis.longestGapMs, now - last);
      last = now;
      globalThis.watching = requestAnimationFrame(frame);
    };
    frame();
  });
  const from = Date.now();
  await page.getByRole('button', { name: button }).click();
  await done.waitFor({ timeout: 120_000 });
  const took = Date.now() - from;
  const gap = await page.evaluate(() => (globalThis.cancelAnimationFrame(globalThis.watching), globalThis.longestGapMs));
  return [took, Math.round(gap)];
}

/** In the page: presses the buttons beside the picture, and waits until it has been drawn anew. */
async function measureZooms(count) {
  const buttons = [...document.querySelectorAll('.views button')].map((one) => /** @type {HTMLButtonElement} */ (one));
  const times = [];
  for (let turn = 0; turn < count; turn++) {
    const chart = document.querySelector('app-apex-chart');
    const changed = new Promise((resolve) => {
      const observer = new globalThis.MutationObserver(() => {
        observer.disconnect();
        requestAnimationFrame(() => setTimeout(resolve));
      });
      observer.observe(chart, { childList: true, subtree: true });
    });
    const from = performance.now();
    buttons[[2, 1, 2, 1, 3][turn % 5]].click();
    await changed;
    times.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  return times;
}

async function searches(page) {
  await page.goto('/kit');
  await page.locator('app-kit-table tbody tr').first().waitFor();
  const times = await page.evaluate(async () => {
    /** @type {HTMLInputElement} */
    const field = document.querySelector('input[type="search"]');
    const spent = [];
    for (const text of ['h', 'ho', 'holmvik 1', 'case 4', 'w3', '', 'load', '', 'splitter', '']) {
      const from = performance.now();
      field.value = text;
      field.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      spent.push(performance.now() - from);
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
    return spent;
  });
  say(`search in a kit of 574 items:   median ${median(times)} ms, worst ${Math.round(Math.max(...times))} ms   (aim: 150 ms)`);
}

function median(times) {
  return Math.round([...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]);
}
