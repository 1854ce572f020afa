import { harmsOf } from '../../gear/kit';
import { roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import type { ResolvedRig } from '../../rig/resolved';
import type { Away } from '../fact-parts';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';
import type { FindingLevel } from '../verdict';

/** What a rig's parts have been through, and whether they can be taken at all: whatever else fits. */
export function stateFindings({ parts, rig, devices }: ResolvedRig): readonly Finding[] {
  const spares = new Set((rig.batteries ?? []).flatMap(({ spareIds = [] }) => spareIds));
  const used = new Set([
    ...devices.map(({ part }) => part.id),
    ...rig.links.flatMap(({ from, to, cableId }) => [from.gearId, to.gearId, ...(cableId === undefined ? [] : [cableId])]),
  ]);
  // a spare that cannot be counted on is told as that
  return [...parts.values()].flatMap((part) => (used.has(part.id) && !spares.has(part.id) ? [...harms(part), ...away(part)] : []));
}

function placeOf(part: Part): FindingPlace {
  return { aspect: 'connector', role: roleOf(part), gearId: part.id, part: part.title };
}

function harms(part: Part): readonly Finding[] {
  return harmsOf(part.gear).map(({ what, on, unfit }) =>
    finding('gear-harmed', unfit ? 'stop' : 'unknown', placeOf(part), { part: part.title, what, on }),
  );
}

const AWAY: Readonly<Record<Away, FindingLevel>> = {
  broken: 'stop',
  lost: 'stop',
  lent: 'caution',
  packed: 'note',
  archived: 'caution',
};

function away(part: Part): readonly Finding[] {
  const where = part.gear.away ?? (part.gear.archived ? 'archived' : undefined);
  return where === undefined ? [] : [finding('gear-away', AWAY[where], placeOf(part), { part: part.title, where })];
}
