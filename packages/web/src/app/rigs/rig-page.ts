import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { assess, gearIdsOf, gearTitle, mates, rigShape } from '@viaggio/core';
import type { Gear, Link, Rig } from '@viaggio/core';
import { ProblemNote } from '../shared/problem-note';
import { TextField } from '../shared/text-field';
import { findEntry } from '../state/items';
import { Items } from '../state/items.actions';
import { selectGear, selectGearBodies, selectItems, selectLoading, selectRigs } from '../state/items.selectors';
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

/** A piece of gear of the rig, and the ports of it that are in use. */
interface Piece {
  readonly id: string;
  readonly body: Gear;
  readonly title: string;
  readonly inputId: string;
  readonly outputId: string;
  readonly out: Link | undefined;
}

const TITLES: Readonly<Record<Gear['kind'], string>> = {
  device: 'Device',
  battery: 'Battery',
  adapter: 'Adapter',
  cable: 'Cable',
  hub: 'Plate, splitter or grip',
  supply: 'Supply',
  charger: 'Charger',
};

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
      return new Map((rig ? gearIdsOf(rig) : []).flatMap((id) => (bodies.has(id) ? [[id, bodies.get(id)!] as const] : [])));
    },
    { equal: (one, other) => one.size === other.size && [...one].every(([id, body]) => other.get(id) === body) },
  );
  protected readonly answer = computed(() => {
    const rig = this.rig();
    return rig && assess(rig, this.parts());
  });
  /** Every piece of gear of the rig in the order of the way, with the port of it that is in use. */
  protected readonly pieces = computed((): readonly Piece[] => {
    const rig = this.rig();
    if (!rig) return [];
    return gearIdsOf(rig).flatMap((id): Piece[] => {
      const body = this.parts().get(id);
      if (!body) return [];
      const into = rig.links.find(({ to }) => to.gearId === id);
      const out = rig.links.find(({ from }) => from.gearId === id);
      return [{ id, body, title: TITLES[body.kind], inputId: into?.to.portId ?? '', outputId: out?.from.portId ?? '', out }];
    });
  });
  /** Sound saves show in the frame; a refused one says here what the server minded. */
  protected readonly refused = computed(() => {
    const rig = this.rig();
    if (!rig) return undefined;
    const syncs = [this.entry()?.sync, ...gearIdsOf(rig).map((id) => findEntry(this.items(), 'gear', id)?.sync)];
    const failed = syncs.find((sync) => sync?.is === 'failed');
    return failed?.is === 'failed' ? failed.problem : undefined;
  });
  /** Other batteries of the kit that plug in at the same place. */
  protected batteriesFor({ id, body, outputId, out }: Piece): readonly { id: string; outputId: string; title: string }[] {
    const port = body.kind === 'battery' ? body.outputs.find((output) => output.id === outputId) : undefined;
    if (!port || !out) return [];
    const taken = new Set(gearIdsOf(this.rig()!).filter((used) => used !== id));
    return this.gear().flatMap(({ id: otherId, body: other }) => {
      if (other.kind !== 'battery' || taken.has(otherId)) return [];
      const output = other.outputs.find(
        (candidate) => candidate.gives === port.gives && mates(candidate.connector, port.connector) !== 'no',
      );
      return output ? [{ id: otherId, outputId: output.id, title: gearTitle(other) }] : [];
    });
  }

  /** Which other rigs a piece of gear is in: a change to it counts there too. */
  protected usedElsewhere(gearId: string): string | undefined {
    const others = this.rigs().filter(({ id, body }) => id !== this.id() && gearIdsOf(body).includes(gearId));
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

  protected changeGear(id: string, { body, field }: GearEdit): void {
    this.store.dispatch(Items.edit({ kind: 'gear', id, body, field, at: Date.now() }));
  }

  protected swapBattery(piece: Piece, batteryId: string): void {
    const other = this.batteriesFor(piece).find(({ id }) => id === batteryId);
    const rig = this.rig();
    if (!other || !rig) return;
    const links = rig.links.map((link) => (link === piece.out ? { ...link, from: { gearId: other.id, portId: other.outputId } } : link));
    this.change({ links }, 'links');
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
}
