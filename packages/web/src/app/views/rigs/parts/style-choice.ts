import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { styleShape } from '@viaggio/core/gear';
import type { Style } from '@viaggio/core/gear';
import { RigSheet } from '../sheet/rig-sheet';
import { SelectField } from '../../../fields/select-field';
import { choicesOf } from '../../../fields/choices-of';

/** How the rig is shot: what its feeds are weighed by. */
@Component({
  selector: 'app-style-choice',
  imports: [SelectField],
  template: ` <app-select-field label="Shot" [choices]="styles" [value]="sheet.style()" (picked)="choose($event)" /> `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StyleChoice {
  protected readonly sheet = inject(RigSheet);
  protected readonly styles = choicesOf(styleShape.options);

  protected choose(style: Style): void {
    this.sheet.change({ style }, 'style');
  }
}
