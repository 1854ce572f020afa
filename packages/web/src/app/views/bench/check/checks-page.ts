import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectRigs } from '../../../state/items.selectors';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { BenchSheets } from '../../../parts/bench-sheets';
import { ListPage } from '../../../parts/list-page';
import { StandingMark } from '../../../parts/marks/standing-mark';

/** Every rig with where its check stands: what is stopped first, then what is not measured. */
@Component({
  selector: 'app-checks-page',
  imports: [ListPage, RouterLink, StandingMark],
  template: `
    <app-list-page
      heading="Before power"
      about="The step at which cameras are burnt is the first connection. Measure every joint, source first, the camera last."
      [groups]="groups()"
    >
      <ng-template let-row>
        @if (row.check; as check) {
          <app-standing-mark [check]="check" />
          <span class="note">{{ check.of }} {{ check.of === 1 ? 'joint' : 'joints' }}{{ check.by ? ', ' + check.by : '' }}</span>
        }
      </ng-template>
      <p empty>No rig yet. <a routerLink="/rigs/new">Answer three questions</a>, then measure it before it gets power.</p>
    </app-list-page>
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
    const rows = this.rigs()
      .map(({ id, body }) => ({ id, title: body.name, link: ['/bench/check', id], check: glances?.get(id) }))
      .sort((a, b) => order.indexOf(a.check?.is ?? '') - order.indexOf(b.check?.is ?? ''));
    return rows.length === 0 ? [] : [{ rows }];
  });
}
