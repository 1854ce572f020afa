import { LOW_WATER, LOW_WATER_DAY, LOW_WATER_LOG } from '@viaggio/core/demo';
import { initialItems, putSaved } from '../state/items';
import { find, findables } from './search-index';

const saved = <T>({ id, body }: { readonly id: string; readonly body: T }) => ({
  id,
  body,
  revision: 1,

  updatedAt: '',
});
const items = putSaved(initialItems, {
  gear: LOW_WATER.gear.map(saved),
  rigs: LOW_WATER.rigs.map(saved),
  days: [saved(LOW_WATER_DAY)],
  log: LOW_WATER_LOG.map(saved),
});
const all = findables(items);
const titles = (typed: string) => find(typed, all, 30).map(({ title }) => title);

describe('the search over everything', () => {
  it('finds a tag before a name, and a name before what is said about it', () => {
    expect(titles('v4')[0]).toBe('V4: Holmvik 49');
    expect(titles('stills')[0]).toBe('Stills');
    expect(titles('stills')).toContain('Stills with the grip');
  });

  it('finds gear, rigs, days, entries and acts, by every word that is typed', () => {
    const kinds = new Set(all.map(({ about }) => about.split(' · ')[0]));
    for (const kind of ['View', 'Action', 'Battery', 'Rig', 'Day', 'Log']) expect(kinds).toContain(kind);
    expect(titles('wheelhouse small')[0]).toBe('Wheelhouse on the small battery');
    expect(titles('no such thing')).toEqual([]);
  });

  it('offers views and acts while nothing is typed, and no more than are asked for', () => {
    expect(find(' ', all, 30).every(({ about }) => about === 'View' || about === 'Action')).toBe(true);
    expect(find('a', all, 3)).toHaveLength(3);
  });
});
