import { randomRuns } from './random-runs';

/** What the browser's worker runs; `npm run bench` opens it in Chromium. */
(globalThis as unknown as { postMessage: (message: unknown) => void }).postMessage(randomRuns());
