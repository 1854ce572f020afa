import { finding } from '../findings';
import type { Finding } from '../findings';
import type { Figure, PlacesInRange } from '../rig/resolved';

/** Stops by where they are: what is looked at, of which connection or part, in which phase. */
type Stops = ReadonlyMap<string, Finding>;

/**
 * What of a judgement turns within the range of something that is only assumed. Each assumption is moved to both its ends
 * while the others stay; where a stop comes or goes, `unknown` takes its place, names the assumption and says what to
 * measure. `judge` judges the rig anew with its assumptions at other places in their ranges; `joinsPacks`: some of its packs hang together.
 *
 * Cost: one judgement where nothing turns even with all of them at their worst, two where something is stopped; else some
 * more, by halves.
 */
export function withTurns(
  found: readonly Finding[],
  assumptions: ReadonlyMap<string, Figure>,
  judge: (places: PlacesInRange) => readonly Finding[],
  joinsPacks = false,
): readonly Finding[] {
  if (assumptions.size === 0) return found;
  const here = stopsOf(found);
  const turned = new Map<string, { readonly otherwise: Finding; readonly names: Set<string> }>();
  const note = (place: string, otherwise: Finding, name: string): void => {
    const turn = turned.get(place) ?? { otherwise, names: new Set<string>() };
    turn.names.add(name);
    turned.set(place, turn);
  };
  // where nothing turns with several moved at once, none of them turns anything by itself
  const search = (names: readonly string[], end: 1 | -1): void => {
    const there = stopsOf(judge((name) => (names.includes(name) ? end : 0)));
    const [only, ...others] = names;
    if (only !== undefined && others.length === 0) {
      for (const [place, stop] of there) if (!here.has(place)) note(place, stop, only);
      for (const [place, stop] of here) if (!there.has(place)) note(place, stop, only);
    } else if (!sameStops(here, there)) {
      const half = Math.ceil(names.length / 2);
      search(names.slice(0, half), end);
      search(names.slice(half), end);
    }
  };
  const names = [...assumptions.keys()];
  // a stop that is there can only go, to the better end; one that is not can only come, to the worse
  if (here.size > 0) search(names, -1);
  else {
    search(names, 1);
    const bothWays = names.filter((name) => costsBothWays(assumptions.get(name)!, joinsPacks));
    if (bothWays.length > 0) search(bothWays, -1);
  }
  const kept = found.filter((one) => one.verdict !== 'stop' || !turned.has(placeOf(one)));
  return [...kept, ...[...turned].map(([place, { otherwise, names }]) => decided(otherwise, here.has(place), names, assumptions))];
}

/** A supply that stands higher can damage; joined packs of less resistance let more flow between them. */
function costsBothWays({ basis, unit }: Figure, joinsPacks: boolean): boolean {
  return basis.of === 'supply-volts' || (joinsPacks && unit === 'ohm');
}

function decided(
  otherwise: Finding,
  stopsAsAssumed: boolean,
  names: ReadonlySet<string>,
  assumptions: ReadonlyMap<string, Figure>,
): Finding {
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
