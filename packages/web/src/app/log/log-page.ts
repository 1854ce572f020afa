import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import { observationsToCsv } from '@viaggio/core';
import { download } from '../shared/download';
import { selectWholeLog, selectLoading } from '../state/items.selectors';
import { CoreWorkers } from '../workers/core-workers';

/** The frame of the log: what was observed, and what it tells of draws, batteries and plans. */
@Component({
  selector: 'app-log-page',
  imports: [NgbDropdownModule, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <div class="top">
      <h1 class="mb-0 me-2">Log</h1>
      <a class="btn btn-primary" routerLink="/log/new">Add entry</a>
      <div ngbDropdown class="d-inline-block acts">
        <button type="button" class="btn btn-outline-secondary" ngbDropdownToggle id="log-export">Export</button>
        <div ngbDropdownMenu aria-labelledby="log-export">
          <button ngbDropdownItem type="button" (click)="observations()">Observations, as CSV</button>
          <button ngbDropdownItem type="button" (click)="draws()">Draws and how they came about, as CSV</button>
          <button ngbDropdownItem type="button" (click)="segments()">Segments of recordings, as CSV</button>
          <p class="small px-3 mb-0 text-body-secondary">All of it is in the plan document too: Kit, Export.</p>
        </div>
      </div>
    </div>
    <nav class="pages" aria-label="Pages of the log">
      <a routerLink="/log" routerLinkActive="active" [routerLinkActiveOptions]="{ exact: true }" ariaCurrentWhenActive="page"
        >Observations</a
      >
      <a routerLink="/log/recordings" routerLinkActive="active" ariaCurrentWhenActive="page">Recordings</a>
      <a routerLink="/log/draws" routerLinkActive="active" ariaCurrentWhenActive="page">Draws</a>
      <a routerLink="/log/batteries" routerLinkActive="active" ariaCurrentWhenActive="page">Batteries</a>
      <a routerLink="/log/plans" routerLinkActive="active" ariaCurrentWhenActive="page">Plan and day</a>
    </nav>
    @if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      <router-outlet />
    }
  `,
  styleUrl: './log-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogPage {
  private readonly store = inject(Store);
  private readonly workers = inject(CoreWorkers);
  protected readonly loading = this.store.selectSignal(selectLoading);
  private readonly log = this.store.selectSignal(selectWholeLog);

  protected observations(): void {
    this.save('observations', observationsToCsv(this.log()));
  }

  protected draws(): void {
    void this.workers
      .core('table')
      .drawsTable(this.log())
      .then((text) => this.save('draws', text));
  }

  protected segments(): void {
    void this.workers
      .core('table')
      .segmentsTable(this.log())
      .then((text) => this.save('segments', text));
  }

  private save(what: string, text: string): void {
    download(`viaggio-${what}-${new Date().toISOString().slice(0, 10)}.csv`, text, 'text/csv');
  }
}
