import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

/** One thing that can be chosen, under a heading. */
export interface Choice {
  readonly value: string;
  readonly title: string;
  readonly group: string;
}

let lastId = 0;

/** A drop-down of choices under headings. */
@Component({
  selector: 'app-choice-list',
  template: `
    <label class="form-label" [for]="id">{{ label() }}</label>
    <select class="form-select" [id]="id" (change)="picked.emit($any($event.target).value)">
      <option value="" [selected]="!value()">Choose …</option>
      @for (group of groups(); track group) {
        <optgroup [label]="group">
          @for (choice of choices(); track choice.value) {
            @if (choice.group === group) {
              <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.title }}</option>
            }
          }
        </optgroup>
      }
    </select>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceList {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly value = input<string | undefined>();
  readonly picked = output<string>();

  protected readonly id = `choice-${++lastId}`;
  protected readonly groups = computed(() => [...new Set(this.choices().map(({ group }) => group))]);
}
