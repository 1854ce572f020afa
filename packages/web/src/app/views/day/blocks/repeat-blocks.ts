import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MAX_DAYS_LONG } from '@viaggio/core/day';
import { number } from '@viaggio/core/units';
import { QuantityField } from '../../../fields/quantity-field';
import { DaySheet } from '../sheet/day-sheet';
import { counted } from '../../../basics/counted';

const TIMES = number('On so many days after it', 'count', { min: 1, max: MAX_DAYS_LONG - 1, integer: true });

/** The chosen blocks again on the days after, at the same clock times. */
@Component({
  selector: 'app-repeat-blocks',
  imports: [QuantityField],
  template: `
    <div class="d-flex flex-wrap gap-2 align-items-end">
      <app-quantity-field class="times" [shape]="shape" [value]="times()" (valueChange)="$event && times.set($event)" />
      <button type="button" class="btn btn-sm btn-outline-secondary" (click)="repeat()">Repeat</button>
    </div>
    @if (told(); as says) {
      <p class="small mb-0" role="status">{{ says }}</p>
    }
  `,
  styles: `
    .times {
      width: 11rem;
      margin-bottom: -1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RepeatBlocks {
  private readonly sheet = inject(DaySheet);
  protected readonly shape = TIMES;
  protected readonly times = signal(1);
  protected readonly told = signal('');

  protected repeat(): void {
    const { added, leftOut } = this.sheet.repeatChosen(this.times());
    this.told.set(
      `${counted(added, 'block')} added.${leftOut > 0 ? ` ${counted(leftOut, 'block')} left out: the rig is in another block then.` : ''}`,
    );
  }
}
