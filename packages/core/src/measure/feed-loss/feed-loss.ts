import { rigModel } from '../../answer';
import type { RigModel } from '../../answer';
import type { Gear } from '../../gear';
import { batteriesOf, isKind, withPartReplaced } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import { USUAL } from '../log';

/** What a rig's feed makes of the watts at one of its batteries. */
export interface FeedLoss {
  /** Of what leaves the battery, lost before it reaches a device. */
  readonly lostShare: number;
  /** What the other devices on that battery draw meanwhile. */
  readonly othersW: number;
}

/** Watts at a battery as what reaches one device. */
export function through(watts: number, { lostShare, othersW }: FeedLoss): number {
  return watts * (1 - lostShare) - othersW;
}

/**
 * A rig with another battery of its kind in place of the one it names, where it does not name that one: what was
 * observed with V4 is not said of V1. Undefined where no battery of the rig has its form.
 */
export function rigOnBattery(rig: Rig, batteryId: string, gear: ReadonlyMap<string, Gear>): Rig | undefined {
  const sources = batteriesOf(rig, gear);
  if (sources.includes(batteryId)) return rig;
  const wanted = gear.get(batteryId);
  const same = sources.find((id) => {
    const body = gear.get(id);
    return body?.kind === 'battery' && wanted?.kind === 'battery' && body.form === wanted.form;
  });
  return same === undefined ? undefined : withPartReplaced(rig, same, batteryId);
}

/** A rig with one of its devices in another mode; `usual` is a mode too. */
export function rigInMode(rig: Rig, deviceId: string, modeId: string): Rig {
  const devices = rig.devices.map((use) => {
    if (use.gearId !== deviceId) return use;
    const { modeId: _before, ...rest } = use;
    return modeId === USUAL ? rest : { ...rest, modeId };
  });
  return { ...rig, devices };
}

/** The run of a battery in a rig, with everything that hangs on it; undefined where it cannot be worked out. */
export function runOn(model: RigModel, batteryId: string) {
  const tree = treeOfBattery(model, batteryId);
  return tree && model.runs.get(tree);
}

/** What hangs on a battery in a rig. */
export function treeOfBattery(model: RigModel, batteryId: string) {
  return model.resolved.trees.find(({ source }) => isKind(source, 'battery') && source.id === batteryId);
}

/**
 * What is lost between a battery and a device of a rig, and what else drew on it: as the rig's own figures have it,
 * over the whole run. Undefined where the battery does not feed the device there, or a figure is missing.
 */
export function feedLossTo(deviceId: string, batteryId: string, rig: Rig, gear: ReadonlyMap<string, Gear>): FeedLoss | undefined {
  const run = runOn(rigModel(rig, gear), batteryId);
  if (!run || run.packWh <= 0 || run.minutes <= 0 || !run.loads.some(({ id }) => id === deviceId)) return undefined;
  const others = run.loads.filter(({ id }) => id !== deviceId).reduce((sum, { energyWh }) => sum + energyWh, 0);
  return { lostShare: Math.max(0, 1 - run.loadsWh / run.packWh), othersW: others / (run.minutes / 60) };
}
