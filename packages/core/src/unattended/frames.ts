import type { Device, Draw, Gear } from '../gear';
import { DAY_S } from '../quantity';
import type { Rig } from '../rig/drawn';

type Frames = Extract<Draw, { basis: 'frames' }>;

/** Frames a day of a rig's time-lapse, all its cameras together; undefined where none works by frames. */
export function framesADay(rig: Rig, gear: ReadonlyMap<string, Gear>): number | undefined {
  const cameras = byFrames(rig, gear);
  return cameras.length === 0 ? undefined : cameras.reduce((sum, { draw }) => sum + DAY_S / draw.everyS, 0);
}

/**
 * The gear with every time-lapse camera of the rig at another interval; the same gear where that is the interval already.
 * Undefined where there is no such camera, or one needs longer for a frame.
 */
export function withFramesEvery(rig: Rig, gear: ReadonlyMap<string, Gear>, everyS: number): ReadonlyMap<string, Gear> | undefined {
  const cameras = byFrames(rig, gear);
  if (cameras.length === 0 || cameras.some(({ draw }) => draw.awakeS > everyS)) return undefined;
  if (cameras.every(({ draw }) => draw.everyS === everyS)) return gear;
  const other = new Map(gear);
  for (const { id, device, modeId, draw } of cameras) {
    const changed: Draw = { ...draw, everyS };
    const modes = device.modes?.map((mode) => (mode.id === modeId ? { ...mode, draw: changed } : mode));
    other.set(id, modeId === undefined ? { ...device, draw: changed } : { ...device, modes });
  }
  return other;
}

interface FrameCamera {
  readonly id: string;
  readonly device: Device;
  readonly modeId: string | undefined;
  readonly draw: Frames;
}

function byFrames(rig: Rig, gear: ReadonlyMap<string, Gear>): readonly FrameCamera[] {
  return rig.devices.flatMap(({ gearId, modeId }): readonly FrameCamera[] => {
    const device = gear.get(gearId);
    if (device?.kind !== 'device') return [];
    const mode = device.modes?.find(({ id }) => id === modeId);
    const draw = mode ? mode.draw : device.draw;
    return draw?.basis === 'frames' ? [{ id: gearId, device, modeId: mode?.id, draw }] : [];
  });
}
