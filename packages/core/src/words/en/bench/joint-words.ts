import { isOhms } from '../../../bench/joints';
import type { CheckedStep, CheckStep, MeterReading } from '../../../bench/joints';
import { formatQuantity } from '../../../quantity';

const volts = (value: number | undefined): string => (value === undefined ? 'unknown' : formatQuantity(value, 'V'));
const amps = (value: number | undefined): string => (value === undefined ? 'an unknown current' : formatQuantity(value, 'A'));
const ohms = (value: number | undefined): string => (value === undefined ? 'unknown' : formatQuantity(value, 'ohm'));

/**
 * A reading as the meter shows it: `16.6 V`, `0.3 Ω`, `OL`.
 *
 * @example sayShown(checkSteps(rig, gear)[0], 'OL') // 'OL'
 */
export function sayShown(step: CheckStep, reading: MeterReading): string {
  return reading === 'OL' ? 'OL' : formatQuantity(reading, isOhms(step) ? 'ohm' : 'V');
}

/**
 * What a step is expected to show: `16.4 to 16.8 V`, `0.24 Ω at most`, `no connection (OL)`.
 *
 * @example sayExpected({ is: 'open', minV: 14, maxV: 16.8 }) // '14 V to 16.8 V'
 */
export function sayExpected({ is, minV, maxV, maxOhm }: CheckStep): string {
  if (is === 'across') return 'no connection (OL)';
  if (is === 'apart') return maxV === undefined ? 'unknown' : `${volts(maxV)} apart at most`;
  if (is === 'lead') return maxOhm === undefined ? 'unknown' : `${ohms(maxOhm)} at most`;
  return minV === undefined || maxV === undefined ? 'unknown: a figure is missing' : `${volts(minV)} to ${volts(maxV)}`;
}

/**
 * Why so much is expected.
 *
 * @example sayWhyExpected(checkSteps(rig, gear)[0]) // 'From the charge as entered, what the output holds, and the meter’s own error; contacts and lead take nothing without current. Adapter M from D-tap takes 11.5 V to 17 V.'
 */
export function sayWhyExpected({ is, loadW, next, joining }: CheckStep): string {
  const takes =
    next.minV === undefined || next.maxV === undefined
      ? `What ${next.name} takes is not entered.`
      : `${next.name} takes ${volts(next.minV)} to ${volts(next.maxV)}.`;
  switch (is) {
    case 'lead':
      return 'Copper of its length and gauge, two contacts, and the meter’s own error.';
    case 'across':
      return 'Two conductors that touch nowhere: the meter stays over its range.';
    case 'apart':
      return `At the moment of joining, the fuller one pushes current into the emptier: more than ${amps(joining?.limitA)} harms the smaller one. Between them are ${ohms(joining?.ohm)}.`;
    case 'attached':
      return `The agreed voltage, 5 % about it, and the meter’s own error. ${takes}`;
    case 'loaded':
      return `${loadW === undefined ? 'What hangs on it' : `About ${formatQuantity(loadW, 'W')}`} takes some volts in battery, lead and contacts: a bad one shows only now. ${takes}`;
    case 'open':
      return `From the charge as entered, what the output holds, and the meter’s own error; contacts and lead take nothing without current. ${takes}`;
  }
}

/** Amps that so many volts push through what lies between two batteries. */
function flows(reading: MeterReading, joining: CheckStep['joining']): number | undefined {
  return reading === 'OL' || !joining ? undefined : Math.abs(reading) / joining.ohm;
}

/** What a reading means, and what to do next; undefined before anything was read. */
export function sayReading({ step, reading, judged }: CheckedStep): string | undefined {
  if (!judged || reading === undefined) return undefined;
  const { next, minV, maxV, maxOhm, joining } = step;
  // which of two batteries is the fuller changes nothing
  const shown = sayShown(step, step.is === 'apart' && reading !== 'OL' ? Math.abs(reading) : reading);
  switch (judged.code) {
    case 'as-expected':
      if (step.is === 'apart') return `${shown} apart: they may be joined.`;
      if (step.is === 'lead') return `${shown}: this conductor is whole.`;
      return step.is === 'across' ? 'OL: plus and minus touch nowhere.' : `${shown}, as expected: go on.`;
    case 'reversed':
      return `${shown}: plus and minus are exchanged. Never connect ${next.name} to it. Exchange the probes once; if the sign stays, the lead or the plug is wrong: mark it, and put it away from the good ones.`;
    case 'nothing-there':
      return `${shown}: nothing there. A fuse, a switch, a contact, or a bank that sleeps: wake it, look at each, measure again.`;
    case 'too-high':
      return `${shown}: more than ${next.name} takes (${volts(next.maxV)}). Do not connect it. A wrong setting, or a wrong source.`;
    case 'too-low':
      return step.is === 'loaded'
        ? `${shown}: it sags below the ${volts(next.minV)} that ${next.name} needs. A tired pack, a bad contact, a lead too thin, or an adapter too weak.`
        : `${shown}: ${next.name} needs ${volts(next.minV)}. Charge the battery, or look at the setting and the lead.`;
    case 'near-limit':
      return `${shown}, as expected, but within the meter’s own error of the most that ${next.name} takes (${volts(next.maxV)}). Measure with a better meter, or leave more room.`;
    case 'high-later':
      return `${shown}, as expected now; what feeds it may give ${volts(step.highV)}, more than ${next.name} takes (${volts(next.maxV)}). Do not rely on a battery that is not full.`;
    case 'not-as-expected':
      return step.is === 'across'
        ? `${shown} between plus and minus, nothing expected: damp, dirt, or a part in the lead. Find out which before there is power on it.`
        : sayOff(step, shown, reading !== 'OL' && minV !== undefined && reading < minV, minV, maxV);
    case 'broken':
      return 'OL: this conductor is broken, the lead is crossed, or a contact does not touch. Try plus against minus of the other end: whole there means crossed. Do not use the lead.';
    case 'high-ohm':
      return `${shown}, expected ${ohms(maxOhm)} at most: a thin, long or half broken lead, or dirty contacts.`;
    case 'short':
      return `${shown} between plus and minus: a short. Do not use the lead: on a battery it would burn.`;
    case 'flows-on-joining':
      return `${shown} apart: about ${amps(flows(reading, joining))} flow from the fuller into the emptier as they are joined, within the ${amps(joining?.limitA)} that it takes. Charge both full first if there is time.`;
    case 'too-far-apart':
      return `${shown} apart: about ${amps(flows(reading, joining))} would flow as they are joined; the smaller one takes ${amps(joining?.limitA)}. Do not join them: charge both full, each by itself, and measure again.`;
    case 'not-known':
      return `${shown}. What ${next.name} takes is not entered: read its label or manual before it is connected.`;
  }
}

function sayOff({ is, next }: CheckStep, shown: string, isLow: boolean, minV: number | undefined, maxV: number | undefined): string {
  const why = isLow
    ? is === 'loaded'
      ? 'It sags more than it should: a tired pack, a dirty contact, or a long thin lead.'
      : 'The charge may be lower than entered, the setting wrong, or the lead long and thin.'
    : 'The charge may be higher than entered, or the setting wrong.';
  return `${shown}, expected ${volts(minV)} to ${volts(maxV)}. ${next.name} takes it. ${why}`;
}

/** What a good start looks like, once every step is as expected. */
export const GOOD_START =
  'No warmth at plug or lead after a minute, the gauge as told beside the rig, the sign of outside power where there is one, and the volts where they stood with the lamp on.';
