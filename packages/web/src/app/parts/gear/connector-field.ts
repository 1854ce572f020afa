import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { connectorShape, readLabel } from '@viaggio/core/gear';
import type { Connector } from '@viaggio/core/gear';
import { issue, text, withChanges } from '@viaggio/core/units';
import type { Parsed } from '@viaggio/core/units';
import { choicesOf } from '../../fields/choices-of';
import { LabelField } from '../../fields/label-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { selectGear } from '../../state/items.selectors';

/** A connector: what it is, and what tells its forms apart where they do not mate: a bay's form, a barrel's size and polarity. */
@Component({
  selector: 'app-connector-field',
  imports: [LabelField, SelectField, TextField],
  template: `
    <div class="pair">
      <app-select-field [label]="label()" [choices]="types" [value]="connector().type" (picked)="become($event)" />
      @switch (connector().type) {
        @case ('bay') {
          <div>
            <app-text-field
              label="Bay"
              [optional]="true"
              [shape]="familyShape"
              [value]="connector().family"
              (valueChange)="change({ family: $event })"
            />
            @for (one of families(); track one) {
              <button type="button" class="btn btn-sm btn-link p-0 me-2" (click)="change({ family: one })">{{ one }}</button>
            }
          </div>
        }
        @case ('barrel') {
          <app-label-field
            label="Size"
            placeholder="5.5 x 2.1"
            [holds]="size()"
            [read]="readSize"
            [say]="saySize"
            (understoodAs)="change($event)"
          />
        }
      }
      @if (hasPolarity()) {
        <app-select-field label="Polarity" [value]="connector().polarity" (picked)="change({ polarity: $event || undefined })">
          <option value="">not known</option>
          @for (one of polarities; track one[0]) {
            <option [value]="one[0]" [selected]="one[0] === connector().polarity">{{ one[1] }}</option>
          }
        </app-select-field>
      }
    </div>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConnectorField {
  readonly label = input.required<string>();
  readonly connector = input.required<Connector>();
  readonly connectorChange = output<Connector>();
  private readonly kit = inject(Store).selectSignal(selectGear);

  protected readonly types = choicesOf(connectorShape.fields.type.options);
  protected readonly polarities = choicesOf(connectorShape.fields.polarity.of.options);
  protected readonly familyShape = text('Bay', 60);
  protected readonly hasPolarity = computed(() => ['barrel', 'bare', 'circular2'].includes(this.connector().type));
  protected readonly size = computed(() => {
    const { outerMm, innerMm } = this.connector();
    return outerMm === undefined ? '' : `${outerMm}${innerMm === undefined ? '' : ` x ${innerMm}`}`;
  });
  /** Bays that the cameras of the kit have. */
  protected readonly families = computed(() => {
    const bays = this.kit().flatMap(({ body }) => (body.kind === 'device' ? body.inputs.map(({ connector }) => connector) : []));
    return [...new Set(bays.flatMap(({ type, family }) => (type === 'bay' && family !== undefined ? [family] : [])))];
  });

  protected readonly readSize = (typed: string): Parsed<Partial<Connector>> => {
    // the label reader knows how sizes and polarity are printed
    const connector = readLabel(`DC ${typed}`).reads.ports?.find((port) => port.connector?.type === 'barrel')?.connector;
    return connector?.outerMm === undefined
      ? { ok: false, issue: issue('', 'not-a-size', 'the outer and inner diameter in mm, such as “5.5 x 2.1”', typed) }
      : { ok: true, value: connector };
  };
  protected readonly saySize = ({ outerMm, innerMm }: Partial<Connector>): string => `${outerMm} × ${innerMm} mm`;

  protected become(type: Connector['type']): void {
    if (type !== this.connector().type) this.connectorChange.emit({ type, ...(type === 'bare' && { polarity: 'as-marked' as const }) });
  }

  protected change(changes: { readonly [K in keyof Connector]?: Connector[K] | undefined }): void {
    this.connectorChange.emit(withChanges(this.connector(), changes));
  }
}
