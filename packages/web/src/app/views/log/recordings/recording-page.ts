import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Device } from '@viaggio/core/gear';
import { atDevice, drawOfSegment, knownModes, matchModes } from '@viaggio/core/measure';
import type { NamedSegment, Recording, Slots } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import type { Problem } from '../../../api/api';
import { download, fileName } from '../../../device/download';
import { ProblemNote } from '../../../basics/problem-note';
import type { Change } from '../../../state/items';
import { Items } from '../../../state/items.actions';
import { selectItems, selectWholeLog } from '../../../state/items.selectors';
import { CoreWorkers } from '../../../workers/core-workers';
import { modeName, remarkSentence, titleOf, whenOf } from '../../../parts/log-labels';
import { RecordingSubject } from './recording-subject';
import type { Subject } from './recording-subject';
import { RecordingsApi } from '../../../api/recordings-api';
import { TraceChart, clock } from '../../../charts/trace-chart';
import type { Span } from '../../../charts/trace-chart';
import { SegmentName } from './segment-name';
import { CopyToOwn } from '../../../parts/copy-to-own';
import { TermHint } from '../../../basics/term-hint';
import { inWorld } from '../../../api/world';

const NO_WAY: Problem = {
  code: 'no-way',
  title: 'What lay between is not known',
  detail: 'The meter sat at the battery: what reached the device depends on its feed.',
  remedy: 'Say above which rig fed it, or what was lost on the way; then name the mode.',
};

/** Of one notch of the wheel. */
const WHEEL = 1.4;
/** A millionth of a watt: no meter tells less. */
const LEAST_SHOWN_W = 1e-6;

/** One recording: its picture, its segments, and what each of them is. */
@Component({
  selector: 'app-recording-page',
  imports: [ProblemNote, RecordingSubject, RouterLink, SegmentName, TraceChart, TermHint],
  templateUrl: './recording-page.html',
  styleUrl: './recording-page.scss',
  host: { '(document:keydown)': 'key($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordingPage {
  /** From the address. */
  readonly id = input.required<string>();
  protected readonly original = computed(() => inWorld(`/api/recordings/${this.id()}/original`));
  private readonly store = inject(Store);
  protected readonly toOwn = inject(CopyToOwn).acts(
    'recordings',
    () => this.id(),
    () => `/log/recordings/${this.id()}`,
  );
  private readonly api = inject(RecordingsApi);
  private readonly workers = inject(CoreWorkers);
  private readonly items = this.store.selectSignal(selectItems);
  private readonly log = this.store.selectSignal(selectWholeLog);
  protected readonly clock = clock;
  protected readonly body = computed(() => this.items().recordings.entities[this.id()]?.body);
  protected readonly slots = signal<Slots | undefined>(undefined);
  protected readonly problem = signal<Problem | undefined>(undefined);
  protected readonly whole = computed((): Span => {
    const slots = this.slots();
    return { fromS: 0, toS: Math.max(1, slots ? slots.meanW.length * slots.slotS : (this.body()?.seconds ?? 1)) };
  });
  protected readonly span = linkedSignal<Span>(() => this.whole());
  protected readonly when = computed(() => whenOf(this.body()?.at ?? ''));
  protected readonly device = computed((): Device | undefined => {
    const gear = this.log().gear.get(this.body()?.deviceId ?? '');
    return gear?.kind === 'device' ? gear : undefined;
  });
  protected readonly names = computed(() => (this.body()?.segments ?? []).map((segment) => this.nameOf(segment)));
  /** What segments without a name look like. */
  protected readonly suggestions = computed(() => {
    const [body, device] = [this.body(), this.device()];
    if (!body || !device) return [];
    const toDevice = atDevice(body, this.log());
    if (!toDevice) return [];
    const found = matchModes(
      body.segments.map(({ meanW }) => ({ meanW: toDevice(meanW) })),
      knownModes(device),
    );
    return found.map((modeId, index) => (this.isNamed(body.segments[index]!) ? undefined : modeId));
  });
  protected readonly suggested = computed(() => this.suggestions().filter((modeId) => modeId !== undefined).length);
  protected readonly remarks = computed(() => (this.body()?.remarks ?? []).map((remark) => remarkSentence(remark)));
  /** The segment that was pressed in the picture. */
  protected readonly chosenIndex = signal<number | undefined>(undefined);
  protected readonly chosen = computed(() => {
    const index = this.chosenIndex();
    const segment = index === undefined ? undefined : this.body()?.segments[index];
    return index === undefined || !segment ? undefined : { index, segment };
  });

  constructor() {
    effect((onCleanup) => {
      const id = this.id();
      if (!untracked(this.body)) return;
      this.slots.set(undefined);
      this.problem.set(undefined);
      this.chosenIndex.set(undefined);
      const loading = this.api
        .slots(id)
        .subscribe({ next: (slots) => this.slots.set(slots), error: (problem: Problem) => this.problem.set(problem) });
      onCleanup(() => loading.unsubscribe());
    });
  }

  protected zoom(factor: number): void {
    const { fromS, toS } = this.span();
    const [middle, half] = [(fromS + toS) / 2, ((toS - fromS) / 2) * factor];
    this.show({ fromS: middle - half, toS: middle + half });
  }

  /** With Ctrl, or two fingers drawn apart, nearer and wider around the pointer; with Shift along. */
  protected wheel(event: WheelEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const share = Math.min(1, Math.max(0, (event.clientX - box.left) / Math.max(1, box.width)));
    const { fromS, toS } = this.span();
    if (event.ctrlKey) {
      const factor = event.deltaY < 0 ? 1 / WHEEL : WHEEL;
      const around = fromS + share * (toS - fromS);
      this.show({ fromS: around - share * (toS - fromS) * factor, toS: around + (1 - share) * (toS - fromS) * factor });
    } else if (event.shiftKey) this.pan(((event.deltaX || event.deltaY) < 0 ? -1 : 1) / 8);
    else return;
    event.preventDefault();
  }

  protected pan(share: number): void {
    const { fromS, toS } = this.span();
    const by = (toS - fromS) * share;
    this.show({ fromS: fromS + by, toS: toS + by });
  }

  protected showSegment({ fromS, toS }: NamedSegment): void {
    const margin = 0.1 * (toS - fromS);
    this.show({ fromS: fromS - margin, toS: toS + margin });
  }

  /** Within the recording, and never less than some samples. */
  protected show({ fromS, toS }: Span): void {
    const whole = this.whole();
    const least = Math.min(whole.toS, 10 * (this.slots()?.slotS ?? 1));
    const length = Math.min(whole.toS, Math.max(least, toS - fromS));
    const from = Math.max(0, Math.min(whole.toS - length, (fromS + toS - length) / 2));
    this.span.set({ fromS: from, toS: from + length });
  }

  protected key(event: KeyboardEvent): void {
    const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === '+') this.zoom(0.5);
    else if (event.key === '-') this.zoom(2);
    else if (event.key === 'ArrowLeft') this.pan(-0.25);
    else if (event.key === 'ArrowRight') this.pan(0.25);
    else if (event.key === '0') this.span.set(this.whole());
    else return;
    event.preventDefault();
  }

  protected watts(value: number): string {
    // what a sum of equal figures leaves is no spread
    if (value < LEAST_SHOWN_W) return formatQuantity(0, 'W');
    // what stands by draws tenths of a watt and less
    return value < 1 ? `${Number(value.toPrecision(2))} W` : formatQuantity(value, 'W');
  }

  protected length({ fromS, toS }: NamedSegment): string {
    const seconds = toS - fromS;
    return seconds < 60 ? formatQuantity(seconds, 's') : formatQuantity(seconds / 60, 'min');
  }

  protected drift({ driftW }: NamedSegment): string {
    return driftW === undefined ? '' : `${driftW < 0 ? 'falls' : 'rises'} by ${this.watts(Math.abs(driftW))}`;
  }

  protected peak({ peakW, peakMs, peaks, startUp, fromS, toS }: NamedSegment): string {
    if (!peaks) return '';
    const every = (toS - fromS) / peaks;
    const often = peaks > 1 ? `, ${peaks} of them, one every ${formatQuantity(Number(every.toPrecision(2)), 's')}` : '';
    return `${this.watts(peakW)} for ${Math.round(peakMs)} ms${often}${startUp ? ', starting up' : ''}`;
  }

  /** A press beside every segment closes what was open. */
  protected chooseAt(timeS: number): void {
    const index = this.body()?.segments.findIndex(({ fromS, toS }) => timeS >= fromS && timeS <= toS) ?? -1;
    this.chosenIndex.set(index < 0 ? undefined : index);
  }

  /** What a segment without a name looks like. */
  protected suggestion(index: number): string | undefined {
    const modeId = this.suggestions()[index];
    return modeId === undefined ? undefined : this.modeName(modeId);
  }

  /** The device gets a mode of this draw, and the segment is it: one step. */
  protected addMode(index: number, name: string): void {
    const [body, device] = [this.body(), this.device()];
    const segment = body?.segments[index];
    if (!body || !device || !segment || body.deviceId === undefined) return;
    const modeId = `mode-${crypto.randomUUID().slice(0, 8)}`;
    const draw = drawOfSegment(body, segment, this.log());
    if (!draw) {
      this.problem.set(NO_WAY);
      return;
    }
    const after: Device = { ...device, modes: [...(device.modes ?? []), { id: modeId, name, draw }] };
    const { name: _name, ...rest } = segment;
    const segments = body.segments.map((one, place) => (place === index ? { ...rest, modeId } : one));
    const changes: readonly Change[] = [
      { kind: 'gear', id: body.deviceId, before: device, after },
      { kind: 'recordings', id: this.id(), before: body, after: { ...body, segments } },
    ];
    this.store.dispatch(
      Items.change({ step: { changes, field: 'new mode', at: Date.now(), title: `“${name}” is a mode of ${device.name}` } }),
    );
  }

  protected takeSuggestions(): void {
    const body = this.body()!;
    const found = this.suggestions();
    const segments = body.segments.map((segment, index) => (found[index] === undefined ? segment : { ...segment, modeId: found[index] }));
    this.put({ ...body, segments }, 'suggested');
  }

  protected setSubject(subject: Subject): void {
    const { deviceId: _device, rigId: _rig, batteryId: _battery, lostShare: _lost, ...rest } = this.body()!;
    this.problem.set(undefined);
    this.put({ ...rest, ...subject }, 'subject');
  }

  protected put(body: Recording, field: string): void {
    this.store.dispatch(Items.edit({ kind: 'recordings', id: this.id(), body, field, at: Date.now() }));
  }

  protected async samples(): Promise<void> {
    const [slots, body] = [this.slots(), this.body()];
    if (!slots || !body) return;
    const text = await this.workers.core('table').slotsTable(slots);
    download(fileName(body.name, 'csv'), text, 'text/csv');
  }

  protected modeName(modeId: string): string {
    return modeName(this.body()?.deviceId, modeId, this.log().gear);
  }

  protected deviceTitle(): string {
    return titleOf(this.body()?.deviceId, this.log().gear);
  }

  protected putSegment(index: number, segment: NamedSegment): void {
    const body = this.body()!;
    this.put({ ...body, segments: body.segments.map((one, place) => (place === index ? segment : one)) }, `segment ${index}`);
  }

  private isNamed({ modeId, name }: NamedSegment): boolean {
    return modeId !== undefined || name !== undefined;
  }

  private nameOf({ modeId, name }: NamedSegment): string {
    return modeId === undefined ? (name ?? '') : this.modeName(modeId);
  }
}
