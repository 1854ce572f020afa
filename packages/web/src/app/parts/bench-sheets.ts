import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { SHEET_KINDS } from '@viaggio/core/bench';
import type { Sheet, SheetEntry } from '@viaggio/core/bench';
import type { Gear } from '@viaggio/core/gear';
import { localDate } from '../device/dates';
import { Items } from '../state/items.actions';
import { selectGear, selectGearBodies, selectLoading, selectRigBodies, selectSheets } from '../state/items.selectors';
import { keyInWorld } from '../api/world';

const BY = 'viaggio.measured-by';
const COMING = 'viaggio.bench-coming';

/** What the tab had not yet brought to the server when it was left; nothing where it cannot be read. */
function keptComing(): ReadonlyMap<string, Sheet> {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyInWorld(COMING)) ?? '[]') as readonly (readonly [string, Sheet])[];
    return new Map(kept);
  } catch {
    return new Map();
  }
}

/** What the pages of the bench keep: sheets, and what they correct in the kit. Every act is one step of undo. */
@Injectable({ providedIn: 'root' })
export class BenchSheets {
  private readonly store = inject(Store);
  private readonly entries = this.store.selectSignal(selectSheets);
  readonly gear = this.store.selectSignal(selectGearBodies);
  readonly rigs = this.store.selectSignal(selectRigBodies);
  readonly gearEntries = this.store.selectSignal(selectGear);
  /** New sheets that the server does not have yet, as they stand by now: nobody waits for it between two readings. */
  private readonly coming = signal<ReadonlyMap<string, Sheet>>(keptComing());
  /** Of those, what was sent of each and is not answered yet. */
  private readonly sent = new Map<string, Sheet>();
  /** Refused once; they go with the next reading. */
  private held: ReadonlySet<string> = new Set();
  private readonly loading = this.store.selectSignal(selectLoading);
  readonly sheets = computed((): readonly SheetEntry[] => {
    const known = this.entries().map(({ id, body }) => ({ id, body: this.coming().get(id) ?? body }));
    const ids = new Set(known.map(({ id }) => id));
    return [...known, ...[...this.coming()].filter(([id]) => !ids.has(id)).map(([id, body]) => ({ id, body }))];
  });

  /** The same by identifier, as workers keep them. */
  readonly bodies = computed((): ReadonlyMap<string, Sheet> => new Map(this.sheets().map(({ id, body }) => [id, body])));

  constructor() {
    effect(() => {
      const known = new Set(this.entries().map(({ id }) => id));
      const coming = this.coming();
      sessionStorage.setItem(keyInWorld(COMING), JSON.stringify([...coming]));
      const isLoaded = this.loading().is === 'loaded';
      untracked(() => {
        for (const [id, body] of coming) {
          if (known.has(id)) this.settle(id);
          // the tab was left before it arrived
          else if (isLoaded && !this.sent.has(id) && !this.held.has(id)) this.send(id, body);
        }
      });
    });
    // what did not arrive stays here, and goes with the next reading
    inject(Actions)
      .pipe(ofType(Items.changeFailed), takeUntilDestroyed())
      .subscribe(() => this.failed());
  }

  /** Not sent again by itself: what it was refused for is told, and may need mending. */
  private failed(): void {
    this.held = new Set([...this.held, ...this.sent.keys()]);
    this.sent.clear();
  }

  /** Who measured last on this device, and when that is: now. */
  about(): { readonly at: string; readonly by?: string } {
    const by = localStorage.getItem(BY) ?? '';
    return { at: localDate(new Date()), ...(by !== '' && { by }) };
  }

  rememberWho(by: string | undefined): void {
    localStorage.setItem(BY, by ?? '');
  }

  sheet(id: string | undefined): Sheet | undefined {
    return this.sheets().find((one) => one.id === id)?.body;
  }

  /** A new sheet: here at once, and kept as soon as the server has it. */
  add(id: string, after: Sheet): void {
    this.coming.update((before) => new Map(before).set(id, after));
    this.send(id, after);
  }

  edit(id: string, body: Sheet, field: string): void {
    if (!this.coming().has(id)) {
      this.store.dispatch(Items.edit({ kind: 'sheets', id, body, field, at: Date.now() }));
      return;
    }
    this.coming.update((before) => new Map(before).set(id, body));
    if (!this.sent.has(id)) this.send(id, body);
  }

  private send(id: string, after: Sheet): void {
    this.sent.set(id, after);
    const step = {
      changes: [{ kind: 'sheets', id, after } as const],
      field: 'sheet',
      at: Date.now(),
      title: `${SHEET_KINDS[after.kind]}: kept`,
    };
    this.store.dispatch(Items.change({ step }));
  }

  /** The server has it: what came to it meanwhile is an edit like any other. */
  private settle(id: string): void {
    const [now, sent] = [this.coming().get(id), this.sent.get(id)];
    this.sent.delete(id);
    this.coming.update((before) => new Map([...before].filter(([one]) => one !== id)));
    if (now && now !== sent) this.store.dispatch(Items.edit({ kind: 'sheets', id, body: now, field: 'sheet', at: Date.now() }));
  }

  remove(id: string, before: Sheet): void {
    const changes = [{ kind: 'sheets', id, before } as const];
    const title = `“${SHEET_KINDS[before.kind]}, ${before.at.slice(0, 10)}” is deleted`;
    this.store.dispatch(Items.change({ step: { changes, field: 'sheet-gone', at: Date.now(), title } }));
  }

  /** Writes into the kit what was measured or found. */
  correct(gearId: string, after: Gear, field: string): void {
    this.store.dispatch(Items.edit({ kind: 'gear', id: gearId, body: after, field, at: Date.now() }));
  }

  addGear(after: Gear): string {
    const id = crypto.randomUUID();
    const changes = [{ kind: 'gear', id, after } as const];
    this.store.dispatch(Items.change({ step: { changes, field: 'built', at: Date.now(), title: `${after.name}: in the kit` } }));
    return id;
  }
}
