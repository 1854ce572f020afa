import { SHEET_KINDS } from '@viaggio/core/bench';
import type { Sheet } from '@viaggio/core/bench';
import { gearTitle } from '@viaggio/core/gear';
import type { Gear, Rig } from '@viaggio/core/gear';
import { flightRulesTitle } from '@viaggio/core/travel';
import type { Trip } from '@viaggio/core/travel';
import { formatDate } from '@viaggio/core/units';
import { figureOf } from '../parts/kit-row';
import { KIND_TITLES } from '../parts/gear/kinds';
import { lineOf } from '../parts/log-labels';
import type { IconName } from '../basics/icon';
import type { ItemsState, Entry } from '../state/items';
import type { Kind } from '../api/api';
import { VIEWS } from '../basics/views';

/** Something that the search over everything finds: a place to go to. */
export interface Findable {
  readonly title: string;
  /** What it is, and the figure that matters: `Battery · 95 Wh`. */
  readonly about: string;
  readonly icon: IconName;
  readonly path: string;
  readonly query?: Readonly<Record<string, string>>;
  /** What is looked through, in small letters. */
  readonly text: string;
  /** What was named first is found first: a tag before a name before what is said about it. */
  readonly first: readonly string[];
}

const ACTIONS: readonly (Pick<Findable, 'title' | 'path' | 'icon' | 'query'> & { readonly words: string })[] = [
  { title: 'New rig: three questions', path: '/rigs/new', icon: 'add', words: 'plan camera battery how long' },
  { title: 'Add gear', path: '/kit/add', icon: 'add', words: 'new battery device cable adapter charger' },
  { title: 'What does this label mean?', path: '/kit/label', icon: 'kit', words: 'watt-hours mah wh photograph read' },
  { title: 'Import gear', path: '/kit/import', icon: 'kit', words: 'table csv spreadsheet' },
  { title: 'Rigs side by side', path: '/rigs/side-by-side', icon: 'rigs', words: 'compare' },
  { title: 'Measure before power', path: '/bench/check', icon: 'bench', words: 'joint polarity volts check bench' },
  { title: 'Compare contacts', path: '/bench/contacts', icon: 'bench', words: 'pins original adapter balance lead taps' },
  { title: 'Build a lead', path: '/bench/build/lead', icon: 'bench', words: 'wire awg gauge cable solder' },
  { title: 'Size a fuse', path: '/bench/build/fuse', icon: 'bench', words: 'protect amps' },
  { title: 'Set a converter', path: '/bench/build/converter', icon: 'bench', words: 'regulator step-down step-up linear heat' },
  { title: 'Build a cell pack', path: '/bench/build/pack', icon: 'bench', words: 'cells series parallel balance board' },
  { title: 'Find the fault', path: '/bench/fault', icon: 'bench', words: 'died dead broken symptom why' },
  { title: 'Trips and bags', path: '/pack/trips', icon: 'pack', words: 'pack list suitcase cabin hold fly' },
  { title: 'Charge tonight', path: '/pack/charge', icon: 'pack', words: 'charger slots overnight full' },
  { title: 'Print tags', path: '/pack/tags', icon: 'pack', words: 'label qr code sticker' },
  { title: 'Flight rules', path: '/pack/rules', icon: 'pack', words: 'airline carrier watt-hours cabin approval' },
  { title: 'Borrowed and rented', path: '/pack/borrowed', icon: 'pack', words: 'hire lent return handover' },
  { title: 'Add entry', path: '/log/new', icon: 'add', words: 'log a test run-down measurement' },
  { title: 'Recordings', path: '/log/recordings', icon: 'log', words: 'meter trace import live' },
  { title: 'Draws', path: '/log/draws', icon: 'log', words: 'learnt watts measured printed' },
  { title: 'Battery health', path: '/log/batteries', icon: 'log', words: 'worn capacity retire' },
  { title: 'Plan and day', path: '/log/plans', icon: 'log', words: 'how far plans were off' },
];

/** Everything that can be gone to, in the order of the work. */
export function findables(items: ItemsState): readonly Findable[] {
  const entries = <K extends Kind>(kind: K): readonly Entry<K>[] =>
    Object.values(items[kind].entities).filter((entry) => entry !== undefined) as readonly Entry<K>[];
  const gear = new Map(entries('gear').map(({ id, body }) => [id, body]));
  const rigs = new Map(entries('rigs').map(({ id, body }) => [id, body]));
  return [
    ...VIEWS.map(({ title, path, icon }) => findable({ title, about: 'View', icon, path, first: [title], words: '' })),
    ...ACTIONS.map((act) => findable({ ...act, about: 'Action', first: [act.title] })),
    ...entries('gear').map(({ id, body }) => gearPlace(id, body)),
    ...entries('rigs').map(({ id, body }) =>
      findable({
        title: body.name,
        about: `Rig · ${body.devices.map(({ gearId }) => gear.get(gearId)?.name ?? '?').join(', ')}`,
        icon: 'rigs',
        path: `/rigs/${id}`,
        first: [body.name],
        words: body.note ?? '',
      }),
    ),
    ...entries('days').map(({ id, body }) =>
      findable({
        title: body.name,
        about: `Day · ${formatDate(body.date)}`,
        icon: 'days',
        path: `/days/${id}`,
        first: [body.name, body.date],
        words: body.note ?? '',
      }),
    ),
    ...entries('trips').map(({ id, body }) => tripPlace(id, body)),
    ...entries('rules').map(({ id, body }) =>
      findable({
        title: flightRulesTitle(body),
        about: 'Flight rules',
        icon: 'pack',
        path: '/pack/rules',
        query: { item: id },
        first: [body.carrier],
        words: body.source,
      }),
    ),
    ...entries('log').map(({ id, body }) => {
      const { kind, about, when, summary } = lineOf(body, gear, rigs);
      const title = `${kind}: ${about}`;
      return findable({ title, about: `Log · ${when} · ${summary}`, icon: 'log', path: `/log/entry/${id}`, first: [about], words: '' });
    }),
    ...entries('sheets').flatMap(({ id, body }) => sheetPlace(id, body, gear, rigs)),
    ...entries('recordings').map(({ id, body }) =>
      findable({ title: body.name, about: 'Recording', icon: 'log', path: `/log/recordings/${id}`, first: [body.name], words: '' }),
    ),
  ];
}

function gearPlace(id: string, body: Gear): Findable {
  const about = `${KIND_TITLES[body.kind].one} · ${figureOf(body).figure}${body.archived ? ' · archived' : ''}`;
  const words = [body.where, body.note].join(' ');
  return findable({ title: gearTitle(body), about, icon: 'kit', path: '/kit', query: { item: id }, first: [body.tag, body.name], words });
}

function tripPlace(id: string, { name, legs = [] }: Trip): Findable {
  const words = legs.map((leg) => leg.name).join(' ');
  return findable({ title: name, about: 'Trip', icon: 'pack', path: `/pack/trips/${id}`, first: [name], words });
}

/** Where a sheet of the bench is gone on with. */
function sheetPlace(id: string, sheet: Sheet, gear: ReadonlyMap<string, Gear>, rigs: ReadonlyMap<string, Rig>): readonly Findable[] {
  const about = `Bench · ${SHEET_KINDS[sheet.kind]} · ${formatDate(sheet.at.slice(0, 10))}`;
  const place = (title: string | undefined, path: string): readonly Findable[] =>
    title === undefined ? [] : [findable({ title, about, icon: 'bench', path, first: [title], words: sheet.note ?? '' })];
  switch (sheet.kind) {
    case 'joints':
      return place(rigs.get(sheet.rigId)?.name, `/bench/check/${sheet.rigId}`);
    case 'fault':
      return place(rigs.get(sheet.rigId)?.name, '/bench/fault');
    case 'contacts':
      return place(sheet.name, `/bench/contacts/${id}`);
    case 'taps':
      return place(gear.get(sheet.batteryId)?.name, `/bench/contacts/${id}`);
  }
}

function findable({
  words,
  first,
  ...found
}: Omit<Findable, 'text' | 'first'> & { readonly words: string; readonly first: readonly (string | undefined)[] }): Findable {
  const text = `${found.title} ${found.about} ${words}`.toLowerCase();
  return { ...found, text, first: first.flatMap((one) => (one ? [one.toLowerCase()] : [])) };
}

/** Those that hold every typed word, what begins with it first; of nothing typed, the views and actions. */
export function find(typed: string, all: readonly Findable[], most: number): readonly Findable[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  if (words.length === 0) return all.filter(({ about }) => about === 'View' || about === 'Action').slice(0, most);
  const whole = words.join(' ');
  const rank = ({ first, title }: Findable): number => {
    if (first.includes(whole)) return 0;
    if (first.some((one) => one.startsWith(whole))) return 1;
    return words.every((word) => title.toLowerCase().includes(word)) ? 2 : 3;
  };
  return all
    .filter(({ text }) => words.every((word) => text.includes(word)))
    .map((one) => ({ one, rank: rank(one) }))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ one }) => one);
}
