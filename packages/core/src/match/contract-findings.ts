import { say, missing } from './figure';
import type { Chain } from './chain';
import type { ChainNetwork } from './chain-network';
import type { Finding } from './finding';

/** What source, cable and device agree on over USB Power Delivery, and whether it is enough. */
export function contractFindings(chain: Chain, { contract }: ChainNetwork, powerW: number | undefined): readonly Finding[] {
  const { input, output, device, battery, adapter, cable } = chain;
  if (input.takes !== 'pd' || adapter) return [];
  const base = { aspect: 'voltage', role: 'device', part: `${input.name} of ${device.name}` } as const;
  const findings: Finding[] = [];
  if (input.minV === undefined || input.maxV === undefined) {
    return [missing('voltage', 'device', base.part, 'which profiles it takes', 'Read the manual for the volts it accepts over USB-C.')];
  }
  if (output.gives === 'pd' && contract === undefined && output.ratingW === undefined && output.profiles === undefined) return [];
  if (contract === undefined) {
    const why =
      output.gives !== 'pd'
        ? `${output.name} of ${battery.name} does not speak Power Delivery`
        : cable && cable.ends.source.type !== 'usb-c'
          ? `${cable.name} has a USB-A end and carries no Power Delivery`
          : `${output.name} offers no profile between ${say(input.minV, 'V')} and ${say(input.maxV, 'V')} through this cable`;
    return [
      {
        ...base,
        code: 'contract-none',
        verdict: 'stop',
        numbers: [
          { name: 'lowest profile taken', value: input.minV, unit: 'V' },
          { name: 'highest profile taken', value: input.maxV, unit: 'V' },
        ],
        sentence: `${why}: ${device.name} gets at most 5 V and does not run from it.`,
        remedy: 'Use a Power Delivery port with a USB-C to USB-C cable.',
      },
    ];
  }
  const given = `${say(contract.voltageV, 'V')} at ${say(contract.currentA, 'A')}, ${say(contract.powerW, 'W')}`;
  const needW = Math.max(input.needW ?? 0, powerW ?? 0);
  const numbers = [
    { name: 'contract', value: contract.powerW, unit: 'W' },
    { name: 'needed', value: needW, unit: 'W' },
  ] as const;
  if (contract.powerW < needW) {
    const refuses = (input.needW ?? 0) > contract.powerW;
    findings.push({
      ...base,
      code: 'contract-short',
      verdict: 'stop',
      numbers,
      sentence: `The contract is ${given}, limited by the ${contract.limitedBy}; ${device.name} ${refuses ? 'asks for' : 'draws'} ${say(needW, 'W')}. It refuses, or empties its own battery while it looks fine.`,
      remedy:
        contract.limitedBy === 'cable' ? 'Use a cable marked for 5 A.' : `Use a bank that offers ${say(needW, 'W')} or more on one port.`,
    });
  } else if (powerW !== undefined) {
    findings.push({
      ...base,
      code: 'contract-fits',
      verdict: 'good',
      numbers,
      sentence: `The contract is ${given}; ${say(needW, 'W')} are needed.`,
    });
  }
  if (input.sink === 'needs-battery') {
    findings.push({
      ...base,
      code: 'sink-needs-battery',
      verdict: 'caution',
      numbers: [],
      sentence: `${device.name} runs from USB-C only with its own battery in.`,
      remedy: 'Keep a charged battery in the bay; it also bridges a swap of the bank.',
    });
  } else if (input.sink === 'charges-when-off') {
    findings.push({
      ...base,
      code: 'sink-only-charges',
      verdict: 'stop',
      numbers: [],
      sentence: `${device.name} does not run from USB-C: it only charges its battery when it is off.`,
      remedy: 'Use a battery-shaped adapter, or swap batteries and charge them in the breaks.',
    });
  }
  return findings;
}
