import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { formatQuantity } from '@viaggio/core/units';
import type { NumberShape } from '@viaggio/core/units';
import { QuantityField } from './quantity-field';

/** A figure to be typed or tried out: the slider below moves it, and each move is passed on at once. */
@Component({
  selector: 'app-slider-field',
  imports: [QuantityField],
  template: `
    <app-quantity-field
      [shape]="shape()"
      [label]="label()"
      [placeholder]="placeholder()"
      [optional]="optional()"
      [value]="value()"
      (valueChange)="valueChange.emit($event)"
    />
    <input
      #range
      type="range"
      class="form-range"
      [min]="from()"
      [max]="to()"
      [step]="step()"
      [value]="value() ?? assumed()"
      [attr.aria-label]="label() + ', by slider'"
      [attr.aria-valuetext]="says()"
      (input)="valueChange.emit(+range.value)"
    />
    @if (hint()) {
      <p class="hint">{{ hint() }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .form-range {
      margin-top: -0.25rem;
    }
    .hint {
      margin: -0.4rem 0 0.25rem;
      font-size: 0.8rem;
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SliderField {
  readonly shape = input.required<NumberShape>();
  readonly label = input.required<string>();
  readonly value = input<number | undefined>();
  /** Where the slider stands while no figure is given. */
  readonly assumed = input.required<number>();
  readonly from = input.required<number>();
  readonly to = input.required<number>();
  readonly step = input.required<number>();
  readonly hint = input('');
  readonly placeholder = input('');
  readonly optional = input(true);
  readonly valueChange = output<number | undefined>();
  protected readonly says = computed(() => formatQuantity(this.value() ?? this.assumed(), this.shape().unit));
}
