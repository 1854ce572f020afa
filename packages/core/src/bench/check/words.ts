import { formatQuantity } from '../../quantity';
import type { CheckedStep } from './judge';

const volts = (value: number | undefined): string => (value === undefined ? 'unknown' : formatQuantity(value, 'V'));

/** What a reading means, and what to do next; undefined before anything was read. */
export function sayReading({ step, reading, judged }: CheckedStep): string | undefined {
  if (!judged || reading === undefined) return undefined;
  const { next, minV, maxV, maxOhm } = step;
  const shown = reading === 'OL' ? 'OL' : formatQuantity(reading, step.is === 'lead' ? 'ohm' : 'V');
  switch (judged.code) {
    case 'as-expected':
      return step.is === 'lead'
        ? `${shown} a conductor: it is whole. Now the other, and across both: nothing.`
        : `${shown}, as expected: go on.`;
    case 'reversed':
      return `${shown}: plus and minus are exchanged. Never connect ${next.name} to it. Mark the lead, and put it away from the good ones.`;
    case 'nothing-there':
      return `${shown}: nothing there. A fuse, a switch, a contact, or a bank that sleeps: wake it, look at each, measure again.`;
    case 'too-high':
      return `${shown}: more than ${next.name} stands (${volts(next.maxV)}). Do not connect it. A wrong setting, or a wrong source.`;
    case 'too-low':
      return `${shown}: ${next.name} needs ${volts(next.minV)}. Charge the battery, or look at the setting and the lead.`;
    case 'not-as-expected':
      return `${shown}, expected ${volts(minV)} to ${volts(maxV)}. ${next.name} stands it. ${reading !== 'OL' && minV !== undefined && reading < minV ? 'The charge may be lower than entered, the setting wrong, or the lead long and thin.' : 'The charge may be higher than entered, or the setting wrong.'}`;
    case 'broken':
      return 'OL: this conductor is broken, or a contact does not touch. Do not use the lead.';
    case 'high-ohm':
      return `${shown}, expected ${formatQuantity(maxOhm ?? 0, 'ohm')} at most: a thin, long or half broken lead, or dirty contacts.`;
    case 'not-known':
      return `${shown}. What ${next.name} stands is not entered: read its label or manual before it is connected.`;
  }
}
