import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { selectUnsaved } from '../state/items.selectors';

/** Whether everything is safely on the server; always in sight. */
@Component({
  selector: 'app-save-status',
  template: `<span role="status" aria-live="polite" [class.text-danger-emphasis]="status().bad">{{ status().text }}</span>`,
  styles: ':host { font-size: 0.85rem; white-space: nowrap; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SaveStatus {
  private readonly unsaved = inject(Store).selectSignal(selectUnsaved);
  protected readonly status = computed(() => {
    const syncs = this.unsaved().map(({ entry }) => entry.sync);
    const failed = syncs.find(({ is }) => is === 'failed');
    if (syncs.some(({ is }) => is === 'conflict')) return { text: 'Not saved: conflict', bad: true };
    if (failed?.is === 'failed') return { text: `Not saved: ${failed.problem.title.toLowerCase()}`, bad: true };
    return { text: syncs.length > 0 ? 'Saving …' : 'Saved', bad: false };
  });
}
