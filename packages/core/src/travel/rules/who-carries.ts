import { said } from '../../said';
import type { FlightRules } from './flight-rules';
import type { FlySaid } from './says';

/** A spare that somebody is to carry. */
export interface Carried {
  readonly id: string;
  /** It counts among those that need the carrier's approval. */
  readonly approval: boolean;
  readonly bank: boolean;
  readonly leadAcid: boolean;
  readonly energyWh: number;
}

/** Who carries what, from 1. */
export interface SharedOut {
  readonly by: ReadonlyMap<string, number>;
  /** What finds nobody who may still take it. */
  readonly left: readonly string[];
  /** The least that would do, in words; empty where nothing is left. */
  readonly wouldDo: readonly FlySaid[];
}

/** Limits of one person; Infinity where the rules set none. */
interface Limits {
  readonly approval: number;
  readonly bank: number;
  readonly leadAcid: number;
  readonly all: number;
}
/** So many of each sort, in the order of `SORTS`. */
type Counts = readonly number[];

/** Every sort that the limits tell apart. */
const SORTS = [0, 1, 2, 3, 4, 5, 6, 7].map((bits) => ({ approval: (bits & 1) > 0, bank: (bits & 2) > 0, leadAcid: (bits & 4) > 0 }));
const MOST_PEOPLE = 100;
/** Of the numbers of each sort, multiplied: up to here every way is looked at, beyond it an even share counts. */
const MOST_WAYS = 5000;
const NOTHING: Limits = { approval: 0, bank: 0, leadAcid: 0, all: 0 };

const sortOf = ({ approval, bank, leadAcid }: Carried): number => Number(approval) + 2 * Number(bank) + 4 * Number(leadAcid);

/**
 * Spares among people so that everybody keeps the limits, the largest first where not all find room. An even share first;
 * where that leaves somebody over and there are few enough, every way is looked at, so that of a crew's spares none is left
 * that could have gone.
 */
export function shareOut(spares: readonly Carried[], people: number, rules: FlightRules): SharedOut {
  const limits = limitsOf(rules);
  // what no limit counts is no sort of its own
  const counted = spares.map((one) => ({ ...one, bank: one.bank && Number.isFinite(limits.bank) }));
  const kept = [...counted].sort((a, b) => b.energyWh - a.energyWh || a.id.localeCompare(b.id));
  const left: Carried[] = [];
  let shares = sharesOf(countsOf(kept), people, limits);
  while (!shares) {
    left.push(...kept.splice(leaveOut(kept, people, limits), 1));
    shares = sharesOf(countsOf(kept), people, limits);
  }
  const by = new Map<string, number>();
  const taken = new Set<string>();
  for (const [person, counts] of shares.entries()) {
    for (const [sort, most] of counts.entries()) {
      for (const one of kept.filter((each) => sortOf(each) === sort && !taken.has(each.id)).slice(0, most)) {
        taken.add(one.id);
        by.set(one.id, person + 1);
      }
    }
  }
  return { by, left: left.map(({ id }) => id), wouldDo: left.length === 0 ? [] : wouldDo(counted, left, people, limits) };
}

function limitsOf({ approvalSpares, banks, leadAcidSpares, spares }: FlightRules): Limits {
  return { approval: approvalSpares, bank: banks ?? Infinity, leadAcid: leadAcidSpares, all: spares ?? Infinity };
}

function countsOf(spares: readonly Carried[]): Counts {
  return SORTS.map((_, sort) => spares.filter((one) => sortOf(one) === sort).length);
}

/** What each person takes of each sort; undefined where it cannot be done. */
function sharesOf(counts: Counts, people: number, limits: Limits): readonly Counts[] | undefined {
  const total = counts.reduce((used, count, sort) => add(used, SORTS[sort]!, count), NOTHING);
  const isOver = (['approval', 'bank', 'leadAcid', 'all'] as const).some((limit) => total[limit] > people * limits[limit]);
  if (isOver) return undefined;
  return evenShares(counts, people, limits) ?? (isSmall(counts) ? searchedShares(counts, people, limits) : undefined);
}

/** What counts in the most limits first, each to the one with the fewest; undefined where somebody is left over. */
function evenShares(counts: Counts, people: number, limits: Limits): readonly Counts[] | undefined {
  const takes = Array.from({ length: people }, () => ({ used: NOTHING, counts: SORTS.map(() => 0) }));
  const weight = ({ approval, bank, leadAcid }: (typeof SORTS)[number]): number => Number(approval) + Number(bank) + Number(leadAcid);
  const order = SORTS.map((of, sort) => ({ of, sort })).sort((a, b) => weight(b.of) - weight(a.of));
  for (const { of, sort } of order) {
    const load = ({ approval, bank, leadAcid, all }: Limits): number =>
      (of.approval ? 1e4 * approval : 0) + (of.bank ? 1e4 * bank : 0) + (of.leadAcid ? 1e4 * leadAcid : 0) + all;
    for (let count = 0; count < counts[sort]!; count++) {
      const roomy = takes.filter(({ used }) => fits(of, used, limits));
      if (roomy.length === 0) return undefined;
      const least = roomy.reduce((best, one) => (load(one.used) < load(best.used) ? one : best));
      least.used = add(least.used, of, 1);
      least.counts[sort] = least.counts[sort]! + 1;
    }
  }
  return takes.map((one) => one.counts);
}

/** Few enough to look at every way. */
function isSmall(counts: Counts): boolean {
  return counts.reduce((product, count) => product * (count + 1), 1) <= MOST_WAYS;
}

/** Every way, what was found impossible once not tried again. */
function searchedShares(counts: Counts, people: number, limits: Limits): readonly Counts[] | undefined {
  const impossible = new Set<string>();
  const from = (left: Counts, person: number): readonly Counts[] | undefined => {
    if (left.every((count) => count === 0)) return Array.from({ length: people - person }, () => SORTS.map(() => 0));
    if (person === people) return undefined;
    const key = `${person} ${left.join()}`;
    if (impossible.has(key)) return undefined;
    for (const take of fullShares(left, limits)) {
      const rest = from(
        left.map((count, sort) => count - take[sort]!),
        person + 1,
      );
      if (rest) return [take, ...rest];
    }
    impossible.add(key);
    return undefined;
  };
  return from(counts, 0);
}

/**
 * What one person may take so that nothing more would fit: to take less never helps those who come after. Of what no limit
 * but the whole number counts, as much as there is room for.
 */
function fullShares(left: Counts, limits: Limits): readonly Counts[] {
  const found: Counts[] = [];
  const go = (sort: number, take: Counts, used: Limits): void => {
    if (sort === 0) {
      const plain = Math.min(left[0]!, limits.all - used.all);
      const whole = [plain, ...take];
      if (SORTS.every((of, at) => whole[at]! >= left[at]! || !fits(of, add(used, SORTS[0]!, plain), limits))) found.push(whole);
      return;
    }
    const of = SORTS[sort]!;
    for (let count = 0; count <= left[sort]!; count++) {
      const next = add(used, of, count);
      if (next.approval > limits.approval || next.bank > limits.bank || next.leadAcid > limits.leadAcid || next.all > limits.all) break;
      go(sort - 1, [count, ...take], next);
    }
  };
  go(SORTS.length - 1, [], NOTHING);
  return found;
}

function add(used: Limits, { approval, bank, leadAcid }: (typeof SORTS)[number], count: number): Limits {
  return {
    approval: used.approval + (approval ? count : 0),
    bank: used.bank + (bank ? count : 0),
    leadAcid: used.leadAcid + (leadAcid ? count : 0),
    all: used.all + count,
  };
}

/** Whether one more of a sort fits. */
function fits(of: (typeof SORTS)[number], used: Limits, limits: Limits): boolean {
  const next = add(used, of, 1);
  return next.approval <= limits.approval && next.bank <= limits.bank && next.leadAcid <= limits.leadAcid && next.all <= limits.all;
}

/** The one whose leaving helps most: it counts in the most limits that are passed; of several the smallest, missed least. */
function leaveOut(kept: readonly Carried[], people: number, limits: Limits): number {
  const passed = [
    { is: ({ approval }: Carried) => approval, each: limits.approval },
    { is: ({ bank }: Carried) => bank, each: limits.bank },
    { is: ({ leadAcid }: Carried) => leadAcid, each: limits.leadAcid },
    { is: () => true, each: limits.all },
  ].filter(({ is, each }) => kept.filter(is).length > people * each);
  const helps = (one: Carried): number => passed.filter(({ is }) => is(one)).length;
  return kept.reduce((best, one, at) => (helps(one) >= helps(kept[best]!) ? at : best), 0);
}

/** More people, or fewer of what is over. */
function wouldDo(spares: readonly Carried[], left: readonly Carried[], people: number, limits: Limits): readonly FlySaid[] {
  const ids = left.map(({ id }) => id);
  const counts = countsOf(spares);
  const says: FlySaid[] = [said('leave-home', { ids })];
  for (let more = people + 1; more <= MOST_PEOPLE; more++) {
    if (!sharesOf(counts, more, limits)) continue;
    says.push(more - people === 1 ? said('one-person-more', { more }) : said('people-more', { more, people }));
    break;
  }
  return says;
}
