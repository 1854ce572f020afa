import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Observation } from '@viaggio/core/measure';
import { Items } from '../../../state/items.actions';
import { selectWholeLog, selectLog } from '../../../state/items.selectors';
import { lineOf } from '../../../parts/log-labels';

/** Lines that are made before more are asked for. */
const SHOWN = 100;

/** Everything that was written down, the newest first. */
@Component({
  selector: 'app-observations-page',
  imports: [RouterLink],
  template: `
    @if (all().length === 0) {
      <section class="empty" aria-label="Nothing in the log yet">
        <h2 class="fs-5">Nothing in the log yet</h2>
        <p>
          Every test, swap and death on set tells what things really draw and what batteries still hold. Add it here once, and plans use it
          from then on.
        </p>
        <ul>
          <li><a routerLink="/log/new">A run-down</a>: one battery, full to dead, in one mode. The surest test without a meter.</li>
          <li><a routerLink="/log/recordings/import">A meter’s file</a>, or <a routerLink="/log/recordings/live">a meter live</a>.</li>
        </ul>
      </section>
    } @else {
      <label class="visually-hidden" for="log-search">Search the log</label>
      <input
        #box
        id="log-search"
        type="search"
        class="form-control mb-3"
        placeholder="Search: camera, tag, rig, kind …"
        autocomplete="off"
        [value]="search()"
        (input)="search.set(box.value)"
      />
      <ul class="list-unstyled entries">
        @for (row of shown(); track row.id) {
          <li [class.aside]="row.line.setAside">
            <a [routerLink]="['/log/entry', row.id]">
              <span class="kind">{{ row.line.kind }}</span>
              <span class="summary">{{ row.line.summary }}</span>
            </a>
            <span class="about">
              {{ row.line.about }}
              @if (row.line.setAside) {
                <span class="provenance">set aside</span>
              }
            </span>
            <span class="when">{{ row.line.when }}</span>
            <button
              type="button"
              class="btn btn-sm btn-link"
              [attr.aria-label]="'Delete: ' + row.line.kind + ', ' + row.line.when"
              (click)="remove(row.id, row.body)"
            >
              Delete
            </button>
          </li>
        } @empty {
          <li>Nothing matches. <button type="button" class="btn btn-link p-0" (click)="search.set('')">Show all</button></li>
        }
      </ul>
      @if (found().length > shown().length) {
        <button type="button" class="btn btn-outline-secondary" (click)="most.set(most() + 100)">
          {{ found().length - shown().length }} more
        </button>
      }
    }
  `,
  styles: `
    .entries > li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto auto;
      gap: 0 0.75rem;
      align-items: baseline;
      padding: 0.5rem 0;
      border-top: 1px solid var(--bs-border-color);
    }
    .entries a {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.6rem;
      text-decoration: none;
    }
    .summary {
      color: var(--bs-body-color);
      font-variant-numeric: tabular-nums;
    }
    .about {
      grid-row: 2;
      grid-column: 1 / -1;
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
    .when {
      font-size: 0.85rem;
      white-space: nowrap;
    }
    .aside a {
      text-decoration: line-through;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ObservationsPage {
  private readonly store = inject(Store);
  private readonly entries = this.store.selectSignal(selectLog);
  private readonly log = this.store.selectSignal(selectWholeLog);
  protected readonly search = signal('');
  protected readonly most = signal(SHOWN);
  protected readonly all = computed(() => {
    const { gear, rigs } = this.log();
    return this.entries()
      .map(({ id, body }) => ({ id, body, line: lineOf(body, gear, rigs) }))
      .sort((a, b) => b.body.at.localeCompare(a.body.at));
  });
  protected readonly found = computed(() => {
    const words = this.search()
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    return this.all().filter(({ line }) => {
      const text = Object.values(line).join(' ').toLowerCase();
      return words.every((word) => text.includes(word));
    });
  });
  protected readonly shown = computed(() => this.found().slice(0, this.most()));

  protected remove(id: string, before: Observation): void {
    const step = { changes: [{ kind: 'log', id, before } as const], field: 'delete', at: Date.now(), title: 'The observation is deleted' };
    this.store.dispatch(Items.change({ step }));
  }
}
