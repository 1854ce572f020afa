import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Observation } from '@viaggio/core/measure';
import { Items } from '../../../state/items.actions';
import { selectWholeLog, selectLog } from '../../../state/items.selectors';
import { Icon } from '../../../basics/icon';
import { lineOf } from '../../../parts/log-labels';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { DrawScale, scaleOfDraws } from '../draw-scale';
import { sayInUse, sayWithError } from '../draw-words';

/** Lines that are made before more are asked for. */
const SHOWN = 100;

/** Everything that was written down, the newest first. */
@Component({
  selector: 'app-observations-page',
  imports: [DrawScale, Icon, RouterLink],
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
      <div class="beside">
        <ul class="list-unstyled entries">
          @for (row of shown(); track row.id) {
            <li [class.aside]="row.line.setAside">
              <a class="target" [routerLink]="['/log/entry', row.id]">
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
                class="btn btn-sm delete"
                [title]="'Delete: ' + row.line.kind + ', ' + row.line.when"
                [attr.aria-label]="'Delete: ' + row.line.kind + ', ' + row.line.when"
                (click)="remove(row.id, row.body)"
              >
                <app-icon name="remove" />
              </button>
            </li>
          } @empty {
            <li>Nothing matches. <button type="button" class="btn btn-link p-0" (click)="search.set('')">Show all</button></li>
          }
        </ul>
        @if (learnt().length > 0) {
          <section class="learnt" aria-label="What was learnt">
            <h2>What was learnt</h2>
            <ul class="list-unstyled">
              @for (row of learnt(); track row.deviceId + row.modeId + row.of) {
                <li>
                  <a class="target" routerLink="/log/draws">{{ row.device }}</a> <small>{{ row.mode }}</small>
                  <strong>{{ row.learnt ? withError(row, row.learnt) : '' }}</strong>
                  <app-draw-scale [row]="row" [most]="scale()" />
                  @let used = inPlans(row);
                  <small>plans use {{ used.value }}{{ used.from ? ', ' + used.from : '' }}</small>
                </li>
              }
            </ul>
          </section>
        }
      </div>
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
    .beside {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 22rem);
      gap: var(--space-4) var(--space-5);
      align-items: start;
    }
    .learnt {
      padding: var(--space-3) var(--space-4);
      background: var(--bs-tertiary-bg);
      border-radius: var(--radius-card);
    }
    .learnt ul {
      margin: 0;
    }
    .learnt li {
      display: grid;
      grid-template-columns: auto 1fr auto;
      gap: 0 var(--space-2);
      align-items: baseline;
      padding: var(--space-2) 0;
    }
    .learnt strong {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    .learnt app-draw-scale,
    .learnt app-draw-scale + small {
      grid-column: 1 / -1;
    }
    .learnt small {
      color: var(--bs-secondary-color);
    }
    .delete {
      color: var(--bs-secondary-color);
    }
    @media (max-width: 900px) {
      .beside {
        grid-template-columns: minmax(0, 1fr);
      }
      .learnt {
        order: -1;
      }
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
  private readonly draws = computedLater('log', this.log, (core, log) => core.draws(log));
  protected readonly withError = sayWithError;
  protected readonly inPlans = sayInUse;
  /** What the entries below come to: of each device and mode that something is learnt of. */
  protected readonly learnt = computed(() => (valueOf(this.draws()) ?? []).filter(({ learnt }) => learnt !== undefined));
  protected readonly scale = computed(() => scaleOfDraws(this.learnt()));
  protected readonly shown = computed(() => this.found().slice(0, this.most()));

  protected remove(id: string, before: Observation): void {
    const step = { changes: [{ kind: 'log', id, before } as const], field: 'delete', at: Date.now(), title: 'The observation is deleted' };
    this.store.dispatch(Items.change({ step }));
  }
}
