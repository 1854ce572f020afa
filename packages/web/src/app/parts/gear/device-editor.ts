import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { gearShape, inputShape, withInput, withTyped } from '@viaggio/core/gear';
import type { Device, Draw } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { choicesOf } from '../../fields/choices-of';
import { QuantityField } from '../../fields/quantity-field';
import { SelectField } from '../../fields/select-field';
import { ShapeForm } from '../../fields/shape-form';
import { TextField } from '../../fields/text-field';
import { DrawEditor } from './draw-editor';
import type { GearEdit } from './gear-edit';
import { ModesEditor } from './modes-editor';
import { PortsField } from './ports-field';
import { RecordingFields } from './recording-fields';

/** What one films with: its draw in each mode, and what its input takes. */
@Component({
  selector: 'app-device-editor',
  imports: [DrawEditor, ModesEditor, PortsField, QuantityField, RecordingFields, SelectField, ShapeForm, TextField],
  template: `
    <app-text-field class="mb-2" label="Name of the device" [shape]="shapes.name" [value]="device().name" (valueChange)="name($event)" />
    <app-draw-editor [draw]="device().draw" [asHere]="asHere()" (drawChange)="draw($event)" />
    @if (port(); as port) {
      <div class="pair mt-2">
        <app-quantity-field
          [label]="port.takes === 'pd' ? 'Least volts over USB-C' : 'Lowest voltage'"
          [optional]="true"
          [from]="device().from?.minV"
          [shape]="ports.minV.of"
          [value]="port.minV"
          (valueChange)="limit('minV', $event)"
        />
        <app-quantity-field
          [label]="port.takes === 'pd' ? 'Most volts over USB-C' : 'Highest voltage'"
          [optional]="true"
          [from]="device().from?.maxV"
          [shape]="ports.maxV.of"
          [value]="port.maxV"
          (valueChange)="limit('maxV', $event)"
        />
      </div>
      @if (port.takes === 'pd') {
        <app-select-field label="While it is plugged in, it" [value]="port.sink" [choices]="sinks" (picked)="sink($event)" />
        <app-quantity-field
          label="Least watts agreed that it runs on"
          [optional]="true"
          [shape]="needW"
          [value]="port.needW"
          (valueChange)="edit.emit({ body: atPort({ needW: $event }), field: 'needW' })"
        />
      }
    }
    <app-recording-fields [mode]="device()" (modeChange)="plain($event, 'usual mode')">
      <app-quantity-field
        label="for"
        [optional]="true"
        [shape]="shapes.peakMs.of"
        [value]="device().peakMs"
        (valueChange)="plain({ peakMs: $event }, 'peakMs')"
      />
    </app-recording-fields>
    <details class="mt-1" [open]="device().outputs !== undefined">
      <summary>Power it passes on</summary>
      <app-ports-field [outputs]="device().outputs ?? []" (portsChange)="plain($event, 'outputs')" />
    </details>
    <details class="mt-1" [open]="device().covered !== undefined || device().carries !== undefined">
      <summary>What a part on it covers, what its mounts carry</summary>
      <app-shape-form [shape]="shapes.covered.of" [value]="device().covered ?? []" (valueChange)="list('covered', $event)" />
      <app-shape-form [shape]="shapes.carries.of" [value]="device().carries ?? []" (valueChange)="list('carries', $event)" />
    </details>
    <details class="mt-1" [open]="device().modes !== undefined">
      <summary>Other modes{{ device().modes ? ' (' + device().modes!.length + ')' : '' }}</summary>
      <app-modes-editor class="mt-1" [device]="device()" [asHere]="asHere()" (modesChange)="plain({ modes: $event }, 'modes')" />
    </details>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceEditor {
  readonly device = input.required<Device>();
  readonly inputId = input.required<string>();
  /** Puts into a test what the feed of the page loses, where the device is seen beside its feed. */
  readonly asHere = input<((draw: Draw) => Draw | undefined) | undefined>();
  readonly edit = output<GearEdit<Device>>();

  protected readonly shapes = gearShape.variants.device;
  protected readonly ports = inputShape.variants.window;
  protected readonly sinks = choicesOf(inputShape.variants.pd.sink.options);
  protected readonly needW = inputShape.variants.pd.needW.of;
  protected readonly port = computed(() => this.device().inputs.find(({ id }) => id === this.inputId()));

  protected name(name: string | undefined): void {
    if (name !== undefined) this.plain({ name }, 'name');
  }

  protected sink(sink: string): void {
    this.edit.emit({ body: this.atPort({ sink }), field: 'sink' });
  }

  protected draw(draw: Draw): void {
    this.edit.emit({ body: withTyped(this.device(), { draw }, 'draw'), field: 'draw' });
  }

  protected limit(figure: 'minV' | 'maxV', value: number | undefined): void {
    this.edit.emit({ body: withTyped(this.atPort({ [figure]: value }), {}, figure), field: figure });
  }

  /** An empty list says nothing. */
  protected list(field: 'covered' | 'carries', items: readonly unknown[]): void {
    this.plain({ [field]: items.length > 0 ? items : undefined }, field);
  }

  protected plain(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.device(), changes), field });
  }

  protected atPort(changes: object): Device {
    return withInput(this.device(), this.inputId(), changes);
  }
}
