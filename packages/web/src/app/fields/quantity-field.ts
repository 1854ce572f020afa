import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { formatNumber, formatQuantity, readField, shownUnit, UNITS } from '@viaggio/core/units';
import type { NumberShape } from '@viaggio/core/units';
import { FieldFrame, fieldId, told } from './field-frame';

interface Typed {
  readonly text: string;
  readonly value: number | undefined;
  readonly error: string | undefined;
}

/**
 * One figure typed as people type it (`14,4 V`, `95Wh`, `1h20`), checked against its shape at every key.
 * Only a sound figure is passed on; a faulty one stays on the screen with what was expected, and nothing is lost.
 */
@Component({
  selector: 'app-quantity-field',
  imports: [FieldFrame],
  template: `
    <app-field-frame
      [typed]="true"
      [label]="label() ?? shape().title"
      [for]="id"
      [from]="from()"
      [error]="error()"
      [says]="readAs() ?? hint()"
    >
      <div class="input-group has-validation">
        <input
          #box
          class="form-control"
          autocomplete="off"
          spellcheck="false"
          [id]="id"
          [value]="text()"
          [class.is-invalid]="error() !== undefined"
          [attr.aria-invalid]="error() !== undefined"
          [attr.aria-describedby]="id + '-says'"
          [placeholder]="placeholder() ?? ''"
          (input)="type(box.value)"
          (blur)="leave()"
        />
        @if (symbol()) {
          <span class="input-group-text" aria-hidden="true">{{ symbol() }}</span>
        }
      </div>
    </app-field-frame>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class QuantityField {
  readonly shape = input.required<NumberShape>();
  readonly value = input<number | undefined>();
  readonly label = input<string>();
  readonly hint = input('');
  readonly placeholder = input<string>();
  /** Where the present figure is from, shown beside the label. */
  readonly from = input<string>();
  /** Whether the figure may be left out. */
  readonly optional = input(false);
  /** `undefined` when an optional figure was taken out. */
  readonly valueChange = output<number | undefined>();

  protected readonly id = fieldId('figure');
  protected readonly symbol = computed(() =>
    this.shape().unit === 'min' ? '' : (shownUnit(this.shape().unit)?.symbol ?? UNITS[this.shape().unit].symbol),
  );
  /** What is being typed; undefined while the field shows its value. */
  private readonly typed = signal<Typed | undefined>(undefined);
  /** A value that changed from outside, by undo or another window, takes the place of sound typing, never of faulty typing. */
  protected readonly text = computed(() => {
    const typed = this.typed();
    return typed && (typed.error !== undefined || typed.value === this.value()) ? typed.text : this.show(this.value());
  });
  protected readonly error = computed(() => this.typed()?.error);
  /** What a figure typed with a unit, a comma or in hours was understood as. */
  protected readonly readAs = computed(() => {
    const typed = this.typed();
    if (typed?.error !== undefined || typed?.value === undefined || !/[a-zµΩ°,%:]/i.test(typed.text)) return undefined;
    return `read as ${formatQuantity(typed.value, this.shape().unit)}`;
  });

  protected type(text: string): void {
    const typed = this.read(text);
    this.typed.set(typed);
    if (typed.error === undefined) this.valueChange.emit(typed.value);
  }

  /** A sound figure is shown in its own unit once the field is left; a faulty one stays for mending. */
  protected leave(): void {
    if (this.error() === undefined) this.typed.set(undefined);
  }

  private read(text: string): Typed {
    if (text.trim() === '' && this.optional()) return { text, value: undefined, error: undefined };
    const parsed = readField(this.shape(), text, 'shown');
    if (parsed.ok) return { text, value: parsed.value, error: undefined };
    return { text, value: undefined, error: told(parsed.issue) };
  }

  private show(value: number | undefined): string {
    if (value === undefined) return '';
    const { unit } = this.shape();
    return unit === 'min' ? formatQuantity(value, unit) : formatNumber(value, unit).replaceAll('\u202f', '');
  }
}
