import { LOW_WATER, LOW_WATER_DAY, LOW_WATER_TRIPS } from '@viaggio/core/demo';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';

let app: ReturnType<typeof appOn>;
let drop: () => Promise<void>;
beforeAll(async () => {
  const fresh = await freshDatabase();
  app = appOn(fresh.database);
  ({ drop } = fresh);
  await request(app).post('/api/demo/reset').expect(200);
});
afterAll(() => drop());

const NOBODY = '0d0c0000-0000-4000-8000-0000000fffff';
const order = (what: 'power-sheet' | 'tags', body: object) => request(app).post(`/api/prints/${what}`).send(body).buffer();

describe('sheets that the server makes', () => {
  it('a power sheet of a day, with a name to save it under', async () => {
    const { headers, body } = await order('power-sheet', { dayId: LOW_WATER_DAY.id, tripId: LOW_WATER_TRIPS[0]!.id, paper: 'a4' }).expect(
      200,
    );
    expect(headers['content-type']).toBe('application/pdf');
    expect(headers['content-disposition']).toContain('Power sheet, Day 2, out with the pilots.pdf');
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  });

  it('tags of gear', async () => {
    const { body } = await order('tags', { gearIds: LOW_WATER.gear.slice(0, 3).map(({ id }) => id), format: 'one-62', origin: 'http://127.0.0.1:4377' }).expect(200); // prettier-ignore
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  });

  it.each<[string, 'power-sheet' | 'tags', object, number, RegExp]>([
    ['a day that is not there', 'power-sheet', { dayId: NOBODY, paper: 'a4' }, 404, /No day/],
    ['a trip that is not there', 'power-sheet', { tripId: NOBODY, paper: 'a4' }, 404, /No trip/],
    ['a rig that is not there', 'power-sheet', { rigIds: [NOBODY], paper: 'a4' }, 404, /No rig/],
    ['another paper', 'power-sheet', { paper: 'a3' }, 422, /a4/],
    ['gear that is not there', 'tags', { gearIds: [NOBODY], format: 'one-62', origin: 'http://x' }, 404, /No gear/],
    ['no gear', 'tags', { gearIds: [], format: 'one-62', origin: 'http://x' }, 422, /1/],
    [
      'an address that leads elsewhere',
      'tags',
      { gearIds: [NOBODY], format: 'one-62', origin: 'javascript:alert(1)' },
      422,
      /an address such as/,
    ],
  ])('%s is refused by its name', async (_what, path, body, status, says) => {
    const answer = await order(path, body).expect(status);
    expect(JSON.stringify(answer.body)).toMatch(says);
  });
});
