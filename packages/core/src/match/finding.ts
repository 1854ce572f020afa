import type { Unit } from '../quantity/unit';

/** `good`; `caution`: works, at a cost that is named; `stop`: can damage or will not run; `unknown`: a figure is missing. */
export type Verdict = 'good' | 'caution' | 'stop' | 'unknown';

/** Worst last. A missing figure outweighs a caution: it may hide a stop. */
const ORDER: readonly Verdict[] = ['good', 'caution', 'unknown', 'stop'];

export function worstVerdict(verdicts: Iterable<Verdict>): Verdict {
  let worst = 0;
  for (const verdict of verdicts) worst = Math.max(worst, ORDER.indexOf(verdict));
  return ORDER[worst]!;
}

/** What each code means; docs/findings.md lists the same, held equal by a test. */
export const FINDINGS = {
  'part-missing': 'A part that the rig names is not there.',
  'connector-fits': 'Two connectors mate.',
  'connector-mismatch': 'Two connectors do not mate.',
  'connector-unknown': 'The family of a battery bay is not known on one side.',
  'figure-missing': 'A figure is missing, so a check could not be made.',
  'voltage-fits': 'The whole range of the source, full to empty, is within the window of what it feeds.',
  'over-voltage': 'The source can be higher than what it feeds allows.',
  'under-voltage': 'The source is below what it feeds needs from the first minute.',
  'charge-stranded': 'The device or converter stops before the battery is empty.',
  'will-not-start': 'A converter needs more volts to start than the battery has at this charge.',
  'current-fits': 'The current stays within every limit, at every state of charge.',
  'over-current': 'A limit on current is passed from the first minute.',
  'over-current-late': 'A limit on current is passed as the battery empties.',
  'peak-stops': 'A short peak of the load breaks a limit.',
  collapse: 'Battery and leads cannot carry the load at all.',
  'adapter-overloaded': 'The device draws more than the adapter is rated for.',
  'contract-fits': 'Source, cable and device agree on a contract that covers the draw.',
  'contract-none': 'Source and device share no profile.',
  'contract-short': 'The contract gives less than the device needs.',
  'sink-needs-battery': 'The device runs from USB only with its own battery in.',
  'sink-only-charges': 'The device does not run from USB; it only charges when off.',
  'gauge-blind': 'The gauge of the camera does not show what is left.',
  lasts: 'It runs as long as asked, reserve kept.',
  'lasts-into-reserve': 'It runs as long as asked only by spending the reserve.',
  'too-short': 'It stops before the time asked for.',
} as const;
export type FindingCode = keyof typeof FINDINGS;

/** What a finding is about, in the order in which they are checked before power is applied. */
export type Aspect = 'connector' | 'voltage' | 'current' | 'gauge' | 'run';

/** Which part of the way a finding or a figure belongs to. */
export type Role = 'battery' | 'cable' | 'adapter' | 'device' | 'rig';

export interface ShownNumber {
  readonly name: string;
  readonly value: number;
  readonly unit: Unit;
}

export interface Finding {
  readonly code: FindingCode;
  readonly verdict: Verdict;
  readonly aspect: Aspect;
  readonly role: Role;
  /** The name of the part concerned. */
  readonly part: string;
  readonly numbers: readonly ShownNumber[];
  readonly sentence: string;
  readonly remedy?: string;
}

/** Findings in order of harm, the worst first; equals keep their place. */
export function byHarm(findings: readonly Finding[]): readonly Finding[] {
  return [...findings].sort((a, b) => ORDER.indexOf(b.verdict) - ORDER.indexOf(a.verdict));
}
