import { DestroyRef, Injectable, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { stateOf, withThing } from '@viaggio/core/travel';
import type { PackingSuggestion, ThingState, Trip } from '@viaggio/core/travel';
import { Api } from '../../../api/api';
import { BenchSheets } from '../../../parts/bench-sheets';
import { localDate } from '../../../device/dates';
import { Items } from '../../../state/items.actions';
import {
  selectDayBodies,
  selectGear,
  selectGearBodies,
  selectLoading,
  selectRigBodies,
  selectRuleBodies,
  selectTrips,
} from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { CoreWorkers } from '../../../workers/core-workers';
import type { TripAsked } from '../../../workers/trip-calls';

/** How often it is looked whether somebody else has ticked something. */
const LOOK_AGAIN_MS = 4000;

/** One trip as its pages show and change it; what is worked out of it comes from a worker. */
@Injectable()
export class TripSheet {
  private readonly store = inject(Store);
  private readonly api = inject(Api);
  private readonly workers = inject(CoreWorkers);
  private readonly trips = this.store.selectSignal(selectTrips);
  readonly gear = this.store.selectSignal(selectGearBodies);
  readonly gearEntries = this.store.selectSignal(selectGear);
  readonly rigs = this.store.selectSignal(selectRigBodies);
  readonly days = this.store.selectSignal(selectDayBodies);
  readonly rules = this.store.selectSignal(selectRuleBodies);
  readonly loading = this.store.selectSignal(selectLoading);
  private readonly bench = inject(BenchSheets);
  readonly sheets = this.bench.sheets;
  readonly id = signal('');
  private readonly entry = computed(() => this.trips().find(({ id }) => id === this.id()));
  readonly trip = computed((): Trip | undefined => this.entry()?.body);
  /** All that the trip may name: what a worker is asked with. */
  readonly asked = computed((): TripAsked | undefined => {
    const trip = this.trip();
    if (!trip) return undefined;
    const today = localDate(new Date());
    return { trip, gear: this.gear(), rigs: this.rigs(), days: this.days(), rules: this.rules(), sheets: this.bench.sheets(), today };
  });
  readonly later = computedLater('pack', this.asked, (core, asked) => core.tripPacked(asked));
  readonly packed = computed(() => valueOf(this.later()));
  /** What was said of each thing by now: a tick does not wait for what is worked out. */
  readonly states = computed((): ReadonlyMap<string, ThingState> => new Map((this.trip()?.things ?? []).map((one) => [one.id, one])));
  /** What found no bag at the last suggestion. */
  readonly left = signal<PackingSuggestion['left']>([]);
  /** A suggestion is being worked out. */
  readonly suggesting = signal(false);

  constructor() {
    const timer = setInterval(() => this.lookAgain(), LOOK_AGAIN_MS);
    inject(DestroyRef).onDestroy(() => clearInterval(timer));
  }

  edit(trip: Trip, field: string): void {
    this.store.dispatch(Items.edit({ kind: 'trips', id: this.id(), body: trip, field, at: Date.now() }));
  }

  change(changes: Partial<Trip>, field: string): void {
    const trip = this.trip();
    if (trip) this.edit({ ...trip, ...changes }, field);
  }

  /** Something said of a thing; each by itself is a step of undo. */
  say(id: string, changes: Parameters<typeof withThing>[2]): void {
    const trip = this.trip();
    if (trip) this.edit(withThing(trip, id, changes), `${id} ${Object.keys(changes).join()} ${Date.now()}`);
  }

  stateOf(id: string): ThingState {
    return this.states().get(id) ?? stateOf({}, id);
  }

  alongToo(ids: readonly string[]): void {
    const trip = this.trip();
    if (trip) this.edit({ ...trip, gearIds: [...new Set([...(trip.gearIds ?? []), ...ids])] }, `along ${ids.join()}`);
  }

  remove(): void {
    const before = this.trip();
    if (!before) return;
    const step = {
      changes: [{ kind: 'trips', id: this.id(), before } as const],
      field: 'trip-gone',
      at: Date.now(),
      title: `“${before.name}” is deleted`,
    };
    this.store.dispatch(Items.change({ step }));
  }

  /** `anew`: what was put by hand is moved too. */
  async suggest(anew: boolean): Promise<void> {
    const asked = this.asked();
    if (!asked || this.suggesting()) return;
    this.suggesting.set(true);
    try {
      const { trip, suggestion } = await this.workers.core('pack').tripSuggested(asked, anew);
      this.left.set(suggestion.left);
      // what was ticked meanwhile stays
      const bagOf = new Map((trip.things ?? []).map(({ id, bagId }) => [id, bagId]));
      const now = this.trip();
      if (now)
        this.edit(
          [...bagOf].reduce((next, [id, bagId]) => withThing(next, id, { bagId }), now),
          `suggest ${Date.now()}`,
        );
    } finally {
      this.suggesting.set(false);
    }
  }

  private lookAgain(): void {
    const id = this.id();
    if (document.visibilityState !== 'visible' || !this.trip()) return;
    this.api
      .item('trips', id)
      .subscribe({ next: (now) => this.store.dispatch(Items.seen({ kind: 'trips', id, now })), error: () => undefined });
  }
}
