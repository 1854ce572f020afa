import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { slotsView } from '@viaggio/core/measure';
import type { NamedSegment, Slots } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import type { ApexOptions } from 'apexcharts';
import { ApexChart } from './apex-chart';
import { chartColours, chartLook } from './chart-look';
import { Theme } from '../device/theme';

/** Columns of the picture: more than that nobody sees on a desk. */
const COLUMNS = 500;

/** A span of a recording, in seconds from its start. */
export interface Span {
  readonly fromS: number;
  readonly toS: number;
}

/** A recording's watts over a span of its time: the mean as a line in the band from lowest to highest, segments above it. */
@Component({
  selector: 'app-trace-chart',
  imports: [ApexChart],
  template: '<app-apex-chart [options]="options()" [label]="label()" [settleMs]="0" />',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TraceChart {
  readonly slots = input.required<Slots>();
  readonly span = input.required<Span>();
  readonly segments = input<readonly NamedSegment[]>([]);
  /** What segments are called, in their order. */
  readonly names = input<readonly string[]>([]);
  /** Which of them is open. */
  readonly chosen = input<number>();
  /** Another span that was dragged out in the picture. */
  readonly zoomed = output<Span>();
  /** Where the picture was pressed, in seconds from the start. */
  readonly pressed = output<number>();
  private readonly theme = inject(Theme);

  private readonly view = computed(() => slotsView(this.slots(), this.span().fromS, this.span().toS, COLUMNS));
  protected readonly label = computed(() => {
    const { fromS, toS } = this.span();
    const watts = this.view().columns.flatMap(({ highestW }) => (highestW === null ? [] : [highestW]));
    const highest = watts.length === 0 ? 'nothing recorded' : `at most ${formatQuantity(Math.max(...watts), 'W')}`;
    return `Watts from ${clock(fromS)} to ${clock(toS)}, ${highest}.${this.segments().length > 0 ? ' The table below tells every segment.' : ''}`;
  });

  protected readonly options = computed((): ApexOptions => {
    const { columns } = this.view();
    const { fromS, toS } = this.span();
    const dark = this.theme.dark();
    const { ink, mark, band, bandLine, series: colours } = chartColours(dark);
    const kinds = [...new Set(this.names())];
    const shown = this.segments().map((segment, index) => ({ segment, name: this.names()[index] ?? '', isOpen: index === this.chosen() }));
    return {
      ...chartLook(dark, {
        type: 'line',
        height: 320,
        toolbar: { show: false, autoSelected: 'zoom' },
        zoom: { enabled: true, type: 'x', autoScaleYaxis: false },
        events: this.events(),
      }),
      colors: [band, bandLine],
      stroke: { width: [0, 2], curve: 'straight' },
      fill: { type: 'solid', opacity: [0.7, 1] },
      legend: { show: false },
      series: [
        {
          name: 'Lowest to highest',
          type: 'rangeArea',
          data: columns.map(({ timeS, lowestW, highestW }) => ({ x: timeS, y: [lowestW, highestW] })),
        },
        { name: 'Mean', type: 'line', data: columns.map(({ timeS, meanW }) => ({ x: timeS, y: meanW })) },
      ] as ApexOptions['series'] & object,
      xaxis: {
        type: 'numeric',
        min: fromS,
        max: toS,
        tickAmount: 8,
        labels: { formatter: (value) => clock(Number(value)) },
        tooltip: { enabled: false },
      },
      yaxis: wattsAxis(Math.max(0, ...columns.map(({ highestW }) => highestW ?? 0))),
      tooltip: {
        shared: true,
        intersect: false,
        custom: ({ dataPointIndex }: { dataPointIndex: number }) => told(columns[dataPointIndex]),
      },
      annotations: {
        xaxis: shown
          .filter(({ segment }) => segment.toS > fromS && segment.fromS < toS)
          .map(({ segment, name, isOpen }) => ({
            x: Math.max(segment.fromS, fromS),
            x2: Math.min(segment.toS, toS),
            // painted by what it was: the same mode is the same colour, wherever it comes again
            fillColor: name === '' ? mark : colours[kinds.indexOf(name) % colours.length],
            ...segmentLook(isOpen, mark),
            label: { text: name, ...BESIDE_LINE, style: { background: 'transparent', color: ink } },
          })),
      },
    };
  });

  private events() {
    const { fromS, toS } = this.span();
    return {
      // the chart asks before it zooms: what it then shows is made anew from the samples
      beforeZoom: (_chart: unknown, { xaxis }: { xaxis: { min: number; max: number } }) => {
        this.zoomed.emit({ fromS: xaxis.min, toS: xaxis.max });
        return { xaxis: { min: fromS, max: toS } };
      },
      click: (event: MouseEvent) => {
        const grid = (event.target as Element).closest('svg')?.querySelector('.apexcharts-grid')?.getBoundingClientRect();
        if (grid && event.clientX >= grid.left && event.clientX <= grid.right)
          this.pressed.emit(fromS + ((event.clientX - grid.left) / grid.width) * (toS - fromS));
      },
    };
  }
}

const segmentLook = (isOpen: boolean, mark: string) => ({ opacity: isOpen ? 0.34 : 0.14, borderColor: mark, strokeDashArray: 3 });

function wattsAxis(highestW: number): NonNullable<ApexOptions['yaxis']> {
  // the chart asks for the band's values too, which are none
  const formatter = (value: number | null | undefined) => (typeof value === 'number' ? value.toFixed(highestW < 10 ? 1 : 0) : '');
  return { min: 0, title: { text: 'Watts' }, labels: { formatter } };
}

/** A name beside its line instead of along it. */
const BESIDE_LINE = { orientation: 'horizontal', textAnchor: 'start', borderWidth: 0, offsetX: 4 };

function told(column: ReturnType<typeof slotsView>['columns'][number] | undefined): string {
  if (!column || column.meanW === null) return '<div class="p-2">a gap</div>';
  const watts = (value: number | null): string => (value === null ? '' : formatQuantity(value, 'W'));
  return `<div class="p-2"><strong>${watts(column.meanW)}</strong> at ${clock(column.timeS)}<br>${watts(column.lowestW)} to ${watts(column.highestW)}</div>`;
}

/** `1:02:03`, `2:03.5`: time from the recording's start. */
export function clock(seconds: number): string {
  const tenths = Math.round(Math.max(0, seconds) * 10);
  const [hours, minutes, rest] = [Math.floor(tenths / 36_000), Math.floor((tenths % 36_000) / 600), tenths % 600];
  const second = rest % 10 === 0 ? String(rest / 10).padStart(2, '0') : (rest / 10).toFixed(1).padStart(4, '0');
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${second}` : `${minutes}:${second}`;
}
