import type { Role } from '../rig';
import type { Facts } from './facts';
import { severity } from './verdict';
import type { Verdict } from './verdict';

export type FindingCode = keyof Facts;

/** What a finding is about, in the order in which they are checked before power is applied. */
export type Aspect = 'connector' | 'voltage' | 'current' | 'modes' | 'gauge' | 'balance' | 'run';

/** Where a finding is. */
export interface FindingPlace {
  readonly aspect: Aspect;
  readonly role: Role;
  /** The gear concerned, where it is one piece. */
  readonly gearId?: string | undefined;
  /** The connection concerned, by what it leads to. */
  readonly connectionId?: string | undefined;
  /** The name of the part concerned. */
  readonly part: string;
  /** The phase of the rig in which it comes, and from which minute on; absent where it is so in the usual modes. */
  readonly phase?: { readonly number: number; readonly name: string | undefined; readonly fromMin: number } | undefined;
}

/** One thing found about a rig, as data: `words` makes a sentence and a remedy of it. */
export type Finding<C extends FindingCode = FindingCode> = {
  readonly [K in C]: FindingPlace & { readonly code: K; readonly verdict: Verdict; readonly facts: Facts[K] };
}[C];

/** A finding whose code and facts belong together. */
export function finding<C extends FindingCode>(code: C, verdict: Verdict, place: FindingPlace, facts: Facts[C]): Finding {
  return { ...place, code, verdict, facts } as unknown as Finding;
}

/** Findings in order of harm, the worst first; equals keep their place. */
export function byHarm(findings: readonly Finding[]): readonly Finding[] {
  return [...findings].sort((a, b) => severity(b.verdict) - severity(a.verdict));
}
