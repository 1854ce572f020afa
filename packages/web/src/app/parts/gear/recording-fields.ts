import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { gearShape } from '@viaggio/core/gear';
import type { Mode, Needs, RecordingLimits } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { CheckField } from '../../fields/check-field';
import { QuantityField } from '../../fields/quantity-field';

type InMode = Pick<Mode, 'peakW' | 'needs' | 'limits'>;

/** What a device does and asks in one mode beside its draw: the peak, what it needs of its feed, what ends a recording. */
@Component({
  selector: 'app-recording-fields',
  imports: [CheckField, QuantityField],
  template: `
    <details class="mt-1" [open]="mode().peakW !== undefined">
      <summary>Peak at start-up or shutter</summary>
      <div class="pair">
        <app-quantity-field
          label="Peak"
          [optional]="true"
          [shape]="peakW"
          [value]="mode().peakW"
          (valueChange)="modeChange.emit({ peakW: $event })"
        />
        <ng-content />
      </div>
    </details>
    <details class="mt-1" [open]="mode().needs !== undefined">
      <summary>What it needs of its feed</summary>
      <div class="pair">
        <app-quantity-field
          label="Needs at least"
          [optional]="true"
          [shape]="needs.minV.of"
          [value]="mode().needs?.minV"
          (valueChange)="need({ minV: $event })"
        />
        <app-quantity-field
          [optional]="true"
          [shape]="needs.contractW.of"
          [value]="mode().needs?.contractW"
          (valueChange)="need({ contractW: $event })"
        />
      </div>
      <app-check-field
        [label]="needs.recognised.of.title"
        [value]="mode().needs?.recognised ?? false"
        (valueChange)="need({ recognised: $event || undefined })"
      />
    </details>
    <details class="mt-1" [open]="mode().limits !== undefined">
      <summary>Longest take and heat</summary>
      <div class="pair">
        @for (field of limitFields; track field) {
          <app-quantity-field
            [optional]="true"
            [shape]="limits[field].of"
            [value]="mode().limits?.[field]"
            (valueChange)="limit(field, $event)"
          />
        }
      </div>
    </details>
  `,
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordingFields {
  readonly mode = input.required<InMode>();
  /** What is undefined is taken out. */
  readonly modeChange = output<{ readonly [K in keyof InMode]?: InMode[K] | undefined }>();

  private readonly shapes = gearShape.variants.device;
  protected readonly peakW = this.shapes.peakW.of;
  protected readonly needs = this.shapes.needs.of.fields;
  protected readonly limits = this.shapes.limits.of.fields;
  protected readonly limitFields = ['takeMin', 'hotMin', 'hotFromC', 'coolMin'] as const;

  protected need(change: { readonly [K in keyof Needs]?: Needs[K] | undefined }): void {
    this.modeChange.emit({ needs: orNone(withChanges<Needs>(this.mode().needs ?? {}, change)) });
  }

  protected limit(field: keyof RecordingLimits, value: number | undefined): void {
    this.modeChange.emit({ limits: orNone(withChanges<RecordingLimits>(this.mode().limits ?? {}, { [field]: value })) });
  }
}

/** An object that says nothing is none. */
function orNone<T extends object>(said: T): T | undefined {
  return Object.keys(said).length > 0 ? said : undefined;
}
