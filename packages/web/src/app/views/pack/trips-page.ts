import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { nearestDay } from '@viaggio/core/answer';
import type { Day } from '@viaggio/core/day';
import type { Trip } from '@viaggio/core/travel';
import { formatDate } from '@viaggio/core/units';
import { counted } from '../../basics/counted';
import { localDate } from '../../device/dates';
import { Items } from '../../state/items.actions';
import { selectDays, selectTrips } from '../../state/items.selectors';

/** Every trip, the next one first: what was packed, and what is still missing. */
@Component({
  selector: 'app-trips-page',
  imports: [RouterLink],
  template: `
    <div class="page-head">
      <h1>Trips</h1>
      <div class="page-acts">
        <button type="button" class="btn btn-primary" (click)="add()">New trip{{ nextDay() ? ' for ' + nextDay()!.body.name : '' }}</button>
      </div>
    </div>
    <ul class="list-unstyled rows">
      @for (row of rows(); track row.id) {
        <li>
          <a class="card-box" [routerLink]="['/pack/trips', row.id]">
            <strong>{{ row.name }}</strong>
            @if (row.demo) {
              <span class="chip">demo</span>
            }
            <span class="note">{{ row.when }}</span>
            <span class="note">{{ row.says }}</span>
          </a>
        </li>
      } @empty {
        <li>
          No trip yet. A trip takes its list from a day or from rigs: every battery, lead, plate and charger with the reason why it goes
          along, what may fly, and which bag takes what.
        </li>
      }
    </ul>
  `,
  styles: `
    .rows {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 19rem), 1fr));
      gap: var(--space-2);
    }
    .rows a {
      display: grid;
      gap: var(--space-1);
      justify-items: start;
      height: 100%;
      color: inherit;
      text-decoration: none;
    }
    .rows a .chip {
      background: var(--bs-body-bg);
    }
    .note {
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TripsPage {
  private readonly store = inject(Store);
  private readonly trips = this.store.selectSignal(selectTrips);
  private readonly days = this.store.selectSignal(selectDays);
  protected readonly rows = computed(() =>
    [...this.trips()]
      .sort((a, b) => firstOn(b.body).localeCompare(firstOn(a.body)))
      .map(({ id, origin, body }) => ({ id, name: body.name, demo: origin === 'demo', when: whenOf(body), says: saysOf(body) })),
  );
  /** Of one's own days the next; the demo's has its trip. */
  protected readonly nextDay = computed((): { readonly id: string; readonly body: Day } | undefined => {
    const own = this.days().filter(({ origin }) => origin === 'own');
    const near = nearestDay(own, localDate(new Date()));
    return near && { id: near.id, body: near.day };
  });

  protected add(): void {
    const day = this.nextDay();
    const id = crypto.randomUUID();
    const after: Trip = { name: day ? `To ${day.body.name}`.slice(0, 120) : 'New trip', ...(day && { dayIds: [day.id] }) };
    this.store.dispatch(Items.change({ step: { changes: [{ kind: 'trips', id, after }], field: 'new-trip', at: Date.now() }, open: id }));
  }
}

function firstOn({ legs = [] }: Trip): string {
  return legs.find(({ on }) => on !== undefined)?.on ?? '';
}

function whenOf(trip: Trip): string {
  const on = firstOn(trip);
  const legs = (trip.legs ?? []).length;
  return [on === '' ? '' : formatDate(on), legs === 0 ? 'no leg entered' : counted(legs, 'leg')].filter((one) => one !== '').join(', ');
}

function saysOf({ things = [], bags = [], people = [] }: Trip): string {
  const out = things.filter((one) => one.out !== undefined).length;
  return [counted(bags.length, 'bag'), people.length === 1 ? '1 person' : `${people.length} people`, `${out} packed`].join(', ');
}
