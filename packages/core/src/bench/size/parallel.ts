import { worstVerdict } from '../../findings';
import type { Verdict } from '../../findings';
import { cellVoltage } from '../../physics/cell';
import { said } from '../../said';
import { number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { CHEMISTRIES, JOIN_C, JOIN_TOLD_SHARE } from '../../tables';
import { chemistryField } from './chemistries';
import type { Sized } from './sized';

const battery = object('A battery', {
  chemistry: chemistryField,
  cellsInSeries: number('Cells in series', 'count', { min: 1, max: 30, integer: true }),
  charge: number('Charge', 'fraction', { min: 0, max: 1 }),
  resistanceOhm: number('Resistance', 'ohm', { above: 0, max: 10 }),
  capacityAh: number('Capacity', 'Ah', { above: 0, max: 1000 }),
});
export const parallelQuestion = object('Two batteries side by side', {
  a: battery,
  b: battery,
  loadW: optional(number('Load', 'W', { above: 0, max: 5000 })),
});
export type ParallelQuestion = Infer<typeof parallelQuestion>;
type Side = ParallelQuestion['a'];

export interface ParallelSize {
  /** That flows from the fuller into the other at the moment in which they are joined. */
  readonly joinA: number;
  /** The one that it flows into; null where they are alike. */
  readonly into: 'a' | 'b' | null;
  /** What each gives to the load once they are joined, where one was said; below zero it is charged by the other. */
  readonly eachA?: { readonly a: number; readonly b: number };
  readonly verdict: Verdict;
}

/**
 * What flows at the moment in which two batteries are joined: the volts they differ by over both resistances.
 *
 * @example sizeParallel({ a: { chemistry: 'agm', cellsInSeries: 6, charge: 1, resistanceOhm: 0.02, capacityAh: 18 }, b: { chemistry: 'agm', cellsInSeries: 6, charge: 0.8, resistanceOhm: 0.02, capacityAh: 18 } }).joinA // 5.1
 */
export function sizeParallel({ a, b, loadW }: ParallelQuestion): Sized<ParallelSize> {
  const [aV, bV] = [openV(a), openV(b)];
  const eachA = loadW === undefined ? undefined : shareOf(loadW, [aV, a.resistanceOhm], [bV, b.resistanceOhm]);
  if (loadW !== undefined && eachA === undefined) return { error: said('volts-collapse', { loadW }), path: '/loadW' };
  const joinA = Math.abs(aV - bV) / (a.resistanceOhm + b.resistanceOhm);
  const filled = aV >= bV ? b : a;
  const [fullerV, filledV] = [Math.max(aV, bV), Math.min(aV, bV)];
  const joinC = JOIN_C[filled.chemistry];
  const limitA = (joinC ?? 0) * Math.min(a.capacityAh, b.capacityAh);
  const toldA = JOIN_TOLD_SHARE * limitA;
  const alikeV = toldA * (a.resistanceOhm + b.resistanceOhm);
  const isSame = a.chemistry === b.chemistry && a.cellsInSeries === b.cellsInSeries;
  const neverJoined = joinC === undefined;
  const verdict = worstVerdict([isSame ? 'good' : 'stop', neverJoined || joinA > limitA ? 'stop' : joinA > toldA ? 'caution' : 'good']);
  return {
    joinA,
    into: joinA === 0 ? null : filled === a ? 'a' : 'b',
    ...(eachA && { eachA }),
    verdict,
    formula: said('parallel-formula', { fullerV, filledV, resistanceOhm: a.resistanceOhm, bResistanceOhm: b.resistanceOhm, joinA }),
    warnings: [
      ...(isSame ? [] : [said('parallel-unlike')]),
      ...(neverJoined ? [said('parallel-would-charge')] : []),
      ...(joinA > toldA && isSame && !neverJoined ? [said('equalise-first', { alikeV })] : []),
      said('fuse-each'),
      said('share-load'),
    ],
  };
}

/** Both behind their resistances on one constant load: the higher of the two volts at which their currents add up to it. */
function shareOf(loadW: number, [aV, aOhm]: readonly [number, number], [bV, bOhm]: readonly [number, number]): ParallelSize['eachA'] {
  const siemens = 1 / aOhm + 1 / bOhm;
  const shortA = aV / aOhm + bV / bOhm;
  const root = shortA ** 2 - 4 * siemens * loadW;
  if (root < 0) return undefined;
  const voltageV = (shortA + Math.sqrt(root)) / (2 * siemens);
  return { a: (aV - voltageV) / aOhm, b: (bV - voltageV) / bOhm };
}

function openV({ chemistry, cellsInSeries, charge }: Side): number {
  return cellsInSeries * cellVoltage(CHEMISTRIES[chemistry].ocvPerCell, charge);
}
