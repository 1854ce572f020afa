import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { DrawRow } from '@viaggio/core/measure';

/** The largest of what is counted alike, learnt with its error: draws are compared by eye on one scale. */
export function scaleOfDraws(rows: readonly DrawRow[]): Readonly<Record<DrawRow['of'], number>> {
  const most = { draw: 0, shot: 0, frame: 0 };
  for (const { of, now, learnt } of rows) most[of] = Math.max(most[of], now?.value ?? 0, learnt ? learnt.meanW + 2 * learnt.sigmaW : 0);
  return most;
}

/** What was learnt as a range, what plans use as a mark. */
@Component({
  selector: 'app-draw-scale',
  template: `
    @if (range(); as range) {
      <span class="range" [style.left.%]="range.from" [style.width.%]="range.width"></span>
    }
    @if (now() !== undefined) {
      <span class="mark" [class.from-meter]="row().now?.learnt" [style.left.%]="now()"></span>
    }
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      height: 0.7rem;
      background: var(--raised);
      border-radius: 0.3rem;
    }
    .range {
      position: absolute;
      inset-block: 0;
      background: var(--journey);
      border-radius: 0.3rem;
    }
    .mark {
      position: absolute;
      inset-block: -0.2rem;
      width: 3px;
      background: var(--caution);
    }
    .mark.from-meter {
      background: var(--bs-body-color);
    }
  `,
  host: { 'aria-hidden': 'true' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawScale {
  readonly row = input.required<Pick<DrawRow, 'of' | 'now' | 'learnt'>>();
  readonly most = input.required<Readonly<Record<DrawRow['of'], number>>>();
  protected readonly now = computed(() => {
    const { now } = this.row();
    return now && this.share(now.value);
  });
  protected readonly range = computed(() => {
    const { learnt } = this.row();
    if (!learnt) return undefined;
    const [low, high] = [this.share(Math.max(0, learnt.meanW - 2 * learnt.sigmaW)), this.share(learnt.meanW + 2 * learnt.sigmaW)];
    // a range that is too narrow to be seen is still drawn
    return { from: low, width: Math.max(0.8, high - low) };
  });

  private share(value: number): number {
    return (100 * value) / Math.max(this.most()[this.row().of], 1e-9);
  }
}
