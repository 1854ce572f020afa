import { energyFrom, energyNow, gearTitle } from '@viaggio/core/gear';
import { dayOf, OBSERVATION_KINDS, RETIRE_SHARE } from '@viaggio/core/measure';
import type { HealthHistory } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import { sayHealth } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { ApexOptions } from 'apexcharts';
import { ApexChart } from '../../../charts/apex-chart';
import { chartColours, chartLook } from '../../../charts/chart-look';
import { VerdictMark } from '../../../basics/verdict-mark';
import { Theme } from '../../../device/theme';
import { Items } from '../../../state/items.actions';
import { selectWholeLog, selectLog } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { lineOf, whenOf } from '../../../parts/log-labels';

/** One battery over the seasons: what it held, what it loses, and everything that was done with it. */
@Component({
  selector: 'app-battery-page',
  imports: [ApexChart, RouterLink, VerdictMark],
  template: `
    @if (battery(); as body) {
      <div class="d-flex flex-wrap align-items-center gap-2 mb-2">
        <h2 class="fs-4 mb-0 me-2">{{ title() }}</h2>
        <a class="btn btn-sm btn-outline-primary" routerLink="/log/new" [queryParams]="{ kind: 'capacity', batteryId: id() }">
          Add a capacity test
        </a>
        <a class="btn btn-sm btn-outline-secondary" routerLink="/kit" [queryParams]="{ item: id() }">In the kit</a>
      </div>
      @if (history(); as health) {
        <p>
          @if (health.retire) {
            <app-verdict-mark
              [verdict]="health.retire === 'now' ? 'stop' : 'caution'"
              [says]="health.retire === 'now' ? 'Retire' : 'Retire soon'"
            />
          }
          {{ says() }}
        </p>
        @if (health.now; as now) {
          <div class="d-flex flex-wrap align-items-center gap-3 mb-3">
            <span>Plans use {{ used() }}; nine times of ten it holds {{ wh(now.lowWh) }} to {{ wh(now.highWh) }} today.</span>
            @if (differs() && health.use) {
              <button type="button" class="btn btn-sm btn-primary" (click)="use()">Use {{ wh(now.energyWh) }}</button>
            } @else {
              <span class="verdict-good">In use everywhere</span>
            }
          </div>
        }
        @if (health.points.length > 0) {
          @if (options(); as chart) {
            <app-apex-chart [options]="chart" [label]="chartLabel()" />
          }
          <div class="table-responsive">
            <table class="table table-sm">
              <thead>
                <tr>
                  <th scope="col">When</th>
                  <th scope="col">What</th>
                  <th scope="col" class="text-end">Holds when full</th>
                  <th scope="col">How it follows</th>
                </tr>
              </thead>
              <tbody>
                @for (point of health.points; track point.id) {
                  <tr>
                    <td>{{ when(point.at) }}</td>
                    <td>
                      <a class="target" [routerLink]="['/log/entry', point.id]">{{ kinds[point.kind] }}</a>
                      @if (point.setAside) {
                        <span class="provenance">set aside</span>
                      }
                      @if (point.doubtful) {
                        <span class="verdict-caution">far from the line</span>
                      }
                    </td>
                    <td class="text-end text-nowrap">{{ wh(point.energyWh) }} ± {{ wh(2 * point.sigmaWh) }}</td>
                    <td class="small">{{ point.formula }}</td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
      } @else {
        <p role="status">Working it out …</p>
      }
      <h3 class="fs-5">Everything in the log with it</h3>
      <ul>
        @for (row of entries(); track row.id) {
          <li>
            <a [routerLink]="['/log/entry', row.id]">{{ row.line.kind }}</a>, {{ row.line.when }}: {{ row.line.summary }};
            {{ row.line.about }}
          </li>
        } @empty {
          <li class="list-unstyled">Nothing yet.</li>
        }
      </ul>
      <p class="usual-caution">
        A swollen, dented, hot or smelling battery is not tested: it is put outside, away from what burns, and taken to where such are
        collected.
      </p>
    } @else {
      <p>There is no such battery in the kit. <a routerLink="/log/batteries">See all</a>.</p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BatteryPage {
  /** From the address. */
  readonly id = input.required<string>();
  private readonly store = inject(Store);
  private readonly theme = inject(Theme);
  private readonly log = this.store.selectSignal(selectWholeLog);
  private readonly logged = this.store.selectSignal(selectLog);
  protected readonly kinds = OBSERVATION_KINDS;
  protected readonly when = whenOf;
  private readonly later = computedLater('log', this.log, (core, log) => core.health(log, today()));
  protected readonly battery = computed(() => {
    const body = this.log().gear.get(this.id());
    return body?.kind === 'battery' ? body : undefined;
  });
  protected readonly title = computed(() => gearTitle(this.battery()!));
  protected readonly history = computed(() => valueOf(this.later())?.batteries.find(({ batteryId }) => batteryId === this.id()));
  protected readonly used = computed(() => {
    const wh = energyNow(this.battery()!);
    return wh === undefined ? 'an unknown energy' : `${this.wh(wh)} (${energyFrom(this.battery()!)})`;
  });
  protected readonly differs = computed(() => {
    const [now, used] = [this.history()?.now?.energyWh, energyNow(this.battery()!)];
    return now !== undefined && (used === undefined || Math.abs(now / used - 1) > 0.005);
  });
  protected readonly entries = computed(() => {
    const { gear, rigs } = this.log();
    return this.logged()
      .filter(({ body }) => 'batteryId' in body && body.batteryId === this.id())
      .map(({ id, body }) => ({ id, at: body.at, line: lineOf(body, gear, rigs) }))
      .sort((a, b) => b.at.localeCompare(a.at));
  });
  protected readonly says = computed(() => {
    const history = this.history();
    return history ? sayHealth(history) : '';
  });
  protected readonly chartLabel = computed(() => `${this.title()} over time. ${this.says()}`);
  protected readonly options = computed((): ApexOptions | undefined => {
    const history = this.history();
    return history && chartOf(history.points, history.labelWh, history.now, history.trend?.perYearWh, this.theme.dark());
  });

  protected use(): void {
    const body = this.history()?.use;
    if (body) this.store.dispatch(Items.edit({ kind: 'gear', id: this.id(), body, field: 'learnt energy', at: Date.now() }));
  }

  protected wh(value: number): string {
    return formatQuantity(value, 'Wh');
  }
}

function today(): string {
  return new Date().toISOString().slice(0, 10);
}

const DAY_MS = 24 * 3600 * 1000;
const YEAR_MS = 365.25 * DAY_MS;

/** Points with their errors, the line through them to a year from now, the label and the mark below which one retires. */
function chartOf(
  points: HealthHistory['points'],
  labelWh: number | undefined,
  now: { readonly energyWh: number } | undefined,
  perYearWh: number | undefined,
  dark: boolean,
): ApexOptions {
  const { ink, series } = chartColours(dark);
  const counted = points.filter(({ setAside }) => !setAside);
  const at = Date.now();
  const first = Math.min(at, ...counted.map((point) => dayOf(point.at) * DAY_MS));
  const line =
    now && [first, at + YEAR_MS].map((x): [number, number] => [x, Math.max(0, now.energyWh + ((x - at) / YEAR_MS) * (perYearWh ?? 0))]);
  const top = Math.max(labelWh ?? 0, ...counted.map(({ energyWh, sigmaWh }) => energyWh + 2 * sigmaWh));
  const label = (text: string) => ({
    text,
    position: 'left',
    textAnchor: 'start',
    borderWidth: 0,
    style: { background: 'transparent', color: ink },
  });
  return {
    ...chartLook(dark, { type: 'line', height: 260 }),
    colors: [series[0]!, series[2]!],
    stroke: { width: [0, 2], dashArray: [0, 4] },
    markers: { size: [6, 0] },
    legend: { show: false },
    series: [
      {
        name: 'Measured',
        type: 'scatter',
        data: counted.map(({ at: day, energyWh }): [number, number] => [dayOf(day) * DAY_MS, energyWh]),
      },
      { name: 'Line through them', type: 'line', data: line ?? [] },
    ],
    xaxis: { type: 'datetime' },
    yaxis: { min: 0, max: Math.ceil(top / 10) * 10, title: { text: 'Wh when full' }, labels: { formatter: (value) => value.toFixed(0) } },
    annotations: {
      yaxis:
        labelWh === undefined
          ? []
          : [
              { y: labelWh, borderColor: ink, strokeDashArray: 2, label: label('label') },
              { y: RETIRE_SHARE * labelWh, borderColor: ink, strokeDashArray: 2, label: label(`${RETIRE_SHARE * 100} % of it`) },
            ],
    },
    tooltip: { x: { format: 'd MMM yyyy' }, y: { formatter: (value) => formatQuantity(value, 'Wh') } },
  };
}
