import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { fieldId } from './field-frame';

/** Yes or no. What is put between the tags stands after the label. */
@Component({
  selector: 'app-check-field',
  template: `
    <div class="form-check">
      <input
        #check
        class="form-check-input"
        type="checkbox"
        [id]="id"
        [checked]="value()"
        [disabled]="disabled()"
        (change)="valueChange.emit(check.checked)"
      />
      <label class="form-check-label" [class.small]="small()" [for]="id">{{ label() }} <ng-content /></label>
    </div>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckField {
  readonly label = input.required<string>();
  readonly value = input(false);
  readonly disabled = input(false);
  readonly small = input(false);
  readonly valueChange = output<boolean>();
  protected readonly id = fieldId('check');
}
