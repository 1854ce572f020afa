import { connectorName } from '../../../gear';
import type { Label, LabelAsk, LabelPort, LabelProfile } from '../../../gear/label';
import { formatQuantity } from '../../../quantity';
import { CHEMISTRIES } from '../../../tables';
/**
 * What was read of a label, in words and figures.
 *
 * @example sayLabel(readLabel('7.2 V 2040 mAh')) // '7.2 V, 2.04 Ah, that is 14.7 Wh'
 */
export function sayLabel({ reads, asks }: Label): string {
  const { capacityAh, energyWh, awg, areaMm2, cellsInSeries, chemistry, ports = [], profiles = [], ...own } = reads;
  const say = formatQuantity;
  const parts = [
    ports.length === 1 && profiles.length === 0 ? '' : sayProfile(own),
    capacityAh === undefined ? '' : say(capacityAh, 'Ah'),
    energyWh === undefined ? '' : say(energyWh, 'Wh'),
    energyWh === undefined && own.voltageV !== undefined && capacityAh !== undefined
      ? `that is ${say(own.voltageV * capacityAh, 'Wh')}`
      : '',
    awg === undefined ? '' : `${awg} AWG`,
    areaMm2 === undefined ? '' : say(areaMm2, 'mm2'),
    chemistry === undefined ? '' : CHEMISTRIES[chemistry].name,
    cellsInSeries === undefined ? '' : `${cellsInSeries} ${cellsInSeries === 1 ? 'cell' : 'cells in series'}`,
    ...(ports.length > 0 ? ports.map(sayPort) : profiles.map(sayProfile)),
  ].filter((part) => part !== '');
  return parts.length > 0 ? parts.join(', ') : asks.length > 0 ? 'nothing yet' : 'nothing';
}

export function sayProfile({ voltageV, minV, maxV, currentA, powerW }: LabelProfile): string {
  const say = formatQuantity;
  const volts =
    voltageV !== undefined ? say(voltageV, 'V') : minV !== undefined && maxV !== undefined ? `${say(minV, 'V')} to ${say(maxV, 'V')}` : '';
  const amps = currentA === undefined ? '' : say(currentA, 'A');
  return [[volts, amps].filter((one) => one !== '').join(' at '), powerW === undefined ? '' : say(powerW, 'W')]
    .filter((one) => one !== '')
    .join(', ');
}

export function sayPort({ name, direction, connector, profiles, ...own }: LabelPort): string {
  const called = name ?? (connector ? connectorName(connector) : direction === 'in' ? 'in' : 'out');
  const gives = (profiles ?? [own]).map(sayProfile).join(' / ');
  return gives === '' ? called : `${called} ${gives}`;
}

/** What is asked, as a person would be. */
export const LABEL_QUESTIONS: Readonly<Record<LabelAsk, string>> = {
  voltageV: 'How many volts? mAh alone say nothing; a bank’s count at its cells, 3.6 or 3.7 V.',
  chemistry: 'Which chemistry? It says how many cells the volts are.',
  cellsInSeries: 'How many cells in series?',
  capacityAh: 'Which capacity? The label has two, or one that can be read in two ways.',
  energyWh: 'How many watt-hours? The figures disagree, or can be read in two ways.',
  currentA: 'How many amps? The label has two, or they are shared.',
  powerW: 'How many watts? Only a peak, or a sum, is printed.',
  awg: 'Which wire gauge?',
  areaMm2: 'Which wire size?',
};
