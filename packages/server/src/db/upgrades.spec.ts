import { slotsFromBytes } from '@viaggio/core/measure';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { DataTypes, QueryTypes } from 'sequelize';
import type { QueryInterface, Sequelize } from 'sequelize';
import request from 'supertest';
import { gunzipSync } from 'node:zlib';
import { pino } from 'pino';
import { emptyDatabase, freshDatabase, worldsAt } from '../../testing/database';
import { createApp, demoServiceOf } from '../app';
import { migrate, NewerDatabase } from './database';
import { migrations } from './migrations';
import { runMigrations } from './run-migrations';
import { WORLDS_CAME } from './world';

/**
 * What each version in the repository's history left in its database, after the same few acts: a piece of gear renamed,
 * one deleted, a rig changed, a document with fields that nobody knows brought in, a recording with samples and original.
 */
const FOLDER = path.join(__dirname, '../../testing/older');
const DUMPS = readdirSync(FOLDER).sort();
const OWN_GEAR = '5f0c7a10-0000-4000-8000-00000000aa01';
const RECORDING = '5f0c7a10-0000-4000-8000-00000000aa02';

interface Row {
  readonly id: string;
  readonly deleted: boolean;
}
const KINDS = ['gear', 'rigs', 'days', 'log', 'recordings', 'sheets', 'rules', 'trips'] as const;

async function rowsOf(sequelize: Sequelize, table: string, where = 'true'): Promise<readonly Row[]> {
  if (!(await sequelize.getQueryInterface().tableExists(table))) return [];
  return sequelize.query<Row>(`SELECT id, deleted_at IS NOT NULL AS deleted FROM ${table} WHERE ${where} ORDER BY created_at, id`, { type: QueryTypes.SELECT }); // prettier-ignore
}

const revisionsOf = (sequelize: Sequelize) =>
  sequelize.query<{ kind: string; itemId: string; revision: number }>(
    `SELECT kind, item_id AS "itemId", revision FROM revisions ORDER BY kind, item_id, revision`,
    { type: QueryTypes.SELECT },
  );

const columnsOf = (sequelize: Sequelize) =>
  sequelize.query(
    `SELECT table_name, column_name, data_type, is_nullable FROM information_schema.columns WHERE table_schema = 'public' ORDER BY 1, 2`,
    { type: QueryTypes.SELECT },
  );

it('there is a dump of every version that had its own tables, the present one excepted', () => {
  expect(DUMPS).toEqual(migrations.slice(0, -1).map(({ name }) => `${name}.sql.gz`));
});

describe.each(DUMPS)('the database of %s', (dump) => {
  const version = Number(dump.slice(0, 4));

  it('is brought along without loss: items in their order, deleted ones, every state, samples; the tables are those of a new one', async () => {
    const older = await emptyDatabase();
    const fresh = await freshDatabase();
    let both: ReturnType<typeof worldsAt> | undefined;
    try {
      const { sequelize } = older.database;
      await sequelize.query(gunzipSync(readFileSync(path.join(FOLDER, dump))).toString());
      const before = new Map<string, readonly Row[]>();
      const theirs = new Map<string, readonly Row[]>();
      for (const kind of KINDS) {
        before.set(kind, await rowsOf(sequelize, kind));
        theirs.set(kind, await rowsOf(sequelize, kind, `origin = 'demo'`));
      }
      const states = await revisionsOf(sequelize);
      expect(before.get('gear')!.filter(({ deleted }) => deleted)).toHaveLength(1);

      expect(await migrate(older.database)).toContain(WORLDS_CAME);
      expect(await migrate(older.database)).toEqual([]); // as the next start does
      expect(await columnsOf(sequelize)).toEqual(await columnsOf(fresh.database.sequelize));
      both = worldsAt(older.url);
      const { own, demo } = both.worlds;
      // what the demo crew had it has, and what anybody made or changed is on their own side
      for (const kind of KINDS) {
        const mine = await rowsOf(own.database.sequelize, kind);
        expect([kind, await rowsOf(demo.database.sequelize, kind)]).toEqual([kind, theirs.get(kind)]);
        const made = before.get(kind)!.filter(({ id }) => !theirs.get(kind)!.some((one) => one.id === id));
        expect(mine).toEqual(expect.arrayContaining([...made]));
        expect(before.get(kind)).toEqual(expect.arrayContaining([...mine]));
      }
      const kept = [...(await revisionsOf(own.database.sequelize)), ...(await revisionsOf(demo.database.sequelize))];
      expect(kept).toEqual(expect.arrayContaining([...states]));

      await demoServiceOf({ demo }).reset(); // as the start does then: the kinds that it did not have, and what was changed
      const app = createApp(both.worlds, pino({ level: 'silent' }));
      const gear = (await request(app).get('/api/gear').expect(200)).body as { id: string; body: { name: string; unknown?: object } }[];
      expect(gear.some(({ body }) => body.name === 'Renamed in an older version')).toBe(true);
      const shown = (await request(app).get('/demo/api/gear').expect(200)).body as typeof gear;
      expect(shown.some(({ body }) => body.name === 'Renamed in an older version')).toBe(false);
      const rigs = (await request(app).get('/api/rigs').expect(200)).body as { body: { wantedMin: number; devices: object[] } }[];
      expect(rigs.some(({ body }) => body.wantedMin === 77 && body.devices.length > 0)).toBe(true);

      // what it gives out may come in again, and was not lost on the way
      const document = (await request(app).get('/api/plan').expect(200)).body as {
        mood?: string;
        name?: string;
        gear: { id: string; body: { tint?: string } }[];
      };
      await request(app).post('/api/plan/read').send(document).expect(200);
      expect([document.name, document.mood, document.gear.find(({ id }) => id === OWN_GEAR)!.body.tint]).toEqual(
        version === 1 ? [undefined, undefined, undefined] : ['An older plan', 'calm', 'teal'],
      );
      const evaluation = await request(app).post('/api/evaluate').send({ ...document, ask: { runs: 0 } }).expect(200); // prettier-ignore
      expect((evaluation.body as { rigs: object[] }).rigs).toHaveLength(rigs.length);

      // the deleted one comes back, an earlier state is still there
      const gone = before.get('gear')!.find(({ deleted }) => deleted)!;
      const where = theirs.get('gear')!.some(({ id }) => id === gone.id) ? '/demo/api' : '/api';
      await request(app).post(`${where}/gear/${gone.id}/restore`).expect(200);
      if (version < 3) return;
      const { bytes } = await own.recordings.slots(RECORDING);
      const pieces: Uint8Array[] = [];
      for await (const piece of bytes) pieces.push(piece);
      expect(slotsFromBytes(Buffer.concat(pieces))).toBeDefined();
      const original = await request(app).get(`/api/recordings/${RECORDING}/original`).buffer(true).parse(whole).expect(200); // prettier-ignore
      expect(gunzipSync(original.body as Buffer).toString()).toBe('time_s,power_W\n0,5\n');
    } finally {
      await both?.close();
      await older.drop();
      await fresh.drop();
    }
  });
});

describe('what lay among the demo crew’s things', () => {
  const NEWEST = gunzipSync(readFileSync(path.join(FOLDER, DUMPS.at(-1)!))).toString();
  const OWN_RIG = '5f0c7a10-0000-4000-8000-00000000aa11';

  /** The newest dump, something more done to it, and brought along: what there is of gear on either side. */
  async function gearAfter(more: (sequelize: Sequelize) => Promise<unknown>) {
    const older = await emptyDatabase();
    let both: ReturnType<typeof worldsAt> | undefined;
    try {
      await older.database.sequelize.query(NEWEST);
      await more(older.database.sequelize);
      await migrate(older.database);
      both = worldsAt(older.url);
      const { own, demo } = both.worlds;
      return { own: await own.items.gear.list(), demo: await demo.items.gear.list(), rigs: await own.items.rigs.list() };
    } finally {
      await both?.close();
      await older.drop();
    }
  }
  const nameOf = ({ body }: { readonly body: object }) => (body as { name: string }).name;

  it('comes to the own side though the state in which it came was thinned away', async () => {
    const { own } = await gearAfter((sequelize) => sequelize.query('DELETE FROM revisions WHERE revision = 1'));
    expect(own.map(nameOf)).toContain('Renamed in an older version');
  });

  it('comes along where own things name it, now or in an earlier state', async () => {
    const before = await gearAfter(() => Promise.resolve());
    const [named, earlier, ...rest] = before.demo.filter(({ id }) => !before.own.some((one) => one.id === id));
    expect(rest.length).toBeGreaterThan(5);
    const rigOf = (id: string) => JSON.stringify({ name: 'Mine', devices: [{ gearId: id }], links: [] });
    const after = await gearAfter(async (sequelize) => {
      await sequelize.query(
        `INSERT INTO rigs (id, revision, origin, body, created_at, updated_at) VALUES ($1, 2, 'own', $2::jsonb, now(), now())`,
        { bind: [OWN_RIG, rigOf(named!.id)] },
      );
      for (const [revision, id] of [
        [1, earlier!.id],
        [2, named!.id],
      ] as const)
        // prettier-ignore
        await sequelize.query(`INSERT INTO revisions (kind, item_id, revision, body, saved_at) VALUES ('rigs', $1, $2, $3::jsonb, now())`, {
          bind: [OWN_RIG, revision, rigOf(id)],
        });
    });
    const ids = new Set(after.own.map(({ id }) => id));
    expect([ids.has(named!.id), ids.has(earlier!.id), ids.has(rest[0]!.id)]).toEqual([true, true, false]);
    expect(after.rigs.map(nameOf)).toContain('Mine');
    expect(after.demo.length).toBe(before.demo.length);
  });

  it('comes along where somebody took a photograph of it, which is theirs', async () => {
    const before = await gearAfter(() => Promise.resolve());
    const seen = before.demo.find(({ id }) => !before.own.some((one) => one.id === id))!;
    const after = await gearAfter((sequelize) =>
      sequelize.query(`INSERT INTO photos (id, gear_id, bytes, saved_at) VALUES (gen_random_uuid(), $1, '\\xffd8ff', now())`, {
        bind: [seen.id],
      }),
    );
    expect(after.own.some(({ id }) => id === seen.id)).toBe(true);
  });
});

function whole(response: request.Response, done: (error: Error | null, body: Buffer) => void): void {
  const pieces: Buffer[] = [];
  const stream = response as unknown as NodeJS.ReadableStream;
  stream.on('data', (piece: Buffer) => pieces.push(piece)).on('end', () => done(null, Buffer.concat(pieces)));
}

it('a step that does not come to its end leaves nothing of itself, and is done whole the next time', async () => {
  const { database, drop } = await emptyDatabase();
  const { sequelize } = database;
  const step = (breaks: boolean) => ({
    name: '0001-two-tables',
    up: async (tables: QueryInterface) => {
      await tables.createTable('one', { id: { type: DataTypes.INTEGER, primaryKey: true } });
      await tables.sequelize.transaction((transaction) => tables.sequelize.query('INSERT INTO one (id) VALUES (1)', { transaction }));
      if (breaks) throw new Error('killed');
      await tables.createTable('two', { id: { type: DataTypes.INTEGER, primaryKey: true } });
    },
  });
  try {
    await expect(runMigrations(sequelize, [step(true)])).rejects.toThrow('killed');
    expect(await sequelize.getQueryInterface().tableExists('one')).toBe(false);
    await runMigrations(sequelize, [step(false)]);
    await runMigrations(sequelize, [step(true)]); // has run
    expect(await sequelize.query('SELECT id FROM one', { type: QueryTypes.SELECT })).toEqual([{ id: 1 }]);
    expect(await sequelize.getQueryInterface().tableExists('two')).toBe(true);
  } finally {
    await drop();
  }
});

it('a database that a newer version has opened is refused by a sentence, and not touched', async () => {
  const { database, drop } = await freshDatabase();
  try {
    await database.sequelize.query(`INSERT INTO migrations (name) VALUES ('9999-what-comes-later')`);
    await expect(migrate(database)).rejects.toThrow(NewerDatabase);
    await expect(migrate(database)).rejects.toThrow(
      /last opened by a newer Viaggio \(it has 9999-what-comes-later; this one ends at 0011-/,
    );
  } finally {
    await drop();
  }
});
