import { said } from '../../said';
import { number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { CHEMISTRIES } from '../../tables';
import { sizePack } from '../size';
import type { PackQuestion, PackSize } from '../size';
import type { BuildSaid } from './says';

/** What a pack is wanted for. */
export const wantedPackShape = object('What is wanted', {
  lowestV: number('Lowest voltage it may give', 'V', { above: 0, max: 100 }),
  highestV: number('Highest voltage it may give', 'V', { above: 0, max: 100 }),
  energyWh: number('Energy', 'Wh', { above: 0, max: 5000 }),
  loadW: number('Load', 'W', { above: 0, max: 5000 }),
  mostG: optional(number('At most', 'g', { above: 0, max: 100_000 })),
});
export type WantedPack = Infer<typeof wantedPackShape>;

export interface PackOption {
  readonly question: PackQuestion;
  readonly size: PackSize;
  /** Why it does not do; undefined where it does. */
  readonly not: BuildSaid | undefined;
}

const MOST_SERIES = 20;
const MOST_PARALLEL = 40;

/**
 * Cells in series and parallel that give what is wanted, the fewest cells first. Where none does: the nearest, with why not.
 *
 * @example packOptions({ lowestV: 11, highestV: 17, energyWh: 90, loadW: 60 }, { chemistry: 'li-ion', capacityAh: 3, maxA: 8 })[0].question.cellsInSeries // 4
 */
export function packOptions(wanted: WantedPack, cell: PackQuestion['cell']): readonly PackOption[] {
  const { lowestV, highestV, energyWh, loadW, mostG } = wanted;
  const { fullCellV, cutoffCellV, nominalCellV } = CHEMISTRIES[cell.chemistry];
  const series = Array.from({ length: MOST_SERIES }, (_, index) => index + 1);
  const fitting = series.filter((cells) => cells * fullCellV <= highestV && cells * cutoffCellV >= lowestV);
  const tried = fitting.length > 0 ? fitting : series.filter((cells) => cells * fullCellV <= highestV).slice(-1);
  return tried
    .flatMap((cellsInSeries): readonly PackOption[] => {
      const forEnergy = energyWh / (cellsInSeries * nominalCellV * cell.capacityAh);
      const forAmps = cell.maxA === undefined ? 0 : loadW / (cellsInSeries * cutoffCellV) / cell.maxA;
      const cellsInParallel = Math.min(MOST_PARALLEL, Math.max(1, Math.ceil(forEnergy - 1e-9), Math.ceil(forAmps - 1e-9)));
      const question: PackQuestion = { cell, cellsInSeries, cellsInParallel, loadW };
      const size = sizePack(question);
      if ('error' in size) return [];
      return [{ question, size, not: whyNot(size, wanted, mostG, lowestV) }];
    })
    .sort((a, b) => Number(a.not !== undefined) - Number(b.not !== undefined) || cellsOf(a) - cellsOf(b));
}

const cellsOf = ({ question: { cellsInSeries, cellsInParallel } }: PackOption): number => cellsInSeries * cellsInParallel;

function whyNot(size: PackSize, { energyWh }: WantedPack, mostG: number | undefined, lowestV: number): BuildSaid | undefined {
  if (size.emptyV < lowestV) return said('stops-early', { emptyV: size.emptyV });
  if (size.energyWh < energyWh) return said('too-many-cells');
  if (mostG !== undefined && size.massG !== null && size.massG > mostG) return said('too-heavy', { massG: size.massG });
  return undefined;
}
