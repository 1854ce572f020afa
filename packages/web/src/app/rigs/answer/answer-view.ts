import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Answer } from '@viaggio/core';
import { VoltageProfile } from '../../profile/voltage-profile';
import { QuantityPipe } from '../../shared/quantity.pipe';
import { VerdictMark } from '../../shared/verdict-mark';
import { FiguresTable } from './figures-table';
import { FindingsList } from './findings-list';
import { RunChart } from './run-chart';

/** The answer on one page: verdict, time, what stops it, the findings, the picture, the curve, what it rests on. */
@Component({
  selector: 'app-answer-view',
  imports: [FiguresTable, FindingsList, QuantityPipe, RunChart, VerdictMark, VoltageProfile],
  template: `
    <section class="headline" aria-label="Answer">
      <app-verdict-mark class="fs-4" [verdict]="answer().verdict" />
      @if (answer().run; as run) {
        <p class="time" data-testid="run-time">{{ answer().firstStopMin | quantity: 'min' }}</p>
        <p class="mb-1">
          until it first stops; plan with <strong>{{ answer().plannedMin | quantity: 'min' }}</strong>, the reserve kept.
        </p>
        <p class="mb-1">{{ answer().stop }}</p>
        @if (draw(); as figure) {
          <p class="small text-body-secondary mb-0">
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
    <section aria-label="Findings">
      <h2>Does it match?</h2>
      <app-findings-list [findings]="answer().findings" />
      @for (caution of answer().cautions; track caution) {
        <p class="usual-caution">{{ caution }}</p>
      }
    </section>
    @if (answer().journey.length > 0) {
      <section aria-label="Voltage profile">
        <h2>The way of its energy</h2>
        <app-voltage-profile [stations]="answer().journey" />
      </section>
    }
    @if (answer().run; as run) {
      @if (run.trace.length > 1 && gate(); as gate) {
        <section aria-label="Run over time">
          <h2>Over time</h2>
          <app-run-chart [run]="run" [device]="gate" [plannedMin]="answer().plannedMin" [wantedMin]="wantedMin()" />
        </section>
      }
    }
    @if (answer().figures.length > 0) {
      <section aria-label="What it rests on">
        <details>
          <summary><h2 class="d-inline">What this rests on</h2></summary>
          <app-figures-table [figures]="answer().figures" />
        </details>
      </section>
    }
  `,
  styleUrl: './answer-view.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerView {
  readonly answer = input.required<Answer>();
  readonly wantedMin = input<number | undefined>();
  protected readonly draw = computed(() => this.answer().figures.find(({ role, name }) => role === 'device' && name === 'Draw'));
  protected readonly gate = computed(() => this.answer().journey.at(-1));
}
