import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstCall } from '@viaggio/core/day';
import type { Day } from '@viaggio/core/day';
import type { ToldCharging, ToldChargingRow } from '@viaggio/core/words';
import { time } from './timeline/say-moment';
import { selectGearBodies } from '../state/items.selectors';

interface Bar {
  readonly label: string;
  readonly ready: string;
  readonly left: number;
  readonly width: number;
  readonly says: string;
  readonly isTrouble: boolean;
}
interface Slot {
  readonly charger: string;
  readonly bars: readonly Bar[];
}

/** What is on the chargers before the first call, slot by slot, on one scale of hours. */
@Component({
  selector: 'app-charger-strip',
  template: `
    @if (slots().length > 0) {
      <h2>
        On the chargers <span class="until">until {{ until() === undefined ? 'the first call at ' : '' }}{{ callTime() }}</span>
      </h2>
      @for (slot of slots(); track $index) {
        <div class="slot">
          <span class="name" [title]="slot.charger">{{ slot.charger }}</span>
          <div class="line">
            @for (bar of slot.bars; track $index) {
              <div
                class="bar"
                [class.trouble]="bar.isTrouble"
                role="img"
                [attr.aria-label]="bar.says"
                [title]="bar.says"
                [style.left.%]="bar.left"
                [style.width.%]="bar.width"
              >
                <strong>{{ bar.label }}</strong> <span>{{ bar.ready }}</span>
              </div>
            }
          </div>
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .until {
      font-weight: 400;
      color: var(--bs-secondary-color);
    }
    .slot {
      display: grid;
      grid-template-columns: 9rem minmax(0, 1fr);
      gap: var(--space-2);
      align-items: center;
      margin-bottom: 0.2rem;
      font-size: var(--type-note);
    }
    .name {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .line {
      position: relative;
      height: 1.4rem;
    }
    .bar {
      position: absolute;
      inset-block: 0;
      display: flex;
      justify-content: space-between;
      gap: var(--space-2);
      padding: 0 var(--space-2);
      overflow: hidden;
      white-space: nowrap;
      line-height: 1.4rem;
      background: var(--charge);
      border-radius: 0.2rem;
      font-variant-numeric: tabular-nums;
      span {
        overflow: hidden;
        text-overflow: ellipsis;
      }
    }
    .trouble {
      background: var(--caution-bg);
      color: var(--caution);
    }
    @media (max-width: 700px) {
      .slot {
        grid-template-columns: 5.5rem minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChargerStrip {
  readonly day = input.required<Day>();
  readonly charging = input.required<Pick<ToldCharging, 'rows'>>();
  /** When they are wanted; the first call of the day when absent. */
  readonly until = input<number>();
  private readonly gear = inject(Store).selectSignal(selectGearBodies);
  private readonly callMin = computed(() => this.until() ?? firstCall(this.day()));
  /** What is put on before the first block. */
  private readonly rows = computed(() => this.charging().rows.filter(({ onMin }) => onMin < this.callMin()));
  protected readonly callTime = computed(() => time(this.day(), this.callMin()));
  protected readonly slots = computed((): readonly Slot[] => {
    const rows = this.rows();
    const ends = rows.map((row) => endOf(row));
    const from = Math.min(...rows.map(({ onMin }) => onMin));
    const span = Math.max(...ends) - from;
    return slotsOf(rows).map(({ charger, rows: inSlot }) => ({ charger, bars: inSlot.map((row) => this.bar(row, from, span)) }));
  });

  private bar(row: ToldChargingRow, from: number, span: number): Bar {
    const [day, body] = [this.day(), this.gear().get(row.batteryId)];
    const label = body?.tag ?? row.battery;
    const ready =
      row.fullMin === undefined ? `${Math.round(row.toCharge * 100)} % at ${time(day, row.offMin)}` : `full ${time(day, row.fullMin)}`;
    const width = ((endOf(row) - row.onMin) / span) * 100;
    const says = `${row.battery} on ${row.charger} from ${time(day, row.onMin)}, ${ready}${row.trouble ? `. ${row.trouble}` : ''}`;
    return { label, ready, isTrouble: row.trouble !== undefined, left: ((row.onMin - from) / span) * 100, width, says };
  }
}

function endOf({ fullMin, offMin }: ToldChargingRow): number {
  return fullMin ?? offMin;
}

/** Batteries that are in one charger at the same time are in different slots of it. */
export function slotsOf(
  rows: readonly ToldChargingRow[],
): readonly { readonly charger: string; readonly rows: readonly ToldChargingRow[] }[] {
  const slots: { charger: string; chargerId: string; rows: ToldChargingRow[] }[] = [];
  for (const row of [...rows].sort((a, b) => a.onMin - b.onMin)) {
    const free = slots.find(({ chargerId, rows: inSlot }) => chargerId === row.chargerId && inSlot.at(-1)!.offMin <= row.onMin + 1e-3);
    if (free) free.rows.push(row);
    else slots.push({ charger: row.place ? `${row.place}: ${row.charger}` : row.charger, chargerId: row.chargerId, rows: [row] });
  }
  return slots.sort((a, b) => a.charger.localeCompare(b.charger));
}
