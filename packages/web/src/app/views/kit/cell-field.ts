import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { describe, formatNumber, issue, readField } from '@viaggio/core/units';
import type { NumberShape, TextShape } from '@viaggio/core/units';

/** One figure or word typed in its place in a table, checked at every key; what is faulty stays, marked, and is not passed on. */
@Component({
  selector: 'app-cell-field',
  template: `
    <input
      #box
      class="form-control form-control-sm"
      autocomplete="off"
      [attr.aria-label]="label()"
      [attr.aria-invalid]="error() !== undefined"
      [class.is-invalid]="error() !== undefined"
      [title]="error() ?? ''"
      [value]="text()"
      (input)="type(box.value)"
      (click)="$event.stopPropagation()"
    />
    @if (error(); as wrong) {
      <span class="wrong" role="status">{{ wrong }}</span>
    }
  `,
  styles: `
    :host {
      display: block;
      min-width: 4.5rem;
    }
    .wrong {
      display: block;
      font-size: 0.75rem;
      color: var(--stop);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CellField {
  readonly shape = input.required<NumberShape | TextShape>();
  readonly value = input<number | string | undefined>();
  readonly label = input.required<string>();
  readonly valueChange = output<number | string | undefined>();
  private readonly shown = computed(() => {
    const value = this.value();
    const shape = this.shape();
    if (value === undefined) return '';
    return shape.kind === 'number' && typeof value === 'number' ? formatNumber(value, shape.unit) : String(value);
  });
  protected readonly text = linkedSignal<{ value: unknown; shown: string }, string>({
    source: () => ({ value: this.value(), shown: this.shown() }),
    // what was typed stays as it was typed while it means the value that came back
    computation: ({ value, shown }, before) => (before !== undefined && this.read(before.value).value === value ? before.value : shown),
  });
  protected readonly error = computed(() => this.read(this.text()).error);

  protected type(text: string): void {
    this.text.set(text);
    const { value, error } = this.read(text);
    if (error === undefined) this.valueChange.emit(value);
  }

  private read(text: string): { readonly value: number | string | undefined; readonly error: string | undefined } {
    const typed = text.trim();
    const shape = this.shape();
    if (typed === '') return { value: undefined, error: undefined };
    if (shape.kind === 'number') {
      const read = readField(shape, typed, 'shown');
      return read.ok ? { value: read.value, error: undefined } : { value: undefined, error: `Expected ${read.issue.expected}.` };
    }
    if (typed.length <= shape.maxLength) return { value: typed, error: undefined };
    return { value: undefined, error: `Expected ${issue('', 'bad-text', describe(shape), typed).expected}.` };
  }
}
