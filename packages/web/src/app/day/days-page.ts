import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { clockAt } from '@viaggio/core';
import type { Day } from '@viaggio/core';
import { Items } from '../state/items.actions';
import { selectDays, selectLoading, selectRigs } from '../state/items.selectors';

/** Every shooting day, the latest first. */
@Component({
  selector: 'app-days-page',
  imports: [RouterLink],
  template: `
    <div class="d-flex flex-wrap align-items-center gap-3 mb-3">
      <h1 class="mb-0">Days</h1>
      <button type="button" class="btn btn-primary" (click)="add()">New day</button>
    </div>
    @if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      <ul class="list-unstyled">
        @for (row of rows(); track row.id) {
          <li class="py-2 border-bottom">
            <a class="fw-semibold" [routerLink]="['/days', row.id]">{{ row.name }}</a>
            @if (row.demo) {
              <span class="badge text-bg-secondary">demo</span>
            }
            <small class="d-block text-body-secondary">{{ row.when }}; {{ row.rigs }}; {{ row.blocks }}</small>
          </li>
        } @empty {
          <li>
            No day yet. A day says which rig records when and where; Viaggio then finds which battery goes where, when it is changed, and
            what is charged tonight.
          </li>
        }
      </ul>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DaysPage {
  private readonly store = inject(Store);
  protected readonly loading = this.store.selectSignal(selectLoading);
  private readonly days = this.store.selectSignal(selectDays);
  private readonly rigs = this.store.selectSignal(selectRigs);
  protected readonly rows = computed(() =>
    [...this.days()]
      .sort((a, b) => b.body.date.localeCompare(a.body.date))
      .map(({ id, origin, body }) => ({
        id,
        name: body.name,
        demo: origin === 'demo',
        when: `${clockAt(body, 0).weekday} ${body.date.slice(0, 4)}${body.days > 1 ? `, ${body.days} days` : ''}`,
        rigs: `${body.rigIds.length} ${body.rigIds.length === 1 ? 'rig' : 'rigs'}`,
        blocks: `${body.blocks.length} ${body.blocks.length === 1 ? 'block' : 'blocks'}`,
      })),
  );

  /** Tomorrow, with one's own rigs in it; of the demo's only where there are no others. */
  protected add(): void {
    const id = crypto.randomUUID();
    const own = this.rigs().filter(({ origin }) => origin === 'own');
    const tomorrow = new Date(Date.now() + 24 * 3600 * 1000);
    const after: Day = {
      name: 'New day',
      date: tomorrow.toISOString().slice(0, 10),
      days: 1,
      rigIds: own.slice(0, 20).map((rig) => rig.id),
      blocks: [],
    };
    this.store.dispatch(Items.change({ step: { changes: [{ kind: 'days', id, after }], field: 'new-day', at: Date.now() }, open: id }));
  }
}
