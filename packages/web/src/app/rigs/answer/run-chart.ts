import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ApexOptions } from 'apexcharts';
import { formatDuration, formatQuantity } from '@viaggio/core';
import type { Discharge, Station } from '@viaggio/core';
import { ApexChart } from '../../shared/apex-chart';
import { Theme } from '../../shared/theme';

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

  private readonly theme = inject(Theme);

  protected readonly label = computed(() => {
    const { run } = { run: this.run() };
    const [first, last] = [run.trace[0], run.trace.at(-1)];
    const volts = (point: typeof first) => formatQuantity(deviceVolts(point) ?? 0, 'V');
    return `Over ${formatDuration(run.minutes)} the charge falls to ${formatQuantity(run.endSoc, 'fraction')}; at the device ${volts(first)} at the start, ${volts(last)} at the end.`;
  });

  protected readonly options = computed((): ApexOptions => {
    const run = this.run();
    const { highV, lowV } = this.device();
    const dark = this.theme.dark();
    const ink = dark ? '#d8d5cd' : '#33302a';
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
    const series = (pick: (point: (typeof points)[number]) => number | null) =>
      points.map((point) => [point.minute, pick(point)] as [number, number | null]);
    return {
      chart: {
        type: 'line',
        height: 280,
        animations: { enabled: false },
        toolbar: { show: false },
        zoom: { enabled: false },
        foreColor: ink,
        fontFamily: 'inherit',
        background: 'transparent',
      },
      theme: { mode: dark ? 'dark' : 'light' },
      colors: dark ? ['#7fb3a8', '#f2c14e', '#b09bd8'] : ['#2f7266', '#9a6200', '#6a4fa3'],
      stroke: { width: [2.5, 2.5, 1.5], dashArray: [0, 0, 5], curve: 'straight' },
      grid: { borderColor: dark ? '#3a3a38' : '#ddd5c5' },
      legend: { position: 'top', horizontalAlign: 'left' },
      series: [
        { name: 'Charge', data: series(({ charge }) => charge) },
        { name: 'At the device', data: series(({ device }) => device) },
        { name: 'At the battery', data: series(({ pack }) => pack) },
      ],
      xaxis: {
        type: 'numeric',
        min: 0,
        max: Math.max(run.minutes, 1),
        tickAmount: 6,
        labels: { formatter: (value) => formatDuration(Number(value)) },
      },
      yaxis: [
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
          min: Math.max(0, Math.floor(bottom - 0.5)),
          max: Math.ceil(top + 0.5),
          title: { text: 'Volts' },
          labels: { formatter: (value) => value.toFixed(1) },
        },
        { seriesName: 'At the device', show: false, min: Math.max(0, Math.floor(bottom - 0.5)), max: Math.ceil(top + 0.5) },
      ],
      tooltip: {
        x: { formatter: (value) => formatDuration(value) },
        y: {
          formatter: (value, { seriesIndex }) =>
            formatQuantity(seriesIndex === 0 ? value / 100 : value, seriesIndex === 0 ? 'fraction' : 'V'),
        },
      },
      annotations: {
        yaxis: [
          ...(highV === undefined ? [] : [limit(highV, `highest ${formatQuantity(highV, 'V')}`, ink)]),
          ...(lowV === undefined ? [] : [limit(lowV, `lowest ${formatQuantity(lowV, 'V')}`, ink)]),
        ],
      },
    };
  });
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

function deviceVolts(point: Discharge['trace'][number] | undefined): number | undefined {
  return point?.feeds.find(({ loadV }) => loadV !== undefined)?.loadV;
}
