import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RigSheet } from '../rig-sheet';

let lastId = 0;

/** Whether what other rigs use is looked at too. */
@Component({
  selector: 'app-leave-out-choice',
  template: `
    <div class="form-check">
      <input
        #check
        type="checkbox"
        class="form-check-input"
        [id]="id"
        [checked]="sheet.leaveOut()"
        (change)="sheet.leaveOut.set(check.checked)"
      />
      <label class="form-check-label" [for]="id">Leave out what other rigs use</label>
    </div>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeaveOutChoice {
  protected readonly sheet = inject(RigSheet);
  protected readonly id = `leave-out-${++lastId}`;
}
