import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Autonomy } from '@viaggio/core/answer';
import { batteriesOf, unattendedShape } from '@viaggio/core/gear';
import type { Unattended } from '@viaggio/core/gear';
import { formatQuantity, withChanges } from '@viaggio/core/units';
import { QuantityField } from '../../../fields/quantity-field';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { RigSheet } from '../sheet/rig-sheet';
import { AutonomyChart } from './autonomy-chart';
import { DayCalendar } from './day-calendar';
import { MONTHS, dayOf, days, every, visitDays } from './frames-words';
import { CheckField } from '../../../fields/check-field';
import { DateField } from '../../../fields/date-field';

const TYPING_REST_MS = 150;

/** An unattended rig: days on its battery, the sun's balance, the longest dull spell, when to come, frames further apart. */
@Component({
  selector: 'app-unattended-page',
  imports: [DateField, CheckField, AutonomyChart, DayCalendar, QuantityField],
  templateUrl: './unattended-page.html',
  styleUrl: '../balance/balance-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UnattendedPage {
  protected readonly sheet = inject(RigSheet);
  protected readonly fields = unattendedShape.fields;
  protected readonly months = MONTHS;
  protected readonly said = computed((): Unattended => this.sheet.rig()?.unattended ?? {});
  /** Any rig can be asked how long it lives on its batteries, whatever was said of sun. */
  private readonly later = computedLater(
    'outlook',
    () => {
      const rig = this.sheet.rig();
      return rig && { rig, parts: this.sheet.parts() };
    },
    (core, { rig, parts }) => core.alone(rig, parts),
    { restMs: TYPING_REST_MS },
  );
  protected readonly answer = computed(() => valueOf(this.later()));
  protected readonly failed = computed(() => {
    const later = this.later();
    return later.is === 'failed' ? later.message : undefined;
  });
  protected readonly alone = computed((): Autonomy | undefined => {
    const answer = this.answer();
    return answer?.is === 'known' ? answer.alone : undefined;
  });
  protected readonly hasLead = computed(() => {
    const rig = this.sheet.rig();
    const gear = this.sheet.parts();
    return (
      rig !== undefined &&
      batteriesOf(rig, gear).some((id) => [gear.get(id)].some((one) => one?.kind === 'battery' && one.chemistry === 'agm'))
    );
  });
  protected readonly figure = formatQuantity;
  protected readonly days = days;
  protected readonly every = every;

  /** What it comes to, in a sentence. */
  protected readonly verdict = computed((): { readonly is: 'good' | 'caution' | 'stop'; readonly says: string } | undefined => {
    const [alone, said] = [this.alone(), this.said()];
    if (!alone) return undefined;
    const flat = alone.days.find(({ dullCharge }) => dullCharge <= 0);
    const until = said.days === undefined ? '' : ` of ${said.days}`;
    if (flat) return { is: 'stop', says: `It stops on day ${flat.day + 1}${until}${dayOf(said, flat.day)}, unless somebody comes before.` };
    if (alone.visits.length > 0)
      return { is: 'caution', says: `It goes on, but not alone: somebody comes on ${visitDays(said, alone.visits)}.` };
    return { is: 'good', says: `It goes on alone for ${days(alone.days.length)} with the reserve kept.` };
  });
  protected readonly visits = computed(() =>
    (this.alone()?.visits ?? []).map(({ day, why }) => ({
      when: `Day ${day + 1}${dayOf(this.said(), day)}`,
      what: { battery: 'bring a full battery', card: 'bring an empty card', 'battery and card': 'bring a full battery and an empty card' }[
        why
      ],
    })),
  );
  /** What the figures rest on, and what was taken where not entered. */
  protected readonly assumed = computed(() => {
    const [alone, rig] = [this.alone(), this.sheet.rig()];
    if (!alone || !rig) return '';
    const cold =
      rig.temperatureC === undefined ? 'No temperature entered: 25 °C is taken.' : `At ${formatQuantity(rig.temperatureC, 'C')}.`;
    const start = alone.takenAsFull
      ? 'Taken as full when it is left, no charge being entered.'
      : `Left ${formatQuantity(alone.startCharge, 'fraction')} full.`;
    return `${cold} ${start} ${formatQuantity(alone.reserve, 'fraction')} are kept as reserve.`;
  });
  /** How the yield comes about, with the figures of the worst month. */
  protected readonly way = computed(() => {
    const alone = this.alone();
    if (!alone?.worst) return undefined;
    const { worst, chargeW, share, useWh } = alone;
    return `${MONTHS[worst.month - 1]}: ${formatQuantity(chargeW, 'W')} × ${formatQuantity(worst.sunHours, 'peak-sun hours')} × ${share} = ${formatQuantity(worst.yieldWh, 'Wh')} a day, against ${formatQuantity(useWh, 'Wh')} used.`;
  });

  protected set(changes: { readonly [K in keyof Unattended]?: Unattended[K] | undefined }, field: string): void {
    this.sheet.change({ unattended: withChanges(this.said(), changes) }, `unattended ${field}`);
  }

  protected hoursOf(month: number): number | undefined {
    return this.said().monthHours?.find((one) => one.month === month)?.hours;
  }

  protected setHours(month: number, hours: number | undefined): void {
    const others = (this.said().monthHours ?? []).filter((one) => one.month !== month);
    const monthHours = hours === undefined ? others : [...others, { month, hours }].sort((a, b) => a.month - b.month);
    this.set({ monthHours: monthHours.length > 0 ? monthHours : undefined }, `hours ${month}`);
  }
}
