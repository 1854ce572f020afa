import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { nearestDay } from '@viaggio/core/answer';
import type { AttentionTo } from '@viaggio/core/answer';
import { clockAt, firstCall } from '@viaggio/core/day';
import type { Rig } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { BenchSheets } from '../../parts/bench-sheets';
import { StandingMark } from '../../parts/marks/standing-mark';
import { time } from '../../parts/timeline/say-moment';
import { counted } from '../../basics/counted';
import { localDate } from '../../device/dates';
import { VerdictMark } from '../../basics/verdict-mark';
import { selectDays, selectGearBodies, selectRigs, selectWholeLog } from '../../state/items.selectors';
import { computedLater, valueOf } from '../../workers/computed-later';
import { ChargerStrip } from '../../parts/charger-strip';
import { RigTime } from '../../parts/rig-time';
import { dayPrepared } from '../../parts/day-prepared';
import { ConcernList } from './concern-list';

/** The next day and its rigs, what is on the chargers until then, and what needs somebody now. */
@Component({
  selector: 'app-day-outlook',
  imports: [ChargerStrip, ConcernList, RigTime, RouterLink, StandingMark, VerdictMark],
  templateUrl: './day-outlook.html',
  styleUrl: './day-outlook.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayOutlook {
  private readonly store = inject(Store);
  private readonly days = this.store.selectSignal(selectDays);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly gear = this.store.selectSignal(selectGearBodies);
  private readonly log = this.store.selectSignal(selectWholeLog);
  private readonly bench = inject(BenchSheets);
  private readonly today = localDate(new Date());

  protected readonly next = computed(() => dayPrepared(this.days(), this.today));
  private readonly nearest = computed(() => nearestDay(this.days(), this.today));
  private readonly asked = computed((): AttentionTo => {
    const next = this.next();
    const all = new Map(this.rigs().map(({ id, body }) => [id, body]));
    const ids = next ? next.day.rigIds : [...all.keys()];
    const rigs = new Map(ids.flatMap((id): [string, Rig][] => (all.has(id) ? [[id, all.get(id)!]] : [])));
    return { rigs, gear: this.gear(), day: next, log: this.log(), sheets: this.bench.sheets(), today: this.today };
  });
  private readonly later = computedLater('rigs', this.asked, (core, asked) => core.todayOutlook(asked));
  protected readonly outlook = computed(() => valueOf(this.later()));
  protected readonly failed = computed(() => {
    const later = this.later();
    return later.is === 'failed' ? later.message : undefined;
  });

  protected readonly title = computed(() => {
    const next = this.next();
    if (!next) return 'Your rigs';
    return next.inDays < 0 ? next.day.name : `${whenIs(next.inDays, clockAt(next.day, 0).weekday)}: ${next.day.name}`;
  });
  protected readonly about = computed(() => {
    const [next, last] = [this.next(), this.nearest()];
    if (!next) return last ? `No day is planned. The last was ${last.day.name}, ${clockAt(last.day, 0).weekday}.` : 'No day is planned.';
    const { day } = next;
    const { temperatureC } = day;
    const first = day.blocks.length > 0 ? `first call ${time(day, firstCall(day))}` : 'no block yet';
    return [
      clockAt(day, 0).weekday,
      first,
      ...(temperatureC === undefined ? [] : [formatQuantity(temperatureC, 'C')]),
      counted(day.rigIds.length, 'rig'),
      counted(day.blocks.length, 'block'),
    ].join(' · ');
  });
}

function whenIs(inDays: number, weekday: string): string {
  if (inDays === 0) return 'Today';
  if (inDays === 1) return 'Tomorrow';
  return inDays < 7 ? `In ${inDays} days` : weekday;
}
