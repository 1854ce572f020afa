import type { Battery, Device } from '../../gear';
import { isHarmed, lithiumGrams, printedEnergy } from '../../gear/kit';
import type { PrintedEnergy } from '../../gear/kit';
import { formatQuantity } from '../../quantity';
import { said } from '../../said';
import type { PackThing } from '../list';
import { areOld, strictestRules, USUAL_FLIGHT_RULES, whatMayFly } from '../rules';
import type { FlightRules, FlyingBattery, FlySaid, FlyVerdict } from '../rules';
import { flyersOf } from '../trip';
import type { Leg, Person, Trip } from '../trip';
import { carriersOf, passedLimits, spareOf } from './carriers';
import type { TripFlightSaid } from './says';

/** Of one battery on one leg. `unknown`: its printed figures are not entered. */
export type LegVerdict = FlyVerdict | 'unknown';

export interface FlownThing {
  /** Of the battery, or of the device that it is built into. */
  readonly id: string;
  readonly title: string;
  readonly role: 'spare' | 'installed';
  readonly bank: boolean;
  /** It lies in a bag that goes by road: the rules of the air are told, but nothing hangs on them. */
  readonly sent: boolean;
  readonly printed: PrintedEnergy;
  readonly charge: number | undefined;
  readonly legs: readonly { readonly legId: string; readonly verdict: LegVerdict; readonly rule: readonly (FlySaid | TripFlightSaid)[] }[];
  /** The strictest of its legs. */
  readonly verdict: LegVerdict;
  /** Who has it on them; undefined for what is installed, does not fly, or finds nobody who may. */
  readonly carriedBy: Person | undefined;
}

export interface FlownLeg {
  readonly leg: Leg;
  readonly rules: FlightRules;
  /** So old that somebody should look them up again. */
  readonly areOld: boolean;
  /** Those that the leg names were deleted: the usual ones stand in, and count as old. */
  readonly areGone: boolean;
}

/** How the batteries of a trip fly. */
export interface TripFlight {
  readonly legs: readonly FlownLeg[];
  readonly batteries: readonly FlownThing[];
  /** Everything may fly and everybody keeps the limits; undefined while a battery's printed figures are not known. */
  readonly possible: boolean | undefined;
  /** What would do, where it is not possible. */
  readonly short: readonly (TripFlightSaid | FlySaid)[];
}

const WORST: readonly LegVerdict[] = ['free', 'approval', 'unknown', 'never'];
const NOT_PRINTED = said('not-printed');

/**
 * Every battery of a trip on every leg by air: what the rules of that leg say, and who carries which spare so that everybody
 * keeps the limits of every leg. Batteries travel off the rig, as spares, unless it is said that one travels installed;
 * what is built into a device is installed.
 *
 * @param damaged identifiers of batteries that are known to be damaged beside those that the kit calls broken
 * @param today an ISO date: rules grow old
 */
export function tripFlight(
  trip: Trip,
  things: readonly PackThing[],
  rules: ReadonlyMap<string, FlightRules>,
  today: string,
  damaged: ReadonlySet<string> = new Set(),
): TripFlight {
  const legs = flownLegs(trip, rules, today);
  const flyers = flyersOf(trip);
  const asked = things.filter(({ state }) => !state.left).flatMap((thing) => flying(thing, damaged));
  const byRoad = new Set((trip.bags ?? []).flatMap(({ id, goes }) => (goes === 'freight' ? [id] : [])));
  const isSent = ({ state }: PackThing): boolean => state.bagId !== undefined && byRoad.has(state.bagId);
  const known = asked.flatMap(({ battery }) => battery ?? []);
  const onBoard = asked.flatMap(({ thing, battery }) => (battery && !isSent(thing) ? [battery] : []));
  const limits = strictestRules(legs.map((one) => one.rules));
  const shared = whatMayFly({
    people: Math.max(1, flyers.length),
    batteries: onBoard,
    rules: limits,
  });
  const spares = onBoard.flatMap((battery) => {
    const found = shared.batteries.find(({ id }) => id === battery.id)!;
    return battery.role === 'spare' && found.verdict !== 'never' ? [spareOf(battery, found)] : [];
  });
  const inBag = inCabinBags(trip, asked, spares, flyers);
  const sharedOut = new Map(
    shared.batteries.flatMap(({ id, carriedBy }) => {
      const person = carriedBy === undefined ? undefined : flyers[carriedBy - 1];
      return person ? [[id, person] as const] : [];
    }),
  );
  const carriers = carriersOf(spares, flyers, limits, inBag, sharedOut, apartOf(things));
  const passed = passedLimits(spares, carriers, flyers, limits);
  const byLeg = legs.map((one) => ({
    legId: one.leg.id,
    answer: whatMayFly({ people: Math.max(1, flyers.length), batteries: known, rules: one.rules }),
  }));
  const batteries = asked.map(({ thing, battery, printed, role, bank, charge }): FlownThing => {
    const { id, title } = thing;
    const carriedBy = legs.length > 0 ? carriers.get(id) : undefined;
    return { id, title, role, bank, sent: isSent(thing), printed, charge, ...onEachLeg(battery, byLeg), carriedBy };
  });
  if (legs.length === 0) return { legs, batteries, possible: true, short: [] };
  const unknown = batteries.filter(({ verdict, sent }) => verdict === 'unknown' && !sent);
  const titles = new Map(things.map(({ id, title, tag }) => [id, tag ?? title]));
  const nobody = flyers.length === 0 && batteries.some(({ role, sent }) => role === 'spare' && !sent);
  return {
    legs,
    batteries,
    possible: !shared.possible || nobody || passed.length > 0 ? false : unknown.length > 0 ? undefined : true,
    short: [
      ...(nobody ? [said('nobody-flies')] : []),
      ...unknown.map(({ title }) => said('read-label', { title })),
      ...shared.short.map((says) => named(says, titles)),
      ...passed.map(({ person, what, count, most }) => said('person-over', { name: person.name, count, what, most })),
    ],
  };
}

/** The legs by air, each with the rules that hold on it. */
function flownLegs({ legs = [] }: Trip, rules: ReadonlyMap<string, FlightRules>, today: string): readonly FlownLeg[] {
  return legs
    .filter(({ by }) => by === 'air')
    .map((leg): FlownLeg => {
      const own = leg.rulesId === undefined ? USUAL_FLIGHT_RULES : rules.get(leg.rulesId);
      // a carrier's rules that were deleted are not taken for the usual ones without a word
      return own
        ? { leg, rules: own, areOld: areOld(own, today), areGone: false }
        : { leg, rules: USUAL_FLIGHT_RULES, areOld: true, areGone: true };
    });
}

/** Spares that lie in somebody's own bag for the cabin, and whose. */
function inCabinBags(
  { bags = [] }: Trip,
  asked: readonly Asked[],
  spares: readonly { readonly id: string }[],
  flyers: ReturnType<typeof flyersOf>,
): ReadonlyMap<string, ReturnType<typeof flyersOf>[number]> {
  const owners = new Map(bags.map((bag) => [bag.id, bag.goes === 'cabin' ? flyers.find(({ id }) => id === bag.personId) : undefined]));
  return new Map(
    asked.flatMap(({ thing: { id, state } }) => {
      const owner = state.bagId === undefined ? undefined : owners.get(state.bagId);
      return owner && spares.some((one) => one.id === id) ? [[id, owner] as const] : [];
    }),
  );
}

/** What each leg says of a battery, and the worst of it. */
function onEachLeg(
  battery: FlyingBattery | undefined,
  byLeg: readonly { readonly legId: string; readonly answer: ReturnType<typeof whatMayFly> }[],
): Pick<FlownThing, 'legs' | 'verdict'> {
  const legs = byLeg.map(({ legId, answer }) => {
    const found = battery && answer.batteries.find(({ id }) => id === battery.id);
    return found ? { legId, verdict: found.verdict, rule: found.rule } : { legId, verdict: 'unknown' as const, rule: [NOT_PRINTED] };
  });
  const verdict = legs.reduce<LegVerdict>(
    (worst, one) => (WORST.indexOf(one.verdict) > WORST.indexOf(worst) ? one.verdict : worst),
    'free',
  );
  return { legs, verdict };
}

/** What takes whose place, both ways. */
function apartOf(things: readonly PackThing[]): ReadonlyMap<string, readonly string[]> {
  const apart = new Map<string, string[]>();
  const add = (one: string, other: string): void => void apart.set(one, [...(apart.get(one) ?? []), other]);
  for (const { id, standsInFor } of things)
    for (const other of standsInFor) {
      add(id, other);
      add(other, id);
    }
  return apart;
}

interface Asked {
  readonly thing: PackThing;
  /** Undefined where its printed figures are not known. */
  readonly battery: FlyingBattery | undefined;
  readonly printed: PrintedEnergy;
  readonly role: 'spare' | 'installed';
  readonly bank: boolean;
  readonly charge: number | undefined;
}

/** What a thing of the list brings on board: a battery, or one built into a device. */
function flying(thing: PackThing, damaged: ReadonlySet<string>): readonly Asked[] {
  const { gear } = thing;
  if (gear?.kind === 'battery') return [ofBattery(thing, gear, gear.away === 'broken' || isHarmed(gear) || damaged.has(thing.id))];
  return gear?.kind === 'device' && gear.builtIn ? [ofDevice(thing, gear.builtIn, gear.away === 'broken' || isHarmed(gear))] : [];
}

function ofBattery(thing: PackThing, gear: Battery, isDamaged: boolean): Asked {
  const printed = printedEnergy(gear);
  const { chemistry, charge } = gear;
  const role = thing.state.installed ? 'installed' : 'spare';
  const bank = gear.form === 'bank';
  const isDry = chemistry === 'alkaline' || chemistry === 'nimh';
  const lithiumG = chemistry === 'lithium-metal' ? lithiumGrams(gear) : undefined;
  const voltageV = gear.nominalV ?? (chemistry === 'agm' && gear.cellsInSeries !== undefined ? 2 * gear.cellsInSeries : undefined);
  const isKnown =
    isDamaged ||
    isDry ||
    (printed.energyWh !== undefined &&
      (chemistry !== 'agm' || voltageV !== undefined) &&
      (chemistry !== 'lithium-metal' || lithiumG !== undefined));
  const battery: FlyingBattery | undefined = isKnown
    ? {
        id: thing.id,
        chemistry,
        role,
        ...(printed.energyWh !== undefined && { energyWh: printed.energyWh }),
        ...(voltageV !== undefined && { voltageV }),
        ...(bank && { bank }),
        ...(lithiumG !== undefined && { lithiumG }),
        ...((gear.cell ?? gear.changedByHand?.length) && { homeMade: true }),
        ...(isDamaged && { damaged: true }),
        ...(charge !== undefined && { charge }),
      }
    : undefined;
  return { thing, battery, printed, role, bank, charge };
}

function ofDevice(thing: PackThing, { energyWh }: NonNullable<Device['builtIn']>, isDamaged: boolean): Asked {
  const printed: PrintedEnergy = { energyWh, from: 'printed', computation: undefined };
  const battery: FlyingBattery = { id: thing.id, chemistry: 'li-ion', role: 'installed', energyWh, ...(isDamaged && { damaged: true }) };
  return { thing, battery, printed, role: 'installed', bank: false, charge: undefined };
}

/** As people know them: a rule speaks of identifiers. */
function named(says: FlySaid, titles: ReadonlyMap<string, string>): FlySaid {
  const titleOf = (id: string): string => titles.get(id) ?? id;
  switch (says.code) {
    case 'may-not-fly':
      return said('may-not-fly', { id: titleOf(says.numbers.id) });
    case 'run-down-before':
      return said('run-down-before', { ...says.numbers, id: titleOf(says.numbers.id) });
    case 'leave-home':
      return said('leave-home', { ids: says.numbers.ids.map(titleOf) });
    default:
      return says;
  }
}

/**
 * What a battery is called and holds, as it is shown at the gate.
 *
 * @example gateLine({ title: 'V1', printed: { energyWh: 95, from: 'printed', computation: undefined } }) // 'V1: 95 Wh'
 */
export function gateLine({ title, printed }: Pick<FlownThing, 'title' | 'printed'>): string {
  return `${title}: ${printed.energyWh === undefined ? 'watt-hours not entered' : formatQuantity(printed.energyWh, 'Wh')}`;
}
