import { PLAN_KINDS } from '@viaggio/core/document';
import { inSlots, slotsToBytes } from '@viaggio/core/measure';
import { once } from 'node:events';
import { spawnSync } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { ZipFile } from 'yazl';
import { appOn, freshDatabase } from '../../testing/database';
import { HERE } from '../threads/work';
import { removeOldArchives } from './backup-operations';
import { BackupReader } from './backup-reader';
import { CONTENTS_FILE, PLAN_FILE, STATES_FILE } from './backup-format';

type Fresh = Awaited<ReturnType<typeof freshDatabase>>;
let folder: string;
let from: Fresh;
let app: ReturnType<typeof appOn>;
beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'viaggio-backup-spec-'));
  from = await freshDatabase();
  app = appOn(from.database);
  await live();
});
afterAll(async () => {
  await from.drop();
  rmSync(folder, { recursive: true, force: true });
});

const NEVER = new AbortController().signal;
const HOST = os.hostname().replace(/[^\w-]/g, '_');
const sumOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const SLOTS = Buffer.from(slotsToBytes(inSlots({ timeS: Float64Array.of(0, 1, 2), powerW: Float64Array.of(5, 6, 7) }, 1)));
/** Larger than a piece, and not to be packed. */
const ORIGINAL = gzipSync(Buffer.from(Array.from({ length: 3_000_000 }, (_, at) => (at * 7919 * (at % 251)) % 256)), { level: 1 });
const PHOTO = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(5000, 7), Buffer.from([0xff, 0xd9])]);
const [recording, photo] = [randomUUID(), randomUUID()];

/** What a season leaves: things changed, deleted, brought in with fields that nobody knows, recordings, photographs. */
async function live(): Promise<void> {
  const gear = (await request(app).get('/api/gear')).body as { id: string; revision: number; body: object }[];
  const [first, second] = gear;
  await request(app).put(`/api/gear/${first!.id}`).set('If-Match', `"${first!.revision}"`).send({ ...first!.body, name: 'Ω “renamed” \u2028' }).expect(200); // prettier-ignore
  await request(app).delete(`/api/gear/${second!.id}`).set('If-Match', `"${second!.revision}"`).expect(204);
  await request(app).put(`/api/recordings/${recording}/slots`).set('Content-Type', 'application/vnd.viaggio.slots').send(SLOTS).expect(204);
  await request(app).put(`/api/recordings/${recording}/original`).query({ name: 'meter.csv' }).set('Content-Type', 'application/gzip').send(ORIGINAL).expect(204); // prettier-ignore
  const body = { name: 'R', at: '2026-01-12', meterAt: 'device', rows: 3, seconds: 2, remarks: [], segments: [] };
  await request(app).post('/api/changes').send({ recordings: [{ id: recording, body }] }).expect(200); // prettier-ignore
  await request(app).put(`/api/photos/${photo}`).query({ gear: first!.id }).set('Content-Type', 'image/jpeg').send(PHOTO).expect(204);
  const many = Array.from({ length: 12 }, (_, n) => ({
    id: randomUUID(),
    body: { ...first!.body, name: `In this order ${12 - n}`, tint: n },
  }));
  await request(app).post('/api/plan').send({ gear: many, rigs: [], name: 'Season', mood: 'calm' }).expect(201); // prettier-ignore
}

async function backupOf(on: typeof app, query: object = {}): Promise<Buffer> {
  const { body, headers } = await request(on).get('/api/backup').query(query).buffer(true).parse(bytes).expect(200); // prettier-ignore
  expect(headers['content-disposition']).toMatch(/^attachment; filename="Viaggio \d{4}-\d\d-\d\d \d{4}\.zip"$/);
  return body as Buffer;
}

/** As supertest wants it. */
function bytes(response: request.Response, done: (error: Error | null, body: Buffer) => void): void {
  const pieces: Buffer[] = [];
  const stream = response as unknown as NodeJS.ReadableStream;
  stream.on('data', (piece: Buffer) => pieces.push(piece));
  stream.on('end', () => done(null, Buffer.concat(pieces)));
  stream.on('error', (error: Error) => done(error, Buffer.alloc(0)));
}

async function opened(backup: Buffer): Promise<BackupReader> {
  const file = path.join(folder, `${randomUUID()}.zip`);
  writeFileSync(file, backup);
  return BackupReader.open(file, HERE, NEVER);
}

const restore = (on: typeof app, backup: Buffer, different = 'keep') => request(on).post('/api/backup/restore').query({ different }).set('Content-Type', 'application/zip').send(backup); // prettier-ignore
const compare = (on: typeof app, backup: Buffer) => request(on).post('/api/backup/compare').set('Content-Type', 'application/zip').send(backup); // prettier-ignore

interface Compared {
  readonly kinds: Readonly<Record<string, { new: number; same: number; different: number; onlyHere: number }>>;
  readonly different: readonly { title: string; says: string }[];
  readonly settings?: object;
}

/** Another installation; with nothing in it at all where `empty`. */
async function elsewhere(work: (other: typeof app, fresh: Fresh) => Promise<void>, empty = true): Promise<void> {
  const fresh = await freshDatabase();
  try {
    const tables = [...PLAN_KINDS, 'revisions', 'plan_rests', 'recording_data', 'pieces', 'photos'];
    if (empty) await fresh.database.sequelize.query(`TRUNCATE ${tables.join(', ')}`);
    // what is there came later than what is in the backup
    else for (const kind of PLAN_KINDS) await fresh.database.sequelize.query(`UPDATE ${kind} SET updated_at = now()`);
    await work(appOn(fresh.database), fresh);
  } finally {
    await fresh.drop();
  }
}

describe('a backup', () => {
  it('comes back in an empty installation as it was, byte for byte, and once more changes nothing', async () => {
    const backup = await backupOf(app);
    const before = (await opened(backup)).contents.files;
    expect(before.map(({ name }) => name)).toEqual(expect.arrayContaining([PLAN_FILE, STATES_FILE, `recordings/${recording}/original.gz`, `photos/${photo}.jpg`])); // prettier-ignore
    await elsewhere(async (other) => {
      const { body: preview } = await compare(other, backup).expect(200);
      const { kinds } = preview as Compared;
      for (const { same, different, onlyHere } of Object.values(kinds)) expect([same, different, onlyHere]).toEqual([0, 0, 0]);
      expect((await request(other).get('/api/gear')).body).toEqual([]); // looking changed nothing
      expect((await restore(other, backup).expect(200)).body).toEqual(preview);
      expect((await opened(await backupOf(other))).contents.files).toEqual(before);
      expect((await request(other).get('/api/plan')).text).toBe((await request(app).get('/api/plan')).text);
      const original = await request(other).get(`/api/recordings/${recording}/original`).buffer(true).parse(bytes).expect(200); // prettier-ignore
      expect((original.body as Buffer).equals(ORIGINAL)).toBe(true);
      const again = (await restore(other, backup, 'take').expect(200)).body as Compared;
      for (const { new: fresh, different } of Object.values(again.kinds)) expect([fresh, different]).toEqual([0, 0]);
      expect((await opened(await backupOf(other))).contents.files).toEqual(before);
    });
  });

  it('beside what is here already: says what is new, the same and different, and does as it is told', async () => {
    const backup = await backupOf(app);
    await elsewhere(async (other) => {
      const list = async () => (await request(other).get('/api/gear')).body as { id: string; body: { name: string } }[];
      const [first, second] = await list();
      const { body } = await compare(other, backup).expect(200);
      const { kinds, different } = body as Compared;
      expect(kinds['gear']).toMatchObject({ new: 12, different: 2, onlyHere: 0 });
      expect(different.map(({ says }) => says).sort()).toEqual(['deleted in the backup', 'newer here']);

      await restore(other, backup, 'keep').expect(200);
      const kept = await list();
      expect(kept.slice(0, 2).map((one) => one.body.name)).toEqual([first!.body.name, second!.body.name]);
      expect(kept.slice(-12).map((one) => one.body.name)).toEqual(Array.from({ length: 12 }, (_, n) => `In this order ${12 - n}`));

      await restore(other, backup, 'take').expect(200);
      const taken = await list();
      expect(taken[0]!.body.name).toBe('Ω “renamed” \u2028');
      expect(taken.some(({ id }) => id === second!.id)).toBe(false);
      // and each of them may be taken back
      const states = (await request(other).get(`/api/gear/${first!.id}/revisions`)).body as { body: { name: string } }[];
      expect(states.map((one) => one.body.name)).toEqual(['Ω “renamed” \u2028', first!.body.name]);
      await request(other).post(`/api/gear/${second!.id}/restore`).expect(200);
    }, false);
  });

  it('holds the settings of the device that asked, where it sent some', async () => {
    const backup = await backupOf(app, { settings: '{"mass":"oz"}' });
    expect(((await compare(app, backup).expect(200)).body as Compared).settings).toEqual({ mass: 'oz' });
    expect(((await compare(app, await backupOf(app)).expect(200)).body as Compared).settings).toBeUndefined();
    for (const settings of ['[1]', 'x', `{"a":"${'x'.repeat(4000)}"}`])
      expect((await request(app).get('/api/backup').query({ settings }).expect(400)).body).toMatchObject({ code: 'malformed-request' });
  });
});

describe('a backup that is not whole', () => {
  const archive = async (files: Readonly<Record<string, string>>): Promise<Buffer> => {
    const zip = new ZipFile();
    for (const [name, text] of Object.entries(files)) zip.addBuffer(Buffer.from(text), name);
    zip.end();
    const pieces: Buffer[] = [];
    zip.outputStream.on('data', (piece: Buffer) => pieces.push(piece));
    await once(zip.outputStream, 'end');
    return Buffer.concat(pieces);
  };
  const contents = (files: object[]) => JSON.stringify({ format: 'viaggio-backup', version: 1, madeAt: '2026-01-12T10:00:00.000Z', files });

  it.each<[string, () => Promise<Buffer>, RegExp]>([
    ['is no archive', () => Promise.resolve(Buffer.from('gear;rigs\n')), /^The file: expected a ZIP archive/],
    ['broke off', async () => (await backupOf(app)).subarray(0, -2000), /^The file: expected a ZIP archive/],
    ['has no contents', () => archive({ 'plan.json': '{}' }), /^contents\.json: expected a list of what is in it/],
    [
      'is of a later version',
      () => archive({ [CONTENTS_FILE]: contents([]).replace('"version":1', '"version":7') }),
      /expected version 2 or older/,
    ],
    ['lacks a file', () => archive({ [CONTENTS_FILE]: contents([{ name: 'plan.json', bytes: 2, sha256: '0'.repeat(64) }]) }), /^plan\.json: expected a file of this name/], // prettier-ignore
    ['has a file of another sum', () => archive({ 'plan.json': '{}', [CONTENTS_FILE]: contents([{ name: 'plan.json', bytes: 2, sha256: '0'.repeat(64) }]) }), /^plan\.json: expected the bytes that were written/], // prettier-ignore
    ['has lists that are none', () => archive({ [STATES_FILE]: '{"gear":3}', [CONTENTS_FILE]: contents([]) }), /^states\.json: /],
    ['is another archive', () => archive({ 'a.txt': 'hello' }), /^contents\.json: /],
  ])('%s: it is told, and nothing is changed', async (_what, make, says) => {
    const bad = await make();
    const before = (await request(app).get('/api/plan')).text;
    for (const send of [compare(app, bad), restore(app, bad, 'take')]) {
      const { status, body } = await send;
      expect([status, (body as { code: string }).code]).toEqual([422, 'backup-unreadable']);
      expect((body as { detail: string }).detail).toMatch(says);
    }
    expect((await request(app).get('/api/plan')).text).toBe(before);
  });

  it('holds an item that is none: the path to its field is told, and nothing of the rest is brought', async () => {
    const good = await opened(await backupOf(app));
    const plan = JSON.parse((await good.bytes(PLAN_FILE)).toString()) as { gear: { body: { kind: string } }[] };
    plan.gear[3]!.body.kind = 'zebra';
    const files = { [PLAN_FILE]: JSON.stringify(plan), 'deleted.json': '{}', [STATES_FILE]: (await good.bytes(STATES_FILE)).toString(), [CONTENTS_FILE]: contents([]) }; // prettier-ignore
    const bad = await archive(files);
    await elsewhere(async (other) => {
      const { body } = await restore(other, bad).expect(422);
      expect((body as { issues: { path: string }[] }).issues[0]!.path).toBe('/gear/3/body/kind');
      expect((await request(other).get('/api/gear')).body).toEqual([]);
    });
    for (const [document, where] of [
      ['{"gear":3}', '/gear'],
      ['{"gear":[null]}', '/gear/0/id'],
      ['{"gear":[{"id":"0d0c0000-0000-4000-8000-000000000101","body":[]}]}', '/gear/0/body'],
      ['3', ''],
    ] as const) {
      // prettier-ignore
      const { body } = await restore(app, await archive({ ...files, [PLAN_FILE]: document })).expect(422); // prettier-ignore
      expect((body as { issues: { path: string }[] }).issues[0]!.path).toBe(where);
    }
  });

  it('lacks what a recording needs: all or nothing, no piece is left over', async () => {
    const good = await opened(await backupOf(app));
    const names = ['plan.json', 'deleted.json', STATES_FILE];
    const files = Object.fromEntries(await Promise.all(names.map(async (name) => [name, (await good.bytes(name)).toString()] as const))); // prettier-ignore
    const bad = await archive({ ...files, [CONTENTS_FILE]: contents([]) });
    await elsewhere(async (other, { database }) => {
      expect((await restore(other, bad).expect(422)).body).toMatchObject({ code: 'backup-unreadable' });
      expect([await database.items.gear.count(), await database.pieces.count(), await database.recordingData.count()]).toEqual([0, 0, 0]);
    });
  });

  describe('was made to stop a reader', () => {
    // as packed as it gets: a thousand times
    const spaces = (megabytes: number): string => ' '.repeat(megabytes * 1024 * 1024);

    it.each<[string, () => Promise<Buffer>, RegExp]>([
      ['unpacks to a thousand times its size', () => archive({ [CONTENTS_FILE]: spaces(40) }), /^contents\.json: expected at most 500 times/],
      ['is larger than a document is read', () => archive({ [STATES_FILE]: spaces(257), [CONTENTS_FILE]: contents([]) }), /^states\.json: expected at most \d+ bytes when unpacked/],
      ['names one file many times', () => archive({ 'plan.json': '{}', [CONTENTS_FILE]: contents(Array.from({ length: 1000 }, () => ({ name: 'plan.json', bytes: 2, sha256: sumOf('{}') }))) }), /^contents\.json: expected each file once/],
      ['is nested without end', () => archive({ [CONTENTS_FILE]: '['.repeat(200_000) + ']'.repeat(200_000) }), /^contents\.json: /],
    ])('%s: refused before it is read', async (_what, make, says) => {
      const { status, body } = await compare(app, await make());
      expect(status).toBe(422);
      expect((body as { detail: string }).detail).toMatch(says);
    }); // prettier-ignore

    it('leaves no folder behind', async () => {
      await compare(app, await archive({ [CONTENTS_FILE]: spaces(40) })).expect(422);
      expect(readdirSync(os.tmpdir()).filter((name) => name.startsWith(`viaggio-backup-${HOST}-${process.pid}-`))).toEqual([]);
    });

    it('what a server that was killed left is taken away at the next start, and what another works on is not', async () => {
      const gone = spawnSync(process.execPath, ['-e', '']).pid;
      const [left, used] = [gone, process.pid].map((pid) => mkdtempSync(path.join(os.tmpdir(), `viaggio-backup-${HOST}-${pid}-`)));
      await removeOldArchives();
      expect([existsSync(left!), existsSync(used!)]).toEqual([false, true]);
      rmSync(used!, { recursive: true });
    });
  });

  describe('holds what no other way in takes', () => {
    type Documents = { plan: { rigs: { body: { devices: { gearId: string }[] } }[] }; states: { gear: { id: string; revision: number }[]; photos: { gearId: string }[] } }; // prettier-ignore
    const NOBODY = '0d0c0000-0000-4000-8000-00000000ffff';

    /** The archive of all that is here with one thing of it changed. */
    const changed = async (change: (documents: Documents) => void, files: Readonly<Record<string, string>> = {}): Promise<Buffer> => {
      const good = await opened(await backupOf(app));
      const names = good.contents.files.map(({ name }) => name);
      const all = new Map(await Promise.all(names.map(async (name) => [name, await good.bytes(name)] as const)));
      const read = (name: string): object => JSON.parse(all.get(name)!.toString()) as object;
      const documents = { plan: read(PLAN_FILE), states: read(STATES_FILE) } as Documents;
      change(documents);
      all.set(PLAN_FILE, Buffer.from(JSON.stringify(documents.plan)));
      all.set(STATES_FILE, Buffer.from(JSON.stringify(documents.states)));
      for (const [end, text] of Object.entries(files))
        all.set(
          names.find((name) => name.endsWith(end))!,
          Buffer.from(text),
        );
      const zip = new ZipFile();
      for (const [name, of] of all) zip.addBuffer(of, name);
      zip.addBuffer(Buffer.from(contents([])), CONTENTS_FILE);
      zip.end();
      const pieces: Buffer[] = [];
      zip.outputStream.on('data', (piece: Buffer) => pieces.push(piece));
      await once(zip.outputStream, 'end');
      return Buffer.concat(pieces);
    };
    const nothing = (): void => undefined;

    it.each<[string, () => Promise<Buffer>, string, RegExp]>([
      ['samples that are none', () => changed(nothing, { 'samples.bin': 'garbage' }), 'invalid-fields', /samples as docs\/log\.md says/],
      ['an original that is a page', () => changed(nothing, { 'original.gz': '<html></html>' }), 'invalid-fields', /gzip/],
      ['a photograph that is none', () => changed(nothing, { '.jpg': 'GIF89a' }), 'invalid-fields', /JPEG/],
      ['a photograph of no gear', () => changed(({ states }) => (states.photos[0]!.gearId = NOBODY)), 'invalid-fields', /in the backup or here/],
      ['a rig of gear that never was', () => changed(({ plan }) => (plan.rigs[0]!.body.devices[0]!.gearId = NOBODY)), 'invalid-fields', /in the backup or here/],
      ['an identifier twice', () => changed(({ states }) => states.gear.push(states.gear[0]!)), 'invalid-fields', /each identifier once/],
      ['a revision that nobody reaches', () => changed(({ states }) => (states.gear[0]!.revision = 1e9)), 'backup-unreadable', /revision: expected a whole number from 1 to 1000000/],
    ])('%s: told, by the comparison too, and nothing is brought', async (_what, make, code, says) => {
      const bad = await make();
      await elsewhere(async (other, { database }) => {
        for (const send of [compare(other, bad), restore(other, bad)]) {
          const { status, body } = await send;
          expect([status, (body as { code: string }).code]).toEqual([422, code]);
          expect((body as { detail: string }).detail).toMatch(says);
        }
        expect([await database.items.gear.count(), await database.pieces.count()]).toEqual([0, 0]);
      });
    }); // prettier-ignore

    it('and unchanged it is brought', async () => {
      await elsewhere(async (other) => {
        await restore(other, await changed(nothing)).expect(200);
      });
    });
  });

  it('is asked for without saying what becomes of differences, or sent as something else', async () => {
    const backup = await backupOf(app);
    await restore(app, backup, 'merge').expect(400);
    await request(app).post('/api/backup/compare').send({ a: 1 }).expect(400);
    await request(app).post('/api/backup/compare').set('Content-Type', 'application/zip').expect(422);
  });
});
