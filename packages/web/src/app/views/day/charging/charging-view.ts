import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { ToldChargingRow } from '@viaggio/core/words';
import { DaySheet } from '../sheet/day-sheet';
import { percent, time } from '../../../parts/timeline/say-moment';
import { TermHint } from '../../../basics/term-hint';

/** What goes on which charger when, what is not ready by call time, and the usual cautions beside it. */
@Component({
  selector: 'app-charging-view',
  imports: [TermHint],
  template: `
    @if (list(); as charging) {
      <section aria-label="Charging">
        <h2 class="fs-5">Charging</h2>
        @for (caution of charging.cautions; track caution) {
          <p class="small mb-1 verdict-caution">{{ caution }}</p>
        }
        @for (one of charging.notReady; track one.batteryId + one.atMin) {
          <p class="mb-1">
            <strong class="verdict-caution">{{ one.battery }} is not full at {{ at(one.atMin) }}</strong> when {{ one.rig }} wants it:
            {{ share(one.charge) }}. {{ one.remedy }}
          </p>
        }
        @if (charging.rows.length === 0) {
          <p class="text-body-secondary">
            Nothing is on a charger. Say under “Places and gear” which chargers stand where; “Make it work” then fills them.
          </p>
        } @else {
          <div class="table-responsive">
            <table class="table table-sm small">
              <thead>
                <tr>
                  <th scope="col">On</th>
                  <th scope="col">Battery</th>
                  <th scope="col">Charger</th>
                  <th scope="col" class="text-end">From</th>
                  <th scope="col">Full</th>
                  <th scope="col">Off</th>
                  <th scope="col">For</th>
                </tr>
              </thead>
              <tbody>
                @for (row of charging.rows; track $index) {
                  <tr [class.followed]="sheet.followed() === row.batteryId">
                    <td class="text-nowrap">{{ at(row.onMin) }}</td>
                    <td>{{ row.battery }}</td>
                    <td>
                      {{ row.charger }}
                      <small class="text-body-secondary">{{ row.place }}{{ row.inPlace ? ', where it sits' : '' }}</small>
                    </td>
                    <td class="text-end text-nowrap">{{ share(row.fromCharge) }}</td>
                    <td>
                      {{ row.fullMin === undefined ? share(row.toCharge) : at(row.fullMin) }}
                      @if (row.trouble) {
                        <small class="verdict-caution">{{ row.trouble }}</small>
                      }
                    </td>
                    <td class="text-nowrap">{{ at(row.offMin) }}</td>
                    <td>{{ purpose(row) }}</td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
        @if (topUps(); as found) {
          @if (found.length > 0) {
            <h3 class="fs-6">Top-ups in the breaks <app-term-hint label="Top-ups in the breaks" /></h3>
            <ul class="list-unstyled small" aria-label="Top-ups in the breaks">
              @for (one of found; track $index) {
                <li class="mb-1">
                  <span [class.verdict-good]="one.worth">{{ one.worth ? '● worth it' : '– not worth the handling' }}</span>: {{ one.battery
                  }}{{ one.rig ? ' out of ' + one.rig : '' }}, {{ at(one.fromMin) }} to {{ at(one.toMin) }} on {{ one.charger }},
                  {{ share(one.fromCharge) }} to {{ share(one.toCharge) }}. {{ one.says }}.
                  @if (one.worth) {
                    <button
                      type="button"
                      class="btn btn-sm btn-outline-secondary acts"
                      (click)="sheet.change(one.moves, 'top-up ' + one.batteryId + one.fromMin)"
                    >
                      Add to the plan
                    </button>
                  }
                </li>
              }
            </ul>
          }
        }
      </section>
    }
  `,
  styles: `
    .followed td {
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChargingView {
  protected readonly sheet = inject(DaySheet);
  protected readonly list = computed(() => this.sheet.outlook()?.charging);
  protected readonly topUps = computed(() => this.sheet.advice()?.topUps);
  protected readonly share = percent;

  /** Whether the plan itself needs it. */
  protected purpose({ batteryId, chargerId, onMin }: ToldChargingRow): string {
    const charges = this.sheet.day()?.charges ?? [];
    const index = charges.findIndex((one) => one.batteryId === batteryId && one.chargerId === chargerId && one.fromMin === onMin);
    const needed = this.sheet.advice()?.needed[index];
    return needed === undefined ? '' : needed ? 'this plan' : 'later';
  }

  protected at(minute: number): string {
    return time(this.sheet.day()!, minute);
  }
}
