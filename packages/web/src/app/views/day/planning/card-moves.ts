import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { withNewCardChange } from '@viaggio/core/day';
import type { CardChange } from '@viaggio/core/day';
import { sayCardChange, sayUnrecorded } from '@viaggio/core/words';
import { SelectField } from '../../../fields/select-field';
import { DaySheet } from '../sheet/day-sheet';
import { MoveList } from './move-list';
import type { Move } from './move-list';
import { time } from '../../../parts/timeline/say-moment';
import { counted } from '../../../basics/counted';

/** Which card is changed when, how full it is, and when it is copied: times can be typed, lines locked, taken out or added. */
@Component({
  selector: 'app-card-moves',
  imports: [MoveList, SelectField],
  template: `
    @if (lots().length > 0) {
      <app-move-list
        heading="Cards that are changed"
        none="Every device keeps the card it starts with."
        [moves]="rows()"
        (edited)="sheet.changeCard($event.of, $event.as)"
      >
        <ng-container above>
          @for (stop of stops(); track $index) {
            <p class="mb-1 verdict-stop">▲ {{ stop }}</p>
          }
        </ng-container>
        @for (copy of copies(); track $index) {
          <p class="small mb-1">{{ copy }}</p>
        }
        @for (left of notCopied(); track left) {
          <p class="small mb-1 verdict-caution">{{ left }}</p>
        }
        <app-select-field label="Add a change of card" [bare]="true" [small]="true" [once]="true" [choices]="lots()" (picked)="add($event)">
          <option value="">Add a change of card …</option>
        </app-select-field>
      </app-move-list>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CardMoves {
  protected readonly sheet = inject(DaySheet);
  private readonly run = computed(() => this.sheet.outlook()?.run.cards);
  private readonly device = (cardsId: string): string => {
    const cards = this.sheet.day()?.cards?.find(({ id }) => id === cardsId);
    return this.sheet.gear().get(cards?.deviceId ?? '')?.name ?? 'a device that is gone';
  };

  protected readonly lots = computed(() => (this.sheet.day()?.cards ?? []).map(({ id }) => [id, this.device(id)] as const));

  protected readonly rows = computed((): readonly Move<CardChange>[] =>
    [...(this.sheet.day()?.cardChanges ?? [])]
      .sort((a, b) => a.atMin - b.atMin)
      .map((change, index) => {
        const done = this.run()?.changes.find(({ cardsId, atMin }) => cardsId === change.cardsId && atMin === change.atMin);
        const device = this.device(change.cardsId);
        return {
          of: change,
          atMin: change.atMin,
          locked: change.locked === true,
          key: `${change.cardsId} ${index}`,
          title: `Card of ${device}`,
          state: done ? sayCardChange(device, done.out, done.outFull, done.card) : '',
        };
      }),
  );

  protected readonly stops = computed(() =>
    (this.run()?.stops ?? []).map(
      ({ deviceId, why, fromMin, toMin }) =>
        `${this.at(fromMin)} to ${this.at(toMin)}: ${sayUnrecorded(this.sheet.gear().get(deviceId)?.name ?? 'A device', why)}`,
    ),
  );

  protected readonly copies = computed(() =>
    (this.run()?.copies ?? []).map(
      ({ cardsId, card, fromMin, toMin }) =>
        `Card ${card} of ${this.device(cardsId)} is copied from ${this.at(fromMin)}, done at ${this.at(Math.ceil(toMin))}.`,
    ),
  );

  protected readonly notCopied = computed(() =>
    (this.run()?.lots ?? [])
      .filter(({ notCopied }) => notCopied > 0)
      .map(({ cardsId, notCopied }) => `${counted(notCopied, 'card')} of ${this.device(cardsId)} not copied at the end.`),
  );

  protected add(cardsId: string): void {
    if (cardsId !== '') this.sheet.edit((day) => withNewCardChange(day, cardsId), `card ${Date.now()}`);
  }

  private at(minute: number): string {
    return time(this.sheet.day()!, minute);
  }
}
