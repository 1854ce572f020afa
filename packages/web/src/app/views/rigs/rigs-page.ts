import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { gearTitle } from '@viaggio/core/gear';
import type { Rig } from '@viaggio/core/gear';
import { inWorld, thisWorld } from '../../api/world';
import { VerdictMark } from '../../basics/verdict-mark';
import { Items } from '../../state/items.actions';
import { selectGearBodies, selectLoading, selectRigBodies, selectRigs, selectUsableGear } from '../../state/items.selectors';
import { computedLater, valueOf } from '../../workers/computed-later';
import { RigTime } from '../../parts/rig-time';
import { BenchSheets } from '../../parts/bench-sheets';
import { MOST_BESIDE } from './compare/side-by-side';
import { PickBox } from '../../fields/pick-box';
import { SelectField } from '../../fields/select-field';

/** Every rig with its answer at a glance. */
@Component({
  selector: 'app-rigs-page',
  imports: [PickBox, RigTime, RouterLink, SelectField, VerdictMark],
  template: `
    <div class="d-flex flex-wrap align-items-center gap-3 mb-3">
      <h1 class="mb-0">Rigs</h1>
      <a class="btn btn-primary" routerLink="/rigs/new">New rig: three questions</a>
      @if (devices().length > 0) {
        <app-select-field label="New rig around a device of the kit" [bare]="true" (picked)="around($event)">
          <option value="">New rig around …</option>
          @for (device of devices(); track device.id) {
            <option [value]="device.id">{{ device.title }}</option>
          }
        </app-select-field>
      }
    </div>
    @if (chosen().size > 0) {
      <div class="d-flex flex-wrap align-items-center gap-2 mb-2" role="status">
        @if (chosen().size === 1) {
          Choose another rig to stand beside it.
        } @else if (chosen().size > most) {
          {{ chosen().size }} are too many side by side: at most {{ most }}.
        } @else {
          <a class="btn btn-sm btn-primary" routerLink="/rigs/side-by-side" [queryParams]="{ of: [...chosen()].join(',') }">
            Put {{ chosen().size }} side by side
          </a>
        }
        <button type="button" class="btn btn-sm btn-outline-secondary" (click)="chosen.set(none)">Choose none</button>
      </div>
    }
    @if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      <ul class="list-unstyled cards" aria-label="Rigs">
        @for (row of rows(); track row.entry.id) {
          <li>
            <app-pick-box
              class="pick"
              title="Put it beside others"
              [label]="'Compare ' + row.entry.body.name"
              [value]="chosen().has(row.entry.id)"
              (picked)="choose(row.entry.id)"
            />
            <a [routerLink]="['/rigs', row.entry.id]">
              <span class="name">{{ row.entry.body.name }}</span>
              @if (row.glance; as glance) {
                <app-verdict-mark [verdict]="glance.verdict" />
                <app-rig-time class="time" [glance]="glance" />
                <span class="note">{{ glance.worst ?? row.entry.body.note }}</span>
              } @else {
                <span class="time">working it out …</span>
                <span class="note">{{ row.entry.body.note }}</span>
              }
            </a>
          </li>
        } @empty {
          <li class="empty">
            No rig yet.
            <a routerLink="/rigs/new">Answer three questions</a> and see whether your battery runs your camera, and for how long.
            @if (!isDemo) {
              Or look at <a [href]="theirs">the demo crew’s rigs</a> first, and copy one over.
            }
          </li>
        }
      </ul>
    }
  `,
  styleUrl: './rigs-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigsPage {
  private readonly store = inject(Store);
  protected readonly loading = this.store.selectSignal(selectLoading);
  private readonly kit = this.store.selectSignal(selectUsableGear);
  protected readonly devices = computed(() =>
    [...this.kit()].filter(([, { kind }]) => kind === 'device').map(([id, body]) => ({ id, title: gearTitle(body) })),
  );
  protected readonly none: ReadonlySet<string> = new Set();
  protected readonly most = MOST_BESIDE;
  protected readonly isDemo = thisWorld() === 'demo';
  protected readonly theirs = inWorld('/rigs', 'demo');
  /** Rigs that are to stand side by side. */
  protected readonly chosen = signal(this.none);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly bodies = this.store.selectSignal(selectRigBodies);
  private readonly gear = this.store.selectSignal(selectGearBodies);
  private readonly sheets = inject(BenchSheets).bodies;
  private readonly glances = computedLater(
    'rigs',
    () => ({ rigs: this.bodies(), gear: this.gear(), sheets: this.sheets() }),
    (core, { rigs, gear, sheets }) => core.rigGlances(rigs, gear, sheets),
  );
  protected readonly rows = computed(() => {
    const glances = valueOf(this.glances());
    return this.rigs().map((entry) => ({ entry, glance: glances?.get(entry.id) }));
  });

  protected choose(id: string): void {
    this.chosen.update((before) => new Set(before.has(id) ? [...before].filter((one) => one !== id) : [...before, id]));
  }

  /** A rig of one device that nothing feeds yet: its page offers the feeds. */
  protected around(gearId: string): void {
    const device = this.kit().get(gearId);
    if (!device) return;
    const id = crypto.randomUUID();
    const after: Rig = { name: device.name, devices: [{ gearId }], links: [] };
    this.store.dispatch(Items.change({ step: { changes: [{ kind: 'rigs', id, after }], field: 'new-rig', at: Date.now() }, open: id }));
  }
}
