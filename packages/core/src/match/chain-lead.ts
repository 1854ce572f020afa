import type { Contract } from '../usb/power-delivery';
import { usbCable } from '../usb/power-delivery';
import { ASSUMED } from './assumed';
import type { Chain } from './chain';
import { missing } from './figure';
import type { Figure } from './figure';
import type { Finding } from './finding';

const COPPER_OHM_MM2_PER_M = 0.01724; // at 20 C
const CONTACT_PAIR_OHM = 0.01; // of 5-20 mΩ

/** The least that port, contract and cable let pass, with the name of what sets it. */
export interface LeadLimit {
  readonly maxA: number;
  readonly set: string;
}

/** Ohms there and back between port and device or adapter. */
export function leadResistance({ cable, adapter }: Chain, figures: Figure[]): number {
  let ohm = 0;
  if (cable) {
    const { resistanceOhm, lengthM, areaMm2 } = cable;
    if (resistanceOhm !== undefined) {
      figures.push({ role: 'cable', name: 'Resistance', value: resistanceOhm, unit: 'ohm', from: 'measured' });
      ohm += resistanceOhm;
    } else if (lengthM !== undefined && areaMm2 !== undefined) {
      const wire = (2 * COPPER_OHM_MM2_PER_M * lengthM) / areaMm2;
      const formula = `2 × 0.01724 × ${lengthM} m ÷ ${areaMm2} mm² + 2 pairs of contacts of 10 mΩ`;
      figures.push({ role: 'cable', name: 'Resistance', value: wire + 2 * CONTACT_PAIR_OHM, unit: 'ohm', from: 'computed', formula });
      ohm += wire + 2 * CONTACT_PAIR_OHM;
    } else {
      figures.push({ role: 'cable', name: 'Resistance', value: ASSUMED.cableOhm, unit: 'ohm', from: 'assumed' });
      ohm += ASSUMED.cableOhm;
    }
  }
  if (adapter) {
    const leadOhm = adapter.leadOhm ?? ASSUMED.adapterLeadOhm;
    figures.push({
      role: 'adapter',
      name: 'Lead',
      value: leadOhm,
      unit: 'ohm',
      from: adapter.leadOhm === undefined ? 'assumed' : 'printed',
    });
    ohm += leadOhm;
  }
  if (!cable && !adapter) {
    figures.push({ role: 'battery', name: 'Contacts', value: ASSUMED.contactsOhm, unit: 'ohm', from: 'assumed' });
    ohm += ASSUMED.contactsOhm;
  }
  return ohm;
}

/** The smallest known limit on the way; a finding for each that is not known. */
export function limitOfLead({ battery, output, cable }: Chain, contract: Contract | undefined, lacking: Finding[]): LeadLimit | undefined {
  const limits: LeadLimit[] = [];
  if (contract) limits.push({ maxA: contract.currentA, set: 'the contract' });
  else if (output.gives !== 'pd') {
    if (output.maxA !== undefined) limits.push({ maxA: output.maxA, set: `${output.name} of ${battery.name}` });
    else
      lacking.push(
        missing('current', 'battery', battery.name, `what ${output.name} can carry`, 'Type its amps as printed, or ask the maker.'),
      );
  }
  if (cable) {
    const isUsb = cable.ends.load.type === 'usb-c' || cable.ends.load.type === 'usb-a';
    const maxA = cable.maxA ?? (isUsb ? usbCable(cable.marked5A ?? false, cable.extendedRange ?? false).maxA : undefined);
    if (maxA !== undefined) limits.push({ maxA, set: cable.name });
    else lacking.push(missing('current', 'cable', cable.name, 'what it can carry', 'Type its rated amps, or its wire size.'));
  }
  return limits.reduce<LeadLimit | undefined>(
    (least, limit) => (least === undefined || limit.maxA < least.maxA ? limit : least),
    undefined,
  );
}
