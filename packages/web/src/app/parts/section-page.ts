import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { PageTabs } from '../basics/page-tabs';
import type { PageTab } from '../basics/page-tabs';
import { selectLoading } from '../state/items.selectors';

/** A part of Viaggio with several pages, each with its own heading: its routes say which. */
export interface Section {
  readonly name: string;
  readonly tabs: readonly PageTab[];
}

/** The frame of such a part: the way between its pages, and the one that is open. */
@Component({
  selector: 'app-section-page',
  imports: [PageTabs, RouterOutlet],
  template: `
    <nav class="mt-0" [appPageTabs]="section().tabs" [attr.aria-label]="'Pages of ' + section().name"></nav>
    @if (loading().is === 'loading') {
      <h1 class="visually-hidden">{{ section().name }}</h1>
      <p role="status">Loading …</p>
    } @else {
      <router-outlet />
    }
  `,
  styles: `
    @media (max-width: 700px) {
      nav {
        flex-wrap: nowrap;
        margin-bottom: var(--space-2);
        overflow-x: auto;
        scrollbar-width: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SectionPage {
  readonly section = input.required<Section>();
  protected readonly loading = inject(Store).selectSignal(selectLoading);
}
