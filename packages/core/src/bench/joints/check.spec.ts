import { spoken } from '../../../testing/spoken';
import { LOW_WATER } from '../../demo/low-water';
import type { Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { sayReading } from '../../words/en/bench/joint-words';
import { sayPlace } from '../../words/en/bench/step-words';
import { HANDHELD } from '../sheet/sheet-shape';
import type { SheetOf } from '../sheet/sheet-shape';
import { corrections } from './corrections';
import { judgeReading, judgeSteps } from './judge';
import type { MeterReading } from './judge';
import { readMeter } from './read-meter';
import { sheetOfRig, standingOf, withReading } from './standing';
import { checkSteps } from './steps';
import type { CheckStep } from './step';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const RIGS = LOW_WATER.rigs.map(({ body }) => body);
const rigOf = (name: string): Rig => RIGS.find((rig) => rig.name === name)!;
const wheelhouse = rigOf('Wheelhouse');
const all = RIGS.flatMap((rig) => checkSteps(rig, gear).map((step) => ({ rig: rig.name, step })));
const volts = all.filter(({ step }) => step.is !== 'lead' && step.is !== 'across');
const whole = volts.filter(({ step }) => step.minV !== undefined && step.next.maxV !== undefined && step.next.minV !== undefined);
const leads = all.filter(({ step }) => step.is === 'lead');

describe('the joints of a rig', () => {
  it('are measured from the source outwards, a lead before there is power on it', () => {
    const steps = checkSteps(wheelhouse, gear);
    expect(steps.map(({ is, at }) => `${is}: ${sayPlace(at)}`)).toEqual([
      'open: Holmvik 95',
      'open: Adapter M from D-tap',
      'loaded: Adapter M from D-tap, with a lamp on it',
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

  it('take each conductor of a lead by itself, and both against each other, before its end is live', () => {
    for (const rig of RIGS) {
      const steps = checkSteps(rig, gear);
      const found = steps.filter(({ is }) => is === 'lead' || is === 'across').map(({ id }) => id);
      for (const id of found.filter((one) => one.startsWith('across'))) {
        const way = id.slice('across '.length);
        expect(found).toEqual(expect.arrayContaining([`lead+ ${way}`, `lead- ${way}`]));
        expect(steps.find((step) => step.id === `open ${way}`)?.after).toContain(id);
      }
    }
    expect(leads.length).toBeGreaterThan(4);
  });

  it('hang a lamp on the last joint: less is expected there than without it, never more', () => {
    const lamps = all.filter(({ step }) => step.is === 'loaded' && step.minV !== undefined);
    expect(lamps.length).toBeGreaterThan(8);
    for (const { rig, step } of lamps) {
      const open = all.find((one) => one.rig === rig && one.step.id === step.id.replace('loaded', 'open'))!.step;
      expect(step.minV!).toBeLessThanOrEqual(open.minV!);
      expect(step.maxV!).toBeLessThanOrEqual(open.maxV!);
      expect(step.loadW).toBeGreaterThan(0);
    }
  });

  it('that two batteries reach are measured with each', () => {
    const steps = checkSteps(rigOf('Stills with the grip'), gear);
    const shared = steps.filter(({ at }) => at.fedBy !== undefined);
    expect(shared.length).toBeGreaterThan(0);
    for (const { id } of shared) expect(steps.some((other) => other.id !== id && id.startsWith(other.id))).toBe(true);
  });

  it('expect what follows from the charge, as surely as it is known', () => {
    const batteryId = wheelhouse.links[0]!.from.gearId;
    const holding = (charge: number | undefined) => new Map(gear).set(batteryId, { ...gear.get(batteryId)!, charge } as Gear);
    const unsaid = holding(undefined);
    const of = (rig: Rig, kit = unsaid): CheckStep => checkSteps(rig, kit).find(({ is }) => is === 'open')!;
    const unknown = of({ ...wheelhouse, startCharge: undefined });
    const half = of({ ...wheelhouse, startCharge: 0.5 });
    expect(unknown.minV! * 1.02).toBeLessThan(half.minV!);
    // four cells of Li-ion at 40 and 60 %
    expect(half.minV!).toBeCloseTo(4 * 3.68 * (1 - HANDHELD.share) - HANDHELD.volts, 9);
    expect(half.maxV!).toBeCloseTo(4 * 3.84 * (1 + HANDHELD.share) + HANDHELD.volts, 9);
    // as it lies there now counts before what the plan starts with
    expect(of({ ...wheelhouse, startCharge: 0.5 }, holding(0.2)).maxV).toBeLessThan(half.minV!);
    const finer = checkSteps({ ...wheelhouse, startCharge: 0.5 }, unsaid, { share: 0, volts: 0, ohms: 0 }).find(({ is }) => is === 'open')!;
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
    for (const { step } of all.filter((one) => one.step.is === 'across')) {
      is(step, 'OL', 'good', 'as-expected');
      is(step, step.maxOhm! * 99, 'stop', 'short');
      is(step, step.maxOhm! * 101, 'caution', 'not-as-expected');
    }
    expect(judged).toBeGreaterThanOrEqual(120);
  });

  it('is never good where what the next part stands is not entered', () => {
    for (const { step } of whole) {
      const unknown = { ...step, next: { ...step.next, maxV: undefined } };
      expect(judgeReading(unknown, step.maxV!).verdict).not.toBe('good');
    }
  });

  it('is not good where a full battery would give more than is taken, nor within the meter’s error of a limit', () => {
    for (const { step } of whole) {
      const { minV, maxV } = step as { minV: number; maxV: number };
      const reading = (minV + maxV) / 2;
      const next = { ...step.next, minV: reading / 2, maxV: reading * 1.05 };
      expect(judgeReading({ ...step, next, highV: next.maxV * 0.99 }, reading)).toEqual({ verdict: 'good', code: 'as-expected' });
      expect(judgeReading({ ...step, next, highV: next.maxV * 1.01 }, reading)).toEqual({ verdict: 'caution', code: 'high-later' });
      const offV = step.meter.share * reading + step.meter.volts;
      const close = (times: number) =>
        judgeReading({ ...step, highV: undefined, next: { ...next, maxV: reading + times * offV } }, reading).code;
      expect([close(0.99), close(1.01)]).toEqual(['near-limit', 'as-expected']);
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

describe('a sheet', () => {
  const rig = { ...wheelhouse, startCharge: 0.9 };
  const EMPTY: SheetOf<'joints'> = {
    kind: 'joints',
    at: '2026-01-12',
    rigId: '0d7ecb1e-5a0f-4a4b-9d57-2f1f5c1f7a10',
    by: 'Ine',
    readings: [],
  };
  const middle = (step: CheckStep): number => (step.minV! + step.maxV!) / 2;
  const measured = (of: Rig): SheetOf<'joints'> =>
    checkSteps(of, gear).reduce((sheet, step) => withReading(sheet, step, middle(step)), EMPTY);

  it('is passed once every joint is as expected, and not before', () => {
    expect(standingOf(rig, gear, undefined).is).toBe('none');
    const [first, ...rest] = checkSteps(rig, gear);
    const begun = withReading(EMPTY, first!, middle(first!));
    expect(standingOf(rig, gear, begun)).toMatchObject({ is: 'open', done: 1, nextId: rest[0]!.id });
    expect(standingOf(rig, gear, measured(rig))).toMatchObject({ is: 'passed', reopened: [], nextId: undefined });
    const doubtful = withReading(measured(rig), first!, first!.minV! * 0.97);
    expect(standingOf(rig, gear, doubtful).is).toBe('doubtful');
    const stopped = withReading(measured(rig), first!, -middle(first!));
    expect(standingOf(rig, gear, stopped)).toMatchObject({ is: 'stopped', nextId: first!.id });
  });

  it('stays passed on another charge; what another part touches is measured again', () => {
    const sheet = measured(rig);
    expect(standingOf({ ...rig, startCharge: 0.4 }, gear, sheet).is).toBe('passed');
    const steps = checkSteps(rig, gear);
    const adapterId = rig.links[0]!.to.gearId;
    const adapter = gear.get(adapterId)!;
    const set = new Map(gear).set(adapterId, {
      ...adapter,
      ...(adapter.kind === 'adapter' && { output: { ...adapter.output, voltageV: 7.4 } }),
    });
    const standing = standingOf(rig, set, sheet);
    expect(standing.is).toBe('open');
    expect(standing.reopened).toEqual(steps.slice(1).map(({ id }) => id));
  });

  it('rests on the same facts in whatever order their fields come back', () => {
    const turned = (value: unknown): unknown =>
      value !== null && typeof value === 'object' && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).reverse().map(([key, one]) => [key, turned(one)])) // prettier-ignore
        : Array.isArray(value)
          ? value.map(turned)
          : value;
    const other = new Map([...gear].map(([id, body]) => [id, turned(body) as Gear]));
    for (const body of RIGS) expect(checkSteps(turned(body) as Rig, other).map(({ facts }) => facts)).toEqual(checkSteps(body, gear).map(({ facts }) => facts)); // prettier-ignore
  });

  it('takes a reading out again, and the newest of a rig is its own', () => {
    const [first] = checkSteps(rig, gear);
    expect(withReading(withReading(EMPTY, first!, 16), first!, undefined)).toEqual(EMPTY);
    const sheets = [EMPTY, { ...EMPTY, at: '2026-01-13' }, { ...EMPTY, at: '2026-01-11' }].map((body, place) => ({ id: `${place}`, body }));
    expect(sheetOfRig(sheets, EMPTY.rigId)?.id).toBe('1');
    expect(sheetOfRig(sheets, 'another')).toBeUndefined();
  });
});

describe('what a reading corrects in the kit', () => {
  const read = (rig: Rig, find: (step: CheckStep) => boolean, reading: MeterReading) => {
    const step = checkSteps(rig, gear).find(find)!;
    return corrections({ step, reading, judged: judgeReading(step, reading), closed: false }, gear);
  };

  it('is the charge that its volts at rest tell', () => {
    const [charge] = read({ ...wheelhouse, startCharge: 0.9 }, ({ is }) => is === 'open', 4 * 3.75);
    expect(spoken(charge)).toMatchObject({ says: expect.stringMatching(/^Its charge is 50/), after: { charge: 0.5 } });
    expect(read(wheelhouse, ({ is }) => is === 'open', 3)).toEqual([]);
  });

  it('is the output of an adapter as it was measured', () => {
    const [output] = read(wheelhouse, ({ is, at }) => is === 'open' && at.is === 'output' && at.from.part.startsWith('Adapter'), 9.1);
    expect(output?.after).toMatchObject({ output: { voltageV: 9.1 }, from: { voltageV: 'measured' } });
  });

  it('is a lead that is crossed, broken, shorted or high in ohms; nothing where it is as expected', () => {
    const rig = RIGS.find((one) => checkSteps(one, gear).some(({ is }) => is === 'lead'))!;
    const lead = ({ is }: CheckStep): boolean => is === 'lead';
    expect(read(rig, lead, 'OL').map(({ after }) => after)).toEqual([
      expect.objectContaining({ crossed: true }),
      expect.objectContaining({ away: 'broken' }),
    ]);
    expect(read(rig, lead, 3)[0]?.after).toMatchObject({ resistanceOhm: 6 });
    expect(read(rig, lead, 0.01)).toEqual([]);
    expect(read(rig, ({ is }) => is === 'across', 0.5)[0]?.after).toMatchObject({ away: 'broken' });
    expect(read(rig, ({ is, cableId }) => is === 'open' && cableId !== undefined, -12)[0]?.after).toMatchObject({ crossed: true });
  });
});

describe('a reading as it is typed', () => {
  it.each<[string, CheckStep['is'], MeterReading | undefined]>([
    ['16,4', 'open', 16.4],
    ['16.4 V', 'open', 16.4],
    ['-8.1', 'open', -8.1],
    ['−8,1', 'open', -8.1],
    ['– 8.1V', 'loaded', -8.1],
    ['0', 'open', 0],
    ['-0', 'open', 0],
    ['230 mV', 'open', 0.23],
    ['OL', 'lead', 'OL'],
    ['0L', 'across', 'OL'],
    ['O.L', 'lead', 'OL'],
    ['1 .', 'lead', 'OL'],
    ['0,3', 'lead', 0.3],
    ['12 kΩ', 'across', 12_000],
    ['-0.3', 'lead', undefined],
    ['16.4 A', 'open', undefined],
    ['much', 'open', undefined],
    ['', 'open', undefined],
  ])('%s at %s', (text, is, reading) => {
    const read = readMeter(text, { is });
    expect(read.ok ? read.reading : undefined).toBe(reading);
    if (!read.ok) expect(read.issue.message).toContain('expected');
  });
});
