import { DEFAULT_RESERVE } from '../../rig/drawn';
import { builtInId } from '../../run';
import { ONE_VISIT_MIN } from '../../tables';
import { blocksOf, drawsOf, overlap, without } from '../model';
import type { Span } from '../model';
import { isDrawing } from '../shape';
import type { Day, Swap } from '../shape';
import type { ChargePoint, DayRun, Stay } from './day-run';
import type { Seated } from './seating';
import type { DaySimulation, Moves } from './simulate';

/** What a day with certain moves comes to, whoever made them. */
export interface PlanFigures {
  /** Blocks that must not be interrupted and go dark, for whatever reason. */
  readonly interruptions: number;
  /** Minutes not recorded though there is power: a card is full or being changed, heat, a take that nobody starts again. */
  readonly unrecordedMin: number;
  /** Changes of card, and of them those in a pause in which no battery of the rig is changed: together they are one visit. */
  readonly cardChanges: number;
  readonly cardVisits: number;
  /** Minutes without power, changes of battery left out; and those off for changes. */
  readonly gapMin: number;
  readonly changeMin: number;
  /** Changes of battery after a rig has begun. */
  readonly changes: number;
  /** Of them, in a block that draws, and of those bridged by something else so that nothing goes off. */
  readonly whileRunning: number;
  readonly hot: number;
  readonly batteries: number;
  readonly massG: number;
  /** Batteries among them whose mass is not entered: they are not in it. */
  readonly massUnknown: number;
  /** Batteries that go below the reserve in a rig. */
  readonly intoReserve: number;
  /** Minutes below the reserve in blocks that draw, of rigs on one battery and of batteries built into devices. */
  readonly lowMin: number;
  /** Times that somebody puts a battery on a charger, and what that takes from the wall. */
  readonly charges: number;
  readonly wallWh: number;
}

/**
 * Figures of a day with these moves, so that plans, and what a person placed, can be laid side by side. Cost: one run.
 *
 * @example planFigures(simulation, day).changes // 0
 */
export function planFigures(simulation: DaySimulation, moves: Moves, run = simulation.run(simulation.prepare(moves))): PlanFigures {
  const changes = run.seated.filter(({ first }) => !first);
  const running = changes.filter(({ within }) => within !== undefined && isDrawing(within));
  const goesOff = ({ rigId, atMin, takesMin }: Seated): boolean =>
    run.gaps.some((gap) => gap.rigId === rigId && overlap(gap, { fromMin: atMin, toMin: atMin + takesMin }) > 0);
  const used = [...new Set(run.seated.map(({ batteryId }) => batteryId))];
  const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
  return {
    interruptions: sum(run.blocks.map(({ interruptions }) => interruptions)),
    unrecordedMin: sum(run.blocks.map(({ unrecordedMin }) => unrecordedMin)),
    cardChanges: run.cards.changes.filter(({ card }) => card !== undefined).length,
    cardVisits: cardVisits(simulation.day, run.cards.changes, changes),
    gapMin: sum(run.blocks.map(({ gapMin }) => gapMin)),
    changeMin: sum(run.blocks.map(({ changeMin }) => changeMin)),
    changes: changes.length,
    whileRunning: running.length,
    hot: running.filter((change) => !goesOff(change)).length,
    batteries: used.length,
    massG: sum(used.map((id) => simulation.gear.get(id)?.massG ?? 0)),
    massUnknown: used.filter((id) => simulation.gear.get(id)?.massG === undefined).length,
    intoReserve: run.intoReserve.length,
    lowMin: sum(belowReserve(simulation, run).map(({ fromMin, toMin }) => toMin - fromMin)),
    charges: run.filled.length,
    wallWh: sum(run.filled.map(({ wallWh }) => wallWh)),
  };
}

/** The time around a moment in which somebody at a rig is there on one visit: its pause, or some minutes while it draws. `draws`: when it does. */
export function visitAround(draws: readonly Span[], minute: number): Span {
  const before = draws.findLast(({ fromMin }) => fromMin < minute);
  const isDrawing = before !== undefined && before.toMin > minute;
  const after = draws.find(({ fromMin }) => fromMin >= minute);
  const near = { fromMin: minute - ONE_VISIT_MIN, toMin: minute + ONE_VISIT_MIN };
  if (isDrawing) return near;
  return { fromMin: Math.min(near.fromMin, before?.toMin ?? -Infinity), toMin: Math.max(near.toMin, after?.fromMin ?? Infinity) };
}

/** Whether a moment lies on the visit of another. */
function isOn({ fromMin, toMin }: Span, minute: number): boolean {
  return minute >= fromMin && minute <= toMin;
}

/** Visits to rigs for a card alone: those in one pause are one, and none where a battery is changed in it too. */
function cardVisits(
  { blocks }: Pick<Day, 'blocks'>,
  cards: DayRun['cards']['changes'],
  changes: readonly Pick<Seated, 'rigId' | 'atMin'>[],
): number {
  const visits: { readonly rigId: string; readonly atMin: number }[] = [];
  for (const { rigId, atMin, card } of cards) {
    if (card === undefined) continue;
    const draws = drawsOf(blocksOf({ blocks }, rigId));
    const visit = visitAround(draws, atMin);
    const isKnown = (one: { readonly rigId: string; readonly atMin: number }): boolean => one.rigId === rigId && isOn(visit, one.atMin);
    if (!changes.some(isKnown) && !visits.some(isKnown)) visits.push({ rigId, atMin });
  }
  return visits.length;
}

/**
 * Where a battery carries a rig alone, sits in a device or is built into it, and is below the reserve while a block draws; what
 * is dark by then is not in it.
 */
export function belowReserve({ day, states }: DaySimulation, run: DayRun): readonly (Span & { readonly rigId: string })[] {
  const reserve = day.reserve ?? DEFAULT_RESERVE;
  const carrying = run.intoReserve.flatMap((stay) =>
    states.keepsReserve(stay.rigId, seatOf(run, stay))
      ? [{ rigId: stay.rigId, points: within(run.charge.get(stay.batteryId) ?? [], stay) }]
      : [],
  );
  const builtIn = day.rigIds.flatMap((rigId) =>
    states.partsOf(rigId).flatMap((gearId) => {
      const points = run.charge.get(builtInId(gearId));
      return points ? [{ rigId, points }] : [];
    }),
  );
  return [...carrying, ...builtIn].flatMap(({ rigId, points }) => {
    const drawing = day.blocks.filter((block) => block.rigId === rigId && isDrawing(block));
    const gaps = run.gaps.filter((gap) => gap.rigId === rigId);
    return belowIn(points, reserve).flatMap((low) =>
      drawing
        .map(({ fromMin, toMin }) => ({ fromMin: Math.max(fromMin, low.fromMin), toMin: Math.min(toMin, low.toMin) }))
        .flatMap((span) => without(span, gaps))
        .map((span) => ({ rigId, ...span })),
    );
  });
}

/** The seat in which a battery stays. */
function seatOf({ seated }: DayRun, { rigId, batteryId, fromMin }: Stay): string {
  return seated.findLast((one) => one.rigId === rigId && one.batteryId === batteryId && one.atMin <= fromMin + 1e-6)?.seatId ?? '';
}

function within(points: readonly ChargePoint[], { fromMin, toMin }: Span): readonly ChargePoint[] {
  return points.filter(({ minute }) => minute >= fromMin - 1e-6 && minute <= toMin + 1e-6);
}

/** When a charge lies below a share, straight between its points. */
export function belowIn(points: readonly ChargePoint[], share: number): readonly Span[] {
  return points.slice(1).flatMap((after, index) => {
    const before = points[index]!;
    if (after.minute <= before.minute || Math.min(before.charge, after.charge) >= share - 1e-9) return [];
    const crossMin = before.minute + ((before.charge - share) / (before.charge - after.charge)) * (after.minute - before.minute);
    if (before.charge > share) return [{ fromMin: crossMin, toMin: after.minute }];
    return [{ fromMin: before.minute, toMin: after.charge > share ? crossMin : after.minute }];
  });
}

/**
 * Changes of battery that one plan has and another has not; those some minutes apart are the same.
 *
 * @example onlyIn([{ rigId: 'r', seatId: 's', batteryId: 'v1', atMin: 600 }], [])[0].batteryId // 'v1'
 */
export function onlyIn(one: readonly Swap[] = [], other: readonly Swap[] = []): readonly Swap[] {
  return one.filter(
    (swap) =>
      !other.some(
        ({ rigId, seatId, batteryId, atMin }) =>
          rigId === swap.rigId && seatId === swap.seatId && batteryId === swap.batteryId && Math.abs(atMin - swap.atMin) <= SAME_MIN,
      ),
  );
}

const SAME_MIN = 5;
