import { LOW_WATER } from '../../demo';
import type { Gear, Rig } from '../../gear';
import { judgeReading, judgeSteps } from './judge';
import type { MeterReading } from './judge';
import { HANDHELD, checkSteps } from './steps';
import type { CheckStep } from './steps';
import { sayReading } from './words';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const RIGS = LOW_WATER.rigs.map(({ body }) => body);
const rigOf = (name: string): Rig => RIGS.find((rig) => rig.name === name)!;
const wheelhouse = rigOf('Wheelhouse');
const all = RIGS.flatMap((rig) => checkSteps(rig, gear).map((step) => ({ rig: rig.name, step })));
const volts = all.filter(({ step }) => step.is !== 'lead');
const whole = volts.filter(({ step }) => step.minV !== undefined && step.next.maxV !== undefined && step.next.minV !== undefined);
const leads = all.filter(({ step }) => step.is === 'lead');

describe('the joints of a rig', () => {
  it('are measured from the source outwards, a lead before there is power on it', () => {
    const steps = checkSteps(wheelhouse, gear);
    expect(steps.map(({ is, at }) => `${is}: ${at}`)).toEqual([
      'lead: the lead of Adapter M from D-tap, plugged in nowhere',
      'open: Holmvik 95',
      'open: Adapter M from D-tap',
    ]);
    expect(steps.map(({ after }) => after.length)).toEqual([0, 1, 2]);
  });

  it('are there for every demo rig, each once, none before what it hangs on', () => {
    for (const rig of RIGS) {
      const ids = checkSteps(rig, gear).map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      for (const { id, after } of checkSteps(rig, gear))
        for (const before of after) expect(ids.indexOf(before)).toBeLessThan(ids.indexOf(id));
    }
    expect(all.length).toBeGreaterThan(30);
  });

  it('that two batteries reach are measured with each', () => {
    const steps = checkSteps(rigOf('Stills with the grip'), gear);
    const shared = steps.filter(({ at }) => at.includes(', fed by '));
    expect(shared.length).toBeGreaterThan(0);
    for (const { id } of shared) expect(steps.some((other) => other.id !== id && id.startsWith(other.id))).toBe(true);
  });

  it('expect what follows from the charge, as surely as it is known', () => {
    const of = (rig: Rig): CheckStep => checkSteps(rig, gear).find(({ is }) => is === 'open')!;
    const unknown = of({ ...wheelhouse, startCharge: undefined });
    const half = of({ ...wheelhouse, startCharge: 0.5 });
    expect(unknown.minV! * 1.02).toBeLessThan(half.minV!);
    // four cells of Li-ion at 40 and 60 %
    expect(half.minV!).toBeCloseTo(4 * 3.68 * (1 - HANDHELD.share) - HANDHELD.volts, 9);
    expect(half.maxV!).toBeCloseTo(4 * 3.84 * (1 + HANDHELD.share) + HANDHELD.volts, 9);
    const finer = checkSteps({ ...wheelhouse, startCharge: 0.5 }, gear, { share: 0, volts: 0, ohms: 0 }).find(({ is }) => is === 'open')!;
    expect([finer.minV, finer.maxV]).toEqual([4 * 3.68, 4 * 3.84]);
  });
});

describe('a reading', () => {
  it('is judged at both sides of each limit by one per cent, on every joint of the demo', () => {
    let judged = 0;
    const is = (step: CheckStep, reading: MeterReading, verdict: string, code: string): void => {
      expect([step.at, reading, judgeReading(step, reading)]).toEqual([step.at, reading, { verdict, code }]);
      judged += 1;
    };
    for (const { step } of whole) {
      const [minV, maxV, least, most] = [step.minV!, step.maxV!, step.next.minV!, step.next.maxV!];
      is(step, most * 1.01, 'stop', 'too-high');
      is(step, least * 0.99, 'stop', 'too-low');
      is(step, -(minV + maxV) / 2, 'stop', 'reversed');
      is(step, 0, 'stop', 'nothing-there');
      is(step, 'OL', 'stop', 'too-high');
      for (const reading of [minV * 0.99, minV * 1.01, maxV * 0.99, maxV * 1.01]) {
        if (reading > most || reading < least) continue;
        const expected = reading >= minV && reading <= maxV;
        is(step, reading, expected ? 'good' : 'caution', expected ? 'as-expected' : 'not-as-expected');
      }
    }
    for (const { step } of leads) {
      is(step, step.maxOhm! * 0.99, 'good', 'as-expected');
      is(step, step.maxOhm! * 1.01, 'caution', 'high-ohm');
      is(step, 'OL', 'stop', 'broken');
    }
    expect(judged).toBeGreaterThanOrEqual(120);
  });

  it('is never good where what the next part stands is not entered', () => {
    for (const { step } of whole) {
      const unknown = { ...step, next: { ...step.next, maxV: undefined } };
      expect(judgeReading(unknown, step.maxV!).verdict).not.toBe('good');
    }
  });

  it('that says stop closes what lies behind it, on its own way only, until it is measured again', () => {
    const steps = checkSteps(rigOf('Wheelhouse, everything on one V-mount'), gear);
    const first = steps.find(({ is }) => is === 'open')!;
    const readings = new Map<string, MeterReading>([[first.id, -14.4]]);
    const bad = judgeSteps(steps, readings);
    expect(bad.filter(({ closed }) => closed).map(({ step }) => step.id)).toEqual(
      steps.filter(({ after }) => after.includes(first.id)).map(({ id }) => id),
    );
    expect(bad.some(({ closed }) => closed)).toBe(true);
    expect(judgeSteps(steps, new Map([[first.id, first.maxV! * 0.995]])).some(({ closed }) => closed)).toBe(false);
  });

  it('says what it means, and never how to go on past a stop', () => {
    for (const { step } of whole) {
      const say = (reading: MeterReading): string => sayReading({ step, reading, judged: judgeReading(step, reading), closed: false })!;
      expect(say(-8)).toContain('Never connect');
      expect(say(step.next.maxV! * 1.01)).toContain('Do not connect');
      expect(say(0)).toContain('nothing there');
    }
  });
});
