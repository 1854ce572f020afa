import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  BATTERY_CLASSES,
  batteryOfLabel,
  baysOf,
  connectorName,
  forBay,
  gearShape,
  GENERIC_TRUNK,
  nextTags,
  readLabel,
  tagFor,
} from '@viaggio/core/gear';
import type { BatteryClassId, Gear, GearKind, Label, LabelAnswers, LabelledBattery } from '@viaggio/core/gear';
import { CHEMISTRIES, formatQuantity, number, withChanges } from '@viaggio/core/units';
import type { ChemistryId, Parsed } from '@viaggio/core/units';
import { LABEL_QUESTIONS, sayLabel, sayLabelled } from '@viaggio/core/words';
import { GearEditor } from '../../parts/gear/gear-editor';
import { KINDS, KIND_TITLES, sortOf } from '../../parts/gear/kinds';
import { LabelField } from '../../fields/label-field';
import { LabelPhoto } from './label-photo/label-photo';
import { QuantityField } from '../../fields/quantity-field';
import { TextField } from '../../fields/text-field';
import { UnreadFields } from '../../fields/unread-fields';
import { Items } from '../../state/items.actions';
import { selectGear } from '../../state/items.selectors';
import { SelectField } from '../../fields/select-field';

const NO_LABEL: Label = { text: '', reads: {}, asks: [] };

/** Quick ways into the kit: a generic thing to start from, or what a battery's label says; several of a kind at once. */
@Component({
  selector: 'app-add-page',
  imports: [GearEditor, LabelField, LabelPhoto, QuantityField, SelectField, TextField],
  providers: [UnreadFields],
  templateUrl: './add-page.html',
  styleUrl: './add-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddPage {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly kit = this.store.selectSignal(selectGear);
  protected readonly way = signal<'list' | 'label'>('list');
  protected readonly search = signal('');
  protected readonly classes = Object.entries(BATTERY_CLASSES).map(([id, { title }]) => [id as BatteryClassId, title] as const);
  protected readonly chemistries = Object.entries(CHEMISTRIES).map(([id, { name }]) => [id as ChemistryId, name] as const);
  protected readonly questions = LABEL_QUESTIONS;
  protected readonly classId = signal<BatteryClassId>('camera');
  protected readonly class = computed((): { readonly example: string; readonly ports?: string } => BATTERY_CLASSES[this.classId()]);
  protected readonly none = NO_LABEL;
  protected readonly label = signal<Label>(NO_LABEL);
  protected readonly ports = signal<Label | undefined>(undefined);
  protected readonly answers = signal<LabelAnswers>({});
  protected readonly bay = signal<string | undefined>(undefined);
  /** Stays while its labels change. */
  protected readonly called = signal<string | undefined>(undefined);
  /** Another thing is begun: what was typed for the one before is not its own. */
  protected readonly begun = signal(0);
  /** Whether things of this class name ports on their labels; what was typed of another class does not count. */
  private readonly asksPorts = computed(() => this.class().ports !== undefined);
  /** What the labels make of it so far. */
  protected readonly assumed = computed(() => this.labelled().assumed.map(sayLabelled).join('; '));
  protected readonly labelled = computed((): LabelledBattery =>
    batteryOfLabel(this.classId(), this.label(), this.asksPorts() ? this.ports() : undefined, this.answers()),
  );
  /** What is about to be added; its figures can be changed before it is. */
  protected readonly draft = linkedSignal<Gear | undefined>(() =>
    this.way() === 'label'
      ? { ...forBay(this.labelled().battery, this.bay()), ...(this.called() !== undefined && { name: this.called()! }) }
      : undefined,
  );
  protected readonly count = signal(1);
  protected readonly tagShape = gearShape.variants.battery.tag.of;
  protected readonly nameShape = gearShape.variants.battery.name;
  protected readonly bayShape = { ...gearShape.variants.battery.name, title: 'Fits the bay' };
  protected readonly countShape = number('How many', 'count', { min: 1, max: 50, integer: true });
  protected readonly shapes = gearShape.variants.battery;
  protected readonly read = (text: string): Parsed<Label> => {
    const label = readLabel(text);
    return label.refused ? { ok: false, issue: label.refused } : { ok: true, value: label };
  };
  /** Whether its label is read from a photograph, and what somebody said is right of it. */
  protected readonly photo = signal(false);
  protected readonly photoText = signal('');
  protected readonly say = sayLabel;
  /** By a label it is asked beside it; what comes from the list is made for a bay here. */
  protected readonly bays = computed(() => {
    const draft = this.draft();
    return draft ? baysOf(draft) : [];
  });
  /** What it comes to, before it is added. */
  protected readonly summary = computed((): readonly (readonly [string, string])[] => {
    const battery = this.battery();
    if (!battery) return [];
    const { energyWh, cellsInSeries, chemistry, outputs, from } = battery;
    const isSaid = !this.labelled().asks.includes('chemistry');
    return [
      [
        'Energy',
        energyWh === undefined ? 'unknown' : `${formatQuantity(energyWh, 'Wh')}, ${from?.energyWh === 'guess' ? 'a guess' : 'as printed'}`,
      ],
      ['Cells', `${cellsInSeries ?? 'unknown'} in series${isSaid ? `, ${CHEMISTRIES[chemistry].name}` : ''}`],
      [
        'Ports',
        outputs
          .map(({ name, connector }) => (connectorName(connector).startsWith(name) ? name : `${name} (${connectorName(connector)})`))
          .join(', '),
      ],
    ];
  });
  private readonly unread = inject(UnreadFields);
  /** Which question stands before its figures can be looked at. */
  protected readonly asked = computed(() =>
    this.way() === 'label' && this.labelled().asks.includes('chemistry') ? 'Say which chemistry it is.' : undefined,
  );
  /** Why it cannot be added yet. */
  protected readonly hindered = computed(() => this.unread.why() ?? this.asked());
  protected readonly groups = computed(() => {
    const words = this.search()
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    const found = GENERIC_TRUNK.filter((gear) => words.every((word) => `${gear.name} ${sortOf(gear)}`.toLowerCase().includes(word)));
    return KINDS.map((kind: GearKind) => ({
      kind,
      title: KIND_TITLES[kind].many,
      gear: found.filter((gear) => gear.kind === kind),
    })).filter(({ gear }) => gear.length > 0);
  });
  private readonly tagsInUse = computed(() => new Set(this.kit().flatMap(({ body }) => body.tag ?? [])));
  /** The tag that comes next for things of this sort, until another is typed. */
  protected readonly tag = linkedSignal<string | undefined>(() => {
    const draft = this.draft();
    if (draft?.kind !== 'battery') return undefined;
    const alike = this.kit().flatMap(({ body }) => (body.kind === 'battery' && body.form === draft.form && body.tag ? [body.tag] : []));
    return tagFor(draft.form, alike, this.tagsInUse());
  });
  protected readonly tags = computed(() => {
    const tag = this.tag();
    return tag === undefined ? undefined : nextTags(tag, this.count(), this.tagsInUse());
  });
  protected readonly tagTaken = computed(() => this.kit().some(({ body }) => body.tag !== undefined && body.tag === this.tag()));
  protected readonly battery = computed(() => {
    const draft = this.draft();
    return draft?.kind === 'battery' ? draft : undefined;
  });
  protected readonly families = computed(() => [
    ...new Set(
      this.kit().flatMap(({ body }) =>
        body.kind === 'device' ? body.inputs.flatMap(({ connector }) => (connector.type === 'bay' ? (connector.family ?? []) : [])) : [],
      ),
    ),
  ]);

  /** The first of what is on its way into the kit; it is shown there once it is in. */
  private adding: string | undefined;

  constructor() {
    const actions = inject(Actions).pipe(takeUntilDestroyed());
    actions
      .pipe(ofType(Items.changed))
      .subscribe(() => this.adding !== undefined && void this.router.navigate(['/kit'], { queryParams: { item: this.adding } }));
    actions.pipe(ofType(Items.changeFailed)).subscribe(() => (this.adding = undefined));
  }

  protected usePhoto(text: string): void {
    this.photoText.set(text);
    this.label.set(readLabel(text));
    this.photo.set(false);
  }

  protected choose(way: 'list' | 'label'): void {
    this.way.set(way);
    if (way === 'label') this.startLabel(this.classId());
  }

  protected pick(gear: Gear): void {
    this.draft.set(forBay(gear, this.bay()));
    this.begun.update((before) => before + 1);
    this.count.set(1);
  }

  protected startLabel(id: BatteryClassId): void {
    this.classId.set(id);
    this.begun.update((before) => before + 1);
    this.answers.set({});
  }

  protected answer(said: { readonly [K in keyof LabelAnswers]: LabelAnswers[K] | undefined }): void {
    this.answers.update((before) => withChanges(before, said));
  }

  protected fit(bay: string | undefined): void {
    this.bay.set(bay);
    const draft = this.draft();
    if (this.way() === 'list' && draft) this.draft.set(forBay(draft, bay));
  }

  protected name(name: string | undefined): void {
    const draft = this.draft();
    if (this.way() === 'label') this.called.set(name);
    else if (draft && name !== undefined) this.draft.set({ ...draft, name });
  }

  protected add(): void {
    const draft = this.draft();
    if (!draft) return;
    const tags = this.tags();
    const added = Array.from({ length: this.count() }, (_, index) => ({
      id: crypto.randomUUID(),
      body: { ...draft, ...(tags && { tag: tags[index]! }) },
    }));
    const changes = added.map(({ id, body }) => ({ kind: 'gear', id, after: body }) as const);
    const title = added.length === 1 ? `“${draft.name}” is in the kit` : `${added.length} of “${draft.name}” are in the kit`;
    this.adding = added[0]!.id;
    this.store.dispatch(Items.change({ step: { changes, field: 'add', at: Date.now(), title } }));
  }
}
