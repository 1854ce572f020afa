import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import type { ComponentFixture } from '@angular/core/testing';
import { inSlots } from '@viaggio/core/measure';
import type { NamedSegment } from '@viaggio/core/measure';
import type { ApexOptions } from 'apexcharts';
import { render } from '../../../testing/sheet';
import { ApexChart } from './apex-chart';
import { Theme } from '../device/theme';
import { clock, TraceChart } from './trace-chart';
import type { Span } from './trace-chart';

const segment = (fromS: number, toS: number, meanW: number): NamedSegment => ({ fromS, toS, meanW, spreadW: 0, peakW: meanW, peakMs: 0 });
/** Ten seconds at 5 W with a spike, a gap of ten, ten at 9 W. */
const timeS = Float64Array.from({ length: 200 }, (_, index) => (index < 100 ? index / 10 : 10 + index / 10));
const SLOTS = inSlots({ timeS, powerW: timeS.map((_, index) => (index === 55 ? 40 : index < 100 ? 5 : 9)) }, 0.1);

beforeEach(() => TestBed.configureTestingModule({ providers: [{ provide: Theme, useValue: { dark: () => false } }] }));

const chartOf = (fixture: ComponentFixture<TraceChart>) =>
  fixture.debugElement.query(By.directive(ApexChart)).componentInstance as ApexChart;
const show = (span: Span) =>
  render(TraceChart, { slots: SLOTS, span, segments: [segment(0, 10, 5), segment(20, 30, 9)], names: ['off', 'usual'] });
const points = (options: ApexOptions, series: number) =>
  (options.series as unknown as { data: { x: number; y: unknown }[] }[])[series]!.data;

describe('the picture of a recording', () => {
  it('loses no spike, and shows a gap as one', async () => {
    const options = chartOf(await show({ fromS: 0, toS: 30 })).options();
    const band = points(options, 0).map(({ y }) => y as [number | null, number | null]);
    expect(Math.max(...band.map(([, high]) => high ?? 0))).toBe(40);
    expect(points(options, 1).filter(({ x }) => x > 10.2 && x < 19.8).every(({ y }) => y === null)).toBe(true); // prettier-ignore
  });

  it('tells who cannot see it what it shows', async () => {
    expect(chartOf(await show({ fromS: 0, toS: 30 })).label()).toBe(
      'Watts from 0:00 to 0:30, at most 40 W. The table below tells every segment.',
    );
    expect(chartOf(await show({ fromS: 12, toS: 18 })).label()).toContain('nothing recorded');
  });

  it('bears the names of the segments that are in sight, and no others', async () => {
    const names = async (span: Span) =>
      (chartOf(await show(span)).options().annotations?.xaxis ?? []).map(({ x, label }) => [x, label?.text]);
    expect(await names({ fromS: 0, toS: 30 })).toEqual([[0, 'off'], [20, 'usual']]); // prettier-ignore
    expect(await names({ fromS: 22, toS: 30 })).toEqual([[22, 'usual']]);
  });

  it('hands on a span that was dragged out, and stays as it is until it gets another', async () => {
    const fixture = await show({ fromS: 0, toS: 30 });
    const dragged: Span[] = [];
    fixture.componentInstance.zoomed.subscribe((span) => dragged.push(span));
    const { beforeZoom } = chartOf(fixture).options().chart!.events!;
    // the chart's types forget that it answers
    const kept = (beforeZoom as (chart: object, span: object) => unknown)({}, { xaxis: { min: 3, max: 7 } });
    expect(dragged).toEqual([{ fromS: 3, toS: 7 }]);
    expect(kept).toEqual({ xaxis: { min: 0, max: 30 } });
  });

  it('says at which second it was pressed, and nothing for a press beside its axis', async () => {
    const fixture = await show({ fromS: 10, toS: 30 });
    const pressed: number[] = [];
    fixture.componentInstance.pressed.subscribe((timeS) => pressed.push(timeS));
    const grid = { getBoundingClientRect: () => ({ left: 50, right: 150, width: 100 }) };
    const target = { closest: () => ({ querySelector: () => grid }) };
    const click = chartOf(fixture).options().chart!.events!.click as (event: object) => void;
    for (const clientX of [50, 75, 150, 30, 151]) click({ target, clientX });
    expect(pressed).toEqual([10, 15, 30]);
  });

  it('has figures under the cursor, and labels for values that are none', async () => {
    const options = chartOf(await show({ fromS: 0, toS: 30 })).options();
    const custom = (dataPointIndex: number) => (options.tooltip!.custom as (at: object) => string)({ dataPointIndex });
    expect(custom(0)).toContain('5 W');
    expect(custom(150)).toContain('a gap');
    expect(custom(9999)).toContain('a gap');
    const { formatter } = (options.yaxis as { labels: { formatter: (value: unknown) => string } }).labels;
    expect([formatter(undefined), formatter(null), formatter(12.34)]).toEqual(['', '', '12']);
  });
});

describe('time from the start of a recording', () => {
  it.each([[0, '0:00'], [59.96, '1:00'], [62.5, '1:02.5'], [3723, '1:02:03']])('%d s is %s', (seconds, says) => expect(clock(seconds)).toBe(says)); // prettier-ignore
});
