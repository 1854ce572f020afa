import { energyNow } from '@viaggio/core/gear';
import { RETIRE_SHARE } from '@viaggio/core/measure';
import type { HealthHistory } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import { sayHealth } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { Spark } from '../../../charts/spark';
import type { SparkPoint } from '../../../charts/spark';
import { VerdictMark } from '../../../basics/verdict-mark';
import { selectWholeLog } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { titleOf } from '../../../parts/log-labels';

/** Every battery's health at a glance, the worst first, and which belong together. */
@Component({
  selector: 'app-health-page',
  imports: [RouterLink, Spark, VerdictMark],
  template: `
    @if (result(); as found) {
      @if (groups().length === 0) {
        <section class="empty" aria-label="No batteries yet">
          <h2 class="fs-5">No batteries yet</h2>
          <p>
            <a routerLink="/kit/add">Add your batteries</a>; every run-down and charge you log then shows what each still holds, and when to
            retire it.
          </p>
        </section>
      }
      @for (group of groups(); track group.title) {
        <h2 class="fs-5 mt-2">{{ group.title }}</h2>
        <ul class="list-unstyled batteries">
          @for (row of group.rows; track row.batteryId) {
            <li>
              <a class="target" [routerLink]="['/log/batteries', row.batteryId]">{{ name(row.batteryId) }}</a>
              <span class="bar" aria-hidden="true"><span [class]="row.retire ?? 'fine'" [style.width.%]="width(row)"></span></span>
              <span class="share">{{ share(row) }}</span>
              @if (course(row); as points) {
                <app-spark class="course" [points]="points" [limit]="retireShare" />
              }
              @if (row.retire === 'now') {
                <app-verdict-mark verdict="stop" says="retire" />
              } @else if (row.retire === 'soon') {
                <app-verdict-mark verdict="caution" says="retire soon" />
              }
              <span class="says">{{ row.points.length > 0 ? says(row) : byAge(row) }}</span>
            </li>
          }
        </ul>
      }
      @if (found.together.length > 0) {
        <h2 class="fs-5 mt-4">Which belong together</h2>
        <p class="small text-body-secondary">
          In a grip or on a plate for two, the weaker battery drags the other down. These are of one make and hold the same within 5 %.
        </p>
        <ul>
          @for (group of found.together; track group.ids[0]) {
            <li>
              {{ names(group.ids) }} <span class="small text-body-secondary">apart by {{ percent(group.spread) }}</span>
            </li>
          }
        </ul>
      }
    } @else {
      <p role="status">Working it out …</p>
    }
  `,
  styles: `
    .batteries li {
      display: grid;
      grid-template-columns: minmax(8rem, 13rem) 6rem 4.5rem 6rem minmax(0, auto) 1fr;
      gap: 0 0.75rem;
      align-items: baseline;
      padding: 0.4rem 0;
      border-top: 1px solid var(--bs-border-color);
      font-variant-numeric: tabular-nums;
    }
    .share {
      white-space: nowrap;
    }
    .bar {
      align-self: center;
      height: 0.6rem;
      border: 1px solid var(--bs-border-color);
      border-radius: 0.2rem;
    }
    .bar span {
      display: block;
      height: 100%;
      background: var(--good);
    }
    .bar .soon {
      background: var(--caution);
    }
    .bar .now {
      background: var(--stop);
    }
    .course {
      grid-column: 4;
      align-self: center;
    }
    .says {
      grid-column: 6;
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
    @media (max-width: 900px) {
      .batteries li {
        grid-template-columns: minmax(0, 1fr) 6rem 4.5rem;
      }
      .course {
        grid-column: 2 / -1;
      }
      .says {
        grid-column: 1 / -1;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HealthPage {
  private readonly log = inject(Store).selectSignal(selectWholeLog);
  private readonly later = computedLater('log', this.log, (core, log) => core.health(log, new Date().toISOString().slice(0, 10)));
  protected readonly result = computed(() => valueOf(this.later()));
  protected readonly retireShare = RETIRE_SHARE;
  protected readonly groups = computed(() => {
    const { gear } = this.log();
    const rows = (this.result()?.batteries ?? []).filter(({ batteryId }) => gear.get(batteryId)?.archived !== true);
    const measured = rows.filter(({ points }) => points.length > 0).sort((a, b) => (a.share ?? 1) - (b.share ?? 1));
    return [
      { title: 'Measured', rows: measured },
      { title: 'Never measured', rows: rows.filter(({ points }) => points.length === 0) },
    ].filter((group) => group.rows.length > 0);
  });

  protected name(id: string): string {
    return titleOf(id, this.log().gear);
  }

  protected names(ids: readonly string[]): string {
    return ids.map((id) => this.name(id)).join(', ');
  }

  protected percent(share: number): string {
    return formatQuantity(share, 'fraction');
  }

  protected share(row: HealthHistory): string {
    const share = this.shareOf(row);
    return share === undefined ? '' : `${row.share === undefined ? '~' : ''}${formatQuantity(share, 'fraction')}`;
  }

  /** What each test said of its label, over time; nothing for one alone, or without a label. */
  protected course({ points, labelWh }: HealthHistory): readonly SparkPoint[] | undefined {
    if (points.length < 2 || labelWh === undefined) return undefined;
    return points.map(({ at, energyWh, setAside }) => ({ at: Date.parse(at), share: energyWh / labelWh, aside: setAside }));
  }

  protected readonly says = sayHealth;

  protected byAge({ labelWh }: HealthHistory): string {
    return labelWh === undefined ? 'Nothing is known of what it holds.' : `By its label of ${formatQuantity(labelWh, 'Wh')} and its age.`;
  }

  protected width(row: HealthHistory): number {
    return 100 * Math.min(1, this.shareOf(row) ?? 0);
  }

  /** Measured, or by its age. */
  private shareOf({ batteryId, share, labelWh }: HealthHistory): number | undefined {
    const body = this.log().gear.get(batteryId);
    if (share !== undefined || body?.kind !== 'battery' || labelWh === undefined) return share;
    const now = energyNow(body);
    return now === undefined ? undefined : now / labelWh;
  }
}
