import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, signal } from '@angular/core';
import { NgbActiveModal } from '@ng-bootstrap/ng-bootstrap/modal';
import type { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { gearTitle } from '@viaggio/core/gear';
import type { Rig } from '@viaggio/core/gear';
import { RigSheet } from '../sheet/rig-sheet';
import { LeaveOutChoice } from './leave-out-choice';
import { StyleChoice } from './style-choice';
import { ChainBuilder } from './chain-builder';
import { RankedFeeds } from './ranked-feeds';

/** How one device is to be fed: ranked for the way of shooting, or built by hand. */
@Component({
  selector: 'app-feed-dialog',
  imports: [ChainBuilder, LeaveOutChoice, RankedFeeds, StyleChoice],
  template: `
    <div class="modal-header">
      <h2 class="modal-title fs-5" id="feed-title">A feed for {{ device() }}</h2>
      <button type="button" class="btn-close" aria-label="Close" (click)="modal.dismiss()"></button>
    </div>
    <div class="modal-body">
      <div class="btn-group mb-3" role="group" aria-label="How to choose">
        <button
          type="button"
          class="btn btn-outline-primary"
          [class.active]="page() === 'ranked'"
          [attr.aria-pressed]="page() === 'ranked'"
          (click)="page.set('ranked')"
        >
          Ranked
        </button>
        <button
          type="button"
          class="btn btn-outline-primary"
          [class.active]="page() === 'by-hand'"
          [attr.aria-pressed]="page() === 'by-hand'"
          (click)="page.set('by-hand')"
        >
          By hand
        </button>
      </div>
      <div class="d-flex flex-wrap align-items-end gap-3 mb-3">
        @if (page() === 'ranked') {
          <app-style-choice />
        }
        <app-leave-out-choice class="mb-2" />
      </div>
      @if (page() === 'ranked') {
        <app-ranked-feeds [deviceId]="deviceId()" (picked)="use($event)" />
      } @else {
        <app-chain-builder [deviceId]="deviceId()" [first]="slot()" (built)="use($event)" />
      }
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FeedDialog {
  protected readonly modal = inject(NgbActiveModal);
  protected readonly sheet = inject(RigSheet);
  readonly deviceId = signal('');
  /** The input that is to be fed first; the device's own way when absent. */
  readonly slot = signal<string | undefined>(undefined);
  readonly page = signal<'ranked' | 'by-hand'>('ranked');
  protected readonly device = computed(() => {
    const body = this.sheet.kit().get(this.deviceId()) ?? this.sheet.parts().get(this.deviceId());
    return body ? gearTitle(body) : '';
  });

  protected use(rig: Rig): void {
    this.sheet.put(rig, `feed ${this.deviceId()}`);
    this.modal.close();
  }
}

/** Opens the dialog on a rig's page; what is chosen there changes the rig. */
export function openFeedDialog(modals: NgbModal, sheet: RigSheet, deviceId: string, page: 'ranked' | 'by-hand', slot?: string): void {
  if (modals.hasOpenModals()) return;
  const injector = sheet.injector;
  const dialog = modals.open(FeedDialog, { ariaLabelledBy: 'feed-title', size: 'xl', scrollable: true, injector });
  const content = dialog.componentInstance as FeedDialog;
  content.deviceId.set(deviceId);
  content.page.set(page);
  content.slot.set(slot);
  // it belongs to this rig: whoever leaves it, by Back too, leaves the dialog
  const rigId = sheet.id();
  const leaving = effect(() => sheet.id() !== rigId && dialog.dismiss(), { injector });
  injector.get(DestroyRef).onDestroy(() => dialog.dismiss());
  dialog.result.catch(() => undefined).finally(() => leaving.destroy());
}
