import { DaySimulation, planDay } from '@viaggio/core/day';
import type { Day } from '@viaggio/core/day';
import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import { chargerRows, rigRows, scaleOf } from './timeline-view';
import { moved, nightBefore, wholePlan, workingHours, zoomed } from './timeline-window';
import { percent, time } from './say-moment';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const simulation = new DaySimulation(LOW_WATER_DAY.body, gear, rigs);
const plan = planDay(simulation, { effort: 0.3 });
const day: Day = { ...LOW_WATER_DAY.body, swaps: plan.swaps, charges: plan.charges, cardChanges: plan.cardChanges };
const run = simulation.run(simulation.prepare(plan));

describe('the picture of a day', () => {
  const scale = scaleOf(day, 1000);

  it('reaches from the evening before to the last thing, whole hours marked', () => {
    expect(scale.fromMin).toBe(18 * 60);
    expect(scale.toMin).toBe(48 * 60);
    expect([scale.x(scale.fromMin), scale.x(scale.toMin)]).toEqual([0, 1000]);
    expect(scale.minute(scale.x(1500))).toBeCloseTo(1500, 9);
    expect(scale.hours.find(({ midnight }) => midnight)).toMatchObject({ x: 200, midnight: 'Tue 13 Jan' });
  });

  it('opens on the hours that matter: those of the blocks, without what runs day and night', () => {
    const work = workingHours(day);
    const shooting = day.blocks.filter(({ fromMin, toMin }) => toMin - fromMin < 20 * 60);
    expect(shooting.length).toBeLessThan(day.blocks.length);
    for (const { fromMin, toMin } of shooting) expect([fromMin >= work.fromMin, toMin <= work.toMin]).toEqual([true, true]);
    expect(work.toMin - work.fromMin).toBeLessThan(13 * 60);
    expect(nightBefore(day)).toEqual({ fromMin: 18 * 60, toMin: work.fromMin + 60 });
    const morning = { ...shooting[0]!, fromMin: 8 * 60, toMin: 12 * 60 };
    expect(nightBefore({ ...day, startsAt: undefined, charges: [], blocks: [morning] })).toBeUndefined();
    const onlyLong = { ...day, blocks: day.blocks.filter((block) => !shooting.includes(block)) };
    expect(workingHours(onlyLong)).toEqual(wholePlan(onlyLong));
  });

  it('zooms around what the pointer is on, and never leaves the plan', () => {
    const work = workingHours(day);
    const whole = wholePlan(day);
    const nearer = zoomed(work, 0.5, 33 * 60, day);
    const share = (window: typeof work) => (33 * 60 - window.fromMin) / (window.toMin - window.fromMin);
    expect(nearer.toMin - nearer.fromMin).toBeCloseTo((work.toMin - work.fromMin) / 2, 6);
    expect(share(nearer)).toBeCloseTo(share(work), 6);
    const nearest = zoomed(work, 1e-6, 33 * 60, day);
    expect(nearest.toMin - nearest.fromMin).toBeCloseTo(60, 6);
    expect(share(nearest)).toBeCloseTo(share(work), 6);
    expect(zoomed(work, 1e6, 33 * 60, day)).toEqual(whole);
    expect(moved(work, -1e6, day).fromMin).toBe(whole.fromMin);
    expect(moved(work, 1e6, day).toMin).toBe(whole.toMin);
  });

  it('fills the charge under its line, with the band of eight days in ten once it is known', () => {
    const [stay] = run.stays;
    const bands = new Map([[stay!.batteryId, [0, 1, 2].map((at) => ({ minute: stay!.fromMin + at, p10: 0.4, p90: 0.6 }))]]);
    const of = (chances?: { blocks: Map<string, number>; bands: typeof bands }) =>
      rigRows(day, run, scale, gear, rigs, chances).flatMap(({ lines }) => lines).find(({ batteryId }) => batteryId === stay!.batteryId)!; // prettier-ignore
    expect(of().band).toBe('');
    expect(of().area.split(' ').length).toBe(of().points.split(' ').length + 2);
    expect(of({ blocks: new Map(), bands }).band.split(' ')).toHaveLength(6);
  });

  it('of an empty day shows some hours all the same', () => {
    const { fromMin, toMin } = scaleOf({ ...day, startsAt: undefined, blocks: [], charges: [] }, 1000);
    expect(toMin).toBeGreaterThan(fromMin);
  });

  it('has every block, change, gap and battery of each rig', () => {
    const rows = rigRows(day, run, scale, gear, rigs);
    expect(rows.map(({ name }) => name)).toEqual(day.rigIds.map((id) => rigs.get(id)!.name));
    expect(rows.flatMap(({ blocks }) => blocks)).toHaveLength(day.blocks.length);
    expect(rows.flatMap(({ swaps }) => swaps)).toHaveLength(day.swaps!.length);
    expect(rows.flatMap(({ gaps }) => gaps)).toHaveLength(run.gaps.length);
    for (const { lines } of rows) for (const { points } of lines) expect(points).toMatch(/^[\d.]+,[\d.]+ /);
    // two that go in together have their tags side by side
    const grip = rows.find(({ name }) => name === 'Stills with the grip')!;
    expect(new Set(grip.lines.map(({ x }) => x)).size).toBe(grip.lines.length);
  });

  it('has everything that is on a charger, what lies there together in lanes', () => {
    const rows = chargerRows(day, run, scale, gear);
    expect(rows.flatMap(({ bars }) => bars)).toHaveLength(run.filled.length);
    for (const { bars, lanes } of rows) {
      for (const one of bars) {
        expect(one.lane).toBeLessThan(lanes);
        const clash = bars.find(
          (other) => other !== one && other.lane === one.lane && other.x < one.x + one.width - 0.01 && one.x < other.x + other.width - 0.01,
        );
        expect(clash).toBeUndefined();
      }
    }
  });

  it('has the cards of each device as they fill, those that are in together in lanes', () => {
    for (const row of rigRows(day, run, scale, gear, rigs)) {
      const stays = run.cards.stays.filter(({ rigId, fromMin, toMin }) => rigId === row.rigId && toMin > fromMin);
      expect(row.cards.map(({ tag }) => tag).sort()).toEqual(stays.map(({ card }) => `card ${card}`).sort());
      expect(row.cardLanes).toBe(Math.max(0, ...row.cards.map(({ lane }) => lane + 1)));
      row.cards.forEach((card, index) => {
        const beside = row.cards.slice(0, index).filter(({ lane }) => lane === card.lane);
        expect(beside.every(({ x, width }) => x + width <= card.x + 3)).toBe(true);
      });
    }
    const filled = rigRows(day, run, scale, gear, rigs).flatMap(({ cards }) => cards);
    expect(filled[0]!.label).toMatch(/^Card 1 in Skuadon 60, Tue 07:00 to .*, then 100.% full$/);
  });

  it('tells times with their day where there are several', () => {
    expect(time(day, 24 * 60 + 450)).toBe('Tue 07:30');
    expect(time({ ...day, days: 1 }, 450)).toBe('07:30');
    expect(percent(0.195)).toBe('20\u00a0%');
  });
});
