import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** A box without words beside it, in a line or on a card: what it takes is told by its name. */
@Component({
  selector: 'app-pick-box',
  template: `
    <label class="target">
      <input
        type="checkbox"
        class="form-check-input mt-0"
        [attr.aria-label]="label()"
        [checked]="value()"
        [indeterminate]="some()"
        (change)="picked.emit()"
      />
    </label>
  `,
  styles: `
    .target {
      justify-content: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PickBox {
  readonly label = input.required<string>();
  readonly value = input.required<boolean>();
  /** It stands for several, of which some are taken. */
  readonly some = input(false);
  readonly picked = output();
}
