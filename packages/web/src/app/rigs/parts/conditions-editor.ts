import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { DEFAULT_RESERVE, rigShape } from '@viaggio/core';
import type { Rig } from '@viaggio/core';
import { QuantityField } from '../../shared/quantity-field';

export type Conditions = Pick<Rig, 'wantedMin' | 'temperatureC' | 'startCharge' | 'reserve'>;

/** How long it must run, and under which conditions. */
@Component({
  selector: 'app-conditions-editor',
  imports: [QuantityField],
  template: `
    <app-quantity-field
      label="It must run for"
      placeholder="1h20"
      hint="Such as 1h20, 90 min or 4 h."
      [optional]="true"
      [shape]="shapes.wantedMin.of"
      [value]="conditions().wantedMin"
      (valueChange)="conditionsChange.emit({ wantedMin: $event })"
    />
    <div class="pair">
      <app-quantity-field
        label="Battery is at"
        placeholder="assumed 25"
        hint="Warmed by a pocket or its own load, it is above the air."
        [optional]="true"
        [shape]="shapes.temperatureC.of"
        [value]="conditions().temperatureC"
        (valueChange)="conditionsChange.emit({ temperatureC: $event })"
      />
      <app-quantity-field
        label="Charged to"
        placeholder="assumed 100"
        [optional]="true"
        [shape]="shapes.startCharge.of"
        [value]="conditions().startCharge"
        (valueChange)="conditionsChange.emit({ startCharge: $event })"
      />
      <app-quantity-field
        label="Reserve kept"
        [placeholder]="'assumed ' + reserve"
        [optional]="true"
        [shape]="shapes.reserve.of"
        [value]="conditions().reserve"
        (valueChange)="conditionsChange.emit({ reserve: $event })"
      />
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConditionsEditor {
  readonly conditions = input.required<Conditions>();
  readonly conditionsChange = output<Conditions>();

  protected readonly shapes = rigShape.fields;
  protected readonly reserve = DEFAULT_RESERVE * 100;
}
