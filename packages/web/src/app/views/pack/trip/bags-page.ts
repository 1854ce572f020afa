import { CdkDrag, CdkDropList, CdkDropListGroup } from '@angular/cdk/drag-drop';
import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { BAG_KINDS } from '@viaggio/core/travel';
import type { Bag, BagLoad, FlownThing, LostBag, PackThing, Placed } from '@viaggio/core/travel';
import { formatQuantity } from '@viaggio/core/units';
import { sayBagTrouble, sayLeft, sayPlaced } from '@viaggio/core/words';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { TripSheet } from './trip-sheet';

interface Chip {
  readonly id: string;
  readonly title: string;
  readonly full: string;
  readonly mass: string;
  readonly isBattery: boolean;
  readonly why: string | undefined;
}

interface Column {
  readonly bag: Bag | undefined;
  readonly id: string;
  readonly title: string;
  readonly goes: string;
  readonly chips: readonly Chip[];
  readonly mass: string;
  /** The bag itself and what is in it, spares before the rest, the heaviest first, as shares of what it may weigh, in per cent. */
  readonly parts: readonly { readonly id: string; readonly title: string; readonly isBattery: boolean; readonly share: number }[];
  readonly isOver: boolean | undefined;
  readonly stops: readonly string[];
  readonly runs: readonly string[];
}

/** What lies in which bag: moved by dragging or by a press, with what it weighs and what is lost with it. */
@Component({
  selector: 'app-bags-page',
  imports: [CdkDrag, CdkDropList, CdkDropListGroup, RouterLink],
  templateUrl: './bags-page.html',
  styleUrl: './bags-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BagsPage {
  protected readonly sheet = inject(TripSheet);
  /** The thing whose way to another bag is open. */
  protected readonly moving = signal<string | undefined>(undefined);
  /** Why things lie where they lie: as if all that lies somewhere had been suggested. */
  private readonly reasons = computedLater(
    'pack',
    () => this.sheet.asked(),
    (core, asked) => core.tripPlaces(asked),
  );
  private readonly why = computed((): ReadonlyMap<string, Placed> => valueOf(this.reasons()) ?? new Map());
  protected readonly troubles = computed(() =>
    (this.sheet.packed()?.troubles ?? []).filter(({ is }) => is !== 'not-in-a-bag').map(sayBagTrouble),
  );
  /** What is still in no bag after a suggestion, by why. */
  protected readonly left = computed(() => {
    const by = new Map<string, string[]>();
    for (const { id, title, why } of this.sheet.left()) {
      if (this.sheet.stateOf(id).bagId !== undefined) continue;
      const name = this.sheet.gear().get(id)?.tag ?? title;
      by.set(sayLeft(why), [...(by.get(sayLeft(why)) ?? []), name]);
    }
    return [...by].map(
      ([why, names]) => `${why}: ${names.slice(0, 12).join(', ')}${names.length > 12 ? ` and ${names.length - 12} more` : ''}.`,
    );
  });
  protected readonly columns = computed((): readonly Column[] => {
    const packed = this.sheet.packed();
    if (!packed) return [];
    const { list, loads, lost, flight } = packed;
    const flown = new Map(flight.batteries.map((one) => [one.id, one]));
    const of = new Map(list.things.map((thing) => [thing.id, thing]));
    const here = (bagId: string | undefined): readonly PackThing[] =>
      list.things.filter(({ id }) => {
        const state = this.sheet.stateOf(id);
        return !state.left && (bagId === undefined ? !loads.some(({ bag }) => bag.id === state.bagId) : state.bagId === bagId);
      });
    const chip = (thing: PackThing): Chip => this.chip(of.get(thing.id)!, flown.get(thing.id));
    const loose = here(undefined).map(chip);
    const heaviestG = Math.max(0, ...loads.map(({ massG }) => massG));
    return [
      ...(loose.length > 0 ? [{ ...NO_BAG, chips: loose }] : []),
      ...loads.map((load): Column => ({
        ...columnOf(
          load,
          lost.find(({ bag }) => bag.id === load.bag.id),
        ),
        chips: here(load.bag.id).map(chip),
        parts: partsOf(load, heaviestG, (id) => flown.get(id)?.role === 'spare'),
      })),
    ];
  });
  protected readonly loose = computed(() => this.columns().find(({ bag }) => bag === undefined)?.chips.length ?? 0);

  protected dropped({ item, container, previousContainer }: CdkDragDrop<string, string, string>): void {
    if (container !== previousContainer) this.move(item.data, container.data);
  }

  protected move(id: string, bagId: string): void {
    this.moving.set(undefined);
    this.sheet.say(id, { bagId: bagId === NO_BAG.id ? undefined : bagId });
  }

  private chip(thing: PackThing, flown: FlownThing | undefined): Chip {
    const why = this.why().get(thing.id);
    return {
      id: thing.id,
      title: thing.tag ?? `${thing.count > 1 ? `${thing.count} × ` : ''}${thing.gear?.name ?? thing.title}`,
      full: thing.title,
      mass: thing.massG === undefined ? '? kg' : formatQuantity(thing.massG, 'g'),
      isBattery: flown !== undefined && flown.role === 'spare',
      why: why && why.is !== 'room' && why.is !== 'by-hand' ? sayPlaced(why) : undefined,
    };
  }
}

const NO_BAG: Column = {
  bag: undefined,
  id: 'none',
  title: 'In no bag',
  goes: '',
  chips: [],
  mass: '',
  parts: [],
  isOver: false,
  stops: [],
  runs: [],
};

/** A bag without a limit is drawn against the heaviest one; one that is too heavy is full. */
function partsOf({ massG, mostG, things }: BagLoad, heaviestG: number, isSpare: (id: string) => boolean): Column['parts'] {
  const whole = Math.max(mostG ?? heaviestG, massG, 1);
  const parts = things.flatMap((thing) =>
    thing.massG === undefined ? [] : [{ id: thing.id, title: thing.title, isBattery: isSpare(thing.id), massG: thing.massG }],
  );
  const bagG = massG - parts.reduce((sum, part) => sum + part.massG, 0);
  const inOrder = parts.sort((a, b) => Number(b.isBattery) - Number(a.isBattery) || b.massG - a.massG);
  return [...(bagG > 0 ? [{ id: 'bag', title: 'the bag itself', isBattery: false, massG: bagG }] : []), ...inOrder].map(
    ({ massG: partG, title, ...part }) => ({
      ...part,
      title: `${title}, ${formatQuantity(partG, 'g')}`,
      share: (100 * partG) / whole,
    }),
  );
}

function columnOf({ bag, massG, mostG, unweighed, isOver }: BagLoad, lost: LostBag | undefined): Column {
  const most = mostG === undefined ? '' : ` of ${formatQuantity(mostG, 'g')}`;
  const more = unweighed === 0 ? '' : `, and ${unweighed} of unknown mass`;
  return {
    bag,
    id: bag.id,
    title: bag.name,
    goes: BAG_KINDS[bag.goes],
    chips: [],
    mass: `${formatQuantity(massG, 'g')}${most}${more}`,
    parts: [],
    isOver,
    stops: (lost?.stops ?? []).map(({ rig }) => rig),
    runs: (lost?.runs ?? []).map(
      ({ rig, saved }) => `${rig} on ${saved.length === 0 ? 'its other feed' : saved.map(({ by }) => by.tag ?? by.title).join(', ')}`,
    ),
  };
}
