import { NgTemplateOutlet } from '@angular/common';
import type { TemplateRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, contentChild, input, output } from '@angular/core';
import { MomentField } from '../sheet/moment-field';

/** One change of the plan, of a battery or of a card. */
export interface Move<T> {
  readonly key: string;
  readonly of: T;
  readonly title: string;
  readonly atMin: number;
  readonly locked: boolean;
  /** What there is to say of it. */
  readonly state: string;
}

/** What is done to a change: another time, held where it is or let go, taken out. */
export type MoveEdit = { readonly atMin: number } | { readonly locked: boolean } | undefined;

/**
 * The changes of a plan as lines: times can be typed, lines locked and taken out. Templates `#more` and `#below` put what
 * only some have beside and under a line; what else is projected stands under the list.
 */
@Component({
  selector: 'app-move-list',
  imports: [MomentField, NgTemplateOutlet],
  template: `
    <section [attr.aria-label]="heading()">
      <h2 class="fs-5">{{ heading() }}</h2>
      <ng-content select="[above]" />
      @if (moves().length === 0) {
        <p class="text-body-secondary">{{ none() }}</p>
      } @else {
        <ul class="list-unstyled mb-2">
          @for (move of moves(); track move.key) {
            <li>
              <div class="line">
                <app-moment-field class="when" [label]="move.title" [minute]="move.atMin" (minuteChange)="edit(move, { atMin: $event })" />
                <span class="state">{{ move.state }}</span>
                <button
                  type="button"
                  class="btn btn-sm"
                  [class.btn-secondary]="move.locked"
                  [class.btn-outline-secondary]="!move.locked"
                  [attr.aria-pressed]="move.locked"
                  [attr.aria-label]="'Lock: ' + move.title"
                  (click)="edit(move, { locked: !move.locked })"
                >
                  {{ move.locked ? 'Locked' : 'Lock' }}
                </button>
                <ng-container [ngTemplateOutlet]="more() ?? null" [ngTemplateOutletContext]="{ $implicit: move }" />
                <button
                  type="button"
                  class="btn btn-sm btn-outline-danger"
                  [attr.aria-label]="'Remove: ' + move.title"
                  (click)="edit(move, undefined)"
                >
                  Remove
                </button>
              </div>
              <ng-container [ngTemplateOutlet]="below() ?? null" [ngTemplateOutletContext]="{ $implicit: move }" />
            </li>
          }
        </ul>
      }
      <ng-content />
    </section>
  `,
  styles: `
    .line {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: end;
      padding: 0.25rem 0;
      border-bottom: 1px solid var(--bs-border-color);
    }
    .when {
      flex: 1 1 13rem;
      max-width: 24rem;
    }
    .state {
      flex: 1 1 8rem;
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MoveList<T> {
  readonly heading = input.required<string>();
  readonly moves = input.required<readonly Move<T>[]>();
  /** What is said where nothing is changed. */
  readonly none = input.required<string>();
  readonly edited = output<{ readonly of: T; readonly as: MoveEdit }>();
  protected readonly more = contentChild<TemplateRef<{ readonly $implicit: Move<T> }>>('more');
  protected readonly below = contentChild<TemplateRef<{ readonly $implicit: Move<T> }>>('below');

  protected edit({ of }: Move<T>, as: MoveEdit): void {
    this.edited.emit({ of, as });
  }
}
