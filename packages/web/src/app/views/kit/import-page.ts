import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { ITEM_KINDS, itemTitle } from '@viaggio/core/document';
import type { CsvIssue } from '@viaggio/core/document';
import { differences } from '@viaggio/core/units';
import { Api, KINDS } from '../../api/api';
import type { Beside, Bodies, Kind, Problem } from '../../api/api';
import { FileDrop } from '../../basics/file-drop';
import { ProblemNote } from '../../basics/problem-note';
import { findEntry } from '../../state/items';
import type { Change } from '../../state/items';
import { Items } from '../../state/items.actions';
import { selectGearBodies, selectItems } from '../../state/items.selectors';
import { CoreWorkers } from '../../workers/core-workers';
import { counted } from '../../basics/counted';

/** One item of a file, beside what is here already. */
interface Planned {
  readonly change: Change;
  readonly title: string;
  readonly line: number | undefined;
  readonly what: 'new' | 'changed' | 'same';
  readonly differences: readonly string[];
}

type Read =
  | { readonly is: 'nothing' }
  | { readonly is: 'reading' }
  | { readonly is: 'failed'; readonly problem: Problem }
  | {
      readonly is: 'read';
      readonly file: string;
      readonly planned: readonly Planned[];
      readonly issues: readonly CsvIssue[];
      readonly ignored: readonly string[];
      readonly beside: Beside;
    };

/** Larger files are no kit. */
const MOST_BYTES = 5_000_000;
const SHOWN = 200;
const TITLES: Readonly<Record<Kind, string>> = {
  gear: '',
  rigs: 'Rig: ',
  days: 'Day: ',
  log: 'Log: ',
  recordings: 'Recording: ',
  sheets: 'Bench sheet: ',
  rules: 'Flight rules: ',
  trips: 'Trip: ',
};

/** A table or a plan document from elsewhere: what it would change is shown first; nothing is written until that is accepted, and one undo takes it back. */
@Component({
  selector: 'app-import-page',
  imports: [FileDrop, ProblemNote, RouterLink],
  templateUrl: './import-page.html',
  styleUrl: './import-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportPage {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly api = inject(Api);
  private readonly workers = inject(CoreWorkers);
  private readonly gear = this.store.selectSignal(selectGearBodies);
  private readonly items = this.store.selectSignal(selectItems);
  protected readonly read = signal<Read>({ is: 'nothing' });
  /** Accepted, and on its way: what was read stays here until it is in. */
  protected readonly writing = signal(false);
  protected readonly shown = SHOWN;
  protected readonly counts = computed(() => {
    const read = this.read();
    const of = (what: Planned['what']) => (read.is === 'read' ? read.planned.filter((one) => one.what === what).length : 0);
    return { added: of('new'), changed: of('changed'), same: of('same') };
  });
  protected readonly changes = computed(() => {
    const read = this.read();
    return read.is === 'read' ? read.planned.filter(({ what }) => what !== 'same') : [];
  });

  constructor() {
    const actions = inject(Actions).pipe(takeUntilDestroyed());
    actions.pipe(ofType(Items.changed)).subscribe(() => this.writing() && void this.router.navigate(['/kit']));
    actions.pipe(ofType(Items.changeFailed)).subscribe(() => this.writing.set(false));
  }

  protected async file(file: File): Promise<void> {
    if (file.size > MOST_BYTES) {
      this.fail('The file is too large', `${file.name} has ${Math.round(file.size / 1e6)} MB; expected at most ${MOST_BYTES / 1e6} MB.`);
      return;
    }
    await this.text(await file.text(), file.name);
  }

  protected async text(text: string, name: string): Promise<void> {
    if (text.trim() === '') return;
    if (/^\s*\{/.test(text)) this.plan(text, name);
    else await this.csv(text, name);
  }

  protected again(): void {
    this.read.set({ is: 'nothing' });
  }

  protected accept(): void {
    const read = this.read();
    if (read.is !== 'read') return;
    const changes = this.changes().map(({ change }) => change);
    const title = `${counted(changes.length, 'thing')} from ${read.file} ${changes.length === 1 ? 'is' : 'are'} in`;
    this.writing.set(true);
    this.store.dispatch(Items.change({ step: { changes, field: 'import', at: Date.now(), title }, beside: read.beside }));
  }

  private async csv(text: string, file: string): Promise<void> {
    this.read.set({ is: 'reading' });
    try {
      const { rows, issues, ignored } = await this.workers.core('table').readGear(text, this.gear());
      const planned = rows.map(({ line, id, body }) => this.plannedOf('gear', id ?? crypto.randomUUID(), body, line));
      this.read.set({ is: 'read', file, planned, issues, ignored, beside: {} });
    } catch (error) {
      this.fail('The table could not be read', `${file}: ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  private plan(text: string, file: string): void {
    let document: unknown;
    try {
      document = JSON.parse(text);
    } catch (error) {
      this.fail('The file is not JSON', `${file}: ${error instanceof Error ? error.message : String(error)}`);
      return;
    }
    this.read.set({ is: 'reading' });
    this.api.readPlan(document).subscribe({
      next: ({ rest, deleted, ...items }) => {
        const planned = KINDS.flatMap((kind) => (items[kind] ?? []).map(({ id, body }) => this.plannedOf(kind, id, body)));
        this.read.set({
          is: 'read',
          file,
          planned,
          issues: [],
          ignored: [],
          beside: { ...(rest && { rest }), ...(deleted && { deleted }) },
        });
      },
      error: (problem: Problem) => this.read.set({ is: 'failed', problem }),
    });
  }

  private plannedOf<K extends Kind>(kind: K, id: string, after: Bodies[K], line?: number): Planned {
    const before = findEntry(this.items(), kind, id)?.body;
    const found = before ? differences(ITEM_KINDS[kind].shape, before, after) : [];
    return {
      change: { kind, id, ...(before && { before }), after },
      title: `${TITLES[kind]}${itemTitle(kind, after)}`,
      line,
      what: !before ? 'new' : found.length > 0 ? 'changed' : 'same',
      differences: found.slice(0, 8).map(({ title, one, other }) => `${title}: ${one} → ${other}`),
    };
  }

  private fail(title: string, detail: string): void {
    this.read.set({ is: 'failed', problem: { code: 'unreadable', title, detail, remedy: 'Choose another file.' } });
  }
}
