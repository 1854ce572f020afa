import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FieldFrame, fieldId } from './field-frame';

/**
 * A few choices in a drop-down: its options are what is put between the tags. Where there may be sixteen or more, or the
 * figure beside a name matters, `app-picker-field` searches them.
 */
@Component({
  selector: 'app-select-field',
  imports: [FieldFrame],
  template: `
    <app-field-frame [label]="label()" [for]="id" [bare]="bare()" [says]="hint()">
      <select
        #select
        class="form-select"
        [class.form-select-sm]="small()"
        [id]="id"
        [attr.aria-label]="bare() ? label() : null"
        [attr.aria-describedby]="hint() ? id + '-says' : null"
        [disabled]="disabled()"
        (change)="pick(select)"
      >
        <ng-content />
        @for (choice of choices(); track choice[0]) {
          <option [value]="choice[0]" [selected]="choice[0] === value()">{{ choice[1] }}</option>
        }
      </select>
    </app-field-frame>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelectField<T extends string = string> {
  /** Each value with what it is called; what is put between the tags comes before them. */
  readonly choices = input<readonly (readonly [T, string])[]>([]);
  readonly value = input<T>();
  readonly label = input.required<string>();
  readonly hint = input('');
  /** The label is said, not shown: in a table, or beside a heading that says it. */
  readonly bare = input(false);
  readonly small = input(false);
  readonly disabled = input(false);
  /** What is picked is done at once, and the field stands at its first option again. */
  readonly once = input(false);
  /** The value of the option that was picked. */
  readonly picked = output<T>();

  protected readonly id = fieldId('select');

  protected pick(select: HTMLSelectElement): void {
    this.picked.emit(select.value as T);
    if (this.once()) select.selectedIndex = 0;
  }
}
