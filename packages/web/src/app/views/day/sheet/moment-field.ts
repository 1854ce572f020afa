import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { clockAt, minuteAt, readClock } from '@viaggio/core/day';
import { formatClock } from '@viaggio/core/units';
import { DaySheet } from './day-sheet';
import { FieldFrame, fieldId, told } from '../../../fields/field-frame';
import { SelectField } from '../../../fields/select-field';

/** A moment of the plan, typed as `9`, `0930`, `9:30` or `+1h20`; a plan of several days asks for the day beside it. */
@Component({
  selector: 'app-moment-field',
  imports: [FieldFrame, SelectField],
  template: `
    <app-field-frame [typed]="true" [label]="label()" [for]="id" [error]="error()">
      <div class="input-group">
        @if (days().length > 1) {
          <app-select-field [label]="label() + ', day'" [bare]="true" (picked)="pick(+$event)">
            @for (day of days(); track day.index) {
              <option [value]="day.index" [selected]="day.index === now().day">{{ day.title }}</option>
            }
          </app-select-field>
        }
        <input
          #box
          class="form-control"
          autocomplete="off"
          [id]="id"
          [value]="typed() ?? shownTime()"
          [class.is-invalid]="error() !== undefined"
          [attr.aria-invalid]="error() !== undefined"
          [attr.aria-describedby]="id + '-says'"
          (input)="typed.set(box.value)"
          (change)="leave()"
          (keydown.enter)="leave()"
        />
      </div>
    </app-field-frame>
  `,
  styles: `
    :host {
      display: block;
    }
    /* day and time beside each other in a narrow column, neither cut */
    .input-group {
      align-items: flex-start;
    }
    .input-group > app-select-field {
      flex: 1 1 4.5rem;
    }
    .input-group ::ng-deep select {
      padding-right: 1.4rem;
      padding-left: 0.5rem;
      background-position: right 0.35rem center;
      border-top-right-radius: 0;
      border-bottom-right-radius: 0;
    }
    .input-group > input {
      flex: 1 1 3rem;
      padding-inline: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MomentField {
  readonly label = input.required<string>();
  /** Minutes of the plan. */
  readonly minute = input.required<number>();
  /** What `+1h20` is counted from. */
  readonly after = input<number>();
  readonly minuteChange = output<number>();

  private readonly sheet = inject(DaySheet);
  private readonly day = computed(() => this.sheet.day()!);
  protected readonly id = fieldId('moment');
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly now = computed(() => clockAt(this.day(), this.minute()));
  protected readonly shownTime = computed(() => formatClock(this.now().time));
  protected readonly days = computed(() =>
    Array.from({ length: this.day().days }, (_, index) => ({
      index,
      // at most a month of days: their numbers tell them apart
      title: clockAt(this.day(), minuteAt(this.day(), index, 0)).weekday.replace(/ \w+$/, ''),
    })),
  );
  private readonly read = computed(() => {
    const typed = this.typed();
    return typed === undefined ? undefined : readClock(typed, this.after() ?? this.minute());
  });
  protected readonly error = computed(() => {
    const read = this.read();
    return read && !read.ok ? told(read.issue) : undefined;
  });

  protected leave(): void {
    const read = this.read();
    if (!read?.ok) return;
    const isLength = this.typed()!.trim().startsWith('+');
    this.typed.set(undefined);
    this.minuteChange.emit(isLength ? read.value : minuteAt(this.day(), this.now().day, read.value));
  }

  protected pick(index: number): void {
    const [hours = 0, minutes = 0] = this.now().time.split(':').map(Number);
    this.minuteChange.emit(minuteAt(this.day(), index, hours * 60 + minutes));
  }
}
