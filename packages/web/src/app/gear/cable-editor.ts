import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { gearShape, withChanges } from '@viaggio/core';
import type { Cable } from '@viaggio/core';
import { QuantityField } from '../fields/quantity-field';
import { TextField } from '../fields/text-field';
import type { GearEdit } from './gear-edit';
import { CheckField } from '../fields/check-field';

/** The cable between a port and a device. */
@Component({
  selector: 'app-cable-editor',
  imports: [CheckField, QuantityField, TextField],
  template: `
    <app-text-field class="mb-2" label="Name of the cable" [shape]="shapes.name" [value]="cable().name" (valueChange)="name($event)" />
    <app-check-field
      class="mb-2"
      label="Marked for 5 A (otherwise it carries 3 A)"
      [value]="cable().marked5A ?? false"
      (valueChange)="plain({ marked5A: $event }, 'marked5A')"
    />
    <div class="pair">
      <app-quantity-field
        label="Length"
        [optional]="true"
        [shape]="shapes.lengthM.of"
        [value]="cable().lengthM"
        (valueChange)="plain({ lengthM: $event }, 'lengthM')"
      />
      <app-quantity-field
        label="Wire"
        [optional]="true"
        [shape]="shapes.areaMm2.of"
        [value]="cable().areaMm2"
        (valueChange)="plain({ areaMm2: $event }, 'areaMm2')"
      />
      <app-quantity-field
        label="Resistance, measured"
        placeholder="from length and wire"
        [optional]="true"
        [shape]="shapes.resistanceOhm.of"
        [value]="cable().resistanceOhm"
        (valueChange)="plain({ resistanceOhm: $event }, 'resistanceOhm')"
      />
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CableEditor {
  /** Makes the identifiers of its fields its own: a rig may hold several of a kind. */
  protected readonly group = `part-${crypto.randomUUID()}-`;
  readonly cable = input.required<Cable>();
  readonly edit = output<GearEdit<Cable>>();

  protected readonly shapes = gearShape.variants.cable;

  protected name(name: string | undefined): void {
    if (name !== undefined) this.plain({ name }, 'name');
  }

  protected plain(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.cable(), changes), field });
  }
}
