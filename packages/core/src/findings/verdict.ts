/** `good`; `caution`: works, at a cost that is named; `stop`: can damage or will not run; `unknown`: a figure is missing. */
export type Verdict = 'good' | 'caution' | 'stop' | 'unknown';

/** What a finding is called: a verdict, or a `note`: to be known, told in its place, and no part of any verdict. */
export type FindingLevel = Verdict | 'note';

/** Worst last. A missing figure outweighs a caution: it may hide a stop. */
const ORDER: readonly FindingLevel[] = ['good', 'note', 'caution', 'unknown', 'stop'];

/** The worse, the more. */
export function severity(level: FindingLevel): number {
  return ORDER.indexOf(level);
}

/**
 * Whether it spoils something, or may: what a remedy is looked for.
 *
 * @example isFault('note') // false
 */
export function isFault(level: FindingLevel): boolean {
  return level !== 'good' && level !== 'note';
}

/** Of nothing, and of notes alone, `good`. */
export function worstVerdict(levels: Iterable<FindingLevel>): Verdict {
  let worst: Verdict = 'good';
  for (const level of levels) if (level !== 'note' && severity(level) > severity(worst)) worst = level;
  return worst;
}
