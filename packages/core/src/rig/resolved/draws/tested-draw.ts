import type { Draw } from '../../../gear';
import { cellVoltage, deliveredWh } from '../../../physics/cell';
import type { PackSpec } from '../../../physics/cell';
import { brokenLimit, compile, settleDraws, solve } from '../../../physics/circuit';
import type { Circuit } from '../../../physics/circuit';
import { ROOM_TEMPERATURE_C } from '../../../tables';
import { circuitOf } from '../circuit-of';
import { packOf } from '../resolved-pack';
import type { SourceTree } from '../source-tree';

type Tested = Extract<Draw, { basis: 'run-down' }>;

/** Energies nearer than this are those of one battery. */
const SAME_ENERGY = 0.01;
/** The draw is looked for until the test's time is met within so many minutes. */
const CLOSE_MIN = 0.02;
const MAX_ROUNDS = 12;
/** Parts of each stretch of a cell's table, and halvings towards the charge at which a run ends. */
const PARTS = 2;
const HALVINGS = 16;

/** Whether the pack in the rig can be the one of an own test: it holds as much. */
function isOfTest(spec: PackSpec | undefined, { energyWh }: Tested): spec is PackSpec {
  return spec !== undefined && Math.abs(spec.energyWh / energyWh - 1) < SAME_ENERGY;
}

/**
 * Watt-hours that the pack of an own test gave: fewer than its label says where it was emptied fast. The pack in the rig is
 * taken for it where it holds as much; else one of lithium-ion cells, whatever feeds the device now, so that the draw does
 * not change with its feed.
 *
 * @example givenInTest({ basis: 'run-down', energyWh: 95, minutes: 60 }) // 90.4
 */
export function givenInTest(test: Tested, spec?: PackSpec): number {
  if (test.givenWh !== undefined) return test.givenWh;
  const { energyWh, minutes, temperatureC = ROOM_TEMPERATURE_C } = test;
  return deliveredWh(
    isOfTest(spec, test) ? { ...spec, temperatureC } : { chemistry: 'li-ion', cellsInSeries: 1, energyWh, temperatureC },
    minutes,
  );
}

/**
 * Watts at a device with which this very feed, from the pack of its own test, runs for as long as the test did: what ends it
 * (the pack's cut-off, the least that a part of the feed or the device takes) counts as in every run. Undefined where the
 * pack in the rig is another, or cannot have lasted so long in this feed. `nearW`: about how much it is.
 */
export function drawOfTest(deviceId: string, test: Tested, tree: SourceTree, nearW: number): number | undefined {
  const spec = tree.battery?.spec;
  if (!isOfTest(spec, test)) return undefined;
  const temperatureC = test.temperatureC ?? ROOM_TEMPERATURE_C;
  const battery = packOf({ ...spec, startSoc: 1, temperatureC });
  const network = circuitOf({ ...tree, battery }, new Map([[deviceId, { powerW: nearW }]]));
  const circuit = network && compile(network);
  const load = circuit?.nodes.find((node) => node.load?.id === deviceId);
  if (!circuit || !load) return undefined;
  const lasts = (powerW: number): number => {
    load.loadW = powerW;
    settleDraws(circuit);
    return minutesOf(circuit, network.pack);
  };
  let powerW = nearW;
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const minutes = lasts(powerW);
    if (minutes <= 0) return undefined;
    if (Math.abs(minutes - test.minutes) < CLOSE_MIN) return powerW;
    // time goes with one over the draw, nearly
    powerW *= minutes / test.minutes;
  }
  return undefined;
}

/** Minutes from full until something ends a run; 0 where it does not begin. */
function minutesOf(circuit: Circuit, { ocvPerCell, cellsInSeries, capacityAh }: NonNullable<ReturnType<typeof circuitOf>>['pack']): number {
  const current = (soc: number): number | undefined =>
    solve(circuit, cellsInSeries * cellVoltage(ocvPerCell, soc)) && !brokenLimit(circuit) ? circuit.root.currentA : undefined;
  let hours = 0;
  let fromA = current(1);
  if (fromA === undefined || fromA <= 0) return 0;
  for (let index = ocvPerCell.length - 1; index > 0; index--) {
    const [high, low] = [ocvPerCell[index]![0], ocvPerCell[index - 1]![0]];
    for (let part = 0; part < PARTS; part++) {
      const from = high - ((high - low) * part) / PARTS;
      let to = high - ((high - low) * (part + 1)) / PARTS;
      let toA = current(to);
      const ends = toA === undefined;
      if (ends) {
        let [runs, stops] = [from, to];
        for (let turn = 0; turn < HALVINGS; turn++) {
          const middle = (runs + stops) / 2;
          if (current(middle) === undefined) stops = middle;
          else runs = middle;
        }
        to = runs;
        toA = current(to) ?? fromA;
      }
      const middleA = current((from + to) / 2) ?? fromA;
      // Simpson, over one by the current
      hours += ((capacityAh * (from - to)) / 6) * (1 / fromA + 4 / middleA + 1 / toA!);
      if (ends) return hours * 60;
      fromA = toA!;
    }
  }
  return hours * 60;
}
