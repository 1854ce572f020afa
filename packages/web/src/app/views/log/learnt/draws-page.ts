import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { OBSERVATION_KINDS } from '@viaggio/core/measure';
import type { DrawEvidence, DrawRow, Observation, Recording } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import { findEntry } from '../../../state/items';
import { Items } from '../../../state/items.actions';
import { selectItems, selectWholeLog } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { whenOf } from '../../../parts/log-labels';
import { DrawScale, scaleOfDraws } from '../draw-scale';
import { drawUnit, sayInUse, sayWithError } from '../draw-words';

/** Less is not worth a figure. */
const LEAST_SHARE = 0.005;

/** What devices really draw, mode by mode: what plans use, what was learnt, and how that came about. */
@Component({
  selector: 'app-draws-page',
  imports: [DrawScale, RouterLink],
  templateUrl: './draws-page.html',
  styleUrl: './draws-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrawsPage {
  private readonly store = inject(Store);
  private readonly log = this.store.selectSignal(selectWholeLog);
  private readonly items = this.store.selectSignal(selectItems);
  protected readonly kinds = OBSERVATION_KINDS;
  protected readonly when = whenOf;
  private readonly later = computedLater('log', this.log, (core, log) => core.draws(log));
  protected readonly working = computed(() => this.later().is === 'working');
  protected readonly failed = computed(() => {
    const later = this.later();
    return later.is === 'failed' ? later.message : undefined;
  });
  protected readonly rows = computed(() => valueOf(this.later()));

  protected readonly withError = sayWithError;
  protected readonly unitOf = drawUnit;
  protected readonly inPlans = sayInUse;

  /** How much it differs from day to day, as far as several days tell it. */
  protected daily({ learnt, evidence }: DrawRow): string | undefined {
    const days = new Set(evidence.filter(({ share }) => share > 0).map(({ at }) => at.slice(0, 10))).size;
    return learnt && days > 2 ? formatQuantity(2 * learnt.dayShare, 'fraction') : undefined;
  }

  /** Learnt against what plans use, where they differ by more than a hair. */
  protected against({ now, learnt }: DrawRow): string | undefined {
    if (!now || !learnt || now.value === 0) return undefined;
    const off = learnt.meanW / now.value - 1;
    return Math.abs(off) < 0.005 ? undefined : `${Math.round(Math.abs(off) * 100)} % ${off < 0 ? 'less' : 'more'}`;
  }

  protected readonly most = computed(() => scaleOfDraws(this.rows() ?? []));

  protected inUse(row: DrawRow): boolean {
    return row.now?.learnt === true && this.against(row) === undefined;
  }

  protected use(row: DrawRow): void {
    if (!row.use) return;
    this.store.dispatch(
      Items.edit({ kind: 'gear', id: row.deviceId, body: row.use, field: `learnt ${row.modeId ?? 'usual'}`, at: Date.now() }),
    );
  }

  protected hasDoubt({ evidence }: DrawRow): boolean {
    return evidence.some(({ doubtful }) => doubtful);
  }

  /** One that shares its errors with surer ones adds nothing to them. */
  protected counts({ setAside, share, estimate, lacks, doubtful }: DrawEvidence): string {
    if (setAside) return 'set aside';
    const isCounted = estimate !== undefined && lacks === undefined && !doubtful;
    return isCounted && share < LEAST_SHARE ? 'nothing new' : formatQuantity(share, 'fraction');
  }

  /** Two digits are all that was measured. */
  protected round(value: number): string {
    return String(Number(value.toPrecision(value >= 100 ? 3 : 2)));
  }

  protected asideLabel({ kind, at, setAside }: DrawEvidence): string {
    return `${setAside ? 'Count' : 'Set aside'}: ${OBSERVATION_KINDS[kind]}, ${whenOf(at)}`;
  }

  protected link({ id }: DrawEvidence): readonly string[] {
    const [item] = id.split('#');
    return id.includes('#') ? ['/log/recordings', item!] : ['/log/entry', id];
  }

  /** Counted or not is a person's word, and a step of undo. */
  protected setAside({ id, setAside }: DrawEvidence): void {
    const [item, place] = id.split('#');
    const kind = place === undefined ? 'log' : 'recordings';
    const entry = findEntry(this.items(), kind, item!);
    if (!entry) return;
    const mark = setAside ? {} : { setAside: true };
    if (place === undefined) {
      const { setAside: _before, ...rest } = entry.body as Observation;
      this.store.dispatch(Items.edit({ kind, id: item!, body: { ...rest, ...mark }, field: 'set aside', at: Date.now() }));
      return;
    }
    const body = entry.body as Recording;
    const segments = body.segments.map(({ setAside: before, ...rest }, index) =>
      index === Number(place) ? { ...rest, ...mark } : { ...rest, ...(before && { setAside: before }) },
    );
    this.store.dispatch(Items.edit({ kind, id: item!, body: { ...body, segments }, field: 'set aside', at: Date.now() }));
  }
}
