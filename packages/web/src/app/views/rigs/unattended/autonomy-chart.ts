import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { DayAlone } from '@viaggio/core/answer';
import type { Unattended } from '@viaggio/core/gear';
import type { ApexOptions } from 'apexcharts';
import { ApexChart } from '../../../charts/apex-chart';
import { chartColours, chartLook } from '../../../charts/chart-look';
import { Theme } from '../../../device/theme';
import { dayOf } from './frames-words';

/** Charge at the end of every day, with the sun as it is on average, and with the dull spell where it hurts most. */
@Component({
  selector: 'app-autonomy-chart',
  imports: [ApexChart],
  template: `<app-apex-chart [options]="options()" [label]="label()" />`,
  styles: ':host { display: block; min-height: 240px; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AutonomyChart {
  readonly days = input.required<readonly DayAlone[]>();
  readonly said = input.required<Unattended>();
  readonly reserve = input.required<number>();
  private readonly theme = inject(Theme);

  protected readonly label = computed(() => {
    const lowest = Math.min(...this.days().map(({ dullCharge }) => dullCharge));
    return `Charge over ${this.days().length} days; the lowest is ${Math.round(100 * lowest)} per cent.`;
  });
  protected readonly options = computed((): ApexOptions => {
    const dark = this.theme.dark();
    const { ink, series: colors } = chartColours(dark);
    const hasSpell = (this.said().dullDays ?? 0) > 0;
    const series = (of: (day: DayAlone) => number) => this.days().map((one) => ({ x: one.day + 1, y: Math.round(1000 * of(one)) / 10 }));
    return {
      ...chartLook(dark, {
        type: 'line',
        height: 240,
      }),
      colors: colors.slice(0, 2),
      stroke: { width: [2.5, 2.5], dashArray: [0, 6], curve: 'straight' },
      legend: { show: hasSpell, position: 'top', horizontalAlign: 'left', showForSingleSeries: true },
      series: [
        { name: 'Average sun', data: series(({ charge }) => charge) },
        ...(hasSpell ? [{ name: 'With the dull spell', data: series(({ dullCharge }) => dullCharge) }] : []),
      ],
      xaxis: {
        type: 'numeric',
        min: 1,
        max: Math.max(2, this.days().length),
        tickAmount: Math.min(10, Math.max(1, this.days().length - 1)),
        labels: {
          formatter: (value) =>
            dayOf(this.said(), Math.round(Number(value)) - 1).replace(/^, \w+ /, '') || `day ${Math.round(Number(value))}`,
        },
        tooltip: { enabled: false },
      },
      yaxis: { min: 0, max: 100, tickAmount: 4, labels: { formatter: (value: number) => `${Math.round(value)} %` } },
      annotations: {
        yaxis: [
          {
            y: 100 * this.reserve(),
            borderColor: ink,
            strokeDashArray: 3,
            label: { text: 'reserve', borderWidth: 0, style: { color: ink, background: 'transparent' } },
          },
        ],
      },
      tooltip: { enabled: false },
    };
  });
}
