import type { FlyAnswer } from '@viaggio/core/travel';
import { flyText } from './fly';
import { run } from './run';

function fly(question: unknown) {
  const [out, err]: [string[], string[]] = [[], []];
  const text = typeof question === 'string' ? question : JSON.stringify(question);
  const code = flyText(text, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, answer: out[0] === undefined ? undefined : (JSON.parse(out[0]) as FlyAnswer), err };
}
const battery = (id: string, energyWh: number, over = {}) => ({ id, chemistry: 'li-ion', energyWh, role: 'spare', ...over });

describe('viaggio fly', () => {
  it('answers each battery by its rule, who carries it, and what would do', () => {
    const { code, answer } = fly({ people: 2, batteries: [battery('V1', 95), battery('V3', 147), battery('V5', 196), battery('D1', 22, { homeMade: true })] }); // prettier-ignore
    expect(code).toBe(0);
    expect(answer!.batteries.map(({ id, verdict }) => `${id} ${verdict}`)).toEqual(['V1 free', 'V3 approval', 'V5 never', 'D1 approval']);
    for (const { verdict, carriedBy, rule } of answer!.batteries) {
      expect(rule).not.toBe('');
      expect(carriedBy === undefined).toBe(verdict === 'never');
    }
    expect(answer).toMatchObject({ possible: false, short: [expect.stringContaining('V5 may not fly')], rules: { asOf: '2026-11' } });
  });

  it.each<[string, unknown, RegExp]>([
    ['JSON', '[', /not JSON/],
    ['a question', { people: 0, batteries: [] }, /people/],
    [
      'watt-hours',
      { people: 1, batteries: [{ id: 'a', chemistry: 'li-ion', role: 'spare' }] },
      /batteries.*energyWh.*watt-hours as printed/i,
    ],
    ['a role', { people: 1, batteries: [battery('a', 20, { role: 'pocket' })] }, /role/],
  ])('refuses what is not %s, by the name of its field', (_what, question, says) => {
    const { code, answer, err } = fly(question);
    expect([code, answer]).toEqual([1, undefined]);
    expect(err.join('\n')).toMatch(says);
  });

  it('reads standard input without being told to', async () => {
    const err: string[] = [];
    expect(await run(['fly', '--rig', 'x'], { out: () => undefined, err: (line) => err.push(line) })).toBe(2);
    expect(err[0]).toContain('--rig is not for fly');
  });
});
