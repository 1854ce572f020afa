import type { DeviceUse } from '../../drawn';
import type { ResolvedRig } from '../resolve-rig';
import { treeFeeding } from '../source-tree';
import { deviceDraw } from './draw';
import type { DeviceDraw } from './draw';

/** Which draw each device has in one phase of the rig. */
export interface PhaseDraws {
  /** Infinity where the rig has no phases. */
  readonly minutes: number;
  readonly watts: ReadonlyMap<string, number>;
  /** The same with peaks, for what is judged at a moment. */
  readonly loads: ReadonlyMap<string, DeviceDraw>;
  /** The mode each device is in; undefined for its usual one. */
  readonly modes: ReadonlyMap<string, string | undefined>;
}

/** Which draw each device has: in the mode the rig gives it, and in each phase. */
export interface RigDraws {
  readonly usual: ReadonlyMap<string, DeviceDraw>;
  /** The usual draws for ever when the rig has no phases. */
  readonly phases: readonly PhaseDraws[];
}

/** Every device's draw, in the mode it is in and in those its phases name; undefined where one is not known. */
export function drawsOfRig({ rig, devices, trees, evidence }: ResolvedRig): RigDraws | undefined {
  const usual = new Map<string, DeviceDraw>();
  const known = new Map<string, DeviceDraw | undefined>();
  const drawOf = (use: DeviceUse, modeId: string | undefined): DeviceDraw | undefined => {
    const key = `${use.part.id} ${modeId ?? ''}`;
    if (!known.has(key)) known.set(key, deviceDraw(use, modeId, treeFeeding(trees, use.part), evidence));
    return known.get(key);
  };
  for (const use of devices) {
    const draw = drawOf(use, use.modeId);
    if (draw) usual.set(use.part.id, draw);
  }
  if (usual.size < devices.length) return undefined;
  const usualW = new Map([...usual].map(([id, { powerW }]) => [id, powerW]));
  const phases: PhaseDraws[] = [];
  for (const { minutes, devices: said } of rig.phases ?? []) {
    const watts = new Map(usualW);
    const loads = new Map(usual);
    const modes = new Map(devices.map(({ part, modeId }) => [part.id, modeId]));
    for (const { gearId, mode, scale = 1 } of said) {
      const use = devices.find(({ part }) => part.id === gearId);
      if (!use) continue; // a fault of the rig, told as such
      const draw = drawOf(use, mode === 'off' || mode === 'usual' ? undefined : mode);
      if (!draw) return undefined;
      const powerW = mode === 'off' ? 0 : draw.powerW * scale;
      watts.set(gearId, powerW);
      loads.set(gearId, { ...draw, powerW, peakW: mode === 'off' ? undefined : draw.peakW });
      modes.set(gearId, mode === 'off' || mode === 'usual' ? undefined : mode);
    }
    phases.push({ minutes, watts, loads, modes });
  }
  return {
    usual,
    phases:
      phases.length > 0
        ? phases
        : [{ minutes: Infinity, watts: usualW, loads: usual, modes: new Map(devices.map(({ part, modeId }) => [part.id, modeId])) }],
  };
}
