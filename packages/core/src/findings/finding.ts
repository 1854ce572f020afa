import type { Facts, Finding, FindingCode, FindingPlace } from './facts';
import { severity } from './verdict';
import type { FindingLevel } from './verdict';

/** A finding whose code and facts belong together. */
export function finding<C extends FindingCode>(code: C, verdict: FindingLevel, place: FindingPlace, facts: Facts[C]): Finding {
  return { ...place, code, verdict, facts } as unknown as Finding;
}

/** Findings in order of harm, the worst first; equals keep their place. */
export function byHarm(findings: readonly Finding[]): readonly Finding[] {
  return [...findings].sort((a, b) => severity(b.verdict) - severity(a.verdict));
}
