import { Injectable, Injector, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  assessModel,
  costOf,
  criteriaOf,
  DEFAULT_STYLE,
  indicators,
  isFault,
  orderOfConnecting,
  rigModel,
  settledTests,
  testedHere,
  weightsOf,
  withTestsSettled,
} from '@viaggio/core/answer';
import { measuredFindings } from '@viaggio/core/bench';
import { gearIdsOf } from '@viaggio/core/gear';
import type { Draw, Gear, Rig } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { sayConnecting, tellIndicator } from '@viaggio/core/words';
import type { ToldRemedy } from '@viaggio/core/words';
import { findEntry } from '../../../state/items';
import type { Change } from '../../../state/items';
import { Items } from '../../../state/items.actions';
import { selectGearBodies, selectItems, selectRigs, selectUsableGear } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { BenchSheets } from '../../../parts/bench-sheets';
import type { GearEdit } from '../../../parts/gear/gear-edit';

type Changes = Partial<{ [K in keyof Rig]: Rig[K] | undefined }>;

/** The range stands beside the time: it waits for the next key only. */
const RANGE_REST_MS = 20;
/** A rest after typing before the long computations begin; the answer itself does not wait. */
const REST_MS = 150;

/**
 * One rig as it is looked at on its pages: its parts, its answer at once, what takes longer from workers, and the ways to
 * change it. Provided by the rig's page, shared by what is inside.
 */
@Injectable()
export class RigSheet {
  /** What is opened in a dialog finds this sheet by it. */
  readonly injector = inject(Injector);
  private readonly store = inject(Store);
  private readonly items = this.store.selectSignal(selectItems);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly bodies = this.store.selectSignal(selectGearBodies);
  /** What was measured on the bench. */
  private readonly sheets = inject(BenchSheets).sheets;
  /** Set by the page from its address. */
  readonly id = signal('');

  readonly entry = computed(() => this.items().rigs.entities[this.id()]);
  readonly rig = computed(() => this.entry()?.body);
  /** All that may feed it: what is not archived. */
  readonly kit = this.store.selectSignal(selectUsableGear);
  /** The kit in which other feeds are tried: tests stand as they are read through the feed of now. */
  readonly settledKit = computed(() => {
    const rig = this.rig();
    return rig ? withTestsSettled(rig, this.kit()) : this.kit();
  });
  /** Only its own parts: a change to other gear leaves the answer alone. */
  readonly parts = computed(
    (): ReadonlyMap<string, Gear> => {
      const rig = this.rig();
      const bodies = this.bodies();
      return new Map((rig ? gearIdsOf(rig) : []).flatMap((id) => (bodies.has(id) ? [[id, bodies.get(id)!] as const] : [])));
    },
    { equal: (one, other) => one.size === other.size && [...one].every(([id, body]) => other.get(id) === body) },
  );
  private readonly model = computed(() => {
    const rig = this.rig();
    if (!rig) return undefined;
    const measured = measuredFindings(this.id(), rig, this.parts(), this.sheets());
    return rigModel(rig, this.parts(), { tracePoints: 60, measured });
  });
  readonly answer = computed(() => {
    const model = this.model();
    return model && assessModel(model);
  });
  readonly style = computed(() => this.rig()?.style ?? DEFAULT_STYLE);
  readonly weights = computed(() => weightsOf(this.style(), this.rig()?.weights));
  readonly criteria = computed(() => {
    const [model, answer] = [this.model(), this.answer()];
    return model && answer && criteriaOf(model.resolved, answer);
  });
  readonly cost = computed(() => {
    const criteria = this.criteria();
    return criteria && costOf(criteria, this.weights());
  });
  /** The order of connecting and switching on; none while something must not be connected. */
  readonly connecting = computed(() => {
    const [model, answer] = [this.model(), this.answer()];
    return model && answer && answer.verdict !== 'stop' ? orderOfConnecting(model.resolved).map(sayConnecting) : [];
  });
  readonly indicators = computed(() => {
    const model = this.model();
    return model ? indicators(model).map(tellIndicator) : [];
  });
  readonly outlook = computedLater(
    'outlook',
    () => (this.answer()?.run ? { rig: this.rig()!, parts: this.parts() } : undefined),
    (core, { rig, parts }) => core.outlook(rig, parts),
    { restMs: RANGE_REST_MS },
  );
  readonly hanging = computedLater(
    'hanging',
    () => (this.answer()?.run ? { rig: this.rig()!, parts: this.parts() } : undefined),
    (core, { rig, parts }) => core.hanging(rig, parts),
    { restMs: REST_MS },
  );
  private readonly asksRemedies = computed(() => this.answer()?.findings.some(({ verdict }) => isFault(verdict)) ?? false);
  private readonly remediesLater = computedLater(
    'remedies',
    () => (this.asksRemedies() ? { rig: this.rig()!, kit: this.kit(), exclude: this.exclude() } : undefined),
    (core, { rig, kit, exclude }) => core.remedies(rig, kit, exclude).then((remedies) => ({ rig, remedies })),
    { restMs: REST_MS * 2 },
  );
  /** In the order of the findings that are not good; those of an earlier state of the rig are not shown. */
  readonly remedies = computed(() => {
    const found = valueOf(this.remediesLater());
    return found?.rig === this.rig() ? found?.remedies : undefined;
  });
  /** Whether gear that other rigs use is left out of what is looked for. */
  readonly leaveOut = signal(false);
  readonly exclude = computed((): ReadonlySet<string> => {
    if (!this.leaveOut()) return NOTHING;
    const own = new Set(this.parts().keys());
    const others = this.rigs().filter(({ id }) => id !== this.id());
    return new Set(others.flatMap(({ body }) => gearIdsOf(body)).filter((id) => !own.has(id)));
  });
  /** A refused save says here what the server minded; sound ones show in the frame. */
  readonly refused = computed(() => {
    const rig = this.rig();
    if (!rig) return undefined;
    const syncs = [this.entry()?.sync, ...gearIdsOf(rig).map((id) => findEntry(this.items(), 'gear', id)?.sync)];
    const failed = syncs.find((sync) => sync?.is === 'failed');
    return failed?.is === 'failed' ? failed.problem : undefined;
  });

  /** Which other rigs a piece of gear is in: a change to it counts there too. */
  usedElsewhere(gearId: string): string {
    const others = this.rigs().filter(({ id, body }) => id !== this.id() && gearIdsOf(body).includes(gearId));
    return others.map(({ body }) => body.name).join(', ');
  }

  change(changes: Changes, field: string): void {
    const rig = this.rig();
    if (rig) this.put(withChanges(rig, changes), field);
  }

  /** An own test of a device as it is read through the feed that the device has here. */
  testedHere(deviceId: string, draw: Draw): Draw | undefined {
    const rig = this.rig();
    return rig && testedHere(rig, this.parts(), deviceId, draw);
  }

  /**
   * The whole rig anew; `field` names the step for undo. Where its feeds change, tests that leave theirs open are settled
   * first as through the feed of now: what a device draws does not change with what feeds it.
   */
  put(body: Rig, field: string): void {
    const rig = this.rig();
    const settled = rig && rig.links !== body.links ? settledTests(rig, this.parts()) : [];
    if (rig && settled.length > 0) {
      const changes: readonly Change[] = [
        ...settled.map(({ id, body: after }): Change => ({ kind: 'gear', id, before: this.parts().get(id)!, after })),
        { kind: 'rigs', id: this.id(), before: rig, after: body },
      ];
      this.store.dispatch(Items.change({ step: { changes, field, at: Date.now() } }));
      return;
    }
    this.store.dispatch(Items.edit({ kind: 'rigs', id: this.id(), body, field, at: Date.now() }));
  }

  apply(remedy: ToldRemedy): void {
    this.put(remedy.rig, `remedy ${remedy.title}`);
  }

  changeGear(id: string, { body, field }: GearEdit): void {
    this.store.dispatch(Items.edit({ kind: 'gear', id, body, field, at: Date.now() }));
  }

  /** A new state of the rig together with gear that comes into the kit for it: one step. */
  putWithGear(body: Rig, gear: readonly { readonly id: string; readonly body: Gear }[], title: string): void {
    if (gear.length === 0) {
      this.put(body, title);
      return;
    }
    const changes: readonly Change[] = [
      ...gear.map((item): Change => ({ kind: 'gear', id: item.id, after: item.body })),
      { kind: 'rigs', id: this.id(), before: this.rig()!, after: body },
    ];
    this.store.dispatch(Items.change({ step: { changes, field: title, at: Date.now(), title } }));
  }

  duplicate(): void {
    const rig = this.rig();
    if (!rig) return;
    const id = crypto.randomUUID();
    const after: Rig = { ...rig, name: `${rig.name} (copy)`.slice(0, 120) };
    const step = { changes: [{ kind: 'rigs', id, after } as const], field: 'duplicate', at: Date.now(), title: `“${after.name}” is made` };
    this.store.dispatch(Items.change({ step, open: id }));
  }

  remove(): void {
    const rig = this.rig();
    if (!rig) return;
    const step = { changes: [{ kind: 'rigs', id: this.id(), before: rig } as const], field: 'delete', at: Date.now() };
    this.store.dispatch(Items.change({ step: { ...step, title: `“${rig.name}” is deleted` } }));
  }
}

const NOTHING: ReadonlySet<string> = new Set();
