import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { appOn, freshDatabase } from '../../testing/database';
import { MOST_PHOTOS } from './photo-service';

let app: ReturnType<typeof appOn>;
let drop: () => Promise<void>;
beforeAll(async () => {
  const fresh = await freshDatabase();
  app = appOn(fresh.database);
  ({ drop } = fresh);
});
afterAll(() => drop());

const JPEG = Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3, 0xff, 0xd9]);
const LEAD = { kind: 'cable', name: 'Lead', ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } };
async function gear(): Promise<string> {
  const id = randomUUID();
  await request(app)
    .post('/api/changes')
    .send({ gear: [{ id, body: LEAD }] })
    .expect(200);
  return id;
}
const put = (id: string, gearId: string, bytes: Buffer = JPEG, type = 'image/jpeg') =>
  request(app).put(`/api/photos/${id}`).query({ gear: gearId }).set('Content-Type', type).send(bytes);
const listed = async (gearId: string): Promise<readonly string[]> => {
  const { body } = await request(app).get(`/api/gear/${gearId}/photos`).expect(200);
  return (body as { id: string }[]).map(({ id }) => id);
};

describe('photographs of gear', () => {
  it('are kept as they came, listed with their gear, and taken away', async () => {
    const [own, id, other] = [await gear(), randomUUID(), randomUUID()];
    await put(id, own).expect(204);
    await put(other, own).expect(204);
    expect(await listed(own)).toEqual([id, other]);
    expect(await listed(await gear())).toEqual([]);
    const { body, headers } = await request(app).get(`/api/photos/${id}`).buffer().expect(200);
    expect(headers['content-type']).toBe('image/jpeg');
    expect(Buffer.compare(body as Buffer, JPEG)).toBe(0);
    await request(app).delete(`/api/photos/${id}`).expect(204);
    await request(app).delete(`/api/photos/${id}`).expect(404);
    await request(app).get(`/api/photos/${id}`).expect(404);
    expect(await listed(own)).toEqual([other]);
    // what was taken away can be put back as it was
    await put(id, own).expect(204);
  });

  it('that are something else, too large, of no gear, or there already are refused, and nothing is kept', async () => {
    const [own, id] = [await gear(), randomUUID()];
    await put(id, own, Buffer.from('GIF89a')).expect(400);
    await put(id, own, JPEG, 'image/png').expect(400);
    await put(id, own, Buffer.concat([JPEG, Buffer.alloc(3 * 1024 * 1024)])).expect(413);
    await put(id, 'nothing').expect(400);
    await put(id, randomUUID()).expect(404);
    expect(await listed(own)).toEqual([]);
    await put(id, own).expect(204);
    await put(id, own).expect(409);
  });

  it('of one piece of gear are no more than there may be, whoever comes at once', async () => {
    const own = await gear();
    const answers = await Promise.all(Array.from({ length: MOST_PHOTOS + 3 }, () => put(randomUUID(), own)));
    expect(answers.filter(({ status }) => status === 204)).toHaveLength(MOST_PHOTOS);
    expect(answers.filter(({ status }) => status === 400)).toHaveLength(3);
    expect(await listed(own)).toHaveLength(MOST_PHOTOS);
  });
});
