import { assess } from '@viaggio/core/answer';
import { measuredFindings } from '@viaggio/core/bench';
import type { Plan } from '@viaggio/core/document';
import { packed, packedTrip } from '@viaggio/core/travel';
import type { PackingWorld } from '@viaggio/core/travel';
import { sayBagTrouble, sayFinding, sayFlight, sayLack, sayPlaced, sayWhy } from '@viaggio/core/words';
import { parsePlan } from '../plan/read-plan';
import { tellIssues } from './evaluate';
import { itemIn } from './item-in';
import type { Output } from './solve';

/** `viaggio pack FILE --trip ID`: what goes along and where, what may fly, what a lost bag stops, as JSON. Returns the exit code. */
export function packText(text: string, tripId: string, { out, err }: Output, today = new Date().toISOString().slice(0, 10)): number {
  const read = parsePlan(text);
  if (!read.ok) return tellIssues(read.issues, err);
  const trip = itemIn('trip', read.plan.trips ?? [], tripId, err);
  if (!trip) return 1;
  out(JSON.stringify(told({ ...worldOf(read.plan), trip: trip.body, today }), undefined, 2));
  return 0;
}

/** Everything of a plan that a trip may name. */
function worldOf({ gear, rigs, days = [], rules = [], sheets = [] }: Plan): Omit<PackingWorld, 'trip' | 'today'> {
  const bodies = <B>(items: readonly { readonly id: string; readonly body: B }[]): ReadonlyMap<string, B> =>
    new Map(items.map(({ id, body }) => [id, body]));
  return { gear: bodies(gear), rigs: bodies(rigs), days: bodies(days), rules: bodies(rules), sheets };
}

function told(world: PackingWorld): object {
  const { trip, suggestion } = packed(world);
  const { list, flight, loads, troubles, lost } = packedTrip({ ...world, trip });
  const bag = (id: string | undefined): string | undefined => trip.bags?.find((one) => one.id === id)?.name;
  return {
    trip: trip.name,
    rigs: list.rigIds.flatMap((id) => toldRig(id, world)),
    things: list.things.map(({ id, kind, title, count, massG, why, state }) => {
      const placed = suggestion.why.get(id);
      return {
        id,
        kind,
        title,
        count,
        massG,
        why: why.map(sayWhy),
        bag: bag(state.bagId),
        bagWhy: placed && sayPlaced(placed),
        suggested: placed !== undefined && placed.is !== 'by-hand',
        stays: state.left,
      };
    }),
    lacks: list.lacks.map((lack) => ({ ...lack, says: sayLack(lack) })),
    unused: list.unused,
    withoutBag: suggestion.left,
    flight: toldFlight(flight),
    bags: loads.map(({ bag: one, massG, mostG, isOver, unweighed, things }) => ({
      id: one.id,
      name: one.name,
      goes: one.goes,
      massG,
      mostG,
      over: isOver ?? 'unknown',
      unweighed,
      things: things.map(({ id }) => id),
    })),
    troubles: troubles.map(sayBagTrouble),
    lostBags: lost.map(({ bag: one, stops, runs }) => ({
      bag: one.name,
      stops: stops.map(({ rig, lost: gone }) => ({ rig, lost: gone.map(({ title }) => title) })),
      runs: runs.map(({ rig, saved }) => ({ rig, saved: saved.map(({ part, by }) => `${by.title} for ${part.title}`) })),
    })),
  };
}

/** A rig of the trip as it is judged everywhere, with what stops it. */
function toldRig(id: string, { rigs, gear, sheets = [] }: PackingWorld): readonly object[] {
  const rig = rigs.get(id);
  if (!rig) return [];
  const { verdict, findings } = assess(rig, gear, { tracePoints: 0, measured: measuredFindings(id, rig, gear, sheets) });
  return [{ id, name: rig.name, verdict, stops: findings.filter((one) => one.verdict === 'stop').map(sayFinding) }];
}

function toldFlight(flight: ReturnType<typeof packedTrip>['flight']): object {
  const legs = new Map(flight.legs.map((one) => [one.leg.id, one]));
  return {
    possible: flight.possible ?? 'unknown',
    short: flight.short.map(sayFlight),
    legs: flight.legs.map(({ leg, rules, areOld }) => ({
      id: leg.id,
      name: leg.name,
      on: leg.on,
      asOf: rules.asOf,
      source: rules.source,
      carrier: rules.carrier,
      areOld,
    })),
    batteries: flight.batteries.map(({ id, title, role, printed, verdict, carriedBy, legs: byLeg }) => ({
      id,
      title,
      role,
      energyWh: printed.energyWh,
      computation: printed.computation,
      verdict,
      carriedBy: carriedBy?.name,
      legs: byLeg.map(({ legId, verdict: onLeg, rule }) => ({
        leg: legId,
        verdict: onLeg,
        rule: rule.map(sayFlight).join(' '),
        asOf: legs.get(legId)?.rules.asOf,
      })),
    })),
    decides: 'The carrier and the local authority decide.',
  };
}
