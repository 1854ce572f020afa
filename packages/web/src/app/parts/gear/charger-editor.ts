import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { gearShape } from '@viaggio/core/gear';
import type { GearOf } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { QuantityField } from '../../fields/quantity-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { choicesOf } from '../../fields/choices-of';
import { ConnectorField } from './connector-field';
import type { GearEdit } from './gear-edit';

type Charger = GearOf<'charger'>;

/** A charger: what goes into it, how many at once, and its watts. */
@Component({
  selector: 'app-charger-editor',
  imports: [ConnectorField, QuantityField, SelectField, TextField],
  template: `
    <app-text-field class="mb-2" label="Name" [shape]="shapes.name" [value]="charger().name" (valueChange)="name($event)" />
    <app-connector-field label="Takes" [connector]="charger().connector" (connectorChange)="change({ connector: $event }, 'connector')" />
    <div class="pair">
      <app-quantity-field
        label="Slots"
        [shape]="shapes.slots"
        [value]="charger().slots"
        (valueChange)="$event !== undefined && change({ slots: $event }, 'slots')"
      />
      <app-quantity-field
        [optional]="true"
        [shape]="shapes.powerW.of"
        [value]="charger().powerW"
        (valueChange)="change({ powerW: $event }, 'powerW')"
      />
      <app-select-field
        label="Slots are filled"
        [choices]="orders"
        [value]="charger().order"
        (picked)="change({ order: $event }, 'order')"
      />
      <app-quantity-field
        [optional]="true"
        [shape]="shapes.totalW.of"
        [value]="charger().totalW"
        (valueChange)="change({ totalW: $event }, 'totalW')"
      />
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChargerEditor {
  readonly charger = input.required<Charger>();
  readonly edit = output<GearEdit<Charger>>();
  protected readonly shapes = gearShape.variants.charger;
  protected readonly orders = choicesOf(gearShape.variants.charger.order.options);

  protected name(name: string | undefined): void {
    if (name !== undefined) this.change({ name }, 'name');
  }

  protected change(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.charger(), changes), field });
  }
}
