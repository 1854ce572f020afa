import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { DEFAULT_RESERVE, rigShape } from '@viaggio/core/gear';
import type { Rig } from '@viaggio/core/gear';
import { QuantityField } from '../fields/quantity-field';
import { SliderField } from '../fields/slider-field';

export type Conditions = Pick<Rig, 'wantedMin' | 'temperatureC' | 'startCharge' | 'reserve'>;

/** How long it must run, and under which conditions: typed, or tried out with the sliders. */
@Component({
  selector: 'app-conditions-editor',
  imports: [QuantityField, SliderField],
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
      <app-slider-field
        label="Battery is at"
        placeholder="assumed 25"
        hint="Warmed by a pocket or its own load, it is above the air."
        [shape]="shapes.temperatureC.of"
        [from]="-25"
        [to]="40"
        [step]="1"
        [assumed]="25"
        [value]="conditions().temperatureC"
        (valueChange)="conditionsChange.emit({ temperatureC: $event })"
      />
      <app-slider-field
        label="Charged to"
        placeholder="assumed 100"
        [shape]="shapes.startCharge.of"
        [from]="0.05"
        [to]="1"
        [step]="0.05"
        [assumed]="1"
        [value]="conditions().startCharge"
        (valueChange)="conditionsChange.emit({ startCharge: $event })"
      />
      <app-slider-field
        label="Reserve kept"
        [placeholder]="'assumed ' + reserve * 100"
        [shape]="shapes.reserve.of"
        [from]="0"
        [to]="0.5"
        [step]="0.05"
        [assumed]="reserve"
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
  protected readonly reserve = DEFAULT_RESERVE;
}
