import { isUnknown } from '../../../findings';
import type { Unseen } from '../../../findings';
import { say, sayList } from '../say';
import { needNumbers, sayNeed } from './need-words';
import { shown } from './wording';
import type { Wordings } from './wording';

const UNSEEN: Readonly<Record<Unseen, string>> = { charge: 'what is left', temperature: 'its temperature', make: 'which battery it is' };
const DO_WITHOUT = 'Feed it from a source that gives what it needs, or do without.';

/** Modes and features that are lost on a feed, and gauges that do not tell. */
export const MODES: Wordings<'mode-lost' | 'mode-lost-late' | 'mode-closed' | 'feature-lost' | 'gauge-blind' | 'changed-by-hand'> = {
  'mode-lost': {
    means: 'The mode chosen does not work on this feed.',
    says: ({ device, mode = 'its usual mode', need }) => `${mode} of ${device} does not work on this feed: ${sayNeed(need)}.`,
    remedy: () => DO_WITHOUT,
    shows: needNumbers,
  },
  'mode-lost-late': {
    means: 'The mode chosen stops working as the battery empties.',
    says: ({ device, mode = 'its usual mode', need }) => `${mode} of ${device} stops working as the battery empties: ${sayNeed(need)}.`,
    remedy: () => DO_WITHOUT,
    shows: needNumbers,
  },
  'mode-closed': {
    means: 'Another mode of the device does not work on this feed.',
    says: ({ device, mode, need }) =>
      isUnknown(need)
        ? `Whether ${mode} of ${device} works on this feed is not known: ${sayNeed(need)}.`
        : `${mode} of ${device} does not work on this feed: ${sayNeed(need)}.`,
    remedy: () => DO_WITHOUT,
    shows: needNumbers,
  },
  'feature-lost': {
    means: 'A feature of the device is off on this feed.',
    says: ({ device, feature, silently, need }) =>
      `${feature} of ${device} ${silently ? 'goes off without telling' : 'is off'} on this feed: ${sayNeed(need)}.`,
    remedy: () => DO_WITHOUT,
    shows: needNumbers,
  },
  'gauge-blind': {
    means: 'The gauge of the camera does not show what is left.',
    says: ({ adapter, device, shows }) =>
      `On ${adapter}, ${device} ${shows === 'always-full' ? 'shows a full battery until it stops dead' : 'shows nothing of what is left'}.`,
    remedy: ({ plannedMin }) =>
      plannedMin === undefined
        ? 'Watch the battery’s own gauge.'
        : `Swap by the clock, at ${say(plannedMin, 'min')}, or watch the battery’s own gauge.`,
    shows: ({ plannedMin }) => [shown('swap at', plannedMin, 'min')],
  },
  'changed-by-hand': {
    means: 'Somebody changed the part by hand, at their own risk.',
    says: ({ part, what, changes, unseen }) =>
      `${part} was changed by hand (${what}${changes > 1 ? `, and ${changes - 1} more` : ''})${unseen.length === 0 ? '.' : `: the device can no longer see ${sayList(unseen.map((one) => UNSEEN[one]))}.`}`,
    remedy: ({ unseen }) =>
      unseen.includes('temperature')
        ? 'Keep it in sight, feel its warmth, and never charge it in the camera.'
        : unseen.includes('charge')
          ? 'Swap by the clock, and watch the battery’s own gauge.'
          : 'Measure it before each use, or use an unchanged one.',
    shows: ({ changes }) => [shown('changes', changes, 'count')],
  },
};
