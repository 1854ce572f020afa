import fc from 'fast-check';
import { charger, HOUSE, pack } from '../../../testing/day';
import type { Gear } from '../../gear/gear';
import { CHARGER_EFFICIENCY } from '../../tables/charging';
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

  it('gives a battery that does not fit, or has no place, nothing and says why', () => {
    const bay = {
      ...pack(60),
      outputs: [{ gives: 'pack', id: 'm', name: 'Bay', connector: { type: 'bay', family: 'S' }, maxA: 4 }],
    } as Gear;
    const gear = new Map<string, Gear>([['charger', charger(50)], ['p', bay], ['fits', pack(60)]]); // prettier-ignore
    const on: OnCharger = { batteryId: 'p', chargerId: 'charger', fromMin: 0, toMin: 60, place: HOUSE };
    expect(pairingOf(on, gear, DAY)).toMatchObject({ ok: false, why: { code: 'does-not-fit' } });
    expect(pairingOf({ ...on, batteryId: 'fits', place: undefined }, gear, DAY)).toMatchObject({
      ok: false,
      why: { code: 'place-not-entered' },
    });
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
