import { APPROACHES, assessModel, costOf, CRITERIA, criteriaOf, DEFAULT_STYLE, rigModel } from '@viaggio/core/answer';
import type { Alternative, Approach, Criterion } from '@viaggio/core/answer';
import { withLinks, withoutSpares } from '@viaggio/core/gear';
import type { Link } from '@viaggio/core/gear';
import { number, STYLE_WEIGHTS } from '@viaggio/core/units';
import { sayFeed } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, signal, untracked } from '@angular/core';
import { Router } from '@angular/router';
import { Currency, PricePipe } from '../../../device/currency';
import { QuantityPipe } from '../../../basics/quantity.pipe';
import { QuantityField } from '../../../fields/quantity-field';
import { VerdictMark } from '../../../basics/verdict-mark';
import { CoreWorkers } from '../../../workers/core-workers';
import { LeaveOutChoice } from '../parts/leave-out-choice';
import { StyleChoice } from '../parts/style-choice';
import { RigSheet } from '../sheet/rig-sheet';
import type { Column } from './column';
import { SideBySideRows } from '../../../parts/side-by-side-rows';
import { bestIn, exchange, facts } from './facts';
import { ApproachesChart } from './approaches-chart';

/** Both approaches first: one battery for everything, each device its own; then the ways in between. */
const ORDER: readonly Approach[] = ['one-v-mount', 'each-its-own', 'pocket-spares', 'grip', 'pd-bank', '5v-bank', 'passed-on', 'mains'];

type Progress =
  | { readonly is: 'idle' }
  | { readonly is: 'working'; readonly done: number }
  | { readonly is: 'cancelled' }
  | { readonly is: 'failed'; readonly message: string };

/** The approaches side by side for this rig and style: from what is owned, completed with generic gear; pick one and it becomes the rig. */
@Component({
  selector: 'app-compare-page',
  imports: [PricePipe, QuantityPipe, SideBySideRows, LeaveOutChoice, QuantityField, ApproachesChart, StyleChoice, VerdictMark],
  templateUrl: './compare-page.html',
  styleUrl: './compare-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparePage {
  protected readonly sayFeed = sayFeed;
  protected readonly sheet = inject(RigSheet);
  private readonly workers = inject(CoreWorkers);
  private readonly router = inject(Router);
  private readonly currency = inject(Currency);
  protected readonly approaches = ORDER;
  protected readonly titles = APPROACHES;
  protected readonly criteria = Object.entries(CRITERIA) as readonly (readonly [Criterion, string])[];
  protected readonly weightShape = number('Points', 'points', { max: 1000 });
  protected readonly progress = signal<Progress>({ is: 'idle' });
  private readonly found = signal<readonly Alternative[]>([]);
  private run = 0;
  /** What the comparison is about; weights and style only order it, so that moving them does not search anew. */
  private readonly question = computed(
    () => {
      const rig = this.sheet.rig();
      return rig && { rig, kit: this.sheet.kit(), exclude: this.sheet.exclude() };
    },
    { equal: (one, other) => one?.kit === other?.kit && one?.exclude === other?.exclude && sameNeeds(one?.rig, other?.rig) },
  );
  protected readonly columns = computed((): readonly Column[] => {
    const rig = this.sheet.rig();
    // weighed as the others are: to the first swap, by its own batteries
    const model = rig && rigModel(withoutSpares(rig, this.sheet.parts()), this.sheet.parts());
    const answer = model && assessModel(model, { trace: false });
    const current: readonly Column[] = answer?.run
      ? [{ key: 'now', title: 'As it is now', criteria: criteriaOf(model!.resolved, answer), alternative: undefined }]
      : [];
    const others = this.found().flatMap((alternative): readonly Column[] =>
      alternative.assignment
        ? [{ key: alternative.approach, title: APPROACHES[alternative.approach], criteria: alternative.assignment.criteria, alternative }]
        : [],
    );
    return [...current, ...others];
  });
  protected readonly rows = computed(() => facts(this.columns(), this.sheet.weights(), (price) => this.currency.say(price)));
  /** Each approach at a glance, against the rig as it is now. */
  protected readonly cards = computed(() => {
    const now = this.columns().find(({ key }) => key === 'now');
    return this.columns().map((column) => ({
      column,
      best: column === this.best(),
      verdict: column.alternative?.assignment?.answer.verdict ?? this.sheet.answer()!.verdict,
      exchange: now && column !== now ? exchange(column.criteria, now.criteria) : undefined,
      buys: (column.alternative?.toBuy ?? []).map(({ body: { name, price } }) => ({ name, price })),
    }));
  });
  protected readonly best = computed(() => bestIn(this.columns(), this.sheet.weights()));
  protected readonly lacking = computed(() => this.found().filter(({ assignment }) => assignment === undefined));
  protected readonly ownWeights = computed(() => Object.keys(this.sheet.rig()?.weights ?? {}).length > 0);

  constructor() {
    effect(() => {
      const question = this.question();
      if (question) untracked(() => void this.search());
    });
    inject(DestroyRef).onDestroy(() => this.cancel());
  }

  /** Approach by approach, so that what is found shows while the rest is still looked for. */
  protected async search(): Promise<void> {
    const question = this.question();
    if (!question) return;
    this.workers.cancel('compare');
    const run = ++this.run;
    this.found.set([]);
    const weights = this.sheet.weights();
    try {
      for (const [done, approach] of ORDER.entries()) {
        this.progress.set({ is: 'working', done });
        const { rig, kit, exclude } = question;
        const alternative = await this.workers.core('compare').approach(approach, rig, kit, weights, exclude);
        if (run !== this.run) return;
        this.found.update((before) => [...before, alternative]);
      }
      this.progress.set({ is: 'idle' });
    } catch (error) {
      if (run === this.run) this.progress.set({ is: 'failed', message: error instanceof Error ? error.message : String(error) });
    }
  }

  protected cancel(): void {
    if (this.progress().is !== 'working') return;
    this.run++;
    this.workers.cancel('compare');
    this.progress.set({ is: 'cancelled' });
  }

  protected weigh(name: Criterion, points: number | undefined): void {
    const own = { ...this.sheet.rig()?.weights };
    const usual = STYLE_WEIGHTS[this.sheet.rig()?.style ?? DEFAULT_STYLE][name];
    const { [name]: _before, ...others } = own;
    const weights = points === undefined || points === usual ? others : { ...others, [name]: points };
    this.sheet.change({ weights: Object.keys(weights).length === 0 ? undefined : weights }, `weight ${name}`);
  }

  protected usualWeights(): void {
    this.sheet.change({ weights: undefined }, 'weights');
  }

  protected costOf({ criteria }: Column): number {
    return costOf(criteria, this.sheet.weights()).cost;
  }

  /** Its links become the rig’s; what has to be bought comes into the kit under identifiers of its own, all in one step. */
  protected async pick({ alternative }: Column): Promise<void> {
    const rig = this.sheet.rig();
    if (!alternative?.assignment || !rig) return;
    const ids = new Map(alternative.toBuy.map(({ id }) => [id, crypto.randomUUID() as string]));
    const own = (id: string): string => ids.get(id) ?? id;
    const links = alternative.assignment.links.map(({ from, to, cableId }): Link => ({
      from: { ...from, gearId: own(from.gearId) },
      to: { ...to, gearId: own(to.gearId) },
      ...(cableId !== undefined && { cableId: own(cableId) }),
    }));
    const gear = alternative.toBuy.map(({ id, body }) => ({ id: own(id), body: { ...body, where: 'to be bought' } }));
    this.sheet.putWithGear(withLinks(rig, links), gear, `“${rig.name}” is now fed by ${APPROACHES[alternative.approach]}`);
    await this.router.navigate(['/rigs', this.sheet.id()]);
  }
}

/** Whether two states of a rig ask the same: its links, style and weights are answers, not part of the question. */
function sameNeeds(one: object | undefined, other: object | undefined): boolean {
  const needs = (rig: object | undefined) =>
    JSON.stringify({
      ...rig,
      links: undefined,
      style: undefined,
      weights: undefined,
      name: undefined,
      note: undefined,
      balance: undefined,
    });
  return needs(one) === needs(other);
}
