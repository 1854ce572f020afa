import { DAY_MIN } from '../../quantity';
import { clockAt } from '../model';
import type { DayRun } from '../run';
import type { Day } from '../shape';

/** Charges that differ by less are the same. */
const SAME = 0.005;

type Carried = NonNullable<Day['batteries']>;

/** The batteries of a day with the charges that another one ends with; one that it never used keeps what was said of it. */
export function carriedOver(
  { batteries = [] }: Pick<Day, 'batteries'>,
  { endCharge }: Pick<DayRun, 'endCharge'>,
  known: ReadonlySet<string>,
): Carried {
  const ids = new Set([...batteries.map(({ gearId }) => gearId), ...[...endCharge.keys()].filter((id) => known.has(id))]);
  return [...ids].map((gearId) => {
    const said = batteries.find((one) => one.gearId === gearId);
    const charge = endCharge.get(gearId) ?? said?.startCharge;
    return { gearId, ...said, ...(charge !== undefined && { startCharge: Math.round(charge * 1000) / 1000 }) };
  });
}

/**
 * The plan that follows: it begins where this one ends, with the same rigs, places, hands, chargers and batteries, each as
 * full as it is then, and as many cards that are not yet copied; what is broken stays broken. Its blocks are for the person to say.
 *
 * @param known identifiers of gear that is in the kit; batteries built into devices are charged with their device
 *
 * @example dayAfter('d1', day, simulation.run(simulation.prepare(day)), new Set()).date // '2026-01-14'
 */
export function dayAfter(id: string, day: Day, run: Pick<DayRun, 'endCharge' | 'cards'>, known: ReadonlySet<string>): Day {
  const { blocks: _blocks, swaps: _swaps, charges: _charges, cardChanges: _cardChanges, note: _note, startsAt: _startsAt, ...rest } = day;
  return {
    ...rest,
    name: `After ${day.name}`.slice(0, 120),
    date: clockAt(day, day.days * DAY_MIN).date,
    days: 1,
    follows: id,
    blocks: [],
    batteries: carriedOver(day, run, known),
    ...(day.cards && {
      cards: day.cards.map((cards) => ({ ...cards, full: run.cards.lots.find(({ cardsId }) => cardsId === cards.id)?.notCopied ?? 0 })),
    }),
    ...(day.lost && { lost: day.lost.map((one) => ({ ...one, atMin: 0 })) }),
  };
}

/**
 * Batteries whose charge at the start of a day is not what the day before now leaves them with.
 *
 * @example notAsLeft({ batteries: [{ gearId: 'v1', startCharge: 1 }] }, { endCharge: new Map([['v1', 0.4]]) }) // ['v1']
 */
export function notAsLeft({ batteries = [] }: Pick<Day, 'batteries'>, { endCharge }: Pick<DayRun, 'endCharge'>): readonly string[] {
  return batteries.flatMap(({ gearId, startCharge }) => {
    const left = endCharge.get(gearId);
    // one of which nothing is said begins with whatever the kit says, which is not what was left
    return left !== undefined && (startCharge === undefined || Math.abs(left - startCharge) > SAME) ? [gearId] : [];
  });
}
