import fc from 'fast-check';
import { camera, charger, HOUSE, pack } from '../../../testing/day';
import type { Gear } from '../../gear/gear';
import { CHARGER_EFFICIENCY, TAPER_SOC } from '../../tables/charging';
import type { Place } from '../shape/day';
import { chargerOf, wattsOf } from './charger';
import type { OnCharger } from './charger';
import { ChargerQueues, pairingOf } from './charger-queue';
import type { Filled } from './charger-queue';

const DAY = { date: '2026-01-12' } as const;

/** Packs of so many watt-hours put on one charger in order and taken off after so many minutes. */
function filled(on: Gear, packs: readonly { readonly energyWh: number; readonly charge: number }[], minutes: number): readonly Filled[] {
  const gear = new Map<string, Gear>([['charger', on], ...packs.map(({ energyWh }, at): [string, Gear] => [`p${at}`, pack(energyWh)])]);
  const soc = new Map(packs.map(({ charge }, at) => [`p${at}`, charge]));
  const queues = new ChargerQueues(
    (one) => pairingOf(one, gear, DAY),
    new Map([[HOUSE.id, [{ fromMin: 0, toMin: minutes }]]]),
    soc,
    () => undefined,
  );
  const charges = packs.map((_, at): OnCharger => ({ batteryId: `p${at}`, chargerId: 'charger', fromMin: 0, toMin: minutes, place: HOUSE })); // prettier-ignore
  for (const one of charges) queues.begin(one);
  queues.advance(minutes);
  for (const one of charges) queues.end(one);
  return queues.done;
}

describe('a charger', () => {
  it('takes more from the wall than the battery keeps', () => {
    const [one] = filled(charger(50), [{ energyWh: 98, charge: 0.5 }], 600);
    expect(one).toMatchObject({ fromCharge: 0.5, toCharge: 1, trouble: undefined });
    expect(one!.wallWh).toBeCloseTo(49 / CHARGER_EFFICIENCY, 6);
    expect(one!.wallWh).toBeGreaterThan(49);
  });

  it('of slots one by one fills the second once the first is full, together both at once', () => {
    const two = [
      { energyWh: 60, charge: 0.5 },
      { energyWh: 60, charge: 0.5 },
    ];
    const [first, second] = filled(charger(60, 2, 'one-by-one'), two, 600).map(({ fullMin }) => fullMin!);
    expect(second).toBeCloseTo(2 * first!, 3);
    const together = filled(charger(60, 2), two, 600).map(({ fullMin }) => fullMin!);
    expect(together[1]).toBeCloseTo(together[0]!, 6);
    expect(together[0]).toBeCloseTo(first!, 6);
  });

  it('tells every bend of a charge: when its turn comes, where it tapers, when it is full', () => {
    const told: [string, number, number][] = [];
    const gear = new Map<string, Gear>([['charger', charger(60, 2, 'one-by-one')], ['a', pack(60)], ['b', pack(60)]]); // prettier-ignore
    const queues = new ChargerQueues(
      (one) => pairingOf(one, gear, DAY),
      new Map([[HOUSE.id, [{ fromMin: 0, toMin: 600 }]]]),
      new Map([['a', 0.5], ['b', 0.9]]), // prettier-ignore
      (...bend) => told.push(bend),
    );
    const [one, other] = ['a', 'b'].map((batteryId): OnCharger => ({ batteryId, chargerId: 'charger', fromMin: 0, toMin: 600, place: HOUSE })); // prettier-ignore
    queues.begin(one!);
    queues.begin(other!);
    queues.advance(600);
    const of = (id: string) => told.filter(([battery]) => battery === id).map(([, minute, charge]) => [Math.round(minute), charge]);
    const [begins, tapers, full] = of('a');
    expect(begins).toEqual([0, 0.5]);
    expect(tapers![1]).toBeCloseTo(TAPER_SOC, 6);
    expect(full![1]).toBe(1);
    // the other comes when the first is full, from beyond where it tapers: it has one bend less
    expect(of('b')).toEqual([[full![0], 0.9], [expect.any(Number), 1]]); // prettier-ignore
    queues.end(one!);
    queues.end(one!);
    expect(queues.done).toHaveLength(1);
  });

  it('goes on when the outlet is live, from the minute on that it is', () => {
    const gear = new Map<string, Gear>([['charger', charger(60)], ['p', pack(60)]]); // prettier-ignore
    const soc = new Map([['p', 0.2]]);
    const outlets = new Map([[HOUSE.id, [{ fromMin: 100, toMin: 130 }]]]);
    const queues = new ChargerQueues(
      (one) => pairingOf(one, gear, DAY),
      outlets,
      soc,
      () => undefined,
    );
    const on: OnCharger = { batteryId: 'p', chargerId: 'charger', fromMin: 0, toMin: 300, place: HOUSE };
    queues.begin(on);
    queues.advance(100);
    expect(soc.get('p')).toBe(0.2);
    queues.advance(130);
    const charge = soc.get('p')!;
    // half an hour at 60 W is 30 of 60 Wh
    expect(charge).toBeCloseTo(0.7, 2);
    queues.advance(300);
    queues.end(on);
    expect(queues.done[0]).toMatchObject({ fromCharge: 0.2, toCharge: charge, fullMin: undefined, trouble: { code: 'not-full' } });
  });

  it('says of one whose turn never came that it is so, of one that was full nothing', () => {
    const two = [
      { energyWh: 90, charge: 0 },
      { energyWh: 90, charge: 0.4 },
    ];
    expect(filled(charger(30, 1), two, 60).map(({ trouble }) => trouble?.code)).toEqual(['not-full', 'no-turn']);
    expect(filled(charger(30, 1), [{ energyWh: 90, charge: 1 }], 60)[0]).toMatchObject({ trouble: undefined, wallWh: 0, toCharge: 1 });
  });

  it('shares an outlet that gives little by what each would take', () => {
    const gear = new Map<string, Gear>([['big', charger(60)], ['small', charger(20)], ['a', pack(90)], ['b', pack(90)]]); // prettier-ignore
    const boat: Place = { id: 'boat', name: 'Boat', power: 'mains', outletW: 40, temperatureC: 20 };
    const soc = new Map([['a', 0], ['b', 0]]); // prettier-ignore
    const queues = new ChargerQueues((one) => pairingOf(one, gear, DAY), new Map([['boat', [{ fromMin: 0, toMin: 60 }]]]), soc, () => undefined); // prettier-ignore
    queues.begin({ batteryId: 'a', chargerId: 'big', fromMin: 0, toMin: 60, place: boat });
    queues.begin({ batteryId: 'b', chargerId: 'small', fromMin: 0, toMin: 60, place: boat });
    queues.advance(60);
    const [a, b] = [soc.get('a')! * 90, soc.get('b')! * 90];
    // three to one, and together no more than the outlet gives
    expect(a / b).toBeCloseTo(3, 2);
    expect((a + b) / CHARGER_EFFICIENCY).toBeCloseTo(40, 1);
  });

  it('one outlet’s want is nothing to another’s', () => {
    const gear = new Map<string, Gear>([['one', charger(60)], ['two', charger(60)], ['a', pack(90)], ['b', pack(90)]]); // prettier-ignore
    const boat: Place = { id: 'boat', name: 'Boat', power: 'mains', outletW: 30, temperatureC: 20 };
    const soc = new Map([['a', 0], ['b', 0]]); // prettier-ignore
    const live = [{ fromMin: 0, toMin: 30 }];
    const queues = new ChargerQueues((one) => pairingOf(one, gear, DAY), new Map([['boat', live], [HOUSE.id, live]]), soc, () => undefined); // prettier-ignore
    queues.begin({ batteryId: 'a', chargerId: 'one', fromMin: 0, toMin: 30, place: boat });
    queues.begin({ batteryId: 'b', chargerId: 'two', fromMin: 0, toMin: 30, place: HOUSE });
    queues.advance(30);
    expect((soc.get('a')! * 90) / CHARGER_EFFICIENCY).toBeCloseTo(15, 1);
    expect(soc.get('b')! * 90).toBeCloseTo(30, 1);
  });

  it('law: never gives more than its watts, never more than a battery takes, and loses a share of all of it', () => {
    const packs = fc.array(fc.record({ energyWh: fc.integer({ min: 10, max: 200 }), charge: fc.double({ min: 0, max: 1, noNaN: true }) }), { minLength: 1, maxLength: 4 }); // prettier-ignore
    fc.assert(
      fc.property(
        packs,
        fc.integer({ min: 5, max: 120 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 900 }),
        (all, watts, slots, minutes) => {
          const done = filled(charger(watts, slots), all, minutes);
          const givenWh = done.map(
            ({ charge, fromCharge, toCharge }) => (toCharge - fromCharge) * all[Number(charge.batteryId.slice(1))]!.energyWh,
          );
          for (const [at, one] of done.entries()) {
            expect(one.toCharge).toBeGreaterThanOrEqual(one.fromCharge);
            expect(one.toCharge).toBeLessThanOrEqual(1);
            // the last millionth of a charge is rounded up to full
            expect(givenWh[at]! - one.wallWh * CHARGER_EFFICIENCY).toBeLessThan(1e-3);
            expect(givenWh[at]! - one.wallWh * CHARGER_EFFICIENCY).toBeGreaterThan(-1e-6);
          }
          expect(givenWh.reduce((sum, one) => sum + one, 0)).toBeLessThanOrEqual((watts * slots * minutes) / 60 + 1e-3);
        },
      ),
      { numRuns: 200, seed: 28 },
    );
  });
});

describe('whether a battery can be filled by a charger where that stands', () => {
  const bay = pack(60, { outputs: [{ gives: 'pack', id: 'm', name: 'Bay', connector: { type: 'bay', family: 'S' }, maxA: 4 }] });
  const alsoBay = pack(60, { outputs: [...pack(60).outputs, ...bay.outputs] });
  const bank = pack(60, { form: 'bank' });
  const noWatts: Gear = { ...(charger(50) as Extract<Gear, { kind: 'charger' }>), powerW: undefined };
  const pd = (...ratings: readonly (number | undefined)[]): Extract<Gear, { kind: 'supply' }> => ({
    kind: 'supply',
    name: 'Supply',
    form: 'mains',
    outputs: ratings.map((ratingW, at) => ({ gives: 'pd', id: `c${at}`, name: 'USB-C', connector: { type: 'usb-c' }, ratingW })),
  });
  const solar: Place = { ...HOUSE, power: 'solar' };
  const cases: readonly [string, Gear | undefined, Gear | undefined, Partial<OnCharger>, string | undefined][] = [
    ['a pack on its charger', charger(50), pack(60), {}, undefined],
    ['one of several ports fits', charger(50), alsoBay, {}, undefined],
    ['no such charger', undefined, pack(60), {}, 'no-such-charger'],
    ['a pack on a pack', pack(90), pack(60), {}, 'no-such-charger'],
    ['a charger of unknown watts', noWatts, pack(60), {}, 'watts-not-known'],
    ['no place', charger(50), pack(60), { place: undefined }, 'place-not-entered'],
    ['nothing on it', charger(50), undefined, {}, 'energy-not-known'],
    ['a camera on it', charger(50), camera(5), {}, 'energy-not-known'],
    ['watt-hours unknown', charger(50), pack(60, { energyWh: undefined }), {}, 'energy-not-known'],
    ['another mount', charger(50), bay, {}, 'does-not-fit'],
    ['cells that are never charged', charger(50), pack(60, { chemistry: 'alkaline' }), {}, 'never-charged'],
    ['too cold there', charger(50), pack(60), { place: { ...HOUSE, temperatureC: -12 } }, 'too-cold'],
    ['no power there', charger(50), pack(60), { place: { ...HOUSE, power: 'none' } }, 'no-power'],
    ['sun of which nothing is entered', charger(50), pack(60), { place: solar }, 'sun-not-known'],
    ['where it sits, on a mount’s charger', charger(50), pack(60, { chargesWhileFeeding: true }), { inPlace: true }, 'not-where-it-sits'],
    ['where it sits, by USB-C', pd(65), pack(60, { form: 'bank', chargesWhileFeeding: true }), { inPlace: true }, undefined],
    ['where it sits, of one that its maker lets not', pd(65), bank, { inPlace: true }, 'not-where-it-sits'],
    ['a bank on a supply', pd(65), bank, {}, undefined],
    ['a pack on a supply', pd(65), pack(60), {}, 'does-not-fit'],
    ['a supply without a rating', pd(undefined), bank, {}, 'no-such-charger'],
  ];

  it.each(cases)('%s', (_, on, battery, more, code) => {
    const gear = new Map<string, Gear>([...(on ? [['charger', on] as const] : []), ...(battery ? [['p', battery] as const] : [])]);
    const told = pairingOf({ batteryId: 'p', chargerId: 'charger', fromMin: 0, toMin: 60, place: HOUSE, ...more }, gear, DAY);
    expect(told.ok ? undefined : told.why.code).toBe(code);
    if (told.ok) expect(told.filling).toEqual({ chemistry: 'li-ion', energyWh: 60 });
  });

  it('a supply fills as many as it has ports that give Power Delivery, each with the least of them', () => {
    expect(chargerOf({ ...pd(65, 30, undefined), budgets: [{ id: 'all', name: 'All', maxW: 80 }] })).toEqual({
      slots: 2,
      order: 'together',
      powerW: 30,
      totalW: 80,
      connector: 'usb-c',
    });
    expect(chargerOf(pd(65))).toMatchObject({ slots: 1, powerW: 65, totalW: undefined });
    expect(chargerOf(undefined)).toBeUndefined();
  });

  it('watts of a slot are the least of its own and its share of all', () => {
    expect(wattsOf({ powerW: 30, totalW: 80 }, 2)).toBe(30);
    expect(wattsOf({ powerW: 30, totalW: 80 }, 4)).toBe(20);
    expect(wattsOf({ powerW: undefined, totalW: 80 }, 0)).toBe(80);
    expect(wattsOf({ powerW: 30, totalW: undefined }, 4)).toBe(30);
  });
});
