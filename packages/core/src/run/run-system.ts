import { OWN_CHARGE_EFFICIENCY } from '../tables';
import type { RunOptions } from './run-options';
import { choose, feedingPlace, NOT_FED, plainPlace } from './running-load';
import type { RunningLoad } from './running-load';
import { RunningSource } from './running-source';
import type { Reach, SourceStop } from './running-source';
import type { LoadRun, RunEvent, System, SystemPhase, SystemRun, Variation } from './system';

/** A run of weeks in phases of seconds would otherwise go on for ever. */
const MAX_STEPS = 200_000;
/** Minutes below which two moments are one. */
const INSTANT_MIN = 1e-9;
/** Charge above which a battery takes no more. */
const FULL = 0.999_999;
/** A change of state that itself changes the state settles within as many rounds as there are parts; this is a bound. */
const MAX_ROUNDS = 100;

/**
 * A system made ready to be run many times over: circuits are compiled once, each run only sets them anew.
 *
 * `run` goes from event to event: the end of a phase, a point of a cell's table, a limit broken, a battery flat, full or
 * changed. Between them every source's current is smooth, so that a few evaluations stand for thousands of time steps.
 * Accuracy: 1e-4 of the minutes of a single discharge. Cost: some tens of microseconds for one source, more with phases
 * and sources. Throws `RangeError` past 200 000 steps.
 *
 * @example new SystemRunner(system).run().firstGapMin // 283.6
 */
export class SystemRunner {
  private readonly sources: readonly RunningSource[];
  private readonly loads: readonly RunningLoad[];
  /** By source, in the order of its `loadIds`: the load, and which of its feeds this source is. */
  private readonly fedBy: readonly (readonly ({ readonly load: RunningLoad; readonly place: number } | undefined)[])[];
  private readonly takesBySource: readonly Float64Array[];
  /** Something has changed beside the charge, so that who feeds what is to be looked at again. */
  private changed = true;
  /** Every load hangs on one feed that takes whatever it wants. */
  private plain = false;
  /** Watts of the loads in each phase, in their order. */
  private readonly wantedIn = new WeakMap<SystemPhase, Float64Array>();
  private readonly reaches: (Reach | undefined)[] = [];

  constructor(private readonly system: System) {
    this.sources = system.sources.map((source) => new RunningSource(source));
    const byId = new Map(this.sources.map((source) => [source.id, source]));
    this.loads = system.loads.map((load) => ({
      load,
      feeds: load.feeds.flatMap((feed) => {
        const source = byId.get(feed.sourceId);
        return source ? [{ feed, source, place: source.loadIds.indexOf(load.id) }] : [];
      }),
      own: load.feeds.findIndex(({ own }) => own),
      wantedW: 0,
      takes: new Float64Array(load.feeds.length).fill(NOT_FED),
      plain: -1,
      powered: true,
      main: undefined,
      firstGapMin: undefined,
      poweredMin: 0,
      gapMin: 0,
      energyWh: 0,
    }));
    this.fedBy = this.sources.map((source) =>
      source.loadIds.map((loadId) => {
        const load = this.loads.find(({ load: { id } }) => id === loadId);
        const place = load?.feeds.findIndex((feed) => feed.source === source) ?? -1;
        return load && place !== -1 ? { load, place } : undefined;
      }),
    );
    this.takesBySource = this.fedBy.map((feeding) => new Float64Array(feeding.length));
  }

  run(variation?: Variation, { record = false, trace: withTrace = false, phases: only, startSoc }: RunOptions = {}): SystemRun {
    const phases = only ?? this.system.phases;
    const repeatPhases = only === undefined && this.system.repeatPhases;
    const horizonMin = only?.reduce((sum, { minutes }) => sum + minutes, 0) ?? this.system.horizonMin;
    const events: RunEvent[] = [];
    const trace: { minute: number; soc: Record<string, number> }[] = [];
    const tell = (event: RunEvent): void => {
      if (record) events.push(event);
    };
    this.plain = false;
    this.reset(variation, startSoc);
    let minute = 0;
    let steps = 0;
    const traced = (): void => {
      if (withTrace) trace.push({ minute, soc: Object.fromEntries(this.sources.map(({ id, soc }) => [id, soc])) });
    };
    for (let turn = 0; minute < horizonMin; turn++) {
      const last = !repeatPhases && turn >= phases.length - 1;
      const phase = phases[last ? phases.length - 1 : turn % phases.length]!;
      const phaseEnd = last ? horizonMin : Math.min(horizonMin, minute + phase.minutes);
      // what runs already need not start again when a phase begins
      const fromRest = turn === 0 || this.atRest();
      this.enter(phase, variation);
      let fresh = true;
      while (minute < phaseEnd - INSTANT_MIN) {
        if (++steps > MAX_STEPS) throw new RangeError(`run: more than ${MAX_STEPS} steps; use fewer or longer phases`);
        if (fresh || this.changed) this.resolve(minute, tell, fresh, record, fresh && fromRest);
        fresh = false;
        traced();
        if (last && this.finished()) return this.result(minute, steps, events, trace);
        const minutes = this.nextEvent(phaseEnd - minute, minute);
        this.pass(minutes, record);
        minute += minutes;
        this.happen(minute, minutes, tell);
      }
      minute = phaseEnd;
    }
    this.resolve(minute, tell, false, record);
    traced();
    return this.result(minute, steps, events, trace);
  }

  private reset(variation: Variation | undefined, startSoc: ArrayLike<number> | undefined): void {
    this.sources.forEach((source, index) => {
      source.reset(
        variation?.capacityFactor[index] ?? 1,
        variation?.resistanceFactor[index] ?? 1,
        variation?.efficiencyShift[index] ?? 0,
        variation?.instead,
      );
      if (startSoc) source.soc = startSoc[index]!;
    });
    for (const load of this.loads) {
      load.firstGapMin = undefined;
      load.poweredMin = load.gapMin = load.energyWh = 0;
      load.powered = true;
      load.main = undefined;
      load.takes.fill(NOT_FED);
    }
  }

  private enter(phase: SystemPhase, variation: Variation | undefined): void {
    let wantedW = this.wantedIn.get(phase);
    if (!wantedW) {
      wantedW = Float64Array.from(this.loads, ({ load }) => phase.loadW[load.id] ?? 0);
      this.wantedIn.set(phase, wantedW);
    }
    for (let index = 0; index < this.loads.length; index++)
      this.loads[index]!.wantedW = variation ? wantedW[index]! * variation.loadFactor[index]! : wantedW[index]!;
  }

  /** Nothing draws: what comes next has to start. */
  private atRest(): boolean {
    return this.loads.every(({ wantedW, powered }) => wantedW <= 0 || !powered);
  }

  /** Decides which feed feeds which load, until nothing gives out at once. */
  private resolve(minute: number, tell: (event: RunEvent) => void, fresh: boolean, record: boolean, fromRest = false): void {
    // a phase changes what is drawn; while nothing has given out it is drawn from where it was
    if (fresh && this.plain && !this.changed && !record) {
      this.redraw();
      return;
    }
    let starting = fromRest;
    this.changed = false;
    for (let round = 0; round < MAX_ROUNDS; round++) {
      for (const load of this.loads) choose(load);
      this.settle();
      const given = this.sources.find(
        (source) => source.live && source.chargeA === 0 && this.givesOut(source, starting, record, minute, tell),
      );
      if (!given) break;
      starting = true;
    }
    for (const load of this.loads) {
      const feeding = feedingPlace(load);
      const powered = load.wantedW <= 0 || feeding !== -1;
      // a gap while a battery is changed is planned; one with nothing on its feed is a stop
      if (!powered && !load.feeds.some(({ source }) => source.swappingUntil >= 0)) load.firstGapMin ??= minute;
      if (powered !== load.powered) tell({ minute, kind: powered ? 'back' : 'gap', id: load.load.id });
      load.powered = powered;
      const main = feeding === -1 ? undefined : load.feeds[feeding]!.feed.sourceId;
      if (main !== undefined && load.main !== undefined && main !== load.main && load.wantedW > 0)
        tell({ minute, kind: 'fallback', id: load.load.id, by: main });
      if (main !== undefined) load.main = main;
    }
    this.plain = !record && this.isPlain();
  }

  /** Whether who feeds what stays as it is for as long as nothing gives out. */
  private isPlain(): boolean {
    if (!this.sources.every((source) => source.isPlain)) return false;
    for (const load of this.loads) load.plain = plainPlace(load);
    return this.loads.every(({ plain }) => plain !== -1);
  }

  /** The loads' new watts on the feeds that carry them. */
  private redraw(): void {
    for (let index = 0; index < this.loads.length; index++) {
      const load = this.loads[index]!;
      load.takes[load.plain] = load.wantedW;
    }
    this.collectTakes();
    for (let index = 0; index < this.sources.length; index++) this.sources[index]!.resettle(this.takesBySource[index]!);
  }

  /** What each source is asked for, in the order of its loads. */
  private collectTakes(): void {
    for (let index = 0; index < this.sources.length; index++) {
      const takes = this.takesBySource[index]!;
      const feeding = this.fedBy[index]!;
      for (let place = 0; place < feeding.length; place++) {
        const here = feeding[place];
        takes[place] = here ? here.load.takes[here.place]! : NOT_FED;
      }
    }
  }

  private settle(): void {
    for (const source of this.sources) source.chargeA = 0;
    for (const { takes, feeds, wantedW, own: ownPlace } of this.loads) {
      if (ownPlace === -1) continue;
      const own = feeds[ownPlace]?.source;
      if (!own?.live || own.soc >= FULL || takes[ownPlace]! > 0) continue;
      // what a feed has left over after the load fills the load's own battery
      feeds.forEach(({ feed, source, place }, index) => {
        if (feed.own || feed.chargeW === undefined || (feed.onlyCharges && wantedW > 0) || !source.reaches(place)) return;
        const leftW = Math.min(feed.chargeW, (feed.maxW ?? Infinity) - Math.max(0, takes[index]!));
        if (leftW <= 0) return;
        takes[index] = Math.max(0, takes[index]!) + leftW;
        own.chargeA = (leftW * OWN_CHARGE_EFFICIENCY) / own.openCircuitV(own.soc);
      });
    }
    this.collectTakes();
    for (let index = 0; index < this.sources.length; index++) this.sources[index]!.settle(this.takesBySource[index]!);
  }

  /** Whether something of a source's gives out right now; if so it is off from here on. */
  private givesOut(source: RunningSource, starting: boolean, record: boolean, minute: number, tell: (event: RunEvent) => void): boolean {
    // margins fall with the charge, so a step that ends sound began sound: only what is told of each moment is looked at twice
    const stop =
      (starting ? source.refusal() : undefined) ??
      (record ? source.stopNow() : undefined) ??
      source.peakStop() ??
      (source.soc <= 0 && this.feeds(source) ? EMPTY : undefined);
    if (!stop) return false;
    this.stopped(source, stop, minute, tell);
    return true;
  }

  private feeds(source: RunningSource): boolean {
    return this.loads.some(({ feeds, takes }) => feeds.some((feed, index) => feed.source === source && takes[index]! > 0));
  }

  private stopped(source: RunningSource, stop: SourceStop, minute: number, tell: (event: RunEvent) => void): void {
    this.changed = true;
    const own = this.loads.some(({ feeds }) => feeds.some(({ feed, source: other }) => other === source && feed.own));
    const inTree = stop.at !== 'pack' && source.trip(stop.at) !== undefined;
    tell({ minute, kind: own ? 'own-battery-flat' : inTree ? 'tripped' : 'source-out', id: source.id, ...stop });
    // a battery too low for its loads is changed like an empty one; a branch that gave out leaves the others running
    const spare = source.spec.spares[source.nextSpare];
    if (!inTree || (spare && source.soc < (source.pack.startSoc ?? 1))) this.change(source, minute, tell);
  }

  private change(source: RunningSource, minute: number, tell: (event: RunEvent) => void): void {
    this.changed = true;
    const spare = source.spec.spares[source.nextSpare];
    if (!spare) {
      source.dead = true;
      return;
    }
    source.nextSpare++;
    tell({ minute, kind: 'swap', id: source.id, by: spare.id });
    source.insert(spare.pack);
    if (source.spec.swapMin > 0) source.swappingUntil = minute + source.spec.swapMin;
  }

  /** Minutes to the nearest of: the time left, a swap done, and what happens to each source; how far each gets is in `reaches`. */
  private nextEvent(minutesLeft: number, minute: number): number {
    let minutes = minutesLeft;
    for (const { swappingUntil } of this.sources) if (swappingUntil >= 0) minutes = Math.min(minutes, Math.max(0, swappingUntil - minute));
    const { reaches, sources } = this;
    for (let index = 0; index < sources.length; index++) {
      const source = sources[index]!;
      const reach = source.live ? source.reach(minutes, this.floorOf(source)) : undefined;
      if (reach && reach.minutes < minutes) minutes = reach.minutes;
      reaches[index] = reach;
    }
    return minutes;
  }

  private pass(minutes: number, record: boolean): void {
    const { sources, reaches } = this;
    for (let index = 0; index < sources.length; index++) {
      const source = sources[index]!;
      const reach = reaches[index];
      if (reach) source.advance(minutes, reach.minutes <= minutes + INSTANT_MIN ? reach.soc : source.socAfter(minutes), record);
    }
    for (const load of this.loads) {
      if (load.wantedW <= 0) continue;
      if (!load.powered) load.gapMin += minutes;
      else {
        load.poweredMin += minutes;
        load.energyWh += (load.wantedW * minutes) / 60;
      }
    }
  }

  private happen(minute: number, minutes: number, tell: (event: RunEvent) => void): void {
    const { sources, reaches } = this;
    for (let index = 0; index < sources.length; index++) {
      const source = sources[index]!;
      const reach = reaches[index];
      if (source.swappingUntil >= 0 && minute >= source.swappingUntil - INSTANT_MIN) {
        source.swappingUntil = -1;
        this.changed = true;
      }
      if (source.chargeA > 0 && source.soc >= FULL) this.changed = true;
      if (!reach || reach.minutes > minutes + INSTANT_MIN || !source.live) continue;
      const stop = reach.stop ?? source.peakStop();
      if (stop) this.stopped(source, stop, minute, tell);
      else if (source.soc <= 0) this.stopped(source, EMPTY, minute, tell);
      else if (source.soc <= this.floorOf(source) + 1e-12 && this.feeds(source)) this.change(source, minute, tell);
    }
  }

  /** Charge at which a battery is changed for the next: while there is a next. */
  private floorOf(source: RunningSource): number {
    return source.nextSpare < source.spec.spares.length ? source.spec.swapAtSoc : 0;
  }

  /** Nothing that wants power has any, and nothing is on its feed. */
  private finished(): boolean {
    const wanting = this.loads.filter(({ wantedW }) => wantedW > 0);
    return wanting.length > 0 && wanting.every(({ powered }) => !powered) && !this.sources.some(({ swappingUntil }) => swappingUntil >= 0);
  }

  private result(minutes: number, steps: number, events: readonly RunEvent[], trace: SystemRun['trace']): SystemRun {
    const loads = this.loads.map(({ load: { id }, firstGapMin, poweredMin, gapMin, energyWh }): LoadRun => ({
      id,
      firstGapMin,
      poweredMin,
      gapMin,
      energyWh,
    }));
    const gaps = loads.flatMap(({ firstGapMin }) => firstGapMin ?? []);
    return {
      minutes,
      steps,
      firstGapMin: gaps.length === 0 ? undefined : Math.min(...gaps),
      events,
      loads,
      trace,
      sources: this.sources.map(({ id, soc, nextSpare, packWh }) => ({ id, endSoc: soc, swaps: nextSpare, packWh })),
    };
  }
}

const EMPTY: SourceStop = { cause: 'empty', at: 'pack' };
