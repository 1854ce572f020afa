import type { Cable } from '../gear/gear';
import { missing, say } from './figure';
import { finding } from './finding';
import type { Finding } from './finding';
import { carriesDelivery } from './passage';
import type { Passage } from './passage';
import { hasCushion, roleOf } from './rig-graph';
import type { Part, RigGraph } from './rig-graph';

/** What source, cable and device agree on over USB, whether it is enough, and what happens while it is not. */
export function contractFindings(graph: RigGraph, passage: Passage, drawnW: number | undefined): readonly Finding[] {
  const { joint, contract } = passage;
  const { input, output, to, from } = joint;
  if (input.takes !== 'pd') return [];
  const place = `${input.name} of ${to.gear.name}`;
  const base = { aspect: 'voltage', role: roleOf(to), gearId: to.id, jointId: joint.id, part: place } as const;
  if (input.minV === undefined || input.maxV === undefined) {
    return [missing('voltage', to, place, 'which profiles it takes', 'Read the manual for the volts it accepts over USB-C.', joint.id)];
  }
  if (
    contract === undefined &&
    passage.incomplete &&
    (output.gives === 'pd' ? !knowsOffer(output) : output.gives === 'fixed' && output.maxA === undefined)
  )
    return [];
  if (contract === undefined) {
    return [
      finding({
        ...base,
        code: 'contract-none',
        verdict: 'stop',
        numbers: [
          { name: 'lowest profile taken', value: input.minV, unit: 'V' },
          { name: 'highest profile taken', value: input.maxV, unit: 'V' },
        ],
        sentence: `${whyNone(passage, input.minV, input.maxV)}: ${to.gear.name} gets at most 5 V and does not run from it.`,
        remedy: 'Use a Power Delivery port with a USB-C to USB-C cable.',
      }),
    ];
  }
  const findings = [...enough(graph, passage, drawnW, base), ...sinkFindings(graph, passage, base)];
  const neighbours = graph.joints.filter(
    (other) =>
      other.from.id === from.id && other.output.id !== output.id && output.budget !== undefined && other.output.budget === output.budget,
  );
  if (neighbours.length > 0 && !hasCushion(graph, to, joint.id)) {
    findings.push(
      finding({
        ...base,
        code: 'budget-shared',
        verdict: 'caution',
        numbers: [{ name: 'contract beside a neighbour', value: contract.powerW, unit: 'W' }],
        sentence: `${output.name} of ${from.gear.name} shares its budget with ${neighbours.map(({ output: other }) => other.name).join(', ')}: plugging one in cuts ${to.gear.name} off for a moment.`,
        remedy: 'Keep a charged battery in the device, and plug everything in before recording.',
      }),
    );
  }
  return findings;
}

function knowsOffer(output: {
  readonly ratingW?: number;
  readonly profiles?: readonly unknown[];
  readonly sharedRatingW?: number;
}): boolean {
  return output.ratingW !== undefined || output.profiles !== undefined;
}

function whyNone({ joint }: Passage, minV: number, maxV: number): string {
  const { output, from, cable } = joint;
  if (output.gives !== 'pd') return `${output.name} of ${from.gear.name} does not speak Power Delivery`;
  if (!carriesDelivery(joint)) return `${cable ? cable.gear.name : output.name} has a USB-A end and carries no Power Delivery`;
  return `${output.name} offers no profile between ${say(minV, 'V')} and ${say(maxV, 'V')} through this cable`;
}

type Base = Pick<Finding, 'aspect' | 'role' | 'gearId' | 'jointId' | 'part'>;

function enough(graph: RigGraph, { joint, contract, mixedW }: Passage, drawnW: number | undefined, base: Base): Finding[] {
  const { input, to, cable } = joint;
  if (!contract || input.takes !== 'pd') return [];
  const needW = Math.max(input.needW ?? 0, drawnW ?? 0);
  const given = `${say(contract.voltageV, 'V')} at ${say(contract.currentA, 'A')}, ${say(contract.powerW, 'W')}`;
  const numbers = [
    { name: 'contract', value: contract.powerW, unit: 'W' },
    { name: 'needed', value: needW, unit: 'W' },
  ] as const;
  if (contract.powerW >= needW) {
    if (drawnW === undefined) return [];
    return [
      finding({
        ...base,
        code: 'contract-fits',
        verdict: 'good',
        numbers,
        sentence: `The contract is ${given}; ${say(needW, 'W')} are needed.`,
      }),
    ];
  }
  const plain = contract.by === 'plain-5v';
  const refuses = (input.needW ?? 0) > contract.powerW;
  const what = plain ? 'A plain 5 V port, no Power Delivery' : `The contract is ${given}, limited by the ${contract.limitedBy}`;
  const remedy = contract.limitedBy === 'cable' ? remedyForCable(cable) : `Use a bank that offers ${say(needW, 'W')} or more on one port.`;
  const mixes = (input.sink === 'mixes' || input.sink === 'needs-battery') && !refuses && hasCushion(graph, to, joint.id);
  if (mixes) {
    const shortW = needW - (mixedW ?? contract.powerW);
    return [
      finding({
        ...base,
        code: plain ? 'legacy-short' : 'contract-short',
        verdict: 'caution',
        numbers,
        sentence: `${plain ? `${what}: ${given}` : what}. ${to.gear.name} draws ${say(needW, 'W')}; the missing ${say(shortW, 'W')} come out of its own battery.`,
        remedy,
      }),
    ];
  }
  return [
    finding({
      ...base,
      code: plain ? 'legacy-short' : 'contract-short',
      verdict: 'stop',
      numbers,
      sentence: `${plain ? `${what}: ${given}` : what}; ${to.gear.name} ${refuses ? 'asks for' : 'draws'} ${say(needW, 'W')}. It refuses, or empties its own battery while it looks fine.`,
      remedy,
    }),
  ];
}

function remedyForCable(cable: Part<Cable> | undefined): string {
  return cable?.gear.ends.source.type === 'usb-a' ? 'Use a USB-C to USB-C cable on a Power Delivery port.' : 'Use a cable marked for 5 A.';
}

function sinkFindings(graph: RigGraph, { joint }: Passage, base: Base): Finding[] {
  const { input, to } = joint;
  if (input.takes !== 'pd') return [];
  if (input.sink === 'charges-when-off') {
    return [
      finding({
        ...base,
        code: 'sink-only-charges',
        verdict: 'stop',
        numbers: [],
        sentence: `${to.gear.name} does not run from USB-C: it only charges its battery when it is off.`,
        remedy: 'Use a battery-shaped adapter, or swap batteries and charge them in the breaks.',
      }),
    ];
  }
  if (input.sink === 'needs-battery' && !hasCushion(graph, to, joint.id)) {
    return [
      finding({
        ...base,
        code: 'sink-needs-battery',
        verdict: 'caution',
        numbers: [],
        sentence: `${to.gear.name} runs from USB-C only with its own battery in.`,
        remedy: 'Keep a charged battery in the bay; it also bridges a swap of the bank.',
      }),
    ];
  }
  return [];
}
