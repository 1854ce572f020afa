import { Injectable, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { SHEET_KINDS } from '@viaggio/core';
import type { Gear, Sheet, SheetEntry } from '@viaggio/core';
import { localDate } from '../shared/dates';
import { Items } from '../state/items.actions';
import { selectGear, selectGearBodies, selectRigBodies, selectSheets } from '../state/items.selectors';

const BY = 'viaggio.measured-by';

/** What the pages of the bench keep: sheets, and what they correct in the kit. Every act is one step of undo. */
@Injectable({ providedIn: 'root' })
export class BenchSheets {
  private readonly store = inject(Store);
  private readonly entries = this.store.selectSignal(selectSheets);
  readonly gear = this.store.selectSignal(selectGearBodies);
  readonly rigs = this.store.selectSignal(selectRigBodies);
  private readonly gearEntries = this.store.selectSignal(selectGear);
  readonly sheets = computed((): readonly SheetEntry[] => this.entries().map(({ id, body }) => ({ id, body })));

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

  /** A new sheet; it is there once the server has it. */
  add(id: string, after: Sheet): void {
    const step = {
      changes: [{ kind: 'sheets', id, after } as const],
      field: 'sheet',
      at: Date.now(),
      title: `${SHEET_KINDS[after.kind]}: kept`,
    };
    this.store.dispatch(Items.change({ step }));
  }

  edit(id: string, body: Sheet, field: string): void {
    this.store.dispatch(Items.edit({ kind: 'sheets', id, body, field, at: Date.now() }));
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

  /** Gear of one's own before the demo's. */
  readonly ownFirst = computed(() => [...this.gearEntries()].sort((a, b) => Number(a.origin === 'demo') - Number(b.origin === 'demo')));
}
