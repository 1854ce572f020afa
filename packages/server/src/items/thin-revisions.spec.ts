import { LOW_WATER } from '@viaggio/core/demo';
import { randomUUID } from 'node:crypto';
import { freshDatabase } from '../../testing/database';
import { thinRevisions } from './thin-revisions';

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => void (fresh = await freshDatabase()));
afterAll(() => fresh.drop());

const HOUR_MS = 3_600_000;
const NOW = new Date('2026-01-20T12:30:00Z');

/** Edits of a rig, one every so many milliseconds, the newest so long ago. */
async function edited(count: number, everyMs: number, newestAgoMs: number): Promise<string> {
  const itemId = randomUUID();
  const { body } = LOW_WATER.rigs[0]!;
  await fresh.database.revisions.bulkCreate(
    Array.from({ length: count }, (_, index) => ({
      kind: 'rigs' as const,
      itemId,
      revision: index + 1,
      body: { ...body, wantedMin: index + 1 },
      savedAt: new Date(NOW.getTime() - newestAgoMs - (count - 1 - index) * everyMs),
    })),
  );
  return itemId;
}

const revisionsOf = async (itemId: string) =>
  (await fresh.database.revisions.findAll({ where: { itemId }, order: [['revision', 'ASC']] })).map(({ revision }) => revision);

describe('older states of an item', () => {
  it('of the last day all stay', async () => {
    const itemId = await edited(1000, 1000, 0);
    await thinRevisions(fresh.database, { kind: 'rigs', itemId, now: NOW });
    expect(await revisionsOf(itemId)).toHaveLength(1000);
  });

  it('of the days before keep the last of each hour, and older ones the last of each day', async () => {
    const hours = await edited(1000, HOUR_MS / 100, 3 * 24 * HOUR_MS);
    await thinRevisions(fresh.database, { kind: 'rigs', itemId: hours, now: NOW });
    const kept = await revisionsOf(hours);
    expect(kept).toHaveLength(11);
    expect(kept.at(-1)).toBe(1000);
    const days = await edited(1000, HOUR_MS / 10, 40 * 24 * HOUR_MS);
    await thinRevisions(fresh.database, { kind: 'rigs', itemId: days, now: NOW });
    expect((await revisionsOf(days)).length).toBeLessThanOrEqual(6);
    expect((await revisionsOf(days)).at(-1)).toBe(1000);
  });

  it('of one item leave every other item’s alone; of everything, the newest of each stays', async () => {
    const [one, other] = [await edited(50, 1000, 3 * 24 * HOUR_MS), await edited(50, 1000, 3 * 24 * HOUR_MS)];
    await thinRevisions(fresh.database, { kind: 'rigs', itemId: one, now: NOW });
    expect(await revisionsOf(other)).toHaveLength(50);
    await thinRevisions(fresh.database, { now: NOW });
    expect((await revisionsOf(other)).at(-1)).toBe(50);
    const newest = await fresh.database.revisions.count({ where: { kind: 'gear' } });
    expect(newest).toBeGreaterThanOrEqual(LOW_WATER.gear.length);
  });
});
