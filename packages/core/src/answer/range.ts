import { ENERGY_SPREAD, energySpread } from '../gear/kit';
import { coldDerating } from '../physics/cell';
import { batteryState, isKind } from '../rig/drawn';
import { chance, SystemRunner } from '../run';
import type { PartInstead, System, Variation } from '../run';
import { CHEMISTRIES, EFFICIENCY_SPREAD, TEMPERATURE_SPREAD_C } from '../tables';
import type { AssumedEnd } from './assumed-end';
import type { RigModel } from './rig-model';

/** How long a rig runs, as a range. Minutes beyond what is timed are undefined. */
export interface RunRange {
  /** One of ten runs ends before this. */
  readonly p10Min: number | undefined;
  readonly p50Min: number | undefined;
  /** One of ten runs lasts longer than this. */
  readonly p90Min: number | undefined;
  /** Share of runs that last as long as asked; undefined when nothing is asked. */
  readonly chanceOfLasting: number | undefined;
  readonly wantedMin: number | undefined;
  readonly runs: number;
  readonly seed: number;
}

/** What is uncertain about a rig, as standard deviations. */
export interface Uncertainty {
  /** Share of each load's draw. */
  readonly loads: readonly number[];
  /** Share of each source's capacity. */
  readonly capacity: readonly number[];
  /** Points of every converter's efficiency. */
  readonly efficiency: number;
  /** Degrees, the same for all batteries of the rig. */
  readonly temperatureC: number;
}

export const DEFAULT_RUNS = 400;
export const DEFAULT_SEED = 20260107;
export const MAX_RUNS = 20_000;

/** Voltages of random runs are solved to a billionth or so: far below what is uncertain about them. */
const ROUGH = 1e-8;

/** What is uncertain, in the order of the system's loads and sources. */
export function uncertaintyOf({ resolved, draws, system }: RigModel): Uncertainty {
  const chosen = (system?.sources ?? []).some(({ id }) => batteryState(resolved.rig, id).chosen.cold);
  return {
    loads: (system?.loads ?? []).map(({ id }) => draws?.usual.get(id)?.spread ?? 0),
    capacity: (system?.sources ?? []).map(({ id }) => {
      const part = resolved.parts.get(id);
      if (!part || !isKind(part, 'battery')) return resolved.parts.has(id) ? 0 : ENERGY_SPREAD.other;
      return energySpread(part.gear);
    }),
    efficiency: EFFICIENCY_SPREAD,
    temperatureC: chosen ? TEMPERATURE_SPREAD_C.chosen : TEMPERATURE_SPREAD_C.assumed,
  };
}

/** A runner for many runs of which each is uncertain anyway: voltages to a millionth or so, some times as fast. */
export function roughRunner(system: System): SystemRunner {
  return new SystemRunner({ ...system, sources: system.sources.map((source) => ({ ...source, tolerance: ROUGH })) });
}

/** Turns shares of standard deviations into one run's factors. */
export class Variations {
  private readonly tables: readonly {
    readonly id: string;
    readonly table: 'lithium-ion' | 'steep';
    readonly temperatureC: number;
    readonly limited: boolean;
  }[];
  readonly variation: {
    loadFactor: Float64Array;
    capacityFactor: Float64Array;
    resistanceFactor: Float64Array;
    efficiencyShift: Float64Array;
    instead: PartInstead | undefined;
  };

  constructor(model: RigModel) {
    const sources = model.system?.sources ?? [];
    this.tables = sources.map(({ id }) => {
      const part = model.resolved.parts.get(id);
      const table = part && isKind(part, 'battery') ? CHEMISTRIES[part.gear.chemistry].cold : 'lithium-ion';
      return { id, table, temperatureC: batteryState(model.resolved.rig, id).temperatureC, limited: !part || isKind(part, 'battery') };
    });
    const loads = model.system?.loads.length ?? 0;
    this.variation = {
      loadFactor: new Float64Array(loads).fill(1),
      capacityFactor: new Float64Array(sources.length).fill(1),
      resistanceFactor: new Float64Array(sources.length).fill(1),
      efficiencyShift: new Float64Array(sources.length),
      instead: undefined,
    };
  }

  /** `load`, `capacity`: deviations by place, in shares; nothing drawn goes below a twentieth of its figure. */
  set(
    load: (place: number) => number,
    capacity: (place: number) => number,
    efficiencyShift: number,
    warmerC: number,
    end?: AssumedEnd,
  ): Variation {
    const { loadFactor, capacityFactor, resistanceFactor, efficiencyShift: shift } = this.variation;
    for (let place = 0; place < loadFactor.length; place++) loadFactor[place] = Math.max(0.05, 1 + load(place));
    this.tables.forEach(({ id, table, temperatureC, limited }, place) => {
      const here = coldDerating(table, temperatureC);
      const there = coldDerating(table, temperatureC + warmerC);
      capacityFactor[place] = limited ? Math.max(0.05, 1 + capacity(place)) * (there.capacityFactor / here.capacityFactor) : 1;
      const own = end?.packOhm?.sourceId === id ? end.packOhm.times : 1;
      resistanceFactor[place] = own * (limited ? there.resistanceFactor / here.resistanceFactor : 1);
      shift[place] = efficiencyShift;
    });
    this.variation.instead = end?.instead;
    return this.variation;
  }
}

/**
 * P10, P50 and P90 of the minutes until something first stops, and the chance of lasting as long as asked.
 *
 * Seeded: the same rig gives the same figures on every machine. Undefined while the rig cannot be run. Cost: some tens
 * of microseconds a run; `runs` at most 20 000. `onProgress` may return false to stop early, `mostSteps` bounds the work; the
 * runs made until then count, and `runs` says how many they were.
 *
 * @example runRange(rigModel(rig, gear)).p10Min // 266.78
 */
export function runRange(
  model: RigModel,
  {
    runs = DEFAULT_RUNS,
    seed = DEFAULT_SEED,
    wantedMin = model.resolved.rig.wantedMin,
    onProgress = (_done: number): boolean => true,
    mostSteps = Infinity,
  } = {},
): RunRange | undefined {
  const { system } = model;
  if (!system) return undefined;
  const uncertainty = uncertaintyOf(model);
  const variations = new Variations(model);
  const runner = roughRunner(system);
  const { normal } = chance(seed);
  const minutes: number[] = [];
  let steps = 0;
  for (let run = 0; run < Math.min(runs, MAX_RUNS); run++) {
    if (steps > mostSteps || (run % 100 === 0 && !onProgress(run))) break;
    const warmerC = normal() * uncertainty.temperatureC;
    const efficiencyShift = normal() * uncertainty.efficiency;
    const variation = variations.set(
      (place) => normal() * uncertainty.loads[place]!,
      (place) => normal() * uncertainty.capacity[place]!,
      efficiencyShift,
      warmerC,
    );
    const once = runner.run(variation);
    steps += once.steps;
    minutes.push(once.firstGapMin ?? Infinity);
  }
  if (minutes.length === 0) return undefined;
  minutes.sort((a, b) => a - b);
  const at = (share: number): number | undefined => {
    const value = minutes[Math.min(minutes.length - 1, Math.floor(share * minutes.length))]!;
    return Number.isFinite(value) ? value : undefined;
  };
  return {
    p10Min: at(0.1),
    p50Min: at(0.5),
    p90Min: at(0.9),
    chanceOfLasting: wantedMin === undefined ? undefined : minutes.filter((value) => value >= wantedMin).length / minutes.length,
    wantedMin,
    runs: minutes.length,
    seed,
  };
}
