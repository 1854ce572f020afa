import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** A point of a small chart: when, as a number that grows, and how much, from 0 to 1 and a little above. */
export interface SparkPoint {
  readonly at: number;
  readonly share: number;
  /** It is not counted. */
  readonly aside?: boolean;
}

const [WIDTH, HEIGHT, EDGE] = [96, 24, 3];

/** A course in a line of a list: points and the line through those that count. The words beside it tell the same. */
@Component({
  selector: 'app-spark',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" aria-hidden="true" focusable="false">
      @if (limit() !== undefined) {
        <line class="limit" x1="0" [attr.x2]="width" [attr.y1]="y(limit()!)" [attr.y2]="y(limit()!)" />
      }
      <polyline [attr.points]="line()" />
      @for (point of placed(); track $index) {
        <circle r="2.2" [class.aside]="point.aside" [attr.cx]="point.x" [attr.cy]="point.y" />
      }
    </svg>
  `,
  styles: `
    svg {
      width: 6rem;
      height: 1.5rem;
      overflow: visible;
    }
    polyline {
      fill: none;
      stroke: var(--journey);
      stroke-width: 1.5;
    }
    circle {
      fill: var(--journey);
    }
    .aside {
      fill: none;
      stroke: var(--bs-secondary-color);
    }
    .limit {
      stroke: var(--caution);
      stroke-dasharray: 2 3;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Spark {
  readonly points = input.required<readonly SparkPoint[]>();
  /** A share that it is held against. */
  readonly limit = input<number | undefined>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly placed = computed(() => {
    const all = this.points();
    const [from, to] = [Math.min(...all.map(({ at }) => at)), Math.max(...all.map(({ at }) => at))];
    const x = (at: number): number => (to === from ? WIDTH / 2 : EDGE + ((at - from) / (to - from)) * (WIDTH - 2 * EDGE));
    return all.map(({ at, share, aside }) => ({ x: x(at), y: this.y(share), aside: aside === true }));
  });
  protected readonly line = computed(() =>
    this.placed()
      .filter(({ aside }) => !aside)
      .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
      .join(' '),
  );

  protected readonly y = (share: number): number => HEIGHT - EDGE - Math.max(0, Math.min(1.1, share)) * ((HEIGHT - 2 * EDGE) / 1.1);
}
