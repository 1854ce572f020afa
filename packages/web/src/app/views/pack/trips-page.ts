import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { nearestDay } from '@viaggio/core/answer';
import type { Day } from '@viaggio/core/day';
import type { Trip } from '@viaggio/core/travel';
import { formatDate } from '@viaggio/core/units';
import { counted } from '../../basics/counted';
import { localDate } from '../../device/dates';
import { ListPage } from '../../parts/list-page';
import { Items } from '../../state/items.actions';
import { selectDays, selectTrips } from '../../state/items.selectors';

/** Every trip, the next one first: what was packed, and what is still missing. */
@Component({
  selector: 'app-trips-page',
  imports: [ListPage],
  template: `
    <app-list-page heading="Trips" [groups]="groups()">
      <button acts type="button" class="btn btn-primary" (click)="add()">
        New trip{{ nextDay() ? ' for ' + nextDay()!.body.name : '' }}
      </button>
      <ng-template let-row>
        <span class="note">{{ row.when }}</span>
        <span class="note">{{ row.says }}</span>
      </ng-template>
      <p empty>
        No trip yet. A trip takes its list from a day or from rigs: every battery, lead, plate and charger with the reason why it goes
        along, what may fly, and which bag takes what.
      </p>
    </app-list-page>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TripsPage {
  private readonly store = inject(Store);
  private readonly trips = this.store.selectSignal(selectTrips);
  private readonly days = this.store.selectSignal(selectDays);
  protected readonly groups = computed(() => {
    const rows = [...this.trips()]
      .sort((a, b) => firstOn(b.body).localeCompare(firstOn(a.body)))
      .map(({ id, body }) => ({
        id,
        title: body.name,
        link: ['/pack/trips', id],
        when: whenOf(body),
        says: saysOf(body),
      }));
    return rows.length === 0 ? [] : [{ rows }];
  });
  /** The one that is to come. */
  protected readonly nextDay = computed((): { readonly id: string; readonly body: Day } | undefined => {
    const near = nearestDay(this.days(), localDate(new Date()));
    return near && near.inDays >= 0 ? { id: near.id, body: near.day } : undefined;
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
