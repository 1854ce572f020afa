import { spoken } from '../../testing/spoken';
import { LOW_WATER } from '../demo/low-water';
import type { Gear } from '../gear/gear';
import type { Rig } from '../rig/drawn/rig';
import type { Unattended } from '../rig/drawn/unattended-shape';
import { autonomyOf } from './autonomy';
import type { Autonomy } from './autonomy';
import fc from 'fast-check';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const breakwater = LOW_WATER.rigs.find(({ body }) => body.name === 'Breakwater')!.body;
const BARE: Unattended = { days: 14 };

function alone(unattended: Unattended, changes: Partial<Rig> = {}, kit: ReadonlyMap<string, Gear> = gear): Autonomy {
  const answer = autonomyOf({ ...breakwater, ...changes, unattended }, kit);
  if (answer.is === 'unknown') throw new Error(answer.why.code);
  return answer.alone;
}

describe('a rig left alone', () => {
  it('lives as long as its usable charge lasts at what it uses in a day', () => {
    const { useWh, fullWh, usableWh, autonomyDays } = alone(BARE);
    expect(usableWh).toBeCloseTo(fullWh * 0.9, 9);
    expect(autonomyDays).toBeCloseTo(usableWh / useWh, 9);
    // a frame a minute, 6 s awake at 5.2 W and 0.12 W asleep, behind a regulator: more than the camera's own 15 Wh
    expect(useWh).toBeGreaterThan(((5.2 * 6 + 0.12 * 54) / 60) * 24);
    expect(useWh).toBeLessThan(1.4 * ((5.2 * 6 + 0.12 * 54) / 60) * 24);
  });

  it('is taken as full when its charge is not entered, and says so', () => {
    expect(alone(BARE)).toMatchObject({ takenAsFull: true, startCharge: 1, reserve: 0.1 });
    const half = alone(BARE, { startCharge: 0.5, reserve: 0.2 });
    expect(half).toMatchObject({ takenAsFull: false, startCharge: 0.5, reserve: 0.2 });
    expect(half.days[0]!.charge).toBeCloseTo(0.5 - half.useWh / half.fullWh, 9);
  });

  it('has no sun without a panel, and says that it is not known where none is entered', () => {
    expect(alone(BARE)).toMatchObject({ months: [], worst: undefined, sustained: undefined });
    expect(alone({ ...BARE, panelW: 20 })).toMatchObject({ months: [], sustained: undefined });
  });

  it('counts panel × peak-sun hours × 0.65 a day, 0.5 flat or dirty', () => {
    const clean = alone({ ...BARE, panelW: 20, sunHours: 2 });
    expect(clean.worst).toMatchObject({ sunHours: 2, from: 'typed' });
    expect(clean.worst!.yieldWh).toBeCloseTo(26, 9);
    expect(clean.sustained).toBe(true);
    expect(alone({ ...BARE, panelW: 20, sunHours: 2, dirty: true }).worst!.yieldWh).toBeCloseTo(20, 9);
  });

  it('judges by the worst of the months in which it is left', () => {
    const sun = { panelW: 20, latitudeDeg: 57 };
    expect(alone({ ...sun, from: '2026-06-01', days: 14 })).toMatchObject({ worst: { month: 6 }, sustained: true });
    expect(alone({ ...sun, from: '2026-11-20', days: 30 })).toMatchObject({ worst: { month: 12 }, sustained: false });
    expect(alone({ ...sun, days: 14 })).toMatchObject({ worst: { month: 12 } });
  });

  it('counts no sun in a month of which none is entered, and tells which', () => {
    const some = alone({ from: '2026-01-20', days: 20, panelW: 20, monthHours: [{ month: 1, hours: 3 }] });
    expect(some.withoutSun).toEqual([2]);
    expect(some.days.at(-1)!.charge).toBeLessThan(some.days[10]!.charge);
  });

  it('names the panel with which the worst month sustains it', () => {
    const { panelForWorstW } = alone({ ...BARE, panelW: 5, sunHours: 1 });
    expect(panelForWorstW).toBeCloseTo(alone(BARE).useWh / 0.65, 6);
  });

  it('bridges a dull spell as long as the battery lasts, and no longer', () => {
    const { autonomyDays } = alone(BARE);
    expect(alone({ ...BARE, panelW: 20, sunHours: 2, dullDays: Math.floor(autonomyDays) }).spell).toMatchObject({ bridged: true });
    const long = alone({ ...BARE, days: 30, panelW: 20, sunHours: 2, dullDays: Math.ceil(autonomyDays) + 2 });
    expect(long.spell).toMatchObject({ bridged: false });
    expect(Math.min(...long.days.map(({ dullCharge }) => dullCharge))).toBeLessThan(0.1);
  });

  it('lets nobody charge lithium below freezing from a panel', () => {
    const lead = breakwater.links[0]!.from.gearId;
    const frozen = new Map(gear).set(lead, { ...gear.get(lead)!, chemistry: 'lifepo4', cellsInSeries: 4 } as Gear);
    const cold = alone({ ...BARE, panelW: 20, sunHours: 2 }, {}, frozen);
    expect(cold).toMatchObject({ limitedBy: 'cold', chargeW: 0, sustained: false });
    expect(alone({ ...BARE, panelW: 20, sunHours: 2 }, { temperatureC: 5 }, frozen).limitedBy).toBeUndefined();
  });

  it('takes from a large panel no more than a lead-acid battery accepts', () => {
    expect(alone({ ...BARE, panelW: 300, sunHours: 2 })).toMatchObject({ limitedBy: 'battery' });
  });

  it('wants a visit before the battery is at its reserve, and before the card is full', () => {
    const { visits, framesADay } = alone({ days: 20, cardFrames: 4 * 1440 });
    expect(framesADay).toBe(1440);
    expect(visits[0]).toEqual({ day: 4, why: 'card' });
    expect(visits.some(({ why }) => why !== 'card')).toBe(true);
    expect(alone({ days: 20, visitEveryDays: 30 }).everySaid).toEqual({ everyDays: 30, enough: false });
    expect(alone({ days: 20, visitEveryDays: 5 }).everySaid).toEqual({ everyDays: 5, enough: true });
    expect(alone({ days: 20, visitEveryDays: 5, cardFrames: 4 * 1440 }).everySaid).toMatchObject({ enough: false });
  });

  it('uses less the further its frames are apart', () => {
    const { duties } = alone({ ...BARE, panelW: 20, latitudeDeg: 57 });
    expect(duties.filter(({ current }) => current).map(({ everyS }) => everyS)).toEqual([60]);
    for (let index = 1; index < duties.length; index++) {
      expect(duties[index]!.useWh).toBeLessThan(duties[index - 1]!.useWh);
      expect(duties[index]!.autonomyDays).toBeGreaterThan(duties[index - 1]!.autonomyDays);
    }
  });

  it('is unknown while a draw is, or its date is none, and says so', () => {
    expect(spoken(autonomyOf({ ...breakwater, unattended: { from: '2026-02-31' } }, gear))).toEqual({
      is: 'unknown',
      why: 'There is no 2026-02-31.',
    });
    const camera = breakwater.devices[0]!.gearId;
    const { draw: _draw, ...unknown } = gear.get(camera) as Extract<Gear, { kind: 'device' }>;
    expect(autonomyOf(breakwater, new Map(gear).set(camera, unknown))).toMatchObject({ is: 'unknown', why: { code: 'finding' } });
  });

  it('never has more charge with less sun, a longer spell or a smaller start, nor lasts to fewer visits', () => {
    const days = fc.integer({ min: 1, max: 60 });
    fc.assert(
      fc.property(
        days,
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 0, max: 10 }),
        (count, sun, less, dull) => {
          const more = alone({ days: count, panelW: 20, sunHours: sun });
          const few = alone({ days: count, panelW: 20, sunHours: sun * less, dullDays: dull });
          few.days.forEach(({ charge, dullCharge }, day) => {
            expect(charge).toBeLessThanOrEqual(more.days[day]!.charge + 1e-9);
            expect(dullCharge).toBeLessThanOrEqual(charge + 1e-9);
          });
          expect(few.visits.length).toBeGreaterThanOrEqual(more.visits.length);
        },
      ),
      { numRuns: 15, seed: 20260112 },
    );
  });
});
