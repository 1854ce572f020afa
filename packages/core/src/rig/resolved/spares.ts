import { batteryFigures, mates } from '../../gear';
import type { Battery, Output } from '../../gear';
import { isHarmed } from '../../gear/kit';
import type { DrawnRig, Part } from '../drawn';

/** Why a spare cannot take a battery's place without the rig being judged anew. */
export type SpareTrouble =
  | { readonly why: 'energy-unknown' | 'other-cells' | 'other-cutoff' | 'less-current' | 'not-fit' }
  | { readonly why: 'no-port'; readonly port: string };

/**
 * What keeps a spare from a battery's place: other cells, other ports, or less current than the one it stands in for.
 * Undefined when it can; everything found for the first then holds for it too.
 */
export function spareTrouble({ ends }: Pick<DrawnRig, 'ends'>, spare: Part<Battery>, battery: Part<Battery>): SpareTrouble | undefined {
  const [own, first] = [spare.gear, battery.gear];
  const [figures, firstFigures] = [batteryFigures(own), batteryFigures(first)];
  if (own.away === 'broken' || own.away === 'lost' || isHarmed(own)) return { why: 'not-fit' };
  if (figures.energyWh === undefined) return { why: 'energy-unknown' };
  if (own.chemistry !== first.chemistry || own.cellsInSeries !== first.cellsInSeries) return { why: 'other-cells' };
  if (figures.cutoffV !== firstFigures.cutoffV) return { why: 'other-cutoff' };
  if (figures.maxA !== undefined && figures.maxA < (firstFigures.maxA ?? Infinity)) return { why: 'less-current' };
  const missing = ends.find(({ from, output }) => from.id === battery.id && !own.outputs.some((port) => standsIn(port, output)));
  return missing && { why: 'no-port', port: missing.output.name };
}

function standsIn(port: Output, first: Output): boolean {
  if (port.gives !== first.gives || mates(port.connector, first.connector) !== 'yes') return false;
  if (port.gives === 'pd' && first.gives === 'pd')
    return JSON.stringify({ ...port, id: 0, name: 0 }) === JSON.stringify({ ...first, id: 0, name: 0 });
  if (port.gives === 'fixed' && first.gives === 'fixed' && port.voltageV !== first.voltageV) return false;
  return port.gives !== 'pd' && first.gives !== 'pd' && (port.maxA ?? 0) >= (first.maxA ?? 0);
}
