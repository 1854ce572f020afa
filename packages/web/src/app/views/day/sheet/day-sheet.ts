import { BenchSheets } from '../../../parts/bench-sheets';
import { Injectable, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  answerFrom,
  dayIssues,
  repeatBlocks,
  withBlock,
  withBlocksShifted,
  withCardChange,
  withMishap,
  withNewBlock,
  withoutBlocks,
  withSwap,
} from '@viaggio/core/day';
import type { Block, CardChange, Day, DayPlan, Mishap, PlanOrder, Swap } from '@viaggio/core/day';
import type { Rig } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import type { Changes } from '@viaggio/core/units';
import type { ToldHelp } from '@viaggio/core/words';
import { proxy } from 'comlink';
import { Items } from '../../../state/items.actions';
import { selectGearBodies, selectItems, selectRigs } from '../../../state/items.selectors';
import { CoreWorkers } from '../../../workers/core-workers';
import { computedLater, valueOf } from '../../../workers/computed-later';
import type { DayWorld } from '../../../workers/day-calls';

/** Random runs behind the chances that are shown while one works. */
const RUNS = 200;
/** A rest after an edit before the many runs begin. */
const REST_MS = 400;

/** A plan, and what counted first when it was looked for. */
export interface Found {
  readonly plan: DayPlan;
  readonly order: PlanOrder;
}
/** Plans found before are kept to compare, so many. */
const MOST_EARLIER = 2;

/** The search for a plan, as it goes on. */
export type Search =
  | { readonly is: 'idle' }
  | { readonly is: 'looking'; readonly order: PlanOrder; readonly done: number; readonly of: number; readonly best: DayPlan | undefined }
  | ({ readonly is: 'found'; readonly cancelled: boolean } & Found)
  | { readonly is: 'failed'; readonly message: string };

/**
 * One day as it is looked at: how it goes, how sure that is, and the ways to change it. Provided by the day's page, shared
 * by what is inside.
 */
@Injectable()
export class DaySheet {
  private readonly store = inject(Store);
  private readonly workers = inject(CoreWorkers);
  private readonly items = this.store.selectSignal(selectItems);
  private readonly allRigs = this.store.selectSignal(selectRigs);
  readonly gear = this.store.selectSignal(selectGearBodies);
  /** What was measured on the bench. */
  private readonly sheets = inject(BenchSheets).bodies;
  /** Set by the page from its address. */
  readonly id = signal('');
  readonly entry = computed(() => this.items().days.entities[this.id()]);
  readonly day = computed(() => this.entry()?.body);
  readonly rigs = computed((): ReadonlyMap<string, Rig> => new Map(this.allRigs().map(({ id, body }) => [id, body])));

  private readonly world = computed((): DayWorld | undefined => {
    const day = this.day();
    return day && { day, gear: this.gear(), rigs: this.rigs(), sheets: this.sheets() };
  });
  private readonly outlookLater = computedLater('day', this.world, (core, world) => core.dayOutlook(world));
  readonly outlook = computed(() => valueOf(this.outlookLater()));
  readonly failed = computed(() => {
    const later = this.outlookLater();
    return later.is === 'failed' ? later.message : undefined;
  });
  readonly dayBefore = computed(() => this.items().days.entities[this.day()?.follows ?? '']?.body);
  private readonly beforeLater = computedLater(
    'compare',
    (): DayWorld | undefined => {
      const day = this.dayBefore();
      return day && { day, gear: this.gear(), rigs: this.rigs(), sheets: this.sheets() };
    },
    (core, world) => core.dayOutlook(world),
  );
  /** How the plan before this one goes. */
  readonly runBefore = computed(() => valueOf(this.beforeLater())?.run);
  private readonly chancesLater = computedLater('outlook', this.world, (core, world) => core.dayChances(world, RUNS), { restMs: REST_MS });
  readonly chances = computed(() => valueOf(this.chancesLater()));
  readonly issues = computed(() => {
    const day = this.day();
    return day ? dayIssues(day) : [];
  });

  /** Blocks that are chosen, to be changed together. */
  readonly chosen = signal<ReadonlySet<string>>(new Set());
  /** The battery that is followed through the day. */
  readonly followed = signal<string | undefined>(undefined);
  readonly search = signal<Search>({ is: 'idle' });
  readonly earlier = signal<readonly Found[]>([]);
  /** What the day is tried against. */
  readonly mishap = signal<Mishap | undefined>(undefined);
  private readonly tried = computed((): DayWorld | undefined => {
    const [world, mishap] = [this.world(), this.mishap()];
    return world && mishap && { ...world, day: withMishap(world.day, mishap) };
  });
  private readonly triedLater = computedLater('compare', this.tried, (core, world) => core.dayOutlook(world));
  /** The day as it is looked at now: with the mishap, if it is tried against one. */
  readonly asked = computed(() => this.tried() ?? this.world());
  /** How the day goes with the mishap, as it is planned now. */
  readonly triedOutlook = computed(() => (this.mishap() ? valueOf(this.triedLater()) : undefined));
  /** What would make it work, once somebody asked; undefined while nobody did. */
  readonly helps = signal<readonly ToldHelp[] | 'looking' | undefined>(undefined);
  private turn = 0;

  /** One step of undo. */
  edit(make: (day: Day) => Day, field: string): void {
    const day = this.day();
    if (day) this.store.dispatch(Items.edit({ kind: 'days', id: this.id(), body: make(day), field, at: Date.now() }));
  }

  change(changes: Changes<Day>, field: string): void {
    this.edit((day) => withChanges(day, changes), field);
  }

  changeBlock(id: string, changes: Changes<Block>, field: string): void {
    this.edit((day) => withBlock(day, id, changes), `block ${id} ${field}`);
  }

  /** Moves every chosen block, or one end of each. */
  shift(fromBy: number, toBy: number): void {
    this.edit((day) => withBlocksShifted(day, this.chosen(), fromBy, toBy), 'shift');
  }

  addBlock(rigId: string): void {
    const id = crypto.randomUUID();
    this.edit((day) => withNewBlock(day, rigId, id), `block ${id} new`);
    this.chosen.set(new Set([id]));
  }

  repeatChosen(times: number): { readonly added: number; readonly leftOut: number } {
    const day = this.day();
    if (!day) return { added: 0, leftOut: 0 };
    const { day: longer, added, leftOut } = repeatBlocks(day, this.chosen(), times, () => crypto.randomUUID());
    if (added.length > 0) this.change({ blocks: longer.blocks, days: longer.days }, `repeat ${Date.now()}`);
    return { added: added.length, leftOut };
  }

  removeChosen(): void {
    this.edit((day) => withoutBlocks(day, this.chosen()), `remove ${Date.now()}`);
    this.chosen.set(new Set());
  }

  /** Another time, locked or not; undefined takes it out. */
  changeSwap(swap: Swap, changes: Partial<Swap> | undefined): void {
    this.edit((day) => withSwap(day, swap, changes), `swap ${swap.rigId} ${swap.batteryId} ${fieldOf(changes)}`);
  }

  changeCard(change: CardChange, changes: Partial<CardChange> | undefined): void {
    this.edit((day) => withCardChange(day, change, changes), `card ${change.cardsId} ${fieldOf(changes)}`);
  }

  private readonly adviceLater = computedLater('compare', this.world, (core, world) => core.chargingAdvice(world), { restMs: REST_MS });
  /** Which top-ups are worth the handling, and which charges the plan needs. */
  readonly advice = computed(() => valueOf(this.adviceLater()));
  private readonly indicatorsLater = computedLater('outlook', this.world, (core, world) => core.dayIndicators(world), { restMs: REST_MS });
  /** What each gauge shows in the course of the day. */
  readonly indicators = computed(() => valueOf(this.indicatorsLater()));

  /** Looks for a plan; what it finds is shown before it is taken. */
  async look(order: PlanOrder): Promise<void> {
    const world = this.asked();
    if (!world) return;
    this.helps.set(undefined);
    const turn = ++this.turn;
    this.setAside();
    this.search.set({ is: 'looking', order, done: 0, of: 1, best: undefined });
    const told = proxy((best: DayPlan, done: number, of: number) => {
      // it comes by another way than the result, and may come after it
      if (this.turn === turn && this.search().is === 'looking') this.search.set({ is: 'looking', order, done, of, best });
    });
    try {
      const plan = await this.workers.core('day-plan').planDay(world, this.optionsOf(order), told);
      if (this.turn === turn) this.search.set({ is: 'found', plan, order, cancelled: false });
    } catch (error) {
      if (this.turn === turn) this.search.set({ is: 'failed', message: error instanceof Error ? error.message : String(error) });
    }
  }

  /** Ends the search; the best that was found until then stays. */
  cancel(): void {
    const search = this.search();
    this.turn++;
    this.workers.cancel('day-plan');
    this.search.set(
      search.is === 'looking' && search.best ? { is: 'found', plan: search.best, order: search.order, cancelled: true } : { is: 'idle' },
    );
  }

  /** What was found stays beside what is found next, while the day is the same. */
  private setAside(): void {
    const search = this.search();
    if (search.is !== 'found') return;
    const { plan, order } = search;
    this.earlier.update((before) => [{ plan, order }, ...before].slice(0, MOST_EARLIER));
  }

  /** Looks at a plan that was found before; the one that was looked at takes its place. */
  takeUp(found: Found): void {
    this.earlier.update((before) => before.filter((one) => one !== found));
    this.setAside();
    this.search.set({ is: 'found', ...found, cancelled: false });
  }

  /** Leaves what was found. */
  leave(): void {
    this.search.set({ is: 'idle' });
    this.earlier.set([]);
  }

  /** With the mishap that it was made for, if it was: one step, and one undo. */
  take({ swaps, charges, cardChanges }: DayPlan): void {
    const cards = cardChanges.length > 0 || this.day()?.cardChanges ? { cardChanges } : {};
    this.change({ ...this.tried()?.day, swaps, charges, ...cards }, `plan ${Date.now()}`);
    this.leave();
    this.mishap.set(undefined);
    this.helps.set(undefined);
  }

  /** Looks for the least that would make the day work. */
  async help(plan: DayPlan, order: PlanOrder): Promise<void> {
    const world = this.asked();
    if (!world) return;
    this.helps.set('looking');
    const helps = await this.workers.core('day-plan').dayHelps(world, plan, this.optionsOf(order));
    if (this.helps() === 'looking') this.helps.set(helps);
  }

  private optionsOf(order: PlanOrder): { readonly order: PlanOrder; readonly fromMin?: number } {
    const mishap = this.mishap();
    return { order, ...(mishap && { fromMin: answerFrom(mishap) }) };
  }
}

/** What is typed on in one field is one step to undo. */
const fieldOf = (changes: object | undefined): string => Object.keys(changes ?? {}).join() || 'out';
