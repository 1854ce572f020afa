import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, effect, inject, input, signal } from '@angular/core';
import type ApexCharts from 'apexcharts';
import type { ApexOptions } from 'apexcharts';

/** An update takes some eighty milliseconds: it waits until a person pauses, so that the figures beside it never do. */
export const SETTLE_MS = 150;

/** A thin zoneless wrapper of ApexCharts: loads it on first use, draws once, then updates when its options change. */
@Component({
  selector: 'app-apex-chart',
  template: '',
  styles: ':host { display: block; }',
  host: { role: 'img', '[attr.aria-label]': 'label()', '[attr.aria-busy]': 'drawing()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ApexChart {
  readonly options = input.required<ApexOptions>();
  readonly label = input.required<string>();
  /** Nothing where the person waits for the chart itself. */
  readonly settleMs = input(SETTLE_MS);

  /** While it is drawn a chart takes neither pointer nor key. */
  protected readonly drawing = signal(true);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private chart: ApexCharts | null = null;
  private destroyed = false;
  private queue: Promise<void> = Promise.resolve();
  private asked = 0;
  private settling: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    effect(() => {
      const options = this.options();
      this.drawing.set(true);
      clearTimeout(this.settling);
      ++this.asked;
      this.settling = setTimeout(() => (this.queue = this.queue.then(() => this.show(options))), this.chart ? this.settleMs() : 0);
    });
    inject(DestroyRef).onDestroy(() => {
      this.destroyed = true;
      clearTimeout(this.settling);
      this.queue = this.queue.then(() => this.chart?.destroy());
    });
  }

  private async show(options: ApexOptions): Promise<void> {
    const asked = this.asked;
    await this.draw(options);
    if (asked === this.asked) this.drawing.set(false);
  }

  private async draw(options: ApexOptions): Promise<void> {
    if (this.destroyed) return;
    if (this.chart) {
      await this.chart.updateOptions(options, false, false);
      return;
    }
    const { default: Apex } = await import('apexcharts');
    if (this.destroyed) return;
    this.chart = new Apex(this.host, options);
    await this.chart.render();
  }
}
