import { batteryFigures } from '../../gear';
import type { Battery, Gear } from '../../gear';
import { labelAh } from '../../physics/cell';
import { CHEMISTRIES } from '../../tables';
import { batteryState } from './battery-state';
import type { Rig } from './rig';

/** Batteries that a holder or plate puts in series: one source, of the volts of all and the amp-hours of the weakest. */
export interface SeriesString {
  readonly hubId: string;
  readonly batteryIds: readonly string[];
  /** Those batteries as they are, and the charge of each. */
  readonly batteries: readonly Battery[];
  readonly charges: readonly number[];
  /** The string as one battery, which stands in the place of its first. */
  readonly as: Battery;
}

/**
 * The strings that links make on hubs whose inputs are in series. A hub of which an input is fed by something else than
 * a battery, or by one whose cells or energy nobody knows, makes none.
 *
 * @example seriesStrings(rig, gear) // []
 */
export function seriesStrings(rig: Rig, gear: ReadonlyMap<string, Gear>): readonly SeriesString[] {
  const { links } = rig;
  const hubs = [...new Set(links.map(({ to }) => to.gearId))].filter((id) => {
    const hub = gear.get(id);
    return hub?.kind === 'hub' && hub.inputOrder === 'series';
  });
  return hubs.flatMap((hubId) => {
    const ids = links.filter(({ to }) => to.gearId === hubId).map(({ from }) => from.gearId);
    const batteries = ids.map((id) => gear.get(id)).filter((body) => body?.kind === 'battery');
    const as = batteries.length === ids.length && ids.length > 1 ? joined(batteries) : undefined;
    const charges = ids.map((id) => batteryState(rig, id).startSoc);
    return as ? [{ hubId, batteryIds: ids, batteries, charges, as }] : [];
  });
}

/** The states of batteries with each string as empty as its emptiest. */
export function withStringStates(rig: Rig, strings: readonly SeriesString[]): Rig {
  if (strings.length === 0) return rig;
  const lowest = new Map(strings.map(({ batteryIds, charges }) => [batteryIds[0]!, Math.min(...charges)]));
  const others = (rig.batteries ?? []).filter(({ gearId }) => !lowest.has(gearId));
  const firsts = [...lowest].map(([gearId, startCharge]) => ({
    ...rig.batteries?.find((one) => one.gearId === gearId),
    gearId,
    startCharge,
  }));
  return { ...rig, batteries: [...others, ...firsts] };
}

/** Amp-hours of a battery by what is printed on it. */
export function printedAh(battery: Battery): number | undefined {
  const { energyWh, cellsInSeries } = batteryFigures(battery);
  if (energyWh === undefined || cellsInSeries === undefined) return undefined;
  return labelAh({ chemistry: battery.chemistry, cellsInSeries, energyWh });
}

function joined(batteries: readonly Battery[]): Battery | undefined {
  const [first] = batteries;
  const figures = batteries.map(batteryFigures);
  const amphours = batteries.map(printedAh);
  const sum = (values: readonly (number | undefined)[]): number | undefined =>
    values.every((value) => value !== undefined) ? values.reduce((total, value) => total + value, 0) : undefined;
  const cellsInSeries = sum(figures.map((one) => one.cellsInSeries));
  if (!first || cellsInSeries === undefined || amphours.some((one) => one === undefined)) return undefined;
  const limits = figures.flatMap(({ maxA }) => maxA ?? []);
  const { cell: _cell, nominalV: _nominal, labelWh: _label, chargeV: _charge, resistanceOhm: _ohm, maxA: _max, ...rest } = first;
  const resistanceOhm = sum(figures.map((one) => one.resistanceOhm));
  const cutoffV = sum(batteries.map((one) => one.cutoffV));
  const chargeV = sum(batteries.map((one) => one.chargeV));
  return {
    ...rest,
    name: batteries.map(({ name }) => name).join(' + '),
    cellsInSeries,
    energyWh: cellsInSeries * CHEMISTRIES[first.chemistry].nominalCellV * Math.min(...amphours.map((one) => one ?? Infinity)),
    ...(resistanceOhm !== undefined && { resistanceOhm }),
    ...(cutoffV !== undefined && { cutoffV }),
    ...(chargeV !== undefined && { chargeV }),
    ...(limits.length > 0 && { maxA: Math.min(...limits) }),
  };
}
