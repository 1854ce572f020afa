import { build, camera, DTAP, pack, splitter } from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import type { Battery, Gear, Hub } from '../../gear/gear';
import { sayReading } from '../../words/en/bench/joint-words';
import { sayPlace } from '../../words/en/bench/step-words';
import { measuredFindings } from '../measured/measured-findings';
import { HANDHELD } from '../sheet/sheet-shape';
import type { SheetOf } from '../sheet/sheet-shape';
import { judgeSteps } from './judge';
import type { MeterReading } from './judge';
import { standingOf, withReading } from './standing';
import { checkSteps } from './steps';

const inputs = ['a', 'b', 'c'].map((id) => ({ takes: 'window', id, name: id.toUpperCase(), connector: DTAP, minV: 9, maxV: 40 }) as const);
const plate = (order: Hub['inputOrder'], count: number): Hub =>
  splitter(1, { name: 'Plate', inputs: inputs.slice(0, count), inputOrder: order, resistanceOhm: 0 });
const on = (order: Hub['inputOrder'], packs: Readonly<Record<string, Battery>>, device: Gear = camera()): Built =>
  build({ ...packs, hub: plate(order, Object.keys(packs).length), camera: device }, [
    ...Object.keys(packs).map((id, place) => [`${id}.out`, `hub.${inputs[place]!.id}`] as const),
    ['hub.p1', 'camera.in'],
  ]);
/** 95 Wh, 6.6 Ah: 3.3 A at most, over 200 mΩ with the contacts. */
const likes = on('together', { a: pack({ name: 'A' }), b: pack({ name: 'B' }) });
const stepsOf = ({ rig, gear }: Built) => checkSteps(rig, gear);
const last = (built: Built) => stepsOf(built).at(-1)!;
const judged = (built: Built, share: number | 'OL') => {
  const steps = stepsOf(built);
  const step = steps.at(-1)!;
  const reading: MeterReading = share === 'OL' ? 'OL' : share * step.maxV!;
  return judgeSteps(steps, new Map([[step.id, reading]])).at(-1)!;
};

describe('batteries that are joined', () => {
  it('are measured each by itself, and last against each other', () => {
    const step = last(likes);
    expect([step.is, sayPlace(step.at)]).toEqual(['apart', 'A against B, before both are on Plate']);
    expect(step.after).toEqual(['open hub/a', 'open hub/b']);
    expect(stepsOf(likes).filter(({ id }) => step.after.includes(id))).toHaveLength(2);
    // what the smaller one takes, over what lies between them
    const { ohm, limitA } = step.joining!;
    expect(step.maxV).toBeCloseTo(ohm * limitA, 9);
    expect(limitA).toBeCloseTo((0.5 * 95) / (4 * 3.6), 6);
  });

  it.each([
    [0, 'good', 'as-expected'],
    [0.04, 'good', 'as-expected'],
    [-0.06, 'caution', 'flows-on-joining'],
    [0.99, 'caution', 'flows-on-joining'],
    [1.01, 'stop', 'too-far-apart'],
    [-1.01, 'stop', 'too-far-apart'],
    ['OL', 'stop', 'too-far-apart'],
  ] as const)('at %s of what they may be apart: %s', (share, verdict, code) => {
    expect(judged(likes, share).judged).toEqual({ verdict, code });
    expect(sayReading(judged(likes, share))).toMatch(/^(OL|[\d.]+ m?V) apart/);
  });

  it('each pair of three', () => {
    const three = on('together', { a: pack({ name: 'A' }), b: pack({ name: 'B' }), c: pack({ name: 'C' }) });
    expect(stepsOf(three).filter(({ is }) => is === 'apart').map(({ at }) => sayPlace(at))).toEqual([
      'A against B, before both are on Plate',
      'A against C, before both are on Plate',
      'B against C, before both are on Plate',
    ]); // prettier-ignore
  });

  it('but not those that must never be, nor those that a plate keeps apart', () => {
    const never = on('together', { a: pack(), b: pack({ chemistry: 'lifepo4' }) });
    const isolated = build(
      { a: pack(), b: pack(), hub: { ...plate('together', 2), isolates: true }, camera: camera() },
      [['a.out', 'hub.a'], ['b.out', 'hub.b'], ['hub.p1', 'camera.in']],
    ); // prettier-ignore
    for (const built of [never, isolated, on('one-by-one', { a: pack(), b: pack() })])
      expect(stepsOf(built).filter(({ is }) => is === 'apart')).toEqual([]);
  });

  it('stop the rig where they are too far apart, until one is charged or they are measured again', () => {
    const { rig, gear } = likes;
    const empty: SheetOf<'joints'> = { kind: 'joints', rigId: 'r', at: '2026-01-12T08:00', meter: HANDHELD, readings: [] };
    const sheet = withReading(empty, last(likes), 2 * last(likes).maxV!);
    const found = measuredFindings('r', rig, gear, [{ id: 's', body: sheet }]);
    expect(found).toMatchObject([
      { code: 'measured-stop', verdict: 'stop', facts: { wrong: 'too-far-apart', lowest: undefined, highest: last(likes).maxV } },
    ]);
    const charged = new Map(gear).set('b', { ...(gear.get('b') as Battery), charge: 1 });
    expect(measuredFindings('r', rig, charged, [{ id: 's', body: sheet }])).toEqual([]);
    expect(standingOf(rig, charged, sheet).reopened).toEqual([last(likes).id]);
  });
});

describe('batteries in series', () => {
  const string = on('series', { a: pack({ name: 'A', charge: 1 }), b: pack({ name: 'B', charge: 0.5 }) }, camera({}, 10, { maxV: 40 }));

  it('are measured each by itself before the string is', () => {
    const [first, second, third] = stepsOf(string);
    expect([first, second].map((step) => sayPlace(step!.at))).toEqual(['A', 'B']);
    expect(third!.after).toEqual([first!.id, second!.id]);
    expect(first!.maxV).toBeGreaterThan(16.7);
    expect(second!.maxV).toBeLessThan(16);
  });

  it('one that is the wrong way round, or flat, closes all behind it', () => {
    const steps = stepsOf(string);
    for (const [volts, code] of [[-15.2, 'reversed'], [0, 'nothing-there']] as const) {
      const checked = judgeSteps(steps, new Map([[steps[1]!.id, volts]]));
      expect(checked[1]!.judged).toEqual({ verdict: 'stop', code });
      expect(checked.slice(2).every(({ closed }) => closed)).toBe(true);
    } // prettier-ignore
    expect(judgeSteps(steps, new Map([[steps[0]!.id, 16.75]]))[0]!.judged).toEqual({ verdict: 'good', code: 'as-expected' });
  });
});
