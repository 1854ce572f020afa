import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { profilesByRating } from '@viaggio/core/answer';
import {
  cellsMeant,
  gearShape,
  outputShape,
  provenanceShape,
  readBatteryLabel,
  readPortLabel,
  readProfiles,
  withOutput,
  withTyped,
} from '@viaggio/core/gear';
import type { Battery, BatteryLabel, PortLabel, Provenance } from '@viaggio/core/gear';
import { CHEMISTRIES, formatQuantity, withChanges } from '@viaggio/core/units';
import type { ChemistryId } from '@viaggio/core/units';
import { LabelField } from '../../fields/label-field';
import { QuantityField } from '../../fields/quantity-field';
import { TextField } from '../../fields/text-field';
import { PortsField } from './ports-field';
import type { GearEdit } from './gear-edit';
import { SelectField } from '../../fields/select-field';
import { choicesOf } from '../../fields/choices-of';
import { counted } from '../../basics/counted';

/** What feeds it: the battery's label, its age, and what the port in use gives. */
@Component({
  selector: 'app-battery-editor',
  imports: [LabelField, PortsField, QuantityField, SelectField, TextField],
  template: `
    <app-text-field class="mb-2" label="Name of the battery" [shape]="shapes.name" [value]="battery().name" (valueChange)="name($event)" />
    <app-label-field
      class="mb-2"
      label="What its label says"
      placeholder="7.2 V 2040 mAh, or 95Wh"
      [read]="readBattery"
      [say]="sayBattery"
      (understoodAs)="label($event)"
    />
    <div class="pair">
      <app-quantity-field
        label="Energy"
        [optional]="true"
        [shape]="shapes.energyWh.of"
        [value]="battery().energyWh"
        (valueChange)="edit.emit({ body: withEnergy($event), field: 'energyWh' })"
      />
      <div>
        <app-select-field
          label="This figure is"
          [choices]="provenances"
          [value]="battery().from?.energyWh ?? 'printed'"
          (picked)="provenance($event)"
        />
      </div>
      <app-select-field label="Chemistry" [choices]="chemistries" [value]="battery().chemistry" (picked)="chemistry($event)" />
    </div>
    @if (battery().cellsInSeries === undefined) {
      <p class="small verdict-caution mb-1">How many cells are in series is not known: say it below, or which chemistry it is.</p>
    }
    @if (port(); as port) {
      @switch (port.gives) {
        @case ('pack') {
          <app-quantity-field
            [label]="port.name + ' allows'"
            [optional]="true"
            [from]="battery().from?.maxA"
            [shape]="ports.pack.maxA.of"
            [value]="port.maxA"
            (valueChange)="atPort({ maxA: $event }, 'maxA')"
          />
        }
        @case ('fixed') {
          <app-label-field
            label="What the port says"
            placeholder="5V 2.4A"
            [read]="readPort"
            [say]="sayPort"
            (understoodAs)="portLabel($event)"
          />
          @if (port.voltageV !== undefined) {
            <p class="small mb-1">Now {{ sayPort({ voltageV: port.voltageV, currentA: port.maxA ?? 0 }) }}.</p>
          }
        }
        @case ('pd') {
          <app-quantity-field
            label="Rating of the port"
            [optional]="true"
            [shape]="ports.pd.ratingW.of"
            [value]="port.ratingW"
            (valueChange)="atPort({ ratingW: $event }, 'ratingW')"
          />
          <app-label-field
            label="Its PD profiles, as printed"
            placeholder="5V 3A / 9V 3A / 12V 2.25A"
            [read]="readList"
            [say]="sayList"
            (understoodAs)="atPort({ profiles: $event }, 'profiles')"
          />
          <p class="small mb-1">Offers {{ offers() }}.</p>
        }
      }
    }
    <details class="mt-1">
      <summary>Its ports ({{ battery().outputs.length }})</summary>
      <app-ports-field [ofPack]="true" [outputs]="battery().outputs" (portsChange)="plain($event, 'outputs')" />
    </details>
    <details class="mt-1">
      <summary>Age, cells and what a meter found</summary>
      <div class="pair">
        <app-quantity-field
          label="Age"
          [optional]="true"
          [shape]="shapes.years.of"
          [value]="battery().years"
          (valueChange)="plain({ years: $event }, 'years')"
        />
        <app-quantity-field
          label="Cycles"
          [optional]="true"
          [shape]="shapes.cycles.of"
          [value]="battery().cycles"
          (valueChange)="plain({ cycles: $event }, 'cycles')"
        />
        <app-quantity-field
          label="Cells in series"
          placeholder="unknown"
          [optional]="true"
          [shape]="shapes.cellsInSeries.of"
          [value]="battery().cellsInSeries"
          (valueChange)="plain({ cellsInSeries: $event }, 'cellsInSeries')"
        />
        <app-quantity-field
          label="Resistance"
          placeholder="assumed"
          [optional]="true"
          [shape]="shapes.resistanceOhm.of"
          [value]="battery().resistanceOhm"
          (valueChange)="plain({ resistanceOhm: $event }, 'resistanceOhm')"
        />
        <app-quantity-field
          label="Cut-off"
          placeholder="assumed"
          [optional]="true"
          [shape]="shapes.cutoffV.of"
          [value]="battery().cutoffV"
          (valueChange)="plain({ cutoffV: $event }, 'cutoffV')"
        />
      </div>
      <p class="small text-body-secondary mb-0">Age counts only while the energy is not measured.</p>
    </details>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BatteryEditor {
  /** Makes the identifiers of its fields its own: a rig may hold several of a kind. */
  protected readonly group = `part-${crypto.randomUUID()}-`;
  readonly battery = input.required<Battery>();
  readonly outputId = input.required<string>();
  readonly edit = output<GearEdit<Battery>>();

  protected readonly shapes = gearShape.variants.battery;
  protected readonly ports = outputShape.variants;
  protected readonly chemistries = Object.entries(CHEMISTRIES).map(([id, { name }]) => [id as ChemistryId, name] as const);
  protected readonly provenances = choicesOf(provenanceShape.options);
  protected readonly port = computed(() => this.battery().outputs.find(({ id }) => id === this.outputId()));
  protected readonly offers = computed(() => {
    const port = this.port();
    if (port?.gives !== 'pd') return '';
    const profiles = port.profiles ?? (port.ratingW === undefined ? [] : profilesByRating(port.ratingW));
    return profiles.length === 0 ? 'an unknown list' : `${this.sayList(profiles)}${port.profiles ? '' : ', by its rating'}`;
  });

  protected readonly readBattery = readBatteryLabel;
  protected readonly readPort = readPortLabel;
  protected readonly readList = readProfiles;
  protected readonly sayBattery = ({ energyWh, nominalV, capacityAh, chemistry, cellsInSeries, energyComputed }: BatteryLabel): string => {
    const energy = formatQuantity(energyWh, 'Wh');
    const cells = cellsInSeries ?? (nominalV === undefined ? undefined : cellsMeant(chemistry ?? this.battery().chemistry, nominalV));
    const how =
      energyComputed && nominalV !== undefined && capacityAh !== undefined
        ? ` (${formatQuantity(nominalV, 'V')} × ${formatQuantity(capacityAh, 'Ah')})`
        : '';
    return `${energy}${how}${cells === undefined ? '' : `, ${counted(cells, 'cell', 'cells in series')}`}`;
  };
  protected readonly sayPort = ({ voltageV, currentA }: PortLabel): string =>
    currentA === 0
      ? `${formatQuantity(voltageV, 'V')}, amps unknown`
      : `${formatQuantity(voltageV, 'V')} at ${formatQuantity(currentA, 'A')}`;
  protected readonly sayList = (profiles: readonly PortLabel[]): string => profiles.map(this.sayPort).join(', ');

  protected name(name: string | undefined): void {
    if (name !== undefined) this.plain({ name }, 'name');
  }

  protected label({ energyWh, nominalV, chemistry = this.battery().chemistry, cellsInSeries }: BatteryLabel): void {
    const typed = withTyped(this.battery(), { energyWh, chemistry, ...(nominalV !== undefined && { nominalV }) }, 'energyWh');
    this.edit.emit({ body: withChanges(typed, this.cellsOf(chemistry, nominalV, cellsInSeries)), field: 'label' });
  }

  /** Of another chemistry the same volts are other cells. */
  protected chemistry(chemistry: ChemistryId): void {
    this.edit.emit({
      body: withChanges(this.battery(), { chemistry, ...this.cellsOf(chemistry, this.battery().nominalV) }),
      field: 'chemistry',
    });
  }

  /** Volts that are no number of cells of that chemistry leave the cells unknown: none are guessed. */
  private cellsOf(chemistry: ChemistryId, nominalV: number | undefined, printed?: number): { readonly cellsInSeries?: number | undefined } {
    if (printed !== undefined) return { cellsInSeries: printed };
    return nominalV === undefined ? {} : { cellsInSeries: cellsMeant(chemistry, nominalV) };
  }

  protected withEnergy(energyWh: number | undefined): Battery {
    return withTyped(this.battery(), { energyWh, energySpread: undefined }, 'energyWh');
  }

  protected provenance(energyWh: Provenance): void {
    const battery = this.battery();
    this.edit.emit({ body: { ...battery, from: { ...battery.from, energyWh } }, field: 'from' });
  }

  protected portLabel({ voltageV, currentA }: PortLabel): void {
    this.atPort({ voltageV, maxA: currentA }, 'port');
  }

  protected atPort(changes: object, field: string): void {
    const body = withOutput(this.battery(), this.outputId(), changes);
    this.edit.emit({ body: field === 'maxA' ? withTyped(body, {}, 'maxA') : body, field });
  }

  protected plain(changes: object, field: string): void {
    this.edit.emit({ body: withChanges(this.battery(), changes), field });
  }
}
