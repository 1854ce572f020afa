import fc from 'fast-check';
import { assess } from '../answer/assess';
import { sizesOfRig } from '../bench/build/sizes-of-rig';
import { faultFacts } from '../bench/fault/facts';
import { standingOf, withReading } from '../bench/joints/standing';
import { checkSteps } from '../bench/joints/steps';
import { measuredFindings } from '../bench/measured/measured-findings';
import type { SheetEntry, SheetOf } from '../bench/sheet/sheet-shape';
import { SIZE_TOOLS } from '../bench/size/tools';
import { LOW_WATER } from '../demo/low-water';
import type { Plan } from '../document/plan';
import type { Gear } from '../gear/gear';
import { whyNotAtHand } from '../gear/kit/at-hand';
import { mayFly } from '../gear/kit/may-fly';
import { gearIdsOf } from '../rig/drawn/rig';
import type { Rig } from '../rig/drawn/rig';
import { packedTrip } from '../travel/bags/packed-trip';
import { evaluate } from './evaluate';

const GEAR = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const RIG = 'rig';
const HARMS = ['swollen', 'leaks', 'wet', 'dropped', 'hot', 'damaged', 'recalled'] as const;
const FLIES = { free: 'free', approval: 'approval', no: 'never', unknown: 'unknown' } as const;

interface World {
  readonly rig: Rig;
  readonly gear: ReadonlyMap<string, Gear>;
  readonly sheets: readonly SheetEntry[];
}

/** A rig of the demo with something happened to one of its parts, another charge and temperature, and a joint that was measured. */
const drawn = fc.record({
  at: fc.nat(LOW_WATER.rigs.length - 1),
  part: fc.nat(20),
  happened: fc.oneof(
    fc.constant({}),
    fc.constantFrom(...HARMS).map((what) => ({ harmed: [{ what }] })),
    fc.constantFrom('broken', 'lost', 'lent', 'packed').map((away) => ({ away })),
  ),
  startCharge: fc.double({ min: 0.05, max: 1, noNaN: true }),
  temperatureC: fc.integer({ min: -10, max: 35 }),
  joint: fc.nat(20),
  reading: fc.constantFrom('none', 'expected', 'reversed', 'double', 'nothing', 'OL'),
});
type Drawn = typeof drawn extends fc.Arbitrary<infer D> ? D : never;

function worldOf({ at, part, happened, startCharge, temperatureC, joint, reading }: Drawn): World {
  const rig: Rig = { ...LOW_WATER.rigs[at]!.body, startCharge, temperatureC };
  const ids = gearIdsOf(rig);
  const id = ids[part % ids.length]!;
  const gear = new Map(GEAR).set(id, { ...GEAR.get(id)!, ...happened });
  const steps = checkSteps(rig, gear);
  const step = steps[joint % Math.max(1, steps.length)];
  const empty: SheetOf<'joints'> = { kind: 'joints', rigId: RIG, at: '2026-01-11T18:00', readings: [] };
  if (!step || reading === 'none') return { rig, gear, sheets: [] };
  const usual = step.maxV ?? step.maxOhm ?? 1;
  const shown = { expected: usual, reversed: step.maxOhm === undefined ? -usual : usual, double: 2 * usual, nothing: 0, OL: 'OL' } as const;
  return { rig, gear, sheets: [{ id: 'sheet', body: withReading(empty, step, shown[reading]) }] };
}

const joints = ([one]: readonly SheetEntry[]) => (one?.body.kind === 'joints' ? one.body : undefined);

describe('what one view knows of a rig, all know', () => {
  it('500 random rigs: documents, check, flying, packing, faults and sizes agree with the answer', () => {
    const seen = { stopped: 0, grounded: 0, away: 0, sized: 0, faults: 0 };
    fc.assert(
      fc.property(drawn, (one) => {
        const { rig, gear, sheets } = worldOf(one);
        const measured = measuredFindings(RIG, rig, gear, sheets);
        const answer = assess(rig, gear, { measured, tracePoints: 0 });
        // documents and the command
        const plan = { gear: [...gear].map(([id, body]) => ({ id, body })), rigs: [{ id: RIG, body: rig }], sheets } as unknown as Plan;
        expect(evaluate(plan).rigs[0]!.answer.verdict).toBe(answer.verdict);
        // the check
        const isStopped = standingOf(rig, gear, joints(sheets)).is === 'stopped';
        expect(measured.length > 0).toBe(isStopped);
        if (isStopped) {
          seen.stopped++;
          expect(answer.verdict).toBe('stop');
        }
        // flying and packing
        const trip = { name: 'Out', rigIds: [RIG], legs: [{ id: 'leg', name: 'Out', by: 'air', on: '2026-01-12' }] } as const;
        const { flight, list } = packedTrip({
          trip,
          gear,
          rigs: new Map([[RIG, rig]]),
          days: new Map(),
          rules: new Map(),
          sheets,
          today: '2026-01-12',
        });
        for (const { id, verdict, legs } of flight.batteries) {
          const battery = gear.get(id)!;
          if (battery.kind !== 'battery') continue;
          expect([id, verdict, legs.length]).toEqual([id, FLIES[mayFly(battery)], 1]);
          if (verdict === 'never') seen.grounded++;
        }
        for (const { id, gear: body } of list.things) {
          if (!body) continue;
          // what is packed lies where a pack list wants it
          const isAway = !['packed', undefined].includes(whyNotAtHand(body));
          expect([id, list.lacks.some((lack) => lack.is === 'not-at-hand' && lack.id === id)]).toEqual([id, isAway]);
          if (isAway) seen.away++;
        }
        // what was measured speaks for a cause
        if (isStopped) {
          const why = [...faultFacts({ rigId: RIG, rig, gear, sheets }).why.values()];
          if (JSON.stringify(why).includes('measured-stop')) seen.faults++;
        }
        // what a tool calls a stop is not good in its rig
        for (const { tool, question } of sizesOfRig(rig, gear)) {
          const sized = SIZE_TOOLS[tool].size(question as never);
          if (!('verdict' in sized) || sized.verdict !== 'stop') continue;
          seen.sized++;
          expect(answer.verdict).not.toBe('good');
        }
      }),
      { numRuns: 500, seed: 29, endOnFailure: true },
    );
    expect(Math.min(seen.stopped, seen.grounded, seen.away, seen.sized)).toBeGreaterThan(20);
    expect(seen.faults).toBeGreaterThan(0.5 * seen.stopped);
  });
});
