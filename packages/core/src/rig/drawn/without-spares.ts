import type { Gear } from '../../gear';
import type { Rig } from './rig';

/**
 * A rig as feeds are weighed for it: by their own battery, since spares are for the plan of a day, and without its
 * balance, since nobody has said yet where a new part would sit. States of batteries that are not in the kit fall away.
 *
 * @example withoutSpares(rig, gear).links.length // 2
 */
export function withoutSpares(rig: Rig, gear: ReadonlyMap<string, Gear>): Rig {
  const batteries = rig.batteries?.filter(({ gearId }) => gear.has(gearId)).map((state) => ({ ...state, spareIds: undefined }));
  return { ...rig, batteries, balance: undefined };
}
