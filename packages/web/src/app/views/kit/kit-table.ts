import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import type { ElementRef } from '@angular/core';
import { gearShape, gearTitle } from '@viaggio/core/gear';
import type { Gear, GearKind } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { GearDrawing } from '../../parts/gear/gear-drawing';
import { KIND_TITLES } from '../../parts/gear/kinds';
import { PickBox } from '../../fields/pick-box';
import { CellField } from './cell-field';
import type { Cell, Column, KitFacts } from './columns';
import { cellOf, filledColumns } from './lines';
import type { KitRow } from '../../parts/kit-row';
import { TermHint } from '../../basics/term-hint';

const FIRST_LINES = 40;
const MORE_LINES = 120;

/** Things of one kind line by line, with the columns of that kind. The line that is open has its tag, charge and place to be typed in it. */
@Component({
  selector: 'app-kit-table',
  imports: [CellField, GearDrawing, PickBox, TermHint],
  templateUrl: './kit-table.html',
  styleUrl: './kit-table.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KitTable {
  readonly rows = input.required<readonly KitRow[]>();
  readonly selected = input<string>();
  readonly kind = input.required<GearKind>();
  readonly facts = input.required<KitFacts>();
  /** Those that something is to be done with together. */
  readonly chosen = input<ReadonlySet<string>>(new Set());
  readonly sortKey = input.required<string>();
  readonly down = input.required<boolean>();
  readonly sort = output<string>();
  readonly choose = output<string>();
  readonly chooseAll = output<boolean>();
  readonly picked = output<string>();
  readonly edit = output<{ readonly id: string; readonly body: Gear; readonly field: string }>();
  protected readonly columns = computed(() => filledColumns(this.kind(), this.rows(), this.selected(), this.facts()));
  protected readonly caption = computed(() => `${KIND_TITLES[this.kind()].many}.`);
  protected readonly shapes = gearShape.variants.battery;
  protected readonly LABELS = { tag: 'Tag', where: 'Where it is', charge: 'Charge now' } as const;
  protected readonly Math = Math;
  protected readonly allChosen = computed(() => this.rows().every(({ id }) => this.chosen().has(id)));
  protected readonly someChosen = computed(() => this.rows().some(({ id }) => this.chosen().has(id)));
  protected readonly title = ({ gear }: KitRow): string => gearTitle(gear);
  protected readonly cellOf = (column: Column, row: KitRow): Cell => cellOf(column, row, this.facts());

  /** Lines that are made: a long kit grows as one goes down in it, so that a search answers at once. */
  protected readonly most = linkedSignal({ source: this.rows, computation: () => FIRST_LINES });
  /** The line that is open is always among them. */
  protected readonly shown = computed(() => {
    const rows = this.rows();
    const open = rows.findIndex(({ id }) => id === this.selected());
    return rows.slice(0, Math.max(this.most(), open + 1));
  });
  private readonly end = viewChild<ElementRef<HTMLElement>>('end');

  constructor() {
    if (typeof IntersectionObserver === 'undefined') return;
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && this.grow(), { rootMargin: '600px' });
    effect((onCleanup) => {
      const end = this.end()?.nativeElement;
      if (!end) return;
      observer.observe(end);
      onCleanup(() => observer.unobserve(end));
    });
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }

  protected grow(): void {
    this.most.update((most) => most + MORE_LINES);
  }

  protected sorting(key: string): 'ascending' | 'descending' | 'none' {
    if (key !== this.sortKey()) return 'none';
    return this.down() ? 'descending' : 'ascending';
  }

  protected typedValue({ gear }: KitRow, field: 'tag' | 'where' | 'charge'): string | number | undefined {
    return field !== 'charge' ? gear[field] : gear.kind === 'battery' ? gear.charge : undefined;
  }

  protected set({ id, gear }: KitRow, field: string, value: unknown): void {
    this.edit.emit({ id, body: withChanges(gear, { [field]: value }), field });
  }

  /** Arrows move from line to line, Enter opens one. Keys typed into a cell are its own. */
  protected key(event: KeyboardEvent, id: string): void {
    const line = event.currentTarget as HTMLElement;
    if (event.target !== line) return;
    const moves: Partial<Record<string, Element | null | undefined>> = {
      ArrowDown: line.nextElementSibling,
      ArrowUp: line.previousElementSibling,
      Home: line.parentElement?.firstElementChild,
      End: line.parentElement?.lastElementChild,
    };
    if (event.key in moves) {
      event.preventDefault();
      (moves[event.key] as HTMLElement | undefined)?.focus();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      this.picked.emit(id);
    } else if (event.key === ' ') {
      event.preventDefault();
      this.choose.emit(id);
    }
  }
}
