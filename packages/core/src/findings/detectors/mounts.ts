import type { Device, MountPlace } from '../../gear';
import { roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import type { ResolvedRig } from '../../rig/resolved';
import type { Finding } from '../facts';
import { finding } from '../finding';

/** What parts cover where they sit on a device, and whether the mount there carries them. Nothing is said of what nobody placed. */
export function mountFindings(resolved: ResolvedRig): Finding[] {
  const seats = seatsOf(resolved);
  return [...seats.flatMap((seat) => covers(resolved, seat)), ...overloads(seats)];
}

interface Seat {
  readonly part: Part;
  readonly on: Part<Device>;
  readonly place: MountPlace;
  readonly hinged: boolean;
}

/** A part whose device nobody says sits on the first one. */
function seatsOf({ rig, parts, devices }: ResolvedRig): readonly Seat[] {
  return (rig.mounts ?? []).flatMap(({ gearId, onId, place, hinged }): Seat[] => {
    const part = parts.get(gearId);
    const on = devices.find((use) => (onId === undefined ? use.part.id !== gearId : use.part.id === onId))?.part;
    return part && on ? [{ part, on, place, hinged: hinged ?? false }] : [];
  });
}

/** A hinge folds away from what one looks at; it frees no thread and no port. */
const FOLDS_FREE: ReadonlySet<string> = new Set(['screen', 'viewfinder', 'light']);

function covers({ ends }: ResolvedRig, { part, on, place, hinged }: Seat): Finding[] {
  return (on.gear.covered ?? [])
    .filter((one) => one.place === place && !(hinged && FOLDS_FREE.has(one.what)))
    .map(({ what, portId }) => {
      const port = [...on.inputs, ...on.outputs].find(({ id }) => id === portId);
      const used = ends.find(
        ({ from, to, input, output }) => (to.id === on.id && input.id === portId) || (from.id === on.id && output.id === portId),
      );
      // the part itself may be what is plugged in there
      const blocked = used !== undefined && used.from.id !== part.id && used.to.id !== part.id;
      const facts = { part: part.title, device: on.title, place, what, port: port?.name, blocked };
      const at = { aspect: 'connector', role: roleOf(part), gearId: part.id, part: part.title } as const;
      return finding('mount-covers', blocked ? 'stop' : 'caution', at, facts);
    });
}

function overloads(seats: readonly Seat[]): Finding[] {
  const mounts = new Map(seats.map((seat) => [`${seat.on.id} ${seat.place}`, seat]));
  return [...mounts].flatMap(([key, { on, place }]): Finding[] => {
    const maxG = on.gear.carries?.find((one) => one.place === place)?.maxG;
    if (maxG === undefined) return [];
    const there = seats.filter((seat) => `${seat.on.id} ${seat.place}` === key).map(({ part }) => part);
    const unweighed = there.filter(({ gear }) => gear.massG === undefined).map(({ title }) => title);
    const massG = there.reduce((sum, { gear }) => sum + (gear.massG ?? 0), 0);
    const facts = { device: on.title, place, maxG, massG, parts: there.map(({ title }) => title), unweighed };
    const at = { aspect: 'balance', role: 'device', gearId: on.id, part: on.title } as const;
    if (massG > maxG) return [finding('mount-overloaded', 'stop', at, facts)];
    return unweighed.length > 0 ? [finding('mount-unweighed', 'unknown', at, facts)] : [];
  });
}
