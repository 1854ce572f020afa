import { LOW_WATER } from '@viaggio/core/demo';
import { PLAN_FORMAT, PLAN_VERSION } from '@viaggio/core/document';
import type { ToldFault } from '@viaggio/core/words';
import { faultText } from './fault';

const PLAN = JSON.stringify({ format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs });

function fault(symptom: string, answers?: unknown, rig = 'Wheelhouse') {
  const [out, err]: [string[], string[]] = [[], []];
  const text = typeof answers === 'string' || answers === undefined ? answers : JSON.stringify(answers);
  const code = faultText(PLAN, rig, symptom, text, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, found: out[0] === undefined ? undefined : (JSON.parse(out[0]) as ToldFault), err };
}

describe('viaggio fault', () => {
  it('prints the causes with how likely each is, and what to try next', () => {
    const { code, found } = fault('flashes-and-dies');
    expect(code).toBe(0);
    expect(found!.causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
    for (const { why } of found!.causes) expect(why).not.toBe('');
    expect(found!.next).toMatchObject({ test: expect.any(String), parts: expect.any(Array), why: expect.any(String) });
  });

  it.each([
    ['flashes and dies', 'flashes-and-dies'],
    ['Runs but shuts off at the shutter', 'off-at-record'],
    ['no gauge', 'no-gauge'],
    ['will not charge', 'will-not-charge'],
    ['stops early', 'stops-early'],
    ['will not start on this battery', 'will-not-start'],
    ['monitor restarts when the transmitter starts', 'other-restarts'],
    ['camera says lens error in the top mode', 'lens-error'],
  ])('understands “%s”', (said, symptom) => expect(fault(said).found).toEqual(fault(symptom).found));

  it('follows what was tried', () => {
    const answers = [
      { test: 'when-it-comes', answer: 'when-touched' },
      { test: 'wiggle', answer: 'changes' },
    ];
    expect(fault('flashes-and-dies', answers).found).toMatchObject({ is: 'open', next: { test: 'feel-warm' } });
    expect(fault('flashes-and-dies', answers).found!.causes[0]!.cause).toBe('contact-loose');
    const more = [
      { test: 'feel-warm', answer: 'usual' },
      { test: 'own-battery', answer: 'gone' },
      { test: 'lighter-mode', answer: 'stays' },
    ];
    expect(fault('flashes-and-dies', [...answers, ...more]).found).toMatchObject({ is: 'found' });
  });

  it.each<[string, () => ReturnType<typeof fault>, RegExp]>([
    ['a symptom', () => fault('sulks'), /^--symptom: expected one of flashes-and-dies/],
    ['a rig', () => fault('no-gauge', undefined, 'No rig'), /^--rig/],
    ['JSON', () => fault('no-gauge', '['), /^--answers: not JSON/],
    ['a test', () => fault('no-gauge', [{ test: 'pray', answer: 'gone' }]), /^--answers: .*test/],
    ['an answer', () => fault('no-gauge', [{ test: 'wiggle', answer: 'gone' }]), /^--answers: \/0\/answer: expected one of changes, same/],
  ])('refuses what is not %s, by the name of its field', (_what, ask, says) => {
    const { code, found, err } = ask();
    expect([code, found, err[0]]).toEqual([1, undefined, expect.stringMatching(says)]);
  });
});
