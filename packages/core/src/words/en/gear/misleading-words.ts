import type { ComparedLabel, MisleadingPair } from '../../../gear/label';
import { formatQuantity } from '../../../quantity';

/** The commonest mistake with labels, told of two. */
export function sayMisleading({ more, less }: MisleadingPair): string {
  return `${tell(more)}; ${tell(less)}. The bigger mAh is the smaller battery.`;
}

function tell({ name, meaning: { capacityAh = 0, nominalV, packWh, useWh } }: ComparedLabel): string {
  const at = nominalV === undefined ? '' : ` at ${formatQuantity(nominalV, 'V')}`;
  const there = useWh < packWh ? `, ${formatQuantity(useWh, 'Wh')} where it is used` : '';
  return `${name}: ${formatQuantity(capacityAh * 1000, 'count')} mAh${at} is ${formatQuantity(packWh, 'Wh')}${there}`;
}
