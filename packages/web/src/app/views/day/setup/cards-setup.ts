import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { dayShape, USUAL_CARD_CHANGE_MIN, withCardMode, withCards, withNewCards, withoutCards } from '@viaggio/core/day';
import type { Cards } from '@viaggio/core/day';
import type { Changes } from '@viaggio/core/units';
import { QuantityField } from '../../../fields/quantity-field';
import { SelectField } from '../../../fields/select-field';
import { DaySheet } from '../sheet/day-sheet';

const FIELDS = dayShape.fields.cards.of.item.fields;

/** Recording media: how many cards a device has, what one holds in each mode, how long copying takes and where. */
@Component({
  selector: 'app-cards-setup',
  imports: [QuantityField, SelectField],
  template: `
    @for (one of lots(); track one.cards.id) {
      <div class="lot" role="group" [attr.aria-label]="one.title">
        <strong class="w-100">{{ one.title }}</strong>
        <app-quantity-field [shape]="fields.count" [value]="one.cards.count" (valueChange)="$event && set(one.cards, { count: $event })" />
        <app-quantity-field
          [shape]="fields.minutes"
          [label]="one.modes.length > 0 ? 'One card holds, usual mode' : 'One card holds'"
          [value]="one.cards.minutes"
          (valueChange)="$event && set(one.cards, { minutes: $event })"
        />
        @for (mode of one.modes; track mode.id) {
          <app-quantity-field
            [shape]="fields.minutes"
            [label]="'In mode “' + mode.name + '”'"
            [optional]="true"
            placeholder="as usual"
            [value]="mode.minutes"
            (valueChange)="setMode(one.cards, mode.id, $event)"
          />
        }
        <app-quantity-field
          [shape]="fields.slots.of"
          [optional]="true"
          placeholder="1"
          [value]="one.cards.slots"
          (valueChange)="set(one.cards, { slots: $event })"
        />
        <app-quantity-field
          [shape]="fields.changeMin.of"
          [optional]="true"
          [placeholder]="usualChange"
          [value]="one.cards.changeMin"
          (valueChange)="set(one.cards, { changeMin: $event })"
        />
        <app-quantity-field
          [shape]="fields.full.of"
          [optional]="true"
          placeholder="none"
          [value]="one.cards.full"
          (valueChange)="set(one.cards, { full: $event })"
        />
        <app-quantity-field
          [shape]="fields.copyMin.of"
          [optional]="true"
          placeholder="not emptied before the end"
          [value]="one.cards.copyMin"
          (valueChange)="set(one.cards, { copyMin: $event })"
        />
        @if (one.cards.copyMin !== undefined) {
          <app-select-field class="mb-3" label="Copied at" (picked)="set(one.cards, { copyPlaceId: $event || undefined })">
            <option value="">wherever the rig is</option>
            @for (place of sheet.day()?.places ?? []; track place.id) {
              <option [value]="place.id" [selected]="place.id === one.cards.copyPlaceId">{{ place.name }}</option>
            }
          </app-select-field>
        }
        <button
          type="button"
          class="btn btn-sm btn-outline-danger mb-3"
          [attr.aria-label]="'Remove the cards of ' + one.title"
          (click)="remove(one.cards.id)"
        >
          Remove
        </button>
      </div>
    }
    @if (lots().length > 0) {
      <p class="small verdict-caution mb-1">
        With more than one in the device it goes on to the next by itself. In the plan a card is empty once it is copied: empty none before
        two copies are checked.
      </p>
    }
    @if (devices().length > 0) {
      <app-select-field label="Add cards for" [bare]="true" [small]="true" [once]="true" [choices]="devices()" (picked)="add($event)">
        <option value="">Add cards for …</option>
      </app-select-field>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .lot {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.5rem;
      align-items: end;
      padding: 0.25rem 0;
      border-bottom: 1px solid var(--bs-border-color);
    }
    .lot > app-quantity-field,
    .lot > app-select-field {
      flex: 1 1 9rem;
    }
    app-select-field {
      max-width: 24rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CardsSetup {
  protected readonly sheet = inject(DaySheet);
  protected readonly fields = FIELDS;
  protected readonly usualChange = `${USUAL_CARD_CHANGE_MIN} min`;

  protected readonly lots = computed(() =>
    (this.sheet.day()?.cards ?? []).map((cards) => {
      const device = this.sheet.gear().get(cards.deviceId);
      const modes = device?.kind === 'device' ? (device.modes ?? []) : [];
      return {
        cards,
        title: `${device?.name ?? 'A device that is gone'}, ${this.sheet.rigs().get(cards.rigId)?.name ?? 'a rig that is gone'}`,
        modes: modes.map(({ id, name }) => ({ id, name, minutes: cards.modes?.find(({ mode }) => mode === id)?.minutes })),
      };
    }),
  );
  /** Devices of the day's rigs that have none yet. */
  protected readonly devices = computed(() => {
    const day = this.sheet.day();
    return (day?.rigIds ?? []).flatMap((rigId) => {
      const rig = this.sheet.rigs().get(rigId);
      return (rig?.devices ?? [])
        .filter(({ gearId }) => !day!.cards?.some((cards) => cards.rigId === rigId && cards.deviceId === gearId))
        .map(({ gearId }) => [`${rigId} ${gearId}`, `${this.sheet.gear().get(gearId)?.name ?? '?'}, ${rig!.name}`] as const);
    });
  });

  protected add(choice: string): void {
    const [rigId = '', deviceId = ''] = choice.split(' ');
    if (deviceId !== '') this.sheet.edit((day) => withNewCards(day, rigId, deviceId), `cards ${Date.now()}`);
  }

  protected set({ id }: Cards, changes: Changes<Cards>): void {
    this.sheet.edit((day) => withCards(day, id, changes), `cards ${id} ${Object.keys(changes).join()}`);
  }

  protected setMode({ id }: Cards, mode: string, minutes: number | undefined): void {
    this.sheet.edit((day) => withCardMode(day, id, mode, minutes), `cards ${id} ${mode}`);
  }

  protected remove(id: string): void {
    this.sheet.edit((day) => withoutCards(day, new Set([id])), `cards ${id} gone`);
  }
}
