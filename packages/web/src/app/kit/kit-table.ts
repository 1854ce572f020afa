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
import { gearShape, withChanges } from '@viaggio/core';
import type { Gear } from '@viaggio/core';
import { QuantityPipe } from '../shared/quantity.pipe';
import { CellField } from './cell-field';
import type { KitRow, SortKey } from './row';

interface Column {
  readonly key: SortKey;
  readonly title: string;
}

const FIRST_LINES = 80;
const MORE_LINES = 120;

/** The kit line by line. The line that is open has its tag, charge and place to be typed in it. */
@Component({
  selector: 'app-kit-table',
  imports: [CellField, QuantityPipe],
  templateUrl: './kit-table.html',
  styleUrl: './kit-table.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KitTable {
  readonly rows = input.required<readonly KitRow[]>();
  readonly selected = input<string>();
  readonly sortKey = input.required<SortKey>();
  readonly down = input.required<boolean>();
  readonly sort = output<SortKey>();
  readonly picked = output<string>();
  readonly edit = output<{ readonly id: string; readonly body: Gear; readonly field: string }>();
  protected readonly columns: readonly Column[] = [
    { key: 'tag', title: 'Tag' },
    { key: 'name', title: 'Name' },
    { key: 'sort', title: 'Sort' },
    { key: 'amount', title: 'Figure' },
    { key: 'health', title: 'Health' },
    { key: 'charge', title: 'Charge' },
    { key: 'where', title: 'Where' },
  ];
  protected readonly shapes = gearShape.variants.battery;

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

  protected sorting(key: SortKey): 'ascending' | 'descending' | 'none' {
    if (key !== this.sortKey()) return 'none';
    return this.down() ? 'descending' : 'ascending';
  }

  protected set({ id, gear }: KitRow, changes: object, field: string): void {
    this.edit.emit({ id, body: withChanges(gear, changes), field });
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
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.picked.emit(id);
    }
  }
}
