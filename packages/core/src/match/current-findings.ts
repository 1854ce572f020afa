import type { Discharge } from '../discharge/discharge';
import type { Chain } from './chain';
import type { ChainNetwork } from './chain-network';
import { missing, say } from './figure';
import { stoppingPeak } from './first-stop';
import type { Finding } from './finding';

/** Current at the port and in the lead at every state of charge, the adapter's rating, peaks, and collapse. */
export function currentFindings(
  chain: Chain,
  network: ChainNetwork,
  powerW: number | undefined,
  run: Discharge | undefined,
): readonly Finding[] {
  return [...leadFindings(chain, network, run), ...packFindings(chain, run), ...ratingFindings(chain, powerW), ...peakFindings(chain, run)];
}

function leadFindings({ battery, device }: Chain, { leadLimit }: ChainNetwork, run: Discharge | undefined): Finding[] {
  const base = { aspect: 'current', role: 'battery', part: battery.name } as const;
  if (run === undefined) return [];
  if (run.cause === 'collapse') {
    const fromStart = run.minutes === 0;
    return [
      {
        ...base,
        code: 'collapse',
        verdict: fromStart ? 'stop' : 'caution',
        numbers: [{ name: 'after', value: run.minutes, unit: 'min' }],
        sentence: `${battery.name} and its leads cannot carry ${device.name}${fromStart ? ' at all' : ` after ${say(run.minutes, 'min')}`}: the voltage breaks down.`,
        remedy: 'Use a battery of lower resistance (larger, warmer, newer), or a shorter and thicker cable.',
      },
    ];
  }
  const [startA, endA] = [run.start, run.end].map((point) => point?.feeds.at(-1)?.currentA);
  if (!leadLimit || startA === undefined || endA === undefined) return [];
  const numbers = [
    { name: 'at the start', value: startA, unit: 'A' },
    { name: 'at the end', value: endA, unit: 'A' },
    { name: 'allowed', value: leadLimit.maxA, unit: 'A' },
  ] as const;
  const limit = `${say(leadLimit.maxA, 'A')} (${leadLimit.set})`;
  const flow =
    say(startA, 'A') === say(endA, 'A') ? `${say(startA, 'A')} throughout` : `${say(startA, 'A')} full, ${say(endA, 'A')} at the end`;
  if (startA > leadLimit.maxA) {
    return [
      {
        ...base,
        code: 'over-current',
        verdict: 'stop',
        numbers,
        sentence: `${device.name} takes ${say(startA, 'A')} from the first minute; allowed are ${limit}.`,
        remedy: 'Use a port and cable rated for it, or split the load. Never raise a fuse or a limit.',
      },
    ];
  }
  if (run.cause === 'over-current' && run.at === 'lead') {
    const volts = run.end?.feeds.at(-1)?.inputV ?? 0;
    return [
      {
        ...base,
        code: 'over-current-late',
        verdict: 'caution',
        numbers: [...numbers, { name: 'after', value: run.minutes, unit: 'min' }],
        sentence: `After ${say(run.minutes, 'min')}, at ${say(volts, 'V')}, ${device.name} asks for more than ${limit}. It ends there.`,
        remedy: 'Use a second port or a stronger one, draw less towards the end, or swap before.',
      },
    ];
  }
  return [
    {
      ...base,
      code: 'current-fits',
      verdict: 'good',
      numbers,
      sentence: `${flow}; allowed are ${limit}.`,
    },
  ];
}

function packFindings({ battery, device }: Chain, run: Discharge | undefined): Finding[] {
  if (run?.cause !== 'over-current' || run.at !== 'pack' || battery.maxA === undefined) return [];
  const fromStart = run.minutes === 0;
  return [
    {
      aspect: 'current',
      role: 'battery',
      part: battery.name,
      code: fromStart ? 'over-current' : 'over-current-late',
      verdict: fromStart ? 'stop' : 'caution',
      numbers: [
        { name: 'allowed', value: battery.maxA, unit: 'A' },
        { name: 'after', value: run.minutes, unit: 'min' },
      ],
      sentence: `${device.name} asks ${battery.name} for more than its ${say(battery.maxA, 'A')}${fromStart ? ' from the first minute' : ` after ${say(run.minutes, 'min')}`}.`,
      remedy: 'Use a battery rated for more current.',
    },
  ];
}

function ratingFindings({ adapter, device }: Chain, powerW: number | undefined): Finding[] {
  if (!adapter || powerW === undefined) return [];
  if (adapter.ratedW === undefined)
    return [missing('current', 'adapter', adapter.name, 'its rated power', 'Read its label: watts, or volts and amps of its output.')];
  const mostW = Math.max(powerW, device.peakW ?? 0);
  if (mostW <= adapter.ratedW) return [];
  const always = powerW > adapter.ratedW;
  return [
    {
      aspect: 'current',
      role: 'adapter',
      part: adapter.name,
      code: 'adapter-overloaded',
      verdict: always ? 'stop' : 'caution',
      numbers: [
        { name: 'drawn', value: mostW, unit: 'W' },
        { name: 'rated', value: adapter.ratedW, unit: 'W' },
      ],
      sentence: `${device.name} takes ${say(mostW, 'W')}${always ? '' : ' at its peaks'}; ${adapter.name} is rated for ${say(adapter.ratedW, 'W')}.`,
      remedy: 'Use an adapter rated for it, or a mode that draws less.',
    },
  ];
}

function peakFindings({ device, battery }: Chain, run: Discharge | undefined): Finding[] {
  const peak = run && stoppingPeak(run);
  if (!peak || device.peakW === undefined) return [];
  const { fromSoc, minute } = peak;
  const fromStart = minute === 0;
  return [
    {
      aspect: 'current',
      role: 'device',
      part: device.name,
      code: 'peak-stops',
      verdict: fromStart ? 'stop' : 'caution',
      numbers: [
        { name: 'peak', value: device.peakW, unit: 'W' },
        { name: 'from charge', value: fromSoc, unit: 'fraction' },
        { name: 'after', value: minute, unit: 'min' },
      ],
      sentence: `A peak of ${say(device.peakW, 'W')} breaks a limit ${fromStart ? 'even on a full battery' : `once ${battery.name} is down to ${say(fromSoc, 'fraction')}, after ${say(minute, 'min')}`}: it can shut off there.`,
      remedy: 'Keep above that charge, or use a battery and cable of lower resistance.',
    },
  ];
}
