import { lowWaterTrip } from '../../../testing/packed-world';
import { spoken } from '../../../testing/spoken';
import { LOW_WATER_DAY } from '../../demo/low-water-day';
import type { Battery, Gear } from '../../gear/gear';
import { chargeNight, kitNightDay } from './charge-night';
import { plugIn, takeOff } from './plugged';

const { gear, rigs } = lowWaterTrip();
const idOf = (name: string): string => [...gear].find(([, body]) => body.tag === name || body.name === name)![0];
const withCharge = (charges: Readonly<Record<string, number | undefined>>): ReadonlyMap<string, Gear> =>
  new Map(
    [...gear].map(([id, body]) =>
      body.tag !== undefined && body.tag in charges ? [id, withoutUndefined({ ...body, charge: charges[body.tag] })] : [id, body],
    ),
  );
const withoutUndefined = (body: object): Gear => JSON.parse(JSON.stringify(body)) as Gear;
const night = (batteries: readonly string[], chargers: readonly string[], more: Partial<Parameters<typeof kitNightDay>[0]> = {}) =>
  kitNightDay({ batteryIds: batteries.map(idOf), chargerIds: chargers.map(idOf), date: '2026-01-11', fromMin: 20 * 60, untilMin: UNTIL, awake: { from: 6 * 60, to: 23 * 60 }, ...more }); // prettier-ignore
const UNTIL = 31 * 60;
const TWO = 'V-mount charger, two slots';

describe('charge tonight', () => {
  it('of a day without a plan of its own: every battery on a charger that it fits, full before the call', () => {
    const found = chargeNight(LOW_WATER_DAY.body, gear, rigs);
    expect(found).toMatchObject({ from: 'made-here', notFull: [], untilMin: 31 * 60 });
    expect(found.rows.every(({ fullMin, trouble }) => fullMin !== undefined && fullMin <= found.untilMin && trouble === undefined)).toBe(
      true,
    );
    // somebody is there from six to half past ten
    for (const { onMin } of found.rows) expect(onMin % 1440 >= 360 && onMin % 1440 < 1350).toBe(true);
    expect(found.full).toContain('V2: Holmvik 95');
  });

  it('never more in a charger at once than it has slots', () => {
    const found = chargeNight(LOW_WATER_DAY.body, gear, rigs);
    for (const id of new Set(found.rows.map(({ chargerId }) => chargerId))) {
      const rows = found.rows.filter(({ chargerId }) => chargerId === id);
      const charger = gear.get(id)!;
      const slots = charger.kind === 'charger' ? charger.slots : 1;
      for (const { onMin } of rows)
        expect(rows.filter((one) => one.onMin <= onMin && one.offMin > onMin).length).toBeLessThanOrEqual(slots);
    }
  });

  it('the plan’s own moves count where there are some', () => {
    const charges = [{ batteryId: idOf('V3'), chargerId: idOf(TWO), fromMin: 1200, toMin: 1800 }];
    const found = chargeNight({ ...LOW_WATER_DAY.body, charges }, gear, rigs);
    expect(found.from).toBe('plan');
    expect(found.rows.map(({ battery }) => battery)).toEqual(['V3: Holmvik 147']);
    expect(found.notFull.map(({ battery }) => battery)).toContain('V6: Holmvik 95');
  });

  it('of the kit: what is not entered is taken as empty and named; what is full is not put on', () => {
    const found = chargeNight(night(['V6', 'V2', 'V3'], [TWO]), withCharge({ V6: undefined, V2: 1, V3: 0.4 }), rigs, UNTIL);
    expect(found.takenAsEmpty).toEqual(['V6: Holmvik 95']);
    expect(found.full).toEqual(['V2: Holmvik 95']);
    expect(found.rows.map(({ battery, fromCharge }) => [battery, fromCharge])).toEqual(expect.arrayContaining([['V6: Holmvik 95', 0], ['V3: Holmvik 147', 0.4]])); // prettier-ignore
  });

  it('what will not be full says when it would be, and what would do', () => {
    const late = chargeNight(
      night(['V6', 'V2', 'V3'], ['V-mount charger, one slot'], { fromMin: 22 * 60 }),
      withCharge({ V6: 0, V2: 0, V3: 0 }),
      rigs,
      UNTIL,
    );
    expect(late.rows.length).toBeLessThan(3);
    expect(late.notFull.map(({ why }) => why)).toContain('no-slot');
    for (const one of late.notFull) {
      expect(one.lateMin).toBeGreaterThan(0);
      expect(spoken(one.says)).toMatch(/%/);
    }
  });

  it('what no charger fits, and what must not be charged, says so', () => {
    expect(chargeNight(night(['P1'], [TWO]), withCharge({ P1: 0.2 }), rigs, UNTIL).notFull[0]).toMatchObject({
      lateMin: undefined,
      says: { code: 'none-fits' },
    });
    expect(chargeNight(night(['V3'], []), withCharge({ V3: 0.2 }), rigs, UNTIL).notFull[0]!.says.code).toBe('no-charger');
    expect(spoken(chargeNight(night(['V3'], [TWO], { temperatureC: -4 }), withCharge({ V3: 0.2 }), rigs, UNTIL).notFull[0]!.says)).toBe(
      'Lithium cells must not be charged below 0 °C.',
    );
  });

  it('what is broken is put on nothing', () => {
    const broken = new Map(
      [...withCharge({ V3: 0.2 })].map(([id, body]) => [id, body.tag === 'V3' ? { ...body, away: 'broken' as const } : body]),
    );
    const found = chargeNight(night(['V3'], [TWO]), broken, rigs, UNTIL);
    expect(found.rows).toEqual([]);
    expect(found.notFull[0]).toMatchObject({ why: 'cannot', says: { code: 'broken' } });
  });

  it('the cautions stand beside it', () => {
    const { cautions } = chargeNight(night(['V3'], [TWO]), withCharge({ V3: 0.2 }), rigs, UNTIL);
    expect(spoken(cautions)).toMatch(/unattended.*sleep.*0 °C.*damaged/s);
  });
});

it('a battery on its charger, and off it full', () => {
  const v3 = gear.get(idOf('V3')) as Battery;
  const on = plugIn(v3, '2026-01-11T20:00:00Z', idOf(TWO));
  expect(on.plugged).toEqual({ since: '2026-01-11T20:00:00Z', chargerId: idOf(TWO) });
  expect(takeOff(on)).toEqual({ ...v3, charge: 1 });
  expect(takeOff(on, 0.8).charge).toBe(0.8);
});
