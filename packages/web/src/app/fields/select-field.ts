import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

let lastId = 0;

/**
 * A few choices in a drop-down: its options are what is put between the tags. Where there may be sixteen or more, or the
 * figure beside a name matters, `app-picker-field` searches them.
 */
@Component({
  selector: 'app-select-field',
  template: `
    @if (!bare()) {
      <label class="form-label" [for]="id">{{ label() }}</label>
    }
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
    </select>
    @if (hint()) {
      <div [id]="id + '-says'" class="says">{{ hint() }}</div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .says {
      font-size: 0.8rem;
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelectField {
  readonly label = input.required<string>();
  readonly hint = input('');
  /** The label is said, not shown: in a table, or beside a heading that says it. */
  readonly bare = input(false);
  readonly small = input(false);
  readonly disabled = input(false);
  /** What is picked is done at once, and the field stands at its first option again. */
  readonly once = input(false);
  /** The value of the option that was picked. */
  readonly picked = output<string>();

  protected readonly id = `select-${++lastId}`;

  protected pick(select: HTMLSelectElement): void {
    this.picked.emit(select.value);
    if (this.once()) select.selectedIndex = 0;
  }
}
