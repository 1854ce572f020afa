import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { formatQuantity } from '@viaggio/core';
import type { Balance, RigBalance } from '@viaggio/core';

const WIDTH = 640;
const HEIGHT = 300;
const MARGIN = 56;
/** Names stand in a column of their own, so that close masses do not cover each other's. */
const NAMES_WIDTH = 170;
const LINE = 17;

/** The rig from its side, simply and to scale: masses where they sit, the centre of mass, and what holds them. */
@Component({
  selector: 'app-balance-drawing',
  template: `
    @let view = drawing();
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" width="100%" role="img" [attr.aria-label]="says()">
      <line class="ground" x1="0" [attr.x2]="width" [attr.y1]="view.plateY" [attr.y2]="view.plateY" />
      @if (view.feet; as feet) {
        <line class="foot" [attr.x1]="feet.back" [attr.x2]="feet.front" [attr.y1]="view.plateY + 14" [attr.y2]="view.plateY + 14" />
        <path class="foot" [attr.d]="'M' + feet.back + ' ' + (view.plateY + 6) + 'v16M' + feet.front + ' ' + (view.plateY + 6) + 'v16'" />
        <text [attr.x]="feet.back" [attr.y]="view.plateY + 36" text-anchor="middle">feet, back</text>
        <text [attr.x]="feet.front" [attr.y]="view.plateY + 36" text-anchor="middle">feet, front</text>
      }
      <path class="support" [attr.d]="'M' + view.middle + ' ' + view.plateY + 'l-9 16h18z'" />
      @for (part of view.parts; track part.gearId) {
        <circle class="mass" [attr.cx]="part.x" [attr.cy]="part.y" [attr.r]="part.r" />
        <path class="leader" [attr.d]="'M' + namesWidth + ' ' + (part.labelY - 4) + 'L' + part.x + ' ' + part.y" />
        <text x="8" [attr.y]="part.labelY">{{ part.label }}</text>
      }
      @if (view.centre; as centre) {
        <line class="plumb" [attr.x1]="centre.x" [attr.x2]="centre.x" [attr.y1]="centre.y" [attr.y2]="view.plateY + 26" />
        <g [attr.transform]="'translate(' + centre.x + ' ' + centre.y + ')'">
          <circle class="centre" r="9" />
          <path class="quarter" d="M0 0V-9A9 9 0 0 1 9 0ZM0 0V9A9 9 0 0 1 -9 0Z" />
        </g>
        <text class="strong" [attr.x]="centre.x" [attr.y]="view.plateY + 50" text-anchor="middle">centre of mass, {{ centre.label }}</text>
      }
      <line class="scale" [attr.x1]="width - 16 - view.barPx" [attr.x2]="width - 16" y1="12" y2="12" />
      <text [attr.x]="width - 16" y="28" text-anchor="end">{{ view.bar }}</text>
      <text x="8" [attr.y]="height - 8">← behind</text>
      <text [attr.x]="width - 16" [attr.y]="height - 8" text-anchor="end">the lens looks here →</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
    }
    text {
      font-size: 11px;
      fill: var(--bs-body-color);
      stroke: var(--bs-body-bg);
      stroke-width: 3px;
      paint-order: stroke;
      font-variant-numeric: tabular-nums;
    }
    .strong {
      font-weight: 600;
    }
    .ground {
      stroke: var(--bs-border-color);
    }
    .foot,
    .scale {
      fill: none;
      stroke: var(--bs-body-color);
      stroke-width: 2.5;
    }
    .leader {
      fill: none;
      stroke: var(--bs-secondary-color);
      stroke-width: 0.75;
    }
    .support {
      fill: var(--bs-body-color);
    }
    .mass {
      fill: var(--journey);
      fill-opacity: 0.3;
      stroke: var(--journey);
      stroke-width: 1.5;
    }
    .plumb {
      stroke: var(--stop);
      stroke-width: 1.5;
      stroke-dasharray: 5 4;
    }
    .centre {
      fill: var(--bs-body-bg);
      stroke: var(--stop);
      stroke-width: 1.5;
    }
    .quarter {
      fill: var(--stop);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BalanceDrawing {
  readonly result = input.required<RigBalance>();
  readonly setup = input.required<Balance>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly namesWidth = NAMES_WIDTH;

  protected readonly drawing = computed(() => {
    const { placed, centre } = this.result();
    const { footFrontMm, footBackMm } = this.setup();
    const feet = footFrontMm !== undefined && footBackMm !== undefined ? { front: footFrontMm, back: -footBackMm } : undefined;
    const along = [0, ...placed.map(({ alongMm }) => alongMm), ...(feet ? [feet.front, feet.back] : [])];
    const up = [0, 120, ...placed.map(({ heightMm }) => heightMm)];
    const [left, right] = [Math.min(...along), Math.max(...along)];
    const [low, high] = [Math.min(...up), Math.max(...up)];
    // one scale for both directions, or it would not be to scale
    const scale = Math.min((WIDTH - NAMES_WIDTH - 2 * MARGIN) / Math.max(right - left, 100), (HEIGHT - 110) / Math.max(high - low, 100));
    const x = (mm: number): number => (WIDTH + NAMES_WIDTH) / 2 + (mm - (left + right) / 2) * scale;
    const y = (mm: number): number => HEIGHT - 66 - (mm - low) * scale;
    const heaviest = Math.max(...placed.map(({ massG }) => massG), 1);
    const barMm = [500, 200, 100, 50, 20].find((mm) => mm * scale < 160) ?? 10;
    return {
      middle: x(0),
      plateY: y(0),
      feet: feet && { front: x(feet.front), back: x(feet.back) },
      // the highest first, so that the leaders do not cross more than they must
      parts: [...placed]
        .sort((a, b) => b.heightMm - a.heightMm || b.alongMm - a.alongMm)
        .map(({ gearId, name, massG, alongMm, heightMm }, index) => {
          const r = 6 + 20 * Math.sqrt(massG / heaviest);
          const label = `${name.length > 20 ? `${name.slice(0, 19)}…` : name}, ${formatQuantity(massG, 'g')}`;
          return { gearId, x: x(alongMm), y: y(heightMm), r, label, labelY: LINE * (index + 1) };
        }),
      centre: centre && { x: x(centre.alongMm), y: y(centre.heightMm), label: formatQuantity(centre.massG, 'g') },
      bar: formatQuantity(barMm, 'mm'),
      barPx: barMm * scale,
    };
  });

  protected readonly says = computed(() => {
    const { placed, centre } = this.result();
    if (!centre) return 'Nothing is placed yet.';
    const parts = placed.map(({ name, massG, alongMm }) => `${name}, ${formatQuantity(massG, 'g')} at ${formatQuantity(alongMm, 'mm')}`);
    return `The rig from its side: ${parts.join('; ')}. Centre of mass ${formatQuantity(centre.alongMm, 'mm')} forward of the middle.`;
  });
}
