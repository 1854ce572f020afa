import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { CRITERIA } from '@viaggio/core/answer';
import type { Criterion, FoundFeed, Purchases } from '@viaggio/core/answer';
import { withFeed } from '@viaggio/core/gear';
import type { Rig } from '@viaggio/core/gear';
import { sayFeed, sayFinding, sayPurchase, saySum, sumOf } from '@viaggio/core/words';
import { Currency, PricePipe } from '../../../device/currency';
import { QuantityPipe } from '../../../basics/quantity.pipe';
import { VerdictMark } from '../../../basics/verdict-mark';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { RigSheet } from '../sheet/rig-sheet';

/** A way with why it stands where it does. */
interface RankedFeed {
  readonly feed: FoundFeed;
  readonly why: string;
  readonly mass: string;
  readonly price: string;
}

/** Every sound way to feed a device from the kit, the best for the shooting style first; why the rest is not sound; what to buy. */
@Component({
  selector: 'app-ranked-feeds',
  imports: [PricePipe, QuantityPipe, VerdictMark],
  template: `
    @if (later().is === 'working') {
      <p role="status" class="text-body-secondary">Looking through the kit …</p>
    }
    @if (found(); as feeds) {
      @if (feeds.feeds.length === 0) {
        <p>
          No sound way from this kit.
          @if (feeds.refused[0]; as nearest) {
            Nearest: <strong>{{ nearest.title }}</strong>: {{ sayFeed(nearest.reason) }}
          } @else if (lack(); as says) {
            {{ sayFeed(says) }}
          }
        </p>
      }
      <ol class="list-unstyled ways" aria-label="Sound feeds, the best first">
        @for (row of best(); track row.feed.title) {
          <li>
            <app-verdict-mark [verdict]="row.feed.verdict" />
            <div>
              <div class="title">{{ row.feed.title }}</div>
              <div class="facts">
                @if (row.feed.criteria.unlimited) {
                  <span>as long as the mains is on</span>
                } @else {
                  <span>{{ row.feed.firstStopMin | quantity: 'min' }} to the first stop</span>
                }
                <span>{{ row.mass }}</span>
                <span>price {{ row.price }}</span>
                @if (row.feed.criteria.hotSwap) {
                  <span>swaps without a cut</span>
                }
              </div>
              <div class="why">{{ row.why }}</div>
              @if (row.feed.flat.length > 0) {
                <div class="why verdict-caution">Flat now, charge first: {{ row.feed.flat.join(', ') }}.</div>
              }
              @for (finding of row.feed.findings.slice(0, 2); track $index) {
                <div class="why">{{ sayFinding(finding) }}</div>
              }
            </div>
            <button type="button" class="btn btn-sm btn-primary" [attr.aria-label]="'Use ' + row.feed.title" (click)="use(row.feed)">
              Use
            </button>
          </li>
        }
      </ol>
      @if (beaten().length > 0) {
        <details class="mb-2">
          <summary>{{ beaten().length }} more that another beats in everything</summary>
          <ul class="list-unstyled ways">
            @for (row of beaten(); track row.feed.title) {
              <li>
                <app-verdict-mark [verdict]="row.feed.verdict" />
                <div>
                  <div class="title">{{ row.feed.title }}</div>
                  <div class="why">{{ row.why }}</div>
                </div>
                <button
                  type="button"
                  class="btn btn-sm btn-outline-primary"
                  [attr.aria-label]="'Use ' + row.feed.title"
                  (click)="use(row.feed)"
                >
                  Use
                </button>
              </li>
            }
          </ul>
        </details>
      }
      @if (feeds.refused.length > 0) {
        <details class="mb-2">
          <summary>Why not the others</summary>
          <ul class="small">
            @for (one of feeds.refused; track one.title) {
              <li>
                <strong>{{ one.title }}</strong>: {{ sayFeed(one.reason) }}
              </li>
            }
          </ul>
        </details>
      }
      @if (feeds.bounded) {
        <p class="small text-body-secondary">There are more ways than were looked at.</p>
      }
    }
    @if (purchases(); as list) {
      @if (list.length > 0) {
        <h3 class="fs-6 mt-3">{{ found()?.feeds?.length === 0 ? 'What is missing' : 'What one purchase would help' }}</h3>
        <ul class="small">
          @for (purchase of list; track purchase.feed.title) {
            <li>
              <strong>{{ purchase.items.join(' + ') }}</strong>
              @if (purchase.price !== undefined) {
                (about {{ purchase.price | price }})
              }
              : {{ sayPurchase(purchase.why) }}
            </li>
          }
        </ul>
      }
    }
  `,
  styles: `
    .feeds li {
      display: grid;
      grid-template-columns: 6rem minmax(0, 1fr) auto;
      gap: 0.25rem 0.75rem;
      align-items: start;
      padding: 0.5rem 0;
      border-top: 1px solid var(--bs-border-color);
    }
    .title {
      font-weight: 600;
    }
    .facts {
      display: flex;
      flex-wrap: wrap;
      gap: 0 1rem;
      font-variant-numeric: tabular-nums;
    }
    .why {
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
    @media (max-width: 480px) {
      .feeds li {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RankedFeeds {
  protected readonly sayFeed = sayFeed;
  protected readonly sayPurchase = sayPurchase;
  readonly deviceId = input.required<string>();
  readonly picked = output<Rig>();
  private readonly sheet = inject(RigSheet);
  private readonly currency = inject(Currency);
  private readonly question = computed(() => {
    const rig = this.sheet.rig();
    return rig && { rig, deviceId: this.deviceId(), kit: this.sheet.kit(), weights: this.sheet.weights(), exclude: this.sheet.exclude() };
  });
  protected readonly later = computedLater('feeds', this.question, (core, { rig, deviceId, kit, weights, exclude }) =>
    core.feeds(rig, deviceId, kit, weights, exclude),
  );
  private readonly bought = computedLater(
    'remedies',
    () => (this.later().is === 'done' ? this.question() : undefined),
    (core, { rig, deviceId, kit, weights, exclude }) => core.purchases(rig, deviceId, kit, weights, exclude),
  );
  protected readonly sayFinding = sayFinding;
  protected readonly found = computed(() => valueOf(this.later()));
  protected readonly purchases = computed((): Purchases['purchases'] => valueOf(this.bought())?.purchases ?? []);
  protected readonly lack = computed(() => valueOf(this.bought())?.lack);
  private readonly rows = computed(() =>
    (this.found()?.feeds ?? []).map((feed): RankedFeed => ({ feed, why: whyOf(feed), ...this.costsOf(feed) })),
  );
  protected readonly best = computed(() => this.rows().filter(({ feed }) => !feed.dominated));
  protected readonly beaten = computed(() => this.rows().filter(({ feed }) => feed.dominated));

  private costsOf({ criteria }: FoundFeed): Pick<RankedFeed, 'mass' | 'price'> {
    const { massOnG, massOnUnknown, piecesOn, massOffG, massOffUnknown, piecesOff, price, priceUnknown } = criteria;
    const on = saySum(massOnG, 'g', massOnUnknown, piecesOn);
    const off = piecesOff === 0 ? '' : `, ${saySum(massOffG, 'g', massOffUnknown, piecesOff)} off it`;
    return { mass: `${on} on the camera${off}`, price: sumOf(this.currency.say(price), priceUnknown, piecesOn + piecesOff) };
  }

  protected use({ links }: FoundFeed): void {
    const rig = this.sheet.rig();
    if (rig) this.picked.emit(withFeed(rig, this.deviceId(), links));
  }
}

/** What counts against it, the weightiest first. */
function whyOf({ points }: FoundFeed): string {
  const costly = (Object.entries(points) as [Criterion, number][])
    .filter(([, value]) => value >= 0.05)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
    .map(([name]) => CRITERIA[name]);
  return costly.length === 0 ? 'Nothing counts against it.' : `Counts against it, the most first: ${costly.join(', ')}.`;
}
