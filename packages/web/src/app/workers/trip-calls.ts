import type { SheetEntry } from '@viaggio/core/bench';
import type { Day } from '@viaggio/core/day';
import type { Gear, Rig } from '@viaggio/core/gear';
import { chargeNight, packed, packedTrip, stateOf, whyPlaced } from '@viaggio/core/travel';
import type { FlightRules, PackedTrip, PackingSuggestion, PackingWorld, Placed, Trip } from '@viaggio/core/travel';
import { tellNight } from '@viaggio/core/words';
import type { ToldNight } from '@viaggio/core/words';

/** All that a trip may name. Maps cross as what changed in them. */
export interface TripAsked {
  readonly trip: Trip;
  readonly gear: ReadonlyMap<string, Gear>;
  readonly rigs: ReadonlyMap<string, Rig>;
  readonly days: ReadonlyMap<string, Day>;
  readonly rules: ReadonlyMap<string, FlightRules>;
  readonly sheets: readonly SheetEntry[];
  readonly today: string;
}

export function tripPacked(asked: TripAsked): PackedTrip {
  return packedTrip(asked satisfies PackingWorld);
}

/** A trip as a list tells it: how far it is packed, and how full each bag is. */
export interface TripGlance {
  readonly inBags: number;
  readonly out: number;
  readonly of: number;
  readonly bags: readonly {
    readonly name: string;
    readonly massG: number;
    readonly mostG: number | undefined;
    readonly isOver: boolean | undefined;
  }[];
}

export function tripGlances(asked: readonly TripAsked[]): readonly TripGlance[] {
  return asked.map((one) => {
    const { list, loads } = packedTrip(one);
    const bags = new Set(loads.map(({ bag }) => bag.id));
    const states = list.things.map(({ id }) => stateOf(one.trip, id)).filter(({ left }) => !left);
    return {
      inBags: states.filter(({ bagId }) => bagId !== undefined && bags.has(bagId)).length,
      out: states.filter(({ out }) => out !== undefined).length,
      of: states.length,
      bags: loads.map(({ bag, massG, mostG, isOver }) => ({ name: bag.name, massG, mostG, isOver })),
    };
  });
}

/** The trip with everything put where packing is suggested, and why each thing is there. */
export function tripSuggested(asked: TripAsked, anew: boolean): { readonly trip: Trip; readonly suggestion: PackingSuggestion } {
  return packed(asked, anew);
}

export function night(day: Day, gear: ReadonlyMap<string, Gear>, rigs: ReadonlyMap<string, Rig>, untilMin: number | undefined): ToldNight {
  return tellNight(chargeNight(day, gear, rigs, untilMin));
}

/** Why each thing lies where it lies, as if its place had been suggested. */
export function tripPlaces(asked: TripAsked): ReadonlyMap<string, Placed> {
  return whyPlaced(asked);
}
