import { createRequire } from 'node:module';
import path from 'node:path';
import { CHROMIUM } from './install.mjs';
import { ROOT } from './paths.mjs';

/** Debian's Chromium under the Playwright of the journeys, kept off the network. */
export function launchChromium() {
  const { chromium } = createRequire(path.join(ROOT, 'e2e/package.json'))('@playwright/test');
  return chromium.launch({
    executablePath: CHROMIUM.program,
    args: [
      ...(process.getuid() === 0 ? ['--no-sandbox'] : []),
      '--disable-gpu',
      '--disable-background-networking',
      '--disable-sync',
      '--no-first-run',
    ],
  });
}
