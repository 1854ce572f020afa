import { assess } from '../answer';
import type { Answer } from '../answer';
import { severity } from '../findings';
import type { Finding, FindingCode, Verdict } from '../findings';
import type { Gear } from '../gear';
import type { Rig } from '../rig/drawn';
import { withTestsSettled } from '../rig/resolved';
import type { RemedyAct } from './remedy-act';
import { devicesOf, otherFeeds, triesBy } from './remedy-tries';
import type { Means, Try } from './remedy-tries';

/** One change to a rig that takes a finding away, tried out before it is offered. */
export interface Remedy {
  /** What it does. */
  readonly act: RemedyAct;
  readonly rig: Rig;
  readonly verdict: Verdict;
  readonly firstStopMin: number | undefined;
  /** How long to plan with, then. */
  readonly plannedMin: number | undefined;
}

/** Which means may help against what; what is not named has no remedy that a press could apply. */
const MEANS: Readonly<Partial<Record<FindingCode, readonly Means[]>>> = {
  'not-fed': ['feed'],
  'used-twice': ['port', 'cable', 'feed'],
  'connector-mismatch': ['port', 'cable', 'adapter', 'feed'],
  'cable-missing': ['cable', 'feed'],
  'polarity-reversed': ['cable', 'adapter', 'feed'],
  'polarity-unknown': ['cable', 'adapter'],
  'connector-unknown': ['cable', 'battery', 'adapter'],
  'port-taken': ['feed'],
  refused: ['adapter', 'feed'],
  'over-voltage': ['port', 'battery', 'adapter', 'feed'],
  'over-voltage-charging': ['battery', 'feed'],
  'under-voltage': ['charge', 'cable', 'port', 'battery', 'adapter', 'feed'],
  'charge-stranded': ['cable', 'adapter', 'battery', 'feed'],
  'will-not-start': ['charge', 'battery', 'feed'],
  'wire-drop': ['cable', 'dim'],
  'over-current': ['port', 'cable', 'dim', 'mode', 'battery', 'feed'],
  'over-current-late': ['port', 'cable', 'dim', 'mode', 'battery', 'feed'],
  'peak-over-rating': ['cable', 'port', 'mode', 'feed'],
  'peak-stops': ['port', 'cable', 'mode', 'battery', 'feed'],
  collapse: ['cable', 'battery', 'dim', 'mode', 'feed'],
  'adapter-overloaded': ['adapter', 'mode', 'feed'],
  'budget-passed': ['port', 'dim', 'mode', 'feed'],
  'budget-shared': ['port', 'feed'],
  'regulator-hot': ['adapter', 'feed'],
  'wire-hot': ['cable', 'dim'],
  'fuse-small': ['cable', 'dim', 'mode'],
  'fuse-large': ['cable'],
  'fuse-none': ['cable'],
  'contract-none': ['port', 'cable', 'battery', 'feed'],
  'contract-short': ['cable', 'port', 'mode', 'battery', 'feed'],
  'legacy-short': ['port', 'battery', 'feed'],
  'sink-needs-battery': ['feed'],
  'sink-only-charges': ['feed'],
  'battery-drains': ['cable', 'port', 'battery', 'mode', 'feed'],
  'mode-lost': ['mode', 'battery', 'adapter', 'feed'],
  'mode-lost-late': ['mode', 'battery', 'feed'],
  'feature-lost': ['cable', 'port', 'battery', 'feed'],
  'gauge-blind': ['adapter', 'feed'],
  'spare-unfit': ['spare'],
  'lasts-into-reserve': ['dim', 'battery', 'spare'],
  'too-short': ['battery', 'spare', 'dim', 'feed'],
};

/** Enough to choose from at one press. */
const MOST_OFFERED = 3;
/** Changes tried of each means. */
const MOST_TRIED = 20;
/** Devices for which the kit is searched anew. */
const MOST_REFED = 2;

/** What could be changed at one press so that a finding goes away. Made once for a rig, asked for each of its findings. */
export class RemedySearch {
  private readonly before: Answer;
  /** Changes are the same for many findings: each is tried once. */
  private readonly answers = new Map<string, Answer>();
  private readonly feeds = new Map<string, readonly Try[]>();

  private readonly gear: ReadonlyMap<string, Gear>;

  constructor(
    private readonly rig: Rig,
    kit: ReadonlyMap<string, Gear>,
    /** Gear that is not to be used: in other rigs, lent, broken. */
    private readonly exclude: ReadonlySet<string> = new Set(),
  ) {
    this.gear = withTestsSettled(rig, kit);
    this.before = tried(rig, this.gear);
  }

  /**
   * Another port, cable, battery, adapter, a lower brightness, another mode, a full battery, a spare, another feed from
   * the kit. Each change is tried on the whole rig and only offered when the finding is gone, nothing got worse in kind,
   * and it runs no shorter for it; the smallest change first.
   *
   * Cost: up to twenty assessments of the rig for each means, each change once for all findings, and a search of the
   * kit for at most two devices.
   *
   * @example new RemedySearch(lateRig, kit).for(lateFinding).length > 0 // true
   */
  for(found: Finding): readonly Remedy[] {
    const helping = (MEANS[found.code] ?? []).map((means) => {
      const offered = new Map<string, Remedy>();
      for (const { act, rig: changed, group = JSON.stringify(act) } of this.tries(means, found).slice(0, MOST_TRIED)) {
        if (offered.has(group)) continue;
        const answer = this.answerTo(changed);
        if (!isBetter(found, this.before, answer)) continue;
        const { verdict, firstStopMin, plannedMin } = answer;
        offered.set(group, { act, rig: changed, verdict, firstStopMin, plannedMin });
      }
      return [...offered.values()].sort((a, b) => severity(a.verdict) - severity(b.verdict));
    });
    // the best of each means, the smallest change first; then the second best
    return [0, 1, 2].flatMap((place) => helping.flatMap((remedies) => remedies[place] ?? [])).slice(0, MOST_OFFERED);
  }

  private answerTo(changed: Rig): Answer {
    const key = JSON.stringify([changed.links, changed.devices, changed.batteries]);
    const known = this.answers.get(key) ?? tried(changed, this.gear);
    this.answers.set(key, known);
    return known;
  }

  private tries(means: Means, found: Finding): readonly Try[] {
    const { rig, gear, exclude } = this;
    if (means !== 'feed') return triesBy(means, rig, gear, found, exclude);
    return devicesOf(rig, found)
      .slice(0, MOST_REFED)
      .flatMap((id) => {
        const known = this.feeds.get(id) ?? otherFeeds(rig, gear, id, exclude);
        this.feeds.set(id, known);
        return known;
      });
  }
}

/** A rig as a remedy is judged: where a new part would sit on it nobody has said yet. */
function tried(rig: Rig, gear: ReadonlyMap<string, Gear>): Answer {
  return assess({ ...rig, balance: undefined }, gear, { tracePoints: 0 });
}

/** The finding is gone or less than it was, there is no new stop, no new missing figure, no caution for a caution, and it does not run shorter. */
function isBetter(found: Finding, before: Answer, after: Answer): boolean {
  const still = after.findings.some(
    (one) =>
      severity(one.verdict) >= severity(found.verdict) &&
      one.code === found.code &&
      (one.gearId === found.gearId || one.connectionId === found.connectionId || one.part === found.part),
  );
  const count = ({ findings }: Answer, verdict: Verdict): number => findings.filter((one) => one.verdict === verdict).length;
  if (still || count(after, 'stop') > count(before, 'stop') || count(after, 'unknown') > count(before, 'unknown')) return false;
  // what is stopped shows its cautions only once it runs
  if (found.verdict === 'caution' && count(after, 'caution') > count(before, 'caution')) return false;
  const time = ({ unlimited, firstStopMin, beyondMin }: Answer): number => (unlimited ? Infinity : (firstStopMin ?? beyondMin ?? 0));
  return time(after) >= time(before) * 0.999;
}
