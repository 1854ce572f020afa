import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ApexOptions } from 'apexcharts';
import type { Criteria } from '@viaggio/core/answer';
import { formatQuantity } from '@viaggio/core/units';
import { ApexChart } from '../../../charts/apex-chart';
import { chartColours, chartLook } from '../../../charts/chart-look';
import { Currency } from '../../../device/currency';
import { Theme } from '../../../device/theme';
import type { Compared } from './column';

/** Time to the first swap against mass, the size of each dot by its price. What has no end stands in the table only. */
@Component({
  selector: 'app-approaches-chart',
  imports: [ApexChart],
  template: `
    @if (dots().length > 0) {
      <app-apex-chart [options]="options()" [label]="label()" />
    }
    @if (unweighed().length > 0) {
      <p class="small text-body-secondary mb-0">Of unknown mass, and so not drawn: {{ unweighed().join(', ') }}.</p>
    }
    @if (endless().length > 0) {
      <p class="small text-body-secondary mb-0">Without an end, and so not drawn: {{ endless().join(', ') }}.</p>
    }
  `,
  styles: ':host { display: block; min-height: 320px; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ApproachesChart {
  readonly columns = input.required<readonly Compared[]>();
  private readonly theme = inject(Theme);
  private readonly currency = inject(Currency);
  protected readonly dots = computed(() =>
    this.columns().flatMap(({ title, criteria }) => {
      const { unlimited, firstStopMin, massOnG, massOffG, price } = criteria;
      return unlimited || firstStopMin === undefined || isUnweighed(criteria)
        ? []
        : [{ title, minutes: firstStopMin, massG: massOnG + massOffG, price }];
    }),
  );
  protected readonly endless = computed(() =>
    this.columns()
      .filter(({ criteria }) => criteria.unlimited)
      .map(({ title }) => title),
  );
  protected readonly unweighed = computed(() =>
    this.columns()
      .filter(({ criteria }) => !criteria.unlimited && isUnweighed(criteria))
      .map(({ title }) => title),
  );
  protected readonly label = computed(
    () =>
      `Time to the first swap against mass, size by price: ${this.dots()
        .map(
          ({ title, minutes, massG, price }) =>
            `${title} ${formatQuantity(minutes, 'min')}, ${formatQuantity(massG, 'g')}, ${this.currency.say(price)}`,
        )
        .join('; ')}.`,
  );
  protected readonly options = computed((): ApexOptions => {
    const dark = this.theme.dark();
    const dots = this.dots();
    // the rig as it is comes first, in the page's own ink
    const colours = chartColours(dark);
    const colors = [colours.ink, ...colours.series];
    const heaviest = Math.max(...dots.map(({ massG }) => massG), 100) / 1000;
    const longest = Math.max(...dots.map(({ minutes }) => minutes), 60) / 60;
    return {
      ...chartLook(dark, {
        type: 'bubble',
        height: 320,
      }),
      colors,
      dataLabels: { enabled: false },
      // dots lie upon each other: what is below shows through, and each has a rim
      fill: { opacity: 0.45 },
      markers: { strokeWidth: 2, strokeColors: colors, strokeOpacity: 1 },
      legend: { position: 'right' },
      plotOptions: { bubble: { minBubbleRadius: 6, maxBubbleRadius: 26 } },
      series: dots.map(({ title, minutes, massG, price }) => ({ name: title, data: [[massG / 1000, minutes / 60, Math.max(price, 1)]] })),
      xaxis: {
        type: 'numeric',
        min: 0,
        max: Math.ceil(heaviest * 1.15 * 2) / 2,
        tickAmount: 6,
        title: { text: 'Mass of the feed, kg' },
        labels: { formatter: (value) => Number(value).toFixed(1) },
      },
      yaxis: {
        min: 0,
        max: Math.ceil(longest * 1.15),
        tickAmount: 5,
        title: { text: 'Hours to the first swap' },
        labels: { formatter: (value) => value.toFixed(1) },
      },
      tooltip: {
        x: { formatter: (value) => `${value.toFixed(2)} kg` },
        y: { formatter: (value) => formatQuantity(value * 60, 'min') },
        z: { title: 'price: ', formatter: (value) => this.currency.say(value) },
      },
      responsive: [{ breakpoint: 700, options: { legend: { position: 'bottom' } } }],
    };
  });
}

function isUnweighed({ massOnUnknown, massOffUnknown }: Criteria): boolean {
  return massOnUnknown.length + massOffUnknown.length > 0;
}
