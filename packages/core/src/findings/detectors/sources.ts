import { tooCold } from '../../physics/cell';
import { batteryState, isChargedInPlace, isKind, printedAh, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import { joinedPairs, joiningOf } from '../../rig/resolved';
import type { JoinedPair, ResolvedRig } from '../../rig/resolved';
import { isPrimary, JOIN_TOLD_SHARE, LOWEST_KNOWN_C } from '../../tables';
import type { Facts, Finding, FindingPlace } from '../facts';
import { finding } from '../finding';
import { lacking } from './lacking';

/** Batteries as they stand there: charged where they must not be, colder than anything known of them, alone in a device. */
export function sourceFindings(rig: ResolvedRig): readonly Finding[] {
  return [...chargingFindings(rig), ...coldFindings(rig), ...builtInFindings(rig), ...seriesFindings(rig)];
}

function ofSource(source: Part, aspect: FindingPlace['aspect']): FindingPlace {
  return { aspect, role: roleOf(source), gearId: source.id, part: source.title };
}

/** Packs on a part that joins them: unlike ones never, unequal ones by the current that would flow between them. */
export function parallelFindings(resolved: ResolvedRig): Finding[] {
  return joinedPairs(resolved).flatMap((pair) => {
    const found = between(resolved, pair);
    // where nobody says what it does with several, what it would do to them joined is not known
    return pair.isAssumed ? found.map((one) => ({ ...one, verdict: 'unknown' as const })) : found;
  });
}

function between(resolved: ResolvedRig, pair: JoinedPair): Finding[] {
  const { hub, one, other } = pair;
  const [a, b] = [one.tree.source, other.tree.source];
  const place: FindingPlace = { ...ofSource(hub, 'voltage'), connectionId: one.way.id };
  const names = { hub: hub.title, one: a.title, other: b.title };
  const [first, second] = [one.tree.battery, other.tree.battery];
  if (!isKind(a, 'battery') || !isKind(b, 'battery'))
    return isKind(a, 'supply') && isKind(b, 'supply') ? [] : [finding('parallel-unlike', 'stop', place, { ...names, why: 'supply' })];
  // what is missing of them is told as that
  if (!first || !second) return [];
  const unlike = (why: Facts['parallel-unlike']['why']): Finding[] => [finding('parallel-unlike', 'stop', place, { ...names, why })];
  if (first.spec.chemistry !== second.spec.chemistry) return unlike('chemistry');
  if (first.spec.cellsInSeries !== second.spec.cellsInSeries) return unlike('cells');
  const joining = joiningOf(resolved, pair);
  if (!joining) return unlike('never');
  const { currentA, limitA } = joining;
  if (currentA <= JOIN_TOLD_SHARE * limitA) return [];
  return [finding('parallel-current', currentA > limitA ? 'stop' : 'caution', place, { ...names, ...joining })];
}

/** A charger or a panel on a battery that must not be charged so. */
function chargingFindings({ rig, sources }: ResolvedRig): Finding[] {
  return sources.flatMap((source) => {
    if (!isKind(source, 'battery') || !isChargedInPlace(rig, source.id)) return [];
    const {
      title: battery,
      gear: { chemistry, form, chargesWhileFeeding },
    } = source;
    const { temperatureC } = batteryState(rig, source.id);
    const place = ofSource(source, 'run');
    const harm = (why: Facts['charging-harms']['why']): Finding => finding('charging-harms', 'stop', place, { battery, why, temperatureC });
    const found: Finding[] = [];
    if (chargesWhileFeeding === false) found.push(harm('feeding'));
    // electronics between its ports decide whether a bank does both at once
    if (form === 'bank' && chargesWhileFeeding === undefined) found.push(lacking('charge-through', source));
    if (isPrimary(chemistry)) found.push(harm('primary'));
    if (tooCold({ chemistry }, temperatureC)) found.push(harm('cold'));
    return found;
  });
}

/** Amp-hours or charges further apart than this: the weaker is empty while the other still pushes. */
const UNLIKE = 0.1;

/** Batteries in series that are not alike: the weakest ends the run, and is driven on where nothing cuts it off. */
function seriesFindings({ parts, strings }: ResolvedRig): Finding[] {
  return strings.flatMap(({ hubId, as, batteries, charges }) => {
    const hub = parts.get(hubId);
    if (!hub) return [];
    const place = ofSource(hub, 'run');
    const names = { hub: hub.title, batteries: as.name };
    if (batteries.some(({ chemistry }) => chemistry !== as.chemistry))
      return [finding('series-unlike', 'stop', place, { ...names, why: 'chemistry' })];
    const ah = batteries.flatMap((battery) => printedAh(battery) ?? []);
    const apart = ([low, high]: readonly [number, number]): boolean => low < (1 - UNLIKE) * high;
    const ends = (values: readonly number[]): readonly [number, number] => [Math.min(...values), Math.max(...values)];
    const [lowAh, highAh] = ends(ah);
    if (apart([lowAh, highAh])) return [finding('series-unlike', 'caution', place, { ...names, why: 'capacity', lowAh, highAh })];
    const [lowCharge, highCharge] = ends(charges);
    if (!apart([lowCharge, highCharge])) return [];
    return [finding('series-unlike', 'caution', place, { ...names, why: 'charge', lowCharge, highCharge })];
  });
}

function coldFindings({ rig, sources }: ResolvedRig): Finding[] {
  return sources.flatMap((source) => {
    if (!isKind(source, 'battery')) return [];
    const { temperatureC } = batteryState(rig, source.id);
    if (temperatureC >= LOWEST_KNOWN_C) return [];
    return [finding('outside-known', 'unknown', ofSource(source, 'run'), { battery: source.title, temperatureC, lowestC: LOWEST_KNOWN_C })];
  });
}

/** Devices that live on the battery that is built into them, nothing else feeding them. */
function builtInFindings({ devices, ends }: ResolvedRig): Finding[] {
  return devices.flatMap(({ part }) => {
    const {
      title: device,
      gear: { builtIn },
    } = part;
    if (!builtIn || ends.some(({ to }) => to.id === part.id)) return [];
    return [finding('built-in-only', 'caution', { ...ofSource(part, 'run') }, { device, energyWh: builtIn.energyWh })];
  });
}
