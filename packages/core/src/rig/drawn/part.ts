import type { Battery, Gear, GearOf, Output, Ports, Supply } from '../../gear';

/** Which kind of part a finding or a figure belongs to. */
export type Role = 'battery' | 'supply' | 'cable' | 'adapter' | 'hub' | 'device' | 'rig';

/** A piece of gear as it stands in a rig. */
export interface Part<G extends Gear = Gear> extends Ports {
  readonly id: string;
  readonly gear: G;
  /** Its name, with its tag where the rig holds another of that name. */
  readonly title: string;
}
export type Source = Part<Battery> | Part<Supply>;

export function isKind<K extends Gear['kind']>(part: Part, kind: K): part is Part<GearOf<K>> {
  return part.gear.kind === kind;
}

/** A charger stands beside a rig, not in it. */
export function roleOf({ gear }: Part): Role {
  return gear.kind === 'charger' ? 'rig' : gear.kind;
}

/** A battery sitting in the device's own bay. */
export function inOwnBay({ from, output }: { readonly from: Part; readonly output: Output }): boolean {
  return isKind(from, 'battery') && output.connector.type === 'bay';
}
