import type { Device, Gear, RecordingLimits } from '../../gear';
import type { Rig } from '../../rig/drawn';
import { ROOM_TEMPERATURE_C } from '../../tables';
import { blocksOf, isThere, nextThere, temperatureIn } from '../model';
import type { Hands, Span } from '../model';
import { recordingMode } from '../shape';
import type { Day } from '../shape';
import type { Unrecorded } from './unrecorded';

/** Minutes in which a rig does not record though it should, for another reason than power. */
export interface RecordingStop extends Span {
  readonly rigId: string;
  readonly blockId: string;
  readonly deviceId: string;
  readonly why: Unrecorded;
}

/** A moment at which a take ends by itself: somebody starts the next. */
export interface TakeEnd {
  readonly rigId: string;
  readonly blockId: string;
  readonly deviceId: string;
  readonly atMin: number;
}

/** What longest takes and heat do to a device in a day. */
export interface LimitedRecording {
  readonly stops: readonly RecordingStop[];
  readonly takeEnds: readonly TakeEnd[];
}

/** Taken where a device shuts off from heat and how long it then cools is not entered. */
export const USUAL_COOLING_MIN = 15;
/** Takes of one block at most: a longest take of seconds is no reason to count to the end of the world. */
const MOST_TAKES = 1000;

/** The limits of a device in a mode. */
export function limitsIn(device: Device, mode: string): RecordingLimits | undefined {
  return mode === 'usual' ? device.limits : device.modes?.find(({ id }) => id === mode)?.limits;
}

/**
 * Where a device's longest takes and its heat end a recording in a day.
 *
 * A take begins with each block, after heat, and at every moment of `restarts` (a card was changed). One that has come to
 * its longest ends by itself; nothing is lost where somebody is there to start the next, else it is until somebody comes.
 * Heat builds up evenly over `hotMin` while it records at `hotFromC` or above, and goes down evenly over `coolMin`
 * otherwise; at its most the device is off until it has all gone.
 */
export function limitedRecording(
  day: Day,
  rigId: string,
  deviceId: string,
  gear: ReadonlyMap<string, Gear>,
  rig: Rig | undefined,
  hands: Hands,
  restarts: readonly number[],
): LimitedRecording {
  const device = gear.get(deviceId);
  if (device?.kind !== 'device' || (!device.limits && !device.modes?.some(({ limits }) => limits))) return NONE;
  const usual = rig?.devices.find(({ gearId }) => gearId === deviceId)?.modeId;
  const stops: RecordingStop[] = [];
  const takeEnds: TakeEnd[] = [];
  let [heat, lastMin, coolsMin] = [0, -Infinity, USUAL_COOLING_MIN];
  for (const block of blocksOf(day, rigId)) {
    const mode = recordingMode(block, deviceId, usual);
    const limits = mode === undefined ? undefined : limitsIn(device, mode);
    heat = Math.max(0, heat - (block.fromMin - lastMin) / coolsMin);
    lastMin = block.toMin;
    const temperatureC = temperatureIn(block, day) ?? rig?.temperatureC ?? ROOM_TEMPERATURE_C;
    const isWarm = limits?.hotMin !== undefined && temperatureC >= (limits.hotFromC ?? -Infinity);
    if (!limits || (!isWarm && limits.takeMin === undefined)) {
      heat = Math.max(0, heat - (block.toMin - block.fromMin) / coolsMin);
      continue;
    }
    coolsMin = limits.coolMin ?? USUAL_COOLING_MIN;
    const there = hands(block.placeId);
    let at = block.fromMin;
    for (let take = 0; at < block.toMin - 1e-9 && take < MOST_TAKES; take++) {
      const overMin = at + (limits.takeMin ?? Infinity);
      const hotMin = isWarm ? at + (1 - heat) * limits.hotMin : Infinity;
      const restartMin = restarts.find((minute) => minute > at + 1e-9 && minute < block.toMin) ?? Infinity;
      const end = Math.min(overMin, hotMin, restartMin, block.toMin);
      heat = isWarm ? Math.min(1, heat + (end - at) / limits.hotMin) : Math.max(0, heat - (end - at) / coolsMin);
      at = end;
      if (end >= block.toMin - 1e-9) break;
      const stop = { rigId, blockId: block.id, deviceId };
      if (end === hotMin) {
        const coolMin = Math.min(block.toMin, end + coolsMin);
        stops.push({ ...stop, why: 'too-hot', fromMin: end, toMin: coolMin });
        heat = Math.max(0, 1 - (coolMin - end) / coolsMin);
        at = coolMin;
      } else if (end === overMin) {
        takeEnds.push({ rigId, blockId: block.id, deviceId, atMin: end });
        const againMin = isThere(there, end) ? end : Math.min(block.toMin, nextThere(there, end));
        if (againMin > end) stops.push({ ...stop, why: 'take-over', fromMin: end, toMin: againMin });
        heat = Math.max(0, heat - (againMin - end) / coolsMin);
        at = againMin;
      }
    }
  }
  return { stops, takeEnds };
}

const NONE: LimitedRecording = { stops: [], takeEnds: [] };
