import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { gearShape, inputShape, withChanges, withInput, withTyped } from '@viaggio/core';
import type { Device, Draw, RecordingLimits } from '@viaggio/core';
import { QuantityField } from '../fields/quantity-field';
import { TextField } from '../fields/text-field';
import { DrawEditor } from './draw-editor';
import type { GearEdit } from './gear-edit';

/** What one films with: its draw, its peak, and what its input takes. */
@Component({
  selector: 'app-device-editor',
  imports: [DrawEditor, QuantityField, TextField],
  template: `
    <app-text-field class="mb-2" label="Name of the device" [shape]="shapes.name" [value]="device().name" (valueChange)="name($event)" />
    <app-draw-editor [draw]="device().draw" (drawChange)="draw($event)" />
    @if (port(); as port) {
      <div class="pair mt-2">
        <app-quantity-field
          [label]="port.takes === 'pd' ? 'Lowest profile' : 'Lowest voltage'"
          [optional]="true"
          [from]="device().from?.minV"
          [shape]="ports.minV.of"
          [value]="port.minV"
          (valueChange)="limit('minV', $event)"
        />
        <app-quantity-field
          [label]="port.takes === 'pd' ? 'Highest profile' : 'Highest voltage'"
          [optional]="true"
          [from]="device().from?.maxV"
          [shape]="ports.maxV.of"
          [value]="port.maxV"
          (valueChange)="limit('maxV', $event)"
        />
      </div>
      @if (port.takes === 'pd') {
        <app-quantity-field
          label="Smallest contract it runs on"
          [optional]="true"
          [shape]="needW"
          [value]="port.needW"
          (valueChange)="edit.emit({ body: atPort({ needW: $event }), field: 'needW' })"
        />
      }
    }
    <details class="mt-1">
      <summary>Peak at start-up or shutter</summary>
      <div class="pair">
        <app-quantity-field
          label="Peak"
          [optional]="true"
          [shape]="shapes.peakW.of"
          [value]="device().peakW"
          (valueChange)="plain({ peakW: $event }, 'peakW')"
        />
        <app-quantity-field
          label="for"
          [optional]="true"
          [shape]="shapes.peakMs.of"
          [value]="device().peakMs"
          (valueChange)="plain({ peakMs: $event }, 'peakMs')"
        />
      </div>
    </details>
    <details class="mt-1" [open]="device().limits !== undefined">
      <summary>Longest take and heat</summary>
      <div class="pair">
        @for (field of limitFields; track field) {
          <app-quantity-field
            [optional]="true"
            [shape]="limits[field].of"
            [value]="device().limits?.[field]"
            (valueChange)="limitOf(field, $event)"
          />
        }
      </div>
    </details>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceEditor {
  readonly device = input.required<Device>();
  readonly inputId = input.required<string>();
  readonly edit = output<GearEdit<Device>>();

  protected readonly shapes = gearShape.variants.device;
  protected readonly limits = gearShape.variants.device.limits.of.fields;
  protected readonly limitFields = ['takeMin', 'hotMin', 'hotFromC', 'coolMin'] as const;
  protected readonly ports = inputShape.variants.window;
  protected readonly needW = inputShape.variants.pd.needW.of;
  protected readonly port = computed(() => this.device().inputs.find(({ id }) => id === this.inputId()));

  protected name(name: string | undefined): void {
    if (name !== undefined) this.plain({ name }, 'name');
  }

  protected draw(draw: Draw): void {
    this.edit.emit({ body: withTyped(this.device(), { draw }, 'draw'), field: 'draw' });
  }

  protected limit(figure: 'minV' | 'maxV', value: number | undefined): void {
    this.edit.emit({ body: withTyped(this.atPort({ [figure]: value }), {}, figure), field: figure });
  }

  protected limitOf(field: keyof RecordingLimits, value: number | undefined): void {
    const limits = withChanges(this.device().limits ?? {}, { [field]: value });
    this.plain({ limits: Object.keys(limits).length > 0 ? limits : undefined }, field);
  }

  protected plain(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.device(), changes), field });
  }

  protected atPort(changes: object): Device {
    return withInput(this.device(), this.inputId(), changes);
  }
}
