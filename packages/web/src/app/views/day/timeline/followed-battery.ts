import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { sourceName } from '@viaggio/core/day';
import { gearTitle } from '@viaggio/core/gear';
import type { ApexOptions } from 'apexcharts';
import { ApexChart } from '../../../charts/apex-chart';
import { chartColours, chartLook } from '../../../charts/chart-look';
import { Theme } from '../../../device/theme';
import { DaySheet } from '../sheet/day-sheet';
import { percent, time } from '../../../parts/timeline/say-moment';

/** Points of the plain curve, evenly in time: more than a chart of this size shows. */
const POINTS = 240;

/** One battery through the whole day: its charge with the band of eight runs in ten, and where it is when. */
@Component({
  selector: 'app-followed-battery',
  imports: [ApexChart, RouterLink],
  template: `
    @if (shown(); as battery) {
      <section class="panel" [attr.aria-label]="'Through the day: ' + battery.title">
        <div class="d-flex align-items-start gap-2">
          <h2 class="fs-6 me-auto mb-1">
            <a [routerLink]="['/log/batteries', battery.id]">{{ battery.title }}</a> through the day
          </h2>
          <button type="button" class="btn-close" aria-label="Close" (click)="sheet.followed.set(undefined)"></button>
        </div>
        <app-apex-chart [options]="options()" [label]="battery.title + ', charge over the day. The list under it tells the same.'" />
        <ol class="small mb-0">
          @for (stay of battery.stays; track $index) {
            <li>{{ stay }}</li>
          } @empty {
            <li>It stays where it is.</li>
          }
        </ol>
      </section>
    }
  `,
  styles: `
    .panel {
      padding: 0.75rem 1rem;
      margin-bottom: 1rem;
      border: 1px solid var(--bs-border-color);
      border-radius: 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FollowedBattery {
  protected readonly sheet = inject(DaySheet);
  private readonly theme = inject(Theme);

  protected readonly shown = computed(() => {
    const [id, day, run] = [this.sheet.followed(), this.sheet.day(), this.sheet.outlook()?.run];
    if (id === undefined || !day || !run) return undefined;
    const gear = this.sheet.gear().get(id);
    const rigs = run.stays
      .filter(({ batteryId }) => batteryId === id)
      .map(({ rigId, fromMin, toMin, fromCharge, toCharge }) => ({
        fromMin,
        toMin,
        fromCharge,
        toCharge,
        where: this.sheet.rigs().get(rigId)?.name ?? '?',
      }));
    const chargers = run.filled
      .filter(({ charge }) => charge.batteryId === id)
      .map(({ charge, fromCharge, toCharge }) => ({
        fromMin: charge.fromMin,
        toMin: charge.toMin,
        fromCharge,
        toCharge,
        where: this.sheet.gear().get(charge.chargerId)?.name ?? '?',
      }));
    const stays = [...rigs, ...chargers]
      .sort((a, b) => a.fromMin - b.fromMin)
      .map(
        (stay) =>
          `${time(day, stay.fromMin)} to ${time(day, stay.toMin)}: ${stay.where}, ${percent(stay.fromCharge)} to ${percent(stay.toCharge)}`,
      );
    return { id, title: gear ? gearTitle(gear) : sourceName(id, this.sheet.gear()), stays };
  });

  protected readonly options = computed((): ApexOptions => {
    const [id, day] = [this.sheet.followed() ?? '', this.sheet.day()!];
    const dark = this.theme.dark();
    const { band, bandLine } = chartColours(dark);
    const points = this.sheet.outlook()?.run.charge.get(id) ?? [];
    const bands = this.sheet.chances()?.bands.get(id) ?? [];
    const fromMin = Math.min(day.startsAt ?? 0, ...day.blocks.map((block) => block.fromMin));
    const toMin = Math.max(...day.blocks.map((block) => block.toMin), fromMin + 60);
    const at = (minute: number): number => {
      const next = points.findIndex((point) => point.minute >= minute);
      const [before, after] = [points[Math.max(0, next - 1)], points[next === -1 ? points.length - 1 : next]];
      if (!before || !after || after.minute <= before.minute || next === -1) return (after ?? before)?.charge ?? 0;
      return before.charge + ((minute - before.minute) / (after.minute - before.minute)) * (after.charge - before.charge);
    };
    const minutes = Array.from({ length: POINTS + 1 }, (_, index) => fromMin + (index * (toMin - fromMin)) / POINTS);
    return {
      ...chartLook(dark, {
        type: 'line',
        height: 200,
      }),
      colors: [band, bandLine],
      stroke: { width: [0, 2], curve: 'straight' },
      fill: { type: 'solid', opacity: [0.7, 1] },
      legend: { show: false },
      series: [
        {
          name: 'Eight runs in ten',
          type: 'rangeArea',
          data: bands
            .filter(({ minute }) => minute >= fromMin && minute <= toMin)
            .map(({ minute, p10, p90 }) => ({ x: minute, y: [100 * p10, 100 * p90] })),
        },
        { name: 'As planned', type: 'line', data: minutes.map((minute) => ({ x: minute, y: 100 * at(minute) })) },
      ] as ApexOptions['series'] & object,
      xaxis: {
        type: 'numeric',
        min: fromMin,
        max: toMin,
        tickAmount: 10,
        labels: { formatter: (value) => time(day, Number(value)) },
        tooltip: { enabled: false },
      },
      yaxis: {
        min: 0,
        max: 100,
        tickAmount: 4,
        labels: { formatter: (value: number | null | undefined) => (typeof value === 'number' ? `${Math.round(value)} %` : '') },
      },
      tooltip: { enabled: false },
    };
  });
}
