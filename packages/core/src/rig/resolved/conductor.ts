import type { Cable, Output } from '../../gear';
import { usbCable } from '../../physics/usb';
import type { Contract } from '../../physics/usb';
import { areaOfAwg, leadOhm } from '../../physics/wire';
import { ASSUMED } from '../../tables';
import { isKind } from '../drawn';
import type { Ends } from '../drawn';
import { plainPortAmps } from './contract';
import type { Evidence } from './figure';

/**
 * What happens past a limit: a fuse, a board or a breaker ends it; a port that regulates lets its voltage fall until what it
 * feeds goes off; wire and contacts get hot; past a rating nothing happens that anybody answers for.
 */
export type PastLimit = 'trips' | 'folds-back' | 'overheats' | 'rating';

/** One limit on the current of a connection, and what sets it. */
export interface CurrentLimit {
  readonly maxA: number;
  readonly by: 'contract' | 'port' | 'port-fuse' | 'cable' | 'cable-fuse' | 'input' | 'part-fuse' | 'battery';
  readonly past: PastLimit;
  /** The part that sets it, by name; its port where that is what counts. */
  readonly part: string;
  readonly port: string | undefined;
}

/** The limit that ends what flows in a connection, if any does: past the others it goes on. */
export function endingLimit(limits: readonly CurrentLimit[]): CurrentLimit | undefined {
  return limits.find(({ past }) => past === 'trips' || past === 'folds-back');
}

/** A fuse blows in time, an electronic limit trips at once. */
export function isFuse({ by }: CurrentLimit): boolean {
  return by.endsWith('fuse');
}

/** Cross-section of a cable's wire in mm², from square millimetres or gauge; undefined when neither is known. */
export function wireArea({ areaMm2, awg }: Cable): number | undefined {
  return areaMm2 ?? (awg === undefined ? undefined : areaOfAwg(awg));
}

/** Amps that a cable may carry; USB-C cables are for 3 A unless marked. */
export function cableLimit(cable: Cable): number | undefined {
  const isUsb = cable.ends.load.type === 'usb-c' || cable.ends.load.type === 'usb-a';
  return cable.maxA ?? (isUsb ? usbCable(cable.marked5A ?? false, cable.extendedRange ?? false).maxA : undefined);
}

/** Ohms there and back between an output and what it feeds: cable, the adapter's own lead, or bare contacts. */
export function leadResistance({ from, cable, to }: Ends, evidence: Evidence): number {
  let ohm = cable ? cableResistance(cable, evidence) : 0;
  if (isKind(to, 'adapter')) {
    const { leadOhm: own } = to.gear;
    if (own !== undefined) evidence.note(to, { of: 'adapter-lead' }, own, 'ohm', 'printed');
    ohm += own ?? evidence.assume(to, { of: 'adapter-lead' }, ASSUMED.adapterLeadOhm, 'ohm');
  } else if (!cable && !isKind(from, 'adapter')) ohm += evidence.assume(from, { of: 'contacts' }, ASSUMED.contactsOhm, 'ohm');
  return ohm;
}

/** Whether nobody measured what a lead resists. */
export function isLeadAssumed({ from, cable, to }: Ends): boolean {
  if (cable && cable.gear.resistanceOhm === undefined) return true;
  if (isKind(to, 'adapter')) return to.gear.leadOhm === undefined;
  return !cable && !isKind(from, 'adapter');
}

function cableResistance(cable: NonNullable<Ends['cable']>, evidence: Evidence): number {
  const { resistanceOhm, lengthM } = cable.gear;
  if (resistanceOhm !== undefined) {
    evidence.note(cable, { of: 'cable-resistance' }, resistanceOhm, 'ohm', 'measured');
    return resistanceOhm;
  }
  const areaMm2 = wireArea(cable.gear);
  if (lengthM !== undefined && areaMm2 !== undefined) {
    const contactOhm = evidence.assume(cable, { of: 'contacts' }, ASSUMED.contactsOhm, 'ohm');
    const wireOhm = leadOhm(lengthM, areaMm2, { contactOhm });
    evidence.note(cable, { of: 'wire-resistance', lengthM, areaMm2 }, wireOhm, 'ohm', 'computed');
    return wireOhm;
  }
  const { typical, low, high } = ASSUMED.wireMm2;
  const byLength =
    lengthM === undefined
      ? ASSUMED.cableOhm
      : { typical: leadOhm(lengthM, typical), low: leadOhm(lengthM, high), high: leadOhm(lengthM, low), worse: 'high' as const };
  return evidence.assume(cable, { of: 'cable-resistance' }, byLength, 'ohm');
}

/** The port that an adapter's second plug goes into: one like the first on the same part, free. */
export function secondPort(all: readonly Ends[], { from, to, output }: Ends): Output | undefined {
  if (!isKind(to, 'adapter') || to.gear.input.plugs !== 2) return undefined;
  const taken = new Set(all.filter((one) => one.from.id === from.id).map((one) => one.output.id));
  const volts = (port: Output): number | undefined => (port.gives === 'fixed' ? port.voltageV : undefined);
  return from.outputs.find(
    (port) =>
      !taken.has(port.id) && port.gives === output.gives && port.connector.type === output.connector.type && volts(port) === volts(output),
  );
}

/** A port that hands on its battery's volts has a breaker, one that holds its own regulates. */
function pastOf(by: CurrentLimit['by'], { gives }: Output): PastLimit {
  switch (by) {
    case 'cable':
      return 'overheats';
    case 'input':
      return 'rating';
    case 'contract':
      return 'folds-back';
    case 'port':
      return gives === 'pack' ? 'trips' : 'folds-back';
    case 'battery':
    case 'port-fuse':
    case 'cable-fuse':
    case 'part-fuse':
      return 'trips';
  }
}

/** Every known limit of a connection, the least first; what is not known and must be is told to the evidence. */
export function currentLimits(
  ends: Ends,
  contract: Contract | undefined,
  evidence: Evidence,
  second: Output | undefined,
): readonly CurrentLimit[] {
  const { id, from, output, cable, to, input } = ends;
  const limits: CurrentLimit[] = [];
  const add = (maxA: number | undefined, by: CurrentLimit['by'], part: string, port?: string): void => {
    if (maxA !== undefined) limits.push({ maxA, by, past: pastOf(by, output), part, port });
  };
  if (contract) add(contract.currentA, 'contract', from.title);
  else if (output.gives !== 'pd') {
    const secondA = second && second.gives !== 'pd' ? second.maxA : undefined;
    const portA = output.maxA !== undefined && secondA !== undefined ? output.maxA + secondA : output.maxA;
    add(portA, 'port', from.title, secondA === undefined ? output.name : `${output.name} and ${second!.name}`);
    // an adapter is limited by its rated power instead
    const byPower = isKind(from, 'adapter') || (output.gives === 'pack' && output.maxW !== undefined);
    if (output.maxA === undefined && !byPower) evidence.lack('port-current', from, { connectionId: id, port: output.name });
  }
  // without a contract the port gives its 5 V, at what its rating and the standard allow
  if (output.gives === 'pd' && !contract) add(plainPortAmps(ends, output), 'port', from.title, output.name);
  if (output.gives !== 'pd') add(output.fuseA, 'port-fuse', from.title, output.name);
  if (cable) {
    const maxA = cableLimit(cable.gear);
    add(maxA, 'cable', cable.title);
    // what its wire carries is looked at by itself: a wire gets hot, it does not cut out
    if (maxA === undefined && wireArea(cable.gear) === undefined) evidence.lack('cable-current', cable, { connectionId: id });
    add(cable.gear.fuseA, 'cable-fuse', cable.title);
  }
  if (input.takes === 'window') add(input.maxA, 'input', to.title, input.name);
  if (isKind(to, 'hub')) add(to.gear.fuseA, 'part-fuse', to.title);
  return limits.sort((a, b) => a.maxA - b.maxA);
}
