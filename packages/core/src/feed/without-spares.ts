import type { Gear } from '../gear/gear';
import type { Rig } from '../gear/rig';

/** Spares are for the plan of a day; a feed is weighed by its own battery. States of batteries that are not in the kit fall away. */
export function withoutSpares(rig: Rig, gear: ReadonlyMap<string, Gear>): Rig {
  const batteries = rig.batteries?.filter(({ gearId }) => gear.has(gearId)).map((state) => ({ ...state, spareIds: undefined }));
  return { ...rig, batteries };
}
