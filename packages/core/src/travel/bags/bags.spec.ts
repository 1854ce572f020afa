import fc from 'fast-check';
import { lowWaterTrip, thingIn } from '../../../testing/packed-world';
import { build, camera, pack } from '../../../testing/rig-builder';
import type { Gear } from '../../gear/gear';
import { sayPlaced } from '../../words/en/travel/bag-words';
import { USUAL_FLIGHT_RULES } from '../rules/flight-rules';
import { withThing } from '../trip/trip-shape';
import type { Bag, Trip } from '../trip/trip-shape';
import { bagTroubles } from './bag-load';
import { packed, packedTrip, whyPlaced } from './packed-trip';
import type { PackingWorld } from './packed-trip';

const world = lowWaterTrip();
const packedWorld = (of: PackingWorld): PackingWorld => ({ ...of, trip: packed(of).trip });

describe('suggested bags', () => {
  const now = packedWorld(world);
  const { list, loads, troubles } = packedTrip(now);
  const bagOf = (name: string): string | undefined => thingIn(list.things, name).state.bagId;

  it('takes everything, nothing twice, within what each bag may weigh', () => {
    expect(list.things.filter(({ state }) => state.bagId === undefined)).toEqual([]);
    expect(loads.flatMap(({ things }) => things.map(({ id }) => id)).sort()).toEqual(list.things.map(({ id }) => id).sort());
    expect(loads.filter(({ isOver }) => isOver === true)).toEqual([]);
    expect(loads.find(({ bag }) => bag.goes === 'cabin')!.mostG).toBe(8000);
    expect(troubles).toEqual([]);
  });

  it('spare batteries in the cabin with who carries them, what may not fly by road, nothing else in the cabin', () => {
    const bags = new Map(now.trip.bags!.map((bag) => [bag.id, bag]));
    const { flight } = packedTrip(now);
    for (const { id, verdict, carriedBy } of flight.batteries) {
      const bag = bags.get(list.things.find((one) => one.id === id)!.state.bagId!)!;
      expect(bag.goes).toBe(verdict === 'never' ? 'freight' : 'cabin');
      if (verdict !== 'never') expect(bag.personId).toBe(carriedBy!.id);
    }
    const batteries = new Set(flight.batteries.map(({ id }) => id));
    expect(list.things.filter(({ id, state }) => bags.get(state.bagId!)!.goes === 'cabin' && !batteries.has(id))).toEqual([]);
  });

  it('what takes the place of a part lies in another bag than the part, and says so', () => {
    const pairs = list.things.flatMap((thing) =>
      thing.standsInFor.map((part) => [thing, list.things.find(({ id }) => id === part)!] as const),
    );
    expect(pairs.length).toBeGreaterThan(3);
    for (const [thing, part] of pairs) expect(`${thing.title} ${thing.state.bagId}`).not.toBe(`${thing.title} ${part.state.bagId}`);
    const words = [...whyPlaced(now).values()].map(sayPlaced);
    expect(words).toContainEqual(expect.stringMatching(/^spare battery: in the cabin, carried by /));
    expect(words).toContain('may not fly');
  });

  it('what was put by hand stays; all anew moves it', () => {
    const v2 = thingIn(list.things, 'V2').id;
    const other = now.trip.bags!.find(({ id, goes }) => goes === 'cabin' && id !== bagOf('V2'))!.id;
    const moved = { ...now, trip: withThing(now.trip, v2, { bagId: other }) };
    expect(packed(moved).trip.things!.find(({ id }) => id === v2)!.bagId).toBe(other);
    expect(packed(moved, true).trip.things!.find(({ id }) => id === v2)!.bagId).not.toBe(other);
  });

  it('without a bag that may take it, it lies in none and says why', () => {
    const bags = world.trip.bags!.filter(({ goes }) => goes !== 'freight');
    const { suggestion } = packed({ ...world, trip: { ...world.trip, bags } });
    expect(suggestion.left.map(({ title, why }) => `${title.slice(0, 2)} ${why}`).sort()).toEqual(['P1 no-such-bag', 'V5 no-such-bag']);
  });

  it('what nobody may carry any more lies in none and says so', () => {
    const rules = new Map([...world.rules].map(([id, one]) => [id, { ...one, banks: 0 }]));
    const { suggestion } = packed({ ...world, rules });
    expect(suggestion.left.map(({ title, why }) => `${title.slice(0, 2)} ${why}`).sort()).toEqual(['B1 nobody', 'B3 nobody', 'B5 nobody']);
  });

  it('a spare in the hold and what may not fly in a plane are told', () => {
    const wrong = ['V2', 'V5'].reduce((trip, tag) => withThing(trip, thingIn(list.things, tag).id, { bagId: 'case-a' }), now.trip);
    const found = packedTrip({ ...now, trip: wrong }).troubles.map(({ is, title }) => `${is} ${title.slice(0, 2)}`);
    expect(found.sort()).toEqual(['never-in-plane V5', 'spare-in-hold V2']);
  });
});

describe('a bag that does not arrive', () => {
  it('stops the rigs whose parts were in it, unless something elsewhere takes their place', () => {
    const now = packedWorld(world);
    const { list, lost } = packedTrip(now);
    const of = (name: string) => lost.find(({ bag }) => bag.name === name)!;
    const bag = now.trip.bags!.find(({ id }) => id === thingIn(list.things, 'V3').state.bagId)!;
    expect(of(bag.name).runs.map(({ rig }) => rig)).toContain('Wheelhouse, everything on one V-mount');
    expect(of('Crate on the supply boat').stops.map(({ rig }) => rig)).toEqual(['Breakwater']);
  });

  it('a rig that a second battery in another bag feeds runs on it; with both in one bag it does not', () => {
    const { list } = packedTrip(packedWorld(world));
    const [k2, k4] = [thingIn(list.things, 'K2').id, thingIn(list.things, 'K4').id];
    const stills = (first: string, second: string) => {
      const trip = withThing(withThing({ ...world.trip }, k2, { bagId: first }), k4, { bagId: second });
      const { stops } = packedTrip({ ...world, trip }).lost.find(({ bag }) => bag.id === first)!;
      return stops.map(({ rig }) => rig);
    };
    expect(stills('siv-bag', 'ine-bag')).toEqual([]);
    expect(stills('siv-bag', 'siv-bag')).toEqual(['Stills with the grip']);
  });

  it('a stand-in takes the place of one part only, and of none from the same bag', () => {
    const parts = {
      one: pack({ name: 'One' }),
      two: pack({ name: 'Two' }),
      three: pack({ name: 'Three' }),
      a: camera({ name: 'A' }),
      b: camera({ name: 'B' }),
    };
    const { gear } = build(parts, []);
    const link = (battery: string, device: string) => ({ from: { gearId: battery, portId: 'out' }, to: { gearId: device, portId: 'in' } });
    const rig = { name: 'Both', devices: [{ gearId: 'a' }, { gearId: 'b' }], links: [link('one', 'a'), link('two', 'b')] };
    const bags: Bag[] = [{ id: 'x', name: 'X', goes: 'hold' }, { id: 'y', name: 'Y', goes: 'hold' }]; // prettier-ignore
    const things = [{ id: 'one', bagId: 'x' }, { id: 'two', bagId: 'x' }, { id: 'three', bagId: 'y' }, { id: 'a', bagId: 'y' }, { id: 'b', bagId: 'y' }]; // prettier-ignore
    const of = (more: readonly string[], lying: readonly { readonly id: string; readonly bagId: string }[] = things) => packedTrip({ trip: { name: 'T', rigIds: ['r'], gearIds: more, bags, things: lying }, gear, rigs: new Map([['r', rig]]), days: new Map(), rules: new Map(), today: '2026-01-11' }).lost[0]!; // prettier-ignore
    expect(of([]).stops[0]!.lost).toHaveLength(2);
    const together = things.map((one) => (one.id === 'three' ? { ...one, bagId: 'x' } : one));
    expect(of(['three'], together).stops[0]).toMatchObject({ lost: [{ id: 'one' }, { id: 'two' }], saved: [] });
    expect(of(['three']).stops[0]).toMatchObject({ lost: [{ id: 'two' }], saved: [{ part: { id: 'one' }, by: { id: 'three' } }] });
  });
});

describe('laws of packing', () => {
  const ids = [...world.gear.keys()];
  const bag = fc.record({
    goes: fc.constantFrom('cabin' as const, 'hold' as const, 'freight' as const),
    mostG: fc.option(fc.integer({ min: 500, max: 20_000 }), { nil: undefined }),
    personId: fc.option(fc.constantFrom('ine', 'tobb'), { nil: undefined }),
  });
  const trips = fc.record({
    gearIds: fc.uniqueArray(fc.constantFrom(...ids), { maxLength: 30 }),
    bags: fc.array(bag, { maxLength: 5 }),
    isFlying: fc.boolean(),
    people: fc.integer({ min: 0, max: 2 }),
  });
  const tripOf = ({ gearIds, bags, isFlying, people }: { gearIds: readonly string[]; bags: readonly { goes: Bag['goes']; mostG: number | undefined; personId: string | undefined }[]; isFlying: boolean; people: number }): Trip => ({
    name: 'Law',
    gearIds,
    people: [{ id: 'ine', name: 'Ine' }, { id: 'tobb', name: 'Tobb' }].slice(0, people),
    legs: isFlying ? [{ id: 'l', name: 'L', by: 'air' }] : [],
    bags: bags.map(({ goes, mostG, personId }, index) => ({ id: `b${index}`, name: `B${index}`, goes, ...(mostG !== undefined && { mostG }), ...(personId !== undefined && { personId }) })),
  }); // prettier-ignore

  it('nothing lost, nothing twice, limits and rules kept', () => {
    fc.assert(
      fc.property(trips, (made) => {
        const of: PackingWorld = { ...world, trip: tripOf(made) };
        const { trip, suggestion } = packed(of);
        const { list, loads, flight } = packedTrip({ ...of, trip });
        const placed = list.things.filter(({ state }) => state.bagId !== undefined);
        expect(placed.length + suggestion.left.length).toBe(list.things.length);
        expect(loads.every(({ isOver }) => isOver !== true)).toBe(true);
        expect(bagTroubles(trip, list, flight).filter(({ is }) => is !== 'not-in-a-bag')).toEqual([]);
        // who kept every limit before still does
        const before = packedTrip(of).flight.short.filter(({ code }) => code === 'person-over');
        if (before.length === 0) expect(flight.short.filter(({ code }) => code === 'person-over')).toEqual([]);
        for (const { why, id } of suggestion.left)
          if (why === 'no-such-bag')
            expect(
              trip.bags!.some(({ goes }) => goes === 'freight') || flight.batteries.some((one) => one.id === id) || trip.bags!.length === 0,
            ).toBe(true);
      }),
      { numRuns: 60, seed: 17 },
    );
  });
});

it('five hundred things and ten bags are packed', () => {
  const gear = new Map<string, Gear>(world.gear);
  const some = [...world.gear.values()].filter(({ kind }) => kind === 'battery' || kind === 'cable');
  for (let at = 0; at < 460; at++) gear.set(`more-${at}`, { ...some[at % some.length]!, tag: `M${at}` });
  const bags: Bag[] = Array.from({ length: 10 }, (_, at) => ({ id: `b${at}`, name: `B${at}`, goes: at < 6 ? 'cabin' : at < 9 ? 'hold' : 'freight' }));
  const people = Array.from({ length: 40 }, (_, at) => ({ id: `p${at}`, name: `P${at}` }));
  const many: PackingWorld = { ...world, gear, rules: new Map([...world.rules].map(([id]) => [id, USUAL_FLIGHT_RULES])), trip: { ...world.trip, bags, people, gearIds: [...gear.keys()].slice(-460) } };
  const { trip, suggestion } = packed(many);
  const { list } = packedTrip({ ...many, trip });
  expect(list.things.length).toBeGreaterThan(500);
  expect(suggestion.bags.size + suggestion.left.length).toBe(list.things.length);
}); // prettier-ignore
