import type { LabelSays } from '../../../gear/label';
import { formatQuantity } from '../../../quantity';
import { CHEMISTRIES } from '../../../tables';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const LABEL: WordsOf<LabelSays> = {
  'bank-counts': ({ assumedV }) => `a bank counts its mAh at its cells: ${formatQuantity(assumedV, 'V')}, assumed`,
  'cells-times': ({ cells, cellV, assumedV }) => `${cells} × ${formatQuantity(cellV ?? 0, 'V')} = ${formatQuantity(assumedV, 'V')}`,
  'volts-times': ({ nominalV, capacityAh, packWh }) =>
    `${formatQuantity(nominalV ?? 0, 'V')} × ${formatQuantity(capacityAh ?? 0, 'Ah')} = ${formatQuantity(packWh, 'Wh')}`,
  printed: ({ packWh }) => `${formatQuantity(packWh, 'Wh')} printed`,
  through: ({ title, efficiency, useWh }) => `${title}: × ${formatQuantity(efficiency, 'fraction')} = ${formatQuantity(useWh, 'Wh')}`,
  'at-use': ({ outputV, useAh }) => `÷ ${formatQuantity(outputV, 'V')} = ${formatQuantity(useAh, 'Ah')} there`,
  'bank-counted-at': ({ voltageV }) => `a bank’s mAh counted at ${voltageV} V, its cells`,
  'chemistry-usual': ({ chemistry, form }) =>
    `${CHEMISTRIES[chemistry].name}, as ${form === 'bank' ? 'banks' : 'batteries of this kind'} are`,
  'nothing-read': () => 'Nothing was read.',
  'no-figure': () => 'No figure was found in the picture. Come nearer, hold it straight, and light it from the side.',
  'figures-disagree': ({ v, ah, printedWh }) =>
    `${formatQuantity(v, 'V')} × ${formatQuantity(ah, 'Ah')} is not ${formatQuantity(printedWh, 'Wh')}: one of them was read wrongly, or the label says so.`,
  'no-usual-pack': ({ voltageV }) => `${formatQuantity(voltageV, 'V')} is no usual pack: was a point missed?`,
  'not-twice': ({ figure }) => `“${figure}” was not read the same twice: look at it.`,
  'no-unit': ({ line }) => `“${line}” has no unit that was read: look at it.`,
  'hard-to-read': ({ texts }) => `Hard to read: ${texts.map((text) => `“${text}”`).join(', ')}.`,
};

export const sayLabelled = sayer(LABEL);
