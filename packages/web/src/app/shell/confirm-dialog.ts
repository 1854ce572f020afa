import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';

/** Asks before an act that changes more than one thing. */
@Component({
  selector: 'app-confirm-dialog',
  template: `
    <div class="modal-header">
      <h2 class="modal-title fs-5" id="confirm-title">{{ title }}</h2>
    </div>
    <div class="modal-body">{{ text }}</div>
    <div class="modal-footer">
      <button type="button" class="btn btn-outline-secondary" (click)="modal.dismiss()">Cancel</button>
      <button type="button" class="btn btn-primary" (click)="modal.close(true)">{{ act }}</button>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConfirmDialog {
  protected readonly modal = inject(NgbActiveModal);
  title = '';
  text = '';
  act = '';
}
