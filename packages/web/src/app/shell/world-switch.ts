import { ChangeDetectionStrategy, Component } from '@angular/core';
import { thisWorld, WORLD_BASES, WORLD_TITLES } from '../api/world';
import type { World } from '../api/world';

/** Whose things one looks at, and the way to the other: the two never meet on one page. */
@Component({
  selector: 'app-world-switch',
  template: `
    <nav aria-label="Whose kit">
      @for (world of worlds; track world) {
        <a [href]="bases[world]" [attr.aria-current]="world === here ? 'true' : null" [class.here]="world === here">{{ titles[world] }}</a>
      }
    </nav>
  `,
  styles: `
    nav {
      display: flex;
      border: 1px solid var(--bs-border-color);
      border-radius: var(--radius);
      font-size: var(--type-small);
      overflow: hidden;
    }
    a {
      display: flex;
      align-items: center;
      min-height: 2rem;
      padding: 0 0.6rem;
      color: var(--bs-secondary-color);
      text-decoration: none;
      white-space: nowrap;
    }
    a:focus-visible {
      outline-offset: -3px;
    }
    .here {
      color: var(--bs-body-color);
      font-weight: 600;
      background: var(--bs-tertiary-bg);
    }
    /* where there is no room the head names the one, and the menu leads to the other */
    @media (max-width: 1180px) {
      nav {
        display: none;
      }
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WorldSwitch {
  protected readonly worlds: readonly World[] = ['own', 'demo'];
  protected readonly here = thisWorld();
  protected readonly bases = WORLD_BASES;
  protected readonly titles = WORLD_TITLES;
}
