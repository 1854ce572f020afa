import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { assess, mates, rigShape } from '@viaggio/core';
import type { Gear, Rig } from '@viaggio/core';
import { ProblemNote } from '../shared/problem-note';
import { TextField } from '../shared/text-field';
import { findEntry } from '../state/items';
import { Items } from '../state/items.actions';
import { partIds, selectGear, selectGearBodies, selectItems, selectLoading, selectRigs } from '../state/items.selectors';
import { AnswerBar } from './answer/answer-bar';
import { AnswerView } from './answer/answer-view';
import { AdapterEditor } from './parts/adapter-editor';
import { BatteryEditor } from './parts/battery-editor';
import { CableEditor } from './parts/cable-editor';
import { ConditionsEditor } from './parts/conditions-editor';
import type { Conditions } from './parts/conditions-editor';
import { DeviceEditor } from './parts/device-editor';
import { changed } from './parts/gear-edit';
import type { GearEdit } from './parts/gear-edit';

/** One rig: its figures on the left, its answer on the right, each change answered and saved at once. */
@Component({
  selector: 'app-rig-page',
  imports: [
    AdapterEditor,
    AnswerBar,
    AnswerView,
    BatteryEditor,
    CableEditor,
    ConditionsEditor,
    DeviceEditor,
    ProblemNote,
    RouterLink,
    TextField,
  ],
  templateUrl: './rig-page.html',
  styleUrl: './rig-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigPage {
  /** From the address. */
  readonly id = input.required<string>();

  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly items = this.store.selectSignal(selectItems);
  private readonly gear = this.store.selectSignal(selectGear);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly bodies = this.store.selectSignal(selectGearBodies);

  protected readonly loading = this.store.selectSignal(selectLoading);
  protected readonly nameShape = rigShape.fields.name;
  protected readonly entry = computed(() => this.items().rigs.entities[this.id()]);
  protected readonly rig = computed(() => this.entry()?.body);
  /** Only its own parts: a change to other gear leaves the answer alone. */
  private readonly parts = computed(
    (): ReadonlyMap<string, Gear> => {
      const rig = this.rig();
      const bodies = this.bodies();
      return new Map((rig ? partIds(rig) : []).flatMap((id) => (bodies.has(id) ? [[id, bodies.get(id)!] as const] : [])));
    },
    { equal: (one, other) => one.size === other.size && [...one].every(([id, body]) => other.get(id) === body) },
  );
  protected readonly answer = computed(() => {
    const rig = this.rig();
    return rig && assess(rig, this.parts());
  });
  protected readonly device = computed(() => this.part('device', this.rig()?.deviceId));
  protected readonly battery = computed(() => this.part('battery', this.rig()?.batteryId));
  protected readonly adapter = computed(() => this.part('adapter', this.rig()?.adapterId));
  protected readonly cable = computed(() => this.part('cable', this.rig()?.cableId));
  /** Sound saves show in the frame; a refused one says here what the server minded. */
  protected readonly refused = computed(() => {
    const rig = this.rig();
    if (!rig) return undefined;
    const syncs = [this.entry()?.sync, ...partIds(rig).map((id) => findEntry(this.items(), 'gear', id)?.sync)];
    const failed = syncs.find((sync) => sync?.is === 'failed');
    return failed?.is === 'failed' ? failed.problem : undefined;
  });
  /** Other batteries of the kit that plug in at the same place. */
  protected readonly batteries = computed(() => {
    const rig = this.rig();
    const battery = this.battery();
    const port = battery?.outputs.find(({ id }) => id === rig?.outputId);
    if (!rig || !battery || !port) return [];
    return this.gear().flatMap(({ id, body }) => {
      if (body.kind !== 'battery') return [];
      const output = body.outputs.find((other) => other.gives === port.gives && mates(other.connector, port.connector) !== 'no');
      return output ? [{ id, outputId: output.id, title: body.tag === undefined ? body.name : `${body.tag}: ${body.name}` }] : [];
    });
  });

  /** Which other rigs a piece of gear is in: a change to it counts there too. */
  protected usedElsewhere(gearId: string | undefined): string | undefined {
    const others = this.rigs().filter(({ id, body }) => id !== this.id() && gearId !== undefined && partIds(body).includes(gearId));
    return others.length === 0 ? undefined : others.map(({ body }) => body.name).join(', ');
  }

  protected change(changes: Partial<{ [K in keyof Rig]: Rig[K] | undefined }>, field: string): void {
    const rig = this.rig();
    if (rig) this.store.dispatch(Items.edit({ kind: 'rigs', id: this.id(), body: changed(rig, changes), field, at: Date.now() }));
  }

  protected name(name: string | undefined): void {
    if (name !== undefined) this.change({ name }, 'name');
  }

  protected conditions(conditions: Conditions): void {
    this.change(conditions, Object.keys(conditions)[0] ?? 'conditions');
  }

  protected changeGear(id: string | undefined, { body, field }: GearEdit): void {
    if (id !== undefined) this.store.dispatch(Items.edit({ kind: 'gear', id, body, field, at: Date.now() }));
  }

  protected swapBattery(batteryId: string): void {
    const other = this.batteries().find(({ id }) => id === batteryId);
    if (other) this.change({ batteryId, outputId: other.outputId }, 'batteryId');
  }

  protected async remove(): Promise<void> {
    const rig = this.rig();
    if (!rig) return;
    this.store.dispatch(Items.remove({ kind: 'rigs', id: this.id(), name: rig.name }));
    await this.router.navigate(['/rigs']);
  }

  protected print(): void {
    window.print();
  }

  private part<K extends Gear['kind']>(kind: K, id: string | undefined): Extract<Gear, { kind: K }> | undefined {
    const body = id === undefined ? undefined : this.parts().get(id);
    return body?.kind === kind ? (body as Extract<Gear, { kind: K }>) : undefined;
  }
}
