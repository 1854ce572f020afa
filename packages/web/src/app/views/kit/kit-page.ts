import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  afterRenderEffect,
  computed,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { ElementRef } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { namedBy } from '@viaggio/core/document';
import { gearIdsOf, gearTitle } from '@viaggio/core/gear';
import type { Gear, GearKind } from '@viaggio/core/gear';
import { Api } from '../../api/api';
import { inWorld, thisWorld } from '../../api/world';
import type { Problem } from '../../api/api';
import { KINDS, KIND_TITLES } from '../../parts/gear/kinds';
import { ScanButton } from '../../parts/scan/scan-button';
import { ProblemNote } from '../../basics/problem-note';
import { download } from '../../device/download';
import { PageMenu } from '../../basics/page-menu';
import type { PageAct } from '../../basics/page-menu';
import { Items } from '../../state/items.actions';
import { selectDays, selectGear, selectLoading, selectLog, selectRigs } from '../../state/items.selectors';
import { CoreWorkers } from '../../workers/core-workers';
import { ItemPanel } from './item-panel';
import { KitTable } from './kit-table';
import { ChosenBar } from './chosen-bar';
import type { TogetherStep } from './chosen-bar';
import { columnsOf } from './columns';
import type { KitFacts } from './columns';
import { mostOf, sorted } from './lines';
import { rowOf } from '../../parts/kit-row';
import { CheckField } from '../../fields/check-field';

/** Everything that is owned: found by search and kind, looked at and changed in place. */
@Component({
  selector: 'app-kit-page',
  imports: [CheckField, ChosenBar, ItemPanel, KitTable, PageMenu, ProblemNote, RouterLink, ScanButton],
  templateUrl: './kit-page.html',
  styleUrl: './kit-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KitPage {
  /** The item that is open, from the address. */
  readonly item = input<string>();
  private readonly application = inject(ApplicationRef);
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly api = inject(Api);
  private readonly workers = inject(CoreWorkers);
  private readonly gear = this.store.selectSignal(selectGear);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly days = this.store.selectSignal(selectDays);
  protected readonly loading = this.store.selectSignal(selectLoading);
  protected readonly acts: readonly PageAct[] = [
    { title: 'What does this label mean?', icon: 'help', do: () => void this.router.navigateByUrl('/kit/label') },
    { title: 'Print tags', icon: 'print', do: () => void this.router.navigateByUrl('/pack/tags') },
    { title: 'Import a table or a plan', icon: 'imported', do: () => void this.router.navigateByUrl('/kit/import') },
    { title: 'Export what is listed, as CSV', icon: 'exported', do: () => void this.exportCsv() },
    { title: 'Export everything, as a plan document (JSON)', icon: 'exported', do: () => this.exportPlan() },
  ];
  protected readonly isDemo = thisWorld() === 'demo';
  protected readonly theirs = inWorld('/kit', 'demo');
  protected readonly kinds = KINDS;
  protected readonly titles = KIND_TITLES;
  protected readonly search = signal('');
  protected readonly kind = signal<GearKind | undefined>(undefined);
  protected readonly archived = signal(false);
  protected readonly sortKey = signal('tag');
  protected readonly down = signal(false);
  protected readonly problem = signal<Problem | undefined>(undefined);
  private readonly lists = viewChild<ElementRef<HTMLElement>>('lists');
  private readonly all = computed(() => this.gear().map(rowOf));
  protected readonly total = computed(() => this.all().length);
  protected readonly archivedCount = computed(() => this.all().filter(({ gear }) => gear.archived === true).length);
  /** What the search finds, of every kind: the numbers beside the kinds are those of what is found. */
  private readonly found = computed(() => {
    const words = this.search()
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    return this.all().filter(
      ({ text, gear }) => (gear.archived === true) === this.archived() && words.every((word) => text.includes(word)),
    );
  });
  protected readonly counts = computed(() => {
    const counts = new Map<GearKind, number>();
    for (const { gear } of this.found()) counts.set(gear.kind, (counts.get(gear.kind) ?? 0) + 1);
    return counts;
  });
  private readonly log = this.store.selectSignal(selectLog);
  private readonly most = computed(() => mostOf(this.all()));
  /** When each battery was last tested, by the log; and what bars are drawn to. */
  protected readonly facts = computed((): KitFacts => {
    const lastTest = new Map<string, string>();
    for (const { body } of this.log()) {
      if (!('batteryId' in body) || body.batteryId === undefined || body.setAside) continue;
      if (body.at > (lastTest.get(body.batteryId) ?? '')) lastTest.set(body.batteryId, body.at);
    }
    return { lastTest, most: this.most() };
  });
  /** What is listed, kind by kind, each with its own columns and in its own order. */
  protected readonly groups = computed(() =>
    KINDS.flatMap((kind) => {
      const of = this.kind();
      const rows = of === undefined || of === kind ? this.found().filter(({ gear }) => gear.kind === kind) : [];
      const columns = columnsOf(kind);
      const by = columns.find(({ key }) => key === this.sortKey()) ?? columns[0]!;
      return rows.length === 0 ? [] : [{ kind, rows: sorted(rows, by, this.down(), this.facts()) }];
    }),
  );
  protected readonly rows = computed(() => this.groups().flatMap(({ rows }) => rows));
  protected readonly noneChosen: ReadonlySet<string> = new Set();
  protected readonly picked = signal(this.noneChosen);
  /** What something is done with together: of what is listed, that which was chosen. */
  protected readonly chosen = computed(() => this.rows().flatMap(({ id, gear }) => (this.picked().has(id) ? [{ id, body: gear }] : [])));
  protected readonly tagsInUse = computed(() => new Set(this.gear().flatMap(({ body: { tag } }) => (tag === undefined ? [] : [tag]))));
  protected readonly open = computed(() => {
    const id = this.item();
    return id === undefined ? undefined : this.gear().find((entry) => entry.id === id);
  });
  protected readonly usedIn = computed(() => {
    const id = this.item();
    return id === undefined ? [] : this.rigs().filter(({ body }) => gearIdsOf(body).includes(id));
  });

  protected readonly plannedIn = computed(() => {
    const id = this.item();
    return id === undefined ? [] : this.days().filter(({ body }) => namedBy('days', body).some((named) => named.id === id));
  });

  constructor() {
    // a link to one thing shows its line too
    let shown: string | undefined;
    afterRenderEffect(() => {
      const id = this.open()?.id;
      const lists = this.lists()?.nativeElement;
      if (id === shown || !lists) return;
      shown = id;
      lists.querySelector<HTMLElement>(`tr[data-id="${id}"]`)?.scrollIntoView({ block: 'center' });
    });
  }

  /** The first that is opened is a step of its own: Back closes it, and does not leave the kit. */
  protected show(id: string | undefined): void {
    const replaceUrl = this.item() !== undefined || id === undefined;
    void this.router.navigate([], { queryParams: { item: id ?? null }, queryParamsHandling: 'merge', replaceUrl });
  }

  /** Back to the line that was left. */
  protected close(): void {
    const id = this.item();
    this.show(undefined);
    this.lists()?.nativeElement.querySelector<HTMLElement>(`tr[data-id="${id}"]`)?.focus();
  }

  protected sortBy(key: string): void {
    this.down.set(this.sortKey() === key ? !this.down() : false);
    this.sortKey.set(key);
  }

  protected choose(id: string): void {
    this.picked.update((before) => new Set(before.has(id) ? [...before].filter((one) => one !== id) : [...before, id]));
  }

  protected chooseAll(rows: readonly { readonly id: string }[], on: boolean): void {
    const ids = new Set(rows.map(({ id }) => id));
    this.picked.update((before) => new Set(on ? [...before, ...ids] : [...before].filter((id) => !ids.has(id))));
  }

  protected together({ changes, title }: TogetherStep): void {
    this.store.dispatch(Items.change({ step: { changes, field: `together ${Date.now()}`, at: Date.now(), title } }));
  }

  protected edit(id: string, body: Gear, field: string): void {
    this.store.dispatch(Items.edit({ kind: 'gear', id, body, field, at: Date.now() }));
  }

  protected duplicate(id: string): void {
    const body = this.gear().find((entry) => entry.id === id)?.body;
    if (!body) return;
    const { tag: _tag, charge: _charge, ...rest } = body as Gear & { charge?: number };
    const copyId = crypto.randomUUID();
    const step = { changes: [{ kind: 'gear', id: copyId, after: rest } as const], field: 'duplicate', at: Date.now() };
    this.store.dispatch(Items.change({ step: { ...step, title: `Another “${body.name}” is in the kit` } }));
    this.show(copyId);
  }

  protected remove(id: string): void {
    const body = this.gear().find((entry) => entry.id === id)?.body;
    if (!body) return;
    const step = { changes: [{ kind: 'gear', id, before: body } as const], field: 'delete', at: Date.now() };
    this.store.dispatch(Items.change({ step: { ...step, title: `“${gearTitle(body)}” is deleted` } }));
    this.show(undefined);
  }

  /** What is listed, in the order it is listed in. */
  private async exportCsv(): Promise<void> {
    const text = await this.workers.core('table').gearTable(this.rows().map(({ id, gear }) => ({ id, body: gear })));
    download('viaggio-kit.csv', text, 'text/csv;charset=utf-8');
  }

  private exportPlan(): void {
    this.api.exportPlan().subscribe({
      next: (plan) => download('viaggio-plan.json', `${JSON.stringify(plan, null, 2)}\n`, 'application/json'),
      error: (problem: Problem) => this.problem.set(problem),
    });
  }

  /** From the search down into the lines. */
  protected intoTable(event: Event): void {
    event.preventDefault();
    // the lines on the page are those before the last letter typed until it has been drawn again
    this.application.tick();
    this.lists()?.nativeElement.querySelector<HTMLElement>('tbody tr[tabindex="0"]')?.focus();
  }
}
