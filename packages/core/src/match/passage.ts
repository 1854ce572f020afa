import { CHEMISTRIES } from '../cell/chemistry';
import { cellVoltage } from '../cell/ocv';
import { fullVoltage } from '../cell/pack';
import type { Converter } from '../circuit/network';
import { batteryFigures } from '../gear/battery-figures';
import type { Output } from '../gear/port';
import { PLAIN_V, TYPE_C_A, negotiate, plainFiveVolts, profilesByRating, usbCable } from '../usb/power-delivery';
import type { Contract, Profile } from '../usb/power-delivery';
import { ASSUMED } from './assumed';
import { say } from './figure';
import type { Evidence } from './figure';
import { leadResistance, limitOfLead } from './lead';
import type { LeadLimit } from './lead';
import { batteryState } from './pack-spec';
import { hasCushion, isA, jointsFrom } from './rig-graph';
import type { Joint, Part, RigGraph, Source } from './rig-graph';

/** The volts that stand at an output, whatever hangs on it. */
export interface Supply {
  /** What gives them, for sentences. */
  readonly name: string;
  readonly highV: number;
  readonly lowV: number;
  /** Without load, at the charge the run starts with. */
  readonly startV: number;
  /** Follows the battery down; otherwise it is held. */
  readonly followsPack: boolean;
}

/** A joint as its source sees it: what it gives, what is agreed, what the lead takes and lets pass. */
export interface Passage {
  readonly joint: Joint;
  readonly source: Source;
  /** The passage before it on the way from the source; undefined at the source itself. */
  readonly before: Passage | undefined;
  readonly supply: Supply | undefined;
  /** What the output puts before the lead: nothing where it hands on what it is given. */
  readonly converter: Converter | undefined;
  readonly contract: Contract | undefined;
  readonly leadOhm: number;
  /** The most that a device takes here while its own battery gives the rest; undefined where it takes all or nothing. */
  readonly mixedW: number | undefined;
  readonly limit: LeadLimit | undefined;
  /** A figure is missing that must not be guessed, so nothing behind it can be computed. */
  readonly incomplete: boolean;
}

/** Every joint that hangs on a source, outer before inner. */
export function passagesOf(graph: RigGraph, source: Source, evidence: Evidence): readonly Passage[] {
  const found: Passage[] = [];
  const follow = (part: Part, before: Passage | undefined): void => {
    for (const joint of jointsFrom(graph, part)) {
      const passage = passageOf(graph, source, joint, before, evidence);
      found.push(passage);
      follow(joint.to, passage);
    }
  };
  follow(source, undefined);
  return found;
}

function passageOf(graph: RigGraph, source: Source, joint: Joint, before: Passage | undefined, evidence: Evidence): Passage {
  const given = before?.supply ?? (before === undefined ? sourceSupply(graph, source, joint.output) : undefined);
  const port = portOf(graph, joint, given, before, evidence);
  const leadOhm = leadResistance(joint, evidence);
  return {
    joint,
    source,
    before,
    ...port,
    leadOhm,
    mixedW: mixedPower(graph, joint, port.contract, leadOhm),
    limit: limitOfLead(joint, port.contract, evidence),
    incomplete: port.incomplete || (before?.incomplete ?? false),
  };
}

/** Just within the contract, so that rounding does not pass it. */
const WITHIN = 1 - 1e-9;

/** Watts that reach a device at the contract's current, where its own battery adds what is missing. */
function mixedPower(graph: RigGraph, { id, to, input }: Joint, contract: Contract | undefined, leadOhm: number): number | undefined {
  const mixes = input.takes === 'pd' && (input.sink === 'mixes' || input.sink === 'needs-battery');
  if (!mixes || !contract || !hasCushion(graph, to, id)) return undefined;
  return contract.currentA * (contract.voltageV - contract.currentA * leadOhm) * WITHIN;
}

/** A battery's own range, or the volts a mains supply holds. */
function sourceSupply({ rig }: RigGraph, source: Source, output: Output): Supply | undefined {
  if (isA(source, 'battery')) {
    const { chemistry, cellsInSeries, name } = source.gear;
    const startV = cellsInSeries * cellVoltage(CHEMISTRIES[chemistry].ocvPerCell, batteryState(rig, source.id).startSoc);
    return { name, highV: fullVoltage(chemistry, cellsInSeries), lowV: batteryFigures(source.gear).cutoffV, startV, followsPack: true };
  }
  return output.gives === 'fixed' ? held(source.gear.name, output.voltageV) : undefined;
}

function held(name: string, voltageV: number): Supply {
  return { name, highV: voltageV, lowV: voltageV, startV: voltageV, followsPack: false };
}

type Port = Pick<Passage, 'supply' | 'converter' | 'contract' | 'incomplete'>;

function portOf(graph: RigGraph, joint: Joint, given: Supply | undefined, before: Passage | undefined, evidence: Evidence): Port {
  const { output, from, input } = joint;
  if (output.gives === 'pack') {
    if (isA(from, 'adapter') && !from.gear.output.passThrough && from.gear.input.triggerV === undefined) {
      evidence.lack(
        'voltage',
        from,
        'its output voltage',
        'Read its label, or measure it with a meter before the camera is attached.',
        joint.id,
      );
      return { supply: undefined, converter: undefined, contract: undefined, incomplete: true };
    }
    const plain = input.takes === 'pd' && given && Math.abs(given.highV - PLAIN_V) < 0.5 ? plainContract(joint, output.maxA) : undefined;
    return { supply: given, converter: undefined, contract: plain, incomplete: given === undefined };
  }
  const converterTo = (outputV: number): Converter => portConverter(joint, before, outputV, evidence);
  const name = isA(from, 'battery') || isA(from, 'supply') ? 'The port' : from.gear.name;
  if (output.gives === 'fixed') {
    const plain = input.takes === 'pd' && Math.abs(output.voltageV - PLAIN_V) < 0.5;
    if (plain && output.maxA === undefined)
      return { supply: held(name, output.voltageV), converter: converterTo(output.voltageV), contract: undefined, incomplete: true };
    return {
      supply: held(name, output.voltageV),
      converter: converterTo(output.voltageV),
      contract: plain ? plainContract(joint, output.maxA) : undefined,
      incomplete: false,
    };
  }
  const rating = ratingOf(graph, joint, output, evidence);
  const profiles = rating.neighbours === 0 ? (output.profiles ?? rating.profiles) : rating.profiles;
  if (profiles === undefined) {
    evidence.lack(
      'current',
      from,
      rating.neighbours === 0 ? `what ${output.name} offers` : `what ${output.name} offers beside a neighbour`,
      'Type its rating in watts or its list of profiles.',
      joint.id,
    );
    return { supply: undefined, converter: undefined, contract: undefined, incomplete: true };
  }
  const contract = contractOf(joint, output, profiles);
  if (contract) {
    const formula = `${say(contract.voltageV, 'V')} × ${say(contract.currentA, 'A')}, limited by the ${contract.limitedBy}; ${output.profiles ? 'its own list' : 'by its rating'}`;
    evidence.note(from, `Contract of ${output.name}`, contract.powerW, 'W', 'computed', formula);
    return { supply: held(name, contract.voltageV), converter: converterTo(contract.voltageV), contract, incomplete: false };
  }
  // nothing agreed: a port that knows Power Delivery gives nothing but 5 V, and an input that asks for a contract takes none of it
  if (input.takes === 'pd') return { supply: undefined, converter: undefined, contract: undefined, incomplete: true };
  return { supply: held(name, PLAIN_V), converter: converterTo(PLAIN_V), contract: undefined, incomplete: false };
}

/** Whether a cable between two ends carries the talk of Power Delivery at all. */
export function carriesDelivery({ cable, output, input }: Joint): boolean {
  const ends = cable ? [cable.gear.ends.source.type, cable.gear.ends.load.type] : [];
  return [output.connector.type, input.connector.type, ...ends].every((type) => type === 'usb-c');
}

function contractOf(joint: Joint, output: Extract<Output, { gives: 'pd' }>, profiles: readonly Profile[]): Contract | undefined {
  const { cable, input } = joint;
  if (input.takes !== 'pd' || input.minV === undefined || input.maxV === undefined) return undefined;
  const carries = usbCable(cable?.gear.marked5A ?? false, cable?.gear.extendedRange ?? false);
  const sink = { minV: input.minV, maxV: input.maxV, programmable: input.programmable ?? false };
  if (!carriesDelivery(joint)) return plainFiveVolts(TYPE_C_A, carries, sink);
  return negotiate(profiles, carries, sink, output.programmable);
}

function plainContract({ cable, input }: Joint, portA: number | undefined): Contract | undefined {
  if (input.takes !== 'pd' || input.minV === undefined || input.maxV === undefined || portA === undefined) return undefined;
  const carries = usbCable(cable?.gear.marked5A ?? false, cable?.gear.extendedRange ?? false);
  return plainFiveVolts(portA, carries, { minV: input.minV, maxV: input.maxV });
}

/** What a port is good for while its neighbours on the same budget are in use. */
function ratingOf(
  graph: RigGraph,
  { from, output }: Joint,
  port: Extract<Output, { gives: 'pd' }>,
  evidence: Evidence,
): { readonly profiles: readonly Profile[] | undefined; readonly neighbours: number } {
  const neighbours = jointsFrom(graph, from).filter(
    (other) => other.output.id !== output.id && port.budget !== undefined && other.output.budget === port.budget,
  ).length;
  const ratingW = neighbours === 0 ? port.ratingW : port.sharedRatingW;
  if (ratingW !== undefined && neighbours > 0) {
    evidence.note(from, `Rating of ${output.name} beside a neighbour`, ratingW, 'W', 'printed');
  }
  return { profiles: ratingW === undefined ? undefined : profilesByRating(ratingW), neighbours };
}

/** The electronics behind a port: a bank's, a plate's or an adapter's, with the thresholds of the input behind it. */
function portConverter({ from, output }: Joint, before: Passage | undefined, outputV: number, evidence: Evidence): Converter {
  const regulated = output as Extract<Output, { gives: 'fixed' | 'pd' }>;
  if (isA(from, 'supply')) return { outputV, efficiency: 1, standbyW: 0 }; // a wall socket's losses cost nobody a minute
  const adapter = isA(from, 'adapter') ? from.gear : undefined;
  const efficiency = regulated.efficiency ?? (isA(from, 'battery') ? ASSUMED.bankEfficiency : ASSUMED.converterEfficiency);
  const standbyW = regulated.standbyW ?? (adapter ? ASSUMED.adapterStandbyW : 0);
  const linear = adapter?.linear ?? false;
  if (adapter) evidence.note(from, 'Output', outputV, 'V', adapter.from?.voltageV ?? 'printed');
  const label = adapter ? 'Efficiency' : `Efficiency of ${output.name}`;
  if (!linear) {
    const source = regulated.efficiency === undefined ? 'assumed' : (adapter?.from?.efficiency ?? 'printed');
    evidence.note(from, label, efficiency, 'fraction', source);
  }
  if (adapter) evidence.note(from, 'Own draw', standbyW, 'W', regulated.standbyW === undefined ? 'assumed' : 'printed');
  const gate = before?.joint.input;
  const { minV, maxV, startV } = gate?.takes === 'window' ? gate : {};
  return {
    outputV,
    efficiency,
    standbyW,
    ...(linear && { linear }),
    ...(minV !== undefined && { minInputV: minV }),
    ...(startV !== undefined && { startInputV: startV }),
    ...(maxV !== undefined && { maxInputV: maxV }),
    ...(isA(from, 'adapter') && output.gives === 'fixed' && output.maxA !== undefined && { maxOutputA: output.maxA }),
  };
}
