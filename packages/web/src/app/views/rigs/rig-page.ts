import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { Router, RouterLink, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { sheetOfRig } from '@viaggio/core/bench';
import { styleShape } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { BenchSheets } from '../../parts/bench-sheets';
import { Prints } from '../../parts/prints';
import { StandingMark } from '../../parts/marks/standing-mark';
import { PageMenu } from '../../basics/page-menu';
import type { PageAct } from '../../basics/page-menu';
import { PageTabs } from '../../basics/page-tabs';
import type { PageTab } from '../../basics/page-tabs';
import { ProblemNote } from '../../basics/problem-note';
import { selectLoading } from '../../state/items.selectors';
import type { CheckGlance } from '../../workers/bench-calls';
import { computedLater, valueOf } from '../../workers/computed-later';
import { RigSheet } from './sheet/rig-sheet';
import { CopyToOwn } from '../../parts/copy-to-own';

const NOT_MEASURED: CheckGlance = { is: 'none', done: 0, of: 0, reopened: 0, at: undefined, by: undefined };

/** The frame of one rig's pages: its name, its acts, and the way between rig, comparison, balance and history. */
@Component({
  selector: 'app-rig-page',
  imports: [PageMenu, PageTabs, ProblemNote, RouterLink, RouterOutlet, StandingMark],
  providers: [RigSheet],
  template: `
    @let current = sheet.rig();
    @if (current) {
      <div class="page-head">
        <h1 [title]="current.note ?? ''">{{ current.name }}</h1>
        @if (check(); as check) {
          <a class="chip check" [routerLink]="['/bench/check', id()]"><app-standing-mark [check]="check" /></a>
        }
        @for (chip of chips(); track chip) {
          <span class="chip">{{ chip }}</span>
        }
        <div class="page-acts">
          <nav [appPageTabs]="tabs" aria-label="Pages of this rig"></nav>
          <app-page-menu [of]="current.name" [acts]="acts" />
        </div>
      </div>
      @if (sheet.refused(); as problem) {
        <app-problem-note [problem]="problem" />
      }
      <router-outlet />
    } @else if (loading().is === 'loading') {
      <p role="status">Loading …</p>
    } @else if (loading().is === 'loaded') {
      <h1>There is no such rig</h1>
      <p>It may have been deleted. <a routerLink="/rigs">See all rigs</a>.</p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigPage {
  /** From the address. */
  readonly id = input.required<string>();
  protected readonly sheet = inject(RigSheet);
  private readonly router = inject(Router);
  private readonly prints = inject(Prints);
  protected readonly loading = inject(Store).selectSignal(selectLoading);
  protected readonly tabs: readonly PageTab[] = [
    { title: 'Rig', link: './', exact: true },
    { title: 'Compare', link: './compare' },
    { title: 'Balance', link: './balance' },
    { title: 'Unattended', link: './unattended' },
    { title: 'History', link: './history' },
  ];
  protected readonly acts: readonly PageAct[] = [
    ...inject(CopyToOwn).acts(
      'rigs',
      () => this.id(),
      () => `/rigs/${this.id()}`,
    ),
    { title: 'Copy link', icon: 'link', do: () => void navigator.clipboard.writeText(location.href) },
    { title: 'Find a fault', icon: 'bench', do: () => void this.router.navigate(['/bench/fault'], { queryParams: { rig: this.id() } }) },
    { title: 'Duplicate', icon: 'copy', do: () => this.sheet.duplicate() },
    { title: 'Power sheet of this rig (PDF)', icon: 'print', do: () => void this.prints.ofRig(this.id()) },
    { title: 'Print', icon: 'print', do: () => window.print() },
    { title: 'Delete', icon: 'remove', takesAway: true, do: () => void this.remove() },
  ];
  /** Under which conditions the answer holds. */
  protected readonly chips = computed(() => {
    const rig = this.sheet.rig();
    if (!rig) return [];
    const { temperatureC, startCharge, reserve } = rig;
    return [
      ...(rig.style === undefined ? [] : [styleShape.options[rig.style]]),
      ...(temperatureC === undefined ? [] : [formatQuantity(temperatureC, 'C')]),
      ...(startCharge === undefined ? [] : [`charged to ${formatQuantity(startCharge, 'fraction')}`]),
      ...(reserve === undefined ? [] : [`reserve ${formatQuantity(reserve, 'fraction')}`]),
    ];
  });

  private readonly bench = inject(BenchSheets);
  private readonly measured = computed(() => sheetOfRig(this.bench.sheets(), this.id()));
  private readonly checks = computedLater(
    'bench',
    () => {
      const [rig, sheet] = [this.bench.rigs().get(this.id()), this.measured()];
      // what nobody measured needs no working out
      return rig && sheet && { id: this.id(), rig, gear: this.bench.gear(), sheets: [sheet] };
    },
    (core, { id, rig, gear, sheets }) => core.checkGlances(new Map([[id, rig]]), gear, sheets),
    { restMs: 300 },
  );
  /** Whether it was measured before power. */
  protected readonly check = computed(() => (this.measured() ? valueOf(this.checks())?.get(this.id()) : NOT_MEASURED));

  constructor() {
    effect(() => this.sheet.id.set(this.id()));
  }

  private async remove(): Promise<void> {
    this.sheet.remove();
    await this.router.navigate(['/rigs']);
  }
}
