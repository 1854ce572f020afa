import { figures } from '../../../bench/size';
import type { SizeSays } from '../../../bench/size';
import { ASSUMED, FUSE_SIZES_A, USUAL_AMBIENT_C, USUAL_DROP_SHARE } from '../../../tables';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const SIZE: WordsOf<SizeSays> = {
  'drop-twice': () => 'Say the drop in volts or as a share, not both.',
  'drop-takes-all': ({ dropV, voltageV }) => `A drop of ${figures(dropV)} V leaves nothing of ${figures(voltageV)} V.`,
  'no-wire-drop': ({ dropV, allowedV }) =>
    `No wire does: even AWG 10 drops ${figures(dropV)} V of the ${figures(allowedV)} V allowed. Make it shorter, use a higher voltage, or split the load.`,
  'no-wire-amps': ({ maxA }) =>
    `No wire does: even AWG 10 carries ${figures(maxA)} A for long. Make it shorter, use a higher voltage, or split the load.`,
  'lead-formula': ({ copper, lengthM, areaMm2, resistanceOhm, currentA, dropV, allowedV }) =>
    `2 × ${figures(copper, 4)} Ω mm²/m × ${figures(lengthM)} m ÷ ${figures(areaMm2)} mm² = ${figures(resistanceOhm)} Ω; × ${figures(currentA)} A = ${figures(dropV)} V of ${figures(allowedV)} V allowed`,
  'odd-gauge': ({ awg }) => `Mostly even gauges are sold: AWG ${awg - 1} is the next thicker.`,
  'drop-assumed': () => `No drop was said: ${100 * USUAL_DROP_SHARE} % is taken.`,
  'ambient-assumed': () => `No ambient was said: ${USUAL_AMBIENT_C} °C is taken.`,
  'gauge-by-drop': ({ awg }) => `For the drop AWG ${awg} would do; it would get too warm.`,
  'contacts-on-top': ({ contactsLowV, contactsHighV }) =>
    `Contacts come on top: 5 to 20 mΩ a pair, here ${figures(contactsLowV, 2)} to ${figures(contactsHighV, 2)} V for two pairs.`,
  'connectors-carry-too': () => 'The connectors must carry the current too: look for their amps.',
  'fuse-at-plus': () => 'A fuse close to the plus of the source, no larger than the wire carries.',
  'continuity-first': () => 'Before power: continuity of each conductor, none between them, plus to plus.',
  'fuse-formula': ({ continuousA, leastA, mostA, weakest }) =>
    `1.25 × ${figures(continuousA)} A = ${figures(leastA)} A at least, ${figures(mostA)} A at most (${weakest}); sold: ${FUSE_SIZES_A.join(', ')} A`,
  'fuse-too-small': () => 'No fuse of these is large enough: split the load over two leads, each with its own.',
  'fuse-between': ({ weakest, size }) =>
    `No fuse that is sold lies between: use a thicker wire${weakest === 'connectors' ? ' and connectors' : ''} for ${size} A, or draw less. Never a larger fuse.`,
  'connectors-not-said': () => 'What the connectors carry was not said: it counts too.',
  'fuse-place': () =>
    'At the plus, close to the source. Slow-blow where a motor or a large input starts; each string of batteries its own.',
  'empty-above-full': ({ packEmptyV, packFullV }) =>
    `An empty pack of ${figures(packEmptyV)} V above a full one of ${figures(packFullV)} V.`,
  'linear-formula': ({ loadW, outputV, inputA, packFullV, outputA, heatW }) =>
    `${figures(loadW)} W ÷ ${figures(outputV)} V = ${figures(inputA)} A in and out; (${figures(packFullV)} − ${figures(outputV)}) V × ${figures(outputA)} A = ${figures(heatW)} W of heat`,
  'converter-formula': ({ loadW, efficiency, lowestV, inputA, heatW }) =>
    `${figures(loadW)} W ÷ ${figures(efficiency)} ÷ ${figures(lowestV)} V = ${figures(inputA)} A; ${figures(loadW)} W × (1 ÷ ${figures(efficiency)} − 1) = ${figures(heatW)} W of heat`,
  'efficiency-assumed': () => `No efficiency was said: ${100 * ASSUMED.converterEfficiency.typical} % is taken.`,
  'contacts-by-sheet': () => 'Its contacts as its data sheet says: parts of one look differ.',
  'set-before': () => 'Set it before the camera is attached: meter, a dummy load, lock the setting, label it, measure again.',
  'charger-lifts': () => 'A charger on the pack may lift the input above a full pack.',
  'input-not-entered': ({ packFullV }) => `Its highest input is not entered; a full pack gives ${figures(packFullV)} V.`,
  'input-passed': ({ packFullV, maxInputV }) => `A full pack gives ${figures(packFullV)} V; it bears ${figures(maxInputV)} V.`,
  'input-within': ({ packFullV, maxInputV }) => `A full pack of ${figures(packFullV)} V stays within ${figures(maxInputV)} V.`,
  'step-up-passed': ({ packFullV, outputV }) =>
    `A full pack of ${figures(packFullV)} V comes through a step-up that is set to ${figures(outputV)} V.`,
  'step-up-lifts': ({ packFullV, outputV }) => `It lifts at most ${figures(packFullV)} V to ${figures(outputV)} V.`,
  'cannot-hold': ({ neededV, outputV, packFullV }) =>
    `It needs ${figures(neededV)} V to hold ${figures(outputV)} V; a full pack gives ${figures(packFullV)} V.`,
  'holds-no-longer': ({ neededV, outputV, packEmptyV }) =>
    `Below ${figures(neededV)} V it holds ${figures(outputV)} V no longer; the pack is empty at ${figures(packEmptyV)} V.`,
  'dropout-not-entered': ({ leastV, mostV, packEmptyV, outputV }) =>
    `Its dropout is not entered: of ${figures(leastV)} to ${figures(mostV)} V, and an empty pack is ${figures(packEmptyV - outputV)} V above its output.`,
  'still-holds': ({ packEmptyV, outputV }) => `An empty pack of ${figures(packEmptyV)} V still holds ${figures(outputV)} V.`,
  'output-not-entered': ({ outputA }) => `What it may give is not entered; the load takes ${figures(outputA)} A.`,
  'output-passed': ({ outputA, maxOutputA }) => `The load takes ${figures(outputA)} A; it may give ${figures(maxOutputA)} A.`,
  'output-near': ({ outputA, maxOutputA }) =>
    `The load takes ${figures(outputA)} A of ${figures(maxOutputA)} A: less than a fifth is left.`,
  'output-within': ({ outputA, maxOutputA }) => `The load takes ${figures(outputA)} A of ${figures(maxOutputA)} A.`,
  'regulator-hot': ({ heatW }) => `${figures(heatW)} W of heat: it needs a heat sink, or better a switching converter.`,
  'pack-formula': ({ cellsInSeries, nominalCellV, cellsInParallel, capacityAh, energyWh, loadW, emptyV, perCellA }) =>
    `${cellsInSeries} × ${figures(nominalCellV)} V × ${cellsInParallel} × ${figures(capacityAh)} Ah = ${figures(energyWh)} Wh; ${figures(loadW)} W ÷ ${figures(emptyV)} V ÷ ${cellsInParallel} = ${figures(perCellA)} A a cell at empty`,
  'cell-amps-not-entered': () => 'What a cell may give is not entered: read it on its data sheet.',
  'cell-mass-not-entered': () => 'A cell’s mass is not entered.',
  'cells-never-charged': () => 'These cells must never be charged.',
  'lithium-care': () =>
    'A protection board for this many in series, a balance lead, a low-voltage alarm; charged at a place that cannot burn, never unattended.',
  'not-charged-cold': () => 'Never below 0 °C on a charger.',
  'cells-alike': () =>
    'Cells of one make, age and charge. Never solder on bare cells unpractised: spot-weld, or have it made. Never short or open it.',
  'flies-not': ({ energyWh }) => `${figures(energyWh)} Wh may not fly as baggage.`,
  'flies-if-agreed': ({ energyWh }) => `${figures(energyWh)} Wh flies only if the carrier agrees.`,
  'flies-perhaps-not': () => 'Carriers may refuse a pack without a test report, however small.',
  'holder-formula': ({ inSeries, fullCellV, cutoffCellV, name }) =>
    `${inSeries} × ${figures(fullCellV)} V = ${figures(inSeries * fullCellV)} V fresh; ${inSeries} × ${figures(cutoffCellV)} V = ${figures(inSeries * cutoffCellV)} V empty (${name})`,
  'holder-measure': () => 'Measure inside at the cells and at the socket: a holder may have a regulator, or wire its cells otherwise.',
  'strings-alike': () => 'Strings side by side: the same cells, equally full, or the fuller ones charge the others.',
  'dry-cells-weak': () => 'Under load, and in the cold, such cells give far less than their label.',
  'never-charged': () => 'They must never be charged.',
  'holder-cells-alike': () => 'All cells of one make and age; none the wrong way round.',
  'volts-collapse': ({ loadW }) => `Together they cannot give ${figures(loadW)} W: their volts collapse.`,
  'parallel-formula': ({ fullerV, filledV, resistanceOhm, bResistanceOhm, joinA }) =>
    `(${figures(fullerV, 4)} − ${figures(filledV, 4)}) V ÷ (${figures(resistanceOhm)} + ${figures(bResistanceOhm)}) Ω = ${figures(joinA)} A`,
  'parallel-unlike': () =>
    'Their cells differ: their full and empty volts do too, and one always charges or drains the other. Never side by side.',
  'parallel-would-charge': () => 'One would be charged, and its cells must never be.',
  'equalise-first': ({ alikeV }) =>
    `Equalise first: charge both full, or join them through a resistor until they differ by less than ${figures(alikeV, 2)} V.`,
  'fuse-each': () => 'A fuse for each, at its plus: a short in one is fed by the other.',
  'share-load': () => 'They share the load as their resistances let them: the lower gives more.',
};

export const saySize = sayer(SIZE);
