import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { gearShape, readLabel } from '@viaggio/core/gear';
import type { Cable, Connector } from '@viaggio/core/gear';
import { formatQuantity, issue, withChanges } from '@viaggio/core/units';
import type { Parsed } from '@viaggio/core/units';
import { QuantityField } from '../../fields/quantity-field';
import { TextField } from '../../fields/text-field';
import { LabelField } from '../../fields/label-field';
import { ConnectorField } from './connector-field';
import type { GearEdit } from './gear-edit';
import { CheckField } from '../../fields/check-field';

type Wire = { readonly areaMm2: number | undefined; readonly awg: number | undefined };

/** The cable between a port and a device. */
@Component({
  selector: 'app-cable-editor',
  imports: [CheckField, ConnectorField, LabelField, QuantityField, TextField],
  template: `
    <app-text-field class="mb-2" label="Name of the cable" [shape]="shapes.name" [value]="cable().name" (valueChange)="name($event)" />
    <app-connector-field label="At the source" [connector]="cable().ends.source" (connectorChange)="end('source', $event)" />
    <app-connector-field label="At the load" [connector]="cable().ends.load" (connectorChange)="end('load', $event)" />
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
      <app-label-field
        label="Wire"
        placeholder="0.75 mm² or 18 AWG"
        [holds]="wire()"
        [read]="readWire"
        [say]="sayWire"
        (understoodAs)="plain($event, 'wire')"
        (cleared)="plain({ areaMm2: undefined, awg: undefined }, 'wire')"
      />
      <app-quantity-field
        [optional]="true"
        [shape]="shapes.maxA.of"
        [value]="cable().maxA"
        (valueChange)="plain({ maxA: $event }, 'maxA')"
      />
      <app-quantity-field
        label="Fuse"
        [optional]="true"
        [shape]="shapes.fuseA.of"
        [value]="cable().fuseA"
        (valueChange)="plain({ fuseA: $event }, 'fuseA')"
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

  protected readonly wire = computed(() => {
    const { areaMm2, awg } = this.cable();
    return areaMm2 !== undefined ? `${areaMm2} mm²` : awg !== undefined ? `${awg} AWG` : '';
  });
  /** A bare number is square millimetres, as it always was. */
  protected readonly readWire = (typed: string): Parsed<Wire> => {
    const { reads, refused } = readLabel(/^[\s\d.,]+$/.test(typed) ? `${typed.trim()} mm²` : typed);
    const { areaMm2, awg } = reads;
    return refused || (areaMm2 === undefined && awg === undefined)
      ? { ok: false, issue: issue('', 'not-a-wire', 'a wire size, such as “0.75 mm²” or “18 AWG”', typed) }
      : { ok: true, value: { areaMm2, awg } };
  };
  protected readonly sayWire = ({ areaMm2, awg }: Wire): string => (areaMm2 !== undefined ? formatQuantity(areaMm2, 'mm2') : `${awg} AWG`);

  protected end(which: 'source' | 'load', connector: Connector): void {
    this.plain({ ends: { ...this.cable().ends, [which]: connector } }, 'ends');
  }

  protected name(name: string | undefined): void {
    if (name !== undefined) this.plain({ name }, 'name');
  }

  protected plain(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.cable(), changes), field });
  }
}
