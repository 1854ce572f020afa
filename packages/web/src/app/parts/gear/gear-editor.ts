import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { gearShape } from '@viaggio/core/gear';
import type { Draw, Gear } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { QuantityField } from '../../fields/quantity-field';
import { ShapeForm } from '../../fields/shape-form';
import { AdapterEditor } from './adapter-editor';
import { BatteryEditor } from './battery-editor';
import { BetweenEditor } from './between-editor';
import { CableEditor } from './cable-editor';
import { ChargerEditor } from './charger-editor';
import { DeviceEditor } from './device-editor';
import type { GearEdit } from './gear-edit';

/**
 * Any piece of gear: what is asked for most at once, and behind it every figure, port and limit that it may have.
 * `inputId`, `outputId`: the ports in use, where it is seen as part of a rig.
 */
@Component({
  selector: 'app-gear-editor',
  imports: [AdapterEditor, BatteryEditor, BetweenEditor, CableEditor, ChargerEditor, DeviceEditor, QuantityField, ShapeForm],
  template: `
    @for (thing of [{ id: of() }]; track thing.id) {
      @let body = gear();
      @if (body.kind === 'device') {
        <app-device-editor [device]="body" [inputId]="input()" [asHere]="asHere()" (edit)="edit.emit($event)" />
      } @else if (body.kind === 'battery') {
        <app-battery-editor [battery]="body" [outputId]="output()" (edit)="edit.emit($event)" />
      } @else if (body.kind === 'adapter') {
        <app-adapter-editor [adapter]="body" (edit)="edit.emit($event)" />
      } @else if (body.kind === 'cable') {
        <app-cable-editor [cable]="body" (edit)="edit.emit($event)" />
      } @else if (body.kind === 'charger') {
        <app-charger-editor [charger]="body" (edit)="edit.emit($event)" />
      } @else {
        <app-between-editor [part]="body" (edit)="edit.emit($event)" />
      }
      <div class="pair mt-1">
        <app-quantity-field
          label="Mass"
          placeholder="not weighed"
          [optional]="true"
          [shape]="common.massG.of"
          [value]="body.massG"
          (valueChange)="plain({ massG: $event }, 'massG')"
        />
        <app-quantity-field
          label="Price"
          placeholder="not entered"
          [optional]="true"
          [shape]="common.price.of"
          [value]="body.price"
          (valueChange)="plain({ price: $event }, 'price')"
        />
      </div>
      <details #fold class="mt-2" [open]="all()" (toggle)="all.set(fold.open)">
        <summary>All its figures and ports</summary>
        @if (all()) {
          <app-shape-form class="mt-2" [shape]="shape" [value]="body" [omit]="hidden" (valueChange)="whole($event)" />
        }
      </details>
    }
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GearEditor {
  readonly gear = input.required<Gear>();
  /** Which thing it is: what is being typed for one never stands at another. */
  readonly of = input.required<string>();
  readonly inputId = input<string>();
  readonly outputId = input<string>();
  /** Puts into a device's test what the feed of its rig loses. */
  readonly asHere = input<((draw: Draw) => Draw | undefined) | undefined>();
  readonly edit = output<GearEdit>();
  protected readonly shape = gearShape;
  /** A thing does not change its kind; `from` is typed beside the figures it is about. */
  protected readonly hidden = ['kind', 'unknown'];
  protected readonly all = signal(false);
  protected readonly common = gearShape.variants.cable;
  protected readonly input = computed(() => {
    const gear = this.gear();
    return this.inputId() ?? (gear.kind === 'device' ? (gear.inputs[0]?.id ?? '') : '');
  });
  protected readonly output = computed(() => {
    const gear = this.gear();
    return this.outputId() ?? (gear.kind === 'battery' ? (gear.outputs[0]?.id ?? '') : '');
  });

  protected plain(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.gear(), changes), field });
  }

  protected whole(body: Gear): void {
    this.edit.emit({ body, field: 'all' });
  }
}
