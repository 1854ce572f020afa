import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  BLOCK_KINDS,
  chargerOf,
  dayShape,
  withBattery,
  withCharger,
  withHands,
  withKind,
  withNewHands,
  withNewPlace,
  withoutHands,
  withoutKind,
  withoutPlace,
  withoutRig,
  withPlace,
  withRig,
} from '@viaggio/core/day';
import type { Day, OwnKind, Place } from '@viaggio/core/day';
import { gearTitle, whyNotAtHand } from '@viaggio/core/gear';
import type { Changes } from '@viaggio/core/units';
import { QuantityField } from '../../../fields/quantity-field';
import { TextField } from '../../../fields/text-field';
import { PickerField } from '../../../fields/picker-field';
import { zoneChoices } from '../../../fields/zones';
import { DaySheet } from '../sheet/day-sheet';
import { ClockField } from '../../../fields/clock-field';
import { CardsSetup } from './cards-setup';
import { WeatherSetup } from './weather-setup';
import { SelectField } from '../../../fields/select-field';
import { choicesOf } from '../../../fields/choices-of';
import { CheckField } from '../../../fields/check-field';
import { DateField } from '../../../fields/date-field';

const FIELDS = dayShape.fields;
const PLACE = FIELDS.places.of.item.fields;

/** Places and gear: which rigs, where there is power and who moves batteries when, chargers, batteries and how full they are. */
@Component({
  selector: 'app-day-setup',
  imports: [CardsSetup, DateField, CheckField, ClockField, QuantityField, SelectField, TextField, WeatherSetup, PickerField],
  templateUrl: './day-setup.html',
  styles: `
    fieldset {
      margin-bottom: 1rem;
    }
    legend {
      font-size: 1rem;
      font-weight: 600;
      margin-bottom: 0.25rem;
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: end;
      padding: 0.25rem 0;
      border-bottom: 1px solid var(--bs-border-color);
    }
    .line > * {
      flex: 1 1 8rem;
    }
    .line > .btn {
      flex: 0 0 auto;
    }
    .batteries {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
      gap: 0 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DaySetup {
  protected readonly sheet = inject(DaySheet);
  protected readonly fields = FIELDS;
  protected readonly zones = zoneChoices();
  protected readonly place = PLACE;
  protected readonly kind = FIELDS.kinds.of.item.fields;
  protected readonly likes = choicesOf(BLOCK_KINDS);
  protected readonly powers = Object.entries(PLACE.power.options) as readonly (readonly [Place['power'], string])[];
  protected readonly day = computed(() => this.sheet.day()!);

  protected readonly rigs = computed(() =>
    [...this.sheet.rigs()].map(([id, { name }]) => ({ id, name, on: this.day().rigIds.includes(id) })),
  );
  protected readonly chargers = computed(() =>
    [...this.sheet.gear()]
      .filter(([, gear]) => whyNotAtHand(gear) === undefined && chargerOf(gear))
      .map(([id, gear]) => ({
        id,
        title: gearTitle(gear),
        placeId: this.day().chargers?.find(({ gearId }) => gearId === id)?.placeId ?? '',
      })),
  );
  /** Batteries of the rigs of the day are there anyway. */
  protected readonly batteries = computed(() => {
    const own = new Set(
      this.day().rigIds.flatMap(
        (rigId) =>
          this.sheet
            .rigs()
            .get(rigId)
            ?.links.map(({ from }) => from.gearId) ?? [],
      ),
    );
    return [...this.sheet.gear()]
      .flatMap(([id, gear]) => {
        const said = this.day().batteries?.find(({ gearId }) => gearId === id);
        if (gear.kind !== 'battery' || (whyNotAtHand(gear) !== undefined && !said && !own.has(id))) return [];
        return [{ id, title: gearTitle(gear), inRig: own.has(id), on: said !== undefined || own.has(id), said, known: gear.charge }];
      })
      .sort((a, b) => Number(b.on) - Number(a.on) || a.title.localeCompare(b.title));
  });

  protected setRig(id: string, on: boolean): void {
    this.sheet.edit((day) => (on ? withRig(day, id) : withoutRig(day, id)), `rig ${id}`);
  }

  protected addPlace(): void {
    this.sheet.edit(withNewPlace, `place ${Date.now()}`);
  }

  protected setPlace(id: string, changes: Changes<Place>, field: string): void {
    this.sheet.edit((day) => withPlace(day, id, changes), `place ${id} ${field}`);
  }

  protected setKind(id: string, changes: Partial<OwnKind>, field: string): void {
    this.sheet.edit((day) => withKind(day, id, changes), `kind ${id} ${field}`);
  }

  protected removeKind(id: string): void {
    this.sheet.edit((day) => withoutKind(day, id), `kind ${id} gone`);
  }

  protected removePlace(id: string): void {
    this.sheet.edit((day) => withoutPlace(day, id), `place ${id} gone`);
  }

  protected setCharger(id: string, placeId: string): void {
    this.sheet.edit((day) => withCharger(day, id, placeId === '' ? undefined : placeId), `charger ${id}`);
  }

  protected setHands(index: number, changes: Changes<NonNullable<Day['hands']>[number]>): void {
    this.sheet.edit((day) => withHands(day, index, changes), `hands ${index}`);
  }

  protected addHands(): void {
    this.sheet.edit(withNewHands, `hands ${Date.now()}`);
  }

  protected removeHands(index: number): void {
    this.sheet.edit((day) => withoutHands(day, index), `hands ${Date.now()}`);
  }

  protected setBattery(id: string, changes: { readonly startCharge?: number | undefined; readonly apart?: boolean } | undefined): void {
    this.sheet.edit((day) => withBattery(day, id, changes), `battery ${id}`);
  }
}
