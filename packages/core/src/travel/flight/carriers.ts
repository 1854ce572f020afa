import type { FlightRules, FlownBattery, FlyingBattery } from '../rules';
import type { Person } from '../trip';

/** A spare that somebody has on them. */
export interface Spare {
  readonly id: string;
  readonly approval: boolean;
  readonly bank: boolean;
  readonly leadAcid: boolean;
}

export function spareOf(battery: FlyingBattery, { verdict }: Pick<FlownBattery, 'verdict'>): Spare {
  return { id: battery.id, approval: verdict === 'approval', bank: battery.bank === true, leadAcid: battery.chemistry === 'agm' };
}

/** A limit of one person that what they carry passes. */
export interface Passed {
  readonly person: Person;
  readonly what: 'spares' | 'banks' | 'spares that need approval' | 'lead-acid spares';
  readonly count: number;
  readonly most: number;
}

const LIMITS = [
  { what: 'spares', is: () => true, most: ({ spares }: FlightRules) => spares },
  { what: 'banks', is: ({ bank }: Spare) => bank, most: ({ banks }: FlightRules) => banks },
  { what: 'spares that need approval', is: ({ approval }: Spare) => approval, most: ({ approvalSpares }: FlightRules) => approvalSpares },
  { what: 'lead-acid spares', is: ({ leadAcid }: Spare) => leadAcid, most: ({ leadAcidSpares }: FlightRules) => leadAcidSpares },
] as const;

/**
 * Who has which spare on them: who owns the cabin bag that it lies in; of what lies in nobody's bag, as it was shared out,
 * unless that would pass a limit that the bags leave no room for. Of two spares that take each other's place (`apart`) the
 * ones that lie in no bag yet go to different people where the limits let them.
 *
 * @param inBag the person by spare, where it lies in their bag
 * @param shared the person by spare as everybody keeps the limits, see `whatMayFly`
 */
export function carriersOf(
  spares: readonly Spare[],
  people: readonly Person[],
  rules: FlightRules,
  inBag: ReadonlyMap<string, Person>,
  shared: ReadonlyMap<string, Person>,
  apart: ReadonlyMap<string, readonly string[]>,
): ReadonlyMap<string, Person> {
  const carriers = new Map(inBag);
  const loose = spares.filter(({ id }) => !inBag.has(id));
  const counted = inBag.size === 0 ? undefined : filledUp(loose, spares, people, rules, inBag);
  for (const { id } of loose) {
    const person = (counted ?? shared).get(id);
    if (person) carriers.set(id, person);
  }
  const isLoose = new Set(loose.map(({ id }) => id));
  for (const spare of loose) separate(spare, carriers, spares, isLoose, apart);
  return carriers;
}

/** What lies in no bag to whoever has the fewest and may still take it; undefined where somebody is left over. */
function filledUp(
  loose: readonly Spare[],
  spares: readonly Spare[],
  people: readonly Person[],
  rules: FlightRules,
  inBag: ReadonlyMap<string, Person>,
): ReadonlyMap<string, Person> | undefined {
  const byId = new Map(spares.map((spare) => [spare.id, spare]));
  const held = new Map<string, Spare[]>(people.map(({ id }) => [id, []]));
  for (const [id, person] of inBag) if (byId.has(id)) held.get(person.id)?.push(byId.get(id)!);
  const given = new Map<string, Person>();
  const weight = ({ approval, bank, leadAcid }: Spare): number => Number(approval) + Number(bank) + Number(leadAcid);
  for (const spare of [...loose].sort((a, b) => weight(b) - weight(a))) {
    const roomy = people.filter(({ id }) => passedBy([...held.get(id)!, spare], rules).length === 0);
    const least = roomy.sort((a, b) => held.get(a.id)!.length - held.get(b.id)!.length)[0];
    if (!least) return undefined;
    held.get(least.id)!.push(spare);
    given.set(spare.id, least);
  }
  return given;
}

/** Changes places with a spare of the same sort where that takes it away from what it stands in for. */
function separate(
  spare: Spare,
  carriers: Map<string, Person>,
  spares: readonly Spare[],
  isLoose: ReadonlySet<string>,
  apart: ReadonlyMap<string, readonly string[]>,
): void {
  const together = (id: string, person: Person | undefined): number =>
    (apart.get(id) ?? []).filter((other) => other !== id && carriers.get(other)?.id === person?.id).length;
  const own = carriers.get(spare.id);
  if (!own || together(spare.id, own) === 0) return;
  const isAlike = (other: Spare): boolean =>
    other.approval === spare.approval && other.bank === spare.bank && other.leadAcid === spare.leadAcid;
  for (const other of spares) {
    const theirs = carriers.get(other.id);
    if (!theirs || theirs.id === own.id || !isLoose.has(other.id) || !isAlike(other)) continue;
    const before = together(spare.id, own) + together(other.id, theirs);
    carriers.set(spare.id, theirs);
    carriers.set(other.id, own);
    if (together(spare.id, theirs) + together(other.id, own) < before) return;
    carriers.set(spare.id, own);
    carriers.set(other.id, theirs);
  }
}

/** Every limit that what somebody carries passes. */
export function passedLimits(
  spares: readonly Spare[],
  carriers: ReadonlyMap<string, Person>,
  people: readonly Person[],
  rules: FlightRules,
): readonly Passed[] {
  return people.flatMap((person) => {
    const own = spares.filter(({ id }) => carriers.get(id)?.id === person.id);
    return passedBy(own, rules).map((one): Passed => ({ person, ...one }));
  });
}

function passedBy(own: readonly Spare[], rules: FlightRules): readonly Omit<Passed, 'person'>[] {
  return LIMITS.flatMap(({ what, is, most }) => {
    const [count, limit] = [own.filter(is).length, most(rules)];
    return limit !== undefined && count > limit ? [{ what, count, most: limit }] : [];
  });
}
