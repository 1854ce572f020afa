import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { batteriesOf } from '@viaggio/core/gear';
import { keptSlots, recordingShape } from '@viaggio/core/measure';
import type { Slots } from '@viaggio/core/measure';
import { formatQuantity, number } from '@viaggio/core/units';
import type { Problem } from '../../../api/api';
import { ProblemNote } from '../../../basics/problem-note';
import { QuantityField } from '../../../fields/quantity-field';
import { TextField } from '../../../fields/text-field';
import { VerdictMark } from '../../../basics/verdict-mark';
import { Items } from '../../../state/items.actions';
import { selectWholeLog } from '../../../state/items.selectors';
import { RecordingSubject } from './recording-subject';
import type { Subject } from './recording-subject';
import { RecordingsApi } from '../../../api/recordings-api';
import type { Live, LiveEvent, Meter, Trouble } from '../../../api/recordings-api';
import { TraceChart, clock } from '../../../charts/trace-chart';
import { SelectField } from '../../../fields/select-field';
import { inWorld } from '../../../api/world';

const EVERY_MS = 200;
const SECONDS_EACH = 20;
const STATES = { connecting: 'Connecting', connected: 'Recording', away: 'No answer', nonsense: 'Not understood' } as const;
const VERDICTS = { connecting: 'unknown', connected: 'good', away: 'caution', nonsense: 'caution' } as const;
const TROUBLE_S = 4;
const MOST_POINTS = 20_000;
const GONE: Problem = {
  code: 'live-gone',
  title: 'The recording is not there any more',
  detail: 'It was ended elsewhere, or the server was restarted.',
  remedy: 'What was recorded is kept: look among the recordings.',
};

/** Recording from a meter while it runs; a simulated one is there to try it with. */
@Component({
  selector: 'app-live-page',
  imports: [ProblemNote, QuantityField, RecordingSubject, SelectField, TextField, TraceChart, VerdictMark],
  templateUrl: './live-page.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LivePage {
  private readonly store = inject(Store);
  private readonly api = inject(RecordingsApi);
  private readonly router = inject(Router);
  private readonly log = this.store.selectSignal(selectWholeLog);
  protected readonly nameShape = recordingShape.fields.name;
  protected readonly everyShape = number('A reading every', 'ms', { min: 50, max: 60_000 });
  protected readonly eachShape = number('Seconds in each mode', 's', { min: 2, max: 3600 });
  protected readonly states = STATES;
  protected readonly verdicts = VERDICTS;
  protected readonly clock = clock;
  protected readonly meters = signal<readonly Meter[] | undefined>(undefined);
  protected readonly meterId = signal('');
  protected readonly problem = signal<Problem | undefined>(undefined);
  protected readonly name = signal('Bench');
  protected readonly everyMs = signal(EVERY_MS);
  protected readonly secondsEach = signal(SECONDS_EACH);
  protected readonly subject = signal<Subject>({ meterAt: 'battery' });
  protected readonly live = signal<Live | undefined>(undefined);
  protected readonly busy = signal(false);
  private readonly points = signal<readonly (readonly [number, number, number])[]>([]);
  private events: EventSource | undefined;
  protected readonly rigs = computed(() =>
    [...this.log().rigs].filter(([, rig]) => batteriesOf(rig, this.log().gear).length > 0).map(([id, { name }]) => ({ id, name })),
  );
  protected readonly latest = computed(() => {
    const [, volts, amps] = this.points().at(-1) ?? [];
    return volts === undefined || amps === undefined
      ? undefined
      : { volts: formatQuantity(volts, 'V'), amps: formatQuantity(amps, 'A'), watts: formatQuantity(volts * amps, 'W') };
  });
  protected readonly slots = computed((): Slots | undefined => {
    const points = this.points();
    if (points.length < 2) return undefined;
    return keptSlots({
      timeS: Float64Array.from(points, ([timeS]) => timeS),
      powerW: Float64Array.from(points, ([, volts, amps]) => volts * amps),
    });
  });
  protected readonly span = computed(() => ({ fromS: 0, toS: Math.max(10, this.live()?.seconds ?? 0) }));
  protected readonly simulated = computed(
    () => this.meters()?.some(({ id, simulated }) => simulated && id === this.live()?.meterId) ?? false,
  );

  constructor() {
    this.refresh();
    // one that goes on from before: a page may be closed while it records
    this.api.live().subscribe({ next: ([first]) => first && this.follow(first), error: (problem: Problem) => this.problem.set(problem) });
    inject(DestroyRef).onDestroy(() => this.events?.close());
  }

  protected play(rigId: string): void {
    const rig = this.log().rigs.get(rigId);
    if (!rig) return;
    this.problem.set(undefined);
    // a recording begins under the name of what is played, not under that of what was there before
    this.busy.set(true);
    this.api.play(rigId, this.secondsEach()).subscribe({
      next: (meter) => {
        this.busy.set(false);
        this.refresh();
        this.meterId.set(meter.id);
        this.name.set(`${rig.name}, simulated`.slice(0, 120));
        const [batteryId] = batteriesOf(rig, this.log().gear);
        this.subject.set({ deviceId: rig.devices[0]!.gearId, rigId, meterAt: 'battery', ...(batteryId !== undefined && { batteryId }) });
      },
      error: (problem: Problem) => {
        this.busy.set(false);
        this.problem.set(problem);
      },
    });
  }

  protected start(): void {
    this.problem.set(undefined);
    this.busy.set(true);
    this.api.start(this.meterId(), this.everyMs(), { name: this.name() || 'Bench', ...this.subject() }).subscribe({
      next: (live) => {
        this.busy.set(false);
        this.follow(live);
      },
      error: (problem: Problem) => {
        this.busy.set(false);
        this.problem.set(problem);
      },
    });
  }

  protected stop(): void {
    const live = this.live();
    if (!live) return;
    this.busy.set(true);
    this.api.stop(live.id).subscribe({
      next: (saved) => {
        this.events?.close();
        const { id, body } = saved;
        const step = {
          changes: [{ kind: 'recordings', id, after: body } as const],
          field: 'recorded',
          at: Date.now(),
          title: `“${body.name}” is kept`,
        };
        this.store.dispatch(Items.changed({ acting: { step, how: 'do' }, saved: { recordings: [saved] } }));
        void this.router.navigate(['/log/recordings', id]);
      },
      error: (problem: Problem) => {
        this.busy.set(false);
        this.problem.set(problem);
      },
    });
  }

  protected discard(): void {
    const live = this.live();
    if (!live) return;
    this.api.discard(live.id).subscribe({
      next: () => {
        this.events?.close();
        this.live.set(undefined);
        this.points.set([]);
      },
      error: (problem: Problem) => this.problem.set(problem),
    });
  }

  protected trouble(kind: Trouble): void {
    this.api.trouble(kind, TROUBLE_S).subscribe({ error: (problem: Problem) => this.problem.set(problem) });
  }

  private refresh(): void {
    this.api.meters().subscribe({
      next: (meters) => {
        this.meters.set(meters);
        if (this.meterId() === '') this.meterId.set(meters[0]?.id ?? '');
      },
      error: (problem: Problem) => this.problem.set(problem),
    });
  }

  private follow(live: Live): void {
    this.live.set(live);
    this.points.set([]);
    this.events?.close();
    this.events = new EventSource(inWorld(`/api/live/${live.id}/events`));
    // it comes back by itself after a moment without the server, but not to a recording that is no more
    this.events.onerror = () => {
      if (this.events?.readyState !== EventSource.CLOSED) return;
      this.live.set(undefined);
      this.problem.set(GONE);
      this.refresh();
    };
    this.events.onmessage = ({ data }) => {
      const { points, ended, ...status } = JSON.parse(String(data)) as LiveEvent;
      this.live.set(status);
      if (points.length > 0) this.points.update((known) => thinned([...known, ...points]));
      if (ended) this.events?.close();
    };
  }
}

/** Hours of readings are no more than the picture needs: every second one goes. What is recorded keeps them all. */
function thinned<T>(points: readonly T[]): readonly T[] {
  return points.length > MOST_POINTS ? points.filter((_, index) => index % 2 === 0) : points;
}
