import type { Battery } from '../../../gear';
import { energyNow } from '../../../gear/kit';
import { tooCold } from '../../../physics/cell';
import type { Filling } from '../../../physics/cell';
import { CHARGER_EFFICIENCY, isPrimary } from '../../../tables';
import { chargerOf, fits } from '../../charging';
import type { Charger } from '../../charging';
import { blocksOf, coldestAt, comesTo, dayOfMinute, drawsOf, leavesBy, midnightsOf, minuteAt, placeAt, wattsOfPlace } from '../../model';
import type { DayOf, Hands, Span } from '../../model';
import { patternOf, rigSpansOf } from '../../run';
import type { DaySimulation, RigSpan } from '../../run';
import { isDrawing, lostFrom } from '../../shape';
import type { Block, Day } from '../../shape';

/** A battery of the day by its place in `FlatDay.batteries`. */
export interface FlatBattery {
  readonly id: string;
  /** Batteries that are the same but for their tag have one kind. */
  readonly kind: number;
  readonly filling: Filling | undefined;
  readonly startCharge: number;
  readonly lostMin: number;
  readonly massG: number;
}

/** A seat of a rig by its place in `FlatDay.seats`. */
export interface FlatSeat {
  readonly rig: number;
  readonly id: string;
  /** The battery that it starts with; -1 where that is not there. */
  readonly own: number;
  /** Minutes that it is empty while a battery is changed. */
  readonly swapMin: number;
  /** By kind of battery: whether it goes in. */
  readonly takes: readonly boolean[];
  /** What the largest of them holds. */
  readonly mostWh: number;
}

/** A part of a rig's day that draws in one way. */
export interface FlatPart extends Span {
  /** By place among the day's blocks; -1 between them. */
  readonly block: number;
  /** Parts of one rig that draw alike have one pattern. */
  readonly pattern: number;
  readonly draws: boolean;
}

export interface FlatSpan extends Span {
  /** Its place among all spans of the day. */
  readonly index: number;
  readonly span: RigSpan;
  /** Spans of one rig at one temperature have one. */
  readonly climate: number;
  readonly parts: readonly FlatPart[];
}

export interface FlatRig {
  readonly id: string;
  /** Its place among the rigs. */
  readonly index: number;
  readonly seats: readonly number[];
  readonly spans: readonly FlatSpan[];
  readonly blocks: readonly Block[];
  /** Their places among those of the day. */
  readonly blockPlaces: readonly number[];
  readonly fromMin: number;
  readonly toMin: number;
  /** When it draws, in the order of time; what touches is one. */
  readonly draws: readonly Span[];
}

export interface FlatCharger {
  readonly id: string;
  readonly charger: Charger;
  /** By place among `FlatDay.places`. */
  readonly place: number;
  readonly live: readonly Span[];
  readonly lostMin: number;
  /** By battery: whether it can be filled there. */
  readonly takes: readonly boolean[];
}

/**
 * A day for searches: everything by number, and whatever does not depend on a plan looked up once. Cost: a circuit for
 * each rig, kind of battery and temperature.
 */
export class FlatDay {
  readonly day: Day;
  readonly batteries: readonly FlatBattery[];
  readonly kinds: number;
  readonly seats: readonly FlatSeat[];
  readonly rigs: readonly FlatRig[];
  readonly chargers: readonly FlatCharger[];
  readonly places: readonly string[];
  readonly blocks: readonly Block[];
  readonly hands: Hands;
  /** Watts that the chargers of a place may give in all, by place. */
  readonly placeWatts: readonly number[];
  /** The plan may move things from here on, and no later. */
  readonly startMin: number;
  readonly endMin: number;
  readonly midnights: readonly number[];
  readonly dayOf: DayOf;
  /** Spans of all rigs. */
  spanCount = 0;
  private readonly coming = new Map<number, number>();
  private readonly leaving = new Map<number, number>();
  private readonly byId = new Map<string, number>();
  private readonly members: number[][] = [];

  constructor(readonly simulation: DaySimulation) {
    const { day, gear, states, outlets } = simulation;
    this.day = day;
    this.blocks = day.blocks;
    this.hands = simulation.hands;
    this.startMin = day.startsAt ?? 0;
    this.endMin = Math.max(minuteAt(day, day.days, 0), ...day.blocks.map(({ toMin }) => toMin));
    this.midnights = midnightsOf(day);
    this.dayOf = dayOfMinute(day);
    this.places = (day.places ?? []).map(({ id }) => id);
    this.placeWatts = (day.places ?? []).map((place) => (wattsOfPlace(place) ?? Infinity) * CHARGER_EFFICIENCY);

    const seatIds = day.rigIds.flatMap((rigId) => states.seatsOf(rigId).map((id) => ({ rigId, id })));
    const apart = new Set((day.batteries ?? []).filter((battery) => battery.apart).map(({ gearId }) => gearId));
    const ids = [...new Set([...seatIds.map(({ id }) => id), ...(day.batteries ?? []).map(({ gearId }) => gearId)])];
    const kinds = new Map<string, number>();
    this.batteries = ids.flatMap((id): FlatBattery[] => {
      const battery = gear.get(id);
      if (battery?.kind !== 'battery' || apart.has(id)) return [];
      const key = kindKey(battery);
      const kind = kinds.get(key) ?? kinds.size;
      kinds.set(key, kind);
      const place = this.byId.size;
      this.byId.set(id, place);
      (this.members[kind] ??= []).push(place);
      const energyWh = energyNow(battery);
      const filling = energyWh === undefined || isPrimary(battery.chemistry) ? undefined : { chemistry: battery.chemistry, energyWh };
      return [{ id, kind, filling, startCharge: simulation.startCharge(id), lostMin: lostFrom(day, id), massG: battery.massG ?? 0 }];
    });
    this.kinds = kinds.size;

    this.rigs = day.rigIds.map((id, rig) => this.rigOf(id, rig, seatIds, outlets));
    this.seats = seatIds.map(({ rigId, id }) => this.seatOf(rigId, id));
    this.chargers = (day.chargers ?? []).flatMap(({ gearId, placeId }): FlatCharger[] => {
      const charger = chargerOf(gear.get(gearId));
      const place = day.places?.find((one) => one.id === placeId);
      if (!charger || !place || place.power === 'none') return [];
      const coldestC = coldestAt(place, day);
      const takes = this.batteries.map(({ id, filling }) => {
        const battery = gear.get(id) as Battery;
        return filling !== undefined && fits(charger, battery) && !tooCold(battery, coldestC);
      });
      const live = simulation.outlets.get(placeId) ?? [];
      return [{ id: gearId, charger, place: this.places.indexOf(placeId), live, lostMin: lostFrom(day, gearId), takes }];
    });
  }

  /** The place of a battery; -1 where it is none of the day's. */
  batteryAt(id: string): number {
    return this.byId.get(id) ?? -1;
  }

  seatAt(rigId: string, seatId: string): number {
    return this.seats.findIndex(({ rig, id }) => id === seatId && this.rigs[rig]!.id === rigId);
  }

  /** Batteries of a kind. */
  ofKind(kind: number): readonly number[] {
    return this.members[kind] ?? [];
  }

  /** The rig with kinds of batteries in its seats (-1: empty), as some batteries of those kinds make it. */
  stateOf(rig: FlatRig, seatKinds: readonly number[], temperatureC: number | undefined) {
    const seatIds = this.seatIds(rig);
    const taken = new Set<string>();
    const seats = new Map<string, string>();
    seatIds.forEach((seatId, place) => {
      const kind = seatKinds[place]!;
      if (kind === -1) return;
      const ids = this.members[kind]!.map((battery) => this.batteries[battery]!.id);
      // its own one first; one that another seat names only where there is no other
      const id =
        ids.find((one) => one === seatId) ??
        ids.find((one) => !taken.has(one) && !seatIds.includes(one)) ??
        ids.find((one) => !taken.has(one)) ??
        ids[0]!;
      taken.add(id);
      seats.set(seatId, id);
    });
    return { state: this.simulation.states.state(rig.id, seats, temperatureC), seats };
  }

  /** Where a rig is at a minute: in its block, or where its next one is; -1 where not said. */
  placeOf(rig: FlatRig, minute: number): number {
    return this.places.indexOf(placeAt(rig.blocks, minute) ?? '');
  }

  /** When what a rig leaves behind comes to a place: at once, with the rig, or after its day. */
  comesTo(rig: FlatRig, place: number, minute: number): number {
    return kept(this.coming, rig, place, minute, () => comesTo(rig.blocks, this.places[place], minute, this.dayOf));
  }

  /** When what is wanted in a rig at a minute must leave a place at the latest: with the rig, or before its day. */
  leavesBy(rig: FlatRig, place: number, minute: number): number {
    return kept(this.leaving, rig, place, minute, () => leavesBy(rig.blocks, this.places[place], minute, this.dayOf));
  }

  private seatIds(rig: FlatRig): readonly string[] {
    return this.simulation.states.seatsOf(rig.id);
  }

  private rigOf(id: string, rig: number, seatIds: readonly { readonly rigId: string }[], outlets: DaySimulation['outlets']): FlatRig {
    const { day, states } = this.simulation;
    const blocks = blocksOf(day, id);
    const patterns = new Map<string, number>([['', 0]]);
    const climates = new Map<string, number>();
    const numbered = (known: Map<string, number>, key: string): number => {
      if (!known.has(key)) known.set(key, known.size);
      return known.get(key)!;
    };
    const spans = rigSpansOf(day, id, blocks, new Map(), outlets, states.partsOf(id)).map((span): FlatSpan => {
      let at = span.fromMin;
      const parts = span.parts.map(({ block, minutes }): FlatPart => {
        const fromMin = at;
        at += minutes;
        return {
          fromMin,
          toMin: at,
          block: block ? day.blocks.indexOf(block) : -1,
          pattern: numbered(patterns, block ? patternOf(block) : ''),
          draws: block !== undefined && isDrawing(block),
        };
      });
      return {
        index: this.spanCount++,
        fromMin: span.fromMin,
        toMin: span.toMin,
        span,
        climate: numbered(climates, String(span.temperatureC)),
        parts,
      };
    });
    const seats = seatIds.flatMap((seat, place) => (seat.rigId === id ? [place] : []));
    const blockPlaces = blocks.map((block) => day.blocks.indexOf(block));
    return {
      id,
      index: rig,
      seats,
      spans,
      blocks,
      blockPlaces,
      fromMin: blocks[0]?.fromMin ?? 0,
      toMin: spans.at(-1)?.toMin ?? 0,
      draws: drawsOf(blocks),
    };
  }

  private seatOf(rigId: string, id: string): FlatSeat {
    const { gear, states } = this.simulation;
    const rig = this.day.rigIds.indexOf(rigId);
    const own = gear.get(id) as Battery | undefined;
    const temperatureC = this.rigs[rig]!.spans[0]?.span.temperatureC;
    const takes = Array.from({ length: this.kinds }, (_, kind) => {
      const battery = this.batteries[this.members[kind]![0]!]!;
      const { form } = gear.get(battery.id) as Battery;
      if (
        own?.kind !== 'battery' ||
        form !== own.form ||
        (battery.filling === undefined && energyNow(gear.get(battery.id) as Battery) === undefined)
      )
        return false;
      const seats = new Map(
        states
          .seatsOf(rigId)
          .flatMap((seatId) =>
            seatId === id ? [[seatId, battery.id] as const] : seatId === battery.id ? [] : [[seatId, seatId] as const],
          ),
      );
      return states.state(rigId, seats, temperatureC).trouble === undefined;
    });
    const mostWh = Math.max(1, ...this.batteries.map(({ kind, filling }) => (takes[kind] ? (filling?.energyWh ?? 0) : 0)));
    return { rig, id, own: this.batteryAt(id), swapMin: states.swapMinutes(rigId, id), takes, mostWh };
  }
}

/** Places of a day, and minutes of the longest, fit below it. */
const KEY_PLACES = 64;
const KEY_MINUTES = 65_536;

/** Whole minutes are asked for over and over. */
function kept(known: Map<number, number>, rig: FlatRig, place: number, minute: number, find: () => number): number {
  if (!Number.isInteger(minute)) return find();
  const key = (rig.index * KEY_PLACES + place + 1) * KEY_MINUTES + minute;
  let found = known.get(key);
  if (found === undefined) {
    found = find();
    known.set(key, found);
  }
  return found;
}

/** Everything of a battery that a run depends on. */
function kindKey({ tag: _tag, name: _name, massG: _mass, charge: _charge, ...rest }: Battery): string {
  const { note: _note, price: _price, ...same } = rest as typeof rest & { note?: string; price?: unknown };
  return JSON.stringify(same);
}
