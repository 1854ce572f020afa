import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_LOG } from '../../demo/low-water-log';
import type { Battery, Device, Gear } from '../../gear/gear';
import { sayHealth } from '../../words/en/measure/health-words';
import type { Log } from '../feed-loss/log';
import type { Observation } from '../log/observation';
import { belongTogether } from './alike-batteries';
import { healthHistory } from './health-history';
import fc from 'fast-check';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const idOf = (tag: string) => [...gear].find(([, body]) => body.tag === tag)![0];
const log = (observations: readonly Observation[], kit: ReadonlyMap<string, Gear> = gear): Log => ({
  observations: observations.map((body, index) => ({ id: `o${index}`, body })),
  recordings: [],
  gear: kit,
  rigs,
});
const V1 = idOf('V1');
const battery = gear.get(V1) as Battery;
const test = (at: string, energyWh: number): Observation => ({ kind: 'capacity', at, batteryId: V1, energyWh, temperatureC: 25 });
const history = (observations: readonly Observation[], today = '2026-01-10') => healthHistory(V1, battery, log(observations), today);

describe('a battery over time', () => {
  it('is unknown, and says how to learn it, while nothing was measured', () => {
    expect(sayHealth(history([]))).toContain('capacity test');
    expect(history([])).toMatchObject({
      now: undefined,
      share: undefined,
      retire: undefined,
      use: undefined,
    });
  });

  it('of one test holds what that said, and has no trend', () => {
    const one = history([test('2026-01-02', 80)]);
    expect(one.now!.energyWh).toBeCloseTo(80, 0);
    expect(one.now!.lowWh).toBeLessThan(78);
    expect(one.share).toBeCloseTo(80 / 95, 2);
    expect([one.trend, one.retire]).toEqual([undefined, undefined]);
    expect(one.use).toMatchObject({ energyWh: 79.92, labelWh: 95, from: { energyWh: 'measured' } });
  });

  it('follows the line through its tests to today', () => {
    const found = history([test('2024-01-10', 90), test('2025-01-10', 85)]);
    // between what the two say and what such batteries usually lose
    expect(found.trend!.perYearWh).toBeGreaterThan(-5);
    expect(found.trend!.perYearWh).toBeLessThan(-3.8);
    expect(found.now!.energyWh).toBeGreaterThan(80);
    expect(found.now!.energyWh).toBeLessThan(82);
    expect(sayHealth(found)).toContain('loses 4.2 Wh a year');
    expect(sayHealth(found)).toContain('the newest 12 months old');
  });

  it('takes tests of the same month together, whatever their order', () => {
    const found = history([test('2026-01-05', 82), test('2026-01-02', 80)]);
    expect(found.trend).toBeUndefined();
    expect(found.now!.energyWh).toBeCloseTo(81, 0);
    expect(found.points.map(({ at }) => at)).toEqual(['2026-01-02', '2026-01-05']);
  });

  it.each<[number, 'now' | 'soon' | undefined]>([[95 * 0.69, 'now'], [95 * 0.71, 'soon'], [95 * 0.8, undefined]])('at %d Wh of 95: retire %s', (wh, retire) => {
    expect(history([test('2026-01-05', wh)]).retire).toBe(retire);
  }); // prettier-ignore

  it('is to retire soon when its line falls below within the year', () => {
    expect(history([test('2025-01-10', 82), test('2026-01-09', 71)]).retire).toBe('soon');
    expect(history([test('2025-01-10', 80), test('2026-01-09', 79)]).retire).toBeUndefined();
  });

  it('says the worn one of the demo', () => {
    const found = healthHistory(idOf('V6'), gear.get(idOf('V6')) as Battery, { ...log([]), observations: LOW_WATER_LOG }, '2026-01-10');
    expect(found.retire).toBe('soon');
    expect(found.points).toHaveLength(3);
  });

  it('counts the cold of a test out', () => {
    const cold = history([{ ...(test('2026-01-02', 72) as Extract<Observation, { kind: 'capacity' }>), temperatureC: 0 }]);
    expect(cold.now!.energyWh).toBeCloseTo(80, 0);
  });

  it('learns from what a charger put back only after a full run', () => {
    const camera = [...gear].find(([, body]) => body.name === 'Skuadon 60')![0];
    const back: Observation = {
      kind: 'put-back',
      at: '2026-01-02',
      batteryId: V1,
      deviceId: camera,
      minutes: 300,
      energyWh: 100,
      chargerLoss: 0.1,
    };
    expect(history([back]).points).toEqual([]);
    expect(history([{ ...back, fromEmpty: true }]).now!.energyWh).toBeCloseTo(90, 0);
  });

  it('learns from a run-down at a draw that a meter told, never at one that came from a run-down itself', () => {
    const camera = [...gear].find(([, body]) => body.name === 'Skuadon 60')![0];
    const down: Observation = {
      kind: 'run-down',
      at: '2026-01-02',
      batteryId: V1,
      deviceId: camera,
      minutes: 300,
      lostShare: 0.1,
      temperatureC: 25,
    };
    expect(history([down]).points).toEqual([]);
    const metered = new Map<string, Gear>(gear).set(camera, {
      ...(gear.get(camera) as Device),
      draw: { basis: 'meter', voltageV: 8, currentA: 2, at: 'device' },
    });
    const found = healthHistory(V1, battery, log([down], metered), '2026-01-10');
    expect(found.now!.energyWh).toBeCloseTo((16 / 0.9) * 5, 0);
  });

  it('at a draw that was learnt goes by what was observed without this battery, and by nothing where that is all', () => {
    const camera = [...gear].find(([, body]) => body.name === 'Skuadon 60')![0];
    const learnt = { basis: 'learnt', powerW: 16, spread: 0.02, how: 'learnt from this very battery' } as const;
    const kit = new Map<string, Gear>(gear).set(camera, { ...(gear.get(camera) as Device), draw: learnt });
    const down: Observation = {
      kind: 'run-down',
      at: '2026-01-02',
      batteryId: V1,
      deviceId: camera,
      minutes: 300,
      lostShare: 0.1,
      temperatureC: 25,
    };
    expect(healthHistory(V1, battery, log([down], kit), '2026-01-10').points).toEqual([]);
    const meter: Observation = { kind: 'segment', at: '2026-01-02', deviceId: camera, meanW: 15, spreadW: 0.2, seconds: 900 };
    const found = healthHistory(V1, battery, log([down, meter], kit), '2026-01-10');
    expect(found.now!.energyWh).toBeCloseTo((15 / 0.9) * 5, 0);
    expect(found.points[0]!.formula).toContain('15 W');
  });

  it('says what it took for granted', () => {
    const bare: Observation = { kind: 'capacity', at: '2026-01-02', batteryId: V1, energyWh: 90 };
    expect(history([bare]).points[0]!.formula).toBe('90 Wh in a test, 25 °C assumed');
  });

  it('is less sure of today the longer ago its test was, and says the chance that it is to be retired', () => {
    const of = (today: string) => history([test('2024-01-10', 76)], today);
    const width = (today: string) => of(today).now!.highWh - of(today).now!.lowWh;
    expect(width('2025-01-10')).toBeGreaterThan(1.2 * width('2024-01-11'));
    expect(width('2026-01-10')).toBeGreaterThan(1.2 * width('2025-01-10'));
    expect(of('2026-01-10').retire).toBe('soon');
    expect(sayHealth(of('2026-01-10'))).toMatch(/within a year: a chance of \d\d %\./);
    const later = of('2027-01-10');
    expect(later.chance!.now).toBeGreaterThan(0.5);
    expect(sayHealth(later)).toMatch(/Below 70 % of its label: a chance of \d\d %\. Keep it/);
  });

  it('learns what the cold takes apart from what it holds', () => {
    const cold = (at: string, energyWh: number): Observation => ({ kind: 'capacity', at, batteryId: V1, energyWh, temperatureC: -10 });
    const found = history([
      test('2026-01-02', 90),
      test('2026-01-03', 90),
      cold('2026-01-04', 76),
      cold('2026-01-05', 76),
      cold('2026-01-06', 76),
    ]);
    // eight tenths by the table, but 84 of 100 were seen
    expect(found.cold!.factor).toBeLessThan(0.95);
    expect(found.cold!.factor).toBeGreaterThan(0.75);
    expect(sayHealth(found)).toContain('The cold takes');
    expect(found.now!.energyWh).toBeCloseTo(90, 0);
    expect(history([test('2026-01-02', 90)]).cold).toBeUndefined();
  });

  it('questions both of two that disagree', () => {
    expect(history([test('2026-01-02', 90), test('2026-01-03', 60)]).points.map(({ doubtful }) => doubtful)).toEqual([true, true]);
  });

  it('questions a test far from the line of the others, and leaves out one set aside', () => {
    const tests = [test('2024-01-10', 92), test('2024-07-10', 91), test('2025-01-10', 60), test('2025-07-10', 90)];
    const found = history(tests);
    expect(found.points.map(({ doubtful }) => doubtful)).toEqual([false, false, true, false]);
    const without = history(tests.map((one, index) => (index === 2 ? { ...one, setAside: true } : one)));
    expect(without.now!.energyWh).toBeGreaterThan(87);
  });

  it('law: a straight fall is found again, and today lies within its range', () => {
    fc.assert(
      fc.property(fc.double({ min: 60, max: 90, noNaN: true }), fc.double({ min: 0, max: 6, noNaN: true }), (start, fall) => {
        const days = ['2023-01-10', '2023-07-10', '2024-01-10', '2025-01-10'];
        const years = days.map((day) => (Date.parse(day) - Date.parse(days[0]!)) / (365.25 * 24 * 3600 * 1000));
        const found = history(days.map((day, index) => test(day, start - fall * years[index]!)));
        expect(Math.abs(found.trend!.perYearWh + fall)).toBeLessThan(2 * found.trend!.sigmaWh);
        const truth = start - (fall * (Date.parse('2026-01-10') - Date.parse(days[0]!))) / (365.25 * 24 * 3600 * 1000);
        expect(found.now!.lowWh).toBeLessThan(truth);
        expect(found.now!.highWh).toBeGreaterThan(truth);
      }),
      { numRuns: 50 },
    );
  });
});

describe('batteries that belong together', () => {
  const titles = (kit: ReadonlyMap<string, Gear>) => belongTogether(kit).map(({ ids }) => ids.map((id) => kit.get(id)!.tag).sort());

  it('are of one make and hold about the same', () => {
    expect(titles(gear)).toContainEqual(['S1', 'S2', 'S3']);
    expect(titles(gear)).toContainEqual(['V1', 'V2']);
    expect(titles(gear).flat()).not.toContain('V6'); // of the same label, but worn
  });

  it('are not put away', () => {
    const away = new Map<string, Gear>(gear).set(idOf('V2'), { ...gear.get(idOf('V2'))!, archived: true });
    expect(titles(away).flat()).not.toContain('V1');
  });
});
