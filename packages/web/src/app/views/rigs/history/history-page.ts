import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { titleOf } from '@viaggio/core/answer';
import { gearTitle, linksTo, rigShape } from '@viaggio/core/gear';
import type { Rig } from '@viaggio/core/gear';
import { differences } from '@viaggio/core/units';
import { Api } from '../../../api/api';
import type { Problem, SavedRevision } from '../../../api/api';
import { ProblemNote } from '../../../basics/problem-note';
import { selectGearBodies } from '../../../state/items.selectors';
import { AnswerView } from '../../../parts/answer/answer-view';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { shownMoment } from '../../../device/dates';
import { RigSheet } from '../sheet/rig-sheet';

type Loaded =
  | { readonly is: 'loading' }
  | { readonly is: 'loaded'; readonly revisions: readonly SavedRevision<Rig>[] }
  | { readonly is: 'failed'; readonly problem: Problem };

/** Every state the rig was saved in: what changed from one to the next, how it was, and the way back. */
@Component({
  selector: 'app-history-page',
  imports: [AnswerView, ProblemNote],
  template: `
    @let state = loaded();
    @switch (state.is) {
      @case ('loading') {
        <p role="status">Loading …</p>
      }
      @case ('failed') {
        <app-problem-note [problem]="state.problem" />
      }
      @case ('loaded') {
        <div class="history">
          <ol class="list-unstyled" aria-label="States of this rig, the newest first">
            @for (row of rows(); track row.revision) {
              <li [class.shown]="row.revision === shown()?.revision">
                <div class="d-flex gap-2 align-items-baseline">
                  <strong>{{ row.when }}</strong>
                  @if (row.isNow) {
                    <span class="provenance">as it is now</span>
                  }
                </div>
                <ul class="small mb-1">
                  @for (change of row.changes; track $index) {
                    <li>{{ change }}</li>
                  } @empty {
                    <li>{{ row.isFirst ? 'made' : 'saved without a change' }}</li>
                  }
                </ul>
                <div class="d-flex gap-2">
                  <button
                    type="button"
                    class="btn btn-sm btn-outline-secondary"
                    [attr.aria-label]="'Open the state of ' + row.when"
                    (click)="look(row.revision)"
                  >
                    Open
                  </button>
                  @if (!row.isNow) {
                    <button
                      type="button"
                      class="btn btn-sm btn-outline-primary"
                      [attr.aria-label]="'Restore the state of ' + row.when"
                      (click)="restore(row.body)"
                    >
                      Restore
                    </button>
                  }
                </div>
              </li>
            }
          </ol>
          @if (shown(); as one) {
            <div>
              <p>
                As it was saved {{ time(one.savedAt) }}, with the gear as it is now.
                <button type="button" class="btn btn-sm btn-primary ms-2" (click)="restore(one.body)">Restore it</button>
              </p>
              @if (answer(); as answer) {
                <app-answer-view [answer]="answer" [name]="one.body.name" [wantedMin]="one.body.wantedMin" />
              } @else {
                <p role="status">Working it out …</p>
              }
            </div>
          }
        </div>
      }
    }
  `,
  styles: `
    .history {
      display: grid;
      grid-template-columns: minmax(0, 22rem) minmax(0, 1fr);
      gap: 2rem;
    }
    .history > ol > li {
      padding: 0.6rem 0.75rem;
      border-top: 1px solid var(--bs-border-color);
    }
    .shown {
      background: var(--bs-tertiary-bg);
    }
    @media (max-width: 900px) {
      .history {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HistoryPage {
  /** From the address, so that one state can be linked to. */
  readonly state = input<string>();
  private readonly sheet = inject(RigSheet);
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly gear = inject(Store).selectSignal(selectGearBodies);
  protected readonly loaded = signal<Loaded>({ is: 'loading' });
  private readonly revisions = computed(() => {
    const state = this.loaded();
    return state.is === 'loaded' ? state.revisions : [];
  });
  protected readonly rows = computed(() => {
    const all = this.revisions();
    const rows = all.map(({ revision, savedAt, body }, index) => {
      const before = all[index + 1]?.body;
      const changes = before ? differences(rigShape, before, body) : [];
      return {
        revision,
        body,
        when: this.time(savedAt),
        isNow: index === 0,
        isFirst: before === undefined,
        changes: [
          ...(before ? this.refed(before, body) : []),
          ...changes
            .filter(({ path }) => !path.startsWith('/links'))
            .slice(0, 6)
            .map(({ title, one, other }) => `${title}: ${this.told(one)} → ${this.told(other)}`),
        ],
      };
    });
    // a save that changed nothing is no state of its own
    return rows.filter(({ isNow, isFirst, changes }) => isNow || isFirst || changes.length > 0);
  });
  protected readonly shown = computed(() => this.revisions().find(({ revision }) => String(revision) === this.state()));
  private readonly answerLater = computedLater(
    'rigs',
    () => {
      const one = this.shown();
      return one && { rig: one.body, gear: this.gear() };
    },
    (core, { rig, gear }) => core.rigAnswer(rig, gear).then((answer) => ({ rig, answer })),
  );
  /** Of the state that is shown, not of the one before it. */
  protected readonly answer = computed(() => {
    const found = valueOf(this.answerLater());
    return found?.rig === this.shown()?.body ? found?.answer : undefined;
  });

  constructor() {
    // loaded anew whenever a save has counted a revision up
    effect(() => {
      const entry = this.sheet.entry();
      if (entry?.sync.is === 'saved') untracked(() => this.load(entry.id));
    });
  }

  protected time(savedAt: string): string {
    return shownMoment(new Date(savedAt));
  }

  protected look(revision: number): void {
    void this.router.navigate([], { queryParams: { state: revision }, queryParamsHandling: 'merge' });
  }

  protected restore(body: Rig): void {
    this.sheet.put(body, 'restore');
  }

  /** Links read as what they feed: each device whose way has changed. */
  private refed(before: Rig, after: Rig): readonly string[] {
    const gear = this.gear();
    return after.devices.flatMap(({ gearId }) => {
      const [one, other] = [before, after].map((rig) => titleOf(linksTo(rig, gearId), gear) || 'nothing');
      return one === other ? [] : [`${gear.get(gearId)?.name ?? 'A device'} fed by ${one} → now by ${other}`];
    });
  }

  /** Identifiers of gear read as its name. */
  private told(text: string): string {
    const gear = this.gear().get(text);
    const named = gear ? gearTitle(gear) : text;
    return named.length > 60 ? `${named.slice(0, 60)}…` : named;
  }

  private load(id: string): void {
    this.api.revisions('rigs', id).subscribe({
      next: (revisions) => this.loaded.set({ is: 'loaded', revisions }),
      error: (problem: Problem) => this.loaded.set({ is: 'failed', problem }),
    });
  }
}
