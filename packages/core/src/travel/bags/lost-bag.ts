import type { PackingList, PackThing } from '../list';
import type { Bag, Trip } from '../trip';

/** What a rig comes to when a bag does not arrive. */
export interface LostRig {
  readonly rigId: string;
  readonly rig: string;
  /** It cannot run: these parts of it were in there, and nothing elsewhere takes their place. */
  readonly lost: readonly PackThing[];
  /** What takes the place of others that were in there. */
  readonly saved: readonly { readonly part: PackThing; readonly by: PackThing }[];
}

export interface LostBag {
  readonly bag: Bag;
  /** Rigs that stop. */
  readonly stops: readonly LostRig[];
  /** Rigs of which something was in there, and that run all the same. */
  readonly runs: readonly LostRig[];
}

/**
 * What each bag would take with it: which rigs stop, through which parts, and which run on what lies in another bag. A
 * stand-in takes the place of one part only.
 */
export function lostBags({ bags = [] }: Trip, list: Pick<PackingList, 'things' | 'needs'>): readonly LostBag[] {
  const things = new Map(list.things.map((one) => [one.id, one]));
  const rigs = new Map(list.things.flatMap(({ why }) => why.flatMap((one) => ('rigId' in one ? [[one.rigId, one.rig] as const] : []))));
  return bags.map((bag): LostBag => {
    const isGone = ({ state }: PackThing): boolean => state.bagId === bag.id || state.left === true;
    const taken = new Set<string>();
    const hit = [...list.needs].flatMap(([rigId, ids]): LostRig[] => {
      const own = ids.flatMap((id) => things.get(id) ?? []).filter(({ state }) => state.bagId === bag.id && !state.left);
      if (own.length === 0) return [];
      const saved = own.flatMap((part) => {
        const by = list.things.find(
          (one) => one.standsInFor.includes(part.id) && !isGone(one) && one.state.bagId !== undefined && !taken.has(one.id),
        );
        if (by) taken.add(by.id);
        return by ? [{ part, by }] : [];
      });
      const lost = own.filter((part) => !saved.some((one) => one.part === part));
      return [{ rigId, rig: rigs.get(rigId) ?? 'A rig that is gone', lost, saved }];
    });
    return { bag, stops: hit.filter(({ lost }) => lost.length > 0), runs: hit.filter(({ lost }) => lost.length === 0) };
  });
}
