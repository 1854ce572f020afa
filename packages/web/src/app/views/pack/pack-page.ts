import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectLoading } from '../../state/items.selectors';

/** The night before: trips with their bags, what is charged, tags, what carriers let fly, what goes back to whom. */
@Component({
  selector: 'app-pack-page',
  imports: [RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <nav class="pages mt-0" aria-label="Pages of Pack">
      <a routerLink="/pack/trips" routerLinkActive="active" ariaCurrentWhenActive="page">Trips</a>
      <a routerLink="/pack/charge" routerLinkActive="active" ariaCurrentWhenActive="page">Charge tonight</a>
      <a routerLink="/pack/tags" routerLinkActive="active" ariaCurrentWhenActive="page">Tags</a>
      <a routerLink="/pack/rules" routerLinkActive="active" ariaCurrentWhenActive="page">Flight rules</a>
      <a routerLink="/pack/borrowed" routerLinkActive="active" ariaCurrentWhenActive="page">Borrowed</a>
    </nav>
    @if (loading().is === 'loading') {
      <h1 class="visually-hidden">Pack</h1>
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
export class PackPage {
  protected readonly loading = inject(Store).selectSignal(selectLoading);
}
