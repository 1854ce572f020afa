import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Answer, Criteria } from '@viaggio/core/answer';
import { sayFinding, saySum, sumOf } from '@viaggio/core/words';
import { Currency } from '../../device/currency';

const FLIGHT: Readonly<Record<Criteria['flight'], string>> = {
  free: 'all its batteries may fly in the cabin',
  approval: 'a battery needs the carrier’s approval to fly',
  no: 'a battery may not fly as baggage',
  unknown: 'whether its batteries may fly is not known',
};

/** What a rig costs beyond watts: mass, price, what is lost, and what stops together when a part fails. */
@Component({
  selector: 'app-costs-view',
  template: `
    @let costs = criteria();
    <dl class="costs">
      <div>
        <dt>On the camera</dt>
        <dd>
          {{ saySum(costs.massOnG, 'g', costs.massOnUnknown, costs.piecesOn)
          }}{{ costs.piecesOn === 0 ? '' : costs.piecesOn === 1 ? ', 1 piece' : ', ' + costs.piecesOn + ' pieces' }}
        </dd>
      </div>
      <div>
        <dt>Carried elsewhere</dt>
        <dd>{{ saySum(costs.massOffG, 'g', costs.massOffUnknown, costs.piecesOff) }}</dd>
      </div>
      <div>
        <dt>Price of the feed</dt>
        <dd>
          {{ sumOf(currency.say(costs.price), costs.priceUnknown, costs.piecesOn + costs.piecesOff) }}
          @if (costs.pricePerWh !== undefined) {
            ({{ currency.say(costs.pricePerWh) }} a Wh{{
              costs.pricePerHour === undefined ? '' : ', ' + currency.say(costs.pricePerHour) + ' an hour'
            }})
          }
        </dd>
      </div>
      @if (costs.swaps !== undefined) {
        <div>
          <dt>Swaps while it must run</dt>
          <dd>{{ costs.swaps }}{{ costs.hotSwap ? ', without a cut' : '' }}</dd>
        </div>
      }
      <div>
        <dt>Kinds of charger</dt>
        <dd>{{ costs.chargers.length }}</dd>
      </div>
      <div>
        <dt>In the air</dt>
        <dd>{{ flight[costs.flight] }}; the carrier and the authority decide</dd>
      </div>
    </dl>
    @if (unknown().length > 0) {
      <p class="small mb-1">Without {{ unknown().join(', ') }}: nobody gave their mass or price, so the sums are too small by theirs.</p>
    }
    @if (costs.lost.length > 0) {
      <h3 class="fs-6 mb-1">What is lost</h3>
      <ul class="mb-2">
        @for (one of costs.lost; track one) {
          <li>{{ sayFinding(one) }}</li>
        }
      </ul>
    }
    @if (failing().length > 0) {
      <h3 class="fs-6 mb-1">What fails together</h3>
      <ul class="mb-0">
        @for (failure of failing(); track failure.gearId) {
          <li>{{ failure.part }}: {{ failure.stops.join(', ') }}</li>
        }
      </ul>
    }
  `,
  styles: `
    .costs {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
      gap: 0.5rem 1.5rem;
      margin-bottom: 0.5rem;
    }
    dt {
      font-weight: 400;
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
    dd {
      margin: 0;
      font-variant-numeric: tabular-nums;
    }
    @media print {
      .costs {
        grid-template-columns: repeat(3, 1fr);
        gap: 0.2rem 0.75rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CostsView {
  protected readonly sayFinding = sayFinding;
  readonly criteria = input.required<Criteria>();
  readonly failures = input.required<Answer['failures']>();
  protected readonly flight = FLIGHT;
  protected readonly saySum = saySum;
  protected readonly sumOf = sumOf;
  protected readonly currency = inject(Currency);
  protected readonly unknown = computed(() => [
    ...new Set([...this.criteria().massOnUnknown, ...this.criteria().massOffUnknown, ...this.criteria().priceUnknown]),
  ]);
  /** Parts on which something hangs, those on which most hangs first. */
  protected readonly failing = computed(() =>
    this.failures()
      .filter(({ stops }) => stops.length > 0)
      .sort((a, b) => b.stops.length - a.stops.length),
  );
}
