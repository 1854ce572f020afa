import { unfedWithout } from '../../rig/resolved';
import type { ResolvedRig } from '../../rig/resolved';
import type { PackingList, PackThing, Why as PackWhy } from '../list';
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
 * What each bag would take with it: which rigs have a device without power then, through which parts, and which run on what
 * lies in another bag: a feed of theirs that takes over, or a stand-in, which takes the place of one part only.
 *
 * @param resolved the rigs of the trip
 */
export function lostBags(
  { bags = [] }: Trip,
  list: Pick<PackingList, 'things'>,
  resolved: ReadonlyMap<string, ResolvedRig>,
): readonly LostBag[] {
  return bags.map((bag): LostBag => {
    const isGone = ({ state }: PackThing): boolean => state.bagId === bag.id || state.left === true;
    const taken = new Set<string>();
    const hit = [...resolved].flatMap(([rigId, rig]): LostRig[] => {
      const own = list.things.filter(({ state, why }) => state.bagId === bag.id && !state.left && why.some((one) => isPart(one, rigId)));
      if (own.length === 0) return [];
      const base = { rigId, rig: rig.rig.name };
      // what does without them needs no stand-in
      if (unfedWithout(rig, new Set(own.map(({ id }) => id))).length === 0) return [{ ...base, lost: [], saved: [] }];
      const saved = own.flatMap((part) => {
        const by = list.things.find(
          (one) => one.standsInFor.includes(part.id) && !isGone(one) && one.state.bagId !== undefined && !taken.has(one.id),
        );
        if (by) taken.add(by.id);
        return by ? [{ part, by }] : [];
      });
      const lost = own.filter((part) => !saved.some((one) => one.part === part));
      const stops = unfedWithout(rig, new Set(lost.map(({ id }) => id))).length > 0;
      return [{ ...base, lost: stops ? lost : [], saved }];
    });
    return { bag, stops: hit.filter(({ lost }) => lost.length > 0), runs: hit.filter(({ lost }) => lost.length === 0) };
  });
}

/** A part of the rig as it is drawn, what takes over among them; a spare lies beside it. */
function isPart(why: PackWhy, rigId: string): boolean {
  return 'rigId' in why && why.rigId === rigId && why.is !== 'spare-for';
}
