import type { Adapter } from '../../gear';
import { isKind, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import { connectionsInto } from '../../rig/resolved';
import type { ResolvedRig } from '../../rig/resolved';
import type { Unseen } from '../fact-parts';
import type { Finding } from '../facts';
import { finding } from '../finding';

const UNSEEN: readonly Unseen[] = ['charge', 'temperature', 'make'];

/** Gear that somebody changed by hand: what the camera can no longer see of it is said wherever it is used. */
export function changedFindings({ connections }: ResolvedRig): Finding[] {
  const parts = new Map<string, Part>();
  for (const { from, to, cable } of connections) for (const part of [from, to, cable]) if (part) parts.set(part.id, part);
  return [...parts.values()].flatMap((part) => {
    const changes = part.gear.changedByHand ?? [];
    const last = changes.at(-1);
    if (!last) return [];
    const place = { aspect: 'gauge', role: roleOf(part), gearId: part.id, part: part.title } as const;
    const unseen = UNSEEN.filter((what) => changes.some((change) => change.unseen?.[what]));
    return [finding('changed-by-hand', 'caution', place, { part: part.title, changes: changes.length, what: last.what, unseen })];
  });
}

/** Devices whose own gauge does not show what is left. */
export function gaugeFindings(rig: ResolvedRig, plannedMin: number | undefined): Finding[] {
  return rig.connections.flatMap(({ id, from, to }) => {
    const adapter = isKind(to, 'device') ? adapterBefore(rig, from) : undefined;
    if (!adapter || adapter.gear.gauge === 'true') return [];
    const {
      title: name,
      gear: { gauge: shows },
    } = adapter;
    const place = { aspect: 'gauge', role: 'adapter', gearId: adapter.id, connectionId: id, part: name } as const;
    const swapMin = plannedMin !== undefined && plannedMin > 0 ? plannedMin : undefined;
    return [
      finding('gauge-blind', swapMin === undefined ? 'caution' : 'note', place, {
        adapter: name,
        device: to.title,
        shows,
        plannedMin: swapMin,
      }),
    ];
  });
}

/** The adapter that stands in for a device's battery: straight in its bay, or in the grip there. */
function adapterBefore(rig: ResolvedRig, part: Part): Part<Adapter> | undefined {
  if (isKind(part, 'adapter')) return part;
  const behind = isKind(part, 'hub') && part.gear.form === 'grip' ? connectionsInto(rig, part)[0] : undefined;
  return behind && adapterBefore(rig, behind.from);
}
