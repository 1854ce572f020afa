import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Icon } from './icon';
import type { IconName } from './icon';

/** Something that can be done with what a page shows. */
export interface PageAct {
  readonly title: string;
  readonly icon: IconName;
  readonly do: () => void;
  /** It takes something away: it stands last, apart from the others. */
  readonly takesAway?: boolean;
  /** Why it cannot be done now; it is locked then, and says so. */
  readonly notNow?: string | undefined;
}

/** What can be done with the thing that a page or a panel shows, in one menu. */
@Component({
  selector: 'app-page-menu',
  imports: [Icon, NgbDropdownModule],
  template: `
    <div ngbDropdown placement="bottom-end" class="d-inline-block">
      <button
        type="button"
        class="btn icon-button no-caret"
        ngbDropdownToggle
        [attr.aria-label]="'Actions: ' + of()"
        [title]="'Actions: ' + of()"
      >
        <app-icon name="more" />
      </button>
      <div ngbDropdownMenu [attr.aria-label]="'Actions: ' + of()">
        @for (act of ordered(); track act.title) {
          @if (act.takesAway) {
            <div class="dropdown-divider"></div>
          }
          <button
            ngbDropdownItem
            type="button"
            class="act"
            [class.takes-away]="act.takesAway"
            [disabled]="act.notNow !== undefined"
            (click)="act.do()"
          >
            <app-icon [name]="act.icon" />
            <span
              >{{ act.title }}
              @if (act.notNow) {
                <small class="d-block text-wrap">{{ act.notNow }}</small>
              }
            </span>
          </button>
        }
      </div>
    </div>
  `,
  styles: `
    .act {
      display: flex;
      gap: 0.6rem;
      align-items: center;
    }
    .takes-away {
      color: var(--stop);
    }
    .takes-away:disabled {
      color: var(--bs-secondary-color);
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PageMenu {
  /** What the acts are done with, for those who do not see it: `Deck`. */
  readonly of = input.required<string>();
  readonly acts = input.required<readonly PageAct[]>();
  protected readonly ordered = computed(() => {
    const acts = this.acts();
    return [...acts.filter(({ takesAway }) => !takesAway), ...acts.filter(({ takesAway }) => takesAway)];
  });
}
