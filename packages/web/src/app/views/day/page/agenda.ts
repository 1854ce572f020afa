import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { BLOCK_KINDS, blockTitle } from '@viaggio/core/day';
import { gearTitle } from '@viaggio/core/gear';
import { sayCardChange, sayGap, sayUnrecorded } from '@viaggio/core/words';
import { DaySheet } from '../sheet/day-sheet';
import { percent, time } from '../../../parts/timeline/say-moment';
import { SelectField } from '../../../fields/select-field';

/** One thing that a rig's operator does or has before them. */
interface Item {
  readonly minute: number;
  readonly kind: 'block' | 'swap' | 'charge' | 'medium' | 'gap';
  readonly says: string;
  readonly more: string;
  /** Of two at one minute the lower comes first: what is taken off a charger, before it goes into a rig. */
  readonly rank?: number;
  /** To be changed at a touch. */
  readonly blockId?: string;
}

/** What is chosen instead of a rig. */
export const CHARGERS = 'chargers';

/** The hours of one rig, or of the chargers, as a list, large: what comes, which battery goes where, where there is no power. For the phone and for print. */
@Component({
  selector: 'app-agenda',
  imports: [SelectField],
  template: `
    <section aria-label="Hours of a rig">
      @if (of() === undefined) {
        <app-select-field label="Hours of" class="mb-2" (picked)="rig.set($event)">
          @for (one of rigs(); track one.id) {
            <option [value]="one.id" [selected]="one.id === chosen()">{{ one.name }}</option>
          }
          @if (charging().length > 0) {
            <option [value]="all" [selected]="chosen() === all">the chargers</option>
          }
        </app-select-field>
      }
      <ol class="list-unstyled">
        @for (item of items(); track $index) {
          <li [class]="item.kind">
            <span class="clock">{{ at(item.minute) }}</span>
            @if (of() === undefined && item.blockId; as blockId) {
              <button type="button" [attr.aria-pressed]="sheet.chosen().has(blockId)" (click)="choose(blockId)">
                {{ item.says }}
                <small>{{ item.more }}</small>
              </button>
            } @else {
              <span>
                {{ item.says }}
                <small>{{ item.more }}</small>
              </span>
            }
          </li>
        } @empty {
          <li>No block yet.</li>
        }
      </ol>
    </section>
  `,
  styles: `
    li {
      display: grid;
      grid-template-columns: 6.5rem 1fr;
      gap: 0.5rem;
      padding: 0.6rem 0;
      border-bottom: 1px solid var(--bs-border-color);
      font-size: 1.15rem;
    }
    .clock {
      font-variant-numeric: tabular-nums;
      font-weight: 600;
    }
    small {
      display: block;
      font-size: 0.85rem;
      color: var(--bs-secondary-color);
    }
    button {
      padding: 0;
      border: 0;
      background: none;
      color: inherit;
      text-align: left;
    }
    button[aria-pressed='true'] {
      text-decoration: underline;
    }
    .swap,
    .medium,
    .charge {
      background: var(--bs-tertiary-bg);
    }
    .gap {
      color: var(--stop);
    }
    @media print {
      li {
        padding: 0.25rem 0;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Agenda {
  protected readonly sheet = inject(DaySheet);
  /** A rig, or the chargers, to stand there without a choice: for print. */
  readonly of = input<string>();
  protected readonly rig = signal<string | undefined>(undefined);
  protected readonly rigs = computed(() =>
    (this.sheet.day()?.rigIds ?? []).map((id) => ({ id, name: this.sheet.rigs().get(id)?.name ?? 'A rig that is gone' })),
  );
  protected readonly all = CHARGERS;
  protected readonly chosen = computed(() => this.of() ?? this.rig() ?? this.rigs()[0]?.id);

  protected readonly items = computed((): readonly Item[] => {
    const day = this.sheet.day();
    const rigId = this.chosen();
    if (!day || rigId === undefined) return [];
    if (rigId === CHARGERS) return this.charging();
    const run = this.sheet.outlook()?.run;
    const chances = this.sheet.chances()?.blocks;
    const blocks = day.blocks
      .filter((block) => block.rigId === rigId)
      .map((block): Item => {
        const chance = chances?.get(block.id);
        const more = [
          `${BLOCK_KINDS[block.kind]} until ${this.at(block.toMin)}`,
          block.uninterrupted ? 'must not be interrupted' : '',
          chance === undefined ? '' : `lasts in ${percent(chance)} of runs`,
        ];
        return {
          minute: block.fromMin,
          kind: 'block',
          blockId: block.id,
          says: blockTitle(block, day),
          more: more.filter((one) => one !== '').join('; '),
        };
      });
    const swaps = (run?.seated ?? [])
      .filter((one) => one.rigId === rigId)
      .map(({ batteryId, atMin, first }): Item => {
        const gear = this.sheet.gear().get(batteryId);
        const stay = run!.stays.find((one) => one.rigId === rigId && one.batteryId === batteryId && one.toMin > atMin);
        const charge = stay ? `${percent(stay.fromCharge)}, and ${percent(stay.toCharge)} at ${this.at(stay.toMin)}` : '';
        const name = gear ? gearTitle(gear) : 'A battery that is gone';
        return { minute: atMin, kind: 'swap', says: first ? `Starts with ${name}` : `Put in ${name}`, more: charge };
      });
    const gaps = (run?.gaps ?? [])
      .filter((one) => one.rigId === rigId && one.why !== 'change')
      .map((gap): Item => ({
        minute: gap.fromMin,
        kind: 'gap',
        says: '▲ No power',
        more: `until ${this.at(gap.toMin)}. ${sayGap(gap.says)}`,
      }));
    const own = new Set((run?.stays ?? []).filter((stay) => stay.rigId === rigId).map(({ batteryId }) => batteryId));
    const charges = this.charging().filter(({ batteryId }) => own.has(batteryId));
    return [...blocks, ...swaps, ...charges, ...gaps, ...this.cardItems(rigId)].sort(
      (a, b) => a.minute - b.minute || (a.rank ?? 0) - (b.rank ?? 0),
    );
  });

  /** Cards that are changed and copied, takes that end, and where nothing is recorded. */
  private cardItems(rigId: string): readonly Item[] {
    const [day, run] = [this.sheet.day(), this.sheet.outlook()?.run.cards];
    if (!day || !run) return [];
    const lots = (day.cards ?? []).filter((cards) => cards.rigId === rigId);
    const name = (id: string | undefined): string => this.sheet.gear().get(id ?? '')?.name ?? 'A device that is gone';
    const device = (cardsId: string): string => name(lots.find(({ id }) => id === cardsId)?.deviceId);
    const isOwn = (one: { readonly rigId: string }): boolean => one.rigId === rigId;
    return [
      ...run.changes.filter(isOwn).map(({ cardsId, atMin, out, outFull, card }): Item => ({
        minute: atMin,
        kind: 'medium',
        says: card === undefined ? 'No empty card' : `Change the card: ${card} in, ${out} out`,
        more:
          card === undefined
            ? sayCardChange(device(cardsId), out, outFull, card)
            : `${device(cardsId)}: card ${out} is ${percent(outFull)} full`,
      })),
      ...run.copies
        .filter(({ cardsId }) => lots.some(({ id }) => id === cardsId))
        .map(({ cardsId, card, full, fromMin, toMin }): Item => ({
          minute: fromMin,
          kind: 'medium',
          says: `Copy card ${card}`,
          more: `${device(cardsId)}, ${percent(full)} full; done at ${this.at(Math.ceil(toMin))}`,
        })),
      ...run.takeEnds.filter(isOwn).map(({ deviceId, atMin }): Item => ({
        minute: atMin,
        kind: 'medium',
        says: 'The take ends by itself',
        more: `${name(deviceId)} is at its longest take: start the next.`,
      })),
      ...run.stops.filter(isOwn).map(({ deviceId, why, fromMin, toMin }): Item => ({
        minute: fromMin,
        kind: 'gap',
        says: '▲ Not recorded',
        more: `until ${this.at(toMin)}. ${sayUnrecorded(name(deviceId), why)}`,
      })),
    ];
  }

  /** What goes onto a charger and comes off it. */
  protected readonly charging = computed((): readonly (Item & { readonly batteryId: string })[] => {
    const [day, run] = [this.sheet.day(), this.sheet.outlook()?.run];
    const title = (id: string): string => {
      const gear = this.sheet.gear().get(id);
      return gear ? gearTitle(gear) : 'Something that is gone';
    };
    return (run?.filled ?? [])
      .flatMap(({ charge: { batteryId, chargerId, fromMin, toMin, place, inPlace }, fromCharge, toCharge, fullMin }) => {
        const full = fullMin === undefined ? `${percent(toCharge)} by ${this.at(toMin)}` : `full at ${this.at(Math.ceil(fullMin))}`;
        const isWanted = run!.seated.some((one) => one.batteryId === batteryId && one.atMin >= toMin);
        const item = { kind: 'charge', batteryId } as const;
        return [
          {
            ...item,
            minute: fromMin,
            says: inPlace
              ? `Switch off, and plug ${title(chargerId)} into ${title(batteryId)} where it sits`
              : `Put ${title(batteryId)} on ${title(chargerId)}`,
            more: `${place?.name ?? ''}: ${percent(fromCharge)}, ${full}`,
          },
          ...((inPlace || isWanted) && day
            ? [
                {
                  ...item,
                  minute: toMin,
                  rank: -1,
                  says: inPlace ? `Unplug ${title(batteryId)}` : `Take ${title(batteryId)} off`,
                  more: `${percent(toCharge)}, from ${title(chargerId)}`,
                },
              ]
            : []),
        ];
      })
      .sort((a, b) => a.minute - b.minute);
  });

  protected choose(blockId: string): void {
    this.sheet.chosen.set(new Set([blockId]));
  }

  protected at(minute: number): string {
    return time(this.sheet.day()!, minute);
  }
}
