import type { Discharge } from '../discharge/discharge';
import { say } from './figure';
import { finding } from './finding';
import type { Finding } from './finding';
import { stoppingPeak } from './first-stop';
import type { LoadDraw, SourceTree } from './source-tree';

/** A peak that breaks a limit well before the run ends by itself. */
export function peakFindings(
  { source, passages }: SourceTree,
  draws: ReadonlyMap<string, LoadDraw>,
  run: Discharge | undefined,
): readonly Finding[] {
  const peak = run && stoppingPeak(run);
  const peakW = peak && draws.get(peak.loadId)?.peakW;
  const device = passages.find(({ joint }) => joint.to.id === peak?.loadId)?.joint.to;
  if (!peak || peakW === undefined || !device) return [];
  const { fromSoc, minute } = peak;
  const fromStart = minute === 0;
  return [
    finding({
      aspect: 'current',
      role: 'device',
      gearId: device.id,
      part: device.gear.name,
      code: 'peak-stops',
      verdict: fromStart ? 'stop' : 'caution',
      numbers: [
        { name: 'peak', value: peakW, unit: 'W' },
        { name: 'from charge', value: fromSoc, unit: 'fraction' },
        { name: 'after', value: minute, unit: 'min' },
      ],
      sentence: `A peak of ${say(peakW, 'W')} breaks a limit ${fromStart ? 'even on a full battery' : `once ${source.gear.name} is down to ${say(fromSoc, 'fraction')}, after ${say(minute, 'min')}`}: it can shut off there.`,
      remedy: 'Keep above that charge, or use a battery and cable of lower resistance.',
    }),
  ];
}
