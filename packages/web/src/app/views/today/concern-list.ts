import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Concern } from '@viaggio/core/answer';
import type { Battery } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { VerdictMark } from '../../basics/verdict-mark';
import { Items } from '../../state/items.actions';
import { selectGearBodies } from '../../state/items.selectors';
import { lineOf } from './concern-lines';
import type { ConcernLine } from './concern-lines';

/** Of one kind so many are shown before somebody asks for the rest. */
const FEW = 2;

/** What needs somebody now, the most harmful first, each with the one press that mends it or goes there. */
@Component({
  selector: 'app-concern-list',
  imports: [RouterLink, VerdictMark],
  template: `
    <h2>
      Needs you <span class="count">{{ concerns().length }}</span>
    </h2>
    @if (concerns().length === 0) {
      <p class="card-box mb-0"><app-verdict-mark verdict="good" says="Nothing needs you" /></p>
    } @else {
      <ul class="list-unstyled mb-0">
        @for (line of shown(); track line.key) {
          <li>
            <app-verdict-mark [verdict]="line.verdict" [bare]="true" />
            <div>
              <a class="title target" [routerLink]="line.path" [queryParams]="line.query">{{ line.title }}</a>
              <div class="says">{{ line.says }}</div>
            </div>
            @if (line.concern.is === 'charge') {
              <button type="button" class="btn btn-sm btn-link act" [attr.aria-label]="line.act + ': ' + line.title" (click)="full(line)">
                {{ line.act }}
              </button>
            } @else {
              <a class="act target" [routerLink]="line.path" [queryParams]="line.query" [attr.aria-label]="line.act + ': ' + line.title">{{
                line.act
              }}</a>
            }
          </li>
        }
      </ul>
      @if (more() > 0) {
        <button type="button" class="btn btn-sm btn-link more" (click)="all.set(true)">{{ more() }} more</button>
      }
    }
  `,
  styles: `
    .count {
      font-weight: 400;
      color: var(--bs-secondary-color);
    }
    ul {
      padding: 0 var(--space-4);
      background: var(--raised);
      border-radius: var(--radius-card);
    }
    li {
      display: grid;
      grid-template-columns: 1.5rem minmax(0, 1fr) auto;
      gap: 0 var(--space-2);
      align-items: center;
      padding: var(--space-2) 0;
      border-bottom: 1px solid var(--bs-border-color);
    }
    li:last-child {
      border-bottom: 0;
    }
    .title {
      font-weight: 600;
      color: var(--bs-body-color);
      text-decoration: none;
    }
    .says {
      font-size: var(--type-small);
      color: var(--bs-secondary-color);
      /* the whole of it stands where the title leads */
      display: -webkit-box;
      -webkit-box-orient: vertical;
      -webkit-line-clamp: 3;
      overflow: hidden;
    }
    .act {
      padding: var(--space-2) 0;
      font-weight: 600;
      text-decoration: none;
    }
    .more {
      padding: var(--space-2) var(--space-4);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConcernList {
  readonly concerns = input.required<readonly Concern[]>();
  private readonly store = inject(Store);
  private readonly gear = this.store.selectSignal(selectGearBodies);
  protected readonly all = signal(false);
  private readonly lines = computed(() => this.concerns().map(lineOf));
  protected readonly shown = computed(() => {
    const lines = this.lines();
    return this.all() ? lines : lines.filter((line, index) => index < FEW || before(lines, line, index) < FEW);
  });
  protected readonly more = computed(() => this.lines().length - this.shown().length);

  /** It was on a charger: the kit says so from now on. */
  protected full({ concern }: ConcernLine): void {
    if (concern.is !== 'charge') return;
    const body = this.gear().get(concern.gearId) as Battery;
    this.store.dispatch(
      Items.edit({ kind: 'gear', id: concern.gearId, body: withChanges(body, { charge: 1 }), field: 'charge', at: Date.now() }),
    );
  }
}

/** How many of its own kind stand before a line. */
function before(lines: readonly ConcernLine[], { concern }: ConcernLine, index: number): number {
  return lines.slice(0, index).filter((one) => one.concern.is === concern.is).length;
}
