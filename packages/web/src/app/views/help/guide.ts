import type { Term } from '../../basics/glossary';

/** What a view is for. */
export interface Chapter {
  readonly title: string;
  readonly path: string;
  readonly says: readonly string[];
  /** Taken from the demo, see `npm run screenshots`. */
  readonly picture: string;
}

/** The guide, in the order of the work. */
export const CHAPTERS: readonly Chapter[] = [
  {
    title: 'Today',
    path: '/today',
    picture: 'today',
    says: [
      'The next day and its rigs, each with its verdict and the minutes to plan with. On the right what needs somebody: what cannot run, what goes dark, what to charge, what may not fly, what is worn, what nobody measured. One press goes there, or mends it.',
      'A newcomer finds three questions beside an answer. What is still our guess says so.',
    ],
  },
  {
    title: 'Kit',
    path: '/kit',
    picture: 'kit',
    says: [
      'Everything you own, by kind. A battery has a tag, watt-hours, health and charge; a device its draw, with where that figure is from. Add gear from a list, by its label, or by a photograph of it.',
      'Tick several things to move, charge, tag or archive them at once.',
    ],
  },
  {
    title: 'Rigs',
    path: '/rigs',
    picture: 'rig',
    says: [
      'A rig is devices, and how each is fed. The answer stands on top: how long, how sure, what stops it first, what to do. The energy path shows volts as height and amps as small meters: of what is allowed, how much flows now, and at the worst.',
      'At the foot open what you need: Build, What if, Gauges, Backups, Connecting, Cost and mass, Over time, Reasons. They stay as you leave them.',
    ],
  },
  {
    title: 'Days',
    path: '/days',
    picture: 'day',
    says: [
      'When each rig records, where its batteries are, who is there to change them. “Make it work” finds which battery goes where and what is charged when; drag a change to see what another time costs.',
      'The dark band is where the charge lies in eight of ten days; the dotted line is the reserve.',
    ],
  },
  {
    title: 'Bench',
    path: '/bench',
    picture: 'check',
    says: [
      'Measure before you connect: every joint of a rig, source first, the camera last, with what to expect and what the reading means. A stop closes what lies behind it. A rig that changes is measured again where it changed.',
      'Contacts of a substitute beside the original’s, the groups of a pack. Leads, fuses, converters and packs sized with their formula, a sheet to build by, and a place in the kit. When something dies: what it may be, and what to try next.',
    ],
  },
  {
    title: 'Pack',
    path: '/pack',
    picture: 'pack',
    says: [
      'A trip takes its list from a day or from rigs: everything with the reason why it goes along, what a single failure would need and is not there, what nobody uses. Tick by a press, a typed tag or a scan; two people at once see each other’s ticks.',
      'Bags are suggested so that one lost bag does not stop every rig. What may fly, by which rule of which date, who carries what, and a page to hold out at the gate. Charge tonight says what goes on which charger when. Tags and the crew’s power sheet are made as PDF.',
    ],
  },
  {
    title: 'Log',
    path: '/log',
    picture: 'draws',
    says: [
      'Tests, runs and recordings of a meter. From them the draws of your devices and the health of your batteries are learnt; nothing learnt is used before you accept it.',
    ],
  },
];

/** Those that hold every typed word; all where nothing is typed. */
export function matching<T extends Term | Chapter>(all: readonly T[], typed: string): readonly T[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const textOf = (one: Term | Chapter): string =>
    ('term' in one ? `${one.term} ${one.means}` : `${one.title} ${one.says.join(' ')}`).toLowerCase();
  return all.filter((one) => words.every((word) => textOf(one).includes(word)));
}
