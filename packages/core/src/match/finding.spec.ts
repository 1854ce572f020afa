import { readFileSync } from 'node:fs';
import path from 'node:path';
import { FINDINGS, byHarm, worstVerdict } from './finding';
import type { Finding, Verdict } from './finding';

describe('verdicts', () => {
  it('rank stop over unknown over caution over good', () => {
    expect(worstVerdict([])).toBe('good');
    expect(worstVerdict(['good', 'caution'])).toBe('caution');
    expect(worstVerdict(['caution', 'unknown', 'good'])).toBe('unknown');
    expect(worstVerdict(['unknown', 'stop'])).toBe('stop');
  });

  it('order findings by harm, equals kept in place', () => {
    const finding = (verdict: Verdict, part: string): Finding => ({
      code: 'lasts',
      verdict,
      aspect: 'run',
      role: 'rig',
      part,
      numbers: [],
      sentence: '',
    });
    const ordered = byHarm([
      finding('good', 'a'),
      finding('stop', 'b'),
      finding('caution', 'c'),
      finding('stop', 'd'),
      finding('unknown', 'e'),
    ]);
    expect(ordered.map(({ part }) => part).join('')).toBe('bdeca');
  });
});

describe('docs/findings.md', () => {
  it('lists every code with its meaning, and no other', () => {
    const text = readFileSync(path.join(__dirname, '../../../../docs/findings.md'), 'utf8');
    const listed = [...text.matchAll(/^\| `([a-z-]+)` +\| (.+?) +\|$/gm)].map(([, code, about]) => [code, about]);
    expect(Object.fromEntries(listed)).toEqual(FINDINGS);
  });
});
