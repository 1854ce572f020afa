import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { DayAlone } from '@viaggio/core/answer';
import type { Unattended } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { Preferences } from '../../../device/preferences';
import { days, dayOf } from './frames-words';

interface Cell {
  readonly day: number;
  readonly label: string;
  readonly charge: number;
  readonly is: 'fine' | 'reserve' | 'empty';
  readonly says: string;
}

const WEEK = 7;
/** What stands a year or longer is told by the chart. */
const MOST_DAYS = 140;
const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** The battery of an unattended rig as a calendar: a box a day, filled as far as it is charged that evening. */
@Component({
  selector: 'app-day-calendar',
  template: `
    @if (weekdays(); as names) {
      <div class="week names" aria-hidden="true">
        @for (name of names; track name) {
          <span>{{ name }}</span>
        }
      </div>
    }
    <ol class="week list-unstyled" aria-label="Charge day by day">
      @for (_ of blank(); track $index) {
        <li class="blank" aria-hidden="true"></li>
      }
      @for (cell of cells(); track cell.day) {
        <li [class]="cell.is" [title]="cell.says">
          <span class="filled" aria-hidden="true" [style.height.%]="100 * cell.charge"></span>
          <span class="label" aria-hidden="true">{{ cell.label }}</span>
          <span class="visually-hidden">{{ cell.says }}</span>
        </li>
      }
    </ol>
    @if (more() > 0) {
      <p class="small text-body-secondary">{{ daysOf(more()) }} more in the chart below.</p>
    }
  `,
  styles: `
    .week {
      display: grid;
      grid-template-columns: repeat(7, minmax(0, 3.4rem));
      gap: 0.25rem;
      margin-bottom: var(--space-2);
      font-size: var(--type-note);
    }
    .names {
      margin-bottom: 0.15rem;
      color: var(--bs-secondary-color);
    }
    li {
      position: relative;
      height: 2.6rem;
      overflow: hidden;
      background: var(--raised);
      border-radius: 0.25rem;
    }
    .blank {
      background: none;
    }
    .filled {
      position: absolute;
      inset: auto 0 0;
      background: var(--turn);
    }
    .reserve .filled {
      background: var(--charge);
    }
    .empty {
      box-shadow: inset 0 0 0 2px var(--stop);
    }
    .reserve {
      box-shadow: inset 0 0 0 1.5px var(--caution);
    }
    .label {
      position: relative;
      padding: 0.15rem 0.35rem;
      font-variant-numeric: tabular-nums;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayCalendar {
  readonly days = input.required<readonly DayAlone[]>();
  readonly said = input.required<Unattended>();
  readonly reserve = input.required<number>();
  private readonly preferences = inject(Preferences);
  protected readonly daysOf = days;
  private readonly shown = computed(() => this.days().slice(0, MOST_DAYS));
  protected readonly more = computed(() => this.days().length - this.shown().length);
  /** 0: the first day of the week as the person has it; undefined while the day it is left on is not entered. */
  private readonly startsOn = computed(() => {
    const { from } = this.said();
    if (from === undefined) return undefined;
    const weekday = (new Date(`${from}T12:00:00Z`).getUTCDay() + WEEK - 1) % WEEK;
    return (weekday - (this.preferences.all().weekStart - 1) + WEEK) % WEEK;
  });
  protected readonly weekdays = computed(() => {
    const first = this.preferences.all().weekStart - 1;
    return this.startsOn() === undefined ? undefined : NAMES.map((_, place) => NAMES[(place + first) % WEEK]!);
  });
  protected readonly blank = computed(() => Array.from({ length: this.startsOn() ?? 0 }));
  protected readonly cells = computed((): readonly Cell[] =>
    this.shown().map(({ day, dullCharge }) => ({
      day,
      label: this.labelOf(day),
      charge: dullCharge,
      is: dullCharge <= 0.001 ? 'empty' : dullCharge < this.reserve() ? 'reserve' : 'fine',
      says: `Day ${day + 1}${dayOf(this.said(), day)}: ${formatQuantity(dullCharge, 'fraction')}`,
    })),
  );

  private labelOf(day: number): string {
    const { from } = this.said();
    return from === undefined ? String(day + 1) : String(new Date(Date.parse(`${from}T12:00:00Z`) + day * 86_400_000).getUTCDate());
  }
}
