import type { BuildSays } from '../../../bench/build';
import { connectorName } from '../../../gear';
import type { Connector } from '../../../gear';
import { formatQuantity } from '../../../quantity';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

/** Which end is plus, in words, for a plug that says it. */
function polaritySays(connector: Connector): string {
  const name = connectorName(connector);
  if (connector.polarity === 'centre-positive') return `${name}: plus inside, minus outside`;
  if (connector.polarity === 'centre-negative') return `${name}: minus inside, plus outside`;
  if (connector.polarity === 'pin-1-positive') return `${name}: pin 1 plus`;
  if (connector.polarity === 'pin-1-negative') return `${name}: pin 1 minus`;
  return `${name}: plus and minus as its maker marks them`;
}

const BUILD: WordsOf<BuildSays> = {
  'ends-alike': () =>
    'Both ends are alike: the lead can be plugged in the wrong way round. Use a socket at the source’s end and a plug at the load’s, or another connector at one end.',
  'ends-keyed': () =>
    'Socket (contacts inside) at the source’s end, plug at the load’s: nothing live stands bare, and it goes in one way only.',
  'wire-plus': ({ awg, areaMm2, lengthM }) =>
    `Wire for plus, AWG ${awg} (${formatQuantity(areaMm2, 'mm2')}), ${formatQuantity(lengthM, 'm')} and a hand’s breadth for the ends`,
  'wire-minus': () => `Wire for minus, the same in another colour`,
  'end-source': ({ source }) => `Source’s end: ${polaritySays(source)}`,
  'end-load': ({ load }) => `Load’s end: ${polaritySays(load)}`,
  'fuse-wants-wire': ({ wantedA, maxA }) =>
    `Fuse: ${formatQuantity(wantedA, 'A')} is wanted, and this wire carries ${formatQuantity(maxA, 'A')}: take a thicker wire`,
  'no-fuse-split': () => 'Fuse: none that is sold fits; split the load over two leads',
  'lead-fuse': ({ fuseA }) => `Fuse ${formatQuantity(fuseA, 'A')} in a holder, in plus, within a hand’s breadth of the source’s end`,
  'thread-first': () => 'Thread the shells and the sleeves on before soldering or crimping.',
  'strain-relief': () => 'Strain relief at both ends: the wire is held by the shell, not by the joint.',
  continuity: () => 'Continuity plus to plus and minus to minus; none between them. No power yet.',
  'move-lead': () => 'Move the lead at both ends while you measure: nothing changes.',
  'open-volts': () => 'On the source, nothing behind: volts at the load’s end, the right sign.',
  'with-lamp': () => 'With a lamp on it for ten minutes: nothing warm but the lamp.',
  'label-lead': () => 'Label it: volts, amps, fuse, date.',
  cells: ({ cellsInSeries, cellsInParallel, capacityAh }) =>
    `${cellsInSeries * cellsInParallel} cells of ${formatQuantity(capacityAh, 'Ah')}, one make, one age, one charge: ${cellsInSeries} in series, ${cellsInParallel} side by side`,
  board: ({ cellsInSeries, maxA, loadW, emptyV }) =>
    `Protection board for ${cellsInSeries} in series${maxA === null ? '' : `, at least ${formatQuantity(loadW / emptyV, 'A')}`}`,
  'balance-lead': ({ cellsInSeries }) => `Balance lead with ${cellsInSeries + 1} wires`,
  'no-fuse': () => 'Fuse: none that is sold fits',
  'pack-fuse': ({ fuse }) => `Fuse ${formatQuantity(fuse, 'A')} at the plus`,
  alarm: ({ alarmV }) => `Low-voltage alarm set to ${formatQuantity(alarmV, 'V')} at rest`,
  charger: ({ chargeV }) => `Charger for ${formatQuantity(chargeV, 'V')}, with a balancer`,
  'cells-measured': () => 'Every cell measured before: within a few hundredths of a volt of the others.',
  'spot-welded': () =>
    'Spot-welded, or made by somebody who does it daily: never soldered on bare cells unpractised. Tabs covered, nothing can short.',
  taps: ({ tapsV }) => `Each tap from minus up: ${tapsV.map((volts) => formatQuantity(volts, 'V')).join(', ')}, about.`,
  'board-last': () => 'Board connected last, balance wires from minus up.',
  'first-charge': () => 'First charge watched, outside, on what cannot burn.',
  'run-down': () => 'A run-down on a dummy load: log what it gives.',
  'label-pack': () => 'Label it: cells, volts, watt-hours, charge voltage, date. Carriers may refuse it without a test report.',
  'stops-early': ({ emptyV }) => `Empty it gives ${emptyV.toFixed(1)} V: a converter, or it stops early.`,
  'too-many-cells': () => 'More cells than a hand builds: fewer watt-hours, or larger cells.',
  'too-heavy': ({ massG }) => `It weighs ${Math.round(massG)} g.`,
};

export const sayBuild = sayer(BUILD);
