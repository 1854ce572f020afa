import type { Adapter, Battery, Input, Output } from '../../gear';
import { isKind, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import type { ResolvedRig } from '../../rig/resolved';
import { CHEMISTRIES } from '../../tables';
import type { Facts, Finding } from '../facts';
import { finding } from '../finding';

type Doubt = Facts['figure-doubtful'];

/** Two figures of one thing that differ by more than this contradict each other. */
const CONTRADICTS = 0.1;
/** Printed volts of a pack against those of its cells: 3.6 and 3.7 V are both Li-ion. */
const OTHER_CELLS = 0.07;
/** A cut-off is at most this far below a chemistry's own, in shares of it; above, it ends short of the nominal volts. */
const BELOW_CUTOFF = 0.2;

/** Figures typed on one item that cannot both be right: asked about, and never gone on with in silence. */
export function doubtfulFindings({ parts }: Pick<ResolvedRig, 'parts'>): readonly Finding[] {
  return [...parts.values()].flatMap((part) =>
    doubtsOf(part).map((doubt) =>
      finding('figure-doubtful', 'unknown', { aspect: 'run', role: roleOf(part), gearId: part.id, part: part.title }, doubt),
    ),
  );
}

function doubtsOf(part: Part): readonly Doubt[] {
  return [
    ...part.inputs.flatMap((port) => ofRange(part.title, port)),
    ...part.outputs.flatMap((port) => ofRange(part.title, port)),
    ...ownDoubts(part),
  ];
}

/** A lowest voltage above the highest. */
function ofRange(of: string, port: Input | Output): Doubt[] {
  const { minV, maxV } = 'minV' in port || 'maxV' in port ? port : {};
  return minV !== undefined && maxV !== undefined && minV > maxV ? [{ doubt: 'range', of, port: port.name, minV, maxV }] : [];
}

function ownDoubts(part: Part): readonly Doubt[] {
  if (isKind(part, 'battery')) return [...ofBattery(part.gear), ...part.gear.outputs.flatMap((port) => ofPort(part.title, port))];
  if (isKind(part, 'adapter')) return ofAdapter(part.gear);
  return part.outputs.flatMap((port) => ofPort(part.title, port));
}

function ofBattery({
  name: of,
  chemistry,
  cellsInSeries: cells,
  cellsInParallel = 1,
  cell,
  energyWh,
  labelWh,
  nominalV,
  cutoffV,
}: Battery): Doubt[] {
  const { cutoffCellV, nominalCellV } = CHEMISTRIES[chemistry];
  if (cells === undefined) return [];
  const doubts: Doubt[] = [];
  const [lowV, highV] = [cells * cutoffCellV * (1 - BELOW_CUTOFF), cells * nominalCellV];
  if (cutoffV !== undefined && (cutoffV < lowV || cutoffV > highV)) doubts.push({ doubt: 'cutoff', of, cells, cutoffV, lowV, highV });
  const cellsV = cells * nominalCellV;
  if (nominalV !== undefined && differs(nominalV, cellsV, OTHER_CELLS)) doubts.push({ doubt: 'cells', of, cells, nominalV, cellsV });
  const countedWh = cell && cells * cellsInParallel * cell.capacityAh * nominalCellV;
  // what was measured may well be less than what is printed
  const printedWh = labelWh ?? energyWh;
  if (countedWh !== undefined && printedWh !== undefined && differs(printedWh, countedWh, CONTRADICTS))
    doubts.push({ doubt: 'energy', of, energyWh: printedWh, countedWh, cells });
  return doubts;
}

function ofAdapter({ name: of, ratedW, output: { voltageV, maxA } }: Adapter): Doubt[] {
  if (ratedW === undefined || voltageV === undefined || maxA === undefined || !differs(ratedW, voltageV * maxA, CONTRADICTS)) return [];
  return [{ doubt: 'watts', of, port: undefined, watts: ratedW, voltageV, currentA: maxA }];
}

function ofPort(of: string, port: Output): Doubt[] {
  if (port.gives !== 'pd' || port.ratingW === undefined || !port.profiles) return [];
  const { voltageV, currentA } = port.profiles.reduce((best, one) =>
    one.voltageV * one.currentA > best.voltageV * best.currentA ? one : best,
  );
  if (!differs(port.ratingW, voltageV * currentA, CONTRADICTS)) return [];
  return [{ doubt: 'watts', of, port: port.name, watts: port.ratingW, voltageV, currentA }];
}

function differs(one: number, other: number, by: number): boolean {
  return Math.abs(one / other - 1) > by;
}
