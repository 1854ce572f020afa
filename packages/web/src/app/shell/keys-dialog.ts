import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { SHORTCUTS } from '../basics/shortcuts';

/** The keys that work everywhere, as the frame listens to them. */
@Component({
  selector: 'app-keys-dialog',
  template: `
    <div class="modal-header">
      <h2 class="modal-title fs-5" id="keys-title">Keys</h2>
      <button type="button" class="btn-close" aria-label="Close" (click)="modal.dismiss()"></button>
    </div>
    <div class="modal-body">
      <dl class="row mb-2">
        @for (key of keys; track key.shown) {
          <dt class="col-5">
            <kbd>{{ key.shown }}</kbd>
          </dt>
          <dd class="col-7">{{ key.says }}</dd>
        }
      </dl>
      <p class="small mb-0">
        Figures may be typed as <code>14.4v</code>, <code>14,4</code>, <code>95Wh</code>, <code>2040 mAh</code>, <code>1h20</code>,
        <code>90 min</code>, <code>-5 C</code>, <code>23 F</code>.
      </p>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysDialog {
  protected readonly modal = inject(NgbActiveModal);
  protected readonly keys = SHORTCUTS;
}
