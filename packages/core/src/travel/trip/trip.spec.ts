import fc from 'fast-check';
import { mergeTrips } from './merge-trips';
import { namedByTrip, stateOf, withThing } from './trip-shape';
import type { Trip } from './trip-shape';

const base: Trip = { name: 'Out', bags: [{ id: 'a', name: 'A', goes: 'cabin' }], things: [{ id: 'V1', bagId: 'a' }] };

describe('two people at once', () => {
  const ticked = (trip: Trip, id: string, at: string): Trip => withThing(trip, id, { out: at });
  it('what each ticked counts', () => {
    const merged = mergeTrips(base, ticked(base, 'V1', '2026-01-11T18:00:00Z'), ticked(base, 'V2', '2026-01-11T18:00:01Z'))!;
    expect(merged.things).toEqual([{ id: 'V1', bagId: 'a', out: '2026-01-11T18:00:00Z' }, { id: 'V2', out: '2026-01-11T18:00:01Z' }]); // prettier-ignore
  });
  it('a tick and a move of the same thing both count', () => {
    const merged = mergeTrips(base, ticked(base, 'V1', '2026-01-11T18:00:00Z'), withThing(base, 'V1', { bagId: 'b' }))!;
    expect(stateOf(merged, 'V1')).toEqual({ id: 'V1', bagId: 'b', out: '2026-01-11T18:00:00Z' });
  });
  it('of the same thing in two bags a person decides', () => {
    expect(mergeTrips(base, withThing(base, 'V1', { bagId: 'b' }), withThing(base, 'V1', { bagId: 'c' }))).toBeUndefined();
  });
  it('a bag that one removed and the other renamed is asked about; one that nobody else touched goes', () => {
    const without: Trip = { ...base, bags: [] };
    expect(mergeTrips(base, without, { ...base, bags: [{ id: 'a', name: 'Mine', goes: 'cabin' }] })).toBeUndefined();
    expect(mergeTrips(base, without, { ...base, name: 'Home' })).toEqual({ ...base, bags: [], name: 'Home' });
  });

  const ids = ['V1', 'V2', 'V3', 'V4'];
  const acts = fc.array(fc.record({ id: fc.constantFrom(...ids), on: fc.boolean() }), { maxLength: 6 });
  const after = (trip: Trip, done: readonly { id: string; on: boolean }[]): Trip =>
    done.reduce((next, { id, on }) => withThing(next, id, { out: on ? '2026-01-11T18:00:00Z' : undefined }), trip);
  it('law: ticks of different things never meet, in whatever order they come', () => {
    fc.assert(
      fc.property(acts, acts, (mine, theirs) => {
        const own = mine.filter(({ id }) => ids.indexOf(id) < 2);
        const other = theirs.filter(({ id }) => ids.indexOf(id) >= 2);
        const merged = mergeTrips(base, after(base, own), after(base, other))!;
        const both = after(after(base, own), other);
        const states = (trip: Trip) => ids.map((id) => stateOf(trip, id));
        expect(states(merged)).toEqual(states(both));
        expect(states(mergeTrips(base, after(base, other), after(base, own))!)).toEqual(states(both));
      }),
      { numRuns: 200, seed: 17 },
    );
  });
});

it('a thing of which nothing is said any more is left out', () => {
  expect(withThing(base, 'V1', { bagId: undefined }).things).toEqual([]);
  expect(withThing(base, 'V9', { left: false }).things).toEqual(base.things);
});

it('names days, rigs, gear and rules by where they stand', () => {
  const trip: Trip = { name: 'Out', dayIds: ['d'], rigIds: ['r'], gearIds: ['g'], legs: [{ id: 'l', name: 'L', by: 'air', rulesId: 'u' }, { id: 'm', name: 'M', by: 'boat' }] }; // prettier-ignore
  expect(namedByTrip(trip).map(({ path, kind }) => `${kind} ${path}`)).toEqual([
    'days /dayIds/0',
    'rigs /rigIds/0',
    'gear /gearIds/0',
    'rules /legs/0/rulesId',
  ]);
});
