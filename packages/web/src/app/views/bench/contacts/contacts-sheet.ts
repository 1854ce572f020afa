import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { compareContacts, contactRole, sheetShape, verdictOfContacts, windowOf } from '@viaggio/core/bench';
import type { Contact, ContactRole, MeterReading, SheetOf } from '@viaggio/core/bench';
import { gearShape, gearTitle } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { sayCommonly, sayDifference, WAYS_ON } from '@viaggio/core/words';
import { choicesOf } from '../../../fields/choices-of';
import { PickerField } from '../../../fields/picker-field';
import type { Choice } from '../../../fields/picker-field';
import { QuantityField } from '../../../fields/quantity-field';
import { SelectField } from '../../../fields/select-field';
import { ShapeForm } from '../../../fields/shape-form';
import { TextField } from '../../../fields/text-field';
import { KIND_TITLES } from '../../../parts/gear/kinds';
import { localDate } from '../../../device/dates';
import { PageMenu } from '../../../basics/page-menu';
import type { PageAct } from '../../../basics/page-menu';
import { QuantityPipe } from '../../../basics/quantity.pipe';
import { VerdictMark } from '../../../basics/verdict-mark';
import { BenchSheets } from '../../../parts/bench-sheets';
import { MeterField } from '../meter-field';

type Side = 'original' | 'substitute';
type Change = NonNullable<Gear['changedByHand']>[number];
const FEWEST = 2;
const MOST = 10;

/** The contacts of an original battery beside those of what takes its place, in one table, with what differs and what that does. */
@Component({
  selector: 'app-contacts-sheet',
  imports: [MeterField, PageMenu, PickerField, QuantityField, QuantityPipe, SelectField, ShapeForm, TextField, VerdictMark],
  templateUrl: './contacts-sheet.html',
  styleUrl: './contacts-sheet.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ContactsSheet {
  readonly id = input.required<string>();
  readonly sheet = input.required<SheetOf<'contacts'>>();
  private readonly bench = inject(BenchSheets);
  private readonly router = inject(Router);
  protected readonly shapes = sheetShape.variants.contacts;
  protected readonly changeShape = gearShape.variants.adapter.changedByHand.of.item;
  protected readonly roles = choicesOf(contactRole.options);
  protected readonly waysOn = WAYS_ON;
  protected readonly sides: readonly Side[] = ['original', 'substitute'];
  protected readonly most = MOST;
  protected readonly fewest = FEWEST;
  protected readonly window = computed(() => {
    const { deviceId } = this.sheet();
    return windowOf(deviceId === undefined ? undefined : this.bench.gear().get(deviceId));
  });
  protected readonly rows = computed(() =>
    compareContacts(this.sheet(), this.window()).map((one) => ({ ...one, says: sayDifference(one), commonly: sayCommonly(one) })),
  );
  protected readonly verdict = computed(() => verdictOfContacts(this.rows()));
  protected readonly differing = computed(() => this.rows().filter(({ code }) => code !== 'same'));
  protected readonly devices = computed(() => this.choices(['device']));
  protected readonly substitutes = computed(() => this.choices(['adapter', 'battery', 'hub']));
  protected readonly substitute = computed(() => {
    const { substituteId } = this.sheet();
    return substituteId === undefined ? undefined : this.bench.gear().get(substituteId);
  });
  /** What somebody has changed on it, while it is written down. */
  protected readonly draft = signal<Partial<Change> | undefined>(undefined);
  protected readonly written = signal<Change | undefined>(undefined);
  protected readonly acts: readonly PageAct[] = [
    { title: 'Print', icon: 'print', do: () => window.print() },
    { title: 'Delete', icon: 'remove', takesAway: true, do: () => this.remove() },
  ];

  protected change(changes: Parameters<typeof withChanges<SheetOf<'contacts'>>>[1], field: string): void {
    this.bench.edit(this.id(), withChanges(this.sheet(), changes), field);
  }

  protected setBy(by: string | undefined): void {
    this.bench.rememberWho(by);
    this.change({ by }, 'by');
  }

  protected setRole(index: number, role: ContactRole): void {
    this.setContact(index, { role }, 'role');
  }

  protected setName(index: number, name: string): void {
    if (name.trim() !== '') this.setContact(index, { name: name.trim().slice(0, 20) }, 'name');
  }

  protected setVolts(index: number, side: Side, field: 'openV' | 'loadedV', reading: MeterReading | undefined): void {
    const before = this.sheet().contacts[index]?.[side] ?? {};
    const value = reading === 'OL' ? 1_000_000 : reading;
    this.setContact(index, { [side]: withChanges(before, { [field]: value }) }, `${side} ${field}`);
  }

  protected setOhms(index: number, side: Side, reading: MeterReading | undefined): void {
    const before = this.sheet().contacts[index]?.[side] ?? {};
    const next = withChanges(before, { ohms: reading === 'OL' ? undefined : reading, over: reading === 'OL' ? true : undefined });
    this.setContact(index, { [side]: next }, `${side} ohms`);
  }

  protected ohmsOf(contact: Contact, side: Side): MeterReading | undefined {
    return contact[side]?.over ? 'OL' : contact[side]?.ohms;
  }

  protected add(): void {
    const { contacts } = this.sheet();
    if (contacts.length < MOST) this.change({ contacts: [...contacts, { name: `${contacts.length + 1}`, role: 'other' }] }, 'contacts');
  }

  protected less(index: number): void {
    const { contacts } = this.sheet();
    if (contacts.length > FEWEST) this.change({ contacts: contacts.filter((_, at) => at !== index) }, 'contacts');
  }

  protected begin(): void {
    this.written.set(undefined);
    this.draft.set({ at: localDate(new Date()), what: '' });
  }

  protected write(): void {
    const [change, gear, { substituteId }] = [this.written(), this.substitute(), this.sheet()];
    if (!change || !gear || substituteId === undefined) return;
    this.bench.correct(substituteId, { ...gear, changedByHand: [...(gear.changedByHand ?? []), change] }, 'changedByHand');
    this.draft.set(undefined);
  }

  private setContact(index: number, changes: { readonly [K in keyof Contact]?: Contact[K] | undefined }, field: string): void {
    const contacts = this.sheet().contacts.map((contact, at) => (at === index ? withChanges(contact, changes) : contact));
    this.change({ contacts }, `contact ${index} ${field}`);
  }

  private choices(kinds: readonly Gear['kind'][]): readonly Choice[] {
    return this.bench
      .gearEntries()
      .filter(({ body }) => kinds.includes(body.kind) && !body.archived)
      .map(({ id, body }) => ({ value: id, title: gearTitle(body), group: KIND_TITLES[body.kind].many }));
  }

  private remove(): void {
    this.bench.remove(this.id(), this.sheet());
    void this.router.navigate(['/bench/contacts']);
  }
}
