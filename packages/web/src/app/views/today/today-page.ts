import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { ThreeQuestions } from '../../parts/three-questions/three-questions';
import { selectDays, selectGear, selectLoading, selectRigs } from '../../state/items.selectors';
import { DayOutlook } from './day-outlook';

/** The start: the next day and its rigs, what needs somebody now; for a newcomer three questions beside their answer. */
@Component({
  selector: 'app-today-page',
  imports: [DayOutlook, ThreeQuestions],
  templateUrl: './today-page.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TodayPage {
  private readonly store = inject(Store);
  protected readonly loading = this.store.selectSignal(selectLoading);
  private readonly days = this.store.selectSignal(selectDays);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly gearEntries = this.store.selectSignal(selectGear);

  /** Nothing of one's own yet: somebody who sees this for the first time. */
  protected readonly isNew = computed(() =>
    [...this.rigs(), ...this.days(), ...this.gearEntries()].every(({ origin }) => origin === 'demo'),
  );
  protected readonly hasDemo = computed(() => this.rigs().length > 0);
  /** A newcomer who looks at the demo crew’s day. */
  protected readonly lookAround = signal(false);
  protected readonly asksFirst = computed(() => this.isNew() && !(this.lookAround() && this.hasDemo()));
  /** One's own, where there is any; the demo's else. */
  protected readonly origin = computed(() => (this.isNew() ? 'demo' : 'own'));
}
