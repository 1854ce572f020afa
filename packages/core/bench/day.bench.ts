import fs from 'node:fs';
import { planDay } from '../src/day/planner/plan-day';
import { dayChances } from '../src/day/run/chances';
import { DaySimulation } from '../src/day/run/simulate';
import type { Day } from '../src/day/shape/day';
import { LOW_WATER } from '../src/demo/low-water';
import { LOW_WATER_DAY } from '../src/demo/low-water-day';
import type { Gear } from '../src/gear/gear';
import type { Rig } from '../src/rig/drawn/rig';
import { charger, dayOfRigs, pack } from '../testing/day';

const timed = <T>(run: () => T): { readonly value: T; readonly ms: number } => {
  const started = performance.now();
  const value = run();
  return { value, ms: performance.now() - started };
};
const best = (times: number, run: () => unknown): number => Math.min(...Array.from({ length: times }, () => timed(run).ms));

/** Rigs that record two hours, rest for one, and so on, each with batteries of its own and some to share. */
function large(days: number, rigCount: number, batteryCount: number): DaySimulation {
  const ids = Array.from({ length: batteryCount }, (_, index) => `p${index}`);
  const rigIds = Array.from({ length: rigCount }, (_, index) => `R${index}`);
  return dayOfRigs({
    rigs: Object.fromEntries(rigIds.map((id, index) => [id, [12 + 3 * (index % 5), ids[index]!]])),
    gear: {
      ...Object.fromEntries(ids.map((id, index) => [id, pack([49, 95, 147][index % 3]!)])),
      ...Object.fromEntries(['c0', 'c1', 'c2', 'c3'].map((id) => [id, charger(160, 4)])),
    },
    blocks: Array.from({ length: days }, (_, day) =>
      rigIds.flatMap((rigId) =>
        [8, 11, 14, 17].map((hour) => ({
          rigId,
          fromMin: day * 1440 + hour * 60,
          toMin: day * 1440 + (hour + 2) * 60,
          uninterrupted: hour === 11,
        })),
      ),
    ).flat(),
    day: {
      days,
      places: [{ id: 'house', name: 'House', power: 'mains', temperatureC: 20 }],
      chargers: ['c0', 'c1', 'c2', 'c3'].map((gearId) => ({ gearId, placeId: 'house' })),
      hands: [{ from: 6 * 60, to: 23 * 60 }],
    },
  });
}

const demo = new DaySimulation(
  LOW_WATER_DAY.body,
  new Map(LOW_WATER.gear.map(({ id, body }) => [id, body])),
  new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body])),
);
const plan = timed(() => planDay(demo));
const ready = demo.prepare(plan.value);
console.log('The demo’s day: six rigs, thirteen batteries, five chargers');
console.log(
  `  planned, nothing known      ${plan.ms.toFixed(0)} ms   (aim: under 2000 ms)   ${plan.value.cost.swaps} changes, no plan needs fewer than ${plan.value.leastSwaps}`,
);
console.log(`  run                         ${best(20, () => demo.run(ready)).toFixed(1)} ms   (aim: under 50 ms)`);
const many = timed(() => dayChances(demo, plan.value, { runs: 2000 }));
console.log(
  `  2000 random runs            ${many.ms.toFixed(0)} ms   (aim: under 3000 ms)   ratio to 2000 plain runs: ${(many.ms / (2000 * best(5, () => demo.run(ready)))).toFixed(2)} ×`,
);

interface Known {
  readonly name: string;
  readonly doc: { readonly gear: Record<string, Gear>; readonly rigs: Record<string, Rig>; readonly day: Day };
  readonly best: { readonly G: number; readonly swaps: number };
}
console.log('Days whose best plan is known: minutes off and changes, found and best known (whether each is reached is tested)');
for (const { name, doc, best: known } of JSON.parse(
  fs.readFileSync(`${process.cwd()}/packages/core/testing/days.json`, 'utf8'),
) as Known[]) {
  const simulation = new DaySimulation(doc.day, new Map(Object.entries(doc.gear)), new Map(Object.entries(doc.rigs)));
  const { value, ms } = timed(() => planDay(simulation));
  const { gapMin, swaps } = value.cost;
  console.log(
    `  ${name.slice(0, 44).padEnd(44)} ${ms.toFixed(0).padStart(5)} ms   ${gapMin.toFixed(0)} min, ${swaps}   known ${known.G.toFixed(0)} min, ${known.swaps}   (aim: under ${doc.day.days > 2 ? 20 : 2} s)`,
  );
}

const AIMS = [
  [1, 6, 40, 1, 0],
  [5, 10, 100, 10, 2],
  [10, 20, 300, 60, 5],
] as const;
for (const [days, rigs, batteries, aimS, aimPercent] of AIMS) {
  const simulation = large(days, rigs, batteries);
  let firstMs: number | undefined;
  const started = performance.now();
  const { value, ms } = timed(() =>
    planDay(simulation, {
      onProgress: () => {
        firstMs ??= performance.now() - started;
        return true;
      },
    }),
  );
  const { cost, leastSwaps, unmet } = value;
  const gap = leastSwaps === 0 ? 0 : (100 * (cost.swaps - leastSwaps)) / leastSwaps;
  console.log(`${days} days, ${rigs} rigs, ${batteries} batteries`);
  console.log(
    `  planned                     ${(ms / 1000).toFixed(1)} s   (aim: under ${aimS} s)   best so far from ${((firstMs ?? ms) / 1000).toFixed(1)} s on, ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`,
  );
  console.log(
    `  changes                     ${cost.swaps}, no plan needs fewer than ${leastSwaps}: ${gap.toFixed(1)} % above the bound (aim: ${aimPercent} %); ${unmet.length} rigs unmet, ${cost.gapMin.toFixed(0)} min without power`,
  );
  const ran = simulation.prepare(value);
  console.log(`  run                         ${best(5, () => simulation.run(ran)).toFixed(1)} ms`);
}
