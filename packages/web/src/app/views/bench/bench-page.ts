import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectLoading } from '../../state/items.selectors';

/** The frame of the bench: what is measured before power, compared, built, and searched when it fails. */
@Component({
  selector: 'app-bench-page',
  imports: [RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <nav class="pages mt-0" aria-label="Pages of the bench">
      <a routerLink="/bench/check" routerLinkActive="active" ariaCurrentWhenActive="page">Before power</a>
      <a routerLink="/bench/contacts" routerLinkActive="active" ariaCurrentWhenActive="page">Contacts and packs</a>
      <a routerLink="/bench/build" routerLinkActive="active" ariaCurrentWhenActive="page">Build</a>
      <a routerLink="/bench/fault" routerLinkActive="active" ariaCurrentWhenActive="page">Find the fault</a>
    </nav>
    @if (loading().is === 'loading') {
      <h1 class="visually-hidden">Bench</h1>
      <p role="status">Loading …</p>
    } @else {
      <router-outlet />
    }
  `,
  styles: `
    @media (max-width: 700px) {
      .pages {
        flex-wrap: nowrap;
        margin-bottom: var(--space-2);
        overflow-x: auto;
        scrollbar-width: none;
        white-space: nowrap;
      }
      .pages a {
        flex: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchPage {
  protected readonly loading = inject(Store).selectSignal(selectLoading);
}
