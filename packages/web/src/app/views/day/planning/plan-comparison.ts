import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { onlyIn, PLAN_ORDERS } from '@viaggio/core/day';
import type { Moves, PlanFigures, Swap } from '@viaggio/core/day';
import { gearTitle } from '@viaggio/core/gear';
import { formatQuantity } from '@viaggio/core/units';
import { SideBySideRows } from '../../../parts/side-by-side-rows';
import type { SideBySideRow } from '../../../parts/side-by-side-rows';
import { computedLater, valueOf } from '../../../workers/computed-later';
import { DaySheet } from '../sheet/day-sheet';
import type { Found } from '../sheet/day-sheet';
import { time } from '../../../parts/timeline/say-moment';

interface Column {
  readonly title: string;
  readonly moves: Moves;
  /** Where it was found before, and can be looked at again. */
  readonly earlier: Found | undefined;
}

interface Row {
  readonly title: string;
  readonly of: (figures: PlanFigures) => string;
  /** Shown where one of the plans has it. */
  readonly only?: (figures: PlanFigures) => boolean;
}

/** What batteries weigh as far as it is entered: never 0 g for what nobody weighed. */
export function sayMass({ massG, massUnknown, batteries }: PlanFigures): string {
  if (massUnknown === 0) return formatQuantity(massG, 'g');
  return massUnknown >= batteries ? 'of unknown mass' : `${formatQuantity(massG, 'g')}, and ${massUnknown} of unknown mass`;
}

const ROWS: readonly Row[] = [
  { title: 'Interrupted that must not be', of: ({ interruptions }) => String(interruptions) },
  { title: 'Without power', of: ({ gapMin }) => formatQuantity(Math.ceil(gapMin - 1e-6), 'min') },
  { title: 'Off for changes of battery', of: ({ changeMin }) => formatQuantity(Math.ceil(changeMin - 1e-6), 'min') },
  {
    title: 'Not recorded though there is power',
    of: ({ unrecordedMin }) => formatQuantity(Math.ceil(unrecordedMin - 1e-6), 'min'),
    only: ({ unrecordedMin }) => unrecordedMin > 0,
  },
  {
    title: 'Changes of card',
    of: ({ cardChanges, cardVisits }) => (cardVisits === 0 ? String(cardChanges) : `${cardChanges}, ${cardVisits} in a pause of their own`),
    only: ({ cardChanges }) => cardChanges > 0,
  },
  { title: 'Changes of battery', of: ({ changes }) => String(changes) },
  {
    title: 'Of them while it runs',
    of: ({ whileRunning, hot }) => (hot > 0 ? `${whileRunning}, ${hot} of them hot` : String(whileRunning)),
  },
  { title: 'Batteries carried', of: ({ batteries }) => String(batteries) },
  {
    title: 'Their mass',
    of: (figures) => sayMass(figures),
  },
  { title: 'Batteries into the reserve', of: ({ intoReserve }) => String(intoReserve) },
  { title: 'Below the reserve', of: ({ lowMin }) => formatQuantity(Math.ceil(lowMin - 1e-6), 'min') },
  { title: 'Times on a charger', of: ({ charges }) => String(charges) },
  { title: 'From the wall', of: ({ wallWh }) => formatQuantity(wallWh, 'Wh') },
];

/** The day as it is beside the plan that was found, and beside those found before it: figures, and what differs. */
@Component({
  selector: 'app-plan-comparison',
  imports: [SideBySideRows],
  template: `
    @if (columns(); as all) {
      <div class="table-responsive">
        <table class="table table-sm small mb-2" aria-label="Plans side by side">
          <thead>
            <tr>
              <td></td>
              @for (one of all; track one.title) {
                <th scope="col">{{ one.title }}</th>
              }
            </tr>
          </thead>
          <tbody [appSideBySideRows]="rows()"></tbody>
          <tbody>
            <tr>
              <td></td>
              @for (one of all; track one.title) {
                <td>
                  @if (one.earlier; as earlier) {
                    <button type="button" class="btn btn-sm btn-outline-secondary" (click)="sheet.takeUp(earlier)">Open</button>
                  }
                </td>
              }
            </tr>
          </tbody>
        </table>
      </div>
      @for (difference of differences(); track difference.title) {
        <p class="small mb-1">
          <strong>{{ difference.title }}:</strong> {{ difference.says }}
        </p>
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanComparison {
  protected readonly sheet = inject(DaySheet);
  protected readonly rows = computed((): readonly SideBySideRow[] => {
    const columns = this.columns() ?? [];
    return ROWS.filter(({ only }) => !only || columns.some(({ figures }) => only(figures))).map(({ title, of }) => {
      const texts = columns.map(({ figures }) => of(figures));
      return { title, cells: texts.map((text) => ({ text, best: false })), same: new Set(texts).size === 1 };
    });
  });
  private readonly plans = computed(() => {
    const [world, found] = [this.sheet.asked(), this.sheet.search()];
    if (!world || found.is !== 'found') return undefined;
    const named = (order: keyof typeof PLAN_ORDERS, before: string): string => `${before}: ${PLAN_ORDERS[order]}`;
    const all: readonly Column[] = [
      { title: 'As it is', moves: world.day, earlier: undefined },
      { title: named(found.order, 'Found'), moves: found.plan, earlier: undefined },
      ...this.sheet.earlier().map((one, index) => ({
        title: named(one.order, `Found before${index > 0 ? ` (${index + 1})` : ''}`),
        moves: one.plan,
        earlier: one,
      })),
    ];
    return { world, all };
  });
  private readonly figures = computedLater('compare', this.plans, (core, { world, all }) =>
    core
      .planFigures(
        world,
        all.map(({ moves }) => ({ swaps: moves.swaps, charges: moves.charges, cardChanges: moves.cardChanges })),
      )
      .then((figures) => all.map((one, index) => ({ ...one, figures: figures[index]! }))),
  );
  protected readonly columns = computed(() => valueOf(this.figures()));

  /** Of the plan found and what is there now, or was found before. */
  protected readonly differences = computed(() => {
    const all = this.columns();
    const [now, found, before] = all ?? [];
    // beside a day that nobody planned, all of it is new: the reasons above tell it
    if (!now || !found || (!before && (now.moves.swaps ?? []).length === 0)) return [];
    const other = before ?? now;
    return [
      { title: `Only in “${found.title}”`, says: this.told(onlyIn(found.moves.swaps, other.moves.swaps)) },
      { title: `Only in “${other.title}”`, says: this.told(onlyIn(other.moves.swaps, found.moves.swaps)) },
    ].filter(({ says }) => says !== '');
  });

  private told(swaps: readonly Swap[]): string {
    const day = this.sheet.day()!;
    return swaps
      .map(({ batteryId, rigId, atMin }) => {
        const battery = this.sheet.gear().get(batteryId);
        return `${time(day, atMin)} ${battery ? gearTitle(battery) : 'a battery'} into ${this.sheet.rigs().get(rigId)?.name ?? '?'}`;
      })
      .join('; ');
  }
}
