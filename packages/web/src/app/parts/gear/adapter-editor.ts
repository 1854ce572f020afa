import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { gearShape, withTyped } from '@viaggio/core/gear';
import type { Adapter } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { QuantityField } from '../../fields/quantity-field';
import { TextField } from '../../fields/text-field';
import { ConnectorField } from './connector-field';
import type { GearEdit } from './gear-edit';
import { SelectField } from '../../fields/select-field';

/** The battery-shaped adapter between source and device. */
@Component({
  selector: 'app-adapter-editor',
  imports: [ConnectorField, QuantityField, SelectField, TextField],
  template: `
    <app-text-field class="mb-2" label="Name of the adapter" [shape]="shapes.name" [value]="adapter().name" (valueChange)="name($event)" />
    <app-connector-field
      label="Takes"
      [connector]="adapter().input.connector"
      (connectorChange)="atInput({ connector: $event }, 'input')"
    />
    <app-connector-field
      label="Gives"
      [connector]="adapter().output.connector"
      (connectorChange)="atOutput({ connector: $event }, 'output')"
    />
    <div class="pair">
      <app-quantity-field
        label="Adapter output"
        [optional]="true"
        [from]="adapter().from?.voltageV"
        [shape]="shapes.output.fields.voltageV.of"
        [value]="adapter().output.voltageV"
        (valueChange)="outputV($event)"
      />
      <app-quantity-field
        label="Rated power"
        [optional]="true"
        [shape]="shapes.ratedW.of"
        [value]="adapter().ratedW"
        (valueChange)="plain({ ratedW: $event }, 'ratedW')"
      />
      <app-quantity-field
        label="Lowest input"
        [optional]="true"
        [shape]="inputs.minV.of"
        [value]="adapter().input.minV"
        (valueChange)="atInput({ minV: $event }, 'minV')"
      />
      <app-quantity-field
        label="Highest input"
        [optional]="true"
        [shape]="inputs.maxV.of"
        [value]="adapter().input.maxV"
        (valueChange)="atInput({ maxV: $event }, 'maxV')"
      />
    </div>
    <details class="mt-1">
      <summary>Starting voltage, amps, losses, gauge</summary>
      <div class="pair">
        <app-quantity-field
          label="Starts at"
          [optional]="true"
          [shape]="inputs.startV.of"
          [value]="adapter().input.startV"
          (valueChange)="atInput({ startV: $event }, 'startV')"
        />
        <app-quantity-field
          [optional]="true"
          [shape]="inputs.leastA.of"
          [value]="adapter().input.leastA"
          (valueChange)="atInput({ leastA: $event }, 'leastA')"
        />
        <app-quantity-field
          placeholder="1"
          [optional]="true"
          [shape]="inputs.plugs.of"
          [value]="adapter().input.plugs"
          (valueChange)="atInput({ plugs: $event }, 'plugs')"
        />
        <app-quantity-field
          label="Efficiency"
          placeholder="assumed 90"
          [optional]="true"
          [shape]="shapes.efficiency.of"
          [value]="adapter().efficiency"
          (valueChange)="plain({ efficiency: $event }, 'efficiency')"
        />
        <app-quantity-field
          label="Own draw"
          placeholder="assumed 0.1"
          [optional]="true"
          [shape]="shapes.standbyW.of"
          [value]="adapter().standbyW"
          (valueChange)="plain({ standbyW: $event }, 'standbyW')"
        />
        <div>
          <app-select-field
            label="The camera’s gauge shows"
            [choices]="gauges"
            [value]="adapter().gauge"
            (picked)="plain({ gauge: $event }, 'gauge')"
          />
        </div>
      </div>
    </details>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AdapterEditor {
  /** Makes the identifiers of its fields its own: a rig may hold several of a kind. */
  protected readonly group = `part-${crypto.randomUUID()}-`;
  readonly adapter = input.required<Adapter>();
  readonly edit = output<GearEdit<Adapter>>();

  protected readonly shapes = gearShape.variants.adapter;
  protected readonly inputs = gearShape.variants.adapter.input.fields;
  protected readonly gauges = Object.entries(gearShape.variants.adapter.gauge.options);

  protected name(name: string | undefined): void {
    if (name !== undefined) this.plain({ name }, 'name');
  }

  protected outputV(voltageV: number | undefined): void {
    const adapter = this.adapter();
    this.edit.emit({ body: withTyped(adapter, { output: withChanges(adapter.output, { voltageV }) }, 'voltageV'), field: 'voltageV' });
  }

  protected atOutput(changes: object, field: string): void {
    this.plain({ output: withChanges(this.adapter().output, changes) }, field);
  }

  protected atInput(changes: object, field: string): void {
    this.plain({ input: withChanges(this.adapter().input, changes) }, field);
  }

  protected plain(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.adapter(), changes), field });
  }
}
