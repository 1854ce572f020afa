import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Answer, RunRange } from '@viaggio/core/answer';
import type { Gear } from '@viaggio/core/gear';
import type { ToldRemedy } from '@viaggio/core/words';
import { VoltageProfile } from '../../profile/voltage-profile';
import type { Remedies } from '../../workers/core-calls';
import { valueOf } from '../../workers/computed-later';
import type { Later } from '../../workers/computed-later';
import { AnswerHeadline } from './answer-headline';
import { FindingsList } from './findings-list';
import { toldAnswer } from './told-answer';

/** The answer in one look: time and range, the energy path, the worst findings with what mends them. */
@Component({
  selector: 'app-answer-view',
  imports: [AnswerHeadline, FindingsList, VoltageProfile],
  template: `
    <section class="headline" aria-label="Answer">
      <app-answer-headline
        [answer]="answer()"
        [wantedMin]="wantedMin()"
        [range]="range()"
        [parts]="parts()"
        [working]="outlook()?.is === 'working'"
        [next]="next()"
        (remedy)="remedy.emit($event)"
      />
    </section>
    <div class="below">
      @if (answer().tracks.length > 0) {
        <section class="path" aria-label="Energy path">
          <app-voltage-profile [tracks]="answer().tracks" [name]="name()" />
        </section>
      }
      <section class="findings" aria-label="Findings">
        <app-findings-list
          [findings]="told().findings"
          [remedies]="remedies()"
          [all]="all()"
          (allChange)="allChange.emit($event)"
          (remedy)="remedy.emit($event)"
        />
        @for (caution of told().cautions; track caution) {
          <p class="usual-caution">{{ caution }}</p>
        }
      </section>
    </div>
  `,
  styleUrl: './answer-view.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerView {
  readonly answer = input.required<Answer>();
  /** Of the rig, for files made from it. */
  readonly name = input('rig');
  readonly wantedMin = input<number | undefined>();
  /** Gear of the rig, for the tags of its batteries. */
  readonly parts = input<ReadonlyMap<string, Gear>>(new Map());
  /** What takes longer than the answer; absent where nobody works it out. */
  readonly outlook = input<Later<RunRange | undefined>>();
  readonly remedies = input<Remedies>();
  /** Whether every finding is shown, with its numbers; else the worst. */
  readonly all = input(true);
  readonly allChange = output<boolean>();
  readonly remedy = output<ToldRemedy>();

  protected readonly told = computed(() => toldAnswer(this.answer()));
  protected readonly range = computed(() => {
    const later = this.outlook();
    return later && this.answer().run ? valueOf(later) : undefined;
  });
  /** The first thing to do: where it is too short, what makes it last longest; else what mends the worst. */
  protected readonly next = computed(() => {
    const all = this.remedies()?.flat() ?? [];
    const [wanted, { plannedMin, unlimited }] = [this.wantedMin(), this.answer()];
    if (wanted === undefined || plannedMin === undefined || unlimited || plannedMin >= wanted) return all[0];
    const longer = all.filter((one) => (one.plannedMin ?? 0) > plannedMin && one.verdict !== 'stop');
    return longer.sort((a, b) => b.plannedMin! - a.plannedMin!)[0] ?? all[0];
  });
}
