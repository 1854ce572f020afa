import { gearTitle } from '../../gear';
import type { DayRun, DaySimulation, Moves } from '../run';
import { isSameSwap } from '../shape';
import type { CardChange, Swap } from '../shape';

/** What moving one change, of a battery or of a card, by so many minutes would do. */
export interface MovedChange {
  readonly byMin: number;
  readonly atMin: number;
  /** More than as it is: without power, and not recorded though there is power. */
  readonly gapMin: number;
  readonly unrecordedMin: number;
  readonly interruptions: number;
  readonly intoReserve: number;
  readonly says: string;
}

/** Minutes by which a change is tried earlier and later. */
const TRIED_MIN = [-60, -30, -15, 15, 30, 60];

/** What it would cost to make a change of battery earlier or later, everything else as it is. Cost: a run for each. */
export function costOfMoving(simulation: DaySimulation, swap: Swap): readonly MovedChange[] {
  return TRIED_MIN.filter((byMin) => swap.atMin + byMin >= 0).map((byMin) => movedChange(simulation, swap, swap.atMin + byMin));
}

/** What it would cost to make a change at another minute, everything else as it is. Cost: two runs of the day. */
export function movedChange(simulation: DaySimulation, change: Swap | CardChange, atMin: number): MovedChange {
  const [now, then] = [runWith(simulation, change, change.atMin), runWith(simulation, change, atMin)];
  const [before, after] = [sums(now), sums(then)];
  const gapMin = after.gapMin - before.gapMin;
  const unrecordedMin = after.unrecordedMin - before.unrecordedMin;
  const interruptions = after.interruptions - before.interruptions;
  const intoReserve = then.intoReserve.length - now.intoReserve.length;
  const minutes = (by: number, what: string): string =>
    by > 0.5 ? `${Math.ceil(by)} min more ${what}` : by < -0.5 ? `${Math.floor(-by)} min less ${what}` : '';
  const costs = [
    interruptions > 0 ? 'a block is interrupted that must not be' : '',
    minutes(gapMin, 'without power'),
    minutes(unrecordedMin, 'not recorded'),
    intoReserve > 0 ? 'a battery goes into its reserve' : intoReserve < 0 ? 'a battery less goes into its reserve' : '',
  ].filter((one) => one !== '');
  return {
    byMin: atMin - change.atMin,
    atMin,
    gapMin,
    unrecordedMin,
    interruptions,
    intoReserve,
    says: `${costs.length > 0 ? costs.join(', ') : 'nothing is lost'}${saysOut(simulation, change, atMin, then)}`,
  };
}

/** What comes out, and how full it is. */
function saysOut({ gear }: DaySimulation, change: Swap | CardChange, atMin: number, run: DayRun): string {
  if ('cardsId' in change) {
    const out = run.cards.changes.find((one) => one.cardsId === change.cardsId && one.atMin === atMin);
    return out ? `; card ${out.out} comes out ${Math.round(100 * out.outFull)} % full` : '';
  }
  const out = run.stays.findLast(
    (stay) => stay.rigId === change.rigId && stay.batteryId !== change.batteryId && Math.abs(stay.toMin - atMin) < 1,
  );
  const battery = gear.get(out?.batteryId ?? '');
  return out && battery ? `; ${gearTitle(battery)} comes out with ${Math.round(100 * out.toCharge)} %` : '';
}

function runWith(simulation: DaySimulation, change: Swap | CardChange, atMin: number): DayRun {
  const { swaps = [], charges, cardChanges = [] } = simulation.day;
  const moves: Moves =
    'cardsId' in change
      ? { swaps, charges, cardChanges: cardChanges.map((one) => (isSameCardChange(one, change) ? { ...one, atMin } : one)) }
      : { swaps: swaps.map((one) => (isSameSwap(one, change) ? { ...one, atMin } : one)), charges };
  return simulation.run(simulation.prepare(moves));
}

function sums({ blocks }: DayRun) {
  const sum = (of: (block: DayRun['blocks'][number]) => number): number => blocks.reduce((total, block) => total + of(block), 0);
  return {
    gapMin: sum(({ gapMin, changeMin }) => gapMin + changeMin),
    unrecordedMin: sum((block) => block.unrecordedMin),
    interruptions: sum((block) => block.interruptions),
  };
}

function isSameCardChange(a: CardChange, b: CardChange): boolean {
  return a.cardsId === b.cardsId && a.atMin === b.atMin;
}
