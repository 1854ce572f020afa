import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Answer, RunRange } from '@viaggio/core/answer';
import type { Gear } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import type { ToldRemedy } from '@viaggio/core/words';
import { QuantityPipe } from '../../basics/quantity.pipe';
import { VerdictMark } from '../../basics/verdict-mark';
import { TimeRange } from './time-range';
import { timeScale } from './time-scale';
import { toldAnswer } from './told-answer';
import { TermHint } from '../../basics/term-hint';

/** So many draws are named one by one; more are counted. */
const FEW_DRAWS = 2;

/** The answer in one look: the time and its range against what is asked, what stops it, what it rests on, what to do next. */
@Component({
  selector: 'app-answer-headline',
  imports: [QuantityPipe, TimeRange, VerdictMark, TermHint],
  template: `
    <div class="figure">
      <app-verdict-mark [verdict]="answer().verdict" />
      @if (answer().run) {
        @if (answer().unlimited) {
          <p class="time words" data-testid="run-time">as long as the mains is on</p>
        } @else if (answer().beyondMin; as beyond) {
          <p class="time" data-testid="run-time">over {{ beyond | quantity: 'min' }}</p>
          <p class="note">is as far as it was followed</p>
        } @else {
          <p class="time" data-testid="run-time">{{ answer().firstStopMin | quantity: 'min' }}</p>
          <p class="note">
            until it first stops; plan with <strong>{{ answer().plannedMin | quantity: 'min' }}</strong>
            <app-term-hint label="Plan with" />
          </p>
        }
      } @else {
        <p class="time words" data-testid="run-time">no time yet</p>
      }
    </div>
    <div class="middle">
      @if (scale(); as bar) {
        <app-time-range [of]="bar" />
      }
      @if (range(); as found) {
        @if (found.p10Min !== undefined && answer().run) {
          <p class="note" data-testid="range" [class.stale]="working()">
            In nine of ten days at least <strong>{{ found.p10Min | quantity: 'min' }}</strong>, in one of ten
            {{ found.p90Min | quantity: 'min' }} or more.
            <app-term-hint label="In nine of ten days" />
          </p>
        }
      }
      @for (counted of answer().run ? answer().counts : []; track counted.deviceId) {
        <p class="note">That is {{ counted.count | quantity: 'count' }} {{ counted.what }} of {{ counted.device }}.</p>
      }
      @if (answer().run) {
        <p class="note rests">
          @for (figure of named(); track figure.gearId + figure.name) {
            <span>
              {{ draws().length > 1 ? figure.part + ' ' : 'Draw ' }}{{ figure.value | quantity: figure.unit }}
              <span class="provenance">{{ figure.from }}</span> {{ figure.formula }}
            </span>
          }
          @if (unmeasured(); as text) {
            <span>{{ text }}</span>
          }
        </p>
      }
    </div>
    <div class="next">
      <p class="against" [class.short]="short()">{{ against() }}</p>
      @if (answer().run) {
        <p class="note stop">{{ told().stop }}</p>
      } @else {
        <p class="note stop">{{ worst() }}</p>
      }
      @if (next(); as choice) {
        <button type="button" class="btn btn-primary btn-sm" (click)="remedy.emit(choice)">
          {{ choice.title }}
          @if (choice.plannedMin !== undefined) {
            → {{ choice.plannedMin | quantity: 'min' }}
          }
        </button>
      }
    </div>
  `,
  styleUrl: './answer-headline.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerHeadline {
  readonly answer = input.required<Answer>();
  readonly wantedMin = input<number | undefined>();
  readonly range = input<RunRange | undefined>();
  /** Gear of the rig, for the tags of its batteries. */
  readonly parts = input<ReadonlyMap<string, Gear>>(new Map());
  /** Whether the range is that of a state before, until it has been worked out again. */
  readonly working = input(false);
  /** What mends the worst, once it was found. */
  readonly next = input<ToldRemedy | undefined>();
  readonly remedy = output<ToldRemedy>();

  protected readonly told = computed(() => toldAnswer(this.answer()));
  protected readonly scale = computed(() =>
    this.answer().run ? timeScale(this.answer(), this.range(), this.wantedMin(), this.parts()) : undefined,
  );
  protected readonly draws = computed(() => this.told().figures.filter(({ role, name }) => role === 'device' && name.startsWith('Draw')));
  protected readonly named = computed(() => (this.draws().length > FEW_DRAWS ? [] : this.draws()));
  protected readonly unmeasured = computed(() => {
    const draws = this.draws();
    if (draws.length <= FEW_DRAWS) return '';
    const guessed = draws.filter(({ from }) => from !== 'measured').length;
    return `Rests on ${draws.length} draws, ${guessed === 0 ? 'all measured' : `${guessed} of them not measured`}.`;
  });
  protected readonly worst = computed(() => {
    const { verdict } = this.answer();
    return verdict === 'stop' ? 'Fix what stops it first; then it can be timed.' : 'A figure is missing; see below for which.';
  });

  private readonly missing = computed(() => {
    const [wanted, { plannedMin, unlimited, beyondMin, run }] = [this.wantedMin(), this.answer()];
    if (wanted === undefined || !run || unlimited || plannedMin === undefined) return undefined;
    return wanted - Math.max(plannedMin, beyondMin ?? 0);
  });
  protected readonly short = computed(() => (this.missing() ?? 0) > 0);
  /** Held against what is asked, the reserve kept. */
  protected readonly against = computed(() => {
    const [missing, wanted, { run, unlimited }] = [this.missing(), this.wantedMin(), this.answer()];
    if (!run) return '';
    if (unlimited) return 'Nothing stops while its supply holds';
    if (missing === undefined || wanted === undefined) return 'What stops it first';
    const say = (minutes: number): string => formatQuantity(minutes, 'min');
    return missing > 0 ? `${say(Math.ceil(missing))} short of the ${say(wanted)} asked for` : `Lasts the ${say(wanted)} asked for`;
  });
}
