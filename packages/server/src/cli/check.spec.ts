import { LOW_WATER } from '@viaggio/core/demo';
import { PLAN_FORMAT, PLAN_VERSION } from '@viaggio/core/document';
import { checkText } from './check';

const PLAN = JSON.stringify({ format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs });

interface Line {
  readonly step: string;
  readonly is: string;
  readonly expect: { readonly minV?: number; readonly maxV?: number; readonly maxOhm?: number; readonly polarity: string };
  readonly reading?: number | 'OL';
  readonly verdict?: string;
  readonly reason?: string;
  readonly closed?: boolean;
}

function check(readings?: unknown, rig = 'Monitor on the drawer lead') {
  const [out, err]: [string[], string[]] = [[], []];
  const text = typeof readings === 'string' || readings === undefined ? readings : JSON.stringify(readings);
  const code = checkText(PLAN, rig, text, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, lines: out.map((line) => JSON.parse(line) as Line), err };
}

describe('viaggio check', () => {
  const steps = check().lines;

  it('prints the steps in order, with what to expect', () => {
    expect(steps.map(({ is }) => is)).toEqual(['lead', 'lead', 'across', 'open', 'loaded']);
    expect(steps.map(({ expect: { polarity } }) => polarity)).toEqual(['none', 'none', 'none', 'plus', 'plus']);
    expect(steps[0]!.expect.maxOhm).toBeGreaterThan(0);
    for (const { expect: expected, verdict } of steps.slice(3)) {
      expect(expected.maxV!).toBeGreaterThan(expected.minV!);
      expect(verdict).toBeUndefined();
    }
  });

  it('judges readings, and closes what is behind a stop until it is measured again', () => {
    const [lead, , , source, end] = steps.map(({ step }) => step);
    const bad = check([
      { step: lead, value: 0.1 },
      { step: source, value: -16.4, unit: 'V' },
      { step: end, value: 16.4 },
    ]).lines;
    expect(bad.map(({ verdict, closed }) => [verdict, closed])).toEqual([
      ['good', undefined],
      [undefined, undefined],
      [undefined, undefined],
      ['stop', undefined],
      [undefined, true],
    ]);
    expect(bad[3]!.reason).toContain('Never connect');
    const again = check([
      { step: source, value: -16.4 },
      { step: source, value: 16.4 },
      { step: end, value: 16.4 },
    ]).lines;
    expect(again.slice(3).map(({ verdict }) => verdict)).toEqual(['good', 'good']);
    expect(check([{ step: lead, value: 'OL' }]).lines[0]).toMatchObject({ reading: 'OL', verdict: 'stop' });
    expect(
      check([
        { step: lead, value: 'OL' },
        { step: lead, value: 0 },
      ]).lines[0],
    ).toMatchObject({ reading: 0, verdict: 'good' });
  });

  it('reads the unit that is said, and takes none of another kind', () => {
    const [lead, , , source] = steps.map(({ step }) => step);
    expect(check([{ step: source, value: -16_400, unit: 'mV' }]).lines[3]).toMatchObject({ reading: -16.4, verdict: 'stop' });
    for (const bad of [
      { step: source, value: 16.4, unit: 'A' },
      { step: lead, value: 0.1, unit: 'V' },
      { step: lead, value: -0.1 },
    ])
      expect(check([bad])).toMatchObject({ code: 1, lines: [], err: [expect.stringMatching(/\/0\/value: expected (volts|ohms)/)] });
  });

  it('tells what is wrong with readings, and prints nothing', () => {
    expect(check([{ step: 'nowhere', value: 1 }])).toMatchObject({
      code: 1,
      lines: [],
      err: [expect.stringContaining('steps of this rig')],
    });
    expect(check([{ step: steps[0]!.step, value: 'much' }])).toMatchObject({
      code: 1,
      lines: [],
      err: [expect.stringMatching(/^--readings: .*value/)],
    });
    expect(check('[')).toMatchObject({ code: 1, err: [expect.stringContaining('not JSON')] });
    expect(check(undefined, 'No rig')).toMatchObject({ code: 1, err: [expect.stringContaining('--rig')] });
  });
});
