import { connectorName } from '../../gear';
import type { Connector } from '../../gear';
import { fuseFor } from '../../physics/wire';
import { formatQuantity } from '../../quantity';
import type { LeadQuestion, LeadSize, PackQuestion, PackSize } from '../size';
import type { Built } from './gear-of-size';

/** What is on the bench while it is built: parts, lengths, colours by function, and the checks in their order. */
export interface BuildSheet {
  readonly title: string;
  readonly parts: readonly string[];
  /** In the order of building, power last. */
  readonly checks: readonly string[];
}

/** Which end is plus, in words, for a plug that says it. */
function polaritySays(connector: Connector): string {
  const name = connectorName(connector);
  if (connector.polarity === 'centre-positive') return `${name}: plus inside, minus outside`;
  if (connector.polarity === 'centre-negative') return `${name}: minus inside, plus outside`;
  if (connector.polarity === 'pin-1-positive') return `${name}: pin 1 plus`;
  if (connector.polarity === 'pin-1-negative') return `${name}: pin 1 minus`;
  return `${name}: plus and minus as its maker marks them`;
}

/** Nothing live stands bare: the source's end has its contacts inside. */
function genderSays({ source, load }: Built['ends']): string {
  if (source.type === load.type && source.gender === load.gender)
    return 'Both ends are alike: the lead can be plugged in the wrong way round. Use a socket at the source’s end and a plug at the load’s, or another connector at one end.';
  return 'Socket (contacts inside) at the source’s end, plug at the load’s: nothing live stands bare, and it goes in one way only.';
}

/**
 * The sheet of a lead: gauge, lengths, ends, fuse, checks.
 *
 * @example leadSheet({ currentA: 4, lengthM: 1, voltageV: 14.4 }, { awg: 20, areaMm2: 0.52, resistanceOhm: 0.07, dropV: 0.27, lossW: 1.1, maxA: 9 }, { name: 'Lead', at: '2026-01-12', ends: { source: { type: 'd-tap' }, load: { type: 'xt60' } } }).parts.length // 5
 */
export function leadSheet(
  { currentA, lengthM }: LeadQuestion,
  size: LeadSize,
  { name, ends, fuseA = fuseFor(currentA) }: Built,
): BuildSheet {
  const wire = `AWG ${size.awg} (${formatQuantity(size.areaMm2, 'mm2')})`;
  return {
    title: name,
    parts: [
      `Wire for plus, ${wire}, ${formatQuantity(lengthM, 'm')} and a hand’s breadth for the ends`,
      `Wire for minus, the same in another colour`,
      `Source’s end: ${polaritySays(ends.source)}`,
      `Load’s end: ${polaritySays(ends.load)}`,
      fuseA === undefined
        ? 'Fuse: none that is sold fits; split the load over two leads'
        : `Fuse ${formatQuantity(fuseA, 'A')} in a holder, in plus, within a hand’s breadth of the source’s end`,
    ],
    checks: [
      genderSays(ends),
      'Thread the shells and the sleeves on before soldering or crimping.',
      'Strain relief at both ends: the wire is held by the shell, not by the joint.',
      'Continuity plus to plus and minus to minus; none between them. No power yet.',
      'Move the lead at both ends while you measure: nothing changes.',
      'On the source, nothing behind: volts at the load’s end, the right sign.',
      'With a lamp on it for ten minutes: nothing warm but the lamp.',
      'Label it: volts, amps, fuse, date.',
    ],
  };
}

/** The sheet of a pack of cells: cells, board, balance lead, fuse, alarm, checks. */
export function packSheet(
  { cell, cellsInSeries, cellsInParallel, loadW }: PackQuestion,
  size: PackSize,
  { name, fuseA }: Built,
): BuildSheet {
  const fuse = fuseA ?? fuseFor(loadW / size.emptyV);
  return {
    title: name,
    parts: [
      `${cellsInSeries * cellsInParallel} cells of ${formatQuantity(cell.capacityAh, 'Ah')}, one make, one age, one charge: ${cellsInSeries} in series, ${cellsInParallel} side by side`,
      `Protection board for ${cellsInSeries} in series${size.maxA === null ? '' : `, at least ${formatQuantity(loadW / size.emptyV, 'A')}`}`,
      `Balance lead with ${cellsInSeries + 1} wires`,
      fuse === undefined ? 'Fuse: none that is sold fits' : `Fuse ${formatQuantity(fuse, 'A')} at the plus`,
      `Low-voltage alarm set to ${formatQuantity(size.alarmV, 'V')} at rest`,
      ...(size.chargeV === null ? [] : [`Charger for ${formatQuantity(size.chargeV, 'V')}, with a balancer`]),
    ],
    checks: [
      'Every cell measured before: within a few hundredths of a volt of the others.',
      'Spot-welded, or made by somebody who does it daily: never soldered on bare cells unpractised. Tabs covered, nothing can short.',
      `Each tap from minus up: ${Array.from({ length: cellsInSeries }, (_, at) => formatQuantity(((at + 1) * size.nominalV) / cellsInSeries, 'V')).join(', ')}, about.`,
      'Board connected last, balance wires from minus up.',
      'First charge watched, outside, on what cannot burn.',
      'A run-down on a dummy load: log what it gives.',
      'Label it: cells, volts, watt-hours, charge voltage, date. Carriers may refuse it without a test report.',
    ],
  };
}
