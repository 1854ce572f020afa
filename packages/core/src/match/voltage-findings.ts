import { CHEMISTRIES } from '../cell/chemistry';
import { cellVoltage, ocvArea } from '../cell/ocv';
import { fullVoltage } from '../cell/pack';
import type { Discharge } from '../discharge/discharge';
import type { Chain } from './chain';
import type { ChainNetwork } from './chain-network';
import { missing, say } from './figure';
import type { Finding, Role, ShownNumber } from './finding';

/** A battery stopped with less than this share of its charge left counts as used up. */
const NOTHING_STRANDED = 0.05;

/** What is fed: an adapter's input, or a device's window. */
interface Gate {
  readonly role: Role;
  readonly part: string;
  /** The feed or load that a discharge names when this gate ends it. */
  readonly stopsAt: 'lead' | 'device';
  readonly minV?: number | undefined;
  readonly maxV?: number | undefined;
  readonly startV?: number | undefined;
}

/** The source's whole range against what it feeds, and an adapter's output against the device's window. */
export function voltageFindings(chain: Chain, network: ChainNetwork, run: Discharge | undefined): readonly Finding[] {
  return [...passageFindings(chain, network, run), ...sagFindings(chain, network, run)];
}

/** A load that pulls the battery down to its cut-off while there is charge left. */
function sagFindings({ battery, device }: Chain, { cutoffV }: ChainNetwork, run: Discharge | undefined): readonly Finding[] {
  if (run?.cause !== 'pack-cutoff' || run.endSoc <= NOTHING_STRANDED) return [];
  return [
    {
      code: 'charge-stranded',
      verdict: 'caution',
      aspect: 'voltage',
      role: 'battery',
      part: battery.name,
      numbers: [
        { name: 'charge left', value: run.endSoc, unit: 'fraction' },
        { name: 'energy left', value: run.strandedWh, unit: 'Wh' },
        { name: 'cut-off', value: cutoffV, unit: 'V' },
      ],
      sentence: `${device.name} pulls ${battery.name} down to its cut-off of ${say(cutoffV, 'V')} with ${say(run.strandedWh, 'Wh')} (${say(run.endSoc, 'fraction')} of the charge) still in it.`,
      remedy: 'Keep it warm, or use a larger or newer battery.',
    },
  ];
}

function passageFindings(chain: Chain, network: ChainNetwork, run: Discharge | undefined): readonly Finding[] {
  const { adapter, device, input, output } = chain;
  if (input.takes === 'pd' && !adapter) return [];
  const window: Gate = {
    role: 'device',
    part: `${input.name} of ${device.name}`,
    stopsAt: 'device',
    minV: input.minV,
    maxV: input.maxV,
  };
  const supply = output.gives === 'pack' ? packRange(chain, network) : fixedRange(network);
  if (!supply) return [];
  if (!adapter) return gateFindings(chain, supply, window, run);
  const gate: Gate = { role: 'adapter', part: adapter.name, stopsAt: 'lead', ...adapter.input };
  const { voltageV } = adapter.output;
  return [
    ...gateFindings(chain, supply, gate, run),
    ...(voltageV === undefined
      ? []
      : gateFindings(chain, { name: adapter.name, highV: voltageV, lowV: voltageV, startV: voltageV }, window, undefined)),
  ];
}

interface Supply {
  readonly name: string;
  readonly highV: number;
  readonly lowV: number;
  /** Without load, at the charge the run starts with. */
  readonly startV: number;
}

function packRange({ battery, rig }: Chain, { cutoffV }: ChainNetwork): Supply {
  const { ocvPerCell } = CHEMISTRIES[battery.chemistry];
  const startV = battery.cellsInSeries * cellVoltage(ocvPerCell, rig.startCharge ?? 1);
  return { name: battery.name, highV: fullVoltage(battery.chemistry, battery.cellsInSeries), lowV: cutoffV, startV };
}

function fixedRange({ portV }: ChainNetwork): Supply | undefined {
  return portV === undefined ? undefined : { name: 'The port', highV: portV, lowV: portV, startV: portV };
}

function gateFindings(chain: Chain, supply: Supply, gate: Gate, run: Discharge | undefined): Finding[] {
  const base = { aspect: 'voltage', role: gate.role, part: gate.part } as const;
  const findings: Finding[] = [];
  const range: ShownNumber[] = [
    { name: 'highest given', value: supply.highV, unit: 'V' },
    { name: 'lowest given', value: supply.lowV, unit: 'V' },
  ];
  const { minV, maxV, startV } = gate;
  const window: ShownNumber[] = [
    ...(minV === undefined ? [] : [{ name: 'lowest accepted', value: minV, unit: 'V' } as const]),
    ...(maxV === undefined ? [] : [{ name: 'highest accepted', value: maxV, unit: 'V' } as const]),
  ];
  const numbers = [...range, ...window];

  if (maxV === undefined) {
    findings.push(
      missing(
        'voltage',
        gate.role,
        gate.part,
        'the highest voltage it accepts',
        'Read its label or manual; do not connect before it is known.',
      ),
    );
  } else if (supply.highV > maxV) {
    findings.push({
      ...base,
      code: 'over-voltage',
      verdict: 'stop',
      numbers,
      sentence: `${supply.name} gives up to ${say(supply.highV, 'V')}; ${gate.part} accepts at most ${say(maxV, 'V')}. It can be damaged.`,
      remedy: `Put a regulator or an adapter between that gives no more than ${say(maxV, 'V')}.`,
    });
  }
  if (minV === undefined) {
    findings.push(
      missing(
        'voltage',
        gate.role,
        gate.part,
        'the lowest voltage it runs on',
        'Read its label or manual; until then the run time is an upper bound.',
      ),
    );
    return findings;
  }
  if (startV !== undefined && supply.startV < startV) {
    findings.push({
      ...base,
      code: 'will-not-start',
      verdict: 'stop',
      numbers: [...range, { name: 'starts at', value: startV, unit: 'V' }, { name: 'given at the start', value: supply.startV, unit: 'V' }],
      sentence: `${gate.part} starts at ${say(startV, 'V')} or more; ${supply.name} at ${say(chain.rig.startCharge ?? 1, 'fraction')} charge gives ${say(supply.startV, 'V')}.`,
      remedy: 'Start on a fuller battery; once running it goes down to its lower limit.',
    });
    return findings;
  }
  const low = lowFinding(chain, supply, gate, minV, run);
  if (low)
    findings.push({
      ...base,
      numbers: [...numbers, ...low.numbers],
      code: low.code,
      verdict: low.verdict,
      sentence: low.sentence,
      remedy: low.remedy,
    });
  if (findings.length === 0) {
    const given =
      supply.highV === supply.lowV ? say(supply.highV, 'V') : `${say(supply.highV, 'V')} full to ${say(supply.lowV, 'V')} empty`;
    findings.push({
      ...base,
      code: 'voltage-fits',
      verdict: 'good',
      numbers,
      sentence: `${supply.name} gives ${given}; ${gate.part} accepts ${say(minV, 'V')} to ${say(maxV ?? minV, 'V')}.`,
    });
  }
  return findings;
}

type LowFinding = Pick<Finding, 'code' | 'verdict' | 'sentence' | 'numbers'> & { readonly remedy: string };

function lowFinding(chain: Chain, supply: Supply, gate: Gate, minV: number, run: Discharge | undefined): LowFinding | undefined {
  const endsHere = run?.at === gate.stopsAt && (run.cause === 'converter-dropout' || run.cause === 'load-undervoltage');
  if (supply.startV < minV || (endsHere && run.minutes === 0)) {
    const arriving = run?.start?.feeds.at(-1)?.inputV ?? supply.startV;
    return {
      code: 'under-voltage',
      verdict: 'stop',
      numbers: [{ name: 'arrives at the start', value: arriving, unit: 'V' }],
      sentence: `${gate.part} needs ${say(minV, 'V')}; from ${supply.name} only ${say(Math.min(arriving, supply.startV), 'V')} arrive, from the first minute.`,
      remedy: 'Use a source of higher voltage, a fuller battery, or a shorter and thicker cable.',
    };
  }
  const { battery } = chain;
  const table = CHEMISTRIES[battery.chemistry].ocvPerCell;
  if (endsHere && run.endSoc > NOTHING_STRANDED) {
    const share = ocvArea(table, run.endSoc) / ocvArea(table, 1);
    return {
      code: 'charge-stranded',
      verdict: 'caution',
      numbers: [
        { name: 'charge left', value: run.endSoc, unit: 'fraction' },
        { name: 'energy left', value: run.strandedWh, unit: 'Wh' },
      ],
      sentence: `${gate.part} stops below ${say(minV, 'V')}: ${say(run.strandedWh, 'Wh')} (${say(share, 'fraction')}) stay in ${battery.name}.`,
      remedy: 'Use an adapter that runs lower, a battery with more cells in series, or plan on the shorter run.',
    };
  }
  if (run === undefined && supply.lowV < minV) {
    return {
      code: 'charge-stranded',
      verdict: 'caution',
      numbers: [],
      sentence: `${gate.part} stops below ${say(minV, 'V')}, ${supply.name} goes down to ${say(supply.lowV, 'V')}: some charge stays in it.`,
      remedy: 'Complete the missing figures to see how much.',
    };
  }
  return undefined;
}
