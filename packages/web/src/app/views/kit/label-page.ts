import { gearShape, LABEL_KINDS, labelMeaning, misleadingPairs } from '@viaggio/core/gear';
import type { LabelKind, LabelMeaning, Through } from '@viaggio/core/gear';
import { formatQuantity, number } from '@viaggio/core/units';
import type { Parsed } from '@viaggio/core/units';
import { sayLabelled, sayMisleading } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { QuantityField } from '../../fields/quantity-field';
import { SelectField } from '../../fields/select-field';

interface Row {
  readonly id: number;
  readonly text: string;
  readonly kind: LabelKind;
  readonly cells: number;
  readonly through: number;
  /** Typed in the place of the usual one. */
  readonly efficiency?: number | undefined;
}

/** Ways from a pack to where its energy is used, with typical losses. */
const THROUGH: readonly Through[] = [
  { title: 'straight from its contacts', efficiency: 1 },
  { title: 'its 5 V port', efficiency: 0.86, outputV: 5 },
  { title: 'USB-C Power Delivery at 9 V', efficiency: 0.88, outputV: 9 },
  { title: 'a battery-shaped adapter at 8 V', efficiency: 0.92, outputV: 8 },
  { title: 'its 5 V port, then a battery-shaped adapter', efficiency: 0.86 * 0.88, outputV: 8 },
  { title: 'a step-up plate at 26 V', efficiency: 0.94, outputV: 26 },
];

/** What a label means: any battery in watt-hours, at the pack and where it is used, beside others. */
@Component({
  selector: 'app-label-page',
  imports: [QuantityField, RouterLink, SelectField],
  templateUrl: './label-page.html',
  styleUrl: './label-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LabelPage {
  protected readonly kinds = Object.entries(LABEL_KINDS) as [LabelKind, { title: string }][];
  protected readonly through = THROUGH;
  protected readonly cellsShape = number('Cells', 'count', { min: 1, max: 20, integer: true });
  protected readonly efficiencyShape = gearShape.variants.adapter.efficiency.of;
  private lastId = 3;
  /** To begin with, the commonest mistake. */
  protected readonly rows = signal<readonly Row[]>([
    { id: 1, text: '20 000 mAh', kind: 'bank', cells: 1, through: 1 },
    { id: 2, text: '14.4 V 6600 mAh', kind: 'printed', cells: 1, through: 0 },
    { id: 3, text: '1900 mAh', kind: 'nimh', cells: 8, through: 0 },
  ]);
  protected readonly read = computed(() =>
    this.rows().map((row) => {
      const usual = THROUGH[row.through]!;
      // a share that nobody typed is a typical one, and is called so where it is used
      const through =
        row.efficiency === undefined ? { ...usual, title: `${usual.title}, typically` } : { ...usual, efficiency: row.efficiency };
      const meaning: Parsed<LabelMeaning> = labelMeaning(row.text, { kind: row.kind, cells: row.cells, through });
      return { row, meaning: meaning.ok ? meaning.value : undefined, error: meaning.ok ? undefined : meaning.issue };
    }),
  );
  private readonly most = computed(() => Math.max(0, ...this.read().map(({ meaning }) => meaning?.packWh ?? 0)));
  protected readonly surprises = computed(() =>
    misleadingPairs(this.read().flatMap(({ row, meaning }) => (meaning ? [{ name: `“${row.text}”`, meaning }] : []))).map(sayMisleading),
  );

  protected stepsOf({ steps }: LabelMeaning): string {
    return steps.map(sayLabelled).join('; ');
  }

  protected bar(energyWh: number): number {
    return this.most() === 0 ? 0 : (energyWh / this.most()) * 100;
  }

  protected counted(kind: LabelKind): boolean {
    return kind === 'nimh' || kind === 'alkaline';
  }

  protected set(id: number, changes: Partial<Row>): void {
    this.rows.update((rows) => rows.map((row) => (row.id === id ? { ...row, ...changes } : row)));
  }

  protected add(): void {
    this.rows.update((rows) => [...rows, { id: ++this.lastId, text: '', kind: 'printed', cells: 1, through: 0 }]);
  }

  protected remove(id: number): void {
    this.rows.update((rows) => rows.filter((row) => row.id !== id));
  }

  protected readonly wh = (value: number): string => formatQuantity(value, 'Wh');
}
