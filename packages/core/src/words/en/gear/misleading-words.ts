import type { ComparedLabel, MisleadingPair } from '../../../gear/label';
import { formatQuantity } from '../../../quantity';

/**
 * The commonest mistake with labels, told of two.
 *
 * @example sayMisleading(misleadingPairs([{ name: 'Bank', meaning: labelMeaning('20 000 mAh', { kind: 'bank' }).value }, { name: 'V1', meaning: labelMeaning('14.4 V 6600 mAh').value }])[0]).replace(/\s/g, ' ') // 'Bank: 20 000 mAh at 3.7 V is 74 Wh; V1: 6600 mAh at 14.4 V is 95 Wh. The bigger mAh is the smaller battery.'
 */
export function sayMisleading({ more, less }: MisleadingPair): string {
  return `${tell(more)}; ${tell(less)}. The bigger mAh is the smaller battery.`;
}

function tell({ name, meaning: { capacityAh = 0, nominalV, packWh, useWh } }: ComparedLabel): string {
  const at = nominalV === undefined ? '' : ` at ${formatQuantity(nominalV, 'V')}`;
  const there = useWh < packWh ? `, ${formatQuantity(useWh, 'Wh')} where it is used` : '';
  return `${name}: ${formatQuantity(capacityAh * 1000, 'count')} mAh${at} is ${formatQuantity(packWh, 'Wh')}${there}`;
}
