import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { nearestDay } from '@viaggio/core/answer';
import type { Day } from '@viaggio/core/day';
import type { Trip } from '@viaggio/core/travel';
import { formatDate, formatQuantity } from '@viaggio/core/units';
import { counted } from '../../basics/counted';
import { localDate } from '../../device/dates';
import { ListPage } from '../../parts/list-page';
import { BenchSheets } from '../../parts/bench-sheets';
import { Items } from '../../state/items.actions';
import { selectDayBodies, selectDays, selectGearBodies, selectRigBodies, selectRuleBodies, selectTrips } from '../../state/items.selectors';
import { computedLater, valueOf } from '../../workers/computed-later';
import type { TripGlance } from '../../workers/trip-calls';

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
        @for (bag of glances().get(row.id)?.bags; track $index) {
          <span class="bag note">
            <span>{{ bag.name }}</span>
            <span class="meter" aria-hidden="true"
              ><span
                [class.over]="bag.isOver === true"
                [style.width.%]="bag.mostG ? Math.min(100, (100 * bag.massG) / bag.mostG) : 0"
              ></span
            ></span>
            <span class="figure">{{ mass(bag) }}</span>
          </span>
        }
      </ng-template>
      <p empty>
        No trip yet. A trip takes its list from a day or from rigs: every battery, lead, plate and charger with the reason why it goes
        along, what may fly, and which bag takes what.
      </p>
    </app-list-page>
  `,
  styles: `
    .bag {
      display: grid;
      grid-template-columns: minmax(0, 9rem) minmax(3rem, 1fr) auto;
      gap: var(--space-2);
      align-items: center;
      width: 100%;
    }
    .meter {
      height: 0.5rem;
      background: var(--bs-body-bg);
      border-radius: 0.25rem;
      overflow: hidden;
    }
    .meter span {
      display: block;
      height: 100%;
      background: var(--journey);
    }
    .meter .over {
      background: var(--stop);
    }
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
        says: saysOf(body, this.glances().get(id)),
      }));
    return rows.length === 0 ? [] : [{ rows }];
  });
  private readonly bench = inject(BenchSheets);
  private readonly world = {
    gear: this.store.selectSignal(selectGearBodies),
    rigs: this.store.selectSignal(selectRigBodies),
    days: this.store.selectSignal(selectDayBodies),
    rules: this.store.selectSignal(selectRuleBodies),
  };
  private readonly later = computedLater(
    'pack',
    () => {
      const today = localDate(new Date());
      const { gear, rigs, days, rules } = this.world;
      const all = { gear: gear(), rigs: rigs(), days: days(), rules: rules(), sheets: this.bench.sheets(), today };
      return this.trips().map(({ body }) => ({ trip: body, ...all }));
    },
    (core, asked) => core.tripGlances(asked),
  );
  protected readonly glances = computed((): ReadonlyMap<string, TripGlance> => {
    const glances = valueOf(this.later());
    return new Map(
      (glances ?? []).flatMap((glance, place) => {
        const trip = this.trips()[place];
        return trip ? [[trip.id, glance] as const] : [];
      }),
    );
  });
  protected readonly Math = Math;
  /** The one that is to come. */
  protected readonly nextDay = computed((): { readonly id: string; readonly body: Day } | undefined => {
    const near = nearestDay(this.days(), localDate(new Date()));
    return near && near.inDays >= 0 ? { id: near.id, body: near.day } : undefined;
  });

  protected mass({ massG, mostG, isOver }: TripGlance['bags'][number]): string {
    const most = mostG === undefined ? '' : ` of ${formatQuantity(mostG, 'g')}`;
    return `${formatQuantity(massG, 'g')}${most}${isOver ? ', too heavy' : ''}`;
  }

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

function saysOf({ bags = [], people = [] }: Trip, glance: TripGlance | undefined): string {
  const packed = glance
    ? [glance.of === 0 ? 'nothing on its list' : `${glance.inBags} of ${glance.of} in a bag`, `${glance.out} packed`]
    : [];
  return [...(bags.length === 0 ? ['no bag'] : []), people.length === 1 ? '1 person' : `${people.length} people`, ...packed].join(', ');
}
