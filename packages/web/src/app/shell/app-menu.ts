import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { Store } from '@ngrx/store';
import { ConfirmDialog } from './confirm-dialog';
import { Icon } from '../basics/icon';
import { thisWorld, WORLD_BASES, WORLD_TITLES } from '../api/world';
import { Items } from '../state/items.actions';
import { KeysDialog } from './keys-dialog';

/** What concerns the whole application, in one menu of the head. */
@Component({
  selector: 'app-menu',
  imports: [Icon, NgbDropdownModule, RouterLink],
  template: `
    <div ngbDropdown class="d-inline-block" placement="bottom-end">
      <button type="button" class="btn icon-button no-caret" ngbDropdownToggle id="menu" aria-label="Menu" title="Menu">
        <app-icon name="menu" />
      </button>
      <div ngbDropdownMenu aria-labelledby="menu">
        <a ngbDropdownItem routerLink="/preferences">Preferences</a>
        <a ngbDropdownItem routerLink="/backup">Backup and restore</a>
        <a ngbDropdownItem routerLink="/help">Help</a>
        <button ngbDropdownItem type="button" (click)="showKeys()">Keys (?)</button>
        <a ngbDropdownItem href="/api/docs/" target="_blank" rel="noopener">API documentation</a>
        <a ngbDropdownItem href="/licences.txt" target="_blank" rel="noopener">Licences</a>
        <div class="dropdown-divider"></div>
        <a ngbDropdownItem [href]="otherBase">Go to: {{ otherTitle }}</a>
        @if (isDemo) {
          <button ngbDropdownItem type="button" (click)="resetDemo()">Put the demo crew back …</button>
        }
      </div>
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AppMenu {
  protected readonly isDemo = thisWorld() === 'demo';
  private readonly other = this.isDemo ? 'own' : 'demo';
  protected readonly otherBase = WORLD_BASES[this.other];
  protected readonly otherTitle = WORLD_TITLES[this.other];
  private readonly store = inject(Store);
  private readonly modals = inject(NgbModal);

  showKeys(): void {
    if (!this.modals.hasOpenModals()) this.modals.open(KeysDialog, { ariaLabelledBy: 'keys-title' }).result.catch(() => undefined);
  }

  protected async resetDemo(): Promise<void> {
    const dialog = this.modals.open(ConfirmDialog, { ariaLabelledBy: 'confirm-title' });
    const content = dialog.componentInstance as ConfirmDialog;
    content.title = 'Put the demo crew back as it shipped?';
    content.text = 'Changes to its rigs and gear are taken back, and what was added to it goes. My kit stays as it is.';
    content.act = 'Put it back';
    if (await accepted(dialog.result)) this.store.dispatch(Items.resetDemo());
  }
}

async function accepted(result: Promise<unknown>): Promise<boolean> {
  try {
    return (await result) === true;
  } catch {
    return false;
  }
}
