import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { nearestDay } from '@viaggio/core/answer';
import type { AttentionTo } from '@viaggio/core/answer';
import { catchError, forkJoin, map, of } from 'rxjs';
import { Api } from '../../api/api';
import { VerdictMark } from '../../basics/verdict-mark';
import { localDate } from '../../device/dates';
import { WORLD_BASES } from '../../api/world';
import { RigTime } from '../../parts/rig-time';
import { computedLater, valueOf } from '../../workers/computed-later';

/** The demo crew's day in small, for somebody who has nothing of their own yet: how it looks once everything is entered. */
@Component({
  selector: 'app-demo-glance',
  imports: [RigTime, VerdictMark],
  template: `
    @if (day(); as shown) {
      <a class="card-box" [href]="base" aria-label="The demo crew’s day: look around in it">
        <span class="head"
          ><strong>The demo crew: {{ shown.day.name }}</strong
          ><span class="go">Look around</span></span
        >
        @for (rig of rigs(); track rig.rigId) {
          <span class="rig">
            <app-verdict-mark [verdict]="rig.verdict" [bare]="true" />
            <span class="name">{{ rig.name }}</span>
            <app-rig-time [glance]="rig" [small]="true" />
          </span>
        }
      </a>
    }
  `,
  styles: `
    a {
      display: grid;
      grid-auto-columns: minmax(0, 1fr);
      grid-auto-flow: column;
      gap: var(--space-2) var(--space-4);
      padding-block: var(--space-2);
      color: inherit;
      text-decoration: none;
    }
    .head {
      display: grid;
      align-content: start;
      font-size: var(--type-small);
    }
    .go {
      color: var(--bs-link-color);
      font-weight: 600;
    }
    .rig {
      display: grid;
      grid-template-columns: 1.5rem minmax(0, 1fr);
      align-content: start;
      font-size: var(--type-small);
    }
    .rig app-rig-time {
      grid-column: 2;
    }
    .name {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    @media (max-width: 700px) {
      a {
        grid-auto-flow: row;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DemoGlance {
  protected readonly base = WORLD_BASES.demo;
  private readonly api = inject(Api);
  /** Read once; where it cannot be had nothing is shown. */
  private readonly theirs = toSignal(
    forkJoin({ gear: this.api.listOfDemo('gear'), rigs: this.api.listOfDemo('rigs'), days: this.api.listOfDemo('days') }).pipe(
      map(({ gear, rigs, days }) => ({
        gear: new Map(gear.map(({ id, body }) => [id, body])),
        rigs: new Map(rigs.map(({ id, body }) => [id, body])),
        days,
      })),
      catchError(() => of(undefined)),
    ),
  );
  private readonly today = localDate(new Date());
  protected readonly day = computed(() => nearestDay(this.theirs()?.days ?? [], this.today));
  private readonly later = computedLater(
    'rigs',
    (): AttentionTo | undefined => {
      const [theirs, day] = [this.theirs(), this.day()];
      if (!theirs || !day) return undefined;
      const { gear, rigs } = theirs;
      const log = { observations: [], recordings: [], gear, rigs };
      return { rigs: new Map([...rigs].filter(([id]) => day.day.rigIds.includes(id))), gear, day, log, sheets: [], today: this.today };
    },
    (core, asked) => core.todayOutlook(asked),
  );
  protected readonly rigs = computed(() => valueOf(this.later())?.rigs ?? []);
}
