import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { readMeter } from '@viaggio/core/bench';
import type { MeterReading } from '@viaggio/core/bench';
import { fieldId } from '../../fields/field-frame';

/** One reading of a meter in a table: `16,4`, `-8.1`, `OL`. A faulty one stays on the screen and is not passed on. */
@Component({
  selector: 'app-meter-field',
  template: `
    <input
      #box
      class="form-control form-control-sm"
      autocomplete="off"
      inputmode="decimal"
      [id]="id"
      [attr.aria-label]="label()"
      [title]="error() ?? label()"
      [value]="typed() ?? shown()"
      [class.is-invalid]="error() !== undefined"
      [attr.aria-invalid]="error() !== undefined"
      [placeholder]="ohms() ? 'Ω' : 'V'"
      (input)="type(box.value)"
      (blur)="error() === undefined && typed.set(undefined)"
    />
    @if (error(); as error) {
      <span class="small text-danger-emphasis" role="alert">{{ error }}</span>
    }
  `,
  styles: ':host { display: block; } input { min-width: 4.5rem; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeterField {
  readonly label = input.required<string>();
  readonly ohms = input(false);
  readonly value = input<MeterReading | undefined>();
  readonly valueChange = output<MeterReading | undefined>();
  protected readonly id = fieldId('meter');
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly shown = computed(() => {
    const value = this.value();
    return value === undefined ? '' : typeof value === 'number' ? `${Number(value.toPrecision(6))}` : value;
  });
  protected readonly error = computed(() => {
    const text = this.typed();
    if (text === undefined || text.trim() === '') return undefined;
    const read = this.read(text);
    return read.ok ? undefined : read.issue.message;
  });

  protected type(text: string): void {
    this.typed.set(text);
    if (text.trim() === '') {
      this.valueChange.emit(undefined);
      return;
    }
    const read = this.read(text);
    if (read.ok) this.valueChange.emit(read.reading);
  }

  private read(text: string): ReturnType<typeof readMeter> {
    return readMeter(text, { is: this.ohms() ? 'lead' : 'open' });
  }
}
