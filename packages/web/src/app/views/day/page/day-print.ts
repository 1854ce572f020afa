import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { gearTitle } from '@viaggio/core/gear';
import { Agenda, CHARGERS } from './agenda';
import { DaySheet } from '../sheet/day-sheet';
import { percent } from '../../../parts/timeline/say-moment';

interface Page {
  readonly id: string;
  readonly title: string;
  readonly batteries: readonly string[];
}

/** What goes on paper: a page for each rig with its hours and its own batteries, and one for the chargers. */
@Component({
  selector: 'app-day-print',
  imports: [Agenda],
  template: `
    @for (page of pages(); track page.id) {
      <section class="page" [attr.aria-label]="'Printed: ' + page.title">
        <h2 class="fs-4">{{ page.title }}</h2>
        @if (page.batteries.length > 0) {
          <p>Batteries: {{ page.batteries.join(', ') }}.</p>
        }
        <app-agenda [of]="page.id" />
      </section>
    }
  `,
  styles: `
    .page {
      break-before: page;
      break-inside: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayPrint {
  private readonly sheet = inject(DaySheet);
  protected readonly pages = computed((): readonly Page[] => {
    const day = this.sheet.day();
    const run = this.sheet.outlook()?.run;
    if (!day) return [];
    const rigs = day.rigIds.map((id): Page => {
      const own = new Map(
        (run?.stays ?? []).filter(({ rigId }) => rigId === id).map(({ batteryId, fromCharge }) => [batteryId, fromCharge]),
      );
      const batteries = [...own].map(([batteryId, charge]) => {
        const gear = this.sheet.gear().get(batteryId);
        return `${gear ? gearTitle(gear) : 'a battery that is gone'} (${percent(charge)} when it goes in)`;
      });
      return { id, title: this.sheet.rigs().get(id)?.name ?? 'A rig that is gone', batteries };
    });
    return (run?.filled ?? []).length > 0 ? [...rigs, { id: CHARGERS, title: 'The chargers', batteries: [] }] : rigs;
  });
}
