import type { Measured } from '../../answer';
import type { Gear } from '../../gear';
import type { Rig } from '../../rig/drawn';
import { builtInId } from '../../run';
import { runCards } from '../cards';
import { pairingOf } from '../charging';
import type { OnCharger, Outlets, Pairing } from '../charging';
import { dailySpans, handsOf, wattsOfPlace } from '../model';
import type { Hands } from '../model';
import type { Day } from '../shape';
import type { DayRun } from './day-run';
import { OneRun, RANK } from './one-run';
import type { Happening, ReadyDay, ReadySpan } from './one-run';
import { RigStates } from './rig-states';
import type { Deviation, RigState } from './rig-states';
import { seatingOf } from './seating';
import type { RigSpan } from './seating';

/** A plan's moves: what may be tried otherwise while the rest of the day stays. */
export type Moves = Pick<Day, 'swaps' | 'charges' | 'cardChanges'>;

/**
 * Runs a day through the circuits of its rigs. Made once for a day; tried with as many moves, and as many chances, as
 * wanted.
 *
 * Cost: some milliseconds for each rig with batteries not seen before, then some tens of microseconds for each span
 * of each rig. Never throws for sound shapes: what cannot be run is a gap, and says why.
 *
 * @example new DaySimulation(day, gear, rigs).run().gaps[0].why // 'gave-out'
 */
export class DaySimulation {
  readonly states: RigStates;
  readonly outlets: Outlets;
  readonly hands: Hands;
  private readonly pairings = new Map<string, Pairing>();

  constructor(
    readonly day: Day,
    readonly gear: ReadonlyMap<string, Gear>,
    readonly rigs: ReadonlyMap<string, Rig>,
    /** Of the same gear and rigs, where the day was worked out before. */
    states?: RigStates,
    /** What was measured of the rigs: what says stop there is not powered here. */
    readonly measured: Measured = states?.measured ?? new Map(),
  ) {
    this.states = states?.covers(day) ? states : new RigStates(day, gear, rigs, measured);
    this.hands = handsOf(day);
    this.outlets = new Map(
      (day.places ?? []).map((place) => [place.id, wattsOfPlace(place) === 0 ? [] : dailySpans(day, place.powerFrom, place.powerTo)]),
    );
  }

  /** What a battery does on a charger; looked up once for each two. */
  readonly pairing = (charge: OnCharger): Pairing => {
    const key = `${charge.batteryId} ${charge.chargerId}`;
    let pairing = this.pairings.get(key);
    if (!pairing) {
      pairing = pairingOf(charge, this.gear, this.day);
      this.pairings.set(key, pairing);
    }
    return pairing;
  };

  /** Charge of a battery at the start; full where not entered, which `DayRun.takenAsFull` tells. */
  startCharge(batteryId: string): number {
    return this.saidCharge(batteryId) ?? 1;
  }

  /** What the day says of a battery's charge at the start, what its rig says, what lies in the kit. */
  saidCharge(batteryId: string): number | undefined {
    const said = this.day.batteries?.find(({ gearId }) => gearId === batteryId)?.startCharge;
    if (said !== undefined) return said;
    for (const rigId of this.day.rigIds) {
      const rig = this.rigs.get(rigId);
      if (!rig || !this.states.seatsOf(rigId).includes(batteryId)) continue;
      const own = rig.batteries?.find(({ gearId }) => gearId === batteryId)?.startCharge ?? rig.startCharge;
      if (own !== undefined) return own;
    }
    const battery = this.gear.get(batteryId);
    return battery?.kind === 'battery' ? battery.charge : undefined;
  }

  /** Follows the moves, and looks up everything that does not depend on chance. */
  prepare(moves: Moves = this.day): ReadyDay {
    const seating = seatingOf({ ...this.day, swaps: moves.swaps, charges: moves.charges }, this.states, this.outlets);
    const ready = seating.rigSpans.map((span) => this.readySpan(span));
    const happenings: Happening[] = [];
    seating.rigSpans.forEach(({ fromMin, toMin }, index) => {
      happenings.push({ kind: 'span', atMin: fromMin, rank: RANK.begin, index });
      happenings.push({ kind: 'span', atMin: toMin, rank: RANK.end, index });
    });
    for (const charge of seating.charging) {
      if (charge.toMin <= charge.fromMin) continue;
      happenings.push({ kind: 'charge', atMin: charge.fromMin, rank: RANK.begin, charge });
      happenings.push({ kind: 'charge', atMin: charge.toMin, rank: RANK.end, charge });
      for (const { fromMin, toMin } of this.outlets.get(charge.place?.id ?? '') ?? []) {
        for (const atMin of [fromMin, toMin])
          if (atMin > charge.fromMin && atMin < charge.toMin) happenings.push({ kind: 'charge', atMin, rank: RANK.outlet, charge });
      }
    }
    happenings.sort((one, other) => one.atMin - other.atMin || one.rank - other.rank);
    const cards = runCards(this.day, this.gear, this.rigs, this.hands, moves.cardChanges ?? this.day.cardChanges);
    return { ...seating, ready, happenings, cards };
  }

  private readySpan(span: RigSpan): ReadySpan {
    const state = this.states.state(span.rigId, span.seats, span.temperatureC);
    const fixed = this.fixedCharges(state, span.seats, span.power);
    return {
      span,
      state,
      phases: span.parts.map(({ block, minutes }) => ({ minutes, loadW: state.loadW(block) })),
      fixed,
      held: state.sourceIds.flatMap((id, place) => (fixed[place] === undefined ? [{ id, place, builtIn: !this.gear.has(id) }] : [])),
    };
  }

  /** By source of a rig: full or nothing where an outlet or an empty seat decides; undefined for a battery that is there. */
  fixedCharges(state: RigState, seats: ReadonlyMap<string, string>, power: RigSpan['power']): readonly (number | undefined)[] {
    const here = new Set(seats.values());
    return state.sourceIds.map((id, place) => {
      const supply = state.supplies[place];
      if (supply) return power.includes(supply) ? 1 : 0;
      return this.gear.has(id) && !here.has(id) ? 0 : undefined;
    });
  }

  /** Runs the day; with `deviation` once more with other draws and capacities. */
  run(day: ReadyDay = this.prepare(), deviation?: Deviation): DayRun {
    return new OneRun(this, day, deviation).result();
  }
}

/**
 * Name of a battery or built-in battery as a person knows it.
 *
 * @example sourceName(cameraId, gear) // 'Skuadon 60'
 */
export function sourceName(id: string, gear: ReadonlyMap<string, Gear>): string {
  const known = gear.get(id);
  if (known) return known.kind === 'battery' && known.tag !== undefined ? known.tag : known.name;
  const device = [...gear].find(([gearId]) => builtInId(gearId) === id);
  return device ? `${device[1].name}’s own battery` : id;
}
