import { ChangeDetectionStrategy, Component, DestroyRef, ElementRef, effect, inject, input } from '@angular/core';
import type ApexCharts from 'apexcharts';
import type { ApexOptions } from 'apexcharts';

/** An update takes some eighty milliseconds: it waits until a person pauses, so that the figures beside it never do. */
export const SETTLE_MS = 150;

/** A thin zoneless wrapper of ApexCharts: loads it on first use, draws once, then updates when its options change. */
@Component({
  selector: 'app-apex-chart',
  template: '',
  styles: ':host { display: block; }',
  host: { role: 'img', '[attr.aria-label]': 'label()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ApexChart {
  readonly options = input.required<ApexOptions>();
  readonly label = input.required<string>();
  /** Nothing where the person waits for the chart itself. */
  readonly settleMs = input(SETTLE_MS);

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private chart: ApexCharts | null = null;
  private destroyed = false;
  private queue: Promise<void> = Promise.resolve();
  private settling: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    effect(() => {
      const options = this.options();
      clearTimeout(this.settling);
      this.settling = setTimeout(() => (this.queue = this.queue.then(() => this.show(options))), this.chart ? this.settleMs() : 0);
    });
    inject(DestroyRef).onDestroy(() => {
      this.destroyed = true;
      clearTimeout(this.settling);
      this.queue = this.queue.then(() => this.chart?.destroy());
    });
  }

  private async show(options: ApexOptions): Promise<void> {
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
