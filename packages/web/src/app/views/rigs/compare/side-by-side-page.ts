import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { DEFAULT_STYLE } from '@viaggio/core/answer';
import { styleShape } from '@viaggio/core/gear';
import type { Style } from '@viaggio/core/gear';
import { STYLE_WEIGHTS } from '@viaggio/core/units';
import { ApproachesChart } from './approaches-chart';
import { choicesOf } from '../../../fields/choices-of';
import { SelectField } from '../../../fields/select-field';
import { Currency } from '../../../device/currency';
import { VerdictMark } from '../../../basics/verdict-mark';
import { selectGearBodies, selectLoading, selectRigs } from '../../../state/items.selectors';
import { SideBySideRows } from '../../../parts/side-by-side-rows';
import { bestIn, facts } from './facts';
import { rigColumns } from './side-by-side';

/** Two to six rigs side by side: the same lines as the approaches, weighed for one way of shooting. */
@Component({
  selector: 'app-side-by-side-page',
  imports: [ApproachesChart, SideBySideRows, RouterLink, SelectField, VerdictMark],
  template: `
    <div class="d-flex flex-wrap align-items-end gap-3 mb-3">
      <h1 class="mb-0">Side by side</h1>
      <app-select-field label="Weighed for" [choices]="styles" [value]="style()" (picked)="style.set($event)" />
      <a class="btn btn-outline-secondary" routerLink="/rigs">Choose others</a>
    </div>
    @if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (columns().length < 2) {
      <p>Two rigs at least stand side by side: <a routerLink="/rigs">choose them among the rigs</a>.</p>
    } @else {
      @if (best(); as winner) {
        <p>
          Fewest points for this way of shooting: <strong>{{ winner.title }}</strong>.
        </p>
      }
      <div class="table-responsive">
        <table class="table table-sm comparison">
          <thead>
            <tr>
              <td></td>
              @for (column of columns(); track column.key) {
                <th scope="col">
                  <a [routerLink]="['/rigs', column.key]">{{ column.title }}</a>
                  <app-verdict-mark [verdict]="column.verdict" />
                </th>
              }
            </tr>
          </thead>
          <tbody [appSideBySideRows]="rows()"></tbody>
          <tbody>
            <tr>
              <th scope="row">Fed by</th>
              @for (column of columns(); track column.key) {
                <td class="feeds">
                  @for (feed of column.feeds; track feed) {
                    <div>{{ feed }}</div>
                  }
                </td>
              }
            </tr>
          </tbody>
        </table>
      </div>
      <h2 class="fs-5 mt-3">Time against mass</h2>
      <app-approaches-chart [columns]="columns()" />
    }
  `,
  styleUrl: './compare-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SideBySidePage {
  /** Identifiers of the rigs, from the address. */
  readonly of = input<string>();
  private readonly store = inject(Store);
  private readonly currency = inject(Currency);
  private readonly rigs = this.store.selectSignal(selectRigs);
  private readonly gear = this.store.selectSignal(selectGearBodies);
  protected readonly loading = this.store.selectSignal(selectLoading);
  protected readonly styles = choicesOf(styleShape.options);
  private readonly chosen = computed(() => {
    const ids = (this.of() ?? '').split(',');
    return ids.flatMap((id) => this.rigs().find((one) => one.id === id) ?? []);
  });
  /** The way of shooting of the first, until another is picked. */
  protected readonly style = linkedSignal<Style>(() => this.chosen()[0]?.body.style ?? DEFAULT_STYLE);
  protected readonly columns = computed(() => rigColumns(this.chosen(), this.gear()));
  protected readonly rows = computed(() => facts(this.columns(), STYLE_WEIGHTS[this.style()], (price) => this.currency.say(price)));
  protected readonly best = computed(() => bestIn(this.columns(), STYLE_WEIGHTS[this.style()]));
}
