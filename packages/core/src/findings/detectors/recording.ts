import type { RecordingLimits } from '../../gear';
import type { DeviceUse } from '../../rig/drawn';
import type { ResolvedRig } from '../../rig/resolved';
import { ROOM_TEMPERATURE_C } from '../../tables';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';

/** A stretch in which a device stays in one mode. */
interface Stretch {
  readonly modeId: string | undefined;
  readonly minutes: number;
}

/**
 * Longest takes and heat that end a recording before the power does, or before the time asked for: by the mode that a device
 * is in, phase by phase where the rig has them.
 */
export function recordingFindings(resolved: ResolvedRig, firstStopMin: number | undefined): Finding[] {
  const { rig, devices } = resolved;
  const runsMin = Math.min(rig.wantedMin ?? Infinity, firstStopMin ?? Infinity);
  return devices.flatMap((use) => {
    const told = new Map<string, Finding>();
    for (const { modeId, minutes } of stretches(resolved, use, runsMin))
      for (const found of ended(resolved, use, modeId, minutes)) told.set(`${found.code} ${modeId ?? ''}`, found);
    return [...told.values()];
  });
}

function ended({ rig }: ResolvedRig, { part }: DeviceUse, modeId: string | undefined, runsMin: number): Finding[] {
  const mode = part.gear.modes?.find(({ id }) => id === modeId);
  const limits: RecordingLimits | undefined = modeId === undefined ? part.gear.limits : mode?.limits;
  const { takeMin, hotMin, hotFromC, coolMin } = limits ?? {};
  const temperatureC = rig.temperatureC ?? ROOM_TEMPERATURE_C;
  const place: FindingPlace = { aspect: 'run', role: 'device', gearId: part.id, part: part.title };
  const facts = { device: part.title, mode: mode?.name, runsMin: Number.isFinite(runsMin) ? runsMin : undefined };
  return [
    ...(takeMin !== undefined && takeMin < runsMin ? [finding('take-ends', 'caution', place, { ...facts, takeMin })] : []),
    ...(hotMin !== undefined && hotMin < runsMin && temperatureC >= (hotFromC ?? -Infinity)
      ? [
          finding('heat-ends', 'caution', place, {
            ...facts,
            hotMin,
            hotFromC,
            coolMin,
            temperatureC,
            assumed: rig.temperatureC === undefined,
          }),
        ]
      : []),
  ];
}

/** Phases of one mode that follow one another are one stretch; without phases all of the run is. */
function stretches({ rig }: ResolvedRig, { part, modeId }: DeviceUse, runsMin: number): readonly Stretch[] {
  if (!rig.phases) return [{ modeId, minutes: runsMin }];
  const found: { modeId: string | undefined; minutes: number; off: boolean }[] = [];
  let left = runsMin;
  for (const { minutes, devices } of rig.phases) {
    const said = devices.find(({ gearId }) => gearId === part.id)?.mode;
    const here = said === undefined ? modeId : said === 'usual' || said === 'off' ? undefined : said;
    const [last, length] = [found.at(-1), Math.min(minutes, left)];
    left -= length;
    if (last && last.modeId === here && last.off === (said === 'off')) last.minutes += length;
    else found.push({ modeId: here, minutes: length, off: said === 'off' });
  }
  return found.filter(({ off, minutes }) => !off && minutes > 0);
}
