import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { BAG_KINDS, flightRulesTitle, LEG_KINDS, tripShape } from '@viaggio/core/travel';
import type { Bag, Leg, Person } from '@viaggio/core/travel';
import { formatDate, withChanges } from '@viaggio/core/units';
import type { Changes } from '@viaggio/core/units';
import { CheckField } from '../../../fields/check-field';
import { DateField } from '../../../fields/date-field';
import { QuantityField } from '../../../fields/quantity-field';
import { SelectField } from '../../../fields/select-field';
import { TextField } from '../../../fields/text-field';
import { Icon } from '../../../basics/icon';
import { selectDays, selectRigs } from '../../../state/items.selectors';
import { TripSheet } from './trip-sheet';

const F = tripShape.fields;

/** What a trip is made of: its days and rigs, who travels, the legs, the bags. */
@Component({
  selector: 'app-setup-page',
  imports: [CheckField, DateField, Icon, QuantityField, SelectField, TextField],
  templateUrl: './setup-page.html',
  styleUrl: './setup-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetupPage {
  protected readonly sheet = inject(TripSheet);
  private readonly store = inject(Store);
  private readonly days = this.store.selectSignal(selectDays);
  private readonly rigEntries = this.store.selectSignal(selectRigs);
  protected readonly fields = F;
  protected readonly person = F.people.of.item.fields;
  protected readonly leg = F.legs.of.item.fields;
  protected readonly bag = F.bags.of.item.fields;
  protected readonly hows = Object.entries(LEG_KINDS) as readonly (readonly [Leg['by'], string])[];
  protected readonly goes = Object.entries(BAG_KINDS) as readonly (readonly [Bag['goes'], string])[];
  protected readonly rules = computed((): readonly (readonly [string, string])[] => [
    ['', 'the usual rules'],
    ...[...this.sheet.rules()].map(([id, rules]) => [id, flightRulesTitle(rules)] as const),
  ]);
  protected readonly carriers = computed((): readonly (readonly [string, string])[] => [
    ['', 'nobody in particular'],
    ...(this.sheet.trip()?.people ?? []).map(({ id, name }) => [id, name] as const),
  ]);
  protected readonly dayRows = computed(() => {
    const chosen = new Set(this.sheet.trip()?.dayIds ?? []);
    return this.days().map(({ id, body }) => ({ id, on: chosen.has(id), title: `${body.name}, ${formatDate(body.date)}` }));
  });
  protected readonly rigRows = computed(() => {
    const chosen = new Set(this.sheet.trip()?.rigIds ?? []);
    const ofDays = new Set((this.sheet.trip()?.dayIds ?? []).flatMap((id) => this.sheet.days().get(id)?.rigIds ?? []));
    return this.rigEntries().map(({ id, body }) => ({
      id,
      title: ofDays.has(id) ? `${body.name} (of a day)` : body.name,
      on: chosen.has(id) || ofDays.has(id),
      fixed: ofDays.has(id),
    }));
  });

  protected setDay(id: string, on: boolean): void {
    this.sheet.change({ dayIds: toggled(this.sheet.trip()!.dayIds, id, on) }, `day ${id}`);
  }

  protected setRig(id: string, on: boolean): void {
    this.sheet.change({ rigIds: toggled(this.sheet.trip()!.rigIds, id, on) }, `rig ${id}`);
  }

  protected setPerson(id: string, changes: Changes<Person>, field: string): void {
    this.sheet.change({ people: changed(this.sheet.trip()!.people, id, changes) }, `person ${id} ${field}`);
  }

  protected setLeg(id: string, changes: Changes<Leg>, field: string): void {
    this.sheet.change({ legs: changed(this.sheet.trip()!.legs, id, changes) }, `leg ${id} ${field}`);
  }

  protected setBag(id: string, changes: Changes<Bag>, field: string): void {
    this.sheet.change({ bags: changed(this.sheet.trip()!.bags, id, changes) }, `bag ${id} ${field}`);
  }

  /** With a person comes their cabin bag, where something flies. */
  protected addPerson(): void {
    const { people = [], bags = [], legs = [] } = this.sheet.trip()!;
    const [id, name] = [crypto.randomUUID(), `Person ${people.length + 1}`];
    const bag: Bag = {
      id: crypto.randomUUID(),
      name: `Cabin bag ${bags.filter(({ goes }) => goes === 'cabin').length + 1}`,
      goes: 'cabin',
      personId: id,
    };
    this.sheet.change(
      { people: [...people, { id, name }], ...(legs.some(({ by }) => by === 'air') && { bags: [...bags, bag] }) },
      `person ${id}`,
    );
  }

  protected addLeg(): void {
    const { legs = [] } = this.sheet.trip()!;
    const id = crypto.randomUUID();
    this.sheet.change({ legs: [...legs, { id, name: `Leg ${legs.length + 1}`, by: legs.length === 0 ? 'air' : 'road' }] }, `leg ${id}`);
  }

  protected addBag(goes: Bag['goes']): void {
    const { bags = [] } = this.sheet.trip()!;
    const id = crypto.randomUUID();
    const names = { cabin: 'Cabin bag', hold: 'Case', freight: 'Crate' } as const;
    const name = `${names[goes]} ${bags.filter((one) => one.goes === goes).length + 1}`;
    this.sheet.change({ bags: [...bags, { id, name, goes }] }, `bag ${id}`);
  }

  protected without(kind: 'people' | 'legs' | 'bags', id: string): void {
    const trip = this.sheet.trip()!;
    if (kind === 'people') {
      const bags = (trip.bags ?? []).map((bag) => (bag.personId === id ? withChanges(bag, { personId: undefined }) : bag));
      this.sheet.change({ people: (trip.people ?? []).filter((one) => one.id !== id), bags }, `without ${id}`);
    } else this.sheet.change({ [kind]: (trip[kind] ?? []).filter((one) => one.id !== id) }, `without ${id}`);
  }
}

function toggled(ids: readonly string[] = [], id: string, on: boolean): readonly string[] {
  return on ? [...new Set([...ids, id])] : ids.filter((one) => one !== id);
}

function changed<T extends { readonly id: string }>(all: readonly T[] = [], id: string, changes: Changes<T>): readonly T[] {
  return all.map((one) => (one.id === id ? withChanges(one, changes) : one));
}
