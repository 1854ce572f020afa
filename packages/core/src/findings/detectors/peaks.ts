import { roleOf } from '../../rig/drawn';
import { endingLimit } from '../../rig/resolved';
import type { LoadDraw, SourceTree } from '../../rig/resolved';
import { networkOf, peaksTogether, runDown, stoppingPeak } from '../../run';
import type { Discharge } from '../../run';
import { isAbove, RATING_BEARS } from '../../tables';
import type { Finding } from '../facts';
import { finding } from '../finding';
import { endVerdict, feedPoint } from '../points';

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
  const place = { aspect: 'current', role: 'device', gearId: device.id, part: device.title } as const;
  const facts = { battery: source.title, peakW, charge: peak.fromSoc, afterMin: peak.minute };
  return [finding('peak-stops', endVerdict(run, { minute: peak.minute, soc: peak.fromSoc }), place, facts)];
}

/** Peaks above what a lead or an input is rated for: nothing ends them there, and too long or too high they heat it. */
export function ratedPeakFindings(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>, run: Discharge | undefined): readonly Finding[] {
  if (!run?.end) return [];
  const lowest = run.endSoc;
  return tree.connections.flatMap(({ to: device }): Finding[] => {
    const draw = draws.get(device.id);
    if (!draw || draw.peakW === undefined || draw.peakW <= draw.powerW) return [];
    const { peakW, peakMs } = draw;
    const network = networkOf(tree, new Map(draws).set(device.id, { powerW: peakW }));
    const there = network && runDown(tree, { ...network, pack: { ...network.pack, startSoc: lowest } }).start;
    return tree.connections.flatMap(({ id, from, limits }): Finding[] => {
      const limit = limits.find(({ past }) => past === 'overheats' || past === 'rating');
      const [peakA, usualA] = [feedPoint(there, id)?.currentA ?? 0, feedPoint(run.end, id)?.currentA ?? 0];
      // what the usual draw passes already is told of that
      if (!limit || peakA <= usualA || !isAbove(peakA, limit.maxA) || isAbove(usualA, limit.maxA)) return [];
      if (peakMs !== undefined && peakMs <= RATING_BEARS.forMs && peakA <= RATING_BEARS.timesRating * limit.maxA) return [];
      const place = { aspect: 'current', role: roleOf(from), gearId: from.id, connectionId: id, part: from.title } as const;
      return [finding('peak-over-rating', 'caution', place, { device: device.title, peakW, peakA, limit })];
    });
  });
}

/**
 * Peaks of several devices at the same moment, where each by itself is carried: it need not come, and what it breaks is
 * named.
 */
export function togetherFindings(tree: SourceTree, draws: ReadonlyMap<string, LoadDraw>, run: Discharge | undefined): readonly Finding[] {
  if (!run || run.minutes === 0 || stoppingPeak(run)) return [];
  const peaking = tree.connections.filter(({ to }) => (draws.get(to.id)?.peakW ?? 0) > (draws.get(to.id)?.powerW ?? 0));
  if (new Set(peaking.map(({ to }) => to.id)).size < 2) return [];
  const network = networkOf(tree, draws);
  const found = network && peaksTogether(network, run.start?.soc ?? 1, run.endSoc);
  if (!found || found.fromSoc - run.endSoc < WELL_BEFORE) return [];
  const { source, connections } = tree;
  const devices = connections.flatMap(({ to }) => (found.loadIds.includes(to.id) ? [to.title] : []));
  const limit = endingLimit(connections.find(({ id }) => id === found.at)?.limits ?? []);
  const place = { aspect: 'current', role: roleOf(source), gearId: source.id, part: source.title } as const;
  const facts = { source: source.title, devices, powerW: found.powerW, charge: found.fromSoc, breaks: found.cause, limit };
  return [finding('peaks-together', 'caution', place, facts)];
}

/** Charge before the end of a run within which a peak changes nothing. */
const WELL_BEFORE = 0.02;
