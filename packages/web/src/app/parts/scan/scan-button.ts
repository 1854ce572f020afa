import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { Store } from '@ngrx/store';
import { gearTitle } from '@viaggio/core/gear';
import { Icon } from '../../basics/icon';
import { selectGearBodies } from '../../state/items.selectors';
import { gearOfCode } from './read-code';
import { ScanDialog } from './scan-dialog';
import type { Scanned } from './scan-dialog';

/** Scans a tag: with the camera, or as it is typed. Gives the identifier of what bears it. */
@Component({
  selector: 'app-scan-button',
  imports: [Icon],
  template: `
    <button type="button" class="btn btn-outline-secondary scan" (click)="open()"><app-icon name="scan" /> {{ label() }}</button>
  `,
  styles: `
    .scan {
      display: inline-flex;
      gap: var(--space-2);
      align-items: center;
      white-space: nowrap;
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScanButton {
  readonly label = input('Scan');
  readonly title = input('Scan a tag');
  /** One tag, or one after the other until it is closed. */
  readonly once = input(true);
  /** What is done with what was found, as the person reads it: `V3: packed`. */
  readonly says = input<(id: string) => string>();
  readonly found = output<string>();
  private readonly modals = inject(NgbModal);
  private readonly gear = inject(Store).selectSignal(selectGearBodies);

  protected open(): void {
    const dialog = this.modals.open(ScanDialog, { ariaLabelledBy: 'scan-title', centered: true });
    const content = dialog.componentInstance as ScanDialog;
    content.title = this.title();
    content.once = this.once();
    content.found = (text): Scanned => {
      const id = gearOfCode(text, this.gear());
      const body = id === undefined ? undefined : this.gear().get(id);
      if (id === undefined || !body) return { isKnown: false, says: `Nothing here bears “${text.slice(0, 40)}”.` };
      this.found.emit(id);
      return { isKnown: true, says: this.says()?.(id) ?? gearTitle(body) };
    };
    dialog.result.catch(() => undefined);
  }
}
