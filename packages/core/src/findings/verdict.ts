/** `good`; `caution`: works, at a cost that is named; `stop`: can damage or will not run; `unknown`: a figure is missing. */
export type Verdict = 'good' | 'caution' | 'stop' | 'unknown';

/** Worst last. A missing figure outweighs a caution: it may hide a stop. */
const ORDER: readonly Verdict[] = ['good', 'caution', 'unknown', 'stop'];

/** The worse, the more. */
export function severity(verdict: Verdict): number {
  return ORDER.indexOf(verdict);
}

export function worstVerdict(verdicts: Iterable<Verdict>): Verdict {
  let worst = 0;
  for (const verdict of verdicts) worst = Math.max(worst, severity(verdict));
  return ORDER[worst]!;
}
