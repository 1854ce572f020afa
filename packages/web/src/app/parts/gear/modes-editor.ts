import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { plainDraw } from '@viaggio/core/answer';
import { drawText, gearShape, readDrawText } from '@viaggio/core/gear';
import type { Device, Draw, Mode } from '@viaggio/core/gear';
import { formatQuantity, withChanges } from '@viaggio/core/units';
import { LabelField } from '../../fields/label-field';
import { TextField } from '../../fields/text-field';
import { DrawEditor } from './draw-editor';
import { RecordingFields } from './recording-fields';

/** The other modes of a device in one small table: each by its name and its draw, typed as it is known. */
@Component({
  selector: 'app-modes-editor',
  imports: [DrawEditor, LabelField, RecordingFields, TextField],
  template: `
    @for (mode of device().modes ?? []; track mode.id) {
      <div class="mode" role="group" [attr.aria-label]="'Mode ' + mode.name">
        <app-text-field label="Mode" [shape]="shapes.name" [value]="mode.name" (valueChange)="rename(mode.id, $event)" />
        <app-label-field
          label="Draws"
          [placeholder]="heldAs(mode.draw)"
          [holds]="text(mode.draw)"
          [read]="read"
          [say]="say"
          (understoodAs)="change(mode.id, { draw: $event })"
        />
        <span class="watts">{{ watts(mode.draw) }}</span>
        <button type="button" class="btn btn-sm btn-link" [attr.aria-label]="'Remove mode ' + mode.name" (click)="remove(mode.id)">
          Remove
        </button>
        <details class="more">
          <summary>More of {{ mode.name }}</summary>
          <app-draw-editor [draw]="mode.draw" [asHere]="asHere()" (drawChange)="change(mode.id, { draw: $event })" />
          <app-recording-fields [mode]="mode" (modeChange)="change(mode.id, $event)" />
        </details>
      </div>
    }
    <button
      type="button"
      class="btn btn-sm btn-outline-secondary"
      [disabled]="!device().draw || (device().modes ?? []).length >= most"
      (click)="add()"
    >
      Add a mode
    </button>
    @if (!device().draw) {
      <p class="small text-body-secondary mb-0">Enter the usual draw first: a mode starts from it.</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .mode {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr) auto auto;
      gap: 0 0.5rem;
      align-items: center;
    }
    .watts {
      font-variant-numeric: tabular-nums;
    }
    .more {
      grid-column: 1 / -1;
      margin-bottom: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ModesEditor {
  readonly device = input.required<Device>();
  readonly asHere = input<((draw: Draw) => Draw | undefined) | undefined>();
  readonly modesChange = output<readonly Mode[] | undefined>();

  protected readonly shapes = gearShape.variants.device.modes.of.item.fields;
  protected readonly most = gearShape.variants.device.modes.of.maxItems;
  protected readonly read = readDrawText;
  protected readonly say = (draw: Draw): string => (draw.basis === 'maker' ? drawText(draw)! : about(draw));

  protected text(draw: Draw): string {
    return drawText(draw) ?? '';
  }

  protected readonly watts = (draw: Draw): string => formatQuantity(plainDraw(draw, undefined).powerW, 'W');

  /** What one line cannot hold stands there as what it comes to; it is typed below. */
  protected heldAs(draw: Draw): string {
    return drawText(draw) === undefined ? about(draw) : '8.8 W, 7.4 V 1.2 A, 50 min on 24.5 Wh';
  }

  protected rename(id: string, name: string | undefined): void {
    if (name !== undefined) this.change(id, { name });
  }

  protected change(id: string, changes: { readonly [K in keyof Mode]?: Mode[K] | undefined }): void {
    this.modesChange.emit(this.device().modes?.map((mode) => (mode.id === id ? withChanges(mode, changes) : mode)));
  }

  /** A new one starts from the usual draw: most modes differ from it by a little. */
  protected add(): void {
    const { modes = [], draw } = this.device();
    if (!draw) return;
    const taken = new Set(modes.map(({ name }) => name));
    let number = modes.length + 1;
    while (taken.has(`Mode ${number}`)) number++;
    const mode: Mode = { id: crypto.randomUUID(), name: `Mode ${number}`, draw };
    this.modesChange.emit([...modes, mode]);
  }

  protected remove(id: string): void {
    const modes = this.device().modes?.filter((mode) => mode.id !== id) ?? [];
    this.modesChange.emit(modes.length > 0 ? modes : undefined);
  }
}

function about(draw: Draw): string {
  return `about ${formatQuantity(plainDraw(draw, undefined).powerW, 'W')}`;
}
