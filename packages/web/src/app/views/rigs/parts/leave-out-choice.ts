import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RigSheet } from '../sheet/rig-sheet';
import { CheckField } from '../../../fields/check-field';

/** Whether what other rigs use is looked at too. */
@Component({
  selector: 'app-leave-out-choice',
  imports: [CheckField],
  template: `
    <app-check-field label="Leave out what other rigs use" [value]="sheet.leaveOut()" (valueChange)="sheet.leaveOut.set($event)" />
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeaveOutChoice {
  protected readonly sheet = inject(RigSheet);
}
