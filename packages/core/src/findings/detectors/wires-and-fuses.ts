import { cellVoltage } from '../../physics/cell';
import { ampacity, fuseFor } from '../../physics/wire';
import { isKind, roleOf } from '../../rig/drawn';
import { cableLimit, wireArea } from '../../rig/resolved';
import type { Connection, SourceTree } from '../../rig/resolved';
import type { Discharge } from '../../run';
import { isAbove, PACK_LIMIT_C } from '../../tables';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';
import { mostCurrent } from '../points';

/** A pack that can give this much through bare leads wants a fuse at its plus. */
const NEEDS_FUSE_A = 10;
/** A fuse holds so many times the highest continuous current. */
const FUSE_MARGIN = 1.25;

/** What protects the leads of a tree, and whether the wire carries what flows. */
export function guardFindings(tree: SourceTree, run: Discharge | undefined): readonly Finding[] {
  return tree.connections.flatMap((connection) => [...fuseFindings(tree, connection, run), ...wireFindings(connection, run)]);
}

function wireFindings({ id, cable, to }: Connection, run: Discharge | undefined): Finding[] {
  const areaMm2 = cable && wireArea(cable.gear);
  if (!cable || areaMm2 === undefined || !run) return [];
  const carriesA = ampacity(areaMm2);
  const currentA = mostCurrent(run, id);
  if (!isAbove(currentA, carriesA)) return [];
  const place = { aspect: 'current', role: 'cable', gearId: cable.id, connectionId: id, part: cable.title } as const;
  return [finding('wire-hot', 'stop', place, { cable: cable.title, to: to.title, areaMm2, currentA, carriesA })];
}

/** A fuse holds 1.25 times the highest continuous current, and protects the wire and the port behind it. */
function fuseFindings(tree: SourceTree, connection: Connection, run: Discharge | undefined): Finding[] {
  const { id, cable, output, from } = connection;
  const fuseA = cable?.gear.fuseA ?? (output.gives === 'pd' ? undefined : output.fuseA);
  const owner = cable?.gear.fuseA !== undefined ? cable : from;
  const place: FindingPlace = { aspect: 'current', role: roleOf(owner), gearId: owner.id, connectionId: id, part: owner.title };
  if (fuseA === undefined) return withoutFuse(tree, connection, run, place);
  const far =
    cable?.gear.fuseA !== undefined && cable.gear.fuseAt === 'load' && isKind(tree.source, 'battery')
      ? [finding('fuse-far', 'caution', place, { cable: cable.title, source: from.title })]
      : [];
  const carriesA = carriedBehind(connection);
  if (isAbove(fuseA, carriesA)) return [...far, finding('fuse-large', 'stop', place, { fuseA, carriesA })];
  const currentA = run ? mostCurrent(run, id) : 0;
  const wantedA = currentA * FUSE_MARGIN;
  if (!isAbove(wantedA, fuseA)) return far;
  return [...far, finding('fuse-small', 'caution', place, { fuseA, currentA, wantedA, sizeA: fuseFor(currentA) ?? wantedA })];
}

function withoutFuse(tree: SourceTree, connection: Connection, run: Discharge | undefined, place: FindingPlace): Finding[] {
  const { id, before, output, from, to } = connection;
  if (!isKind(tree.source, 'battery') || before) return [];
  const bare = ['bare', 'xt60'].includes(output.connector.type);
  const strong = mostGiven(tree) >= NEEDS_FUSE_A;
  if (!bare || !strong) return [];
  // past the largest size sold no figure is named
  const sizeA = run && fuseFor(mostCurrent(run, id));
  return [finding('fuse-none', 'caution', place, { from: from.title, to: to.title, sizeA })];
}

/** Amps that a pack can give, by its limit or, where nobody says, by its kind and size: what a lead must be guarded against. */
function mostGiven({ source, figures, battery }: SourceTree): number {
  const { maxA } = figures ?? {};
  if (!isKind(source, 'battery') || source.gear.chemistry === 'agm') return Infinity;
  if (maxA !== undefined) return maxA;
  // of a pack whose energy nobody knows nothing is known
  if (!battery) return Infinity;
  return Math.max(
    PACK_LIMIT_C[source.gear.chemistry].high * battery.pack.capacityAh,
    (battery.pack.cellsInSeries * cellVoltage(battery.pack.ocvPerCell, 1)) / battery.pack.resistanceOhm,
  );
}

/** Amps that the weakest known part behind a fuse carries. */
function carriedBehind({ cable, output }: Connection): number {
  const areaMm2 = cable && wireArea(cable.gear);
  return Math.min(
    areaMm2 === undefined ? Infinity : ampacity(areaMm2),
    (cable && cableLimit(cable.gear)) ?? Infinity,
    (output.gives === 'pd' ? undefined : output.maxA) ?? Infinity,
  );
}
