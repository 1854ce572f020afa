import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { batteriesOf, gearIdsOf, gearTitle } from '@viaggio/core/gear';
import type { Gear } from '@viaggio/core/gear';
import { observationShape } from '@viaggio/core/measure';
import type { ObservationKind } from '@viaggio/core/measure';
import { withChanges } from '@viaggio/core/units';
import type { Fields, OptionalShape, Shape } from '@viaggio/core/units';
import { ShapeField } from '../../../fields/shape-field';
import { selectWholeLog } from '../../../state/items.selectors';
import { SelectField } from '../../../fields/select-field';
import { DateField } from '../../../fields/date-field';

/** An observation in the making: its kind is settled, anything else may be missing. */
export type DraftObservation = { readonly kind: ObservationKind } & Readonly<Record<string, unknown>>;

/** Typed by controls of their own, or not by hand. */
const SPECIAL = new Set(['at', 'note', 'deviceId', 'modeId', 'batteryId', 'rigId', 'lostShare', 'setAside', 'unknown']);
/** Put first: what one came to write down. */
const FIRST = ['minutes', 'energyWh', 'count', 'meanW', 'from', 'to', 'step', 'fromV', 'toV', 'ended'];
/** The battery sat in the device itself. */
const ITSELF = 'itself';
const TOLD = 'told';

/** The fields of one kind of observation: what with, when, and the figures. */
@Component({
  selector: 'app-observation-form',
  imports: [DateField, SelectField, ShapeField],
  template: `
    @if (has('rigId') && !has('deviceId')) {
      <div>
        <app-select-field label="Rig" (picked)="setRig($event)">
          <option value="" [selected]="!value('rigId')">Choose …</option>
          @for (rig of rigs(); track rig.id) {
            <option [value]="rig.id" [selected]="rig.id === value('rigId')">{{ rig.name }}</option>
          }
        </app-select-field>
      </div>
    }
    @if (has('deviceId')) {
      <div>
        <app-select-field label="Device" (picked)="setDevice($event)">
          <option value="" [selected]="!value('deviceId')">Choose …</option>
          @for (device of devices(); track device.id) {
            <option [value]="device.id" [selected]="device.id === value('deviceId')">{{ device.title }}</option>
          }
        </app-select-field>
      </div>
      @if (modes().length > 0) {
        <div>
          <app-select-field label="Mode" (picked)="set('modeId', $event || undefined)">
            <option value="" [selected]="!value('modeId')">usual</option>
            @for (mode of modes(); track mode.id) {
              <option [value]="mode.id" [selected]="mode.id === value('modeId')">{{ mode.name }}</option>
            }
          </app-select-field>
        </div>
      }
    }
    @if (has('batteryId') && asksWay()) {
      <div>
        <app-select-field label="Battery" (picked)="set('batteryId', $event || undefined)">
          <option value="" [selected]="!value('batteryId')">Choose …</option>
          @for (group of batteries(); track group.title) {
            <optgroup [label]="group.title">
              @for (battery of group.items; track battery.id) {
                <option [value]="battery.id" [selected]="battery.id === value('batteryId')">{{ battery.title }}</option>
              }
            </optgroup>
          }
        </app-select-field>
      </div>
    }
    @for (field of figures(); track field.key) {
      <app-shape-field
        [shape]="field.shape"
        [optional]="field.optional"
        [value]="value(field.key)"
        (valueChange)="set(field.key, $event)"
      />
    }
    @if (has('deviceId') && asksWay()) {
      <div>
        <app-select-field label="Fed by" (picked)="setWay($event)">
          <option value="" [selected]="way() === ''">not entered: tells nothing of the device yet</option>
          <option value="itself" [selected]="way() === 'itself'">the battery in the device itself: nothing lost</option>
          @for (rig of feeding(); track rig.id) {
            <option [value]="rig.id" [selected]="way() === rig.id">the rig {{ rig.name }}</option>
          }
          <option value="told" [selected]="way() === 'told'">another feed: I know what it lost</option>
        </app-select-field>
      </div>
      @if (way() === 'told') {
        <app-shape-field [shape]="lostShape" [optional]="true" [value]="value('lostShare')" (valueChange)="set('lostShare', $event)" />
      }
    }
    <app-date-field label="When" [value]="day()" (valueChange)="setDay($event!)" />
    <app-shape-field [shape]="noteShape" [optional]="true" [value]="value('note')" (valueChange)="set('note', $event)" />
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 15rem), 1fr));
      gap: 0.5rem 1rem;
      align-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ObservationForm {
  readonly draft = input.required<DraftObservation>();
  readonly draftChange = output<DraftObservation>();
  private readonly log = inject(Store).selectSignal(selectWholeLog);
  /** Another feed was chosen, and its loss is still to be typed. */
  private readonly told = signal(false);
  protected readonly noteShape = observationShape.variants['run-down'].note.of;
  protected readonly lostShape = observationShape.variants['run-down'].lostShare.of;

  private readonly fields = computed((): readonly (readonly [string, Shape | OptionalShape<Shape>])[] =>
    Object.entries(observationShape.variants[this.draft().kind] as Fields),
  );
  protected readonly figures = computed(() =>
    this.fields()
      .filter(([key]) => !SPECIAL.has(key))
      .map(([key, field]) => ({
        key,
        shape: field.kind === 'optional' ? field.of : field,
        optional: field.kind === 'optional',
      }))
      .sort((a, b) => rank(a.key) - rank(b.key)),
  );
  protected readonly devices = computed(() => titled(this.log().gear, 'device'));
  protected readonly rigs = computed(() => [...this.log().rigs].map(([id, { name }]) => ({ id, name })));
  protected readonly modes = computed(() => {
    const device = this.log().gear.get(String(this.value('deviceId')));
    return device?.kind === 'device' ? (device.modes ?? []) : [];
  });
  /** Those of the rig, or of rigs with the device, first: they are what it was most likely made with. */
  protected readonly batteries = computed(() => {
    const { rigs } = this.log();
    const all = titled(this.log().gear, 'battery');
    const [rigId, deviceId] = [this.value('rigId'), this.value('deviceId')];
    const near = new Set(
      [...rigs]
        .filter(([id, rig]) => id === rigId || (deviceId !== undefined && rig.devices.some(({ gearId }) => gearId === deviceId)))
        .flatMap(([, rig]) => gearIdsOf(rig)),
    );
    return [
      { title: 'In its rigs', items: all.filter(({ id }) => near.has(id)) },
      { title: 'All', items: all.filter(({ id }) => !near.has(id)) },
    ].filter(({ items }) => items.length > 0);
  });
  /** Rigs with the device in them: what their feed loses is known. */
  protected readonly feeding = computed(() => {
    const deviceId = this.value('deviceId');
    return [...this.log().rigs]
      .filter(([, rig]) => rig.devices.some(({ gearId }) => gearId === deviceId))
      .map(([id, { name }]) => ({ id, name }));
  });
  protected readonly asksWay = computed(() => this.draft().kind !== 'segment' || this.draft()['atBattery'] === true);
  protected readonly way = computed(() => {
    const { lostShare, rigId } = this.draft() as { lostShare?: number; rigId?: string };
    if (lostShare === 0) return ITSELF;
    if (lostShare !== undefined || this.told()) return TOLD;
    return rigId ?? '';
  });
  protected readonly day = computed(() => this.at().slice(0, 10));

  private at(): string {
    return (this.value('at') as string | undefined) ?? '';
  }

  protected has(key: string): boolean {
    return this.fields().some(([name]) => name === key);
  }

  protected value(key: string): unknown {
    return this.draft()[key];
  }

  protected set(key: string, value: unknown): void {
    this.put({ [key]: value });
  }

  /** Where it has one battery, it ran on that unless somebody says otherwise. */
  protected setRig(rigId: string): void {
    const { rigs, gear } = this.log();
    const rig = rigs.get(rigId);
    const sources = rig ? batteriesOf(rig, gear) : [];
    this.put({ rigId: rigId || undefined, ...(sources.length === 1 && { batteryId: sources[0] }) });
  }

  protected setDevice(deviceId: string): void {
    this.put({ deviceId: deviceId || undefined, modeId: undefined, ...(this.way() !== ITSELF && { rigId: undefined }) });
  }

  protected setWay(way: string): void {
    this.told.set(way === TOLD);
    if (way === ITSELF) this.put({ lostShare: 0, rigId: undefined });
    else if (way === TOLD) this.put({ lostShare: undefined, rigId: undefined });
    else this.put({ lostShare: undefined, rigId: way || undefined });
  }

  /** The time of day is kept where there was one, and the day alone where there was none. */
  protected setDay(day: string): void {
    if (day !== '') this.put({ at: `${day}${this.at().slice(10)}` });
  }

  private put(changes: Readonly<Record<string, unknown>>): void {
    this.draftChange.emit(withChanges(this.draft(), changes));
  }
}

function rank(key: string): number {
  const at = FIRST.indexOf(key);
  return at < 0 ? FIRST.length : at;
}

function titled(gear: ReadonlyMap<string, Gear>, kind: Gear['kind']): readonly { readonly id: string; readonly title: string }[] {
  return [...gear].filter(([, body]) => body.kind === kind && !body.archived).map(([id, body]) => ({ id, title: gearTitle(body) }));
}
