import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { mishapTitle, PLAN_ORDERS } from '@viaggio/core/day';
import type { DayPlan, PlanOrder } from '@viaggio/core/day';
import { gearTitle } from '@viaggio/core/gear';
import { DaySheet } from '../sheet/day-sheet';
import { PlanComparison, sayMass } from './plan-comparison';
import { percent, time } from '../../../parts/timeline/say-moment';
import { SelectField } from '../../../fields/select-field';
import { choicesOf } from '../../../fields/choices-of';
import { counted } from '../../../basics/counted';

/** “Make it work”: looks for a plan, says what it costs and why each change is where it is, and takes it at one press. */
@Component({
  selector: 'app-plan-panel',
  imports: [PlanComparison, SelectField],
  template: `
    <section aria-label="Plan">
      <div class="d-flex flex-wrap gap-2 align-items-end acts mb-2">
        <div>
          <app-select-field label="Among sound plans" [small]="true" [choices]="orders" [value]="order()" (picked)="order.set($event)" />
        </div>
        @if (search().is === 'looking') {
          <button type="button" class="btn btn-outline-secondary btn-sm" (click)="sheet.cancel()">Stop, keep the best so far</button>
        } @else {
          <button type="button" class="btn btn-primary btn-sm" [disabled]="empty()" (click)="look()">
            {{ trouble() ? 'Plan from then on' : 'Make it work' }}
          </button>
        }
      </div>
      @let state = search();
      @switch (state.is) {
        @case ('looking') {
          <p role="status" class="mb-1">
            Looking … {{ share(state.done, state.of) }} done.
            @if (state.best; as best) {
              {{ summary(best) }}
            }
          </p>
          <progress class="w-100" [value]="state.done" [max]="state.of" aria-label="Looked at"></progress>
        }
        @case ('failed') {
          <p class="text-danger-emphasis" role="alert">The plan could not be made: {{ state.message }}</p>
        }
        @case ('found') {
          <div class="found">
            <p class="mb-1">
              @if (trouble(); as what) {
                With this: {{ what }}.
              }
              <strong>{{ state.cancelled ? 'Stopped. The best so far: ' : 'Found: ' }}{{ summary(state.plan) }}</strong>
            </p>
            @for (one of state.plan.unmet; track one.rigId) {
              <p class="mb-1 verdict-stop">
                {{ rigName(one.rigId) }} gets no further than {{ at(one.fromMin) }} with these batteries and chargers.
              </p>
            }
            @if (state.plan.cost.sparesMissing > 0) {
              <p class="mb-1 verdict-caution">
                {{ state.plan.cost.sparesMissing }} {{ state.plan.cost.sparesMissing === 1 ? 'rig that must' : 'rigs that must' }} not be
                interrupted {{ state.plan.cost.sparesMissing === 1 ? 'has' : 'have' }} no charged spare left over.
              </p>
            }
            @if (state.plan.unmet.length > 0) {
              @let helps = sheet.helps();
              @if (helps === undefined) {
                <button type="button" class="btn btn-sm btn-outline-secondary mb-2" (click)="sheet.help(state.plan, order())">
                  What would do?
                </button>
              } @else if (helps === 'looking') {
                <p role="status" class="mb-1">Trying one thing more at a time …</p>
              } @else {
                <ul class="mb-2" aria-label="What would do">
                  @for (help of helps; track help.says) {
                    <li>
                      {{ help.says }} <small>{{ help.enough ? 'That is enough.' : 'It helps, and is not enough alone.' }}</small>
                    </li>
                  } @empty {
                    <li>None of what was tried helps: one more battery, one more charger, lights and screens turned down.</li>
                  }
                </ul>
              }
            }
            <p class="mb-2">
              <button type="button" class="btn btn-primary btn-sm me-2" (click)="sheet.take(state.plan)">Take this plan</button>
              <button type="button" class="btn btn-outline-secondary btn-sm" (click)="sheet.leave()">Cancel</button>
            </p>
            <ul class="small mb-2">
              @for (reason of state.plan.reasons; track $index) {
                <li>{{ why(reason) }}</li>
              }
            </ul>
            <app-plan-comparison />
          </div>
        }
      }
    </section>
  `,
  styles: `
    .found {
      padding: 0.75rem 1rem;
      background: var(--bs-tertiary-bg);
      border-radius: 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanPanel {
  protected readonly sheet = inject(DaySheet);
  protected readonly orders = choicesOf(PLAN_ORDERS);
  protected readonly order = signal<PlanOrder>('swaps');
  protected readonly search = this.sheet.search.asReadonly();
  protected readonly trouble = computed(() => {
    const mishap = this.sheet.mishap();
    return mishap && mishapTitle(mishap, this.sheet.gear());
  });
  protected readonly empty = computed(() => (this.sheet.day()?.blocks.length ?? 0) === 0);

  protected look(): void {
    void this.sheet.look(this.order());
  }

  protected at(minute: number): string {
    return time(this.sheet.day()!, minute);
  }

  protected rigName(id: string): string {
    return this.sheet.rigs().get(id)?.name ?? 'A rig that is gone';
  }

  protected share(done: number, of: number): string {
    return percent(Math.min(1, done / of));
  }

  /** Figures first, each with what no plan does better than; the figures are those of the table below. */
  protected summary({ figures, cost, leastSwaps, leastGapMin }: DayPlan): string {
    const { interruptions, gapMin, changeMin, lowMin, unrecordedMin, changes, cardChanges, cardVisits, batteries } = figures;
    const offMin = gapMin + changeMin;
    const isLeast = offMin + lowMin - leastGapMin < 1;
    const parts = [
      interruptions === 0 ? 'nothing is interrupted that must not be' : `${counted(interruptions, 'block')} interrupted that must not be`,
      offMin < 0.5
        ? 'no minute off'
        : `${Math.ceil(offMin - 1e-6)} min off${changeMin < 0.5 ? '' : changeMin > offMin - 0.5 ? ', all of it for changes' : `, ${Math.ceil(changeMin - 1e-6)} of it for changes`}`,
      unrecordedMin < 0.5 ? '' : `${Math.ceil(unrecordedMin - 1e-6)} min not recorded`,
      lowMin < 0.5 ? '' : `${Math.ceil(lowMin)} min below the reserve`,
      offMin + lowMin < 0.5
        ? ''
        : isLeast
          ? 'the best possible'
          : leastGapMin < 1
            ? ''
            : `the best possible is ${Math.floor(leastGapMin)} min`,
      `${counted(changes, 'change')} of battery (${changes <= leastSwaps ? 'as few as can be' : `no plan that leaves as little off needs fewer than ${leastSwaps}`})`,
      cardChanges === 0
        ? ''
        : `${counted(cardChanges, 'change')} of card (${cardVisits === 0 ? 'all with a battery' : `${cardVisits} in a pause of their own`})`,
      `${counted(batteries, 'battery', 'batteries')}, ${sayMass(figures)}`,
    ];
    return `${parts.filter((one) => one !== '').join(', ')}.${cost.swaps > 0 ? '' : ' Every rig keeps the batteries it starts with.'}`;
  }

  protected why({ rigId, batteryId, atMin, where, byMin }: DayPlan['reasons'][number]): string {
    const battery = this.sheet.gear().get(batteryId);
    const rig = this.rigName(rigId);
    const what = `${this.at(atMin)} ${battery ? gearTitle(battery) : 'a battery'}`;
    const room = byMin - atMin >= 1 ? `; ${Math.round(byMin - atMin)} min later at the most` : '';
    if (where === 'before the start') return `${what} goes into ${rig} before it starts: its own would have to go by ${this.at(byMin)}.`;
    if (where === 'put back') return `${what} goes back into ${rig}, charged meanwhile: it is wanted by ${this.at(byMin)}${room}.`;
    return `${what} goes into ${rig}, ${where}: the one before it has to go by ${this.at(byMin)}${room}.`;
  }
}
