import { rigModel, runRange, sensitivities } from '../../answer';
import type { Sensitivity } from '../../answer';
import type { Rig } from '../../rig/drawn';
import { said } from '../../said';
import { rigOnBattery, runOn } from '../feed-loss';
import type { Log } from '../feed-loss';
import type { ObservationOf } from '../log';
import { median } from '../trace';
import type { LearningSaid } from './says';

/** One run of a rig: what the plan of today would have said of it, and what happened. */
export interface RunAgainstPlan {
  readonly id: string;
  readonly at: string;
  readonly batteryId: string;
  readonly happenedMin: number;
  readonly ended: ObservationOf<'set-run'>['ended'];
  /** In the middle, and nine of ten days; undefined where the rig cannot be worked out on that battery. */
  readonly predicted: { readonly p10Min: number; readonly p50Min: number; readonly p90Min: number } | undefined;
  /** Happened over predicted. A swap only says “at least”. */
  readonly ratio: number | undefined;
  /** `within` the range, `short` of it or `long` beyond; a swap that came in time proves nothing: undefined. */
  readonly fit: 'within' | 'short' | 'long' | undefined;
  readonly setAside: boolean;
}

export interface PlanAgainstDay {
  readonly rigId: string;
  readonly name: string;
  readonly runs: readonly RunAgainstPlan[];
  /** Middle of the ratios of runs that ended dead; undefined where there was none. */
  readonly bias: number | undefined;
  /** In words, with figures. */
  readonly says: LearningSaid;
  /** What its range rests on most: measure this next to be surer. */
  readonly measureNext: readonly Sensitivity[];
}

const RUNS = 200;
const MOST_NEXT = 2;
/** Less than this share of the scatter is not worth a test. */
const LEAST_SHARE = 0.1;
/** Nearer to the plan than this it is called right. */
const RIGHT = 0.03;

/**
 * For every rig with runs in the log: how far its plan is from what happened. The prediction is made with the gear as it
 * is known now, on the battery, charge and temperature of that run, so that it says how good the next plan will be.
 *
 * Cost: 200 random runs an observation; for a worker.
 *
 * @example planAgainstDay(log).length // 3
 */
export function planAgainstDay(log: Log): readonly PlanAgainstDay[] {
  return [...log.rigs].flatMap(([rigId, rig]) => {
    const found = log.observations.flatMap(({ id, body }) => (body.kind === 'set-run' && body.rigId === rigId ? [{ id, body }] : []));
    if (found.length === 0) return [];
    const runs = found.map(({ id, body }) => against(id, body, rig, log)).sort((a, b) => b.at.localeCompare(a.at));
    const ratios = runs.flatMap(({ ratio, ended, setAside }) => (ratio !== undefined && ended === 'died' && !setAside ? [ratio] : []));
    const bias = ratios.length === 0 ? undefined : median(Float64Array.from(ratios));
    const measureNext = sensitivities(rigModel(rig, log.gear))
      .filter(({ share, gearId }) => share >= LEAST_SHARE && gearId !== undefined)
      .slice(0, MOST_NEXT);
    return [{ rigId, name: rig.name, runs, bias, says: planSaid(bias, ratios.length, runs), measureNext }];
  });
}

function against(id: string, body: ObservationOf<'set-run'>, rig: Rig, { gear }: Log): RunAgainstPlan {
  const { at, batteryId, minutes, ended, setAside } = body;
  const told = { id, at, batteryId, happenedMin: minutes, ended, setAside: setAside === true };
  const on = rigOnBattery(rig, batteryId, gear);
  const model = on && rigModel(conditions(on, body), gear);
  const range = model && runOn(model, batteryId) ? runRange(model, { runs: RUNS }) : undefined;
  const { p10Min, p50Min, p90Min } = range ?? {};
  if (p10Min === undefined || p50Min === undefined || p90Min === undefined)
    return { ...told, predicted: undefined, ratio: undefined, fit: undefined };
  const fit = minutes > p90Min ? 'long' : ended === 'swapped' ? undefined : minutes < p10Min ? 'short' : 'within';
  return { ...told, predicted: { p10Min, p50Min, p90Min }, ratio: minutes / p50Min, fit };
}

/** The rig as it was that day: one battery, its charge and its cold; no spares, since a swap ends the run. */
function conditions(rig: Rig, { batteryId, startCharge, temperatureC }: ObservationOf<'set-run'>): Rig {
  const others = (rig.batteries ?? []).filter(({ gearId }) => gearId !== batteryId);
  const cold = temperatureC ?? rig.temperatureC;
  return {
    ...rig,
    batteries: [
      ...others.map(({ spareIds: _spares, ...state }) => state),
      { gearId: batteryId, startCharge: startCharge ?? 1, ...(cold !== undefined && { temperatureC: cold }) },
    ],
  };
}

function planSaid(bias: number | undefined, count: number, runs: readonly RunAgainstPlan[]): LearningSaid {
  if (bias === undefined) {
    const swapped = runs.filter(({ ended }) => ended === 'swapped').length;
    return swapped > 0 ? said('all-swapped') : said('not-on-that-battery');
  }
  if (Math.abs(bias - 1) < RIGHT) return said('plan-right', { bias, count });
  return bias < 1 ? said('plan-short', { bias, count }) : said('plan-long', { bias, count });
}
