import type { Finding } from '../findings';
import { finding } from '../findings';
import type { Figure, Lean } from '../rig';

/** Stops by where they are: what is looked at, of which connection or part, in which phase. */
type Stops = ReadonlyMap<string, Finding>;

const ends = [1, -1] as const;

/**
 * What of a judgement turns within the range of something that is only assumed. Each assumption is moved to both its ends
 * while the others stay; where a stop comes or goes, `unknown` takes its place, names the assumption and says what to
 * measure. `judge` judges the rig anew at a lean of its assumptions.
 *
 * Cost: two judgements where nothing turns even with all of them at their worst, else two more for each assumption.
 */
export function withTurns(
  found: readonly Finding[],
  assumptions: ReadonlyMap<string, Figure>,
  judge: (lean: Lean) => readonly Finding[],
): readonly Finding[] {
  if (assumptions.size === 0) return found;
  const here = stopsOf(found);
  const differsAt = (lean: Lean): boolean => !sameStops(here, stopsOf(judge(lean)));
  if (!ends.some((end) => differsAt(() => end))) return found;
  const turned = new Map<string, { readonly otherwise: Finding; readonly names: Set<string> }>();
  const note = (place: string, otherwise: Finding, name: string): void => {
    const turn = turned.get(place) ?? { otherwise, names: new Set<string>() };
    turn.names.add(name);
    turned.set(place, turn);
  };
  for (const name of assumptions.keys()) {
    for (const end of ends) {
      const there = stopsOf(judge((other) => (other === name ? end : 0)));
      for (const [place, stop] of there) if (!here.has(place)) note(place, stop, name);
      for (const [place, stop] of here) if (!there.has(place)) note(place, stop, name);
    }
  }
  const kept = found.filter((one) => one.verdict !== 'stop' || !turned.has(placeOf(one)));
  return [...kept, ...[...turned].map(([place, { otherwise, names }]) => decided(otherwise, here.has(place), names, assumptions))];
}

function decided(otherwise: Finding, stopsAsAssumed: boolean, names: ReadonlySet<string>, assumptions: ReadonlyMap<string, Figure>): Finding {
  const assumed = [...names].map((name) => assumptions.get(name)!);
  const { aspect, role, gearId, connectionId, part, phase } = otherwise;
  const { phase: _told, ...untold } = otherwise; // said once, of the whole
  const facts = { otherwise: untold as Finding, stopsAsAssumed, assumed };
  return finding('assumption-decides', 'unknown', { aspect, role, gearId, connectionId, part, phase }, facts);
}

function stopsOf(found: readonly Finding[]): Stops {
  return new Map(found.filter(({ verdict }) => verdict === 'stop').map((one) => [placeOf(one), one]));
}

function placeOf({ aspect, connectionId, gearId, phase }: Finding): string {
  return `${aspect} ${connectionId ?? gearId ?? ''} ${phase?.number ?? ''}`;
}

function sameStops(one: Stops, other: Stops): boolean {
  return one.size === other.size && [...one.keys()].every((place) => other.has(place));
}
