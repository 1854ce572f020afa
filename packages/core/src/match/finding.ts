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
  // how the rig is drawn
  'part-missing': 'A part, port or mode that the rig names is not there.',
  'used-twice': 'One port or cable is to serve two things.',
  'not-fed': 'Nothing feeds a device, or a part that is to hand power on.',
  loop: 'Power would run in a circle.',
  // plugs
  'connector-fits': 'Two connectors mate.',
  'connector-mismatch': 'Two connectors do not mate.',
  'cable-missing': 'Two sockets are to be joined without a cable.',
  'connector-unknown': 'The family or size of a connector is not known on one side.',
  'polarity-reversed': 'Plus would meet minus.',
  'polarity-unknown': 'A plug that can be of either polarity, and one side does not say.',
  'port-taken': 'A control or data cable is in the port that is to feed the device.',
  'fit-note': 'A door, strap or plug needs attention where this part is used.',
  refused: 'The device, or grip, is known to refuse this adapter.',
  'figure-missing': 'A figure is missing, so a check could not be made.',
  // volts
  'voltage-fits': 'The whole range of the source, full to empty, is within the window of what it feeds.',
  'over-voltage': 'The source can be higher than what it feeds allows.',
  'over-voltage-charging': 'The charger lifts the source above the window of what it feeds.',
  'under-voltage': 'The source is below what it feeds needs from the first minute.',
  'charge-stranded': 'The device or converter stops before the battery is empty.',
  'will-not-start': 'A part needs more volts to start than it is given at this charge.',
  'wire-drop': 'The cable takes more than a twentieth of the voltage.',
  // amps
  'current-fits': 'The current stays within every limit, at every state of charge.',
  'over-current': 'A limit on current is passed from the first minute.',
  'over-current-late': 'A limit on current is passed as the battery empties.',
  'peak-stops': 'A short peak of the load breaks a limit.',
  collapse: 'Battery and leads cannot carry the load at all.',
  'adapter-overloaded': 'More is drawn than the adapter is rated for.',
  'budget-passed': 'Ports that share a limit pass it together.',
  'budget-shared': 'Ports that share a budget renegotiate when a neighbour is plugged in.',
  'regulator-hot': 'A linear regulator turns more than 2 W into heat.',
  'wire-hot': 'The wire is too thin for the current.',
  'fuse-small': 'The fuse is smaller than 1.25 times the highest continuous current.',
  'fuse-large': 'The fuse is larger than the wire or the port behind it carries.',
  'fuse-none': 'A strong pack feeds bare leads without a fuse.',
  // USB
  'contract-fits': 'Source, cable and device agree on a contract that covers the draw.',
  'contract-none': 'Source and device share no profile.',
  'contract-short': 'The contract gives less than the device needs.',
  'legacy-short': 'A plain 5 V port gives less than the device needs.',
  'sink-needs-battery': 'The device runs from USB only with its own battery in.',
  'sink-only-charges': 'The device does not run from USB; it only charges when off.',
  'battery-drains': 'The battery in the device empties although it is plugged in.',
  // what is lost
  'mode-lost': 'The mode chosen does not work on this feed.',
  'mode-lost-late': 'The mode chosen stops working as the battery empties.',
  'mode-closed': 'Another mode of the device does not work on this feed.',
  'feature-lost': 'A feature of the device is off on this feed.',
  'gauge-blind': 'The gauge of the camera does not show what is left.',
  // how it stands
  'balance-fits': 'The rig stands, or the stabiliser carries it.',
  'balance-unknown': 'A mass or a place is missing, so the balance is told without it.',
  'tips-over': 'The centre of mass is outside the feet.',
  'tips-easily': 'Less than a fifth of the reach of the feet is left as margin.',
  'payload-passed': 'The stabiliser is to carry more than it may.',
  'payload-near': 'The stabiliser carries almost all it may.',
  'swap-shifts': 'A spare moves the balance of a stabiliser.',
  // the rig as a whole
  'single-point': 'One part stops several devices when it fails.',
  'stops-together': 'Every device of the rig hangs on one source.',
  'no-cushion': 'A swap cuts the power of a device: nothing carries it meanwhile.',
  'spare-unfit': 'A spare cannot take the place of the battery it is named for.',
  lasts: 'It runs as long as asked, reserve kept.',
  'lasts-into-reserve': 'It runs as long as asked only by spending the reserve.',
  'too-short': 'It stops before the time asked for.',
} as const;
export type FindingCode = keyof typeof FINDINGS;

/** What a finding is about, in the order in which they are checked before power is applied. */
export type Aspect = 'connector' | 'voltage' | 'current' | 'modes' | 'gauge' | 'balance' | 'run';

/** Which kind of part a finding or a figure belongs to. */
export type Role = 'battery' | 'supply' | 'cable' | 'adapter' | 'hub' | 'device' | 'rig';

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
  /** The gear concerned, where it is one piece. */
  readonly gearId?: string | undefined;
  /** The joint concerned: what it leads to, as in the network. */
  readonly jointId?: string | undefined;
  /** The name of the part concerned. */
  readonly part: string;
  readonly numbers: readonly ShownNumber[];
  readonly sentence: string;
  readonly remedy?: string;
}

/** A finding as written: the type checks what a literal spread over lines does not. */
export function finding(found: Finding): Finding {
  return found;
}

/** Findings in order of harm, the worst first; equals keep their place. */
export function byHarm(findings: readonly Finding[]): readonly Finding[] {
  return [...findings].sort((a, b) => ORDER.indexOf(b.verdict) - ORDER.indexOf(a.verdict));
}
