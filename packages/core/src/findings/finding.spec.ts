import { byHarm, finding } from './finding';
import { worstVerdict } from './verdict';
import type { Verdict } from './verdict';

describe('verdicts', () => {
  it('rank stop over unknown over caution over good', () => {
    expect(worstVerdict([])).toBe('good');
    expect(worstVerdict(['good', 'caution'])).toBe('caution');
    expect(worstVerdict(['caution', 'unknown', 'good'])).toBe('unknown');
    expect(worstVerdict(['unknown', 'stop'])).toBe('stop');
  });

  it('order findings by harm, equals kept in place', () => {
    const facts = { wantedMin: 60, plannedMin: 60, firstStopMin: 60, gapMin: 0 };
    const found = (verdict: Verdict, part: string) => finding('lasts', verdict, { aspect: 'run', role: 'rig', part }, facts);
    const ordered = byHarm([found('good', 'a'), found('stop', 'b'), found('caution', 'c'), found('stop', 'd'), found('unknown', 'e')]);
    expect(ordered.map(({ part }) => part).join('')).toBe('bdeca');
  });
});
