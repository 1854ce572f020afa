import type { Draw, Provenance } from '../../../gear';
import { cellVoltage } from '../../../physics/cell';
import type { PackSpec } from '../../../physics/cell';
import { compile, settleDraws, solve } from '../../../physics/circuit';
import { DRAW_SPREAD } from '../../../tables';
import type { DeviceUse, Part } from '../../drawn';
import { circuitOf } from '../circuit-of';
import type { LoadDraw } from '../circuit-of';
import type { Evidence } from '../figure';
import type { SourceTree } from '../source-tree';
import { drawOfTest, givenInTest } from './tested-draw';

const HALF_CHARGE = 0.5;
const SECANT_ROUNDS = 30;
const SECANT_TOLERANCE_W = 1e-9;

/** What a device counts on its way to an empty battery, beside minutes. */
export interface Counted {
  readonly what: 'shots' | 'frames';
  readonly perHour: number;
}

export interface DeviceDraw extends LoadDraw {
  /** Standard deviation as a share of the draw, for the range of an answer. */
  readonly spread: number;
  readonly counted: Counted | undefined;
}

/**
 * Watts at a device in the mode the rig gives it, from whatever is known: the maker's figure, a meter, how long a pack
 * lasted, shots or frames. Undefined, and told to the evidence, where nothing is known.
 *
 * A meter at the battery and a run-down have the losses of the way in them, so the draw at the device is the one with
 * which this very feed takes the measured watts at half charge.
 *
 * A pack of 95 Wh that a test empties in 5 h 10 gives all of it, at its rated pace: 18.4 W at the battery, behind an adapter of
 * 92 % about 16.8 W at the camera. Emptied within an hour it gives some 5 % less, and the draw is that much less.
 *
 * @example deviceDraw(model.resolved.devices[0], undefined, model.resolved.trees[0], new Evidence()).powerW // 16.7
 */
export function deviceDraw(
  use: DeviceUse,
  modeId: string | undefined,
  tree: SourceTree | undefined,
  evidence: Evidence,
): DeviceDraw | undefined {
  const { part, scale } = use;
  const device = part.gear;
  const mode = modeId === undefined ? undefined : device.modes?.find(({ id }) => id === modeId);
  const draw = mode ? mode.draw : device.draw;
  if (draw === undefined) {
    evidence.lack('draw', part);
    return undefined;
  }
  const said = device.from?.draw;
  const read = readDraw(draw, said, tree?.battery?.spec);
  const atW = atDevice(draw, read, use, tree, evidence);
  if (atW === undefined) return undefined;
  const feedLossOff = read.atBattery && read.lostShare === undefined;
  const basis = {
    of: 'draw',
    mode: mode?.name,
    draw,
    guessed: said === 'guess',
    feedLossOff,
    ...(read.givenWh !== undefined && { givenWh: read.givenWh }),
    scale,
  } as const;
  evidence.note(part, basis, atW * scale, 'W', read.from);
  if (feedLossOff) evidence.note(part, { of: 'test-feed', mode: mode?.name }, Math.max(0, 1 - atW / read.atW), 'fraction', 'assumed');
  const { peakW, peakMs } = device;
  return {
    powerW: atW * scale,
    ...((mode?.peakW ?? peakW) !== undefined && { peakW: mode?.peakW ?? peakW, peakMs }),
    spread: ('spread' in draw ? draw.spread : undefined) ?? DRAW_SPREAD[read.from],
    counted: countedBy(draw),
  };
}

/** Whether a device sits on its battery with nothing between. */
function isStraight({ connections }: SourceTree, device: Part): boolean {
  const into = connections.find(({ to }) => to.id === device.id);
  return connections.length === 1 && into?.cable === undefined && into?.converter === undefined;
}

/** Watts at the device of a draw that was read there or at the battery. */
function atDevice(
  draw: Draw,
  { atW, atBattery, lostShare }: ReadDraw,
  { part }: DeviceUse,
  tree: SourceTree | undefined,
  evidence: Evidence,
): number | undefined {
  if (!atBattery) return atW;
  // a pack that was tested in the device itself ends there as it did then, at the least that the device takes
  const wasHere = draw.basis === 'run-down' && draw.givenWh === undefined && lostShare === 0 && tree && isStraight(tree, part);
  if (lostShare !== undefined) return (wasHere && drawOfTest(part.id, draw, tree, atW)) || atW * (1 - lostShare);
  const behind = tree && behindFeed(part.id, atW, tree);
  if (behind === undefined) evidence.lack('draw-behind-feed', part);
  if (behind !== 'below-feed')
    // where a meter counted what the pack gave, that says more than how long it lasted
    return (
      (draw.basis === 'run-down' && draw.givenWh === undefined && behind !== undefined && drawOfTest(part.id, draw, tree!, behind)) ||
      behind
    );
  evidence.lack('draw-below-feed', part, { readW: atW });
  return undefined;
}

/**
 * A draw in watts as it was read, wherever that was: for comparing, not for planning.
 *
 * @example plainDraw({ basis: 'meter', voltageV: 8, currentA: 2, at: 'device' }, undefined).powerW // 16
 */
export function plainDraw(
  draw: Draw,
  said: Provenance | undefined,
): { readonly powerW: number; readonly spread: number | undefined; readonly from: Provenance } {
  const { atW, lostShare, from } = readDraw(draw, said);
  return { powerW: atW * (1 - (lostShare ?? 0)), spread: 'spread' in draw ? draw.spread : undefined, from };
}

function countedBy(draw: Draw): Counted | undefined {
  if (draw.basis === 'shots' || draw.basis === 'shots-a-charge') return { what: 'shots', perHour: draw.shotsPerHour };
  return draw.basis === 'frames' ? { what: 'frames', perHour: 3600 / draw.everyS } : undefined;
}

/** Watts at the device with which its feed takes so many at the source; undefined while the feed has no circuit. */
function behindFeed(deviceId: string, atW: number, tree: SourceTree): number | 'below-feed' | undefined {
  const network = circuitOf(tree, new Map([[deviceId, { powerW: atW }]]));
  if (!network) return undefined;
  const circuit = compile(network);
  const openCircuitV = network.pack.cellsInSeries * cellVoltage(network.pack.ocvPerCell, HALF_CHARGE);
  const load = circuit.nodes.find((node) => node.load?.id === deviceId);
  if (!load) return undefined;
  const taken = (powerW: number): number => {
    load.loadW = powerW;
    settleDraws(circuit);
    return solve(circuit, openCircuitV) ? circuit.root.currentA * circuit.root.inputV : Infinity;
  };
  for (const node of circuit.nodes) if (node.load && node !== load) node.loadW = node.load.powerW;
  const idleW = taken(0);
  if (idleW >= atW) return 'below-feed';
  // nearly a straight line: the secant closes in within a few rounds; halving where the far end collapses
  let [low, lowW, high, highW] = [0, idleW, atW, taken(atW)];
  for (let round = 0; round < SECANT_ROUNDS && high - low > SECANT_TOLERANCE_W; round++) {
    const next = Number.isFinite(highW) ? low + ((high - low) * (atW - lowW)) / (highW - lowW) : (low + high) / 2;
    const nextW = taken(next);
    if (Math.abs(nextW - atW) < SECANT_TOLERANCE_W) return next;
    if (nextW < atW) [low, lowW] = [next, nextW];
    else [high, highW] = [next, nextW];
  }
  return low;
}

interface ReadDraw {
  readonly atW: number;
  readonly atBattery: boolean;
  readonly lostShare: number | undefined;
  readonly from: Provenance;
  /** Of an own test: what its pack gave. */
  readonly givenWh?: number;
}

/** A draw in watts where it was read. */
export function readDraw(draw: Draw, said: Provenance | undefined, spec?: PackSpec): ReadDraw {
  const atDevice = { atBattery: false, lostShare: undefined };
  switch (draw.basis) {
    case 'maker':
      return { ...atDevice, atW: draw.powerW, from: said ?? 'printed' };
    case 'meter': {
      const { voltageV, currentA, at, lostShare } = draw;
      return { atW: voltageV * currentA, atBattery: at === 'battery', lostShare, from: 'measured' };
    }
    case 'run-down': {
      const { minutes, lostShare } = draw;
      const givenWh = givenInTest(draw, spec);
      return { atW: givenWh / (minutes / 60), atBattery: true, lostShare, from: 'measured', givenWh };
    }
    case 'learnt':
      return { ...atDevice, atW: draw.powerW, from: 'measured' };
    case 'shots':
      return { ...atDevice, atW: draw.standbyW + (draw.shotJ * draw.shotsPerHour) / 3600, from: said ?? 'printed' };
    case 'shots-a-charge':
      return { ...atDevice, atW: shotsDraw(draw).meanW, from: said ?? 'printed' };
    case 'frames': {
      const awake = awakeShare(draw);
      return { ...atDevice, atW: awake * draw.awakeW + (1 - awake) * draw.sleepW, from: said ?? 'printed' };
    }
  }
}

/**
 * What so many shots a charge come to: joules of a shot beside the standby between shots, and watts at the pace of the
 * shooting. Counted fast, the standby has little part in it; a slower pace costs more a shot.
 *
 * @example shotsDraw({ basis: 'shots-a-charge', shots: 385, energyWh: 14.7, standbyW: 1, shotsPerHour: 60, countedPerHour: 120 }).meanW // 2.79
 */
export function shotsDraw(draw: Extract<Draw, { basis: 'shots-a-charge' }>): { readonly shotJ: number; readonly meanW: number } {
  const { shots, energyWh, standbyW = 0, shotsPerHour, countedPerHour = shotsPerHour } = draw;
  const shotJ = Math.max(0, (energyWh * 3600) / shots - (standbyW * 3600) / countedPerHour);
  return { shotJ, meanW: standbyW + (shotJ * shotsPerHour) / 3600 };
}

/**
 * Share of the time that a time-lapse camera is awake.
 *
 * @example awakeShare({ basis: 'frames', awakeS: 6, everyS: 60, awakeW: 5, sleepW: 1 }) // 0.1
 */
export function awakeShare({ awakeS, everyS }: Extract<Draw, { basis: 'frames' }>): number {
  return Math.min(1, awakeS / everyS);
}
