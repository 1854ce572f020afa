import type { Converter } from '../circuit/network';
import type { Output } from '../gear/gear';
import { negotiate, profilesByRating, usbCable } from '../usb/power-delivery';
import type { Contract, Profile } from '../usb/power-delivery';
import { ASSUMED } from './assumed';
import type { Chain } from './chain';
import { missing, say } from './figure';
import type { Figure } from './figure';
import type { Finding } from './finding';

/** The electronics behind a battery's port. */
export interface Port {
  readonly converter: Converter | undefined;
  readonly contract: Contract | undefined;
  readonly incomplete: boolean;
}

/** What a port puts between cells and cable: nothing where it follows the pack, a converter where it regulates. */
export function portOf(chain: Chain, figures: Figure[], lacking: Finding[]): Port {
  const { battery, output, input } = chain;
  if (output.gives === 'pack') return { converter: undefined, contract: undefined, incomplete: false };
  const converter = (outputV: number): Converter => {
    const efficiency = output.efficiency ?? ASSUMED.bankEfficiency;
    figures.push({
      role: 'battery',
      name: `Efficiency of ${output.name}`,
      value: efficiency,
      unit: 'fraction',
      from: output.efficiency === undefined ? 'assumed' : 'printed',
    });
    return { outputV, efficiency, standbyW: output.standbyW ?? 0 };
  };
  if (output.gives === 'fixed') return { converter: converter(output.voltageV), contract: undefined, incomplete: false };

  const profiles = output.profiles ?? (output.ratingW === undefined ? undefined : profilesByRating(output.ratingW));
  if (profiles === undefined) {
    lacking.push(
      missing('current', 'battery', battery.name, `what ${output.name} offers`, 'Type its rating in watts or its list of profiles.'),
    );
    return { converter: undefined, contract: undefined, incomplete: true };
  }
  const contract = contractOf(chain, output, profiles);
  const volts = contract?.voltageV;
  if (contract && volts !== undefined) {
    const formula = `${say(volts, 'V')} × ${say(contract.currentA, 'A')}, limited by the ${contract.limitedBy}; ${output.profiles ? 'its own list' : 'by its rating'}`;
    figures.push({ role: 'battery', name: 'Contract', value: contract.powerW, unit: 'W', from: 'computed', formula });
    return { converter: converter(volts), contract, incomplete: false };
  }
  // nothing agreed: a port that knows Power Delivery gives nothing but 5 V, and an input that asks for a contract takes none of it
  return { converter: input.takes === 'window' ? converter(5) : undefined, contract: undefined, incomplete: input.takes === 'pd' };
}

function contractOf({ cable, input }: Chain, output: Extract<Output, { gives: 'pd' }>, profiles: readonly Profile[]): Contract | undefined {
  if (input.takes !== 'pd' || input.minV === undefined || input.maxV === undefined || output.connector.type !== 'usb-c') return undefined;
  if (cable && (cable.ends.source.type !== 'usb-c' || cable.ends.load.type !== 'usb-c')) return undefined;
  return negotiate(profiles, usbCable(cable?.marked5A ?? false, cable?.extendedRange ?? false), { minV: input.minV, maxV: input.maxV });
}
