import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { flyersOf } from '@viaggio/core/travel';
import type { FlownThing } from '@viaggio/core/travel';
import { formatQuantity } from '@viaggio/core/units';
import { TripSheet } from './trip-sheet';

const INSTALLED = 'Installed in equipment';
const NOBODY = 'Nobody who may carry it';

/** To hold out at the gate: each battery's printed watt-hours, or how they come about, large, person by person. */
@Component({
  selector: 'app-gate-page',
  imports: [RouterLink],
  template: `
    @if (groups(); as all) {
      @for (group of all; track group.title) {
        <section [attr.aria-label]="group.title">
          <h2>
            {{ group.title }} <small>{{ group.says }}</small>
          </h2>
          <ul class="list-unstyled">
            @for (line of group.lines; track line.id) {
              <li>
                <span class="wh" [class.verdict-unknown]="!line.wh">{{ line.wh ?? 'read the label' }}</span>
                <span class="what">
                  <strong>{{ line.title }}</strong>
                  @if (line.computation) {
                    <span>{{ line.computation }}</span>
                  }
                  <small [class.verdict-caution]="line.asks">{{ line.note }}</small>
                </span>
              </li>
            }
          </ul>
        </section>
      } @empty {
        <p>
          Nothing to show: no battery on the list of a trip with a leg by air. <a [routerLink]="['/pack/trips', sheet.id()]">The list</a>
        </p>
      }
      <p class="usual-caution">Printed watt-hours count. The carrier and the local authority decide.</p>
    } @else {
      <p role="status">Working it out …</p>
    }
  `,
  styles: `
    h2 {
      margin-top: var(--space-4);
      font-size: 1.25rem;
      small {
        font-weight: 400;
        color: var(--bs-secondary-color);
      }
    }
    li {
      display: grid;
      grid-template-columns: minmax(7rem, 9.5rem) minmax(0, 1fr);
      gap: var(--space-3);
      align-items: center;
      padding: var(--space-2) 0;
      border-bottom: 1px solid var(--bs-border-color);
      break-inside: avoid;
    }
    .wh {
      font-size: 2rem;
      font-weight: 600;
      line-height: 1.1;
      font-variant-numeric: tabular-nums;
    }
    .wh.verdict-unknown {
      font-size: 1.1rem;
    }
    .what {
      display: grid;
      font-size: 1.1rem;
      small {
        font-size: var(--type-small);
        color: var(--bs-secondary-color);
      }
      small.verdict-caution {
        color: var(--caution);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GatePage {
  protected readonly sheet = inject(TripSheet);
  protected readonly groups = computed(() => {
    const flight = this.sheet.packed()?.flight;
    if (!flight) return undefined;
    const flying = flight.legs.length === 0 ? [] : flight.batteries.filter(({ verdict, sent }) => verdict !== 'never' && !sent);
    const of = ({ carriedBy, role }: FlownThing): string => carriedBy?.name ?? (role === 'installed' ? INSTALLED : NOBODY);
    const people = flyersOf(this.sheet.trip()!).map(({ name }) => name);
    return [NOBODY, ...new Set(people), INSTALLED].flatMap((title) => {
      const own = flying.filter((one) => of(one) === title);
      if (own.length === 0) return [];
      return {
        title,
        says: `${own.length} ${own.length === 1 ? 'battery' : 'batteries'}`,
        lines: own.map(({ id, title: called, printed, verdict, bank, role }) => ({
          id,
          title: called,
          wh: printed.energyWh === undefined ? undefined : formatQuantity(printed.energyWh, 'Wh'),
          computation: printed.computation,
          asks: verdict === 'approval',
          note:
            verdict === 'approval'
              ? 'with the carrier’s approval: have it in writing'
              : role === 'installed'
                ? 'installed, switched off'
                : bank
                  ? 'USB bank, terminals covered'
                  : 'spare, terminals covered',
        })),
      };
    });
  });
}
