import { issue, namedBy, namedByDay } from '@viaggio/core';
import type { Day, Issue, Observation, Recording, Rig } from '@viaggio/core';
import type { Transaction } from 'sequelize';
import type { ItemKind } from '../db/models/item';
import { AppError } from '../errors';
import type { ItemServices } from '../items/kinds';

/** A body that may name other items. `path` leads to it: '' when it is the whole request. */
export interface Naming {
  readonly path: string;
  readonly kind: ItemKind;
  readonly body: object;
}

interface Reference {
  readonly path: string;
  readonly kind: 'gear' | 'rigs';
  readonly id: string;
}

/** Refuses bodies that name gear or rigs which were never there. Deleted ones were: an observation outlives its camera. */
export async function requireReferences(bodies: readonly Naming[], items: ItemServices, transaction?: Transaction): Promise<void> {
  const named = bodies.flatMap(({ path, kind, body }) => referencesOf(kind, body).map((one) => ({ ...one, path: `${path}${one.path}` })));
  const issues: Issue[] = [];
  for (const kind of ['gear', 'rigs'] as const) {
    const ofKind = named.filter((reference) => reference.kind === kind);
    if (ofKind.length === 0) continue;
    const ids = ofKind.map(({ id }) => id);
    const unknown = await items[kind].unknownIds(ids, transaction);
    for (const { path, id } of ofKind) {
      if (unknown.has(id))
        issues.push(issue(path, 'unknown-reference', `the identifier of ${kind === 'gear' ? 'gear' : 'a rig'} that is there`, id));
    }
  }
  if (issues.length > 0) throw new AppError('invalid-fields', issues[0]!.message, { issues });
}

function referencesOf(kind: ItemKind, body: object): readonly Reference[] {
  switch (kind) {
    case 'gear':
      return [];
    case 'rigs':
      return ofRig(body as Rig);
    case 'days':
      return namedByDay(body as Day);
    case 'log':
      return namedBy(body as Observation).map(({ field, ...one }) => ({ ...one, path: `/${field}` }));
    case 'recordings': {
      const { deviceId, batteryId, rigId } = body as Recording;
      return [
        ...(deviceId === undefined ? [] : [{ path: '/deviceId', kind: 'gear' as const, id: deviceId }]),
        ...(batteryId === undefined ? [] : [{ path: '/batteryId', kind: 'gear' as const, id: batteryId }]),
        ...(rigId === undefined ? [] : [{ path: '/rigId', kind: 'rigs' as const, id: rigId }]),
      ];
    }
  }
}

/** Every place in a rig that names a piece of gear. */
function ofRig({ devices, links, batteries = [] }: Rig): readonly Reference[] {
  const gear = (path: string, id: string): Reference => ({ path, kind: 'gear', id });
  return [
    ...devices.map(({ gearId }, index) => gear(`/devices/${index}/gearId`, gearId)),
    ...links.flatMap(({ from, to, cableId }, index) => [
      gear(`/links/${index}/from/gearId`, from.gearId),
      gear(`/links/${index}/to/gearId`, to.gearId),
      ...(cableId === undefined ? [] : [gear(`/links/${index}/cableId`, cableId)]),
    ]),
    ...batteries.flatMap(({ gearId, spareIds = [] }, index) => [
      gear(`/batteries/${index}/gearId`, gearId),
      ...spareIds.map((id, place) => gear(`/batteries/${index}/spareIds/${place}`, id)),
    ]),
  ];
}
