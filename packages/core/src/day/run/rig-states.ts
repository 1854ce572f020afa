import { indicators, rigModel, roughRunner, stopInPhase, troubleOf, uncertaintyOf, Variations } from '../../answer';
import type { Indicator, Measured, RigModel } from '../../answer';
import type { Gear } from '../../gear';
import { batteriesOf, drawnRig, gearIdsOf, withPartReplaced } from '../../rig/drawn';
import type { Rig, RigPhase } from '../../rig/drawn';
import { SystemRunner, unbridgedMinutes } from '../../run';
import type { SystemPhase, Variation } from '../../run';
import { said } from '../../said';
import { QUIET_KINDS } from '../shape';
import type { Block, Day } from '../shape';
import type { GapSaid } from './says';

/** A rig with certain batteries in its seats at a certain temperature, ready to be run from any charge. */
export interface RigState {
  /** In the order of the system's sources: the battery in it, or the name of what else it is. */
  readonly sourceIds: readonly string[];
  /** Which of them need an outlet to work. */
  readonly supplies: readonly ('mains' | 'vehicle' | undefined)[];
  readonly loadIds: readonly string[];
  /** Why it cannot be run; then there is no runner. */
  readonly trouble: GapSaid | undefined;
  readonly runner: SystemRunner | undefined;
  /** Less exact and faster, for random runs. */
  readonly rough: () => SystemRunner;
  /** What each load wants in a block; in nothing between blocks. */
  readonly loadW: (block: Block | undefined) => SystemPhase['loadW'];
  /** What must not be, or would not work, in a block at these charges of its sources, in words; undefined where it may go on. */
  readonly stopIn: (block: Block, soc: Readonly<Record<string, number>>) => GapSaid | undefined;
  readonly vary: (deviation: Deviation) => Variation | undefined;
}

/** How one random run differs, in standard deviations, for each thing by its identifier. */
export interface Deviation {
  readonly of: (id: string) => number;
  readonly efficiency: number;
  readonly temperature: number;
}

const NOTHING: SystemPhase['loadW'] = {};
/** Points of a run-down in which a gauge is read. */
const GAUGE_POINTS = 100;

/**
 * The rigs of a day, worked out for whatever batteries sit in them. What was worked out once is kept: a plan is tried
 * many times over with the same batteries.
 */
export class RigStates {
  private readonly known = new Map<string, RigState>();
  private readonly patterns = new Map<string, readonly string[]>();
  private readonly unbridged = new Map<string, number>();

  constructor(
    day: Pick<Day, 'rigIds' | 'blocks'>,
    readonly gear: ReadonlyMap<string, Gear>,
    private readonly rigs: ReadonlyMap<string, Rig>,
    readonly measured: Measured = new Map(),
  ) {
    for (const rigId of day.rigIds) this.patterns.set(rigId, patternsOf(day, rigId));
  }

  /** Whether a day's blocks draw in no way that is not worked out here: moved blocks and other moves change nothing. */
  covers(day: Pick<Day, 'rigIds' | 'blocks'>): boolean {
    return day.rigIds.every((rigId) => patternsOf(day, rigId).every((pattern) => this.patterns.get(rigId)?.includes(pattern)));
  }

  /** Batteries that a rig names: the seats into which others may be put. */
  seatsOf(rigId: string): readonly string[] {
    const rig = this.rigs.get(rigId);
    return rig ? batteriesOf(rig, this.gear) : [];
  }

  /** What the rig cannot do without: its devices, cables, plates; batteries can be changed. */
  partsOf(rigId: string): readonly string[] {
    const rig = this.rigs.get(rigId);
    return rig ? gearIdsOf(rig).filter((id) => this.gear.get(id)?.kind !== 'battery') : [];
  }

  /** Whether a seat's battery is to keep its reserve: it carries a rig alone, or sits in a device itself, where it may bridge a change. */
  keepsReserve(rigId: string, seatId: string): boolean {
    const { links = [] } = this.rigs.get(rigId) ?? {};
    return (
      this.seatsOf(rigId).length === 1 ||
      links.some(({ from, to }) => from.gearId === seatId && this.gear.get(to.gearId)?.kind === 'device')
    );
  }

  /** Minutes without a battery that a change takes; 0 where the seat is bridged meanwhile. */
  swapMinutes(rigId: string, seatId: string): number {
    const rig = this.rigs.get(rigId);
    if (!rig) return 0;
    const key = `${rigId} ${seatId}`;
    if (!this.unbridged.has(key)) this.unbridged.set(key, unbridgedMinutes(drawnRig(rig, this.gear), seatId));
    return this.unbridged.get(key)!;
  }

  /** The rig with these batteries in its seats. `temperatureC`: of the batteries; undefined where not entered. */
  state(rigId: string, seats: ReadonlyMap<string, string>, temperatureC: number | undefined): RigState {
    const key = `${rigId} ${[...seats].flat().join(' ')} ${temperatureC ?? ''}`;
    let state = this.known.get(key);
    if (!state) {
      state = this.make(rigId, seats, temperatureC);
      this.known.set(key, state);
    }
    return state;
  }

  /** What there is to see on the rig with these batteries while it runs down in its usual modes; empty where it cannot run. */
  indicators(rigId: string, seats: ReadonlyMap<string, string>, temperatureC: number | undefined): readonly Indicator[] {
    const rig = this.rigs.get(rigId);
    return rig ? indicators(rigModel(this.rigWith(rig, [], seats, temperatureC), this.gear, { tracePoints: GAUGE_POINTS })) : [];
  }

  private make(rigId: string, seats: ReadonlyMap<string, string>, temperatureC: number | undefined): RigState {
    const rig = this.rigs.get(rigId);
    if (!rig) return GONE;
    const patterns = this.patterns.get(rigId) ?? [];
    const model = rigModel(this.rigWith(rig, patterns, seats, temperatureC), this.gear, { measured: this.measured.get(rigId) });
    const { system } = model;
    const sources = system?.sources ?? [];
    let rough: SystemRunner | undefined;
    const variations = new Variations(model);
    const spreads = uncertaintyOf(model);
    const loads = system?.loads ?? [];
    return {
      sourceIds: sources.map(({ id }) => id),
      supplies: sources.map(({ id }) => supplyOf(this.gear.get(id))),
      loadIds: loads.map(({ id }) => id),
      trouble: system ? undefined : troubleSaid(model),
      runner: system && new SystemRunner(system),
      rough: () => (rough ??= roughRunner(system!)),
      loadW: (block) => (block ? (system?.phases[patterns.indexOf(patternOf(block))]?.loadW ?? NOTHING) : NOTHING),
      stopIn: keptByCharge((block, soc) => {
        const place = patterns.indexOf(patternOf(block));
        const stop = place === -1 ? undefined : stopInPhase(model, place, soc);
        return stop && said('finding', { finding: stop });
      }),
      vary: ({ of, efficiency, temperature }) =>
        variations.set(
          (place) => of(loads[place]!.id) * spreads.loads[place]!,
          (place) => of(sources[place]!.id) * spreads.capacity[place]!,
          efficiency * spreads.efficiency,
          temperature * spreads.temperatureC,
        ),
    };
  }

  /** The rig as it is then: every pattern of its blocks a phase, no spares, and nothing said of its charge. */
  private rigWith(rig: Rig, patterns: readonly string[], seats: ReadonlyMap<string, string>, temperatureC: number | undefined): Rig {
    let seated = rig;
    // by way of names of no battery, so that two that change places do not become one
    for (const seatId of seats.keys()) seated = withPartReplaced(seated, seatId, `${seatId}!seat`);
    for (const [seatId, batteryId] of seats) seated = withPartReplaced(seated, `${seatId}!seat`, batteryId);
    const { batteries: _states, startCharge: _charge, temperatureC: own, repeatPhases: _repeat, wantedMin: _wanted, ...rest } = seated;
    const cold = temperatureC ?? own;
    const phases = patterns.map((pattern): RigPhase => ({ minutes: 1, devices: devicesOf(rest, pattern) }));
    return { ...rest, ...(phases.length > 0 && { phases }), ...(cold !== undefined && { temperatureC: cold }) };
  }
}

/** Of a rig that was deleted. */
const GONE: RigState = {
  sourceIds: [],
  supplies: [],
  loadIds: [],
  trouble: said('rig-gone'),
  runner: undefined,
  rough: () => {
    throw new RangeError('rough: a rig that is gone cannot be run');
  },
  loadW: () => NOTHING,
  stopIn: () => undefined,
  vary: () => undefined,
};

/** A day is worked out again for every edit, and most of its blocks are as they were. */
function keptByCharge(judge: RigState['stopIn']): RigState['stopIn'] {
  const known = new Map<string, GapSaid | undefined>();
  return (block, soc) => {
    const key = `${patternOf(block)} ${JSON.stringify(soc)}`;
    if (!known.has(key)) known.set(key, judge(block, soc));
    return known.get(key);
  };
}

function patternsOf({ blocks }: Pick<Day, 'blocks'>, rigId: string): readonly string[] {
  return [...new Set(blocks.filter((block) => block.rigId === rigId).map(patternOf))];
}

/** Blocks of one pattern draw the same. */
export function patternOf({ kind, devices = [] }: Block): string {
  return JSON.stringify([QUIET_KINDS.includes(kind), devices]);
}

function devicesOf(rig: Pick<Rig, 'devices'>, pattern: string): RigPhase['devices'] {
  const [quiet, said] = JSON.parse(pattern) as [boolean, RigPhase['devices']];
  const unsaid = rig.devices.filter(({ gearId }) => !said.some((one) => one.gearId === gearId));
  return quiet ? [...said, ...unsaid.map(({ gearId }) => ({ gearId, mode: 'off' }))] : said;
}

function supplyOf(gear: Gear | undefined): 'mains' | 'vehicle' | undefined {
  if (gear?.kind !== 'supply') return undefined;
  return gear.form === 'vehicle' ? 'vehicle' : 'mains';
}

function troubleSaid(model: RigModel): GapSaid {
  const worst = troubleOf(model);
  if (worst) return said('finding', { finding: worst });
  return model.resolved.devices.length > 0 ? said('nothing-feeds') : said('no-devices');
}
