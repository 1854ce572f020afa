import type { Indicator } from '../../answer';
import { gearTitle } from '../../gear';
import { DEFAULT_RESERVE } from '../../rig/drawn';
import { temperatureIn } from '../model';
import type { ChargePoint, DayRun, Stay } from './day-run';
import type { DaySimulation } from './simulate';

/** What one gauge of a rig shows while a battery is in it. */
export interface DayIndicator {
  readonly rigId: string;
  readonly batteryId: string;
  readonly battery: string;
  readonly fromMin: number;
  readonly toMin: number;
  /** Whose gauge it is. */
  readonly part: string;
  readonly believable: Indicator['believable'];
  readonly why: Indicator['why'];
  /** What it shows from which minute of the day on. */
  readonly readings: readonly { readonly minute: number; readonly shown: string; readonly charge: number }[];
  /** When the battery is at its reserve, and what the gauge shows then: the clock to go by where it cannot be believed. */
  readonly changeBy: { readonly minute: number; readonly shown: string | undefined } | undefined;
}

/**
 * What each gauge shows over a day beside what is left, and by when to change where it cannot be believed.
 *
 * A gauge's way from charge to reading is that of a run-down in the rig's usual modes; the charge is that of the day. Cost:
 * a rig's answer for each stay of a battery.
 *
 * @example dayIndicators(simulation, simulation.run(simulation.prepare(day))).length // 13
 */
export function dayIndicators(simulation: DaySimulation, run: DayRun): readonly DayIndicator[] {
  const { day, gear, states } = simulation;
  const reserve = day.reserve ?? DEFAULT_RESERVE;
  const told = new Set<string>();
  return run.stays.flatMap((stay) => {
    const block = day.blocks.find(({ rigId, fromMin, toMin }) => rigId === stay.rigId && fromMin <= stay.fromMin && stay.fromMin < toMin);
    const seen = states.indicators(stay.rigId, seatsDuring(run, stay), temperatureIn(block, day));
    const curve = (run.charge.get(stay.batteryId) ?? []).filter(
      ({ minute }) => minute >= stay.fromMin - 1e-6 && minute <= stay.toMin + 1e-6,
    );
    const battery = gear.get(stay.batteryId);
    return (
      seen
        // a device's gauge that shows the same whatever sits in the rig is told once
        .filter(
          ({ gearId, part }) =>
            gearId === stay.batteryId || (gear.get(gearId)?.kind !== 'battery' && isFirst(told, `${stay.rigId} ${part}`)),
        )
        .map(({ part, believable, why, readings }): DayIndicator => {
          const shownAt = (charge: number): string | undefined =>
            readings.findLast((reading) => reading.charge >= charge - 1e-9)?.shown ?? readings[0]?.shown;
          const atReserve = firstBelow(curve, reserve);
          return {
            rigId: stay.rigId,
            batteryId: stay.batteryId,
            battery: battery ? gearTitle(battery) : stay.batteryId,
            fromMin: stay.fromMin,
            toMin: stay.toMin,
            part,
            believable,
            why,
            readings: changesOf(curve, shownAt),
            changeBy: atReserve === undefined ? undefined : { minute: atReserve, shown: shownAt(reserve) },
          };
        })
    );
  });
}

function isFirst(told: Set<string>, key: string): boolean {
  if (told.has(key)) return false;
  told.add(key);
  return true;
}

/** The batteries of a rig while one of them is in it; its own where nobody put others in. */
function seatsDuring({ seated }: DayRun, { rigId, batteryId, fromMin, toMin }: Stay): ReadonlyMap<string, string> {
  const seats = new Map<string, string>();
  for (const one of seated) {
    if (one.rigId !== rigId || one.atMin >= toMin) continue;
    const isOwn = one.batteryId === batteryId && one.atMin <= fromMin + 1e-6 + one.takesMin;
    const current = seats.get(one.seatId);
    // the seat of the battery asked about is held by it, whatever comes later
    if (isOwn || (current !== batteryId && one.atMin <= fromMin + 1e-6) || current === undefined) seats.set(one.seatId, one.batteryId);
  }
  return seats;
}

function changesOf(curve: readonly ChargePoint[], shownAt: (charge: number) => string | undefined): DayIndicator['readings'] {
  const readings: { minute: number; shown: string; charge: number }[] = [];
  for (const { minute, charge } of curve) {
    const shown = shownAt(charge);
    if (shown !== undefined && readings.at(-1)?.shown !== shown) readings.push({ minute, shown, charge });
  }
  return readings;
}

/** When a curve first falls below a charge, straight between its points; undefined where it never does. */
function firstBelow(curve: readonly ChargePoint[], charge: number): number | undefined {
  const index = curve.findIndex((point) => point.charge < charge);
  const [before, after] = [curve[index - 1], curve[index]];
  if (!after) return undefined;
  if (!before || before.charge <= after.charge) return after.minute;
  return before.minute + ((before.charge - charge) / (before.charge - after.charge)) * (after.minute - before.minute);
}
