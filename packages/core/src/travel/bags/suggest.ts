import { BAG_COST } from '../../tables';
import type { FlownThing, TripFlight } from '../flight';
import type { PackingList, PackThing } from '../list';
import type { Bag, Trip } from '../trip';
import { mostOf } from './bag-load';

/** Why a thing lies where it lies. */
export type Placed =
  | { readonly is: 'by-hand' }
  /** A spare battery flies in the cabin; with whom, where somebody is to carry it. */
  | { readonly is: 'cabin'; readonly person: string | undefined }
  | { readonly is: 'by-road' }
  /** In another bag than what it stands in for. */
  | { readonly is: 'apart'; readonly from: string }
  | { readonly is: 'with-rig'; readonly rig: string }
  | { readonly is: 'room' };

/** No bag goes that way, none that may take it has room, or nobody may carry one more of its sort. */
export type LeftBecause = 'no-such-bag' | 'no-room' | 'nobody';

export interface PackingSuggestion {
  /** The bag of each thing, by its identifier. */
  readonly bags: ReadonlyMap<string, string>;
  readonly why: ReadonlyMap<string, Placed>;
  /** What finds no bag that may take it: no bag goes that way, or none has room. */
  readonly left: readonly { readonly id: string; readonly title: string; readonly why: LeftBecause }[];
}

const MOST_ROUNDS = 12;

interface Item {
  readonly thing: PackThing;
  readonly massG: number;
  readonly allowed: readonly Bag[];
  /** Those that it must not be lost together with. */
  readonly apart: readonly string[];
  /** Rigs that cannot do without it. */
  readonly rigs: readonly string[];
  readonly personId: string | undefined;
  /** It may go anywhere, and so needs no room in the cabin. */
  readonly isFree: boolean;
}

/**
 * Which bag takes what: within what each bag may weigh; spare batteries in the cabin, with whoever carries them; what may
 * not fly by road; what stands in for a part in another bag than the part, so that no lost bag takes both; what one rig
 * cannot do without together, so that one lost bag stops one rig and not all; the cabin kept for what must be there.
 *
 * What was put somewhere by hand stays (`keep`). The heaviest first, then moved one by one while that helps: near the best,
 * not proven to be it. Cost: things × bags × rounds.
 */
export function suggestPacking(
  trip: Trip,
  list: PackingList,
  flight: TripFlight,
  keep: ReadonlySet<string> = new Set(),
): PackingSuggestion {
  const { bags = [] } = trip;
  const items = itemsOf(trip, list, flight);
  const room = new Map(bags.map((bag) => [bag.id, (mostOf(bag, flight) ?? Infinity) - (bag.ownG ?? 0)]));
  const packing = new Packing(items, bags, room);
  const byHand = new Set<string>();
  for (const { thing } of items) {
    const { bagId } = thing.state;
    if (bagId !== undefined && keep.has(thing.id) && bags.some(({ id }) => id === bagId)) {
      packing.put(thing.id, bagId);
      byHand.add(thing.id);
    }
  }
  const order = items.filter(({ thing }) => !byHand.has(thing.id)).sort((a, b) => a.allowed.length - b.allowed.length || b.massG - a.massG);
  const left = order.flatMap((item) => {
    const best = packing.bestBag(item);
    if (best === undefined) return [{ id: item.thing.id, title: item.thing.title, why: leftBecause(item, flight) }];
    packing.put(item.thing.id, best);
    return [];
  });
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const moved = order.filter((item) => packing.improve(item)).length;
    if (moved === 0) break;
  }
  const placed = [...packing.bagOf];
  return {
    bags: new Map(placed),
    why: new Map(
      placed.map(([id, bagId]) => [
        id,
        byHand.has(id)
          ? { is: 'by-hand' }
          : packing.why(
              id,
              bags.find((bag) => bag.id === bagId)!,
              flight,
            ),
      ]),
    ),
    left,
  };
}

/** Why each thing that lies in a bag may well lie there, whoever put it there. */
export function whyItLies(trip: Trip, list: PackingList, flight: TripFlight): ReadonlyMap<string, Placed> {
  const { bags = [] } = trip;
  const known = new Map(bags.map((bag) => [bag.id, bag]));
  const items = itemsOf(trip, list, flight);
  const packing = new Packing(items, bags, new Map());
  const lying = items.filter(({ thing }) => thing.state.bagId !== undefined && known.has(thing.state.bagId));
  for (const { thing } of lying) packing.put(thing.id, thing.state.bagId!);
  return new Map(lying.map(({ thing }) => [thing.id, packing.why(thing.id, known.get(thing.state.bagId!)!, flight)]));
}

function leftBecause({ thing, allowed }: Item, { batteries }: TripFlight): LeftBecause {
  if (allowed.length > 0) return 'no-room';
  const battery = batteries.find(({ id }) => id === thing.id);
  return battery && battery.verdict !== 'never' && battery.role === 'spare' && !battery.carriedBy ? 'nobody' : 'no-such-bag';
}

function itemsOf(trip: Trip, { things, needs }: PackingList, flight: TripFlight): readonly Item[] {
  const { bags = [] } = trip;
  const isFlying = flight.legs.length > 0;
  const flown = new Map(flight.batteries.map((one) => [one.id, one]));
  const rigsOf = new Map<string, string[]>();
  for (const [rigId, ids] of needs) for (const id of ids) rigsOf.set(id, [...(rigsOf.get(id) ?? []), rigId]);
  return things
    .filter(({ state }) => !state.left)
    .map((thing): Item => {
      const battery = isFlying ? flown.get(thing.id) : undefined;
      const goes = (bag: Bag): boolean => {
        if (!battery || bag.goes === 'freight') return battery?.verdict === 'never' ? bag.goes === 'freight' : true;
        if (battery.verdict === 'never') return false;
        return battery.role === 'installed' || bag.goes === 'cabin';
      };
      // what flies goes along in the plane where a bag does: what is sent is not there on the day
      const fitting = bags.filter(goes);
      const inPlane = fitting.filter(({ goes: how }) => how !== 'freight');
      return {
        thing,
        massG: thing.massG ?? 0,
        allowed: isFlying && inPlane.length > 0 ? boardedBags(battery, inPlane) : fitting,
        apart: thing.standsInFor,
        rigs: rigsOf.get(thing.id) ?? [],
        personId: battery?.carriedBy?.id,
        isFree: battery === undefined || battery.role === 'installed',
      };
    });
}

/** Of bags in the plane those in which nobody's limit is passed: a spare lies with who carries it, or in nobody's own bag. */
function boardedBags(battery: FlownThing | undefined, bags: readonly Bag[]): readonly Bag[] {
  if (!battery || battery.role === 'installed' || battery.verdict === 'unknown') return bags;
  const { carriedBy } = battery;
  if (!carriedBy) return [];
  const own = bags.filter(({ personId }) => personId === undefined || personId === carriedBy.id);
  return own.length > 0 ? own : bags;
}

/** Who lies where, with what each place costs kept up as things move. */
class Packing {
  readonly bagOf = new Map<string, string>();
  private readonly used = new Map<string, number>();
  private readonly byId: ReadonlyMap<string, Item>;
  private readonly apartOf: ReadonlyMap<string, readonly string[]>;
  /** How many parts of each rig lie in each bag. */
  private readonly ofRig = new Map<string, Map<string, number>>();

  constructor(
    items: readonly Item[],
    private readonly bags: readonly Bag[],
    private readonly room: ReadonlyMap<string, number>,
  ) {
    this.byId = new Map(items.map((item) => [item.thing.id, item]));
    const apart = new Map<string, string[]>();
    for (const { thing, apart: from } of items)
      for (const other of from) {
        apart.set(thing.id, [...(apart.get(thing.id) ?? []), other]);
        apart.set(other, [...(apart.get(other) ?? []), thing.id]);
      }
    this.apartOf = apart;
  }

  put(id: string, bagId: string): void {
    const item = this.byId.get(id)!;
    const before = this.bagOf.get(id);
    if (before !== undefined) this.count(item, before, -1);
    this.bagOf.set(id, bagId);
    this.count(item, bagId, 1);
  }

  /** The cheapest bag with room; undefined where none has any. */
  bestBag(item: Item): string | undefined {
    const own = this.bagOf.get(item.thing.id);
    const fitting = item.allowed.filter(({ id }) => id === own || (this.used.get(id) ?? 0) + item.massG <= this.room.get(id)!);
    let best: { readonly id: string; readonly cost: number } | undefined;
    for (const bag of fitting) {
      const cost = this.cost(item, bag);
      if (!best || cost < best.cost - 1e-9) best = { id: bag.id, cost };
    }
    return best?.id;
  }

  /** Moves it where it costs less; whether it did. */
  improve(item: Item): boolean {
    const own = this.bagOf.get(item.thing.id);
    if (own === undefined) return false;
    const ownCost = this.cost(
      item,
      this.bags.find(({ id }) => id === own)!,
    );
    const best = this.bestBag(item);
    if (best === undefined || best === own) return false;
    if (
      this.cost(
        item,
        this.bags.find(({ id }) => id === best)!,
      ) >=
      ownCost - 1e-9
    )
      return false;
    this.put(item.thing.id, best);
    return true;
  }

  why(id: string, bag: Bag, flight: TripFlight): Placed {
    const item = this.byId.get(id)!;
    const battery = flight.batteries.find((one) => one.id === id);
    if (flight.legs.length > 0 && battery?.verdict === 'never') return { is: 'by-road' };
    if (bag.goes === 'cabin' && !item.isFree)
      return { is: 'cabin', person: bag.personId === item.personId ? battery?.carriedBy?.name : undefined };
    const from = item.apart.find((other) => this.bagOf.has(other) && this.bagOf.get(other) !== bag.id);
    if (from !== undefined) return { is: 'apart', from: this.byId.get(from)?.thing.title ?? '' };
    const rig = item.rigs.find((rigId) => (this.ofRig.get(rigId)?.get(bag.id) ?? 0) > 1);
    const name = item.thing.why.find((one) => 'rigId' in one && one.rigId === rig);
    return name && 'rig' in name ? { is: 'with-rig', rig: name.rig } : { is: 'room' };
  }

  private cost(item: Item, bag: Bag): number {
    const { id } = item.thing;
    const together = (this.apartOf.get(id) ?? []).filter((other) => this.bagOf.get(other) === bag.id).length;
    const own = this.bagOf.get(id) === bag.id ? 1 : 0;
    const spread = item.rigs.filter((rigId) => {
      const counts = this.ofRig.get(rigId);
      const [here, all] = [
        (counts?.get(bag.id) ?? 0) - own,
        [...(counts?.values() ?? [])].reduce((sum, count) => sum + count, 0) - (this.bagOf.has(id) ? 1 : 0),
      ];
      return here === 0 && all > 0;
    }).length;
    const room = this.room.get(bag.id)!;
    const massG = (this.used.get(bag.id) ?? 0) + (own === 1 ? 0 : item.massG);
    return (
      BAG_COST.together * together +
      BAG_COST.spread * spread +
      (bag.goes === 'cabin' && item.isFree ? BAG_COST.cabin + item.massG / 100 : 0) +
      (item.personId !== undefined && bag.personId !== undefined && bag.personId !== item.personId ? BAG_COST.wrongPerson : 0) +
      (Number.isFinite(room) && room > 0 ? (BAG_COST.unevenPerKg * 10 * massG) / room : (BAG_COST.unevenPerKg * massG) / 10_000)
    );
  }

  private count(item: Item, bagId: string, by: 1 | -1): void {
    this.used.set(bagId, (this.used.get(bagId) ?? 0) + by * item.massG);
    for (const rigId of item.rigs) {
      const counts = this.ofRig.get(rigId) ?? new Map<string, number>();
      counts.set(bagId, (counts.get(bagId) ?? 0) + by);
      this.ofRig.set(rigId, counts);
    }
  }
}
