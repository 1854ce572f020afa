import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { localDate } from '../../device/dates';
import { download } from '../../device/download';
import { PageMenu } from '../../basics/page-menu';
import type { PageAct } from '../../basics/page-menu';
import { selectWholeLog, selectLoading } from '../../state/items.selectors';
import { CoreWorkers } from '../../workers/core-workers';

/** The frame of the log: what was observed, and what it tells of draws, batteries and plans. */
@Component({
  selector: 'app-log-page',
  imports: [PageMenu, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <div class="page-head">
      <h1>Log</h1>
      <div class="page-acts">
        <a class="btn btn-primary" routerLink="/log/new">Add entry</a>
        <app-page-menu of="the log" [acts]="acts" />
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
  protected readonly acts: readonly PageAct[] = [
    {
      title: 'Export observations, as CSV',
      icon: 'exported',
      do: () => void this.save('observations', this.workers.core('table').observationsTable(this.log())),
    },
    {
      title: 'Export draws and how they came about, as CSV',
      icon: 'exported',
      do: () => void this.save('draws', this.workers.core('table').drawsTable(this.log())),
    },
    {
      title: 'Export segments of recordings, as CSV',
      icon: 'exported',
      do: () => void this.save('segments', this.workers.core('table').segmentsTable(this.log())),
    },
  ];

  private async save(what: string, table: Promise<string>): Promise<void> {
    const text = await table;
    download(`viaggio-${what}-${localDate(new Date())}.csv`, text, 'text/csv');
  }
}
