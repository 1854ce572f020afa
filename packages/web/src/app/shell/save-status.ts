import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { Icon } from '../basics/icon';
import type { IconName } from '../basics/icon';
import { selectLoading, selectUnsaved } from '../state/items.selectors';

interface Standing {
  readonly icon: IconName;
  readonly text: string;
  readonly bad: boolean;
}

/** Whether everything is safely on the server, as one small sign that is always in sight. */
@Component({
  selector: 'app-save-status',
  imports: [Icon],
  template: `
    <span role="status" aria-live="polite" [class.bad]="status().bad" [title]="status().text">
      <app-icon [name]="status().icon" /><span class="word" [class.kept]="status().bad">{{ status().text }}</span>
    </span>
  `,
  styles: `
    :host {
      font-size: 0.85rem;
      white-space: nowrap;
      color: var(--bs-secondary-color);
    }
    span[role] {
      display: inline-flex;
      gap: 0.35rem;
      align-items: center;
    }
    .bad {
      color: var(--stop);
      font-weight: 600;
    }
    /* on a phone the sign alone says that all is well */
    @media (max-width: 700px) {
      .word:not(.kept) {
        position: absolute;
        width: 1px;
        height: 1px;
        overflow: hidden;
        clip-path: inset(50%);
      }
      .word {
        white-space: normal;
      }
    }
    /* beside a phone's other buttons two short lines; the whole of it is in the tooltip */
    @media (max-width: 400px) {
      .word.kept {
        max-width: 3.25rem;
        max-height: 2.4em;
        overflow: hidden;
        line-height: 1.2;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SaveStatus {
  private readonly unsaved = inject(Store).selectSignal(selectUnsaved);
  private readonly loading = inject(Store).selectSignal(selectLoading);
  private readonly offline = signal(!navigator.onLine);
  protected readonly status = computed((): Standing => {
    const syncs = this.unsaved().map(({ entry }) => entry.sync);
    const failed = syncs.find(({ is }) => is === 'failed');
    if (syncs.some(({ is }) => is === 'conflict')) return { icon: 'warning', text: 'Not saved: conflict', bad: true };
    if (failed?.is === 'failed') return { icon: 'warning', text: `Not saved: ${failed.problem.title.toLowerCase()}`, bad: true };
    if (this.offline()) return { icon: 'offline', text: syncs.length > 0 ? 'Offline, not saved yet' : 'Offline', bad: syncs.length > 0 };
    if (this.loading().is === 'failed') return { icon: 'offline', text: 'No server', bad: true };
    return syncs.length > 0 ? { icon: 'saving', text: 'Saving …', bad: false } : { icon: 'saved', text: 'Saved', bad: false };
  });

  constructor() {
    const look = (): void => this.offline.set(!navigator.onLine);
    addEventListener('online', look);
    addEventListener('offline', look);
    inject(DestroyRef).onDestroy(() => {
      removeEventListener('online', look);
      removeEventListener('offline', look);
    });
  }
}
