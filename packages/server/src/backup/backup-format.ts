import { PLAN_KINDS } from '@viaggio/core/document';
import { asideShape, idShape, moment } from '@viaggio/core/gear';
import { choice, flag, list, number, object, optional, text } from '@viaggio/core/units';
import type { AnyShape, Infer, Shape } from '@viaggio/core/units';

/**
 * A backup is a ZIP archive (docs/backup.md): what is kept as plan documents and as lists, and each recording and
 * photograph as a file of its own. The last file names all others with their sizes and SHA-256.
 */
export const BACKUP_FORMAT = 'viaggio-backup';
export const BACKUP_VERSION = 2;
export const BACKUP_TYPE = 'application/zip';

/** The live items as a plan document, which may also be imported by itself; the deleted ones as another. */
export const PLAN_FILE = 'plan.json';
export const DELETED_FILE = 'deleted.json';
export const STATES_FILE = 'states.json';
export const SETTINGS_FILE = 'settings.json';
/** Written last: an archive without it broke off. */
export const CONTENTS_FILE = 'contents.json';

export const slotsFile = (id: string) => `recordings/${id}/samples.bin`;
export const originalFile = (id: string) => `recordings/${id}/original.gz`;
export const photoFile = (id: string) => `photos/${id}.jpg`;

const MOST_FILES = 200_000;
const MOST_ITEMS = 200_000;
/** More often than this nobody saves one thing. */
const MOST_REVISION = 1e6;
const MB = 1024 ** 2;

/** What an archive may be at most, told by its directory before anything of it is unpacked. */
export const ARCHIVE_BOUNDS = {
  entries: MOST_FILES + 1,
  unpackedBytes: 64 * 1024 * MB,
  /** A document is read whole, in a thread. */
  documentBytes: 256 * MB,
  /** What packs as well as nothing but blanks does (a thousand times) was made to stop a reader: things with an identifier each do not. */
  packedTimes: 500,
  /** Of what is smaller it is no matter how well it packs. */
  packedFromBytes: 8 * MB,
} as const;
const count = (title: string) => number(title, 'count', { min: 0, max: Number.MAX_SAFE_INTEGER, integer: true });

const contentsShape = object('Contents', {
  format: choice('Format', { [BACKUP_FORMAT]: 'Viaggio backup' }),
  version: number('Version', 'count', { min: 1, max: 1e6, integer: true }),
  madeAt: moment('Made at'),
  files: list(
    'Files',
    object('File', {
      name: text('Name', 200),
      bytes: count('Bytes'),
      sha256: text('SHA-256', 64, { regex: /^[0-9a-f]{64}$/, says: '64 hexadecimal digits' }),
    }),
    { max: MOST_FILES },
  ),
});
export type Contents = Infer<typeof contentsShape>;

/** What an item is beside its body: which state, from where, since when. */
const stateShape = object('State', {
  id: idShape,
  revision: number('Revision', 'count', { min: 1, max: MOST_REVISION, integer: true }),
  /** Version 1, when the demo crew's things lay among a person's own. */
  origin: optional(choice('Where it is from', { demo: 'shipped with the demo', own: 'made here' })),
  createdAt: moment('Made at'),
  updatedAt: moment('Saved at'),
  deletedAt: optional(moment('Deleted at')),
});
export type State = Infer<typeof stateShape>;

/** A state with what was said in it. */
export interface BackedUp extends State {
  readonly body: object;
}

/** Whatever a device wrote: each device takes of it what it knows. */
const settingsShape: AnyShape = { kind: 'any', title: 'Settings of a device' };

const recordingShape = object('Samples of a recording', {
  id: idShape,
  savedAt: moment('Saved at'),
  originalName: optional(text('Name of the original', 200)),
  hasOriginal: flag('Whether its original is there'),
});

const photoShape = object('Photograph', { id: idShape, gearId: idShape, savedAt: moment('Saved at') });

const statesShape = object('States', {
  ...(Object.fromEntries(PLAN_KINDS.map((kind) => [kind, list(kind, stateShape, { max: MOST_ITEMS })])) as Record<
    (typeof PLAN_KINDS)[number],
    ReturnType<typeof list<typeof stateShape>>
  >),
  /** What stands beside the items of documents that were imported. */
  rests: list('Beside the items', object('Rest', { name: optional(text('Name', 120)), aside: asideShape }), { max: MOST_ITEMS }),
  recordingData: list('Samples', recordingShape, { max: MOST_ITEMS }),
  photos: list('Photographs', photoShape, { max: MOST_ITEMS }),
});
export type States = Infer<typeof statesShape>;
export type KeptRecording = Infer<typeof recordingShape>;
export type KeptPhoto = Infer<typeof photoShape>;

/** The documents of an archive that are read whole, and what each holds. */
export interface Documents {
  readonly [CONTENTS_FILE]: Contents;
  readonly [STATES_FILE]: States;
  readonly [SETTINGS_FILE]: unknown;
}
export type BackupDocument = keyof Documents;
export const DOCUMENT_SHAPES: Readonly<Record<BackupDocument, Shape>> = {
  [CONTENTS_FILE]: contentsShape,
  [STATES_FILE]: statesShape,
  [SETTINGS_FILE]: settingsShape,
};
/** These, and the items, which migrate before they have a shape. */
export const DOCUMENTS: ReadonlySet<string> = new Set([...Object.keys(DOCUMENT_SHAPES), PLAN_FILE, DELETED_FILE]);
