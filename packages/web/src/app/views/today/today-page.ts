import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { ThreeQuestions } from '../../parts/three-questions/three-questions';
import { selectDays, selectGear, selectLoading, selectRigs } from '../../state/items.selectors';
import { thisWorld } from '../../api/world';
import { DayOutlook } from './day-outlook';
import { DemoGlance } from './demo-glance';

/** The start: the next day and its rigs, what needs somebody now; for a newcomer three questions beside their answer. */
@Component({
  selector: 'app-today-page',
  imports: [DayOutlook, DemoGlance, ThreeQuestions],
  templateUrl: './today-page.html',
  styles: `
    .begin {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: var(--space-4);
    }
    /* on a phone the questions come first */
    @media (max-width: 700px) {
      .asks {
        order: -1;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPage {
  private readonly store = inject(Store);
  protected readonly loading = this.store.selectSignal(selectLoading);
  private readonly days = this.store.selectSignal(selectDays);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly gear = this.store.selectSignal(selectGear);

  protected readonly isDemo = thisWorld() === 'demo';
  /** Nothing is there yet: somebody who sees this for the first time. */
  protected readonly asksFirst = computed(() => this.rigs().length + this.days().length + this.gear().length === 0);
}
