import cases from '../testing/network-cases.json';
import { assess } from '../src/answer/assess';
import { LOW_WATER } from '../src/demo/low-water';
import type { Network } from '../src/physics/circuit/network';
import { discharge } from '../src/run/discharge';
import { fixedStepDischarge } from '../testing/fixed-step-discharge';

const REFERENCE = 'camera-through-regulator';
type Case = Network & { readonly id: string; readonly expect: { readonly minutes: number } };
const all = cases as unknown as readonly Case[];

/** Median microseconds of one call, over batches that each take some ten milliseconds. */
function medianUs(run: () => unknown, batches = 41, perBatch = 100): number {
  for (let warm = 0; warm < 3 * perBatch; warm++) run();
  const times = Array.from({ length: batches }, () => {
    const started = performance.now();
    for (let call = 0; call < perBatch; call++) run();
    return ((performance.now() - started) * 1000) / perBatch;
  });
  return times.sort((a, b) => a - b)[Math.floor(batches / 2)]!;
}

const reference = all.find(({ id }) => id === REFERENCE)!;
const eventUs = medianUs(() => discharge(reference));
const loopUs = medianUs(() => fixedStepDischarge(reference), 9, 2);
const eventMin = discharge(reference).minutes;
const loopMin = fixedStepDischarge(reference).minutes;
const worst = Math.max(
  ...all.filter(({ expect }) => expect.minutes > 0).map((one) => Math.abs(discharge(one).minutes / one.expect.minutes - 1)),
);

console.log(`reference discharge (“${REFERENCE}”, ${eventMin.toFixed(2)} min), both in this run, medians`);
console.log(`  event-driven               ${eventUs.toFixed(1)} µs   (aim: 24 µs or less)`);
console.log(`  fixed one-second loop      ${loopUs.toFixed(0)} µs`);
console.log(`  ratio                      ${(loopUs / eventUs).toFixed(0)} ×     (aim: 500 × or more)`);
console.log(
  `  difference                 ${Math.abs(eventMin - loopMin).toFixed(4)} min (${((100 * Math.abs(eventMin - loopMin)) / eventMin).toFixed(4)} %)`,
);
console.log(`  worst against the 13 timed reference cases ${(100 * worst).toFixed(4)} %   (aim: 0.1 % or better)`);

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const answers = medianUs(() => LOW_WATER.rigs.map(({ body }) => assess(body, gear)), 21, 10);
console.log(`answer of a demo rig          ${(answers / LOW_WATER.rigs.length).toFixed(0)} µs (mean of ${LOW_WATER.rigs.length})`);
globalThis.gc?.();
console.log(
  `memory: heap ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB, peak of the process ${(process.resourceUsage().maxRSS / 1e3).toFixed(0)} MB`,
);
