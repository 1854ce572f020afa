import { withChanges } from '../../shape';
import { gearIdsOf } from './rig';
import type { Link, Rig } from './rig';

/**
 * The links that carry power to a device, source first, other devices' left out.
 *
 * @example linksTo(rig, cameraId).length // 2
 */
export function linksTo(rig: Pick<Rig, 'links'>, gearId: string): readonly Link[] {
  const found: Link[] = [];
  const seen = new Set<string>();
  const follow = (id: string): void => {
    if (seen.has(id)) return;
    seen.add(id);
    for (const link of rig.links.filter(({ to }) => to.gearId === id)) {
      follow(link.from.gearId);
      found.push(link);
    }
  };
  follow(gearId);
  return found;
}

/**
 * The rig without the feed of one device; what other devices hang on stays.
 *
 * @example withoutFeed(rig, cameraId).links // []
 */
export function withoutFeed(rig: Rig, deviceId: string): Rig {
  const others = rig.devices.filter(({ gearId }) => gearId !== deviceId);
  const kept = new Set(others.flatMap(({ gearId }) => linksTo(rig, gearId)));
  return withLinks(
    rig,
    rig.links.filter((link) => kept.has(link)),
  );
}

/**
 * The rig with a device fed by these links instead of by what feeds it now.
 *
 * @example withFeed(withoutFeed(rig, cameraId), cameraId, rig.links).links.length // 2
 */
export function withFeed(rig: Rig, deviceId: string, links: readonly Link[]): Rig {
  const without = withoutFeed(rig, deviceId);
  const taken = new Set(without.links.map(key));
  return withLinks(rig, [...without.links, ...links.filter((link) => !taken.has(key(link)))]);
}

/**
 * The rig with a device more, or less: its feed goes with it.
 *
 * @example withoutDevice(rig, cameraId).devices // []
 */
export function withoutDevice(rig: Rig, deviceId: string): Rig {
  const { links } = withoutFeed(rig, deviceId);
  const devices = rig.devices.filter(({ gearId }) => gearId !== deviceId);
  const phases = rig.phases?.map((phase) => ({ ...phase, devices: phase.devices.filter(({ gearId }) => gearId !== deviceId) }));
  return withLinks({ ...rig, devices, ...(phases && { phases }) }, links);
}

/**
 * States and places of what is not in the rig any more fall away.
 *
 * @example withLinks(rig, []).links // []
 */
export function withLinks(rig: Rig, links: readonly Link[]): Rig {
  const { batteries: _batteries, mounts: _mounts, ...rest } = rig;
  const next: Rig = { ...rest, links };
  const used = new Set(gearIdsOf(next));
  const batteries = rig.batteries?.filter(({ gearId }) => used.has(gearId));
  const places = rig.balance?.places.filter(({ gearId }) => used.has(gearId));
  const mounts = rig.mounts?.filter(({ gearId, onId }) => used.has(gearId) && (onId === undefined || used.has(onId)));
  return {
    ...next,
    ...(mounts && mounts.length > 0 && { mounts }),
    ...(batteries && batteries.length > 0 && { batteries }),
    ...(rig.balance && places && { balance: { ...rig.balance, places } }),
  };
}

/** The rig with one piece in the place of another of the same ports: a battery, a cable, an adapter. */
export function withPartReplaced(rig: Rig, gearId: string, by: string): Rig {
  const swap = (id: string): string => (id === gearId ? by : id);
  const links = rig.links.map(({ from, to, cableId }): Link => ({
    from: { ...from, gearId: swap(from.gearId) },
    to: { ...to, gearId: swap(to.gearId) },
    ...(cableId !== undefined && { cableId: swap(cableId) }),
  }));
  const batteries = rig.batteries?.map((state) =>
    state.gearId === gearId ? withChanges(state, { gearId: by, startCharge: undefined }) : state,
  );
  const places = rig.balance?.places.map((place) => (place.gearId === gearId ? { ...place, gearId: by } : place));
  const mounts = rig.mounts?.map((mount) => (mount.gearId === gearId ? { ...mount, gearId: by } : mount));
  return {
    ...rig,
    links,
    ...(mounts && { mounts }),
    ...(batteries && { batteries }),
    ...(rig.balance && places && { balance: { ...rig.balance, places } }),
  };
}

function key({ from, to, cableId }: Link): string {
  return `${from.gearId}/${from.portId} ${to.gearId}/${to.portId} ${cableId ?? ''}`;
}
