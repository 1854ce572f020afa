import type { Facts } from '../../../findings';
import { say, sayContract } from '../say';
import { shown } from './wording';
import type { ShownNumber, Wording, Wordings } from './wording';

type Short = Facts['contract-short'];

function contractNumbers({ contract, needW }: Pick<Short, 'contract' | 'needW'>): readonly (ShownNumber | undefined)[] {
  return [shown(contract.by === 'plain-5v' ? 'the port gives' : 'agreed', contract.powerW, 'W'), shown('needed', needW, 'W')];
}

/** What is agreed on and why it is no more; then what the device does about it. */
function sayShort({ device, contract, needW, refuses, addedW }: Short): string {
  const given =
    contract.by === 'plain-5v'
      ? `A plain 5 V port, no Power Delivery: ${sayContract(contract)}`
      : `Agreed over USB-C: ${sayContract(contract)}, limited by the ${contract.limitedBy}`;
  if (addedW !== undefined)
    return `${given}. ${device} draws ${say(needW, 'W')}; the missing ${say(addedW, 'W')} come out of its own battery.`;
  return `${given}; ${device} ${refuses ? 'needs' : 'draws'} ${say(needW, 'W')}. It refuses, or empties its own battery while it looks fine.`;
}

function betterContract({ cableEnd, needW }: Short): string {
  if (cableEnd === 'usb-a') return 'Use a USB-C to USB-C cable on a Power Delivery port.';
  if (cableEnd === 'usb-c') return 'Use a cable marked for 5 A.';
  return `Use a bank that offers ${say(needW, 'W')} or more on one port.`;
}

const SHORT: Omit<Wording<'contract-short'>, 'means'> = { says: sayShort, remedy: betterContract, shows: contractNumbers };

/** What is agreed on over USB. */
export const USB: Wordings<
  'contract-fits' | 'contract-none' | 'contract-short' | 'legacy-short' | 'sink-needs-battery' | 'sink-only-charges' | 'battery-drains'
> = {
  'contract-fits': {
    means: 'What source, cable and device agree on over USB covers the draw.',
    says: ({ contract, needW }) =>
      `${contract.by === 'plain-5v' ? 'A plain 5 V port gives' : 'Agreed over USB-C:'} ${sayContract(contract)}; ${say(needW, 'W')} are needed.`,
    shows: contractNumbers,
  },
  'contract-none': {
    means: 'Source and device agree on no volts over USB-C.',
    says: (facts) => `${whyNone(facts)}: ${facts.device} gets at most 5 V and does not run from it.`,
    remedy: ({ why }) =>
      why === 'cable-range'
        ? 'Use a USB-C cable marked for the extended range (240 W).'
        : 'Use a Power Delivery port with a USB-C to USB-C cable.',
    shows: ({ minV, maxV }) => [shown('least volts taken', minV, 'V'), shown('most volts taken', maxV, 'V')],
  },
  'contract-short': { means: 'What is agreed over USB-C is less than the device needs.', ...SHORT },
  'legacy-short': { means: 'A plain 5 V port gives less than the device needs.', ...SHORT },
  'sink-needs-battery': {
    means: 'The device runs from USB only with its own battery in.',
    says: ({ device }) => `${device} runs from USB-C only with its own battery in.`,
    remedy: () => 'Keep a charged battery in the bay; it also bridges a swap of the bank.',
  },
  'sink-only-charges': {
    means: 'The device does not run from USB; it only charges when off.',
    says: ({ device }) => `${device} does not run from USB-C: it only charges its battery when it is off.`,
    remedy: () => 'Use a battery-shaped adapter, or swap batteries and charge them in the breaks.',
  },
  'battery-drains': {
    means: 'The battery in the device empties although it is plugged in.',
    says: ({ device, flatMin }) =>
      `${device} takes what its feed lacks from its own battery, which is flat after ${say(flatMin, 'min')} although it is plugged in.`,
    remedy: () => 'Use a stronger port or cable, or plan a change of its own battery before.',
    shows: ({ flatMin }) => [shown('flat after', flatMin, 'min')],
  },
};

function whyNone({ why, port, of, cable, minV, maxV }: Facts['contract-none']): string {
  switch (why) {
    case 'no-delivery':
      return `${port} of ${of} does not speak Power Delivery`;
    case 'usb-a-end':
      return `${cable ?? port} has a USB-A end and carries no Power Delivery`;
    case 'cable-range':
      return `${cable ?? port} is not marked for more than 20 V, which ${port} would give`;
    case 'no-profile': {
      const range = minV === maxV ? say(minV, 'V') : `volts between ${say(minV, 'V')} and ${say(maxV, 'V')}`;
      return `${port} offers no ${range} through this cable`;
    }
  }
}
