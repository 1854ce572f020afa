import { areaOfAwg, leadOhm } from '../wire/wire';
import type { Cable } from '../gear/gear';
import type { Contract } from '../usb/power-delivery';
import { usbCable } from '../usb/power-delivery';
import { ASSUMED } from './assumed';
import type { Evidence } from './figure';
import { isA } from './rig-graph';
import type { Joint } from './rig-graph';

/** The least that port, contract, cable and input let pass, with the name of what sets it. */
export interface LeadLimit {
  readonly maxA: number;
  readonly set: string;
  readonly isFuse: boolean;
}

/** Cross-section of a cable's wire, from square millimetres or gauge; undefined when neither is known. */
export function wireArea({ areaMm2, awg }: Cable): number | undefined {
  return areaMm2 ?? (awg === undefined ? undefined : areaOfAwg(awg));
}

/** Amps that a cable may carry; USB-C cables are for 3 A unless marked. */
export function cableLimit(cable: Cable): number | undefined {
  const isUsb = cable.ends.load.type === 'usb-c' || cable.ends.load.type === 'usb-a';
  return cable.maxA ?? (isUsb ? usbCable(cable.marked5A ?? false, cable.extendedRange ?? false).maxA : undefined);
}

/** Ohms there and back between an output and what it feeds. */
export function leadResistance({ from, cable, to }: Joint, evidence: Evidence): number {
  let ohm = 0;
  if (cable) {
    const { resistanceOhm, lengthM } = cable.gear;
    const areaMm2 = wireArea(cable.gear);
    if (resistanceOhm !== undefined) {
      evidence.note(cable, 'Resistance', resistanceOhm, 'ohm', 'measured');
      ohm += resistanceOhm;
    } else if (lengthM !== undefined && areaMm2 !== undefined) {
      const wire = leadOhm(lengthM, areaMm2);
      const formula = `2 × 0.01724 × ${lengthM} m ÷ ${Math.round(areaMm2 * 1000) / 1000} mm² + 2 pairs of contacts of 10 mΩ`;
      evidence.note(cable, 'Resistance', wire, 'ohm', 'computed', formula);
      ohm += wire;
    } else {
      evidence.note(cable, 'Resistance', ASSUMED.cableOhm, 'ohm', 'assumed');
      ohm += ASSUMED.cableOhm;
    }
  }
  if (isA(to, 'adapter')) {
    const { leadOhm: own } = to.gear;
    evidence.note(to, 'Lead', own ?? ASSUMED.adapterLeadOhm, 'ohm', own === undefined ? 'assumed' : 'printed');
    ohm += own ?? ASSUMED.adapterLeadOhm;
  } else if (!cable && !isA(from, 'adapter')) {
    evidence.note(from, 'Contacts', ASSUMED.contactsOhm, 'ohm', 'assumed');
    ohm += ASSUMED.contactsOhm;
  }
  return ohm;
}

/** The smallest known limit on the way; what is not known and must be is told to the evidence. */
export function limitOfLead(joint: Joint, contract: Contract | undefined, evidence: Evidence): LeadLimit | undefined {
  const { from, output, cable, to, input } = joint;
  const limits: LeadLimit[] = [];
  if (contract) limits.push({ maxA: contract.currentA, set: 'the contract', isFuse: false });
  else if (output.gives !== 'pd') {
    if (output.maxA !== undefined) limits.push({ maxA: output.maxA, set: `${output.name} of ${from.gear.name}`, isFuse: false });
    // an adapter is limited by its rated power instead
    else if (!isA(from, 'adapter') && !(output.gives === 'pack' && output.maxW !== undefined))
      evidence.lack('current', from, `what ${output.name} can carry`, 'Type its amps as printed, or ask the maker.', joint.id);
  }
  if (output.gives !== 'pd' && output.fuseA !== undefined)
    limits.push({ maxA: output.fuseA, set: `the fuse of ${output.name}`, isFuse: true });
  if (cable) {
    const maxA = cableLimit(cable.gear);
    if (maxA !== undefined) limits.push({ maxA, set: cable.gear.name, isFuse: false });
    else evidence.lack('current', cable, 'what it can carry', 'Type its rated amps, or its wire size.', joint.id);
    if (cable.gear.fuseA !== undefined) limits.push({ maxA: cable.gear.fuseA, set: `the fuse of ${cable.gear.name}`, isFuse: true });
  }
  if (input.takes === 'window' && input.maxA !== undefined)
    limits.push({ maxA: input.maxA, set: `${input.name} of ${to.gear.name}`, isFuse: false });
  if (isA(to, 'hub') && to.gear.fuseA !== undefined) limits.push({ maxA: to.gear.fuseA, set: `the fuse of ${to.gear.name}`, isFuse: true });
  return limits.reduce<LeadLimit | undefined>(
    (least, limit) => (least === undefined || limit.maxA < least.maxA ? limit : least),
    undefined,
  );
}
