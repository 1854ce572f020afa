import { gearTitle } from '../../gear';
import { isSameSwap } from '../shape';
import type { Swap } from '../shape';
import type { DaySimulation } from '../run';

/** What moving one change of battery by so many minutes would do. */
export interface MovedSwap {
  readonly byMin: number;
  readonly atMin: number;
  /** More than as it is. */
  readonly gapMin: number;
  readonly interruptions: number;
  readonly intoReserve: number;
  /** Charge of the battery that comes out, when it does. */
  readonly outCharge: number | undefined;
  readonly says: string;
}

/** Minutes by which a change is tried earlier and later. */
const TRIED_MIN = [-60, -30, -15, 15, 30, 60];

/** What it would cost to make a change of battery earlier or later, everything else as it is. Cost: a run for each. */
export function costOfMoving(simulation: DaySimulation, swap: Swap): readonly MovedSwap[] {
  return TRIED_MIN.filter((byMin) => swap.atMin + byMin >= 0).map((byMin) => movedSwap(simulation, swap, swap.atMin + byMin));
}

/** What it would cost to make a change of battery at another minute, everything else as it is. Cost: two runs of the day. */
export function movedSwap(simulation: DaySimulation, swap: Swap, atMin: number): MovedSwap {
  const [now, then] = [runWith(simulation, swap, swap.atMin), runWith(simulation, swap, atMin)];
  const gapMin = then.gapMin - now.gapMin;
  const interruptions = then.interruptions - now.interruptions;
  const intoReserve = then.intoReserve - now.intoReserve;
  const out = then.out && simulation.gear.get(then.out.batteryId);
  const costs = [
    interruptions > 0 ? 'a block goes dark that must not be interrupted' : '',
    gapMin > 0.5 ? `${Math.ceil(gapMin)} min more without power` : gapMin < -0.5 ? `${Math.floor(-gapMin)} min less without power` : '',
    intoReserve > 0 ? 'a battery goes into its reserve' : intoReserve < 0 ? 'a battery less goes into its reserve' : '',
  ].filter((one) => one !== '');
  const left = out && then.out ? `; ${gearTitle(out)} comes out with ${Math.round(100 * then.out.toCharge)} %` : '';
  return {
    byMin: atMin - swap.atMin,
    atMin,
    gapMin,
    interruptions,
    intoReserve,
    outCharge: then.out?.toCharge,
    says: `${costs.length > 0 ? costs.join(', ') : 'nothing is lost'}${left}`,
  };
}

function runWith(simulation: DaySimulation, swap: Swap, atMin: number) {
  const { day } = simulation;
  const swaps = (day.swaps ?? []).map((one) => (isSameSwap(one, swap) ? { ...one, atMin } : one));
  const run = simulation.run(simulation.prepare({ swaps, charges: day.charges }));
  const out = run.stays.findLast(
    (stay) => stay.rigId === swap.rigId && stay.batteryId !== swap.batteryId && Math.abs(stay.toMin - atMin) < 1,
  );
  return {
    gapMin: run.blocks.reduce((sum, block) => sum + block.gapMin + block.changeMin, 0),
    interruptions: run.blocks.reduce((sum, block) => sum + block.interruptions, 0),
    intoReserve: run.intoReserve.length,
    out,
  };
}
