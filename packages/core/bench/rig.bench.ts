import { runRange } from '../src/answer/range';
import { rigModel } from '../src/answer/rig-model';
import { LOW_WATER } from '../src/demo/low-water';
import { PLAN_FORMAT, PLAN_VERSION } from '../src/document/plan';
import { evaluate } from '../src/evaluation/evaluate';
import { assignFeeds } from '../src/feed/assign-feeds';
import { findFeeds } from '../src/feed/find-feeds';
import type { Gear } from '../src/gear/gear';
import type { Rig } from '../src/rig/drawn/rig';
import { camera, pack, usbCamera } from '../testing/rig-builder';
import { sixLoads } from '../testing/six-loads';
import { randomRuns } from './random-runs';

/** The quickest of several, in milliseconds: the machine's own noise only ever adds. */
function best(times: number, run: () => unknown): number {
  let least = Infinity;
  for (let time = 0; time < times; time++) {
    const started = performance.now();
    run();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}
const peak = (): string => {
  globalThis.gc?.();
  return `heap ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB, peak of the process ${(process.resourceUsage().maxRSS / 1e3).toFixed(0)} MB`;
};

const { ms, runs, p50Min } = randomRuns();
console.log(`${runs} random runs of six loads over 14 h in 40 phases, single thread`);
console.log(`  in Node                    ${ms.toFixed(0)} ms   (aim: under 1000 ms)   P50 ${p50Min?.toFixed(1) ?? 'beyond the day'}`);
const { rig, gear } = sixLoads();
const day = rigModel(rig, gear);
const once = best(5, () => runRange(day, { runs: 1 }));
console.log(`  one run by itself          ${(once * 1000).toFixed(0)} µs   (ratio to one of many: ${((once * runs) / ms).toFixed(1)} ×)`);
console.log(`  memory                     ${peak()}`);

const plan = { format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs } as const;
evaluate(plan);
const whole = best(12, () => evaluate(plan));
const bare = best(12, () => evaluate({ ...plan, ask: { runs: 0 } }));
console.log(`evaluation of the demo document (${LOW_WATER.gear.length} items, ${LOW_WATER.rigs.length} rigs), warm`);
console.log(`  with 100 random runs a rig ${whole.toFixed(0)} ms   (aim: under 30 ms)`);
console.log(`  without random runs        ${bare.toFixed(0)} ms`);
console.log(`  memory                     ${peak()}`);

const kit = trunkOf200();
console.log(`path finder: ${kit.gear.size} parts, ${kit.rig.devices.length} loads`);
console.log(
  `  every load by itself       ${best(2, () => kit.rig.devices.map(({ gearId }) => findFeeds(kit.rig, gearId, kit.gear))).toFixed(0)} ms   (aim: under 2000 ms)`,
);
let found: ReturnType<typeof assignFeeds> | undefined;
console.log(
  `  all loads at once          ${best(2, () => (found = assignFeeds(kit.rig, kit.gear))).toFixed(0)} ms   (exact: ${found!.exact}; ${found!.looked} partial rigs weighed; cost ${found!.best[0]!.cost.toFixed(2)})`,
);
console.log(`  memory                     ${peak()}`);

/** The demo's trunk with more of its batteries, banks and leads, and eight devices. */
function trunkOf200(): { readonly rig: Rig; readonly gear: ReadonlyMap<string, Gear> } {
  const parts = new Map<string, Gear>(LOW_WATER.gear.filter(({ body }) => body.kind !== 'device').map(({ id, body }) => [id, body]));
  for (let copy = 0; parts.size < 192; copy++) {
    for (const { id, body } of LOW_WATER.gear) {
      if (parts.size >= 192 || body.kind === 'device' || body.kind === 'charger') continue;
      parts.set(`${id} ${copy}`, { ...body, name: `${body.name} ${copy}`, massG: (body.massG ?? 100) + copy });
    }
  }
  parts.set('v', pack());
  const devices: readonly Gear[] = [
    ...[18, 12, 7, 4].map((powerW, place) => camera({ name: `On D-tap ${place}` }, powerW, { minV: 7, maxV: 17 })),
    ...[14, 10, 8].map((powerW, place) => usbCamera(powerW, { minV: 9 }, { name: `On USB-C ${place}` })),
    LOW_WATER.gear.find(({ body }) => body.name === 'Havgall cinema camera')!.body,
  ];
  devices.forEach((body, place) => parts.set(`device ${place}`, body));
  return {
    rig: {
      name: 'Eight loads',
      style: 'tripod',
      wantedMin: 240,
      devices: devices.map((_body, place) => ({ gearId: `device ${place}` })),
      links: [],
    },
    gear: parts,
  };
}
