import type { Facts } from '../../../findings';
import { MOUNT_PLACES } from '../../../gear';
import { say, sayList } from '../say';
import { shown } from './wording';
import type { ShownNumber, Wordings } from './wording';

type Covered = Facts['mount-covers']['what'];

const COVERED: Readonly<Record<Exclude<Covered, 'port'>, string>> = {
  thread: 'the tripod thread',
  screen: 'the screen',
  viewfinder: 'the viewfinder',
  light: 'a warning light',
};

const WAYS_ROUND: Readonly<Record<Covered, string>> = {
  thread: 'Use a plate with a thread of its own, rods, or another place.',
  screen: 'Put it on a hinge, or in another place.',
  viewfinder: 'Put it on a hinge, or in another place.',
  light: 'Look at the light before it goes on, or put it in another place.',
  port: 'Use an angled plug or a longer lead, or put it in another place.',
};

function mountNumbers({ massG, maxG }: Facts['mount-overloaded']): readonly (ShownNumber | undefined)[] {
  return [shown('hangs there', massG, 'g'), shown('carries', maxG, 'g')];
}

/** Where things sit, what they cover and what the mount carries. */
export const MOUNTS: Wordings<'mount-covers' | 'mount-overloaded' | 'mount-unweighed'> = {
  'mount-covers': {
    means: 'A part covers something of the device that it sits on.',
    says: ({ part, device, place, what, port, blocked }) => {
      const covered = what === 'port' ? (port ?? 'a port') : COVERED[what];
      return `${part} ${MOUNT_PLACES[place]} covers ${covered} of ${device}${blocked ? ', which is in use in this rig' : ''}.`;
    },
    remedy: ({ part, what, blocked }) =>
      what === 'port' && !blocked ? `Take ${part} off to plug in there, on mains too; or put it in another place.` : WAYS_ROUND[what],
  },
  'mount-overloaded': {
    means: 'More hangs on a mount than it carries.',
    says: ({ parts, device, place, massG, maxG }) =>
      `${sayList(parts)} ${MOUNT_PLACES[place]} weigh ${say(massG, 'g')}; ${device} carries ${say(maxG, 'g')} there.`,
    remedy: () => 'Put it on rods, in a cage or elsewhere, or use a lighter one.',
    shows: mountNumbers,
  },
  'mount-unweighed': {
    means: 'What hangs on a mount is not weighed, so whether it carries it is not known.',
    says: ({ unweighed, device, place, maxG }) =>
      `Nobody weighed ${sayList(unweighed)}; ${device} carries ${say(maxG, 'g')} ${MOUNT_PLACES[place]}.`,
    remedy: () => 'Weigh it.',
    shows: mountNumbers,
  },
};
