import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  GENERIC_TRUNK,
  blankBattery,
  cellsFromNominal,
  forBay,
  formatQuantity,
  gearShape,
  nextTags,
  number,
  readBatteryLabel,
  readPortLabel,
  readProfiles,
  tagAfter,
} from '@viaggio/core';
import type { Battery, BatteryLabel, Gear, GearKind, Output, PortLabel } from '@viaggio/core';
import { GearEditor } from '../gear/gear-editor';
import { KINDS, KIND_TITLES, sortOf } from '../gear/kinds';
import { LabelField } from '../fields/label-field';
import { QuantityField } from '../fields/quantity-field';
import { TextField } from '../fields/text-field';
import { Items } from '../state/items.actions';
import { selectGear } from '../state/items.selectors';
import { SelectField } from '../fields/select-field';

type Form = Battery['form'];

/** Forms that a label can be read for, with the port that is usual for each. */
const LABELLED: readonly { readonly form: Form; readonly title: string; readonly port: 'pack' | 'fixed' | 'pd' }[] = [
  { form: 'camera', title: 'camera battery', port: 'pack' },
  { form: 'v-mount', title: 'V-mount battery', port: 'pack' },
  { form: 'bank', title: 'USB bank with Power Delivery', port: 'pd' },
  { form: 'bank', title: 'USB bank, plain 5 V', port: 'fixed' },
];

/** Quick ways into the kit: a generic thing to start from, or what a battery's label says; several of a kind at once. */
@Component({
  selector: 'app-add-page',
  imports: [GearEditor, LabelField, QuantityField, SelectField, TextField],
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
  protected readonly labelled = LABELLED;
  protected readonly labelKind = signal(0);
  /** What is about to be added; its figures can be changed before it is. */
  protected readonly draft = signal<Gear | undefined>(undefined);
  protected readonly count = signal(1);
  protected readonly tagShape = gearShape.variants.battery.tag.of;
  protected readonly nameShape = gearShape.variants.battery.name;
  protected readonly bayShape = { ...gearShape.variants.battery.name, title: 'Fits the bay' };
  protected readonly countShape = number('How many', 'count', { min: 1, max: 50, integer: true });
  protected readonly readBattery = readBatteryLabel;
  protected readonly readPort = readPortLabel;
  protected readonly readList = readProfiles;
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
  /** The tag that comes next for things of this sort, until another is typed. */
  protected readonly tag = linkedSignal<string | undefined>(() => {
    const draft = this.draft();
    if (draft?.kind !== 'battery') return undefined;
    const alike = this.kit().flatMap(({ body }) => (body.kind === 'battery' && body.form === draft.form && body.tag ? [body.tag] : []));
    return tagAfter(alike);
  });
  protected readonly tags = computed(() => {
    const inUse = new Set(this.kit().flatMap(({ body }) => body.tag ?? []));
    const tag = this.tag();
    return tag === undefined ? undefined : nextTags(tag, this.count(), inUse);
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

  protected readonly sayBattery = ({ energyWh, nominalV, capacityAh, energyComputed }: BatteryLabel): string => {
    const how =
      energyComputed && nominalV !== undefined && capacityAh !== undefined
        ? `${formatQuantity(nominalV, 'V')} × ${formatQuantity(capacityAh, 'Ah')} = `
        : '';
    const cells = nominalV === undefined ? undefined : cellsFromNominal(this.battery()?.chemistry ?? 'li-ion', nominalV);
    return `${how}${formatQuantity(energyWh, 'Wh')}${cells === undefined ? '' : `, ${cells} ${cells === 1 ? 'cell' : 'cells in series'}`}`;
  };
  protected readonly sayPort = ({ voltageV, currentA }: PortLabel): string =>
    `${formatQuantity(voltageV, 'V')} at ${formatQuantity(currentA, 'A')}`;
  protected readonly sayList = (profiles: readonly PortLabel[]): string => profiles.map(this.sayPort).join(', ');

  /** The first of what is on its way into the kit; it is shown there once it is in. */
  private adding: string | undefined;

  constructor() {
    const actions = inject(Actions).pipe(takeUntilDestroyed());
    actions
      .pipe(ofType(Items.changed))
      .subscribe(() => this.adding !== undefined && void this.router.navigate(['/kit'], { queryParams: { item: this.adding } }));
    actions.pipe(ofType(Items.changeFailed)).subscribe(() => (this.adding = undefined));
  }

  protected choose(way: 'list' | 'label'): void {
    this.way.set(way);
    if (way === 'label') this.startLabel(this.labelKind());
    else this.draft.set(undefined);
  }

  protected pick(gear: Gear): void {
    this.draft.set(gear);
    this.count.set(1);
  }

  protected startLabel(kind: number): void {
    this.labelKind.set(kind);
    const { form, port } = LABELLED[kind]!;
    this.draft.set(blankBattery(form as 'camera' | 'v-mount' | 'bank', port));
  }

  protected label({ energyWh, nominalV }: BatteryLabel): void {
    const battery = this.battery();
    if (!battery) return;
    const cells = nominalV === undefined ? undefined : cellsFromNominal(battery.chemistry, nominalV);
    this.draft.set({
      ...battery,
      energyWh,
      ...(nominalV !== undefined && { nominalV }),
      ...(cells !== undefined && { cellsInSeries: cells }),
      from: { ...battery.from, energyWh: 'printed' },
    });
  }

  protected port({ voltageV, currentA }: PortLabel): void {
    this.withPort((output) =>
      output.gives === 'fixed' ? { ...output, voltageV, maxA: currentA } : output.gives === 'pack' ? { ...output, maxA: currentA } : output,
    );
  }

  protected profiles(profiles: readonly PortLabel[]): void {
    this.withPort((output) => (output.gives === 'pd' ? { ...output, profiles } : output));
  }

  protected rating(ratingW: number | undefined): void {
    this.withPort((output) => {
      if (output.gives !== 'pd') return output;
      const { ratingW: _before, ...rest } = output;
      return ratingW === undefined ? rest : { ...rest, ratingW };
    });
  }

  protected family(family: string | undefined): void {
    const battery = this.battery();
    if (battery) this.draft.set(forBay(battery, family));
  }

  protected name(name: string | undefined): void {
    const draft = this.draft();
    if (draft && name !== undefined) this.draft.set({ ...draft, name });
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

  private withPort(change: (output: Output) => Output): void {
    const battery = this.battery();
    if (!battery) return;
    const [first, ...rest] = battery.outputs;
    this.draft.set({ ...battery, outputs: [change(first!), ...rest] });
  }
}
