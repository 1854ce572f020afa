import type { LoadDraw, SourceTree } from '../rig';
import { stoppingPeak } from '../run';
import type { Discharge } from '../run';
import { finding } from './finding';
import type { Finding } from './finding';

/** A peak that breaks a limit well before the run ends by itself. */
export function peakFindings(
  { source, connections }: SourceTree,
  draws: ReadonlyMap<string, LoadDraw>,
  run: Discharge | undefined,
): readonly Finding[] {
  const peak = run && stoppingPeak(run);
  const peakW = peak && draws.get(peak.loadId)?.peakW;
  const device = connections.find(({ to }) => to.id === peak?.loadId)?.to;
  if (!peak || peakW === undefined || !device) return [];
  const place = { aspect: 'current', role: 'device', gearId: device.id, part: device.gear.name } as const;
  const facts = { battery: source.gear.name, peakW, charge: peak.fromSoc, afterMin: peak.minute };
  return [finding('peak-stops', peak.minute === 0 ? 'stop' : 'caution', place, facts)];
}
