import type { Answer, Criteria, RunRange } from '@viaggio/core/answer';
import { sayRangeRule } from '@viaggio/core/words';
import type { ToldIndicator } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RunChart } from '../../charts/run-chart';
import { QuantityPipe } from '../../basics/quantity.pipe';
import type { Hanging } from '../../workers/core-calls';
import { BackupsView } from './backups-view';
import { CostsView } from './costs-view';
import { FiguresTable } from './figures-table';
import { IndicatorsView } from './indicators-view';
import { toldAnswer } from './told-answer';
import { TermHint } from '../../basics/term-hint';

/** What there is to an answer beside the look at it. */
export type AnswerSection = 'gauges' | 'backups' | 'connecting' | 'costs' | 'over-time' | 'reasons';

/** What the gauges show, backups, the order of connecting, costs, the run over time, and what it rests on: those that are open. */
@Component({
  selector: 'app-answer-sections',
  imports: [BackupsView, CostsView, FiguresTable, IndicatorsView, QuantityPipe, RunChart, TermHint],
  template: `
    @if (open().has('gauges') && indicators().length > 0) {
      <section class="half" aria-label="What the gauges show">
        <h2>What the gauges show</h2>
        <app-term-hint label="What the gauges show" />
        <app-indicators-view [indicators]="indicators()" />
      </section>
    }
    @if (open().has('backups') && backups(); as list) {
      <section class="half" [class.d-print-none]="list.length === 0" aria-label="Backups and swaps">
        <h2>Backups and swaps</h2>
        @if (list.length > 0) {
          <app-backups-view [backups]="list" />
        } @else {
          <p>
            Nothing takes over when its battery is out: a swap cuts it off. To have a backup, feed it through a plate or grip with a second
            slot, or leave its own battery in behind the feed, where it has one.
          </p>
        }
      </section>
    }
    @if (open().has('connecting') && connecting().length > 0) {
      <section class="half" aria-label="Connect it in this order">
        <h2>Connect it in this order</h2>
        <ol class="mb-0">
          @for (step of connecting(); track $index) {
            <li>{{ step }}</li>
          }
        </ol>
      </section>
    }
    @if (open().has('costs') && criteria(); as costs) {
      <section class="half" aria-label="What it costs">
        <h2>What it costs</h2>
        <app-costs-view [criteria]="costs" [failures]="answer().failures" />
      </section>
    }
    @if (open().has('over-time') && answer().run; as run) {
      @if (run.trace.length > 1 && gate(); as gate) {
        <section class="d-print-none" aria-label="Run over time">
          <h2>Over time</h2>
          <app-run-chart [run]="run" [device]="gate" [plannedMin]="answer().plannedMin" [wantedMin]="wantedMin()" />
        </section>
      }
    }
    @if (open().has('reasons') && told().figures.length > 0) {
      <section class="d-print-none" aria-label="What it rests on">
        <h2>What this rests on</h2>
        <app-figures-table [figures]="told().figures" />
        @if (matters(); as list) {
          @if (list.length > 0) {
            <h3 class="fs-6 mt-3">What matters most</h3>
            <ul class="small mb-0">
              @for (one of list; track $index) {
                <li>
                  {{ one.part }}, {{ one.what }}: {{ one.lowMin | quantity: 'min' }} to {{ one.highMin | quantity: 'min' }},
                  {{ one.share | quantity: 'fraction' }} of the scatter. {{ one.remedy }}
                </li>
              }
            </ul>
          }
        }
        @if (range(); as range) {
          <p class="small text-body-secondary mt-2 mb-0">The range: {{ range.runs | quantity: 'count' }} runs. {{ rangeRule }}</p>
        }
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 26rem), 1fr));
      gap: var(--space-5);
    }
    section {
      min-width: 0;
    }
    section:not(.half) {
      grid-column: 1 / -1;
    }
    /* two columns where the text is short, so that a rig fits a page */
    @media print {
      :host {
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        gap: 0.6rem 1.5rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerSections {
  readonly answer = input.required<Answer>();
  readonly open = input.required<ReadonlySet<string>>();
  readonly wantedMin = input<number | undefined>();
  protected readonly rangeRule = sayRangeRule();
  readonly range = input<RunRange | undefined>();
  readonly hanging = input<Hanging>();
  readonly indicators = input<readonly ToldIndicator[]>([]);
  readonly criteria = input<Criteria>();
  /** The order of connecting and switching on. */
  readonly connecting = input<readonly string[]>([]);
  protected readonly told = computed(() => toldAnswer(this.answer()));
  protected readonly backups = computed(() => (this.answer().run ? this.hanging()?.backups : undefined));
  protected readonly matters = computed(() => (this.answer().run ? this.hanging()?.sensitivities.slice(0, 5) : undefined));
  protected readonly gate = computed(() => {
    const { tracks, sources, run } = this.answer();
    const source = sources.find((one) => one.run === run);
    return (tracks.find(({ sourceId }) => sourceId === source?.sourceId) ?? tracks[0])?.stations.at(-1);
  });
}
