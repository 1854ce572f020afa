import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { Store } from '@ngrx/store';
import { ITEM_KINDS, itemTitle } from '@viaggio/core/document';
import { differences } from '@viaggio/core/units';
import { selectConflict } from '../state/items.selectors';

export type ConflictChoice = 'mine' | 'theirs' | 'both';

/** Two windows changed the same thing: shows both states field by field and lets a person decide. */
@Component({
  selector: 'app-conflict-dialog',
  template: `
    <div class="modal-header">
      <h2 class="modal-title fs-5" id="conflict-title">“{{ name() }}” was changed in two places</h2>
    </div>
    <div class="modal-body">
      <p>While you edited, another window saved a newer state. Nothing is lost: whichever you keep, undo brings the other.</p>
      <div class="table-responsive">
        <table class="table table-sm">
          <thead>
            <tr>
              <th scope="col">Field</th>
              <th scope="col">Yours</th>
              <th scope="col">Theirs</th>
            </tr>
          </thead>
          <tbody>
            @for (difference of rows(); track difference.path) {
              <tr>
                <th scope="row">{{ difference.title }}</th>
                <td>{{ difference.one }}</td>
                <td>{{ difference.other }}</td>
              </tr>
            } @empty {
              <tr>
                <td colspan="3">Both say the same.</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    </div>
    <div class="modal-footer">
      @if (conflict()?.kind === 'rigs' || conflict()?.kind === 'days') {
        <button type="button" class="btn btn-outline-secondary" (click)="modal.close('both')">Keep both, mine as a copy</button>
      }
      <button type="button" class="btn btn-outline-primary" (click)="modal.close('theirs')">Take theirs</button>
      <button type="button" class="btn btn-primary" (click)="modal.close('mine')">Keep mine</button>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConflictDialog {
  protected readonly modal = inject(NgbActiveModal);
  protected readonly conflict = inject(Store).selectSignal(selectConflict);
  protected readonly name = computed(() => {
    const conflict = this.conflict();
    return conflict ? itemTitle(conflict.kind, conflict.entry.body) : '';
  });
  protected readonly rows = computed(() => {
    const conflict = this.conflict();
    const sync = conflict?.entry.sync;
    if (!conflict || sync?.is !== 'conflict') return [];
    return differences(ITEM_KINDS[conflict.kind].shape, conflict.entry.body, sync.theirs.body);
  });
}
