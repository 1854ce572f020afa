import networkCases from './network-cases.json';
import { assess } from '../src/answer/assess';
import { rigModel } from '../src/answer/rig-model';
import { DaySimulation } from '../src/day/run/simulate';
import { LOW_WATER } from '../src/demo/low-water';
import { LOW_WATER_DAY } from '../src/demo/low-water-day';
import { LOW_WATER_LOG } from '../src/demo/low-water-log';
import { PLAN_FORMAT, PLAN_VERSION } from '../src/document/plan';
import type { Battery } from '../src/gear/gear';
import { steadySegments } from '../src/measure/trace/segments';
import { inSlots } from '../src/measure/trace/trace';
import type { NetworkCase } from '../src/physics/circuit/network';

const rigNamed = (name: string) => LOW_WATER.rigs.find(({ body }) => body.name === name)!.body;
const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const rig = rigNamed('Wheelhouse');

const lateRig = rigNamed('Wheelhouse on the small battery');
const battery = gear.get(rig.links[0]!.from.gearId) as Battery;
/** A camera in three modes, fifty seconds each, a sample a second; one peak in the middle. */
const trace = {
  timeS: Float64Array.from({ length: 150 }, (_, second) => second),
  powerW: Float64Array.from(
    { length: 150 },
    (_, second) => (second === 51 ? 19.2 : second < 50 || second >= 100 ? 6 : 14.8) + 0.01 * (second % 3),
  ),
};

/** What the examples of core may name beside what it exports: the demo crew's things. */
export const EXAMPLE_WORLD = {
  battery,
  trace,
  slots: inSlots(trace, 1),
  segments: steadySegments(inSlots(trace, 1)),
  network: networkCases.find(({ id }) => id === 'single-direct') as unknown as NetworkCase,
  system: rigModel(rig, gear).system!,
  lateRig,
  lateFinding: assess(lateRig, gear).findings.find(({ code }) => code === 'over-current-late')!,
  gear,
  kit: gear,
  rigs,
  rig,
  cameraId: rig.devices[0]!.gearId,
  plan: { format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs } as const,
  day: LOW_WATER_DAY.body,
  block: LOW_WATER_DAY.body.blocks[0]!,
  simulation: new DaySimulation(LOW_WATER_DAY.body, gear, rigs),
  log: { observations: LOW_WATER_LOG, recordings: [], gear, rigs },
  model: rigModel(rig, gear, { tracePoints: 60 }),
  answer: assess(rig, gear),
  tracks: assess(rig, gear).tracks,
  unattendedRig: rigNamed('Breakwater'),
  newId: (
    (count) => () =>
      `new-${count++}`
  )(0),
};
