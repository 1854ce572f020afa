import { isUncut } from '../../gear';
import type { Battery, BatteryFigures } from '../../gear';
import { ageFactor, coldDerating, labelAh, packFrom } from '../../physics/cell';
import type { Pack, PackSpec } from '../../physics/cell';
import { ASSUMED, BANK_LEAST_A, CHEMISTRIES, PACK_LIMIT_C, ROOM_TEMPERATURE_C, timesFigure, valueInRange } from '../../tables';
import { batteryState } from '../drawn';
import type { Part, Rig } from '../drawn';
import type { Evidence } from './figure';

/** A battery as a pack, worked out once: what it is made from, and what comes of that at its rated pace. */
export interface ResolvedPack {
  readonly spec: PackSpec;
  readonly pack: Pack;
}

/** A battery as a pack, under the rig's conditions; undefined while its energy is not known. */
export function resolvedPack(rig: Rig, part: Part<Battery>, figures: BatteryFigures, evidence: Evidence): ResolvedPack | undefined {
  const battery = part.gear;
  const { energyWh, resistanceOhm, maxA, cellsInSeries } = figures;
  if (cellsInSeries === undefined) evidence.lack('cells', part);
  if (energyWh === undefined) evidence.lack('energy', part);
  if (energyWh === undefined || cellsInSeries === undefined) return undefined;
  const { startSoc, temperatureC } = batteryState(rig, part.id);
  // a measured capacity has the age in it already
  const measured = battery.from?.energyWh === 'measured';
  const [years, cycles] = measured ? [0, 0] : [battery.years ?? 0, battery.cycles ?? 0];
  const spec: PackSpec = {
    chemistry: battery.chemistry,
    cellsInSeries,
    energyWh,
    ...(resistanceOhm === undefined
      ? { resistanceShare: valueInRange(ASSUMED.packOhmShare, evidence.placeInRange(part, { of: 'pack-resistance' })) }
      : { resistanceOhm }),
    ...cutOff(part, cellsInSeries, evidence),
    ...(maxA !== undefined && { maxA }),
    startSoc,
    temperatureC,
    years,
    cycles,
  };
  const resolved = packOf(spec);
  notePack(rig, part, { ...resolved, ...figures }, evidence);
  return resolved;
}

/** What a pack is made from and what comes of it, which are never apart: another spec is another pack. */
export function packOf(spec: PackSpec): ResolvedPack {
  return { spec, pack: packFrom(spec) };
}

/** Its own, or what is typical of boards; nothing where it has none: then only what hangs on it ends the run. */
function cutOff(part: Part<Battery>, cells: number, evidence: Evidence): Pick<PackSpec, 'cutoffV' | 'uncut'> {
  const { cutoffV } = part.gear;
  if (isUncut(part.gear)) return { ...(cutoffV !== undefined && { cutoffV }), uncut: true };
  return { cutoffV: cutoffV ?? assumedCutoff(part, cells, evidence) };
}

function assumedCutoff(part: Part<Battery>, cells: number, evidence: Evidence): number {
  const { cutoffCellV, name: chemistry } = CHEMISTRIES[part.gear.chemistry];
  const basis = { of: 'cutoff', cells, cutoffCellV, chemistry } as const;
  return evidence.assume(part, basis, timesFigure(ASSUMED.cutoffShare, cells * cutoffCellV), 'V');
}

/** What the pack rests on: its own figures where it has them, typical ones where it has not. */
function notePack(
  rig: Rig,
  part: Part<Battery>,
  { spec, pack, fromCells, resistanceOhm }: ResolvedPack & BatteryFigures,
  evidence: Evidence,
): void {
  const { from: provenance = {}, cutoffV, chemistry: kind } = part.gear;
  const { energyWh, cellsInSeries, startSoc = 1, temperatureC = ROOM_TEMPERATURE_C, years = 0, cycles = 0 } = spec;
  const { chosen } = batteryState(rig, part.id);
  const { cold, ratedHours, cellOhmAh, cutoffCellV, name: chemistry } = CHEMISTRIES[kind];
  const { capacityFactor, resistanceFactor } = coldDerating(cold, temperatureC);
  evidence.note(
    part,
    { of: 'energy', fromCells },
    energyWh,
    'Wh',
    fromCells === undefined ? (provenance.energyWh ?? 'printed') : 'computed',
  );
  evidence.note(part, { of: 'start-charge' }, startSoc, 'fraction', chosen.charge ? 'chosen' : 'assumed');
  const temperature = { of: 'battery-temperature', capacityFactor, resistanceFactor } as const;
  evidence.note(part, temperature, temperatureC, 'C', chosen.cold ? 'chosen' : 'assumed');
  const left = ageFactor(years, cycles);
  if (left < 1) evidence.note(part, { of: 'age', years, cycles }, left, 'fraction', 'assumed');
  evidence.note(part, { of: 'capacity', energyWh, ratedHours }, pack.capacityAh, 'Ah', 'computed');
  const resistance = { of: 'pack-resistance', cells: cellsInSeries, cellOhmAh, factor: resistanceFactor, temperatureC } as const;
  if (resistanceOhm !== undefined) evidence.note(part, resistance, pack.resistanceOhm, 'ohm', provenance.resistanceOhm ?? 'printed');
  else {
    const typicalOhm = pack.resistanceOhm / (spec.resistanceShare ?? 1);
    evidence.noteAssumed(part, resistance, pack.resistanceOhm, timesFigure(ASSUMED.packOhmShare, typicalOhm), 'ohm');
  }
  noteLimits(part, spec, evidence);
  if (cutoffV === undefined || spec.uncut) return;
  const cutoff = { of: 'cutoff', cells: cellsInSeries, cutoffCellV, chemistry } as const;
  evidence.note(part, cutoff, pack.cutoffV, 'V', provenance.cutoffV ?? 'printed');
}

/** Limits that nobody gave: they end no run, and are told where what is drawn comes near them. */
function noteLimits(part: Part<Battery>, spec: PackSpec, evidence: Evidence): void {
  const { form, leastA, chemistry } = part.gear;
  if (form === 'bank') {
    const { typical, low, high } = BANK_LEAST_A;
    if (leastA === undefined) evidence.note(part, { of: 'least-current' }, typical, 'A', 'assumed', { low, high });
    return;
  }
  if (spec.maxA !== undefined) return;
  const { typical, low, high } = timesFigure(PACK_LIMIT_C[chemistry], labelAh(spec));
  evidence.note(part, { of: 'pack-limit', timesC: PACK_LIMIT_C[chemistry].typical }, typical, 'A', 'assumed', { low, high });
}
