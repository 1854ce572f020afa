import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { tellAnswer } from '@viaggio/core';
import type { Answer, Criteria, Indicator, Remedy, RunRange } from '@viaggio/core';
import { VoltageProfile } from '../../profile/voltage-profile';
import { QuantityPipe } from '../../shared/quantity.pipe';
import { VerdictMark } from '../../shared/verdict-mark';
import type { Hanging, Remedies } from '../../workers/core-calls';
import { valueOf } from '../../workers/computed-later';
import type { Later } from '../../workers/computed-later';
import { BackupsView } from './backups-view';
import { CostsView } from './costs-view';
import { FiguresTable } from './figures-table';
import { FindingsList } from './findings-list';
import { IndicatorsView } from './indicators-view';
import { RunChart } from '../../charts/run-chart';

/** The answer on one page: verdict, time and its range, what stops it, the picture, the findings, what one sees, what it costs, what it rests on. */
@Component({
  selector: 'app-answer-view',
  imports: [BackupsView, CostsView, FiguresTable, FindingsList, IndicatorsView, QuantityPipe, RunChart, VerdictMark, VoltageProfile],
  template: `
    <section class="headline" aria-label="Answer">
      <app-verdict-mark class="fs-4" [verdict]="answer().verdict" />
      @if (answer().run; as run) {
        @if (answer().unlimited) {
          <p class="time" data-testid="run-time">as long as the mains is on</p>
          <p class="mb-1">Nothing of it stops while its supply stands.</p>
        } @else if (answer().beyondMin; as beyond) {
          <p class="time" data-testid="run-time">over {{ beyond | quantity: 'min' }}</p>
          <p class="mb-1">is as far as it was followed.</p>
        } @else {
          <p class="time" data-testid="run-time">{{ answer().firstStopMin | quantity: 'min' }}</p>
          <p class="mb-1">
            until it first stops; plan with <strong>{{ answer().plannedMin | quantity: 'min' }}</strong>, the reserve kept.
          </p>
        }
        @if (range(); as range) {
          @if (range.p10Min !== undefined) {
            <p class="mb-1" data-testid="range" [class.stale]="outlook()?.is === 'working'">
              In nine of ten days at least <strong>{{ range.p10Min | quantity: 'min' }}</strong>, in the middle
              {{ range.p50Min | quantity: 'min' }}, in one of ten {{ range.p90Min | quantity: 'min' }} or more.
              @if (range.chanceOfLasting !== undefined) {
                It lasts the {{ range.wantedMin | quantity: 'min' }} asked for in {{ range.chanceOfLasting | quantity: 'fraction' }} of
                them.
              }
            </p>
          }
        }
        @for (counted of answer().counts; track counted.deviceId) {
          <p class="mb-1">That is {{ counted.count | quantity: 'count' }} {{ counted.what }} of {{ counted.device }}.</p>
        }
        <p class="mb-1">{{ told().stop }}</p>
        @for (figure of draws(); track figure.gearId + figure.name) {
          <p class="small text-body-secondary mb-0 rests">
            @if (draws().length > 1) {
              {{ figure.part }}:
            }
            Rests on a draw of {{ figure.value | quantity: figure.unit }} <span class="provenance">{{ figure.from }}</span>
            {{ figure.formula }}
          </p>
        }
      } @else {
        <p class="time" data-testid="run-time">no time yet</p>
        <p class="mb-0">
          {{
            answer().verdict === 'stop' ? 'Mend what stops it first; then it can be timed.' : 'A figure is missing; see below for which.'
          }}
        </p>
      }
    </section>
    @if (answer().tracks.length > 0) {
      <section aria-label="Voltage profile">
        <h2>Energy path</h2>
        <app-voltage-profile [tracks]="answer().tracks" [name]="name()" />
      </section>
    }
    <section aria-label="Findings">
      <h2>Does it match?</h2>
      <app-findings-list [findings]="told().findings" [remedies]="remedies()" (remedy)="remedy.emit($event)" />
      @for (caution of told().cautions; track caution) {
        <p class="usual-caution">{{ caution }}</p>
      }
    </section>
    @if (indicators().length > 0) {
      <section class="half" aria-label="What the gauges show">
        <h2>What the gauges show</h2>
        <app-indicators-view [indicators]="indicators()" />
      </section>
    }
    @if (backups(); as list) {
      @if (list.length > 0) {
        <section class="half" aria-label="Backups and swaps">
          <h2>Backups and swaps</h2>
          <app-backups-view [backups]="list" />
        </section>
      }
    }
    @if (connecting().length > 0) {
      <section class="half" aria-label="Connect it in this order">
        <details>
          <summary><h2 class="d-inline">Connect it in this order</h2></summary>
          <ol class="mb-0 mt-1">
            @for (step of connecting(); track $index) {
              <li>{{ step }}</li>
            }
          </ol>
        </details>
      </section>
    }
    @if (criteria(); as costs) {
      <section class="half" aria-label="What it costs">
        <h2>What it costs</h2>
        <app-costs-view [criteria]="costs" [failures]="answer().failures" />
      </section>
    }
    @if (answer().run; as run) {
      @if (run.trace.length > 1 && gate(); as gate) {
        <section class="d-print-none" aria-label="Run over time">
          <h2>Over time</h2>
          <app-run-chart [run]="run" [device]="gate" [plannedMin]="answer().plannedMin" [wantedMin]="wantedMin()" />
        </section>
      }
    }
    @if (told().figures.length > 0) {
      <section aria-label="What it rests on">
        <details #fold [open]="rests()" (toggle)="rests.set(fold.open)">
          <summary><h2 class="d-inline">What this rests on</h2></summary>
          @if (rests()) {
            <app-figures-table [figures]="told().figures" />
            @if (matters(); as list) {
              @if (list.length > 0) {
                <h3 class="fs-6 mt-3">What it hangs on most</h3>
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
              <p class="small text-body-secondary mt-2 mb-0">The range: {{ range.runs | quantity: 'count' }} runs. {{ range.rule }}</p>
            }
          }
        </details>
      </section>
    }
  `,
  styleUrl: './answer-view.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerView {
  readonly answer = input.required<Answer>();
  /** Of the rig, for files made from it. */
  readonly name = input('rig');
  readonly wantedMin = input<number | undefined>();
  /** What takes longer than the answer; absent where nobody works it out. */
  readonly outlook = input<Later<RunRange | undefined>>();
  readonly hanging = input<Hanging>();
  readonly remedies = input<Remedies>();
  readonly indicators = input<readonly Indicator[]>([]);
  readonly criteria = input<Criteria>();
  /** The order of connecting and switching on. */
  readonly connecting = input<readonly string[]>([]);
  readonly remedy = output<Remedy>();
  /** The long table is made only when somebody looks at it. */
  protected readonly rests = signal(false);
  private readonly outlookValue = computed(() => {
    const later = this.outlook();
    return later && this.answer().run ? valueOf(later) : undefined;
  });

  protected readonly told = computed(() => tellAnswer(this.answer()));
  protected readonly range = computed(() => this.outlookValue());
  protected readonly backups = computed(() => (this.answer().run ? this.hanging()?.backups : undefined));
  protected readonly matters = computed(() => (this.answer().run ? this.hanging()?.sensitivities.slice(0, 5) : undefined));
  protected readonly draws = computed(() => this.told().figures.filter(({ role, name }) => role === 'device' && name.startsWith('Draw')));
  protected readonly gate = computed(() => {
    const { tracks, sources, run } = this.answer();
    const source = sources.find((one) => one.run === run);
    return (tracks.find(({ sourceId }) => sourceId === source?.sourceId) ?? tracks[0])?.stations.at(-1);
  });
}
