import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FieldFrame, fieldId } from './field-frame';

/** A calendar day, in the browser's own picker: `2026-11-27`. A day half typed is not passed on. */
@Component({
  selector: 'app-date-field',
  imports: [FieldFrame],
  template: `
    <app-field-frame [label]="label()" [for]="id" [says]="hint()">
      <input #box class="form-control" type="date" [id]="id" [value]="value() ?? ''" (change)="leave(box)" />
    </app-field-frame>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DateField {
  readonly label = input.required<string>();
  readonly value = input<string | undefined>();
  readonly hint = input('');
  readonly optional = input(false);
  readonly valueChange = output<string | undefined>();
  protected readonly id = fieldId('date');

  protected leave(box: HTMLInputElement): void {
    if (box.value !== '') this.valueChange.emit(box.value);
    else if (this.optional()) this.valueChange.emit(undefined);
    else box.value = this.value() ?? '';
  }
}
