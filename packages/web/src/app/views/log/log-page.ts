import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { localDate } from '../../device/dates';
import { download } from '../../device/download';
import { PageMenu } from '../../basics/page-menu';
import type { PageAct } from '../../basics/page-menu';
import { PageTabs } from '../../basics/page-tabs';
import type { PageTab } from '../../basics/page-tabs';
import { selectWholeLog, selectLoading } from '../../state/items.selectors';
import { CoreWorkers } from '../../workers/core-workers';

/** The frame of the log: what was observed, and what it tells of draws, batteries and plans. */
@Component({
  selector: 'app-log-page',
  imports: [PageMenu, PageTabs, RouterLink, RouterOutlet],
  template: `
    <div class="page-head">
      <h1>Log</h1>
      <div class="page-acts">
        <a class="btn btn-primary" routerLink="/log/new">Add entry</a>
        <app-page-menu of="the log" [acts]="acts" />
      </div>
    </div>
    <nav [appPageTabs]="tabs" aria-label="Pages of the log"></nav>
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
  protected readonly tabs: readonly PageTab[] = [
    { title: 'Observations', link: '/log', exact: true },
    { title: 'Recordings', link: '/log/recordings' },
    { title: 'Draws', link: '/log/draws' },
    { title: 'Batteries', link: '/log/batteries' },
    { title: 'Plan and day', link: '/log/plans' },
  ];
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
