import type { Answer } from '../answer';
import type { Finding } from '../findings';
import { AWAY_FROM_CAMERA, batteryFigures, gearTitle, isMount } from '../gear';
import type { Battery } from '../gear';
import { mayFly, strictestFlight } from '../gear/kit';
import type { Flight } from '../gear/kit';
import { isKind } from '../rig/drawn';
import type { Part } from '../rig/drawn';
import { connectionsInto, hasCushion, resilience } from '../rig/resolved';
import type { Connection, ResolvedRig } from '../rig/resolved';
import { CRITERIA } from './weights';
import type { Criterion, Weights } from './weights';

/** How a rig is fed, in the figures that people weigh. */
export interface Criteria {
  readonly firstStopMin: number | undefined;
  readonly plannedMin: number | undefined;
  readonly unlimited: boolean;
  /** Changes of battery while it must run; undefined when no time is asked for. */
  readonly swaps: number | undefined;
  /** Every device is carried over a change of battery. */
  readonly hotSwap: boolean;
  /** Grams of what hangs on the camera, and of what is carried elsewhere behind a lead. */
  readonly massOnG: number;
  readonly massOffG: number;
  /** Parts whose mass, or price, nobody gave: the sums are too small by theirs. */
  readonly massOnUnknown: readonly string[];
  readonly massOffUnknown: readonly string[];
  readonly price: number;
  readonly priceUnknown: readonly string[];
  /** Of its batteries together. */
  readonly energyWh: number;
  /** Undefined where a price or an energy is not known, or there is no battery. */
  readonly pricePerWh: number | undefined;
  /** For each hour to the first stop. */
  readonly pricePerHour: number | undefined;
  /** Pieces that hang on the camera: its bulk; and those that do not. */
  readonly piecesOn: number;
  readonly piecesOff: number;
  readonly joints: number;
  readonly blindGauges: number;
  readonly lost: readonly Finding[];
  /** Devices that stop with the part whose failure stops most. */
  readonly together: number;
  /** Kinds of charger to carry. */
  readonly chargers: readonly string[];
  readonly flight: Flight;
  /** Wall, network or vehicle sockets that it hangs on. */
  readonly tethers: number;
  readonly cautions: number;
  readonly missing: number;
  readonly unfed: number;
}

/**
 * Gathers the criteria of a rig that has been answered. Cost: parts × connections.
 *
 * @example criteriaOf(model.resolved, answer).swaps // 0
 */
export function criteriaOf(rig: ResolvedRig, answer: Answer): Criteria {
  const feed = feedParts(rig);
  const seats = new Map((rig.rig.mounts ?? []).map(({ gearId, place }) => [gearId, place]));
  const hangs = new Set(rig.devices.flatMap(({ part }) => onCamera(rig, part)).map(({ id }) => id));
  // where somebody said it sits counts before what its lead tells
  const on = {
    has: (id: string): boolean => {
      const place = seats.get(id);
      return place === undefined ? hangs.has(id) : !AWAY_FROM_CAMERA.has(place);
    },
  };
  const mass = (parts: readonly Part[]): number => parts.reduce((sum, { gear }) => sum + (gear.massG ?? 0), 0);
  const batteries = feed.filter((part): part is Part<Battery> => isKind(part, 'battery'));
  const energyWh = batteries.reduce((sum, { gear }) => sum + (batteryFigures(gear).energyWh ?? 0), 0);
  const [onIt, elsewhere] = [feed.filter(({ id }) => on.has(id)), feed.filter(({ id }) => !on.has(id))];
  const unweighed = (parts: readonly Part[]) => parts.filter(({ gear }) => gear.massG === undefined).map(({ gear }) => gearTitle(gear));
  const energyUnknown = batteries.some(({ gear }) => batteryFigures(gear).energyWh === undefined);
  const price = feed.reduce((sum, { gear }) => sum + (gear.price ?? 0), 0);
  const priceUnknown = feed.filter(({ gear }) => gear.price === undefined).map(({ gear }) => gearTitle(gear));
  const firstStopMin = answer.firstStopMin ?? answer.beyondMin;
  const has = (...codes: readonly string[]) => answer.findings.filter(({ code }) => codes.includes(code));
  const { wantedMin } = rig.rig;
  const plannedMin = answer.plannedMin ?? answer.beyondMin;
  return {
    firstStopMin,
    plannedMin,
    unlimited: answer.unlimited,
    swaps: swapsFor(wantedMin, plannedMin, answer.unlimited),
    hotSwap: rig.devices.every(({ part }) => carriedOver(rig, part)),
    massOnG: mass(onIt),
    massOffG: mass(elsewhere),
    massOnUnknown: unweighed(onIt),
    massOffUnknown: unweighed(elsewhere),
    price,
    priceUnknown,
    energyWh,
    pricePerWh: energyUnknown ? undefined : per(price, priceUnknown, energyWh),
    pricePerHour: answer.unlimited ? undefined : per(price, priceUnknown, (firstStopMin ?? 0) / 60),
    piecesOn: onIt.length,
    piecesOff: elsewhere.length,
    joints: rig.connections.reduce((sum, { cable }) => sum + (cable ? 2 : 1), 0),
    blindGauges: has('gauge-blind').length,
    lost: has('mode-lost', 'mode-lost-late', 'mode-closed', 'feature-lost'),
    together: Math.max(0, ...resilience(rig).map(({ stops }) => stops.length)),
    chargers: [...new Set(batteries.map(({ gear }) => `${gear.form} ${gear.outputs[0]?.connector.family ?? ''}`))],
    flight: strictestFlight(batteries.map(({ gear }) => mayFly(gear))),
    tethers: rig.sources.filter((source) => isKind(source, 'supply')).length,
    cautions: answer.findings.filter(({ verdict, code }) => verdict === 'caution' && !COUNTED_ELSEWHERE.has(code)).length,
    missing: answer.findings.filter(({ verdict }) => verdict === 'unknown').length,
    unfed: rig.devices.filter(({ part }) => connectionsInto(rig, part).length === 0 && !part.gear.builtIn).length,
  };
}

/** A price for each unit of something; unknown where a part of it is. */
function per(price: number, unknown: readonly string[], amount: number): number | undefined {
  return amount > 0 && unknown.length === 0 ? price / amount : undefined;
}

/** Changes of battery that a run takes. */
function swapsFor(wantedMin: number | undefined, plannedMin: number | undefined, unlimited: boolean): number | undefined {
  if (wantedMin === undefined) return undefined;
  if (unlimited) return 0;
  return plannedMin ? Math.max(0, Math.ceil(wantedMin / plannedMin - 1e-9) - 1) : undefined;
}

/**
 * The criteria of several parts of a rig that share nothing, taken together: the first to stop decides, sums add up.
 */
export function combine(parts: readonly Criteria[], wantedMin: number | undefined): Criteria {
  const sum = (of: (criteria: Criteria) => number): number => parts.reduce((total, one) => total + of(one), 0);
  const least = (of: (criteria: Criteria) => number | undefined): number | undefined => {
    const limited = parts.filter(({ unlimited }) => !unlimited).map(of);
    return limited.length === 0 || limited.includes(undefined) ? undefined : Math.min(...(limited as number[]));
  };
  const plannedMin = least((one) => one.plannedMin);
  const unlimited = parts.every((one) => one.unlimited);
  const firstStopMin = least((one) => one.firstStopMin);
  const price = sum((one) => one.price);
  const priceUnknown = parts.flatMap((one) => one.priceUnknown);
  return {
    firstStopMin,
    plannedMin,
    unlimited,
    swaps: swapsFor(wantedMin, plannedMin, unlimited),
    hotSwap: parts.every(({ hotSwap }) => hotSwap),
    massOnG: sum((one) => one.massOnG),
    massOffG: sum((one) => one.massOffG),
    massOnUnknown: parts.flatMap(({ massOnUnknown }) => massOnUnknown),
    massOffUnknown: parts.flatMap(({ massOffUnknown }) => massOffUnknown),
    price,
    priceUnknown,
    energyWh: sum((one) => one.energyWh),
    pricePerWh: parts.some((one) => one.pricePerWh === undefined && one.energyWh > 0)
      ? undefined
      : per(
          price,
          priceUnknown,
          sum((one) => one.energyWh),
        ),
    pricePerHour: unlimited ? undefined : per(price, priceUnknown, (firstStopMin ?? 0) / 60),
    piecesOn: sum((one) => one.piecesOn),
    piecesOff: sum((one) => one.piecesOff),
    joints: sum((one) => one.joints),
    blindGauges: sum((one) => one.blindGauges),
    lost: parts.flatMap(({ lost }) => lost),
    together: Math.max(0, ...parts.map(({ together }) => together)),
    chargers: [...new Set(parts.flatMap(({ chargers }) => chargers))],
    flight: strictestFlight(parts.map(({ flight }) => flight)),
    tethers: sum((one) => one.tethers),
    cautions: sum((one) => one.cautions),
    missing: sum((one) => one.missing),
    unfed: sum((one) => one.unfed),
  };
}

/** Cautions that have a criterion of their own. */
const COUNTED_ELSEWHERE: ReadonlySet<string> = new Set([
  'gauge-blind',
  'mode-lost-late',
  'mode-closed',
  'feature-lost',
  'single-point',
  'stops-together',
  'no-cushion',
  'take-ends',
  'heat-ends',
  'too-short',
  'lasts-into-reserve',
]);

/** Everything a rig uses beside its devices, each part once. */
function feedParts(rig: ResolvedRig): readonly Part[] {
  const parts = new Map<string, Part>();
  for (const { from, cable, to } of rig.connections) {
    for (const part of [from, cable, to]) if (part && !rig.devices.some((use) => use.part.id === part.id)) parts.set(part.id, part);
  }
  return [...parts.values()];
}

/** What hangs on a device: up to the first lead. */
function onCamera(rig: ResolvedRig, part: Part): readonly Part[] {
  return connectionsInto(rig, part).flatMap((connection) => {
    if (isKind(connection.from, 'device')) return [];
    return isLead(connection) ? [] : [connection.from, ...onCamera(rig, connection.from)];
  });
}

/** A battery-shaped adapter sits in the bay, but its other end is a lead. */
function isLead({ cable, input, from }: Connection): boolean {
  return cable !== undefined || !(isMount(input.connector) || isKind(from, 'adapter'));
}

function carriedOver(rig: ResolvedRig, part: Part): boolean {
  const into = connectionsInto(rig, part);
  return into.some((connection) => {
    if (isKind(part, 'device') && hasCushion(rig, part, connection.id)) return true;
    if (isKind(connection.from, 'supply')) return true;
    if (isKind(connection.from, 'hub') && ((connection.from.gear.bufferS ?? 0) > 0 || connectionsInto(rig, connection.from).length > 1))
      return true;
    return !isKind(connection.from, 'battery') && carriedOver(rig, connection.from);
  });
}

/** The points that each criterion adds to a feed's cost. */
export type Points = Readonly<Record<Criterion, number>>;

/** A cost that grows with every criterion, and what each adds: the less the better. */
export function costOf(criteria: Criteria, weights: Weights): { readonly cost: number; readonly points: Points } {
  const { swaps, firstStopMin, unlimited } = criteria;
  // without a time asked for, what counts is how often an hour something must be changed
  const perHour = unlimited ? 0 : firstStopMin === undefined ? 4 : Math.min(4, 60 / Math.max(firstStopMin, 1));
  const units: Record<Criterion, number> = {
    swaps: swaps ?? perHour,
    coldSwap: criteria.hotSwap || swaps === 0 ? 0 : 1,
    massOn: criteria.massOnG / 500,
    massOff: criteria.massOffG / 500,
    price: criteria.price / 100,
    joints: criteria.joints,
    blindGauge: criteria.blindGauges,
    lost: criteria.lost.length,
    together: Math.max(0, criteria.together - 1),
    chargers: criteria.chargers.length,
    flight: { free: 0, approval: 1, unknown: 1, no: 3 }[criteria.flight],
    tethered: criteria.tethers,
    trouble: criteria.cautions,
    unknown: criteria.missing,
    // an unknown mass or price adds nothing to its sum, so it costs by itself
    unweighed: criteria.massOnUnknown.length + criteria.massOffUnknown.length + criteria.priceUnknown.length,
    unfed: criteria.unfed,
  };
  const points = Object.fromEntries((Object.keys(CRITERIA) as Criterion[]).map((name) => [name, units[name] * weights[name]])) as Record<
    Criterion,
    number
  >;
  return { cost: Object.values(points).reduce((sum, value) => sum + value, 0), points };
}

/** Whether one way is at least as good as another in everything and better in something: the other can be dropped. */
export function dominates(one: Criteria, other: Criteria): boolean {
  const measures = (criteria: Criteria): readonly number[] => [
    // runs that differ by less than a fiftieth are the same run
    -(criteria.unlimited ? Infinity : Math.round(Math.log(Math.max(1, criteria.firstStopMin ?? 0)) / 0.02)),
    criteria.hotSwap ? 0 : 1,
    criteria.massOnG,
    criteria.massOffG,
    criteria.massOnUnknown.length + criteria.massOffUnknown.length,
    criteria.price,
    criteria.priceUnknown.length,
    criteria.joints,
    criteria.blindGauges,
    criteria.lost.length,
    criteria.together,
    criteria.chargers.length,
    { free: 0, approval: 1, unknown: 2, no: 3 }[criteria.flight],
    criteria.tethers,
    criteria.cautions,
    criteria.missing,
    criteria.unfed,
  ];
  const [mine, theirs] = [measures(one), measures(other)];
  return mine.every((value, index) => value <= theirs[index]!) && mine.some((value, index) => value < theirs[index]!);
}
