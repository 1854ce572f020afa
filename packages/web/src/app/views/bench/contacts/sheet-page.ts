import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { BenchSheets } from '../../../parts/bench-sheets';
import { ContactsSheet } from './contacts-sheet';
import { TapsSheet } from './taps-sheet';

/** One sheet of the bench, by its identifier. */
@Component({
  selector: 'app-sheet-page',
  imports: [ContactsSheet, RouterLink, TapsSheet],
  template: `
    @if (contacts(); as sheet) {
      <app-contacts-sheet [id]="id()" [sheet]="sheet" />
    } @else if (taps(); as sheet) {
      <app-taps-sheet [id]="id()" [sheet]="sheet" />
    } @else {
      <h1>No such sheet</h1>
      <p>It may have been deleted, or is still on its way. <a routerLink="/bench/contacts">See all</a>.</p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetPage {
  readonly id = input.required<string>();
  private readonly bench = inject(BenchSheets);
  protected readonly contacts = computed(() => {
    const sheet = this.bench.sheet(this.id());
    return sheet?.kind === 'contacts' ? sheet : undefined;
  });
  protected readonly taps = computed(() => {
    const sheet = this.bench.sheet(this.id());
    return sheet?.kind === 'taps' ? sheet : undefined;
  });
}
