import { lowWaterTrip, thingIn } from '../../../testing/packed-world';
import { build, camera, dummy, pack, wire } from '../../../testing/rig-builder';
import type { Gear } from '../../gear/gear';
import { drawnRig } from '../../rig/drawn/drawn-rig';
import { sayLack, sayWhy } from '../../words/en/travel/list-words';
import { packingList } from './packing-list';
import type { TripWorld } from './packing-list';
import { standsIn } from './stands-in';

describe('what goes along, and why', () => {
  const world = lowWaterTrip();
  const list = packingList(world);
  const whyOf = (name: string): string => thingIn(list.things, name).why.map(sayWhy).join('; ');

  it('every part of every rig of the days once, with each reason', () => {
    expect(whyOf('Skuadon 60')).toBe('Wheelhouse, everything on one V-mount; Galley, two cameras on mains');
    expect(whyOf('V6')).toMatch(/^spare for V3: Holmvik 147, Wheelhouse.*; planned with on “Day 2, out with the pilots”$/);
    expect(whyOf('V2')).toMatch(/^fallback behind Quay mains supply 15 V, Galley/);
    expect(whyOf('Charger S, two slots')).toBe('charges at Guest house');
    expect(whyOf('Inline USB meter')).toBe('volts, amps and draw');
    const ids = list.things.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('names nothing that the rigs, the days and the person do not', () => {
    const named = new Set([...world.rigs.values()].flatMap(({ devices, links, batteries = [] }) => [
      ...devices.map(({ gearId }) => gearId),
      ...links.flatMap(({ from, to, cableId }) => [from.gearId, to.gearId, cableId ?? '']),
      ...batteries.flatMap(({ spareIds = [] }) => spareIds),
    ])); // prettier-ignore
    const day = [...world.days.values()][0]!;
    for (const { gearId } of [...(day.batteries ?? []), ...(day.chargers ?? [])]) named.add(gearId);
    const own = new Set(world.trip.own!.map(({ id }) => id));
    expect(list.things.filter(({ id }) => !named.has(id) && !own.has(id))).toEqual([]);
  });

  it('an outlet of a boat stays where it is', () => {
    const outlet = [...world.gear].find(([, { kind, name }]) => kind === 'supply' && name.startsWith('Pilot boat'))!;
    const with_ = packingList({ ...world, trip: { ...world.trip, gearIds: [outlet[0]] } });
    expect(with_.there.map(({ title }) => title)).toEqual([outlet[1].name]);
    expect(with_.things.some(({ id }) => id === outlet[0])).toBe(false);
  });

  it('what a single failure would need and is not there, and what would do', () => {
    const says = list.lacks.map((lack) => sayLack(lack));
    expect(says).toContain(
      'If Adapter M from D-tap, second fails, Skuadon 60 stops (Wheelhouse, everything on one V-mount). Take Adapter M from D-tap along.',
    );
    expect(says).toContain('Nothing on the list charges P1: Ballast 12 V lead-acid. No charger in the kit fits it.');
    const help = list.lacks.flatMap((lack) => (lack.is === 'no-stand-in' ? lack.inKit.map(({ id }) => id) : []));
    const after = packingList({ ...world, trip: { ...world.trip, gearIds: help } });
    // what was taken along takes away the lack that it was taken for
    expect(after.lacks.filter((lack) => lack.is === 'no-stand-in' && lack.inKit.length > 0)).toEqual([]);
    expect(after.lacks.length).toBeLessThan(list.lacks.length);
  });

  it('what nobody uses is told, unless it can stand in', () => {
    const camera = [...world.gear].find(([, { name }]) => name === 'Plovera R')![0];
    const { unused } = packingList({ ...world, trip: { ...world.trip, gearIds: [camera] } });
    expect(unused).toEqual([camera]);
  });

  it('gear that is lent, lost or broken is told; what is gone is named', () => {
    const v3 = [...world.gear].find(([, { tag }]) => tag === 'V3')!;
    const lent = packingList({ ...world, gear: new Map([...world.gear, [v3[0], { ...v3[1], away: 'lent' as const }]]) });
    expect(lent.lacks.map((lack) => sayLack(lack))).toContain('V3: Holmvik 147 is lent.');
    const gone = packingList({ ...world, trip: { name: 'Out', dayIds: ['0d0c0000-0000-4000-8000-000000000000'] } });
    expect(gone).toMatchObject({ things: [], lacks: [{ is: 'gone', what: 'day' }] });
  });
});

describe('what takes the place of a part', () => {
  const { rig, gear } = build({ battery: pack(), camera: camera(), lead: wire({ maxA: 5 }) }, [['battery.out', 'camera.in', 'lead']]);
  const drawn = drawnRig(rig, gear);
  const lead = { ...drawn.parts.get('battery')!, id: 'lead', gear: gear.get('lead')! };
  it.each<[string, Gear, boolean]>([
    ['a lead of the same ends and more amps', wire({ maxA: 8 }), true],
    ['one of less', wire({ maxA: 4 }), false],
    ['one whose amps are not entered', wire({ maxA: undefined }), false],
    ['one crossed inside', wire({ crossed: true }), false],
    ['one with another end', wire({ ends: { source: { type: 'd-tap' }, load: { type: 'xlr4' } } }), false],
    ['one that is lent', wire({ away: 'lent' }), false],
    ['one changed by hand', wire({ changedByHand: [{ at: '2026-01-02', what: 'shortened' }] }), false],
    ['an adapter', dummy(), false],
  ])('%s: %s', (_what, body, expected) => expect(standsIn(drawn, lead, 'other', body)).toBe(expected));

  it('a battery of other cells does not', () => {
    const battery = drawn.parts.get('battery')!;
    expect(standsIn(drawn, battery, 'b', pack({ energyWh: 40 }))).toBe(true);
    expect(standsIn(drawn, battery, 'b', pack({ cellsInSeries: 3 }))).toBe(false);
    expect(standsIn(drawn, battery, 'battery', pack())).toBe(false);
  });
});

it('a spare that another rig needs stands in for none; left at home it does not either', () => {
  const parts = { one: pack({ name: 'One' }), two: pack({ name: 'Two' }), a: camera({ name: 'A' }), b: camera({ name: 'B' }) };
  const { gear } = build(parts, []);
  const rig = (name: string, battery: string, device: string) => ({
    name,
    devices: [{ gearId: device }],
    links: [{ from: { gearId: battery, portId: 'out' }, to: { gearId: device, portId: 'in' } }],
  });
  const world = (gearIds: readonly string[], left = false): TripWorld => ({
    trip: { name: 'Out', rigIds: ['ra', ...(gearIds.length === 0 ? ['rb'] : [])], gearIds, ...(left && { things: [{ id: 'two', left: true }] }) },
    gear,
    rigs: new Map([['ra', rig('A', 'one', 'a')], ['rb', rig('B', 'two', 'b')]]),
    days: new Map(),
  }); // prettier-ignore
  const standIns = (of: TripWorld) =>
    packingList(of).things.flatMap(({ id, standsInFor }) => standsInFor.map((part) => `${id} for ${part}`));
  expect(standIns(world([]))).toEqual([]);
  expect(packingList(world([])).lacks[0]).toMatchObject({ fromRig: { rig: 'B' } });
  expect(standIns(world(['two']))).toEqual(['two for one']);
  expect(standIns(world(['two'], true))).toEqual([]);
});
