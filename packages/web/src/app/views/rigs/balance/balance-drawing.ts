import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Balance, Gear, RigBalance } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { drawnPath } from '../../../parts/gear/gear-drawing';
import { ownWidth } from '../../../device/own-width';
import { labelsBeside } from './labels-beside';

/** At most; less where the rig is flat. */
const HEIGHT = 360;
/** On each side, so that a label can stand there. */
const MARGIN = 120;
/** Room below the plate for feet, plumb line and words. */
const BELOW = 84;
const ABOVE = 48;
const [NARROW, LINE] = [480, 15];
/** A drawing is a square of so many units, of which its thing fills about the middle. */
const [SQUARE, FILLED] = [24, 16];
/** How far it reaches from the middle at most, of the square. */
const REACH = 0.42;
/** Grams in a cubic centimetre, about: cells are packed, bodies are mostly air. They judge how large a mass is drawn. */
const DENSITY: Readonly<Partial<Record<Gear['kind'], number>>> = { battery: 1.9, device: 0.8 };
const OTHER_DENSITY = 1.2;
/** Of a letter of the labels. */
const LETTER_PX = 6.1;

/** The rig from its side, simply and to scale: masses where they sit, the centre of mass, and what holds them. */
@Component({
  selector: 'app-balance-drawing',
  template: `
    @let view = drawing();
    <svg [attr.viewBox]="'0 0 ' + width() + ' ' + view.height" width="100%" role="img" [attr.aria-label]="says()">
      <line class="ground" x1="0" [attr.x2]="width()" [attr.y1]="view.plateY" [attr.y2]="view.plateY" />
      @if (view.feet; as feet) {
        <line class="foot" [attr.x1]="feet.back" [attr.x2]="feet.front" [attr.y1]="view.plateY + 14" [attr.y2]="view.plateY + 14" />
        <path class="foot" [attr.d]="'M' + feet.back + ' ' + (view.plateY + 6) + 'v16M' + feet.front + ' ' + (view.plateY + 6) + 'v16'" />
        <text [attr.x]="feet.back" [attr.y]="view.plateY + 36" text-anchor="middle">feet, back</text>
        <text [attr.x]="feet.front" [attr.y]="view.plateY + 36" text-anchor="middle">feet, front</text>
      }
      <path class="support" [attr.d]="'M' + view.middle + ' ' + view.plateY + 'l-9 16h18z'" />
      @for (part of view.parts; track part.gearId) {
        <path class="mass" [attr.d]="part.path" [attr.transform]="part.transform" />
      }
      @for (part of view.parts; track part.gearId) {
        @if (part.leader; as leader) {
          <path class="leader" [attr.d]="leader" />
        }
        <text [attr.x]="part.label.x" [attr.y]="part.label.y + 4">{{ part.says }}</text>
      }
      @if (view.centre; as centre) {
        <line class="plumb" [attr.x1]="centre.x" [attr.x2]="centre.x" [attr.y1]="centre.y" [attr.y2]="view.plateY + 26" />
        <g [attr.transform]="'translate(' + centre.x + ' ' + centre.y + ')'">
          <circle class="centre" r="9" />
          <path class="quarter" d="M0 0V-9A9 9 0 0 1 9 0ZM0 0V9A9 9 0 0 1 -9 0Z" />
        </g>
        <text class="strong" [attr.x]="centre.x" [attr.y]="view.plateY + 50" text-anchor="middle">centre of mass, {{ centre.label }}</text>
      }
      <line class="scale" [attr.x1]="width() - 16 - view.barPx" [attr.x2]="width() - 16" y1="12" y2="12" />
      <text [attr.x]="width() - 16" y="28" text-anchor="end">{{ view.bar }}</text>
      <text x="8" [attr.y]="view.height - 8">← behind</text>
      <text [attr.x]="width() - 16" [attr.y]="view.height - 8" text-anchor="end">the lens looks here →</text>
    </svg>
    <p class="note">Places are to scale; how large a piece is drawn is judged from its mass.</p>
  `,
  styles: `
    :host {
      display: block;
    }
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
    .note {
      font-size: var(--type-small);
      color: var(--bs-secondary-color);
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
      fill-opacity: 0.2;
      stroke: var(--journey);
      stroke-width: 1.5;
      vector-effect: non-scaling-stroke;
      stroke-linejoin: round;
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
  readonly parts = input.required<ReadonlyMap<string, Gear>>();
  protected readonly width = ownWidth(640);

  protected readonly drawing = computed(() => {
    const width = this.width();
    const { placed, centre } = this.result();
    const { footFrontMm, footBackMm } = this.setup();
    const feet = footFrontMm !== undefined && footBackMm !== undefined ? { front: footFrontMm, back: -footBackMm } : undefined;
    const along = [0, ...placed.map(({ alongMm }) => alongMm), ...(feet ? [feet.front, feet.back] : [])];
    const up = [0, 120, ...placed.map(({ heightMm }) => heightMm)];
    const [left, right] = [Math.min(...along), Math.max(...along)];
    const [low, high] = [Math.min(...up), Math.max(...up)];
    // one scale for both directions, or it would not be to scale
    const margin = Math.min(MARGIN, width / 5);
    const scale = Math.min((width - 2 * margin) / Math.max(right - left, 100), (HEIGHT - BELOW - ABOVE) / Math.max(high - low, 100));
    // where there is no room beside the pieces, labels stand above them
    const above = ABOVE + (width < NARROW ? LINE * placed.length : 0);
    const height = BELOW + above + (high - low) * scale;
    const x = (mm: number): number => width / 2 + (mm - (left + right) / 2) * scale;
    const y = (mm: number): number => height - BELOW - (mm - low) * scale;
    const barMm = [500, 200, 100, 50, 20].find((mm) => mm * scale < 160) ?? 10;
    // the heaviest is drawn first and labelled first: what is small stays in front of it
    const drawn = [...placed]
      .sort((a, b) => b.massG - a.massG)
      .map((part) => {
        const gear = this.parts().get(part.gearId);
        const side = sideMm(part.massG, gear) * scale;
        const says = `${part.name.length > 24 ? `${part.name.slice(0, 23)}…` : part.name}, ${formatQuantity(part.massG, 'g')}`;
        return { ...part, gear, side, says, x: x(part.alongMm), y: y(part.heightMm) };
      });
    const labels = labelsBeside(
      drawn.map((part) => ({
        x: part.x,
        y: part.y,
        half: ((part.side * SQUARE) / FILLED) * REACH,
        labelWidth: part.says.length * LETTER_PX,
      })),
      width,
      height - BELOW,
    );
    return {
      height,
      middle: x(0),
      plateY: y(0),
      feet: feet && { front: x(feet.front), back: x(feet.back) },
      parts: drawn.map(({ gearId, gear, side, says, x: middleX, y: middleY }, index) => {
        const label = labels[index]!;
        const unit = side / FILLED;
        const fromX = Math.max(label.x, Math.min(label.x + says.length * LETTER_PX, middleX));
        return {
          gearId,
          says,
          label,
          path: gear ? drawnPath(gear) : '',
          transform: `translate(${middleX - (SQUARE / 2) * unit} ${middleY - (SQUARE / 2) * unit}) scale(${unit})`,
          leader: label.isAway ? `M${fromX} ${label.y}L${middleX} ${middleY}` : undefined,
        };
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

/** The side of a cube of that mass. */
function sideMm(massG: number, gear: Gear | undefined): number {
  return 10 * Math.cbrt(massG / ((gear && DENSITY[gear.kind]) ?? OTHER_DENSITY));
}
