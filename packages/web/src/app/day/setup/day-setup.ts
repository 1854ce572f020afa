import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { BLOCK_KINDS, chargerOf, dayShape, gearTitle } from '@viaggio/core';
import type { Day, OwnKind, Place } from '@viaggio/core';
import { QuantityField } from '../../fields/quantity-field';
import { TextField } from '../../fields/text-field';
import { DaySheet } from '../page/day-sheet';
import { ClockField } from '../../fields/clock-field';
import { WeatherSetup } from './weather-setup';
import { SelectField } from '../../fields/select-field';
import { choicesOf } from '../../fields/choices-of';
import { CheckField } from '../../fields/check-field';
import { DateField } from '../../fields/date-field';

const FIELDS = dayShape.fields;
const PLACE = FIELDS.places.of.item.fields;

/** Places and gear: which rigs, where there is power and who moves batteries when, chargers, batteries and how full they are. */
@Component({
  selector: 'app-day-setup',
  imports: [DateField, CheckField, ClockField, QuantityField, SelectField, TextField, WeatherSetup],
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
      .filter(([, gear]) => !gear.archived && chargerOf(gear))
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
        if (gear.kind !== 'battery' || gear.archived) return [];
        const said = this.day().batteries?.find(({ gearId }) => gearId === id);
        return [{ id, title: gearTitle(gear), inRig: own.has(id), on: said !== undefined || own.has(id), said, known: gear.charge }];
      })
      .sort((a, b) => Number(b.on) - Number(a.on) || a.title.localeCompare(b.title));
  });

  protected setRig(id: string, on: boolean): void {
    const { rigIds, blocks, swaps = [] } = this.day();
    if (on) this.sheet.change({ rigIds: [...rigIds, id] }, `rig ${id}`);
    else {
      const other = <T extends { readonly rigId: string }>(list: readonly T[]): T[] => list.filter(({ rigId }) => rigId !== id);
      this.sheet.change({ rigIds: rigIds.filter((one) => one !== id), blocks: other(blocks), swaps: other(swaps) }, `rig ${id}`);
    }
  }

  protected addPlace(): void {
    const places = this.day().places ?? [];
    const taken = new Set(places.map(({ id }) => id));
    let number = places.length + 1;
    while (taken.has(`place-${number}`)) number++;
    this.sheet.change({ places: [...places, { id: `place-${number}`, name: `Place ${number}`, power: 'mains' }] }, `place ${number}`);
  }

  protected setPlace(id: string, changes: Partial<{ [K in keyof Place]: Place[K] | undefined }>, field: string): void {
    const places = (this.day().places ?? []).map((place) => (place.id === id ? (defined({ ...place, ...changes }) as Place) : place));
    this.sheet.change({ places }, `place ${id} ${field}`);
  }

  /** Blocks of the kind go on like what it is like now. */
  protected setKind(id: string, changes: Partial<OwnKind>, field: string): void {
    const { kinds = [], blocks } = this.day();
    const like = changes.like;
    this.sheet.change(
      {
        kinds: kinds.map((own) => (own.id === id ? { ...own, ...changes } : own)),
        ...(like && { blocks: blocks.map((block) => (block.ownKindId === id ? { ...block, kind: like } : block)) }),
      },
      `kind ${id} ${field}`,
    );
  }

  /** Its blocks stay, as what they were like. */
  protected removeKind(id: string): void {
    const { kinds = [], blocks } = this.day();
    const left = kinds.filter((own) => own.id !== id);
    this.sheet.change(
      {
        kinds: left.length > 0 ? left : undefined,
        blocks: blocks.map(({ ownKindId, ...block }) => (ownKindId === undefined || ownKindId === id ? block : { ...block, ownKindId })),
      },
      `kind ${id} gone`,
    );
  }

  /** What stood or was planned at the place stands nowhere then. */
  protected removePlace(id: string): void {
    const { places = [], chargers = [], blocks, hands = [] } = this.day();
    this.sheet.change(
      {
        places: places.filter((place) => place.id !== id),
        chargers: chargers.filter(({ placeId }) => placeId !== id),
        hands: hands.filter(({ placeId }) => placeId !== id),
        blocks: blocks.map(({ placeId, ...block }) => (placeId === undefined || placeId === id ? block : { ...block, placeId })),
      },
      `place ${id} gone`,
    );
  }

  protected setCharger(id: string, placeId: string): void {
    const others = (this.day().chargers ?? []).filter(({ gearId }) => gearId !== id);
    const charges = (this.day().charges ?? []).filter(({ chargerId }) => placeId !== '' || chargerId !== id);
    this.sheet.change({ chargers: placeId === '' ? others : [...others, { gearId: id, placeId }], charges }, `charger ${id}`);
  }

  protected setHands(index: number, changes: Partial<NonNullable<Day['hands']>[number]>): void {
    const hands = (this.day().hands ?? []).map((one, place) => (place === index ? { ...one, ...changes } : one));
    this.sheet.change({ hands }, `hands ${index}`);
  }

  protected addHands(): void {
    this.sheet.change({ hands: [...(this.day().hands ?? []), { from: 7 * 60, to: 22 * 60 }] }, `hands ${Date.now()}`);
  }

  protected removeHands(index: number): void {
    this.sheet.change({ hands: (this.day().hands ?? []).filter((_, place) => place !== index) }, `hands ${Date.now()}`);
  }

  protected setBattery(id: string, changes: Partial<{ startCharge: number | undefined; apart: boolean }> | undefined): void {
    const known = (this.day().batteries ?? []).find(({ gearId }) => gearId === id);
    const others = (this.day().batteries ?? []).filter(({ gearId }) => gearId !== id);
    const next =
      changes &&
      (defined({ gearId: id, ...known, ...changes, ...(changes.apart === false && { apart: undefined }) }) as { gearId: string });
    this.sheet.change({ batteries: next ? [...others, next] : others }, `battery ${id}`);
  }
}

function defined(value: object): object {
  return Object.fromEntries(Object.entries(value).filter(([, one]) => one !== undefined));
}
