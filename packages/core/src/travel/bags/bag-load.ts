import type { TripFlight } from '../flight';
import type { PackingList, PackThing } from '../list';
import type { Bag, Trip } from '../trip';

/** What a bag comes to. */
export interface BagLoad {
  readonly bag: Bag;
  readonly things: readonly PackThing[];
  /** The bag itself and what is in it, as far as it is known. */
  readonly massG: number;
  /** Things in it whose mass was not entered: it weighs more than `massG`. */
  readonly unweighed: number;
  /** What it may weigh at most: its own limit, or the carrier's for the cabin, whichever is less. */
  readonly mostG: number | undefined;
  /** Over its limit with what is known; undefined where only what is not known would tell. */
  readonly isOver: boolean | undefined;
}

/** What each bag of a trip may weigh: its own limit, or what the carriers let into the cabin. */
export function mostOf({ goes, mostG }: Bag, { legs }: Pick<TripFlight, 'legs'>): number | undefined {
  const limits = [mostG, ...(goes === 'cabin' ? legs.map(({ rules }) => rules.cabinG) : [])].filter((one) => one !== undefined);
  return limits.length === 0 ? undefined : Math.min(...limits);
}

/** Every bag of a trip with what lies in it. What stays at home lies in none. */
export function bagLoads({ bags = [] }: Trip, { things }: Pick<PackingList, 'things'>, flight: TripFlight): readonly BagLoad[] {
  return bags.map((bag): BagLoad => {
    const inside = things.filter(({ state }) => state.bagId === bag.id && !state.left);
    const massG = (bag.ownG ?? 0) + inside.reduce((sum, one) => sum + (one.massG ?? 0), 0);
    const unweighed = inside.filter((one) => one.massG === undefined).length;
    const mostG = mostOf(bag, flight);
    const isKnownOver = mostG !== undefined && massG > mostG;
    return {
      bag,
      things: inside,
      massG,
      unweighed,
      mostG,
      isOver: isKnownOver ? true : mostG !== undefined && unweighed > 0 ? undefined : false,
    };
  });
}

/** What is wrong with where a thing lies. */
export type BagTrouble = {
  readonly is: 'spare-in-hold' | 'never-in-plane' | 'not-in-a-bag';
  readonly id: string;
  readonly title: string;
};

/** Things that lie where they must not: spare batteries in the hold, what may not fly in a bag that does, and what lies nowhere. */
export function bagTroubles({ bags = [] }: Trip, { things }: Pick<PackingList, 'things'>, flight: TripFlight): readonly BagTrouble[] {
  const isFlying = flight.legs.length > 0;
  return things
    .filter(({ state }) => !state.left)
    .flatMap(({ id, title, state }): BagTrouble[] => {
      const bag = bags.find((one) => one.id === state.bagId);
      if (!bag) return bags.length > 0 ? [{ is: 'not-in-a-bag', id, title }] : [];
      const flown = flight.batteries.find((one) => one.id === id);
      if (!isFlying || !flown || bag.goes === 'freight') return [];
      if (flown.verdict === 'never') return [{ is: 'never-in-plane', id, title }];
      return bag.goes === 'hold' && flown.role === 'spare' ? [{ is: 'spare-in-hold', id, title }] : [];
    });
}
