import { batteryFigures } from '../../gear';
import type { Battery } from '../../gear';
import { batteryState, isKind } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import type { Connection } from '../../rig/resolved';

/**
 * What a joint rests on, shortened to eight signs: which parts, which ports, what the outputs give, what the next part
 * takes, which lead; and what comes before, where the joint hands that on. How full a battery is does not count: a reading
 * stays true of the joint, not of the day.
 */
export function factsOf({ source, before, from, to, input, output, cable, contract }: Connection): string {
  const cells = source && isKind(source, 'battery') ? [source.gear.chemistry, batteryFigures(source.gear).cellsInSeries] : [];
  const lead = cable && [cable.id, cable.gear.crossed ?? false, cable.gear.ends, cable.gear.fuseA];
  const handedOn = before && output.gives === 'pack' ? [factsOf(before)] : [];
  return shortened(canonical([source?.id, cells, from.id, output, to.id, input, lead, contract?.voltageV, ...handedOn]));
}

/** The same of a battery of a string by itself. */
export function factsOfAlone(id: string, battery: Battery, hubId: string): string {
  return shortened(canonical([id, hubId, battery.chemistry, batteryFigures(battery).cellsInSeries, battery.outputs]));
}

/** The same of two batteries about to be joined. How full they are counts here: the volts between them are of that moment. */
export function factsOfPair(rig: Rig, one: Connection, other: Connection): string {
  const charges = [one, other].map(({ source }) =>
    source && isKind(source, 'battery') ? [source.gear.charge, batteryState(rig, source.id).startSoc] : [],
  );
  return shortened(canonical([factsOf(one), factsOf(other), charges]));
}

/** The same text for the same facts, in whatever order a database gives their fields back. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join()}]`;
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? '';
  const fields = Object.entries(value).filter(([, one]) => one !== undefined);
  return `{${fields
    .map(([key, one]) => `${key}:${canonical(one)}`)
    .sort()
    .join()}}`;
}

/** FNV-1a of 32 bits: short, the same everywhere, and no secret. */
function shortened(text: string): string {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}
