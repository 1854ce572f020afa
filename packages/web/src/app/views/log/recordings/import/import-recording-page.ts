import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { fieldsOf, guessColumns, linesOf, meterColumnsShape, MeterFileReader, recordingShape } from '@viaggio/core/measure';
import type { ColumnChoice, ColumnDoubt, MeterColumns, Recording } from '@viaggio/core/measure';
import { proxy } from 'comlink';
import { firstValueFrom } from 'rxjs';
import type { Problem } from '../../../../api/api';
import { FileDrop } from '../../../../basics/file-drop';
import { ProblemNote } from '../../../../basics/problem-note';
import { TextField } from '../../../../fields/text-field';
import { Items } from '../../../../state/items.actions';
import { selectRecordings } from '../../../../state/items.selectors';
import { CoreWorkers } from '../../../../workers/core-workers';
import { SAMPLE_BYTES, sampleOf } from '../../../../workers/read-recording';
import type { ReadRecording } from '../../../../workers/read-recording';
import { capital, remarkSentence } from '../../../../parts/log-labels';
import { RecordingSubject } from '../recording-subject';
import type { Subject } from '../recording-subject';
import { RecordingsApi } from '../../../../api/recordings-api';
import { ColumnsEditor } from './columns-editor';
import { DateField } from '../../../../fields/date-field';

const MOST_BYTES = 400_000_000;

type Stage =
  | { readonly is: 'choosing' }
  | { readonly is: 'looking' }
  | { readonly is: 'reading'; readonly share: number }
  | { readonly is: 'read'; readonly result: ReadRecording }
  | { readonly is: 'keeping'; readonly result: ReadRecording; readonly share: number };

/** A meter's file: how it is read is shown and corrected first; then it is read in a worker, looked at, and kept. */
@Component({
  selector: 'app-import-recording-page',
  imports: [DateField, ColumnsEditor, FileDrop, ProblemNote, RecordingSubject, RouterLink, TextField],
  templateUrl: './import-recording-page.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ImportRecordingPage {
  private readonly store = inject(Store);
  private readonly api = inject(RecordingsApi);
  private readonly workers = inject(CoreWorkers);
  private readonly router = inject(Router);
  private readonly recordings = this.store.selectSignal(selectRecordings);
  protected readonly nameShape = recordingShape.fields.name;
  protected readonly stage = signal<Stage>({ is: 'choosing' });
  protected readonly problem = signal<Problem | undefined>(undefined);
  protected readonly file = signal<File | undefined>(undefined);
  protected readonly sample = signal('');
  protected readonly isCut = computed(() => (this.file()?.size ?? 0) > SAMPLE_BYTES);
  protected readonly columns = signal<MeterColumns | undefined>(undefined);
  /** An earlier recording of the same head, whose columns are used again. */
  protected readonly remembered = signal<string | undefined>(undefined);
  protected readonly name = signal('');
  protected readonly day = signal('');
  protected readonly subject = signal<Subject>({ meterAt: 'device' });
  protected readonly size = computed(() => {
    const { size = 0 } = this.file() ?? {};
    return size < 1e5 ? `${Math.ceil(size / 1e3)} kB` : `${(size / 1e6).toFixed(1)} MB`;
  });
  protected readonly say = remarkSentence;
  /** What the file's first lines do not say, until a person has. */
  protected readonly doubts = signal<readonly ColumnDoubt[]>([]);
  protected readonly choices = signal<readonly ReturnType<typeof choiceTold>[]>([]);
  protected readonly jumped = computed(() => {
    const stage = this.stage();
    return stage.is === 'read' && stage.result.remarks.some(({ code }) => code === 'clock-jump');
  });
  protected readonly isTurned = computed(() => {
    const stage = this.stage();
    return stage.is === 'read' && stage.result.isTurnedRound;
  });
  protected readonly percent = computed(() => {
    const stage = this.stage();
    return stage.is === 'reading' || stage.is === 'keeping' ? Math.round(stage.share * 100) : 0;
  });
  protected readonly hasPower = computed(() => {
    const roles = new Set((this.columns()?.columns ?? []).map(({ role }) => role));
    const hasVolts = roles.has('voltage') || this.columns()?.voltageV !== undefined;
    return roles.has('power') || roles.has('energy') || (hasVolts && (roles.has('current') || roles.has('charge')));
  });
  /** Counts up with every start and cancel, so that what was cancelled is not taken for what goes on. */
  private turn = 0;
  private keeping: string | undefined;

  constructor() {
    const actions = inject(Actions).pipe(takeUntilDestroyed());
    actions
      .pipe(ofType(Items.changed))
      .subscribe(() => this.keeping !== undefined && void this.router.navigate(['/log/recordings', this.keeping]));
    actions.pipe(ofType(Items.changeFailed)).subscribe(({ problem }) => this.keeping !== undefined && this.back(problem));
    inject(DestroyRef).onDestroy(() => this.cancel());
  }

  protected async choose(file: File): Promise<void> {
    this.problem.set(undefined);
    if (file.size > MOST_BYTES) {
      this.problem.set(unreadable(`${file.name} has ${(file.size / 1e6).toFixed(0)} MB; expected at most ${MOST_BYTES / 1e6} MB.`));
      return;
    }
    const sample = await sampleOf(file);
    this.file.set(file);
    this.sample.set(sample);
    this.name.set(file.name.replace(/\.\w+$/, '').slice(0, 120));
    this.day.set(new Date(file.lastModified).toISOString().slice(0, 10));
    this.understand(sample);
    this.stage.set({ is: 'looking' });
  }

  /** The file by its own first lines, and as its make was read last time, unless a person wants it otherwise. */
  private understand(sample: string, asBefore = true): void {
    const guessed = guessColumns(sample);
    const columns = guessed.ok ? guessed.columns : plainColumns(sample);
    const before = asBefore ? this.beforeOf(columns.make) : undefined;
    this.remembered.set(before?.name);
    this.columns.set(before?.columns ?? columns);
    this.choices.set(guessed.ok && !before ? guessed.choices.map(choiceTold) : []);
    // volts and pace are asked by their own fields
    this.doubts.set(guessed.ok && !before ? guessed.doubts.filter((doubt) => doubt !== 'volts' && doubt !== 'step') : []);
    // a person may know better: everything can still be said by hand
    this.problem.set(guessed.ok || before ? undefined : unreadable(`${guessed.issue.message} Say below how it is to be read.`));
    this.putDay();
  }

  protected readAnew(): void {
    this.understand(this.sample(), false);
  }

  /** What a person says of the times answers what was asked of them. */
  protected correct(columns: MeterColumns): void {
    const before = this.columns();
    this.columns.set(columns);
    // the same columns and the same sign: it was the times that were said, if only again
    if (columns.columns === before?.columns && columns.turned === before.turned) this.doubts.set([]);
    this.putDay();
  }

  protected reread(changes: Partial<MeterColumns>): void {
    this.columns.update((columns) => columns && { ...columns, ...changes });
    void this.read();
  }

  /** The day that the file itself tells. */
  private putDay(): void {
    const columns = this.columns();
    if (!columns) return;
    const reader = new MeterFileReader(columns);
    reader.push(this.sample());
    const { beganAt } = reader.finish();
    if (beganAt !== undefined) this.day.set(beganAt.slice(0, 10));
  }

  protected again(): void {
    this.cancel();
    this.problem.set(undefined);
    this.file.set(undefined);
    this.stage.set({ is: 'choosing' });
  }

  protected async read(): Promise<void> {
    const [file, columns] = [this.file(), this.columns()];
    if (!file || !columns) return;
    const turn = ++this.turn;
    this.problem.set(undefined);
    this.stage.set({ is: 'reading', share: 0 });
    try {
      // what is told comes by another way than the result, and may come after it
      const told = proxy(
        (share: number) => this.turn === turn && this.stage().is === 'reading' && this.stage.set({ is: 'reading', share }),
      );
      const result = await this.workers.core('recording').readRecording(file, columns, told);
      if (this.turn === turn) this.stage.set({ is: 'read', result });
    } catch (error) {
      if (this.turn === turn) {
        this.problem.set(unreadable(error instanceof Error ? error.message : String(error)));
        this.stage.set({ is: 'looking' });
      }
    }
  }

  /** Ends the worker in the middle of its row. What was sent already belongs to no recording, and is swept away by the server. */
  protected cancel(): void {
    this.turn++;
    this.workers.cancel('recording');
    const stage = this.stage();
    if (stage.is === 'reading') this.stage.set({ is: 'looking' });
    else if (stage.is === 'keeping') this.stage.set({ is: 'read', result: stage.result });
  }

  protected async keep(): Promise<void> {
    const [stage, file, columns] = [this.stage(), this.file(), this.columns()];
    if (stage.is !== 'read' || !file || !columns) return;
    const { result } = stage;
    const turn = ++this.turn;
    const id = crypto.randomUUID();
    this.problem.set(undefined);
    this.stage.set({ is: 'keeping', result, share: 0 });
    try {
      const told = proxy(
        (share: number) =>
          this.turn === turn && this.stage().is === 'keeping' && this.stage.set({ is: 'keeping', result, share: share * 0.8 }),
      );
      const original = await this.workers.core('recording').compress(file, told);
      await firstValueFrom(this.api.keepSlots(id, result.slots));
      await firstValueFrom(this.api.keepOriginal(id, file.name, original));
    } catch (error) {
      if (this.turn === turn) this.back(error instanceof Error ? unreadable(error.message) : (error as Problem));
      return;
    }
    if (this.turn !== turn) return;
    const { rows, seconds, remarks, segments } = result;
    const after: Recording = {
      name: this.name() || file.name,
      at: this.day(),
      ...this.subject(),
      source: file.name.slice(0, 200),
      columns,
      rows,
      seconds,
      remarks,
      segments,
    };
    this.keeping = id;
    const changes = [{ kind: 'recordings', id, after } as const];
    this.store.dispatch(Items.change({ step: { changes, field: 'recording', at: Date.now(), title: `“${after.name}” is kept` } }));
  }

  private back(problem: Problem): void {
    this.keeping = undefined;
    this.problem.set(problem);
    const stage = this.stage();
    if (stage.is === 'keeping') this.stage.set({ is: 'read', result: stage.result });
  }

  /** How the newest recording of the same make of file was read. */
  private beforeOf(make: string | undefined): { readonly name: string; readonly columns: MeterColumns } | undefined {
    const known = [...this.recordings()].reverse().find(({ body }) => body.columns !== undefined && makeOf(body.columns) === make);
    return known?.body.columns && { name: known.body.name, columns: { ...known.body.columns, ...(make !== undefined && { make }) } };
  }
}

/** Of recordings that were kept before makes were: by the names over their columns. */
function makeOf({ make, columns, delimiter }: MeterColumns): string {
  return make ?? `${columns.length}${delimiter}${columns.map(({ name }) => name).join(delimiter)}`;
}

function choiceTold({ role, taken, left }: ColumnChoice) {
  const title = meterColumnsShape.fields.columns.item.fields.role.options[role];
  return { role, title: capital(title), taken, left: left.map((name) => `“${name}”`).join(', ') };
}

/** Nothing is known but the text: as many columns as its last line has, each of nothing. */
function plainColumns(sample: string): MeterColumns {
  const line =
    linesOf(sample)
      .filter((one) => one.trim() !== '')
      .at(-1) ?? '';
  const delimiters = Object.keys(meterColumnsShape.fields.delimiter.options) as MeterColumns['delimiter'][];
  const count = (delimiter: string): number => fieldsOf(line, delimiter).length;
  const delimiter = delimiters.sort((a, b) => count(b) - count(a))[0]!;
  const columns = Array.from(
    { length: Math.min(100, Math.max(1, count(delimiter))) },
    (_, index) => ({ name: `column ${index + 1}`, role: 'none', scale: 1 }) as const,
  );
  // what such files have in common is how they begin, but for its figures
  const make = `?${(linesOf(sample)[0] ?? '').replaceAll(/\d/g, '').slice(0, 200)}`;
  return { delimiter, decimal: '.', headerLines: 0, timeForm: 'number', columns, make };
}

function unreadable(detail: string): Problem {
  return {
    code: 'unreadable',
    title: 'The file cannot be read like this',
    detail,
    remedy: 'Correct the columns, or choose another file. Nothing was kept.',
  };
}
