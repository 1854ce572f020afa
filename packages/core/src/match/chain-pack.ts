import { CHEMISTRIES } from '../cell/chemistry';
import { ageFactor, coldDerating } from '../cell/derating';
import { packFrom } from '../cell/pack';
import type { PackSpec } from '../cell/pack';
import type { Chain } from './chain';
import { missing, say } from './figure';
import type { Figure } from './figure';
import type { Finding } from './finding';

/** The battery of a chain as a pack, under the rig's conditions; undefined while its energy is not known. */
export function packSpec({ battery, rig }: Chain, figures: Figure[], lacking: Finding[]): PackSpec | undefined {
  const chemistry = CHEMISTRIES[battery.chemistry];
  const add = (name: string, value: number, unit: Figure['unit'], from: Figure['from'], formula?: string): void => {
    figures.push({ role: 'battery', name, value, unit, from, ...(formula !== undefined && { formula }) });
  };
  if (battery.energyWh === undefined) {
    lacking.push(missing('run', 'battery', battery.name, 'its energy', 'Type what the label says: watt-hours, or volts with mAh.'));
    return undefined;
  }
  const { energyWh, cellsInSeries } = battery;
  const provenance = battery.from ?? {};
  const measured = provenance.energyWh === 'measured';
  const temperatureC = rig.temperatureC ?? 25;
  const startSoc = rig.startCharge ?? 1;
  add('Energy', energyWh, 'Wh', provenance.energyWh ?? 'printed');
  add('Charge at the start', startSoc, 'fraction', rig.startCharge === undefined ? 'assumed' : 'chosen');
  const derating = coldDerating(chemistry.cold, temperatureC);
  add(
    'Temperature of the battery',
    temperatureC,
    'C',
    rig.temperatureC === undefined ? 'assumed' : 'chosen',
    `keeps ${say(derating.capacityFactor, 'fraction')} of its capacity at ${derating.resistanceFactor.toFixed(1)} × the resistance`,
  );
  // a measured capacity has the age in it already
  const age = measured ? {} : { years: battery.years ?? 0, cycles: battery.cycles ?? 0 };
  const left = ageFactor(age.years ?? 0, age.cycles ?? 0);
  if (left < 1) add('Left by age', left, 'fraction', 'assumed', `1 − 2 % × ${age.years ?? 0} years − 0.04 % × ${age.cycles ?? 0} cycles`);
  const spec: PackSpec = {
    chemistry: battery.chemistry,
    cellsInSeries,
    energyWh,
    ...(battery.resistanceOhm !== undefined && { resistanceOhm: battery.resistanceOhm }),
    ...(battery.cutoffV !== undefined && { cutoffV: battery.cutoffV }),
    ...(battery.maxA !== undefined && { maxA: battery.maxA }),
    temperatureC,
    ...age,
  };
  const pack = packFrom(spec);
  add(
    'Capacity here',
    pack.capacityAh,
    'Ah',
    'computed',
    `so that ${say(energyWh, 'Wh')} come out at the rated pace (${chemistry.ratedHours} h, 25 C), then cold and age taken off`,
  );
  if (battery.resistanceOhm === undefined) {
    const perCell = `${Math.round(chemistry.cellOhmAh * 1000)} mΩ·Ah`;
    add(
      'Resistance',
      pack.resistanceOhm,
      'ohm',
      'assumed',
      `${cellsInSeries} × ${perCell} ÷ capacity, × ${derating.resistanceFactor.toFixed(1)} for ${say(temperatureC, 'C')}`,
    );
  } else add('Resistance', pack.resistanceOhm, 'ohm', provenance.resistanceOhm ?? 'printed');
  if (battery.cutoffV === undefined)
    add('Cut-off', pack.cutoffV, 'V', 'assumed', `${cellsInSeries} × ${say(chemistry.cutoffCellV, 'V')} for ${chemistry.name}`);
  else add('Cut-off', pack.cutoffV, 'V', provenance.cutoffV ?? 'printed');
  return spec;
}
