import type { Facts } from '../../../findings';
import { formatDate } from '../../../quantity';
import { say, sayList } from '../say';
import { shown } from './wording';
import type { Wordings } from './wording';

/** What was measured on the bench. */
export const MEASURED: Wordings<'measured-stop' | 'contacts-stop' | 'groups-stop'> = {
  'measured-stop': {
    means: 'A joint was measured, and the reading says stop.',
    says: (facts) =>
      `Measured on ${formatDate(facts.on)} between ${facts.part} and ${facts.next}${facts.lead === undefined ? '' : `, on ${facts.lead}`}: ${wrong(facts)}.`,
    remedy: ({ lead, wrong: is }) =>
      is === 'too-far-apart'
        ? 'Charge both full, each by itself, then measure again.'
        : `${lead === undefined ? 'Mend or change the part' : `Mend or change ${lead}`}, then measure the joint again.`,
    shows: ({ reading, unit, lowest, highest }) => [
      shown('read', reading, unit),
      shown('at least', lowest, unit),
      shown('at most', highest, unit),
    ],
  },
  'contacts-stop': {
    means: 'The contacts of what takes a battery’s place were measured, and one says stop.',
    says: ({ substitute, device, contacts, on }) =>
      `Measured on ${formatDate(on)}: ${contacts.length === 1 ? 'contact' : 'contacts'} ${sayList(contacts)} of ${substitute} ${contacts.length === 1 ? 'is' : 'are'} not what ${device ?? 'the device'} is used to from its own battery.`,
    remedy: () => 'Keep it out of the device; look at the sheet of its contacts.',
  },
  'groups-stop': {
    means: 'The groups of a pack were measured, and one says stop.',
    says: ({ battery, groups, on }) =>
      `Measured on ${formatDate(on)}: ${groups.length === 1 ? 'group' : 'groups'} ${sayList(groups.map(String))} of ${battery} ${groups.length === 1 ? 'is' : 'are'} not fit for use.`,
    remedy: () => 'Use another battery; neither load nor charge this one.',
  },
};

function wrong({ wrong: is, reading, unit, lowest, highest }: Facts['measured-stop']): string {
  const read = reading === undefined ? 'over the range of the meter' : say(reading, unit);
  switch (is) {
    case 'reversed':
      return `plus and minus are exchanged (${read})`;
    case 'nothing-there':
      return `nothing is there (${read})`;
    case 'too-high':
      return `${read}${highest === undefined ? '' : `, more than ${say(highest, unit)}`}`;
    case 'too-low':
      return `${read}${lowest === undefined ? '' : `, less than ${say(lowest, unit)}`}`;
    case 'broken':
      return 'a conductor is broken, or goes to another contact';
    case 'too-far-apart':
      return `two batteries are ${read} apart${highest === undefined ? '' : `; up to ${say(highest, unit)} they may be joined`}`;
    case 'short':
      return `plus and minus touch (${read})`;
  }
}
