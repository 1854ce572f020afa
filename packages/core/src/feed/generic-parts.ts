import type { Gear } from '../gear';
import { genericKit } from '../gear/generic';
import type { Rig } from '../rig/drawn';

const PREFIX = 'generic ';
/** Two of each: a pair of cables or batteries is often what is missing. */
const OF_EACH = 2;

/** Generic gear that could serve a rig, under identifiers that nothing owned has. */
export function genericParts(rig: Rig, gear: ReadonlyMap<string, Gear>): ReadonlyMap<string, Gear> {
  const families = rig.devices.flatMap(({ gearId }) => {
    const device = gear.get(gearId);
    return device?.kind === 'device'
      ? device.inputs.flatMap(({ connector: { type, family } }) => (type === 'bay' && family !== undefined ? [family] : []))
      : [];
  });
  const kit = genericKit(families);
  return new Map(kit.flatMap((body, place) => Array.from({ length: OF_EACH }, (_, copy) => [`${PREFIX}${place}-${copy}`, body] as const)));
}

/** The identifier of something that would have to be made. */
export function made(place: number): string {
  return `${PREFIX}made-${place}`;
}

export function isGeneric(id: string): boolean {
  return id.startsWith(PREFIX);
}
