import type { RunAgainstPlan } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import { sayHowToMeasure, sayLearning, saySensitive } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectWholeLog } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { titleOf, whenOf } from '../../../parts/log-labels';

const FITS = { within: 'as planned', short: 'shorter than planned', long: 'longer than planned' } as const;

/** How far the plan was from the day, rig by rig, and what to measure next to be surer. */
@Component({
  selector: 'app-plans-page',
  imports: [RouterLink],
  template: `
    @if (rigs(); as all) {
      @if (all.length === 0) {
        <section class="empty" aria-label="No run on set yet">
          <h2 class="fs-5">No run on set yet</h2>
          <p>
            <a routerLink="/log/new" [queryParams]="{ kind: 'set-run' }">Log a swap or a death on set</a>: how long the rig ran, on which
            battery. This page then shows how good its plan was.
          </p>
        </section>
      } @else {
        <p class="small text-body-secondary">
          Planned with the gear as it is known today, on the battery, charge and cold of that run: what the next plan would have said.
        </p>
        @for (rig of all; track rig.rigId) {
          <section class="mb-4" [attr.aria-label]="rig.name">
            <h2 class="fs-5 mb-1">
              <a class="target" [routerLink]="['/rigs', rig.rigId]">{{ rig.name }}</a>
            </h2>
            <p class="mb-1">{{ sayLearning(rig.says) }}</p>
            <div class="table-responsive">
              <table class="table table-sm">
                <thead>
                  <tr>
                    <th scope="col">When</th>
                    <th scope="col">Battery</th>
                    <th scope="col" class="text-end">Planned, eight of ten</th>
                    <th scope="col" class="text-end">Happened</th>
                    <th scope="col">That is</th>
                  </tr>
                </thead>
                <tbody>
                  @for (run of rig.runs; track run.id) {
                    <tr>
                      <td>
                        <a class="target" [routerLink]="['/log/entry', run.id]">{{ when(run.at) }}</a>
                      </td>
                      <td>{{ name(run.batteryId) }}</td>
                      <td class="text-end">{{ planned(run) }}</td>
                      <td class="text-end">{{ minutes(run.happenedMin) }}{{ run.ended === 'swapped' ? ', then swapped' : '' }}</td>
                      <td>{{ fit(run) }}</td>
                    </tr>
                  }
                </tbody>
              </table>
            </div>
            @if (rig.measureNext.length > 0) {
              <p class="mb-0">To be surer, measure next:</p>
              <ul>
                @for (next of rig.measureNext; track $index) {
                  <li>
                    {{ next.part }}, {{ saySensitive(next.what) }}: {{ percent(next.share) }} of what is unsure rests on it.
                    {{ sayHowToMeasure(next.what) }}
                  </li>
                }
              </ul>
            }
          </section>
        }
      }
    } @else {
      <p role="status">Working it out …</p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlansPage {
  protected readonly sayLearning = sayLearning;
  protected readonly saySensitive = saySensitive;
  protected readonly sayHowToMeasure = sayHowToMeasure;
  private readonly log = inject(Store).selectSignal(selectWholeLog);
  private readonly later = computedLater('log', this.log, (core, log) => core.against(log));
  protected readonly rigs = computed(() => valueOf(this.later()));
  protected readonly when = whenOf;

  protected name(id: string): string {
    return titleOf(id, this.log().gear);
  }

  protected minutes(value: number): string {
    return formatQuantity(value, 'min');
  }

  protected percent(share: number): string {
    return formatQuantity(share, 'fraction');
  }

  protected planned({ predicted }: RunAgainstPlan): string {
    return predicted ? `${this.minutes(predicted.p10Min)} to ${this.minutes(predicted.p90Min)}` : 'cannot be worked out';
  }

  protected fit({ fit, ended }: RunAgainstPlan): string {
    if (fit) return FITS[fit];
    return ended === 'swapped' ? 'in time; proves no more' : '';
  }
}
