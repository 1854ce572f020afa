import { rigModel } from '../../answer';
import type { Gear } from '../../gear';
import { cellVoltage } from '../../physics/cell';
import { operatingPoint } from '../../physics/circuit';
import { batteriesOf } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import { networkOf } from '../../run';
import { rigInMode, treeOfBattery } from '../feed-loss';
import { USUAL } from '../log';

/** What a meter between a battery and its rig would show. */
export interface RigSignal {
  readonly stepS: number;
  readonly voltageV: Float64Array;
  readonly currentA: Float64Array;
}

/** A segment of what is played: a device in one of its modes, `usual` or `off`. */
export interface SignalPart {
  readonly modeId: string;
  readonly seconds: number;
}

export interface SignalOptions {
  readonly deviceId: string;
  readonly batteryId: string;
  /** Over and over, until the battery ends it. */
  readonly parts: readonly SignalPart[];
  readonly stepS?: number;
  readonly mostS?: number;
}

/** Beside a device's own modes. */
const OFF = 'off';
const STEP_S = 1;
const MOST_S = 12 * 3600;
/** Charge may move so far before the operating point is worked out anew. */
const FRESH_SOC = 0.002;

/**
 * Plays a rig: volts and amps at a battery's terminals, second by second, one device going through modes while the others
 * stay in theirs. Ends where the battery's protection does, or it is empty. Undefined where the rig cannot be worked out.
 *
 * Cost: an operating point for every two thousandths of the charge and every change of mode.
 */
export function rigSignal(rig: Rig, gear: ReadonlyMap<string, Gear>, options: SignalOptions): RigSignal | undefined {
  const { deviceId, batteryId, parts, stepS = STEP_S, mostS = MOST_S } = options;
  const modes = new Map(
    [...new Set(parts.map(({ modeId }) => modeId))].map((modeId) => [modeId, networkIn(rig, gear, deviceId, batteryId, modeId)]),
  );
  const first = [...modes.values()].find((network) => network !== undefined);
  if (!first || [...modes.values()].some((network) => network === undefined)) return undefined;
  const { pack } = first;
  const [volts, amps]: [number[], number[]] = [[], []];
  let soc = pack.startSoc ?? 1;
  let [place, left] = [0, parts[0]!.seconds];
  let known: { readonly modeId: string; readonly soc: number; readonly packV: number; readonly packA: number } | undefined;
  while (volts.length * stepS < mostS) {
    const { modeId } = parts[place]!;
    if (known?.modeId !== modeId || known.soc - soc > FRESH_SOC) {
      const point = operatingPoint(modes.get(modeId)!, soc);
      if (!point) break;
      known = { modeId, soc, packV: point.packV, packA: point.packA };
    }
    // between two points the volts follow the cells' own
    const packV = known.packV - pack.cellsInSeries * (cellVoltage(pack.ocvPerCell, known.soc) - cellVoltage(pack.ocvPerCell, soc));
    if (packV < pack.cutoffV || soc <= 0) break;
    volts.push(packV);
    amps.push(known.packA);
    soc -= (known.packA * stepS) / 3600 / pack.capacityAh;
    left -= stepS;
    if (left <= 0) {
      place = (place + 1) % parts.length;
      left += parts[place]!.seconds;
    }
  }
  return { stepS, voltageV: Float64Array.from(volts), currentA: Float64Array.from(amps) };
}

/**
 * A rig as the simulated meter plays it: its first battery, one device going through all of its modes with `off` before
 * them. Undefined where no battery feeds it, or a figure is missing.
 *
 * @example playedRig(rig, gear, { secondsEach: 60 }) !== undefined // true
 */
export function playedRig(
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  {
    secondsEach,
    deviceId = rig.devices[0]!.gearId,
    ...rest
  }: { readonly secondsEach: number; readonly deviceId?: string | undefined } & Pick<SignalOptions, 'stepS' | 'mostS'>,
): RigSignal | undefined {
  const [batteryId] = batteriesOf(rig, gear);
  const device = gear.get(deviceId);
  if (batteryId === undefined || device?.kind !== 'device') return undefined;
  const modes = [OFF, USUAL, ...(device.modes ?? []).map(({ id }) => id)];
  return rigSignal(rig, gear, { deviceId, batteryId, parts: modes.map((modeId) => ({ modeId, seconds: secondsEach })), ...rest });
}

function networkIn(rig: Rig, gear: ReadonlyMap<string, Gear>, deviceId: string, batteryId: string, modeId: string) {
  const model = rigModel(rigInMode(rig, deviceId, modeId === OFF ? USUAL : modeId), gear);
  const tree = treeOfBattery(model, batteryId);
  if (!tree || !model.draws) return undefined;
  const draws = new Map(model.draws.usual);
  const own = draws.get(deviceId);
  if (modeId === OFF && own) draws.set(deviceId, { ...own, powerW: 0 });
  return networkOf(tree, draws);
}
