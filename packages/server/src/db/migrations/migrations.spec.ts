import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { freshDatabase } from '../../../testing/database';
import { up as linksUp } from './0002-links-and-plan-rest';
import { up as daysUp } from './0004-days';
import { up as segmentsUp } from './0005-segments';

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => void (fresh = await freshDatabase()));
afterAll(() => fresh.drop());

describe('0002: links', () => {
  it('turns rigs of the first version into links, in every revision, and leaves new ones alone', async () => {
    const { sequelize } = fresh.database;
    const [id, other] = [randomUUID(), randomUUID()];
    const old = { name: 'Old', deviceId: 'd', inputId: 'in', batteryId: 'b', outputId: 'out', wantedMin: 60 };
    const next = { name: 'New', devices: [{ gearId: 'd' }], links: [] };
    const now = new Date().toISOString();
    for (const [one, body] of [[id, old], [other, next]] as const) {
      await sequelize.query(`INSERT INTO rigs (id, revision, body, created_at, updated_at) VALUES ($1, 1, $2::jsonb, $3, $3)`, {
        bind: [one, JSON.stringify(body), now],
      });
      await sequelize.query(`INSERT INTO revisions (kind, item_id, revision, body, saved_at) VALUES ('rigs', $1, 1, $2::jsonb, $3)`, {
        bind: [one, JSON.stringify(body), now],
      });
    }
    await sequelize.query('DROP TABLE plan_rests');
    await linksUp(sequelize.getQueryInterface());
    const bodies = async (table: string, column: string, one: string) =>
      (await sequelize.query<{ body: object }>(`SELECT body FROM ${table} WHERE ${column} = $1`, { bind: [one], type: QueryTypes.SELECT })).map(({ body }) => body);
    const links = [{ from: { gearId: 'b', portId: 'out' }, to: { gearId: 'd', portId: 'in' } }];
    expect(await bodies('rigs', 'id', id)).toEqual([{ name: 'Old', wantedMin: 60, devices: [{ gearId: 'd' }], links }]);
    expect(await bodies('revisions', 'item_id', id)).toEqual([{ name: 'Old', wantedMin: 60, devices: [{ gearId: 'd' }], links }]);
    expect(await bodies('rigs', 'id', other)).toEqual([next]);
  });
}); // prettier-ignore

describe('0004: days', () => {
  it('keeps what earlier documents held as days, and loses nothing beside it', async () => {
    const { sequelize } = fresh.database;
    const insert = (body: object) =>
      sequelize.query('INSERT INTO plan_rests (body, imported_at) VALUES ($1::jsonb, $2)', { bind: [JSON.stringify(body), new Date().toISOString()] });
    await sequelize.query('DELETE FROM plan_rests');
    await insert({ name: 'A', days: [{ run: 1 }], aside: [{ path: '/mood', value: 'calm' }] });
    await insert({ name: 'B', days: [], aside: [] });
    await sequelize.query('DROP TABLE days');
    await daysUp(sequelize.getQueryInterface());
    const rows = await sequelize.query<{ body: object }>('SELECT body FROM plan_rests ORDER BY id', { type: QueryTypes.SELECT });
    expect(rows.map(({ body }) => body)).toEqual([
      { name: 'A', aside: [{ path: '/mood', value: 'calm' }, { path: '/earlierDays', value: [{ run: 1 }] }] },
      { name: 'B', aside: [] },
    ]);
    expect(await sequelize.query('SELECT * FROM days', { type: QueryTypes.SELECT })).toEqual([]);
  });
}); // prettier-ignore

describe('0005: segments', () => {
  it('renames what was called a stretch in every kept state, and touches nothing else', async () => {
    const { sequelize } = fresh.database;
    const now = new Date().toISOString();
    const [observation, recording] = [randomUUID(), randomUUID()];
    const kept = [
      ['log', observation, { kind: 'stretch', meanW: 12 }],
      ['recordings', recording, { name: 'Deck', stretches: [{ fromS: 0, toS: 60 }] }],
    ] as const;
    for (const [table, id, body] of kept) {
      const bind = [id, JSON.stringify(body), now];
      await sequelize.query(
        `INSERT INTO ${table} (id, revision, body, created_at, updated_at, deleted_at) VALUES ($1, 1, $2::jsonb, $3, $3, $3)`,
        { bind },
      );
      await sequelize.query(`INSERT INTO revisions (kind, item_id, revision, body, saved_at) VALUES ('${table}', $1, 1, $2::jsonb, $3)`, {
        bind,
      });
    }
    const others = () =>
      sequelize.query('SELECT kind, item_id, body FROM revisions WHERE item_id NOT IN ($1, $2) ORDER BY kind, item_id, revision', {
        bind: [observation, recording],
        type: QueryTypes.SELECT,
      });
    const before = await others();
    await segmentsUp(sequelize.getQueryInterface());
    await segmentsUp(sequelize.getQueryInterface()); // twice does no harm
    for (const [table, id, body] of [
      ['log', observation, { kind: 'segment', meanW: 12 }],
      ['recordings', recording, { name: 'Deck', segments: [{ fromS: 0, toS: 60 }] }],
    ] as const) {
      const read = async (sql: string) =>
        (await sequelize.query<{ body: object }>(sql, { bind: [id], type: QueryTypes.SELECT })).map((row) => row.body);
      expect(await read(`SELECT body FROM ${table} WHERE id = $1`)).toEqual([body]);
      expect(await read('SELECT body FROM revisions WHERE item_id = $1')).toEqual([body]);
    }
    expect(await others()).toEqual(before);
  });
});
