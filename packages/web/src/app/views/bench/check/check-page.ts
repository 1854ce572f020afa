import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import {
  corrections,
  HANDHELD,
  isOhms,
  judgeReading,
  meterShape,
  readMeter,
  sheetOfRig,
  sheetShape,
  withReading,
} from '@viaggio/core/bench';
import type { CheckedStep, Correction, MeterReading, SheetOf } from '@viaggio/core/bench';
import { formatDate, formatQuantity, number, withChanges } from '@viaggio/core/units';
import { GOOD_START, sayCorrection, sayExpected, sayPlace, sayProbes, sayReading, sayShown, sayWhyExpected } from '@viaggio/core/words';
import type { Problem } from '../../../api/api';
import { QuantityField } from '../../../fields/quantity-field';
import { TextField } from '../../../fields/text-field';
import { localDate } from '../../../device/dates';
import { PageMenu } from '../../../basics/page-menu';
import type { PageAct } from '../../../basics/page-menu';
import { ProblemNote } from '../../../basics/problem-note';
import { VerdictMark } from '../../../basics/verdict-mark';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { RecordingsApi } from '../../../api/recordings-api';
import type { Meter } from '../../../api/recordings-api';
import { BenchSheets } from '../../../parts/bench-sheets';
import { ProbesDrawing } from './probes-drawing';
import { StandingMark } from '../../../parts/marks/standing-mark';
import { VoltScale } from './volt-scale';

/** A rig measured joint by joint before it gets power: what to measure, what to expect, what the reading means. */
@Component({
  selector: 'app-check-page',
  imports: [PageMenu, ProblemNote, ProbesDrawing, QuantityField, RouterLink, StandingMark, TextField, VerdictMark, VoltScale],
  templateUrl: './check-page.html',
  styleUrl: './check-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckPage {
  protected readonly sayPlace = sayPlace;
  protected readonly sayProbes = sayProbes;
  protected readonly sayCorrection = sayCorrection;
  /** The rig, from the address. */
  readonly id = input.required<string>();
  private readonly bench = inject(BenchSheets);
  private readonly router = inject(Router);
  private readonly metersApi = inject(RecordingsApi);
  protected readonly sayExpected = sayExpected;
  protected readonly sayWhyExpected = sayWhyExpected;
  protected readonly sayReading = sayReading;
  protected readonly sayShown = sayShown;
  protected readonly isOhms = isOhms;
  protected readonly goodStart = GOOD_START;
  protected readonly byShape = sheetShape.variants.joints.by.of;
  protected readonly meterShapes = meterShape.fields;
  protected readonly rig = computed(() => this.bench.rigs().get(this.id()));
  private readonly entry = computed(() => sheetOfRig(this.bench.sheets(), this.id()));
  protected readonly sheet = computed(() => {
    const body = this.entry()?.body;
    return body?.kind === 'joints' ? body : undefined;
  });
  protected readonly meter = computed(() => this.sheet()?.meter ?? HANDHELD);
  /** Tenths of a per cent count here: what other pages round. */
  protected readonly meterPercent = computed(() => Number((100 * this.meter().share).toPrecision(3)));
  protected readonly percentShape = number('Meter: of what it shows, in per cent', 'points', { max: 20 });
  protected readonly meterSays = computed(() => `meter ±${this.meterPercent()} % and ${formatQuantity(this.meter().volts, 'V')}`);
  private readonly later = computedLater(
    'bench',
    () => {
      const rig = this.rig();
      return rig && { rig, gear: this.bench.gear(), sheet: this.sheet() };
    },
    (core, { rig, gear, sheet }) => core.rigCheck(rig, gear, sheet),
  );
  protected readonly check = computed(() => valueOf(this.later()));
  protected readonly failed = computed(() => {
    const later = this.later();
    return later.is === 'failed' ? later.message : undefined;
  });
  protected readonly glance = computed(() => {
    const check = this.check();
    const { at, by } = this.sheet() ?? {};
    return check && { is: check.is, done: check.done, of: check.steps.length, reopened: check.reopened.length, at, by };
  });
  private readonly chosenId = signal<string | undefined>(undefined);
  protected readonly place = computed(() => {
    const check = this.check();
    if (!check) return -1;
    const at = (id: string | undefined): number => check.steps.findIndex(({ step }) => step.id === id);
    return Math.max(0, at(this.chosenId()) >= 0 ? at(this.chosenId()) : at(check.nextId));
  });
  protected readonly current = computed((): CheckedStep | undefined => this.check()?.steps[this.place()]);
  /** What is being typed; undefined while the field shows what is kept. */
  protected readonly typed = signal<string | undefined>(undefined);
  private readonly read = computed(() => {
    const [text, current] = [this.typed(), this.current()];
    return text === undefined || text.trim() === '' || !current ? undefined : readMeter(text, current.step);
  });
  protected readonly error = computed(() => {
    const read = this.read();
    return read && !read.ok ? read.issue.message : undefined;
  });
  /** The step with what is typed judged at once, before it is kept. */
  protected readonly shown = computed((): CheckedStep | undefined => {
    const [current, read] = [this.current(), this.read()];
    if (!current || !read?.ok || current.closed) return current;
    return { ...current, reading: read.reading, judged: judgeReading(current.step, read.reading) };
  });
  protected readonly shownText = computed(() => {
    const { reading } = this.current() ?? {};
    return this.typed() ?? (reading === undefined ? '' : typeof reading === 'number' ? `${Number(reading.toPrecision(5))}` : reading);
  });
  protected readonly corrections = computed((): readonly Correction[] => {
    const shown = this.shown();
    return shown ? corrections(shown, this.bench.gear()) : [];
  });
  protected readonly meters = signal<readonly Meter[]>([]);
  protected readonly problem = signal<Problem | undefined>(undefined);
  protected readonly reading = signal(false);
  protected readonly title = computed(() => this.rig()?.name ?? '');
  protected readonly measured = computed(() => {
    const { at, by } = this.sheet() ?? {};
    return at === undefined ? undefined : `${formatDate(at.slice(0, 10))}${by === undefined ? '' : `, ${by}`}`;
  });
  protected readonly acts = computed((): readonly PageAct[] => [
    { title: 'Print', icon: 'print', do: () => window.print() },
    {
      title: 'Begin a new sheet',
      icon: 'add',
      do: () => this.begin(),
      notNow: this.sheet() ? undefined : 'There is none yet: it begins with the first reading.',
    },
    { title: 'Open the rig', icon: 'rigs', do: () => void this.router.navigate(['/rigs', this.id()]) },
    {
      title: 'Delete this sheet',
      icon: 'remove',
      takesAway: true,
      do: () => this.remove(),
      notNow: this.sheet() ? undefined : 'There is none yet.',
    },
  ]);
  private readonly box = viewChild<ElementRef<HTMLInputElement>>('box');

  constructor() {
    effect(() => {
      this.id();
      this.chosenId.set(undefined);
      this.typed.set(undefined);
    });
    // a meter is a help, not a need: without one the reading is typed
    this.metersApi.meters().subscribe({ next: (meters) => this.meters.set(meters), error: () => this.meters.set([]) });
  }

  protected choose(place: number): void {
    const id = this.check()?.steps[place]?.step.id;
    if (id === undefined) return;
    this.chosenId.set(id);
    this.typed.set(undefined);
    this.box()?.nativeElement.focus({ preventScroll: true });
  }

  /** What is typed, kept; where all is as expected the next step comes up. */
  protected keep(): void {
    const [read, current] = [this.read(), this.current()];
    if (!read?.ok || !current || current.closed) return;
    this.keepReading(current, read.reading);
    if (judgeReading(current.step, read.reading).verdict === 'good') this.next();
  }

  protected over(): void {
    this.typed.set('OL');
    this.keep();
  }

  /** The other sign, for phones whose figures have no minus. */
  protected flip(): void {
    const text = this.shownText().trim();
    if (text === '' || text === 'OL') return;
    this.typed.set(/^[-−–]/.test(text) ? text.slice(1).trim() : `-${text}`);
  }

  protected takeOut(): void {
    const current = this.current();
    const [entry, sheet] = [this.entry(), this.sheet()];
    this.typed.set(undefined);
    if (current && entry && sheet) this.bench.edit(entry.id, withReading(sheet, current.step, undefined), `reading ${current.step.id}`);
  }

  protected next(): void {
    const steps = this.check()?.steps ?? [];
    const place = this.place();
    if (place + 1 < steps.length) this.choose(place + 1);
  }

  protected fromMeter(meterId: string): void {
    this.problem.set(undefined);
    this.reading.set(true);
    this.metersApi.read(meterId).subscribe({
      next: ({ voltageV }) => {
        this.reading.set(false);
        this.typed.set(`${Number(voltageV.toFixed(3))}`);
        this.keep();
      },
      error: (problem: Problem) => {
        this.reading.set(false);
        this.problem.set(problem);
      },
    });
  }

  protected correct({ gearId, after, says }: Correction): void {
    this.keep();
    this.bench.correct(gearId, after, sayCorrection(says));
  }

  protected setBy(by: string | undefined): void {
    this.bench.rememberWho(by);
    this.change({ by }, 'by');
  }

  protected setMeter(field: 'share' | 'volts' | 'ohms', value: number | undefined): void {
    this.change({ meter: { ...this.meter(), [field]: value ?? HANDHELD[field] } }, `meter ${field}`);
  }

  private change(changes: Parameters<typeof withChanges<SheetOf<'joints'>>>[1], field: string): void {
    const [entry, sheet] = [this.entry(), this.sheet()];
    if (entry && sheet) this.bench.edit(entry.id, withChanges(sheet, changes), field);
    else this.bench.add(crypto.randomUUID(), withChanges(this.blank(), changes));
  }

  private keepReading({ step }: CheckedStep, reading: MeterReading): void {
    const [entry, sheet] = [this.entry(), this.sheet()];
    const kept = { ...withReading(sheet ?? this.blank(), step, reading), at: localDate(new Date()) };
    this.typed.set(undefined);
    if (entry) this.bench.edit(entry.id, kept, `reading ${step.id}`);
    else this.bench.add(crypto.randomUUID(), kept);
  }

  private blank(): SheetOf<'joints'> {
    return { kind: 'joints', ...this.bench.about(), rigId: this.id(), readings: [] };
  }

  private begin(): void {
    const meter = this.sheet()?.meter;
    this.chosenId.set(undefined);
    this.bench.add(crypto.randomUUID(), { ...this.blank(), ...(meter && { meter }) });
  }

  private remove(): void {
    const [entry, sheet] = [this.entry(), this.sheet()];
    if (entry && sheet) this.bench.remove(entry.id, sheet);
  }
}
