import { isUncut } from '../../gear';
import { isKind } from '../../rig/drawn';
import type { Connection, SourceTree } from '../../rig/resolved';
import type { Discharge } from '../../run';
import { CHEMISTRIES, isPrimary } from '../../tables';
import type { Finding } from '../facts';
import { finding } from '../finding';

/**
 * Volts of the battery at which the last of what hangs on it has stopped: of each way to a device the highest that one of its
 * parts asks for, of all ways the lowest. An empty battery falls through them one after the other.
 */
function stopsAt(connections: readonly Connection[]): number | undefined {
  const ways = connections.filter(({ to }) => isKind(to, 'device')).map(waysStopV);
  return ways.some((stopV) => stopV === undefined) ? undefined : Math.min(...ways.map((stopV) => stopV ?? 0));
}

function waysStopV(last: Connection): number | undefined {
  let stopV = 0;
  for (let at: Connection | undefined = last; at; at = at.before) {
    // what stands behind a converter does not follow the battery: the converter’s own lowest input counts
    if (!at.supply?.followsPack || at.input.takes === 'pd') continue;
    if (at.input.minV === undefined) return undefined;
    stopV = Math.max(stopV, at.input.minV);
  }
  return stopV;
}

/**
 * A battery that nothing in it cuts off: where what hangs on it stops above the floor of its cells that is a note, below it,
 * or never, the cells are harmed.
 */
export function bareFindings({ source, figures, connections }: SourceTree, run: Discharge | undefined): readonly Finding[] {
  if (!isKind(source, 'battery') || !isUncut(source.gear) || !run || run.minutes === 0) return [];
  const cells = figures?.cellsInSeries;
  const endsV = stopsAt(connections);
  // while nobody says at which volts a part drops out, what ends the discharge is not known: told as that
  if (cells === undefined || endsV === undefined) return [];
  const { floorCellV, alarmCellV } = CHEMISTRIES[source.gear.chemistry];
  const floorV = cells * floorCellV;
  const isKept = endsV >= floorV;
  const primary = isPrimary(source.gear.chemistry);
  const place = { aspect: 'voltage', role: 'battery', gearId: source.id, part: source.title } as const;
  const facts = { battery: source.title, cells, endsV: endsV > 0 ? endsV : undefined, floorV, alarmV: cells * alarmCellV, primary };
  return [finding('nothing-cuts-off', isKept ? 'note' : primary ? 'caution' : 'stop', place, facts)];
}
