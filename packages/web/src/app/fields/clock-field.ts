import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { readClock } from '@viaggio/core/day';
import { formatClock } from '@viaggio/core/units';
import { FieldFrame, fieldId, told } from './field-frame';

/** A time of every day, typed as `9`, `0930` or `9:30`. Left empty it is not said. */
@Component({
  selector: 'app-clock-field',
  imports: [FieldFrame],
  template: `
    <app-field-frame [typed]="true" [label]="label()" [for]="id" [error]="error()">
      <input
        #box
        class="form-control"
        autocomplete="off"
        [id]="id"
        [placeholder]="placeholder()"
        [value]="typed() ?? shown()"
        [class.is-invalid]="error() !== undefined"
        [attr.aria-invalid]="error() !== undefined"
        [attr.aria-describedby]="id + '-says'"
        (input)="typed.set(box.value)"
        (change)="leave()"
      />
    </app-field-frame>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClockField {
  readonly label = input.required<string>();
  /** Minutes past midnight. */
  readonly value = input<number | undefined>();
  readonly placeholder = input('');
  readonly optional = input(false);
  readonly valueChange = output<number | undefined>();

  protected readonly id = fieldId('clock');
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly shown = computed(() => {
    const value = this.value();
    return value === undefined
      ? ''
      : formatClock(`${String(Math.floor(value / 60)).padStart(2, '0')}:${String(value % 60).padStart(2, '0')}`);
  });
  private readonly read = computed(() => {
    const typed = this.typed();
    return typed === undefined || (typed.trim() === '' && this.optional()) ? undefined : readClock(typed);
  });
  protected readonly error = computed(() => {
    const read = this.read();
    return read && !read.ok ? told(read.issue) : undefined;
  });

  protected leave(): void {
    const read = this.read();
    if (this.error() !== undefined || this.typed() === undefined) return;
    this.typed.set(undefined);
    this.valueChange.emit(read?.ok ? read.value : undefined);
  }
}
