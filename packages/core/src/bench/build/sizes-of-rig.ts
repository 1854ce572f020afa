import { rigModel } from '../../answer';
import type { RigModel } from '../../answer';
import { batteryFigures } from '../../gear';
import type { Gear } from '../../gear';
import { ampacity } from '../../physics/wire';
import { batteryState, isKind } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import { wireArea } from '../../rig/resolved';
import type { Connection, SourceTree } from '../../rig/resolved';
import type { SizeToolName } from '../size';

/** A question of a small tool with the figures of a rig in it. */
export interface RigSize {
  readonly tool: SizeToolName;
  /** `D-tap lead, 0.6 m, to Splitter`. */
  readonly title: string;
  readonly question: Readonly<Record<string, unknown>>;
  /** At the highest peak of what hangs on it, where one is entered. */
  readonly peakA?: number;
  /** How long the rig runs on its source, and on how many watts: what a loss costs in minutes. */
  readonly runMin: number | undefined;
  readonly drawW: number | undefined;
}

/** A length to begin with where none is entered. */
const USUAL_LEAD_M = 0.5;
/** Figures are handed on as one would type them. */
const typed = (value: number): number => Number(value.toPrecision(4));

/**
 * Every lead, fuse, converter and pack of a rig as a question for its tool: the highest current over the whole run, the
 * volts at its source, what hangs on it. What a rig does not know is left out, not guessed; a length begins with half a metre.
 *
 * @example sizesOfRig(rig, gear)[0].tool // 'converter'
 */
export function sizesOfRig(rig: Rig, gear: ReadonlyMap<string, Gear>): readonly RigSize[] {
  const model = rigModel(rig, gear, { tracePoints: 0 });
  return model.resolved.trees.flatMap((tree) => {
    const run = model.runs.get(tree);
    const drawW = run?.start && run.start.packA * run.start.packV;
    const about = { runMin: tree.unlimited ? undefined : run?.minutes, drawW };
    return [
      ...tree.connections.flatMap((one) => [...leadOf(model, tree, one, rig), ...converterOf(model, tree, one)]),
      ...packOf(tree, drawW),
    ].map((size): RigSize => ({ ...size, ...about }));
  });
}

type Asked = Pick<RigSize, 'tool' | 'title' | 'question' | 'peakA'>;

/** The most that flows for long: a constant load takes the most where the volts are lowest. */
function highestA({ runs }: RigModel, tree: SourceTree, id: string): number | undefined {
  const run = runs.get(tree);
  const amps = [run?.start, run?.middle, run?.end].flatMap((point) => point?.feeds.find((feed) => feed.id === id)?.currentA ?? []);
  return amps.length === 0 ? undefined : Math.max(...amps);
}

function leadOf(model: RigModel, tree: SourceTree, one: Connection, rig: Rig): readonly Asked[] {
  const { cable, to, supply } = one;
  const currentA = highestA(model, tree, one.id);
  const isUsb = cable?.gear.ends.source.type.startsWith('usb') ?? true;
  if (!cable || isUsb || currentA === undefined || currentA <= 0 || !supply) return [];
  const { lengthM = USUAL_LEAD_M, maxA } = cable.gear;
  const areaMm2 = wireArea(cable.gear);
  const title = `${cable.title}, to ${to.title}`;
  const times = peakTimes(model, tree, one);
  const lead: Asked = {
    tool: 'lead',
    title,
    ...(times > 1 && { peakA: typed(currentA * times) }),
    question: {
      currentA: typed(currentA),
      lengthM,
      voltageV: typed(supply.startV),
      ...(rig.temperatureC !== undefined && { ambientC: rig.temperatureC }),
    },
  };
  if (areaMm2 === undefined) return [lead];
  const fuse: Asked = {
    tool: 'fuse',
    title,
    question: { continuousA: typed(currentA), wireMaxA: typed(ampacity(areaMm2)), ...(maxA !== undefined && { connectorMaxA: maxA }) },
  };
  return [lead, fuse];
}

/** By how much more flows when the one with the highest peak behind a joint peaks: the others as usual. */
function peakTimes({ draws }: RigModel, { connections }: SourceTree, one: Connection): number {
  const behind = connections.filter(({ to }) => isKind(to, 'device')).filter((leaf) => isBehind(leaf, one));
  const loads = behind.flatMap(({ to }) => draws?.usual.get(to.id) ?? []);
  const totalW = loads.reduce((sum, { powerW }) => sum + powerW, 0);
  const moreW = Math.max(0, ...loads.map(({ powerW, peakW = powerW }) => peakW - powerW));
  return totalW > 0 ? (totalW + moreW) / totalW : 1;
}

function isBehind(leaf: Connection, one: Connection): boolean {
  for (let at: Connection | undefined = leaf; at; at = at.before) if (at.id === one.id) return true;
  return false;
}

function converterOf(model: RigModel, tree: SourceTree, one: Connection): readonly Asked[] {
  const { from, before, output, to } = one;
  if (!isKind(from, 'adapter') || output.gives !== 'fixed' || output.voltageV === undefined || !before?.supply) return [];
  const currentA = highestA(model, tree, one.id);
  if (currentA === undefined || currentA <= 0) return [];
  const { linear, works, efficiency, ratedW, input } = from.gear;
  const { highV, lowV } = before.supply;
  return [
    {
      tool: 'converter',
      title: `${from.title}, to ${to.title}`,
      question: {
        kind: linear ? 'linear' : works === 'up' ? 'step-up' : 'step-down',
        packFullV: typed(highV),
        packEmptyV: typed(lowV),
        outputV: output.voltageV,
        loadW: typed(currentA * output.voltageV),
        ...(efficiency !== undefined && !linear && { efficiency }),
        ...(input.maxV !== undefined && { maxInputV: input.maxV }),
        ...(ratedW !== undefined && { maxOutputA: typed(ratedW / output.voltageV) }),
      },
    },
  ];
}

function packOf({ source }: SourceTree, drawW: number | undefined): readonly Asked[] {
  if (!isKind(source, 'battery') || drawW === undefined || drawW <= 0) return [];
  const { cell, cellsInParallel = 1, chemistry, massG } = source.gear;
  const { cellsInSeries } = batteryFigures(source.gear);
  if (!cell || cellsInSeries === undefined) return [];
  const { capacityAh, maxA } = cell;
  const cellG = massG === undefined ? undefined : typed(massG / cellsInSeries / cellsInParallel);
  return [
    {
      tool: 'pack',
      title: source.title,
      question: {
        cell: { chemistry, capacityAh, ...(maxA !== undefined && { maxA }), ...(cellG !== undefined && { massG: cellG }) },
        cellsInSeries,
        cellsInParallel,
        loadW: typed(drawW),
      },
    },
  ];
}

/** Two batteries of a kit as the question whether they may stand side by side; undefined while a figure is missing. */
export function parallelOf(rig: Rig, gear: ReadonlyMap<string, Gear>, aId: string, bId: string): RigSize['question'] | undefined {
  const side = (id: string): object | undefined => {
    const battery = gear.get(id);
    if (battery?.kind !== 'battery') return undefined;
    const { cellsInSeries, energyWh, resistanceOhm } = batteryFigures(battery);
    const { nominalV, chemistry, charge } = battery;
    if (cellsInSeries === undefined || energyWh === undefined || nominalV === undefined || resistanceOhm === undefined) return undefined;
    return {
      chemistry,
      cellsInSeries,
      charge: charge ?? batteryState(rig, id).startSoc,
      resistanceOhm,
      capacityAh: typed(energyWh / nominalV),
    };
  };
  const [a, b] = [side(aId), side(bId)];
  return a && b && { a, b };
}
