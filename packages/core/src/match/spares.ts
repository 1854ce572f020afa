import { batteryFigures } from '../gear/battery-figures';
import { mates } from '../gear/connector';
import type { Battery } from '../gear/gear';
import type { Output } from '../gear/port';
import { finding } from './finding';
import type { Finding } from './finding';
import { isA, jointsFrom } from './rig-graph';
import type { Part, RigGraph } from './rig-graph';

/**
 * Why a spare cannot take a battery's place without the rig being judged anew: other cells, other ports, or less
 * current than the one it stands in for. Undefined when it can; everything found for the first then holds for it too.
 */
export function spareTrouble(graph: RigGraph, spare: Part<Battery>, battery: Part<Battery>): string | undefined {
  const [own, first] = [spare.gear, battery.gear];
  const [figures, firstFigures] = [batteryFigures(own), batteryFigures(first)];
  if (figures.energyWh === undefined) return 'its energy is not known';
  if (own.chemistry !== first.chemistry || own.cellsInSeries !== first.cellsInSeries) return 'it has other cells, so other volts';
  if (figures.cutoffV !== firstFigures.cutoffV) return 'its cut-off is another';
  if (figures.maxA !== undefined && figures.maxA < (firstFigures.maxA ?? Infinity)) return 'it may give less current';
  const missing = jointsFrom(graph, battery).find(({ output }) => !own.outputs.some((port) => standsIn(port, output)));
  return missing && `it has no port that stands in for ${missing.output.name}`;
}

function standsIn(port: Output, first: Output): boolean {
  if (port.gives !== first.gives || mates(port.connector, first.connector) !== 'yes') return false;
  if (port.gives === 'pd' && first.gives === 'pd')
    return JSON.stringify({ ...port, id: 0, name: 0 }) === JSON.stringify({ ...first, id: 0, name: 0 });
  if (port.gives === 'fixed' && first.gives === 'fixed' && port.voltageV !== first.voltageV) return false;
  return port.gives !== 'pd' && first.gives !== 'pd' && (port.maxA ?? 0) >= (first.maxA ?? 0);
}

/** Spares that a rig names and that cannot be counted on. */
export function spareFindings(graph: RigGraph): Finding[] {
  return (graph.rig.batteries ?? []).flatMap(({ gearId, spareIds = [] }) => {
    const battery = graph.parts.get(gearId);
    if (!battery || !isA(battery, 'battery')) return [];
    return spareIds.flatMap((id) => {
      const spare = graph.parts.get(id);
      const trouble = spare && isA(spare, 'battery') ? spareTrouble(graph, spare, battery) : undefined;
      if (!spare || trouble === undefined) return [];
      return [
        finding({
          code: 'spare-unfit',
          verdict: 'caution',
          aspect: 'run',
          role: 'battery',
          gearId: id,
          part: spare.gear.name,
          numbers: [],
          sentence: `${spare.gear.name} cannot take the place of ${battery.gear.name}: ${trouble}. It is not counted on.`,
          remedy: 'Name a spare like the battery it stands in for, or judge it in a rig of its own.',
        }),
      ];
    });
  });
}
