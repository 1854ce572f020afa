import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { withNewSwap } from '@viaggio/core/day';
import type { Swap } from '@viaggio/core/day';
import { gearTitle, whyNotAtHand } from '@viaggio/core/gear';
import { computedLater } from '../../../workers/computed-later';
import { SelectField } from '../../../fields/select-field';
import { MoveList } from './move-list';
import type { Move } from './move-list';
import { DaySheet } from '../sheet/day-sheet';
import { percent, time } from '../../../parts/timeline/say-moment';

/** Which battery goes where and when: times can be typed, lines locked, taken out or added. */
@Component({
  selector: 'app-moves',
  imports: [MoveList, SelectField],
  template: `
    <app-move-list
      heading="Batteries that go in"
      none="Every rig starts with its own batteries, and keeps them."
      [moves]="rows()"
      (edited)="sheet.changeSwap($event.of, $event.as)"
    >
      <ng-template #more let-move>
        <button
          type="button"
          class="btn btn-sm btn-outline-secondary acts"
          [attr.aria-expanded]="asked() === move.of"
          [attr.aria-label]="'Earlier or later: ' + move.title"
          (click)="ask(move.of)"
        >
          Earlier or later?
        </button>
      </ng-template>
      <ng-template #below let-move>
        @if (asked() === move.of) {
          @if (costs(); as all) {
            <ul class="costs small" [attr.aria-label]="'What moving it costs: ' + move.title">
              @for (one of all; track one.byMin) {
                <li>
                  <button type="button" class="btn btn-link btn-sm p-0" (click)="sheet.changeSwap(move.of, { atMin: one.atMin })">
                    {{ one.byMin > 0 ? one.byMin + ' min later' : -one.byMin + ' min earlier' }}</button>: {{ one.says }}
                </li>
              }
            </ul>
          } @else {
            <p role="status" class="small mb-0">Trying …</p>
          }
        }
      </ng-template>
      @if (seats().length > 0) {
        <form class="add acts" (submit)="add($event)">
          <app-select-field label="Into" [bare]="true" [small]="true" [choices]="seats()" [value]="seat()" (picked)="seat.set($event)" />
          <app-select-field
            label="Battery"
            [bare]="true"
            [small]="true"
            [choices]="batteries()"
            [value]="battery()"
            (picked)="battery.set($event)"
          />
          <button class="btn btn-sm btn-outline-secondary">Add a change</button>
        </form>
      }
    </app-move-list>
  `,
  styles: `
    .costs {
      margin: 0;
    }
    .add {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
    }
    .add app-select-field {
      flex: 1 1 12rem;
      width: auto;
      min-width: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Moves {
  protected readonly sheet = inject(DaySheet);
  /** The change of which somebody asked what moving it would cost. */
  protected readonly asked = signal<Swap | undefined>(undefined);
  private readonly costsLater = computedLater(
    'compare',
    () => {
      const [swap, world] = [this.asked(), this.sheet.asked()];
      return swap && world && { swap, world };
    },
    (core, { swap, world }) => core.movingCosts(world, swap),
  );
  protected readonly costs = computed(() => {
    const later = this.costsLater();
    return later.is === 'done' ? later.value : undefined;
  });
  private readonly name = (id: string): string => {
    const gear = this.sheet.gear().get(id);
    return gear ? gearTitle(gear) : 'A battery that is gone';
  };

  protected readonly rows = computed((): readonly Move<Swap>[] => {
    const day = this.sheet.day();
    const stays = this.sheet.outlook()?.run.stays ?? [];
    return (day?.swaps ?? [])
      .map((swap, index) => {
        const { rigId, batteryId, atMin } = swap;
        const stay = stays.find((one) => one.rigId === rigId && one.batteryId === batteryId && one.fromMin >= atMin - 1e-6);
        const state = stay
          ? `${percent(stay.fromCharge)} when it goes in, ${percent(stay.toCharge)} at ${time(day!, stay.toMin)}`
          : 'not in any block';
        return {
          of: swap,
          atMin,
          locked: swap.locked === true,
          state,
          key: `${rigId} ${batteryId} ${index}`,
          title: `${this.name(batteryId)} into ${this.sheet.rigs().get(rigId)?.name ?? '?'}`,
        };
      })
      .sort((a, b) => a.atMin - b.atMin);
  });

  protected readonly seats = computed(() => {
    const day = this.sheet.day();
    return (day?.rigIds ?? []).flatMap((rigId) => {
      const rig = this.sheet.rigs().get(rigId);
      const own = new Set((rig?.links ?? []).map(({ from }) => from.gearId).filter((id) => this.sheet.gear().get(id)?.kind === 'battery'));
      return [...own].map(
        (seatId) => [`${rigId} ${seatId}`, own.size > 1 ? `${rig!.name}, in place of ${this.name(seatId)}` : rig!.name] as const,
      );
    });
  });

  protected readonly batteries = computed(() =>
    [...this.sheet.gear()]
      .filter(([, body]) => body.kind === 'battery' && whyNotAtHand(body) === undefined)
      .map(([id]) => [id, this.name(id)] as const)
      .sort(([, a], [, b]) => a.localeCompare(b)),
  );
  /** What the next change is of; the first of each until somebody picks. */
  protected readonly seat = linkedSignal(() => this.seats()[0]?.[0] ?? '');
  protected readonly battery = linkedSignal(() => this.batteries()[0]?.[0] ?? '');

  protected ask(swap: Swap): void {
    this.asked.update((before) => (before === swap ? undefined : swap));
  }

  protected add(event: Event): void {
    event.preventDefault();
    const [rigId = '', seatId = ''] = this.seat().split(' ');
    const batteryId = this.battery();
    this.sheet.edit((day) => withNewSwap(day, { rigId, seatId, batteryId }), `swap ${Date.now()}`);
  }
}
