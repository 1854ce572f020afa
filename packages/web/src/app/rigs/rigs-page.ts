import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { QuantityPipe } from '../shared/quantity.pipe';
import { VerdictMark } from '../shared/verdict-mark';
import { selectLoading, selectRigAnswers } from '../state/items.selectors';

/** Every rig with its answer at a glance; one's own first, then the demo crew's. */
@Component({
  selector: 'app-rigs-page',
  imports: [QuantityPipe, RouterLink, VerdictMark],
  template: `
    <div class="d-flex flex-wrap align-items-center gap-3 mb-3">
      <h1 class="mb-0">Rigs</h1>
      <a class="btn btn-primary" routerLink="/rigs/new">New rig: three questions</a>
    </div>
    @if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      @for (group of groups(); track group.title) {
        <section [attr.aria-label]="group.title">
          <h2 class="fs-5 mt-3">{{ group.title }}</h2>
          <ul class="list-unstyled cards">
            @for (row of group.rows; track row.entry.id) {
              <li>
                <a [routerLink]="['/rigs', row.entry.id]">
                  <span class="name">{{ row.entry.body.name }}</span>
                  <app-verdict-mark [verdict]="row.answer.verdict" />
                  <span class="time">
                    @if (row.answer.unlimited) {
                      no end <small>on its supply</small>
                    } @else if (row.answer.run) {
                      {{ row.answer.plannedMin | quantity: 'min' }} <small>to plan with</small>
                    } @else {
                      – <small>no time yet</small>
                    }
                  </span>
                  <span class="note">{{
                    row.answer.findings[0]?.verdict === 'good' ? row.entry.body.note : row.answer.findings[0]?.sentence
                  }}</span>
                </a>
              </li>
            } @empty {
              <li class="empty">
                {{ group.empty }}
                <a routerLink="/rigs/new">Answer three questions</a> and see whether your battery runs your camera, and for how long.
              </li>
            }
          </ul>
        </section>
      }
    }
  `,
  styleUrl: './rigs-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigsPage {
  private readonly store = inject(Store);
  protected readonly loading = this.store.selectSignal(selectLoading);
  private readonly rows = this.store.selectSignal(selectRigAnswers);
  protected readonly groups = computed(() => {
    const of = (origin: 'own' | 'demo') => this.rows().filter(({ entry }) => entry.origin === origin);
    return [
      { title: 'Your rigs', rows: of('own'), empty: 'None yet.' },
      { title: 'The demo crew: “Low Water”', rows: of('demo'), empty: 'Put away; “Reset demo” in the menu brings it back.' },
    ];
  });
}
