import { DEFAULT_SEED } from '../../answer';
import { chance } from '../../run';
import { ROUGH_GAP_MIN } from '../../tables';
import { minuteAt } from '../model';
import type { ChargePoint } from './day-run';
import type { DaySimulation, Moves } from './simulate';

/** How sure a day is. */
export interface DayChances {
  readonly runs: number;
  readonly seed: number;
  /** Share of runs in which a block has power throughout, changes of battery apart, by block. */
  readonly blocks: ReadonlyMap<string, number>;
  /** Share of runs in which every block has. */
  readonly all: number;
  /** Between which charges nine of ten runs lie, by battery. */
  readonly bands: ReadonlyMap<string, readonly Band[]>;
}

export interface Band {
  readonly minute: number;
  readonly p10: number;
  readonly p90: number;
}

export const DEFAULT_DAY_RUNS = 400;
export const MAX_DAY_RUNS = 5000;
/** Moments at which bands are told. */
const BAND_POINTS = 97;
/** Runs between two reports. */
const REPORT_EVERY = 20;

/**
 * Runs a day many times with draws, capacities, efficiencies and temperature drawn anew, each thing alike through one
 * whole day. Seeded: the same day gives the same chances. `onProgress` may return false: the runs made until then count.
 *
 * @example dayChances(simulation, day, { runs: 20 }).runs // 20
 */
export function dayChances(
  simulation: DaySimulation,
  moves: Moves = simulation.day,
  { runs = DEFAULT_DAY_RUNS, seed = DEFAULT_SEED, onProgress = (_done: number): boolean => true } = {},
): DayChances {
  const { day } = simulation;
  const ready = simulation.prepare(moves);
  const random = chance(seed);
  const lasted = new Map(day.blocks.map(({ id }) => [id, 0]));
  const samples = new Map<string, Float32Array[]>();
  const endMin = minuteAt(day, day.days, 0);
  const grid = Float64Array.from({ length: BAND_POINTS }, (_, index) => (index * endMin) / (BAND_POINTS - 1));
  let all = 0;
  let done = 0;
  for (; done < Math.min(runs, MAX_DAY_RUNS); done++) {
    if (done % REPORT_EVERY === 0 && !onProgress(done)) break;
    const drawn = new Map<string, number>();
    const of = (id: string): number => {
      let value = drawn.get(id);
      if (value === undefined) {
        value = random.normal();
        drawn.set(id, value);
      }
      return value;
    };
    const run = simulation.run(ready, { of, efficiency: random.normal(), temperature: random.normal() });
    let sound = true;
    for (const { blockId, gapMin } of run.blocks) {
      if (gapMin > ROUGH_GAP_MIN) sound = false;
      else lasted.set(blockId, lasted.get(blockId)! + 1);
    }
    if (sound) all++;
    for (const [id, points] of run.charge) {
      const known = samples.get(id) ?? [];
      samples.set(id, known);
      known.push(sampled(points, grid));
    }
  }
  const share = (count: number): number => (done === 0 ? 0 : count / done);
  return {
    runs: done,
    seed,
    blocks: new Map([...lasted].map(([id, count]) => [id, share(count)])),
    all: share(all),
    bands: new Map([...samples].map(([id, found]) => [id, bandsOf(found, grid)])),
  };
}

function sampled(points: readonly ChargePoint[], grid: Float64Array): Float32Array {
  const values = new Float32Array(grid.length);
  let next = 0;
  for (let index = 0; index < grid.length; index++) {
    const minute = grid[index]!;
    while (next < points.length && points[next]!.minute <= minute) next++;
    const [before, after] = [points[next - 1], points[next]];
    if (!before || !after) values[index] = (before ?? after)?.charge ?? 0;
    else values[index] = before.charge + ((minute - before.minute) / (after.minute - before.minute)) * (after.charge - before.charge);
  }
  return values;
}

function bandsOf(found: readonly Float32Array[], grid: Float64Array): readonly Band[] {
  const column = new Float32Array(found.length);
  return Array.from(grid, (minute, place) => {
    for (let run = 0; run < found.length; run++) column[run] = found[run]![place]!;
    column.sort();
    const at = (share: number): number => column[Math.min(column.length - 1, Math.floor(share * column.length))]!;
    return { minute, p10: at(0.1), p90: at(0.9) };
  });
}
