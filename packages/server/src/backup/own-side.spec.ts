import { byKind } from '@viaggio/core/document';
import { LOW_WATER } from '@viaggio/core/demo';
import { randomUUID } from 'node:crypto';
import { ownSide } from './own-side';

/** Backups of version 1, in which the demo crew's things lay among a person's own. */
const at = '2026-01-12T10:00:00.000Z';
const state = { revision: 1, createdAt: at, updatedAt: at };
const shipped = LOW_WATER.gear.map(({ id, body }) => ({ ...state, id, body: body as object, origin: 'demo' as const }));
const rigs = LOW_WATER.rigs.map(({ id, body }) => ({ ...state, id, body: body as object, origin: 'demo' as const }));
const all = (gear: readonly (typeof shipped)[number][], ofRigs: readonly Kept[] = rigs) =>
  byKind((kind) => (kind === 'gear' ? gear : kind === 'rigs' ? ofRigs : [])) as Parameters<typeof ownSide<Kept>>[0];
type Kept = Omit<(typeof shipped)[number], 'origin'> & { readonly origin?: 'demo' | 'own' };

describe('of an older backup comes', () => {
  it('nothing that ships with every installation', () => {
    expect(Object.values(ownSide(all(shipped))).flat()).toEqual([]);
  });

  it('what was changed among it, and not what was put back', () => {
    const [first, second, ...others] = shipped;
    const changed = { ...first!, revision: 2, body: { ...first!.body, name: 'Mine' } };
    const back = { ...second!, revision: 3 };
    expect(ownSide(all([changed, back, ...others])).gear).toEqual([changed]);
  });

  it('what is one’s own, with what it names', () => {
    const mine = { ...rigs[0]!, id: randomUUID(), origin: 'own' as const };
    const kept = ownSide(all(shipped, [...rigs, mine]));
    expect(kept.rigs).toEqual([mine]);
    const { devices, links } = mine.body as { devices: { gearId: string }[]; links: { from: { gearId: string } }[] };
    const ids = new Set(kept.gear.map(({ id }) => id));
    for (const id of [...devices.map(({ gearId }) => gearId), ...links.map(({ from }) => from.gearId)]) expect(ids.has(id)).toBe(true);
    expect(kept.gear.length).toBeLessThan(shipped.length);
  });
});

it('of a newer backup comes all of it', () => {
  const newer = shipped.map(({ origin: _origin, ...one }) => one);
  expect(ownSide(byKind((kind) => (kind === 'gear' ? newer : [])) as never).gear).toEqual(newer);
});
