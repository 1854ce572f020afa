import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { connectorName, gearShape } from '@viaggio/core/gear';
import type { Hub, Supply } from '@viaggio/core/gear';
import { formatQuantity, withChanges } from '@viaggio/core/units';
import { QuantityField } from '../../fields/quantity-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { choicesOf } from '../../fields/choices-of';
import type { GearEdit } from './gear-edit';
import { PortsField } from './ports-field';

/** A plate, splitter, grip or box, or a supply: what it takes, what it gives, and what it bears in all. */
@Component({
  selector: 'app-between-editor',
  imports: [PortsField, QuantityField, SelectField, TextField],
  template: `
    @let body = part();
    <app-text-field class="mb-2" label="Name" [shape]="shapes.name" [value]="body.name" (valueChange)="name($event)" />
    @if (body.kind === 'hub') {
      <p class="small mb-1">Takes {{ takes() }}.</p>
    }
    <app-ports-field [outputs]="body.outputs" (portsChange)="change($event, 'outputs')" />
    @if (body.kind === 'hub') {
      <div class="pair">
        <app-quantity-field
          label="Fuse"
          [optional]="true"
          [shape]="shapes.fuseA.of"
          [value]="body.fuseA"
          (valueChange)="change({ fuseA: $event }, 'fuseA')"
        />
        <app-quantity-field
          label="Own draw"
          placeholder="assumed"
          [optional]="true"
          [shape]="shapes.standbyW.of"
          [value]="body.standbyW"
          (valueChange)="change({ standbyW: $event }, 'standbyW')"
        />
        @if (body.inputs.length > 1) {
          <app-select-field
            label="Of its inputs it uses"
            [choices]="orders"
            [value]="body.inputOrder ?? 'one-by-one'"
            (picked)="change({ inputOrder: $event }, 'inputOrder')"
          />
          <app-quantity-field
            label="Bridges a swap for"
            [optional]="true"
            [shape]="shapes.bufferS.of"
            [value]="body.bufferS"
            (valueChange)="change({ bufferS: $event }, 'bufferS')"
          />
        }
      </div>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BetweenEditor {
  readonly part = input.required<Hub | Supply>();
  readonly edit = output<GearEdit>();
  protected readonly shapes = gearShape.variants.hub;
  protected readonly orders = choicesOf(gearShape.variants.hub.inputOrder.of.options);
  protected readonly takes = computed(() => {
    const body = this.part();
    return body.kind === 'hub' ? body.inputs.map(sayInput).join('; ') : '';
  });

  protected name(name: string | undefined): void {
    if (name !== undefined) this.change({ name }, 'name');
  }

  protected change(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.part(), changes), field });
  }
}

/** `Left mount (V-mount), 11 V to 17 V`. */
function sayInput({ name, connector, minV, maxV }: Hub['inputs'][number]): string {
  const window = minV !== undefined && maxV !== undefined ? `, ${formatQuantity(minV, 'V')} to ${formatQuantity(maxV, 'V')}` : '';
  return `${name} (${connectorName(connector)})${window}`;
}
