import { CHEMISTRIES } from '../cell/chemistry';
import { ageFactor, coldDerating } from '../cell/derating';
import { packFrom } from '../cell/pack';
import type { PackSpec } from '../cell/pack';
import { batteryFigures } from '../gear/battery-figures';
import type { Battery } from '../gear/gear';
import type { Rig } from '../gear/rig';
import { say } from './figure';
import type { Evidence } from './figure';
import type { Part } from './rig-graph';

/** Charge and temperature that a battery starts with in a rig: its own state, or what the rig says of all of them. */
export function batteryState(
  rig: Rig,
  gearId: string,
): { startSoc: number; temperatureC: number; chosen: { charge: boolean; cold: boolean } } {
  const own = rig.batteries?.find((state) => state.gearId === gearId);
  const charge = own?.startCharge ?? rig.startCharge;
  const cold = own?.temperatureC ?? rig.temperatureC;
  return { startSoc: charge ?? 1, temperatureC: cold ?? 25, chosen: { charge: charge !== undefined, cold: cold !== undefined } };
}

/** A battery as a pack, under the rig's conditions; undefined while its energy is not known. */
export function packSpecOf(rig: Rig, part: Part<Battery>, evidence: Evidence): PackSpec | undefined {
  const battery = part.gear;
  const chemistry = CHEMISTRIES[battery.chemistry];
  const { energyWh, resistanceOhm, maxA, cutoffV, fromCells } = batteryFigures(battery);
  if (energyWh === undefined) {
    evidence.lack('run', part, 'its energy', 'Type what the label says: watt-hours, or volts with mAh.');
    return undefined;
  }
  const provenance = battery.from ?? {};
  const measured = provenance.energyWh === 'measured';
  const { startSoc, temperatureC, chosen } = batteryState(rig, part.id);
  evidence.note(part, 'Energy', energyWh, 'Wh', fromCells === undefined ? (provenance.energyWh ?? 'printed') : 'computed', fromCells);
  evidence.note(part, 'Charge at the start', startSoc, 'fraction', chosen.charge ? 'chosen' : 'assumed');
  const derating = coldDerating(chemistry.cold, temperatureC);
  evidence.note(
    part,
    'Temperature of the battery',
    temperatureC,
    'C',
    chosen.cold ? 'chosen' : 'assumed',
    `keeps ${say(derating.capacityFactor, 'fraction')} of its capacity at ${derating.resistanceFactor.toFixed(1)} × the resistance`,
  );
  // a measured capacity has the age in it already
  const [years, cycles] = measured ? [0, 0] : [battery.years ?? 0, battery.cycles ?? 0];
  const left = ageFactor(years, cycles);
  if (left < 1) evidence.note(part, 'Left by age', left, 'fraction', 'assumed', `1 − 2 % × ${years} years − 0.04 % × ${cycles} cycles`);
  const spec: PackSpec = {
    chemistry: battery.chemistry,
    cellsInSeries: battery.cellsInSeries,
    energyWh,
    ...(resistanceOhm !== undefined && { resistanceOhm }),
    ...(battery.cutoffV !== undefined && { cutoffV }),
    ...(maxA !== undefined && { maxA }),
    startSoc,
    temperatureC,
    years,
    cycles,
  };
  const pack = packFrom(spec);
  evidence.note(
    part,
    'Capacity here',
    pack.capacityAh,
    'Ah',
    'computed',
    `so that ${say(energyWh, 'Wh')} come out at the rated pace (${chemistry.ratedHours} h, 25 C), then cold and age taken off`,
  );
  if (resistanceOhm === undefined) {
    const perCell = `${Math.round(chemistry.cellOhmAh * 1000)} mΩ·Ah`;
    const formula = `${battery.cellsInSeries} × ${perCell} ÷ capacity, × ${derating.resistanceFactor.toFixed(1)} for ${say(temperatureC, 'C')}`;
    evidence.note(part, 'Resistance', pack.resistanceOhm, 'ohm', 'assumed', formula);
  } else evidence.note(part, 'Resistance', pack.resistanceOhm, 'ohm', provenance.resistanceOhm ?? 'printed');
  if (battery.cutoffV === undefined) {
    const formula = `${battery.cellsInSeries} × ${say(chemistry.cutoffCellV, 'V')} for ${chemistry.name}`;
    evidence.note(part, 'Cut-off', pack.cutoffV, 'V', 'assumed', formula);
  } else evidence.note(part, 'Cut-off', pack.cutoffV, 'V', provenance.cutoffV ?? 'printed');
  return spec;
}
