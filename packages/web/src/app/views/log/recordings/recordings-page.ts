import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Recording } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';
import { Items } from '../../../state/items.actions';
import { selectWholeLog, selectRecordings } from '../../../state/items.selectors';
import { titleOf, whenOf } from '../../../parts/log-labels';

/** What meters recorded, the newest first. */
@Component({
  selector: 'app-recordings-page',
  imports: [RouterLink],
  template: `
    <div class="d-flex flex-wrap gap-2 mb-3">
      <a class="btn btn-outline-primary" routerLink="/log/recordings/import">Read a meter’s file</a>
      <a class="btn btn-outline-primary" routerLink="/log/recordings/live">Record from a meter</a>
    </div>
    <ul class="list-unstyled recordings">
      @for (row of rows(); track row.id) {
        <li>
          <a [routerLink]="['/log/recordings', row.id]">{{ row.body.name }}</a>
          <span>{{ row.device }}</span>
          <span>{{ row.length }}</span>
          <span>{{ row.named }}</span>
          <span class="when">{{ row.when }}</span>
          <button
            type="button"
            class="btn btn-sm btn-link p-0"
            [attr.aria-label]="'Delete ' + row.body.name"
            (click)="remove(row.id, row.body)"
          >
            Delete
          </button>
        </li>
      } @empty {
        <li>
          <p class="mb-0">
            No recordings yet. A meter’s file of any make can be read; without a meter, “Record from a meter” has a simulated one to try.
          </p>
        </li>
      }
    </ul>
  `,
  styles: `
    .recordings li {
      display: grid;
      grid-template-columns: 2fr 2fr 1fr 1.5fr auto auto;
      gap: 0.1rem 0.75rem;
      padding: 0.5rem 0;
      border-top: 1px solid var(--bs-border-color);
    }
    .recordings li:has(p) {
      display: block;
    }
    @media (max-width: 700px) {
      .recordings li {
        grid-template-columns: 1fr auto;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordingsPage {
  private readonly store = inject(Store);
  private readonly recordings = this.store.selectSignal(selectRecordings);
  private readonly log = this.store.selectSignal(selectWholeLog);
  protected readonly rows = computed(() =>
    [...this.recordings()]
      .sort((a, b) => b.body.at.localeCompare(a.body.at))
      .map(({ id, body }) => {
        const named = body.segments.filter(({ modeId }) => modeId !== undefined).length;
        return {
          id,
          body,
          device: titleOf(body.deviceId, this.log().gear) || 'of nothing yet',
          length: formatQuantity(body.seconds / 60, 'min'),
          named: `${named} of ${body.segments.length} segments named`,
          when: whenOf(body.at),
        };
      }),
  );

  protected remove(id: string, before: Recording): void {
    const step = { changes: [{ kind: 'recordings', id, before } as const], field: 'delete', at: Date.now() };
    this.store.dispatch(Items.change({ step: { ...step, title: `“${before.name}” is deleted` } }));
  }
}
