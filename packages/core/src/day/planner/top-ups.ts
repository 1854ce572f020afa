import { gearTitle } from '../../gear';
import type { Battery } from '../../gear';
import { energyNow } from '../../gear/kit';
import { said } from '../../said';
import { FULL_SHARE } from '../../tables';
import { chargerOf } from '../charging';
import { lastThere, nextThere, overlap } from '../model';
import type { Span } from '../model';
import { planFigures } from '../run';
import type { ChargePoint, DayRun, DaySimulation, Moves, PlanFigures } from '../run';
import { isDrawing } from '../shape';
import type { Charge, Day } from '../shape';
import type { PlanSaid } from './says';

/** A battery that could be filled in a break, and whether that is worth the handling. */
export interface TopUp {
  readonly batteryId: string;
  readonly battery: string;
  readonly charger: string;
  readonly fromMin: number;
  readonly toMin: number;
  readonly fromCharge: number;
  readonly toCharge: number;
  readonly gainWh: number;
  /** The rig that it has to be taken out of, and put back into. */
  readonly rig: string | undefined;
  readonly worth: boolean;
  /** Why, or why not. */
  readonly says: PlanSaid;
  /** The day's moves with it. */
  readonly moves: Moves;
}

/** Shorter breaks are for coffee. */
const LEAST_BREAK_MIN = 15;
/** Nobody walks to a charger for less. */
const LEAST_GAIN = 0.05;
/** Less is none, and one charger is as good as another. */
const LEAST_FILL = 0.01;
/** Breaks of one day that are tried. */
const MOST_TRIED = 60;

interface Break extends Span {
  readonly batteryId: string;
  readonly charge: number;
  /** Where its rig is before the break and in it; none where it has not been out yet. */
  readonly places: readonly string[];
  /** Where it sits meanwhile, in a rig that draws nothing. */
  readonly seat: { readonly rigId: string; readonly seatId: string } | undefined;
}

/**
 * Every break in which a battery that is wanted again could be filled, each tried by running the day with it. Worth the
 * handling is what takes away minutes without power, or keeps a battery out of its reserve; of the rest it is said what the
 * battery has left without. Cost: a run of the day for each break and charger there.
 *
 * @example topUps(simulation, simulation.run(simulation.prepare(day))).length > 0 // true
 */
export function topUps(simulation: DaySimulation, run: DayRun): readonly TopUp[] {
  const { day } = simulation;
  const now = planFigures(simulation, day);
  const found = breaksOf(simulation, run)
    .slice(0, MOST_TRIED)
    .flatMap((one): TopUp[] => {
      const filled = filledIn(one, simulation);
      if (!filled) return [];
      const { charge, toCharge, moves } = filled;
      const { gear, rigs } = simulation;
      const battery = gear.get(one.batteryId) as Battery;
      const left = leastLater(run.charge.get(one.batteryId) ?? [], one.toMin);
      return [
        {
          batteryId: one.batteryId,
          battery: gearTitle(battery),
          charger: gearTitle(gear.get(charge.chargerId)!),
          fromMin: charge.fromMin,
          toMin: charge.toMin,
          fromCharge: one.charge,
          toCharge,
          gainWh: (toCharge - one.charge) * (energyNow(battery) ?? 0),
          rig: one.seat && rigs.get(one.seat.rigId)?.name,
          ...judged(now, planFigures(simulation, moves), toCharge - one.charge, left),
          moves,
        },
      ];
    });
  return found.sort((a, b) => Number(b.worth) - Number(a.worth) || a.fromMin - b.fromMin);
}

/** The day's moves with a battery filled in a break, where its rig is, on the charger that fills it most; taken off once it is full and somebody is there. */
function filledIn(
  { batteryId, charge, places, fromMin, toMin, seat }: Break,
  simulation: DaySimulation,
): { readonly charge: Charge; readonly toCharge: number; readonly moves: Moves } | undefined {
  const { day, gear } = simulation;
  let best: { readonly charge: Charge; readonly toCharge: number; readonly moves: Moves } | undefined;
  for (const { gearId: chargerId, placeId } of day.chargers ?? []) {
    const place = day.places?.find(({ id }) => id === placeId);
    const there = simulation.hands(placeId);
    const on = { batteryId, chargerId, fromMin: Math.ceil(nextThere(there, fromMin)), toMin: lastThere(there, toMin) };
    if ((places.length > 0 && !places.includes(placeId)) || on.toMin <= on.fromMin || !simulation.pairing({ ...on, place }).ok) continue;
    const beside = (day.charges ?? []).filter((other) => other.chargerId === chargerId && overlap(other, on) > 0).length;
    if (beside >= (chargerOf(gear.get(chargerId))?.slots ?? 0)) continue;
    const movesOf = (added: Charge): Moves => ({
      swaps: [...(day.swaps ?? []), ...(seat ? [{ ...seat, batteryId, atMin: Math.min(added.toMin, toMin) }] : [])],
      charges: [...(day.charges ?? []), added],
    });
    const tried = simulation
      .run(simulation.prepare(movesOf(on)))
      .filled.find((one) => one.charge.batteryId === batteryId && one.charge.fromMin === on.fromMin);
    if (!tried || tried.toCharge <= Math.max(charge + LEAST_FILL, (best?.toCharge ?? 0) + LEAST_FILL)) continue;
    const full = tried.fullMin === undefined ? on.toMin : Math.ceil(nextThere(there, Math.ceil(tried.fullMin)));
    const added = { ...on, toMin: Math.min(on.toMin, full) };
    best = { charge: added, toCharge: tried.toCharge, moves: movesOf(added) };
  }
  return best;
}

function judged(now: PlanFigures, then: PlanFigures, gain: number, left: number): Pick<TopUp, 'worth' | 'says'> {
  const saved = now.gapMin - then.gapMin;
  if (then.interruptions > now.interruptions) return { worth: false, says: said('would-interrupt') };
  if (saved > 1) return { worth: true, says: said('less-dark', { saved }) };
  if (saved > -1 && then.intoReserve < now.intoReserve) return { worth: true, says: said('out-of-reserve') };
  if (gain < LEAST_GAIN) return { worth: false, says: said('adds-little', { gain, left }) };
  return { worth: false, says: left > 0.001 ? said('left-without', { left }) : said('nothing-gained') };
}

/**
 * Whether what is on a charger serves the plan itself; the rest is for the day after. By place among the day's charges. Cost:
 * a run of the day for each charge of a battery that is drawn from afterwards.
 *
 * @example neededToday(simulation, simulation.run(simulation.prepare(day))) // []
 */
export function neededToday(simulation: DaySimulation, run: DayRun): readonly boolean[] {
  const { day } = simulation;
  const now = planFigures(simulation, day);
  return (day.charges ?? []).map(({ batteryId, fromMin }, index) => {
    if (!run.stays.some((stay) => stay.batteryId === batteryId && stay.fromMin >= fromMin)) return false;
    const charges = day.charges!.filter((_charge, other) => other !== index);
    const without = planFigures(simulation, { swaps: day.swaps, charges });
    return without.gapMin > now.gapMin + 1 || without.intoReserve > now.intoReserve || without.interruptions > now.interruptions;
  });
}

/** When a battery that is not full lies idle, or sits in a rig that draws nothing, and is drawn from again later. */
function breaksOf({ day }: DaySimulation, run: DayRun): readonly Break[] {
  const drawing = new Map(
    day.rigIds.map((rigId) => [
      rigId,
      day.blocks.filter((block) => block.rigId === rigId && isDrawing(block)).sort((a, b) => a.fromMin - b.fromMin),
    ]),
  );
  const ids = [...new Set(run.stays.map(({ batteryId }) => batteryId))];
  const begin = day.startsAt ?? 0;
  return ids.flatMap((batteryId): readonly Break[] => {
    const stays = run.stays.filter((stay) => stay.batteryId === batteryId);
    const busy: readonly Span[] = [
      ...stays.flatMap((stay) =>
        drawing
          .get(stay.rigId)!
          .filter((block) => overlap(block, stay) > 0)
          .map(({ fromMin, toMin }) => ({ fromMin: Math.max(fromMin, stay.fromMin), toMin: Math.min(toMin, stay.toMin) })),
      ),
      ...run.filled.filter(({ charge }) => charge.batteryId === batteryId).map(({ charge }) => charge),
    ].sort((a, b) => a.fromMin - b.fromMin);
    const lastDrawn = Math.max(0, ...busy.filter((one) => !('chargerId' in one)).map(({ toMin }) => toMin));
    const breaks: Break[] = [];
    let fromMin = begin;
    for (const one of busy) {
      const charge = chargeAt(run.charge.get(batteryId) ?? [], fromMin);
      if (one.fromMin - fromMin >= LEAST_BREAK_MIN && one.fromMin < lastDrawn && charge < FULL_SHARE) {
        const stay = stays.find((sitting) => sitting.fromMin <= fromMin + 1e-6 && sitting.toMin >= one.fromMin - 1e-6);
        const seat =
          stay &&
          run.seated.findLast((seated) => seated.rigId === stay.rigId && seated.batteryId === batteryId && seated.atMin <= fromMin + 1e-6);
        const from = stays.findLast((before) => before.fromMin < fromMin + 1e-6);
        const places = from ? placesOf(day, from.rigId, fromMin, one.fromMin) : [];
        breaks.push({ batteryId, charge, places, fromMin, toMin: one.fromMin, seat: seat && { rigId: seat.rigId, seatId: seat.seatId } });
      }
      fromMin = Math.max(fromMin, one.toMin);
    }
    return breaks;
  });
}

/** Where a rig is: in its last block before a break, and in those within it. */
function placesOf({ blocks }: Day, rigId: string, fromMin: number, toMin: number): readonly string[] {
  const own = blocks.filter((block) => block.rigId === rigId).sort((a, b) => a.fromMin - b.fromMin);
  const near = [own.findLast((block) => block.toMin <= fromMin + 1e-6), ...own.filter((block) => overlap(block, { fromMin, toMin }) > 0)];
  return [...new Set(near.flatMap((block) => block?.placeId ?? []))];
}

function chargeAt(points: readonly ChargePoint[], minute: number): number {
  return points.findLast((point) => point.minute <= minute + 1e-6)?.charge ?? points[0]?.charge ?? 0;
}

/** The lowest that a battery falls to after a minute. */
function leastLater(points: readonly ChargePoint[], minute: number): number {
  return Math.min(1, ...points.filter((point) => point.minute > minute).map(({ charge }) => charge));
}
