import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { gearShape, gearTitle, rigShape } from '@viaggio/core/gear';
import type { Battery, Rig } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { CheckField } from '../../../fields/check-field';
import { QuantityField } from '../../../fields/quantity-field';
import { QuantityPipe } from '../../../basics/quantity.pipe';
import { RigSheet } from '../sheet/rig-sheet';
import { SelectField } from '../../../fields/select-field';

type State = NonNullable<Rig['batteries']>[number];

interface Row {
  readonly gearId: string;
  readonly battery: Battery;
  readonly title: string;
  readonly state: State;
  readonly spares: readonly { readonly id: string; readonly title: string }[];
  readonly mayBeSpare: readonly { readonly id: string; readonly title: string }[];
}

/** Each battery of the rig by itself: its charge and temperature where they differ from the rig's, its age, its spares. */
@Component({
  selector: 'app-battery-states',
  imports: [CheckField, QuantityField, QuantityPipe, SelectField],
  template: `
    @for (row of rows(); track row.gearId) {
      <div class="battery">
        <h3 class="fs-6 mb-1">{{ row.title }}</h3>
        @if (row.battery.charge !== undefined && row.battery.charge !== row.state.startCharge) {
          <p class="small mb-1">
            In the kit it is at {{ row.battery.charge | quantity: 'fraction' }} now.
            @if (row.battery.charge > 0) {
              <button
                type="button"
                class="btn btn-sm btn-link p-0 align-baseline"
                (click)="set(row, { startCharge: row.battery.charge }, 'startCharge')"
              >
                Start with that
              </button>
            }
          </p>
        }
        <div class="pair">
          <app-quantity-field
            label="Its charge"
            placeholder="as the rig’s"
            [optional]="true"
            [shape]="shapes.startCharge.of"
            [value]="row.state.startCharge"
            (valueChange)="set(row, { startCharge: $event }, 'startCharge')"
          />
          <app-quantity-field
            label="Its temperature"
            placeholder="as the rig’s"
            [optional]="true"
            [shape]="shapes.temperatureC.of"
            [value]="row.state.temperatureC"
            (valueChange)="set(row, { temperatureC: $event }, 'temperatureC')"
          />
          <app-quantity-field
            label="Its age"
            placeholder="unknown"
            [optional]="true"
            [shape]="years"
            [value]="row.battery.years"
            (valueChange)="age(row, $event)"
          />
        </div>
        <app-check-field
          label="A charger or a panel is on it while it feeds"
          [small]="true"
          [value]="row.state.charging ?? false"
          (valueChange)="set(row, { charging: $event || undefined }, 'charging')"
        />
        <div class="d-flex flex-wrap align-items-center gap-2">
          @for (spare of row.spares; track spare.id) {
            <span class="chip">
              {{ spare.title }}
              <button
                type="button"
                class="btn-close ms-1"
                [attr.aria-label]="'Leave ' + spare.title + ' at home'"
                (click)="drop(row, spare.id)"
              ></button>
            </span>
          }
          @if (row.mayBeSpare.length > 0) {
            <app-select-field
              label="Add a spare for {{ row.title }}"
              [bare]="true"
              [small]="true"
              [once]="true"
              (picked)="add(row, $event)"
            >
              <option value="">Add a spare …</option>
              @for (choice of row.mayBeSpare; track choice.id) {
                <option [value]="choice.id">{{ choice.title }}</option>
              }
            </app-select-field>
          }
        </div>
      </div>
    }
  `,
  styles: `
    .battery {
      padding: 0.4rem 0;
    }
    .btn-close {
      font-size: 0.55rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BatteryStates {
  private readonly sheet = inject(RigSheet);
  protected readonly shapes = rigShape.fields.batteries.of.item.fields;
  protected readonly years = gearShape.variants.battery.years.of;
  protected readonly rows = computed((): readonly Row[] => {
    const rig = this.sheet.rig();
    if (!rig) return [];
    const inUse = new Set(this.sheet.parts().keys());
    const title = (id: string): string => {
      const body = this.sheet.kit().get(id) ?? this.sheet.parts().get(id);
      return body ? gearTitle(body) : 'not in the kit any more';
    };
    const sources = [...new Set(rig.links.map(({ from }) => from.gearId))];
    return sources.flatMap((gearId): Row[] => {
      const battery = this.sheet.parts().get(gearId);
      if (battery?.kind !== 'battery') return [];
      const state = rig.batteries?.find((one) => one.gearId === gearId) ?? { gearId };
      const mayBeSpare = [...this.sheet.kit()].filter(([id, other]) => !inUse.has(id) && isLike(other, battery));
      return [
        {
          gearId,
          battery,
          title: gearTitle(battery),
          state,
          spares: (state.spareIds ?? []).map((id) => ({ id, title: title(id) })),
          mayBeSpare: mayBeSpare.map(([id, other]) => ({ id, title: gearTitle(other) })),
        },
      ];
    });
  });

  protected set({ gearId, state }: Row, changes: { readonly [K in keyof State]?: State[K] | undefined }, field: string): void {
    const rig = this.sheet.rig();
    if (!rig) return;
    const others = (rig.batteries ?? []).filter((one) => one.gearId !== gearId);
    const next = withChanges(state, changes);
    const batteries = Object.keys(next).length > 1 ? [...others, next] : others;
    this.sheet.change({ batteries: batteries.length === 0 ? undefined : batteries }, `${field} ${gearId}`);
  }

  protected age({ gearId, battery }: Row, years: number | undefined): void {
    this.sheet.changeGear(gearId, { body: withChanges(battery, { years }), field: 'years' });
  }

  protected add(row: Row, id: string): void {
    if (id !== '') this.set(row, { spareIds: [...(row.state.spareIds ?? []), id] }, 'spareIds');
  }

  protected drop(row: Row, id: string): void {
    const spareIds = (row.state.spareIds ?? []).filter((one) => one !== id);
    this.set(row, { spareIds: spareIds.length === 0 ? undefined : spareIds }, 'spareIds');
  }
}

/** Of the same make-up: what could take its place at all. Whether it can in this rig is a finding. */
function isLike(other: { readonly kind: string }, battery: Battery): boolean {
  const one = other as Battery;
  return (
    other.kind === 'battery' &&
    one.form === battery.form &&
    one.cellsInSeries === battery.cellsInSeries &&
    one.chemistry === battery.chemistry
  );
}
