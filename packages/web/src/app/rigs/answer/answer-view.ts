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
        @if (answer().unlimited) {
          <p class="time" data-testid="run-time">no end</p>
          <p class="mb-1">as long as its supply stands.</p>
        } @else if (answer().beyondMin; as beyond) {
          <p class="time" data-testid="run-time">over {{ beyond | quantity: 'min' }}</p>
          <p class="mb-1">is as far as it was followed.</p>
        } @else {
          <p class="time" data-testid="run-time">{{ answer().firstStopMin | quantity: 'min' }}</p>
          <p class="mb-1">
            until it first stops; plan with <strong>{{ answer().plannedMin | quantity: 'min' }}</strong>, the reserve kept.
          </p>
        }
        @for (counted of answer().counts; track counted.deviceId) {
          <p class="mb-1">That is {{ counted.count | quantity: 'count' }} {{ counted.what }} of {{ counted.device }}.</p>
        }
        <p class="mb-1">{{ answer().stop }}</p>
        @for (figure of draws(); track figure.gearId + figure.name) {
          <p class="small text-body-secondary mb-0">
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
    <section aria-label="Findings">
      <h2>Does it match?</h2>
      <app-findings-list [findings]="answer().findings" />
      @for (caution of answer().cautions; track caution) {
        <p class="usual-caution">{{ caution }}</p>
      }
    </section>
    @if (answer().lanes.length > 0) {
      <section aria-label="Voltage profile">
        <h2>The way of its energy</h2>
        @for (lane of answer().lanes; track lane.deviceId) {
          @if (answer().lanes.length > 1) {
            <h3 class="fs-6 mt-2 mb-0">to {{ lane.device }}</h3>
          }
          <app-voltage-profile [stations]="lane.stations" [scaledBy]="everyStation()" />
        }
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
  protected readonly draws = computed(() => this.answer().figures.filter(({ role, name }) => role === 'device' && name.startsWith('Draw')));
  protected readonly everyStation = computed(() => this.answer().lanes.flatMap(({ stations }) => stations));
  protected readonly gate = computed(() => {
    const { lanes, sources, run } = this.answer();
    const source = sources.find((one) => one.run === run);
    return (lanes.find(({ sourceId }) => sourceId === source?.sourceId) ?? lanes[0])?.stations.at(-1);
  });
}
