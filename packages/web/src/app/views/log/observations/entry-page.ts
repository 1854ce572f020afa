import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { OBSERVATION_KINDS, observationShape } from '@viaggio/core/measure';
import type { Observation, ObservationKind } from '@viaggio/core/measure';
import { missingFields } from '@viaggio/core/units';
import { Items } from '../../../state/items.actions';
import { selectWholeLog, selectLog } from '../../../state/items.selectors';
import { ObservationForm } from './observation-form';
import type { DraftObservation } from './observation-form';
import { CheckField } from '../../../fields/check-field';
import { UnreadFields } from '../../../fields/unread-fields';
import { CopyToOwn } from '../../../parts/copy-to-own';
import { ScanButton } from '../../../parts/scan/scan-button';

const HINTS: Readonly<Record<ObservationKind, string>> = {
  'run-down': 'One battery, full to dead, one mode. The surest test without a meter.',
  part: 'What its indicator showed at two moments. Counts less the coarser the indicator.',
  'two-point': 'A multimeter on the resting battery, before and after.',
  'put-back': 'What the charger says it put back afterwards.',
  'set-run': 'How long a rig ran before its battery was swapped, or died.',
  shots: 'Stills: shots and what the indicator lost meanwhile.',
  capacity: 'What a full battery gave on a tester, or at a known load.',
  segment: 'Watts read off a meter for a while.',
};
/** What is carried over from the last observation, so that one hand and some taps are enough. */
const CARRIED = ['deviceId', 'modeId', 'batteryId', 'rigId', 'lostShare', 'temperatureC'] as const;

/** One observation written down, or corrected: made for a phone, a thumb and a dark room. */
@Component({
  selector: 'app-entry-page',
  imports: [CheckField, ObservationForm, RouterLink, ScanButton],
  providers: [UnreadFields],
  template: `
    @if (draft(); as current) {
      <form class="write" (submit)="$event.preventDefault(); keep()">
        <h2 class="fs-5">{{ kinds[current.kind] }}</h2>
        <p class="small text-body-secondary">{{ hints[current.kind] }}</p>
        <app-scan-button class="d-block mb-2" label="Scan a battery or a device" (found)="scanned($event)" />
        <app-observation-form [draft]="current" (draftChange)="draft.set($event)" />
        @if (id()) {
          <app-check-field
            class="mt-2"
            label="Set aside: kept, but not counted"
            [value]="current['setAside'] === true"
            (valueChange)="aside($event)"
          />
        }
        @if (asked() && missing().length > 0) {
          <p class="text-danger-emphasis mt-2 mb-0" role="alert">Still needed: {{ missing().join(', ') }}.</p>
        }
        @if (unread(); as why) {
          <p class="text-danger-emphasis mt-2 mb-0" role="status">{{ why }}</p>
        }
        <div class="acts">
          <button type="submit" class="btn btn-primary btn-lg">{{ id() ? 'Keep the correction' : 'Keep it' }}</button>
          <a class="btn btn-outline-secondary btn-lg" routerLink="/log">Cancel</a>
          @if (id()) {
            @for (act of toOwn; track act.title) {
              <button type="button" class="btn btn-outline-secondary btn-lg" (click)="act.do()">{{ act.title }}</button>
            }
          }
        </div>
      </form>
    } @else if (id()) {
      <p>There is no such observation; it may have been deleted. <a routerLink="/log">See all</a>.</p>
    } @else {
      <h2 class="fs-5">What did you see?</h2>
      <div class="kinds">
        @for (kind of order; track kind) {
          <button type="button" class="btn btn-outline-primary" (click)="start(kind)">
            <strong>{{ kinds[kind] }}</strong>
            <span>{{ hints[kind] }}</span>
          </button>
        }
        <a class="btn btn-outline-primary" routerLink="/log/recordings/import">
          <strong>A meter’s file</strong>
          <span>CSV of any make: read, cut into segments, named.</span>
        </a>
        <a class="btn btn-outline-primary" routerLink="/log/recordings/live">
          <strong>A meter live</strong>
          <span>Recorded over the network while it runs.</span>
        </a>
      </div>
    }
  `,
  styles: `
    .write {
      max-width: 44rem;
    }
    .kinds {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 17rem), 1fr));
      gap: 0.6rem;
    }
    .kinds .btn {
      display: grid;
      padding: 0.75rem 1rem;
      text-align: left;
    }
    .kinds span {
      font-size: 0.85rem;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 0.75rem;
      margin-top: 1rem;
    }
    @media (max-width: 600px) {
      .acts {
        position: sticky;
        bottom: 0;
        padding: 0.6rem 0;
        background: var(--bs-body-bg);
      }
      .acts .btn-primary {
        flex: 1;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryPage {
  /** Of the observation to correct; absent for a new one. */
  readonly id = input<string>();
  /** Why it cannot be kept yet. */
  protected readonly unread = inject(UnreadFields).why;
  /** From the address: what is to be written down, and of what. */
  readonly kind = input<string>();
  readonly batteryId = input<string>();
  private readonly store = inject(Store);
  protected readonly toOwn = inject(CopyToOwn).acts(
    'log',
    () => this.id() ?? '',
    () => `/log/entry/${this.id()}`,
  );
  private readonly router = inject(Router);
  private readonly entries = this.store.selectSignal(selectLog);
  private readonly log = this.store.selectSignal(selectWholeLog);
  protected readonly kinds = OBSERVATION_KINDS;
  protected readonly hints = HINTS;
  protected readonly order = Object.keys(OBSERVATION_KINDS) as readonly ObservationKind[];
  protected readonly asked = signal(false);
  private readonly known = computed(() => this.entries().find(({ id }) => id === this.id())?.body);
  protected readonly draft = linkedSignal<DraftObservation | undefined>(() => {
    if (this.id() !== undefined) return this.known();
    const kind = this.kind();
    return kind !== undefined && kind in OBSERVATION_KINDS ? this.blank(kind as ObservationKind) : undefined;
  });
  protected readonly missing = computed(() => {
    const draft = this.draft();
    return draft ? missingFields(observationShape, draft).map(({ path, expected }) => `${titleAt(draft.kind, path)} (${expected})`) : [];
  });
  /** Its list opens once it is in. */
  private keeping = false;

  constructor() {
    const actions = inject(Actions).pipe(takeUntilDestroyed());
    actions.pipe(ofType(Items.changed)).subscribe(() => this.keeping && void this.router.navigate(['/log']));
    actions.pipe(ofType(Items.changeFailed)).subscribe(() => (this.keeping = false));
  }

  protected start(kind: ObservationKind): void {
    void this.router.navigate(['/log/new'], { queryParams: { kind } });
  }

  /** What bears the tag goes where it belongs. */
  protected scanned(id: string): void {
    const kind = this.log().gear.get(id)?.kind;
    const field = kind === 'battery' ? 'batteryId' : kind === 'device' ? 'deviceId' : undefined;
    if (field !== undefined) this.draft.set({ ...this.draft()!, [field]: id });
  }

  protected aside(setAside: boolean): void {
    const { setAside: _before, ...rest } = this.draft()!;
    this.draft.set(setAside ? { ...rest, setAside } : rest);
  }

  protected keep(): void {
    const after = this.draft() as Observation | undefined;
    this.asked.set(true);
    if (!after || this.missing().length > 0 || this.unread() !== undefined) return;
    const id = this.id();
    if (id !== undefined) {
      this.store.dispatch(Items.edit({ kind: 'log', id, body: after, field: 'correction', at: Date.now() }));
      void this.router.navigate(['/log']);
      return;
    }
    this.keeping = true;
    const changes = [{ kind: 'log', id: crypto.randomUUID(), after } as const];
    this.store.dispatch(
      Items.change({ step: { changes, field: 'observed', at: Date.now(), title: `${OBSERVATION_KINDS[after.kind]}: kept` } }),
    );
  }

  /** With what the last one of today was made with: a test seldom comes alone. An older one says nothing of today's cold. */
  private blank(kind: ObservationKind): DraftObservation {
    const fields = observationShape.variants[kind] as Readonly<Record<string, unknown>>;
    const { gear, rigs } = this.log();
    const today = this.entries().filter(({ body }) => body.at.startsWith(localDay()));
    const last = today.at(-1)?.body as Record<string, unknown> | undefined;
    const still = (key: string, value: unknown): boolean =>
      !key.endsWith('Id') || key === 'modeId' || gear.has(String(value)) || rigs.has(String(value));
    const carried = CARRIED.filter((key) => key in fields && last?.[key] !== undefined && still(key, last[key])).map((key) => [
      key,
      last![key],
    ]);
    const batteryId = this.batteryId();
    return { ...Object.fromEntries(carried), kind, at: localDay(), ...(batteryId !== undefined && { batteryId }) } as DraftObservation;
  }
}

/** Today, by the clock on the wall. */
function localDay(): string {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

function titleAt(kind: ObservationKind, path: string): string {
  const key = path.split('/')[1] ?? '';
  const titles: Readonly<Record<string, string>> = { deviceId: 'Device', batteryId: 'Battery', rigId: 'Rig' };
  const field = (observationShape.variants[kind] as Readonly<Record<string, { title?: string; of?: { title: string } }>>)[key];
  return titles[key] ?? field?.title ?? field?.of?.title ?? key;
}
