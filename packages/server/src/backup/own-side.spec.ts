import { byKind } from '@viaggio/core/document';
import { LOW_WATER } from '@viaggio/core/demo';
import { randomUUID } from 'node:crypto';
import type { State } from './backup-format';
import { ownSide } from './own-side';

/** Backups of version 1, in which the demo crew's things lay among a person's own. */
const at = '2026-01-12T10:00:00.000Z';
const state = { revision: 1, createdAt: at, updatedAt: at };
interface Kept extends State {
  readonly body: object;
}
const kept = ({ id, body }: { readonly id: string; readonly body: object }): Kept => ({ ...state, id, body, origin: 'demo' });
const shipped = LOW_WATER.gear.map(kept);
const rigs = LOW_WATER.rigs.map(kept);
const all = (gear: readonly Kept[], ofRigs = rigs) => byKind((kind): readonly Kept[] => ({ gear, rigs: ofRigs })[kind as 'gear'] ?? []);

const none: ReadonlySet<string> = new Set();

describe('of an older backup comes', () => {
  it('nothing that ships with every installation', () => {
    expect(Object.values(ownSide(all(shipped), none)).flat()).toEqual([]);
  });

  it('what was changed among it, and not what was put back', () => {
    const [first, second, ...others] = shipped;
    const changed = { ...first!, revision: 2, body: { ...first!.body, name: 'Mine' } };
    const back = { ...second!, revision: 3 };
    expect(ownSide(all([changed, back, ...others]), none).gear).toEqual([changed]);
  });

  it('what somebody took a photograph of', () => {
    const [seen] = shipped;
    expect(ownSide(all(shipped), new Set([seen!.id])).gear).toEqual([seen]);
  });

  it('what is one’s own, with what it names', () => {
    const mine: Kept = { ...rigs[0]!, id: randomUUID(), origin: 'own' };
    const own = ownSide(all(shipped, [...rigs, mine]), none);
    expect(own.rigs).toEqual([mine]);
    const { devices, links } = mine.body as { devices: { gearId: string }[]; links: { from: { gearId: string } }[] };
    const ids = new Set(own.gear.map(({ id }) => id));
    for (const id of [...devices.map(({ gearId }) => gearId), ...links.map(({ from }) => from.gearId)]) expect(ids.has(id)).toBe(true);
    expect(own.gear.length).toBeLessThan(shipped.length);
  });
});

it('of a newer backup comes all of it', () => {
  const newer = shipped.map(({ origin: _origin, ...one }): Kept => one);
  expect(
    ownSide(
      byKind((kind): readonly Kept[] => (kind === 'gear' ? newer : [])),
      none,
    ).gear,
  ).toEqual(newer);
});
