import type { ComparedLabel, MisleadingPair } from '../../../gear/label';
import { formatQuantity } from '../../../quantity';

/**
 * The commonest mistake with labels, told of two.
 *
 * @example sayMisleading({ more: { name: 'Bank', meaning: { capacityAh: 20, energyWh: 74, nominalV: 3.7 } }, less: { name: 'Holmvik', meaning: { capacityAh: 6.6, energyWh: 95, nominalV: 14.4 } } }).length > 20 // true
 */
export function sayMisleading({ more, less }: MisleadingPair): string {
  return `${tell(more)}; ${tell(less)}. The bigger mAh is the smaller battery.`;
}

function tell({ name, meaning: { capacityAh = 0, nominalV, packWh, useWh } }: ComparedLabel): string {
  const at = nominalV === undefined ? '' : ` at ${formatQuantity(nominalV, 'V')}`;
  const there = useWh < packWh ? `, ${formatQuantity(useWh, 'Wh')} where it is used` : '';
  return `${name}: ${formatQuantity(capacityAh * 1000, 'count')} mAh${at} is ${formatQuantity(packWh, 'Wh')}${there}`;
}
