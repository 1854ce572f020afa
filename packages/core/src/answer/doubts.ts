import { contradictionsOf, finding } from '../findings';
import type { Finding, Verdict } from '../findings';
import type { Gear } from '../gear';
import type { ResolvedRig } from '../rig/resolved';

/** How a rig is judged, contradictions left out. */
export interface Undoubted {
  readonly verdict: Verdict;
  /** Minutes to plan with, where there is a time. */
  readonly plannedMin: number | undefined;
}

/** Times closer than this, as a share of the longer, are planned the same. */
const SAME_TIME = 0.1;

/**
 * Contradictions weighed: where the rig is judged the same by either of two figures, and lasts as long, that they differ
 * decides nothing, and is a note. `judge` judges the rig with other gear.
 */
export function doubtsWeighed(
  findings: readonly Finding[],
  { parts, strings }: ResolvedRig,
  judge: (gear: ReadonlyMap<string, Gear>) => Undoubted,
): readonly Finding[] {
  // batteries in series stand as one here: they cannot be put back
  if (strings.length > 0 || findings.every(({ code }) => code !== 'figure-doubtful')) return findings;
  const gear = new Map([...parts].map(([id, part]) => [id, part.gear]));
  return findings.map((one) => {
    const part = one.code === 'figure-doubtful' && one.gearId !== undefined ? parts.get(one.gearId) : undefined;
    if (!part || one.code !== 'figure-doubtful') return one;
    const told = JSON.stringify(one.facts);
    const either = contradictionsOf(part).find(({ doubt }) => JSON.stringify(doubt) === told)?.either;
    if (!either) return one;
    const [first, second] = [judge(new Map(gear).set(part.id, either[0])), judge(new Map(gear).set(part.id, either[1]))];
    const { code: _code, verdict: _verdict, facts, ...place } = one;
    return isSame(first, second) ? finding('figure-doubtful', 'note', place, facts) : one;
  });
}

function isSame(one: Undoubted, other: Undoubted): boolean {
  const [oneMin, otherMin] = [one.plannedMin ?? 0, other.plannedMin ?? 0];
  return one.verdict === other.verdict && Math.abs(oneMin - otherMin) <= SAME_TIME * Math.max(oneMin, otherMin);
}
