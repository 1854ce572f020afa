import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, input, viewChild } from '@angular/core';
import { formatQuantity } from '@viaggio/core/units';

const MOST_DRAWN = 12;

/** A pack as it is built: groups in series from minus up, cells side by side, taps of the balance lead, board and fuse. */
@Component({
  selector: 'app-pack-drawing',
  template: `
    <svg
      #svg
      [attr.viewBox]="'0 0 ' + width() + ' 210'"
      role="img"
      [attr.aria-label]="series() + ' groups in series of ' + parallel() + ' cells, with a tap between each'"
    >
      <path class="minus" d="M14 96H40" />
      @for (group of groups(); track group.x) {
        <rect class="group" [attr.x]="group.x" y="44" width="52" height="104" rx="6" />
        @for (cell of cells(); track cell) {
          <rect class="cell" [attr.x]="group.x + 10" [attr.y]="52 + cell * cellRoom()" width="32" [attr.height]="cellRoom() - 4" rx="4" />
        }
        <path class="tap" [attr.d]="'M' + (group.x + 60) + ' 96V168'" />
        <circle class="dot" [attr.cx]="group.x + 60" cy="168" r="4" />
        <text [attr.x]="group.x + 60" y="186" text-anchor="middle">{{ group.tap }}</text>
        <path class="bar" [attr.d]="'M' + (group.x + 52) + ' 96h16'" />
      }
      <path class="tap" d="M32 96V168" />
      <circle class="dot" cx="32" cy="168" r="4" />
      <text x="32" y="186" text-anchor="middle">0 V</text>
      <rect class="board" [attr.x]="end()" y="60" width="72" height="72" rx="6" />
      <text [attr.x]="end() + 36" y="92" text-anchor="middle" class="word">board</text>
      <text [attr.x]="end() + 36" y="110" text-anchor="middle" class="word">{{ series() }} in series</text>
      <rect class="fuse" [attr.x]="end() + 84" y="84" width="62" height="24" rx="5" />
      <text [attr.x]="end() + 115" y="101" text-anchor="middle">{{ fuse() }}</text>
      <path class="plus" [attr.d]="'M' + (end() + 72) + ' 96h12M' + (end() + 146) + ' 96h22'" />
      <text [attr.x]="end() + 172" y="103" class="sign">+</text>
      <text x="2" y="103" class="sign">−</text>
      <text x="40" y="30" class="word">
        {{ series() }} in series, {{ parallel() }} side by side{{ series() > groups().length ? ', the first drawn' : '' }}; balance lead
        with {{ series() + 1 }} wires, from minus up
      </text>
    </svg>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    svg {
      width: 100%;
      min-width: 24rem;
      max-height: 16rem;
    }
    .group {
      fill: var(--bs-tertiary-bg);
      stroke: var(--bs-border-color);
    }
    .cell {
      fill: var(--charge);
      stroke: var(--chart-ink);
    }
    .board {
      fill: var(--journey-soft);
      stroke: var(--journey);
    }
    .fuse {
      fill: var(--bs-body-bg);
      stroke: var(--stop);
      stroke-width: 2;
    }
    .tap {
      stroke: var(--chart-mark);
      stroke-width: 2;
      fill: none;
    }
    .bar,
    .plus {
      stroke: var(--stop);
      stroke-width: 5;
      fill: none;
    }
    .minus {
      stroke: var(--bs-body-color);
      stroke-width: 5;
    }
    .dot {
      fill: var(--chart-ink);
    }
    text {
      fill: var(--bs-body-color);
      font-size: 12px;
    }
    .sign {
      font-size: 22px;
      font-weight: 700;
    }
    .word {
      fill: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PackDrawing {
  readonly series = input.required<number>();
  readonly parallel = input.required<number>();
  readonly nominalV = input.required<number>();
  readonly fuse = input.required<string>();
  private readonly drawn = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  protected readonly groups = computed(() =>
    Array.from({ length: Math.min(MOST_DRAWN, this.series()) }, (_, at) => ({
      x: 40 + 68 * at,
      tap: formatQuantity(((at + 1) * this.nominalV()) / this.series(), 'V'),
    })),
  );
  protected readonly cells = computed(() => Array.from({ length: Math.min(8, this.parallel()) }, (_, at) => at));
  protected readonly cellRoom = computed(() => 92 / this.cells().length);
  protected readonly end = computed(() => 40 + 68 * this.groups().length + 8);
  protected readonly width = computed(() => this.end() + 196);

  svg(): SVGSVGElement {
    return this.drawn().nativeElement;
  }
}
