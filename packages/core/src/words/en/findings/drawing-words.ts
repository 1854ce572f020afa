import type { Facts } from '../../../findings';
import type { Wordings } from './wording';

/** How the rig is drawn. */
export const DRAWING: Wordings<'part-missing' | 'used-twice' | 'not-fed' | 'loop'> = {
  'part-missing': {
    means: 'A part, port or mode that the rig names is not there.',
    says: gone,
    remedy: () => 'Choose another.',
  },
  'used-twice': {
    means: 'One port or cable is to serve two things.',
    says: ({ of, port }) => `${port === undefined ? of : `${port} of ${of}`} is used twice; it serves one thing only.`,
    remedy: () => 'Use another port or cable, or a splitter.',
  },
  'not-fed': {
    means: 'Nothing feeds a device, or a part that is to hand power on.',
    says: ({ of, handsOn }) => (handsOn ? `${of} is to hand power on, but nothing feeds it.` : `Nothing feeds ${of}.`),
    remedy: ({ handsOn }) => (handsOn ? 'Link a battery or a supply to it.' : 'Choose a feed for it.'),
  },
  loop: {
    means: 'Power would run in a circle.',
    says: ({ of }) => `Power comes back to ${of} in a circle: it would feed itself.`,
    remedy: () => 'Remove one of the links of the circle.',
  },
};

function gone(facts: Facts['part-missing']): string {
  switch (facts.gone) {
    case 'part':
      return `The rig names a ${facts.kind ?? 'part'} that is not in the kit any more.`;
    case 'mode':
      return `${facts.device} has no mode “${facts.mode}” any more.`;
    case 'phase-device':
      return 'A phase names a device that is not in the rig.';
    case 'phase-mode':
      return `A phase puts ${facts.device} into a mode “${facts.mode}” that it does not have.`;
    case 'output':
    case 'input':
      return `${facts.of} has no ${facts.gone} “${facts.port}”.`;
  }
}
