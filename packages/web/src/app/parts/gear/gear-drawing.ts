import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Gear } from '@viaggio/core/gear';

/** What a thing looks like, in a few lines, so that a kit is read by shape. */
const PATHS = {
  // a block with a wedge at its back
  'v-mount': 'M5 2h14v20H5z M9 6h6l-3 8z',
  'three-stud': 'M5 2h14v20H5z M9 7h.01 M15 7h.01 M12 14h.01',
  'l-series': 'M4 7h16v11H4z M8 7v11 M16 4v3',
  camera: 'M6 5h12v15H6z M9 5V3h6v2',
  bank: 'M5 3h14v18H5z M10 18h4 M9 7h6',
  pack: 'M3 8h5v9H3z M9.5 8h5v9h-5z M16 8h5v9h-5z M5.5 8V6h13v2',
  device: 'M3 7h12v11H3z M15 11l6-3v9l-6-3z M6 4h5v3',
  adapter: 'M3 5h9v14H3z M12 12c5 0 3 6 9 6',
  cable: 'M2 6h5v4H2z M17 14h5v4h-5z M7 8c8 0 2 8 10 8',
  plate: 'M6 2h12v20H6z M9 5h6l-3 7z M9 18h2 M13 18h2',
  splitter: 'M3 12h6 M9 5v14 M9 6h9 M9 12h9 M9 18h9 M18 4.5h3v3h-3z M18 10.5h3v3h-3z M18 16.5h3v3h-3z',
  grip: 'M3 5h18v6H3z M5 11h14v8H5z M9 13v4 M15 13v4',
  box: 'M3 7l9-4 9 4v11l-9 3-9-3z M3 7l9 4 9-4 M12 11v10',
  mains: 'M4 8h11v9H4z M15 11h3v3h-3z M7 8V5 M12 8V5 M18 12.5h4',
  transformer: 'M4 6h16v12H4z M8 9v6 M11 9v6 M14 9v6 M17 9v6',
  poe: 'M4 6h16v12H4z M8 18v-4h8v4 M9 9h.01 M12 9h.01 M15 9h.01',
  vehicle: 'M3 16V11l3-5h12l3 5v5z M7 16v2 M17 16v2 M3 11h18',
  solar: 'M6 4h14l-3 13H3z M10.7 4 7.6 17 M15.3 4l-3 13 M4.6 10.5h14',
  charger: 'M3 12h18v8H3z M6 12V5h4v7 M14 12V5h4v7 M12 15l-1.5 2.2h3L12 19',
} as const;

/** A small drawing of a piece of gear: its kind and form. The words stand beside it. */
@Component({
  selector: 'app-gear-drawing',
  template: `<svg viewBox="0 0 24 24" aria-hidden="true" focusable="false"><path [attr.d]="path()" /></svg>`,
  styles: `
    :host {
      display: inline-flex;
      flex: none;
    }
    svg {
      width: 1.5em;
      height: 1.5em;
      fill: none;
      stroke: currentcolor;
      stroke-width: 1.5;
      stroke-linejoin: round;
      stroke-linecap: round;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GearDrawing {
  readonly gear = input.required<Gear>();
  protected readonly path = computed(() => drawnPath(this.gear()));
}

/** The lines of a thing in a square of 24: those of its form, where it has one. */
export function drawnPath(gear: Gear): string {
  return PATHS[shapeOf(gear)];
}

/** The form a drawing is for. */
export function shapeOf(gear: Gear): keyof typeof PATHS {
  return gear.kind === 'battery' || gear.kind === 'hub' || gear.kind === 'supply' ? gear.form : gear.kind;
}
