import { packFrom } from '../../physics/cell';
import { discharge } from '../../run';
import { sizePack } from '../size';
import type { PackQuestion } from '../size';

/** What a pack gives at a load and a temperature. */
export interface PackAt {
  readonly temperatureC: number;
  readonly energyWh: number;
  readonly minutes: number;
}

/**
 * Watt-hours and minutes that a pack gives at its load, at each temperature: run down as a battery of the kit is, with the
 * cells' typical resistance. Nothing where the question cannot be answered.
 *
 * @example packAt({ cell: { chemistry: 'li-ion', capacityAh: 3 }, cellsInSeries: 4, cellsInParallel: 2, loadW: 30 }, [20, 0]).length // 2
 */
export function packAt(question: PackQuestion, temperaturesC: readonly number[]): readonly PackAt[] {
  const size = sizePack(question);
  if ('error' in size) return [];
  const { cell, cellsInSeries, loadW } = question;
  return temperaturesC.map((temperatureC) => {
    const spec = { chemistry: cell.chemistry, cellsInSeries, energyWh: size.energyWh, temperatureC, meanA: loadW / size.nominalV };
    const { minutes, packWh } = discharge({
      pack: packFrom(spec),
      feeds: [{ id: 'lead', resistanceOhm: 0, load: { id: 'load', powerW: loadW } }],
    });
    return { temperatureC, energyWh: packWh, minutes };
  });
}
