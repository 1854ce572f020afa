import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { readClock } from '@viaggio/core';

let lastId = 0;

/** A time of every day, typed as `9`, `0930` or `9:30`. Left empty it is not said. */
@Component({
  selector: 'app-hours-field',
  template: `
    <label class="form-label" [for]="id">{{ label() }}</label>
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
    <div [id]="id + '-says'" class="small text-danger-emphasis" aria-live="polite">{{ error() }}</div>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoursField {
  readonly label = input.required<string>();
  /** Minutes past midnight. */
  readonly value = input<number | undefined>();
  readonly placeholder = input('');
  readonly optional = input(false);
  readonly valueChange = output<number | undefined>();

  protected readonly id = `hours-${++lastId}`;
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly shown = computed(() => {
    const value = this.value();
    return value === undefined ? '' : `${String(Math.floor(value / 60)).padStart(2, '0')}:${String(value % 60).padStart(2, '0')}`;
  });
  private readonly read = computed(() => {
    const typed = this.typed();
    return typed === undefined || (typed.trim() === '' && this.optional()) ? undefined : readClock(typed);
  });
  protected readonly error = computed(() => {
    const read = this.read();
    return read && !read.ok ? read.issue.message : undefined;
  });

  protected leave(): void {
    const read = this.read();
    if (this.error() !== undefined || this.typed() === undefined) return;
    this.typed.set(undefined);
    this.valueChange.emit(read?.ok ? read.value : undefined);
  }
}
