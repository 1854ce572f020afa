import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { Router, RouterLink, RouterOutlet } from '@angular/router';
import { PageMenu } from '../../../basics/page-menu';
import type { PageAct } from '../../../basics/page-menu';
import { PageTabs } from '../../../basics/page-tabs';
import type { PageTab } from '../../../basics/page-tabs';
import { CopyToOwn } from '../../../parts/copy-to-own';
import { Prints } from '../../../parts/prints';
import { TripSheet } from './trip-sheet';

/** One trip: its list, its bags, how it flies, and what it is made of. */
@Component({
  selector: 'app-trip-page',
  imports: [PageMenu, PageTabs, RouterLink, RouterOutlet],
  providers: [TripSheet],
  template: `
    @if (sheet.trip(); as trip) {
      <div class="page-head">
        <h1>{{ trip.name }}</h1>
        <nav [appPageTabs]="tabs" [attr.aria-label]="'Pages of ' + trip.name"></nav>
        <div class="page-acts">
          <app-page-menu [of]="trip.name" [acts]="acts()" />
        </div>
      </div>
      <router-outlet />
    } @else {
      <h1>Trip</h1>
      <p>This trip is not there. It may have been deleted: undo brings it back. <a routerLink="/pack/trips">All trips</a></p>
    }
  `,
  styles: `
    @media (max-width: 700px) {
      .page-head {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto;
        .pages {
          grid-row: 2;
          grid-column: 1 / -1;
        }
        .page-acts {
          width: auto;
        }
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TripPage {
  readonly id = input.required<string>();
  protected readonly sheet = inject(TripSheet);
  private readonly router = inject(Router);
  private readonly prints = inject(Prints);
  private readonly toOwn = inject(CopyToOwn).acts(
    'trips',
    () => this.id(),
    () => `/pack/trips/${this.id()}`,
  );
  protected readonly tabs: readonly PageTab[] = [
    { title: 'List', link: './', exact: true },
    { title: 'Bags', link: './bags' },
    { title: 'Flying', link: './flying' },
    { title: 'At the gate', link: './gate' },
    { title: 'Crew and travel', link: './setup' },
  ];
  protected readonly acts = computed((): readonly PageAct[] => {
    const dayId = this.sheet.trip()?.dayIds?.[0];
    const notNow = dayId === undefined && (this.sheet.trip()?.rigIds ?? []).length === 0 ? 'Choose a day or a rig first.' : undefined;
    return [
      { title: 'Power sheet for the crew, A4 (PDF)', icon: 'print', notNow, do: () => void this.print('a4') },
      { title: 'Power sheet for the crew, Letter (PDF)', icon: 'print', notNow, do: () => void this.print('letter') },
      { title: 'Print this page', icon: 'print', do: () => window.print() },
      ...this.toOwn,
      { title: 'Delete the trip', icon: 'remove', takesAway: true, do: () => this.remove() },
    ];
  });

  constructor() {
    effect(() => this.sheet.id.set(this.id()));
  }

  private async print(paper: 'a4' | 'letter'): Promise<void> {
    const { dayIds = [], rigIds = [] } = this.sheet.trip()!;
    const [dayId] = dayIds;
    const order = { paper, tripId: this.id(), ...(dayId === undefined ? { rigIds } : { dayId }) };
    await this.prints.powerSheet(order);
  }

  private remove(): void {
    this.sheet.remove();
    void this.router.navigateByUrl('/pack/trips');
  }
}
