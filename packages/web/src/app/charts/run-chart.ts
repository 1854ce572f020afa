import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ApexOptions } from 'apexcharts';
import type { Discharge, Station } from '@viaggio/core/answer';
import { formatDuration, formatQuantity } from '@viaggio/core/units';
import { ApexChart } from './apex-chart';
import { chartColours, chartLook } from './chart-look';
import { Theme } from '../device/theme';

/** Charge and voltage over the run, with the device's limits drawn in. */
@Component({
  selector: 'app-run-chart',
  imports: [ApexChart],
  template: `<app-apex-chart [options]="options()" [label]="label()" />`,
  styles: ':host { display: block; min-height: 280px; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunChart {
  readonly run = input.required<Discharge>();
  readonly device = input.required<Station>();
  /** Minutes to mark: with the reserve kept, and as asked for. */
  readonly plannedMin = input<number | undefined>();
  readonly wantedMin = input<number | undefined>();

  private readonly theme = inject(Theme);

  protected readonly label = computed(() => {
    const run = this.run();
    const [first, last] = [run.trace[0], run.trace.at(-1)];
    const volts = (point: typeof first) => formatQuantity(deviceVolts(point) ?? 0, 'V');
    return `Over ${formatDuration(run.minutes)} the charge falls to ${formatQuantity(run.endSoc, 'fraction')}; at the device ${volts(first)} at the start, ${volts(last)} at the end.`;
  });

  protected readonly options = computed((): ApexOptions => {
    const run = this.run();
    const { highV, lowV } = this.device();
    const dark = this.theme.dark();
    const { ink, series: colors } = chartColours(dark);
    const points = run.trace.map((point) => ({
      minute: point.minute,
      charge: point.soc * 100,
      device: deviceVolts(point) ?? null,
      pack: point.packV,
    }));
    const volts = points.flatMap(({ device, pack }) => [device ?? pack, pack]);
    const limits = [highV, lowV].filter((value) => value !== undefined);
    const top = Math.max(...volts, ...limits);
    const bottom = Math.min(...volts, ...limits);
    const hours = nice(run.minutes, STEPS_MIN);
    const lowest = Math.max(0, Math.floor(bottom - 0.5));
    const range = nice(top + 0.5 - lowest, STEPS_V);
    const scale = { min: lowest, max: lowest + range.step * range.ticks, tickAmount: range.ticks };
    const series = (pick: (point: (typeof points)[number]) => number | null) =>
      points.map((point) => [point.minute, pick(point)] as [number, number | null]);
    return {
      ...chartLook(dark, {
        type: 'line',
        height: 280,
      }),
      colors: colors.slice(0, 3),
      stroke: { width: [2.5, 2.5, 1.5], dashArray: [0, 0, 5], curve: 'straight' },
      legend: { position: 'top', horizontalAlign: 'left', itemMargin: { horizontal: 10 }, clusterGroupedSeries: false },
      series: [
        { name: 'Charge', data: series(({ charge }) => charge) },
        { name: 'At the device', data: series(({ device }) => device) },
        { name: 'At the battery', data: series(({ pack }) => pack) },
      ],
      xaxis: {
        type: 'numeric',
        min: 0,
        max: hours.step * hours.ticks,
        tickAmount: hours.ticks,
        labels: { formatter: (value) => formatDuration(Number(value)) },
      },
      yaxis: axes(scale),
      tooltip: {
        x: { formatter: (value) => formatDuration(value) },
        y: {
          formatter: (value, { seriesIndex }) =>
            formatQuantity(seriesIndex === 0 ? value / 100 : value, seriesIndex === 0 ? 'fraction' : 'V'),
        },
      },
      annotations: {
        xaxis: [...moment(this.plannedMin(), 'plan', ink, run.minutes), ...moment(this.wantedMin(), 'asked for', ink, run.minutes)],
        yaxis: [
          ...(highV === undefined ? [] : [limit(highV, `highest ${formatQuantity(highV, 'V')}`, ink)]),
          ...(lowV === undefined ? [] : [limit(lowV, `lowest ${formatQuantity(lowV, 'V')}`, ink)]),
        ],
      },
    };
  });
}

/** Per cent on the left, volts on the right, those of the battery by the same scale. */
function axes(scale: { readonly min: number; readonly max: number; readonly tickAmount: number }): NonNullable<ApexOptions['yaxis']> {
  return [
    {
      seriesName: 'Charge',
      min: 0,
      max: 100,
      tickAmount: 5,
      title: { text: 'Charge, %' },
      labels: { formatter: (value) => value.toFixed(0) },
    },
    {
      seriesName: 'At the device',
      opposite: true,
      ...scale,
      title: { text: 'Volts' },
      labels: { formatter: (value) => value.toFixed(1) },
    },
    { seriesName: 'At the device', show: false, ...scale },
  ];
}

const STEPS_MIN = [1, 2, 5, 10, 15, 30, 60, 120, 240, 480, 1440];
const STEPS_V = [0.2, 0.5, 1, 2, 5, 10];

/** The smallest round step that covers a span with at most eight ticks. */
function nice(span: number, steps: readonly number[]): { readonly step: number; readonly ticks: number } {
  const step = steps.find((candidate) => span / candidate <= 8) ?? Math.ceil(span / 8);
  return { step, ticks: Math.max(1, Math.ceil(span / step)) };
}

function limit(voltageV: number, text: string, ink: string): YAxisAnnotations {
  return {
    y: voltageV,
    yAxisIndex: 1,
    borderColor: ink,
    strokeDashArray: 2,
    label: { text, position: 'left', textAnchor: 'start', borderWidth: 0, style: { background: 'transparent', color: ink } },
  };
}

function moment(minute: number | undefined, text: string, ink: string, last: number): XAxisAnnotations[] {
  if (minute === undefined || minute > last) return [];
  const label = { text, borderWidth: 0, orientation: 'vertical', style: { background: 'transparent', color: ink } };
  return [{ x: minute, borderColor: ink, strokeDashArray: 0, label }];
}

function deviceVolts(point: Discharge['trace'][number] | undefined): number | undefined {
  return point?.feeds.find(({ loadV }) => loadV !== undefined)?.loadV;
}
