import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import { gearIdsOf, gearTitle, gearToCsv, namedBy } from '@viaggio/core';
import type { Gear, GearKind } from '@viaggio/core';
import { Api } from '../api/api';
import type { Problem } from '../api/api';
import { KINDS, KIND_TITLES } from '../gear/kinds';
import { ProblemNote } from '../shared/problem-note';
import { download } from '../shared/download';
import { Items } from '../state/items.actions';
import { selectDays, selectGear, selectLoading, selectRigs } from '../state/items.selectors';
import { ItemPanel } from './item-panel';
import { KitTable } from './kit-table';
import { rowOf, sorted } from './row';
import type { SortKey } from './row';
import { CheckField } from '../fields/check-field';

/** Everything that is owned: found by search and kind, looked at and changed in place. */
@Component({
  selector: 'app-kit-page',
  imports: [CheckField, ItemPanel, KitTable, NgbDropdownModule, ProblemNote, RouterLink],
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
  private readonly gear = this.store.selectSignal(selectGear);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly days = this.store.selectSignal(selectDays);
  protected readonly loading = this.store.selectSignal(selectLoading);
  protected readonly kinds = KINDS;
  protected readonly titles = KIND_TITLES;
  protected readonly search = signal('');
  protected readonly kind = signal<GearKind | undefined>(undefined);
  protected readonly archived = signal(false);
  /**
   * The demo's things stand beside one's own only when asked for; what is open is always there. They do not go away under
   * the hand that adds its first own thing from them.
   */
  protected readonly withDemo = linkedSignal({ source: () => this.loading().is, computation: () => !untracked(this.hasOwn) });
  private readonly hasOwn = computed(() => this.gear().some(({ origin }) => origin === 'own'));
  protected readonly demoCount = computed(() => (this.hasOwn() ? this.gear().filter(({ origin }) => origin === 'demo').length : 0));
  protected readonly sortKey = signal<SortKey>('tag');
  protected readonly down = signal(false);
  protected readonly problem = signal<Problem | undefined>(undefined);
  private readonly table = viewChild(KitTable, { read: ElementRef });
  private readonly all = computed(() => this.gear().map(rowOf));
  protected readonly total = computed(() => this.all().length);
  protected readonly archivedCount = computed(() => this.all().filter(({ gear }) => gear.archived === true).length);
  /** What the search finds, of every kind: the numbers beside the kinds are those of what is found. */
  private readonly found = computed(() => {
    const words = this.search()
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    const withDemo = this.withDemo() || !this.hasOwn();
    const open = this.item();
    return this.all().filter(
      ({ id, entry, text, gear }) =>
        (withDemo || entry.origin === 'own' || id === open) &&
        (gear.archived === true) === this.archived() &&
        words.every((word) => text.includes(word)),
    );
  });
  protected readonly counts = computed(() => {
    const counts = new Map<GearKind, number>();
    for (const { gear } of this.found()) counts.set(gear.kind, (counts.get(gear.kind) ?? 0) + 1);
    return counts;
  });
  protected readonly rows = computed(() => {
    const kind = this.kind();
    const rows = kind === undefined ? this.found() : this.found().filter(({ gear }) => gear.kind === kind);
    return sorted(rows, this.sortKey(), this.down());
  });
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
      const table = this.table()?.nativeElement as HTMLElement | undefined;
      if (id === shown || !table) return;
      shown = id;
      table.querySelector<HTMLElement>(`tr[data-id="${id}"]`)?.scrollIntoView({ block: 'center' });
    });
  }

  protected show(id: string | undefined): void {
    void this.router.navigate([], { queryParams: { item: id ?? null }, queryParamsHandling: 'merge', replaceUrl: true });
  }

  /** Back to the line that was left. */
  protected close(): void {
    const id = this.item();
    this.show(undefined);
    const table = this.table()?.nativeElement as HTMLElement | undefined;
    table?.querySelector<HTMLElement>(`tr[data-id="${id}"]`)?.focus();
  }

  protected sortBy(key: SortKey): void {
    this.down.set(this.sortKey() === key ? !this.down() : false);
    this.sortKey.set(key);
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
  protected exportCsv(): void {
    download('viaggio-kit.csv', gearToCsv(this.rows().map(({ id, gear }) => ({ id, body: gear }))), 'text/csv;charset=utf-8');
  }

  protected exportPlan(): void {
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
    const table = this.table()?.nativeElement as HTMLElement | undefined;
    table?.querySelector<HTMLElement>('tbody tr[tabindex="0"]')?.focus();
  }
}
