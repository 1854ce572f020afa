import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { DaySheet } from './day-sheet';
import { percent, time } from './timeline-view';

/** What goes on which charger when, what is not ready by call time, and the usual cautions beside it. */
@Component({
  selector: 'app-charging-view',
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
            Nothing is on a charger. Say under “What is there” which chargers stand where; “Make it work” then fills them.
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
                </tr>
              </thead>
              <tbody>
                @for (row of charging.rows; track $index) {
                  <tr [class.followed]="sheet.followed() === row.batteryId">
                    <td class="text-nowrap">{{ at(row.onMin) }}</td>
                    <td>{{ row.battery }}</td>
                    <td>
                      {{ row.charger }}
                      <small class="text-body-secondary">{{ row.place }}</small>
                    </td>
                    <td class="text-end text-nowrap">{{ share(row.fromCharge) }}</td>
                    <td>
                      {{ row.fullMin === undefined ? share(row.toCharge) : at(row.fullMin) }}
                      @if (row.trouble) {
                        <small class="verdict-caution">{{ row.trouble }}</small>
                      }
                    </td>
                    <td class="text-nowrap">{{ at(row.offMin) }}</td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
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
  protected readonly share = percent;

  protected at(minute: number): string {
    return time(this.sheet.day()!, minute);
  }
}
