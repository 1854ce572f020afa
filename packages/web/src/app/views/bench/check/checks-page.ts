import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectRigs } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { BenchSheets } from '../../../parts/bench-sheets';
import { StandingMark } from '../../../parts/marks/standing-mark';

/** Every rig with where its check stands: what is stopped first, then what is not measured. */
@Component({
  selector: 'app-checks-page',
  imports: [RouterLink, StandingMark],
  template: `
    <div class="page-head">
      <h1>Before power</h1>
    </div>
    <p class="about">The step at which cameras are burnt is the first connection. Measure every joint, source first, the camera last.</p>
    @for (group of groups(); track group.title) {
      @if (group.rows.length > 0) {
        <section [attr.aria-label]="group.title">
          <h2>{{ group.title }}</h2>
          <ul class="list-unstyled rows">
            @for (row of group.rows; track row.id) {
              <li>
                <a class="card-box" [routerLink]="['/bench/check', row.id]">
                  <strong>{{ row.name }}</strong>
                  @if (row.check; as check) {
                    <app-standing-mark [check]="check" />
                    <span class="steps">{{ check.of }} {{ check.of === 1 ? 'joint' : 'joints' }}{{ check.by ? ', ' + check.by : '' }}</span>
                  }
                </a>
              </li>
            }
          </ul>
        </section>
      }
    } @empty {
      <p>No rig yet. <a routerLink="/rigs/new">Answer three questions</a>, then measure it before it gets power.</p>
    }
  `,
  styles: `
    .about {
      max-width: 44rem;
    }
    .rows {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 19rem), 1fr));
      gap: var(--space-2);
    }
    .rows a {
      display: grid;
      gap: var(--space-1);
      height: 100%;
      color: inherit;
      text-decoration: none;
    }
    .steps {
      font-size: var(--type-note);
      color: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChecksPage {
  private readonly bench = inject(BenchSheets);
  private readonly rigs = inject(Store).selectSignal(selectRigs);
  private readonly later = computedLater(
    'bench',
    () => ({ rigs: this.bench.rigs(), gear: this.bench.gear(), sheets: this.bench.sheets() }),
    (core, { rigs, gear, sheets }) => core.checkGlances(rigs, gear, sheets),
  );
  protected readonly groups = computed(() => {
    const glances = valueOf(this.later());
    const order = ['stopped', 'open', 'doubtful', 'none', 'passed'];
    const rows = this.rigs().map(({ id, body, origin }) => ({ id, name: body.name, origin, check: glances?.get(id) }));
    const of = (origin: 'own' | 'demo') =>
      rows.filter((row) => row.origin === origin).sort((a, b) => order.indexOf(a.check?.is ?? '') - order.indexOf(b.check?.is ?? ''));
    return rows.length === 0
      ? []
      : [
          { title: 'Your rigs', rows: of('own') },
          { title: 'The demo crew: “Low Water”', rows: of('demo') },
        ];
  });
}
