import type { Away } from '../../../findings';
import type { HarmKind } from '../../../gear/kit';
import { formatDate } from '../../../quantity';
import type { Wordings } from './wording';

const HARM: Readonly<Record<HarmKind, string>> = {
  swollen: 'is swollen',
  leaks: 'leaks',
  wet: 'got wet',
  dropped: 'fell or was hit',
  hot: 'got too hot',
  damaged: 'was damaged',
  recalled: 'was recalled by its maker',
  'handed-over': 'was damaged when it was taken over',
};

const AFTER_HARM: Readonly<Record<HarmKind, string>> = {
  swollen: 'Do not use, charge or carry it; keep it outside, away from what burns, and hand it in where batteries are taken back.',
  leaks: 'Do not use, charge or touch it with bare hands; hand it in where batteries are taken back.',
  wet: 'Leave it off. Have it looked at by whoever is licensed for it, then enter that it is sound.',
  dropped: 'Look at its case, contacts and lead; measure it; then enter that it is sound. When in doubt, leave it out.',
  hot: 'Leave it out until somebody who knows it has looked for the reason.',
  damaged: 'Have it looked at by somebody who knows it, then enter that it is sound.',
  recalled: 'Do not use or charge it; follow its maker’s notice.',
  'handed-over': 'Look at it with whom it belongs to before it is used, note what you both see; then enter that it is sound.',
};

const AWAY: Readonly<Record<Away, string>> = {
  broken: 'is marked broken',
  lost: 'is lost',
  lent: 'is lent',
  packed: 'is packed',
  archived: 'is archived: it is out of use',
};

const FOR_AWAY: Readonly<Record<Away, string>> = {
  broken: 'Use another, or mend it and take the mark away.',
  lost: 'Use another, or say that it has been found.',
  lent: 'Get it back, or use another.',
  packed: 'Unpack it before.',
  archived: 'Take it out of the archive, or use another.',
};

/** What the gear of a rig has been through, and where it is. */
export const STATE: Wordings<'gear-harmed' | 'gear-away'> = {
  'gear-harmed': {
    means: 'Something has happened to a part, and nobody has looked at it since.',
    says: ({ part, what, on }) => `${part} ${HARM[what]}${on === undefined ? '' : ` (${formatDate(on)})`}.`,
    remedy: ({ what }) => AFTER_HARM[what],
  },
  'gear-away': {
    means: 'A part is not there to be used: broken, lost, lent, packed, archived.',
    says: ({ part, where }) => `${part} ${AWAY[where]}.`,
    remedy: ({ where }) => FOR_AWAY[where],
  },
};
