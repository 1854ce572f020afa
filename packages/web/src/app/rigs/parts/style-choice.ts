import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { styleShape } from '@viaggio/core';
import type { Style } from '@viaggio/core';
import { RigSheet } from '../rig-sheet';
import { SelectField } from '../../fields/select-field';

let lastId = 0;

/** How the rig is shot: what its feeds are weighed by. */
@Component({
  selector: 'app-style-choice',
  imports: [SelectField],
  template: `
    <app-select-field label="Shot" (picked)="choose($event)">
      @for (choice of styles; track choice[0]) {
        <option [value]="choice[0]" [selected]="choice[0] === sheet.style()">{{ choice[1] }}</option>
      }
    </app-select-field>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StyleChoice {
  protected readonly sheet = inject(RigSheet);
  protected readonly id = `style-${++lastId}`;
  protected readonly styles = Object.entries(styleShape.options);

  protected choose(style: Style): void {
    this.sheet.change({ style }, 'style');
  }
}
