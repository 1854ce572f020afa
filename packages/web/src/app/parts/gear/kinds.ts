import { gearShape } from '@viaggio/core/gear';
import type { Gear, GearKind } from '@viaggio/core/gear';

export const KIND_TITLES: Readonly<Record<GearKind, { readonly one: string; readonly many: string }>> = {
  battery: { one: 'Battery', many: 'Batteries' },
  device: { one: 'Device', many: 'Devices' },
  adapter: { one: 'Adapter', many: 'Adapters' },
  cable: { one: 'Cable', many: 'Cables' },
  hub: { one: 'Plate, splitter or grip', many: 'Plates, splitters, grips' },
  supply: { one: 'Supply', many: 'Supplies' },
  charger: { one: 'Charger', many: 'Chargers' },
};
export const KINDS = Object.keys(gearShape.variants) as readonly GearKind[];

/** What sort of its kind: `V-mount battery`, `battery grip`. */
export function sortOf(gear: Gear): string {
  if ('form' in gear) {
    const { form } = gearShape.variants[gear.kind] as { form: { options: Readonly<Record<string, string>> } };
    return form.options[gear.form] ?? gear.form;
  }
  return KIND_TITLES[gear.kind].one.toLowerCase();
}
