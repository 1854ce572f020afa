import { lowWaterTrip, thingIn } from '../../../testing/packed-world';
import { pack } from '../../../testing/rig-builder';
import { spoken } from '../../../testing/spoken';
import type { Battery, Gear } from '../../gear/gear';
import { printedEnergy } from '../../gear/kit/printed';
import { packedTrip } from '../bags/packed-trip';
import type { PackingWorld } from '../bags/packed-trip';
import { strictestRules, USUAL_FLIGHT_RULES } from '../rules/flight-rules';
import { withThing } from '../trip/trip-shape';

const flightOf = (world: PackingWorld) => packedTrip(world).flight;
const named = (world: PackingWorld, tag: string) => [...world.gear].find(([, body]) => body.tag === tag)!;
const withGear = (world: PackingWorld, tag: string, changes: Partial<Battery>): PackingWorld => {
  const [id, body] = named(world, tag);
  return { ...world, gear: new Map([...world.gear, [id, { ...body, ...changes } as Gear]]) };
};

describe('what counts at the gate', () => {
  it.each<[string, Partial<Battery>, number | undefined, string | undefined]>([
    ['printed watt-hours, with the computation', { energyWh: 95, nominalV: 14.4 }, 95, '14.4 V × 6.6 Ah = 95 Wh'],
    ['the label before what was measured', { energyWh: 81, labelWh: 98, nominalV: 14.4, from: { energyWh: 'measured' } }, 98, '14.4 V × 6.81 Ah = 98 Wh'],
    ['a pack of one’s own by its cells', { energyWh: undefined, cellsInSeries: 2, cellsInParallel: 2, cell: { capacityAh: 3 } }, 43.2, '7.2 V × 6 Ah = 43.2 Wh'],
    ['what was only measured is not printed', { energyWh: 81, from: { energyWh: 'measured' } }, undefined, undefined],
    ['a guess is not printed', { energyWh: 95, from: { energyWh: 'guess' } }, undefined, undefined],
    ['nothing entered', { energyWh: undefined }, undefined, undefined],
  ])('%s', (_what, changes, energyWh, computation) => {
    expect(printedEnergy(pack(changes))).toMatchObject({ energyWh, computation });
  }); // prettier-ignore
});

describe('how the batteries of a trip fly', () => {
  const world = lowWaterTrip();

  it('over 160 Wh and lead-acid over 100 never, over 100 with approval, on each leg by the rules of its carrier', () => {
    const { legs, batteries, possible, short } = flightOf(world);
    expect(legs.map(({ leg, rules }) => [leg.name, rules.carrier])).toEqual([
      ['Commuter flight to Skarnholm', 'Skarn Air'],
      ['Commuter flight home', 'Skarn Air'],
    ]);
    const verdict = (tag: string) => batteries.find(({ title }) => title.startsWith(`${tag}:`))!.verdict;
    expect([verdict('V5'), verdict('P1'), verdict('V3'), verdict('V2')]).toEqual(['never', 'never', 'approval', 'free']);
    expect(possible).toBe(false);
    expect(short.map(spoken)).toEqual([
      'P1 may not fly: send it by road, or hire one there.',
      'V5 may not fly: send it by road, or hire one there.',
    ]);
    for (const { legs: on } of batteries) expect(on.map(({ legId }) => legId)).toEqual(['out', 'home']);
  });

  it('what goes by road hinders nobody; the whole trip may then fly', () => {
    const list = packedTrip(world).list.things;
    const trip = ['V5', 'P1'].reduce((next, tag) => withThing(next, thingIn(list, tag).id, { bagId: 'crate' }), world.trip);
    expect(flightOf({ ...world, trip })).toMatchObject({ possible: true, short: [] });
  });

  it('what is not printed is not known, and the trip with it', () => {
    const trip = { ...world.trip, gearIds: [], dayIds: [], rigIds: [] };
    const only = (changes: Partial<Battery>) =>
      flightOf(withGear({ ...world, trip: { ...trip, gearIds: [named(world, 'V2')[0]] } }, 'V2', changes));
    expect(only({ energyWh: 90, from: { energyWh: 'guess' } })).toMatchObject({ possible: undefined, batteries: [{ verdict: 'unknown' }] });
    expect(only({ energyWh: undefined }).short.map(spoken)).toEqual(['Read the label of V2: Holmvik 95: its watt-hours are not entered.']);
    expect(only({}).possible).toBe(true);
  });

  it('damaged ones never: broken in the kit, or failed on the bench', () => {
    const broken = flightOf(withGear(world, 'V2', { away: 'broken' })).batteries.find(({ title }) => title.startsWith('V2'))!;
    expect(spoken(broken.legs[0]!.rule)).toMatch(/^Damaged/);
    const failed = {
      id: 's',
      body: { kind: 'taps' as const, at: '2026-01-11', batteryId: named(world, 'V2')[0], volts: [4.1, 4.1, 3.2, 4.1] },
    };
    expect(flightOf({ ...world, sheets: [failed] }).batteries.find(({ title }) => title.startsWith('V2'))!.verdict).toBe('never');
  });

  it('banks are counted a person, installed batteries are nobody’s spare', () => {
    const { batteries } = flightOf(world);
    const banks = new Map<string, number>();
    for (const { bank, carriedBy } of batteries) if (bank && carriedBy) banks.set(carriedBy.name, (banks.get(carriedBy.name) ?? 0) + 1);
    expect(Math.max(...banks.values())).toBeLessThanOrEqual(2);
    const trip = withThing(world.trip, named(world, 'V3')[0], { installed: true });
    expect(flightOf({ ...world, trip }).batteries.find(({ title }) => title.startsWith('V3'))).toMatchObject({
      role: 'installed',
      carriedBy: undefined,
    });
  });

  it('with nobody who flies along nothing is carried', () => {
    const people = world.trip.people!.map((one) => ({ ...one, flies: false }));
    expect(flightOf({ ...world, trip: { ...world.trip, people } })).toMatchObject({
      possible: false,
      short: expect.arrayContaining([expect.objectContaining({ code: 'nobody-flies' })]),
    });
  });

  it('old rules nag', () => {
    expect(flightOf({ ...world, today: '2026-11-28' }).legs.every(({ areOld }) => areOld)).toBe(true);
    expect(flightOf(world).legs.some(({ areOld }) => areOld)).toBe(false);
  });

  it('rules that were deleted are not taken for the usual ones without a word', () => {
    const { legs } = flightOf({ ...world, rules: new Map() });
    expect(legs.map(({ areGone, areOld, rules }) => [areGone, areOld, rules])).toEqual([[true, true, USUAL_FLIGHT_RULES], [true, true, USUAL_FLIGHT_RULES]]); // prettier-ignore
  });

  it('a carrier that asks for a low charge says so of each, and what is too full is named', () => {
    const rules = new Map([...world.rules].map(([id, one]) => [id, { ...one, mostCharge: 0.3 }]));
    const { short, possible } = flightOf({ ...world, rules });
    expect(possible).toBe(false);
    expect(short.map(spoken)).toContainEqual(expect.stringMatching(/^Run \w+ down to 30 % before the flight\.$/));
  });

  it('on the ground nothing is asked', () => {
    const legs = world.trip.legs!.filter(({ by }) => by !== 'air');
    expect(flightOf({ ...world, trip: { ...world.trip, legs } })).toMatchObject({ legs: [], possible: true, short: [] });
  });
});

it('the strictest of several carriers keeps each', () => {
  const strict = strictestRules([
    USUAL_FLIGHT_RULES,
    { ...USUAL_FLIGHT_RULES, freeWh: 90, banks: 2, cabinG: 8000 },
    { ...USUAL_FLIGHT_RULES, spares: 15, banksUnused: true },
  ]);
  expect(strict).toMatchObject({ freeWh: 90, banks: 2, cabinG: 8000, spares: 15, banksUnused: true, approvalWh: 160 });
  expect(strictestRules([])).toBe(USUAL_FLIGHT_RULES);
});

describe('who has what on them', () => {
  const world = lowWaterTrip();
  const carrier = (of: PackingWorld, tag: string) =>
    flightOf(of).batteries.find(({ title }) => title.startsWith(`${tag}:`))!.carriedBy?.name;

  it('whose cabin bag it lies in, whatever was shared out', () => {
    const v3 = named(world, 'V3')[0];
    for (const [bagId, name] of [['siv-bag', 'Siv'], ['tobb-bag', 'Tobb']] as const)
      expect(carrier({ ...world, trip: withThing(world.trip, v3, { bagId }) }, 'V3')).toBe(name); // prettier-ignore
  });

  it('what takes its place has somebody else on them', () => {
    const { batteries } = flightOf(world);
    const of = (tag: string) => batteries.find(({ title }) => title.startsWith(`${tag}:`))!;
    expect(of('V6').carriedBy!.id).not.toBe(of('V3').carriedBy!.id);
    expect(of('V2').carriedBy!.id).not.toBe(of('V3').carriedBy!.id);
  });

  it('three banks in one bag are one too many, and it says whose', () => {
    const trip = ['B1', 'B3', 'B5'].reduce((next, tag) => withThing(next, named(world, tag)[0], { bagId: 'siv-bag' }), world.trip);
    const { possible, short } = flightOf({ ...world, trip });
    expect(possible).toBe(false);
    expect(short.map(spoken)).toContain('Siv has 3 banks, 2 are allowed: move one to somebody else.');
  });

  it('what lies in no bag yet fills up what the bags leave', () => {
    const trip = ['B1', 'B3'].reduce((next, tag) => withThing(next, named(world, tag)[0], { bagId: 'siv-bag' }), world.trip);
    expect(carrier({ ...world, trip }, 'B5')).not.toBe('Siv');
  });
});
