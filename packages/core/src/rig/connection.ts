import { cellVoltage, CHEMISTRIES, fullVoltage } from '../cell';
import type { Converter } from '../circuit';
import { batteryFigures } from '../gear';
import type { Output, Rig } from '../gear';
import { PLAIN_V } from '../usb';
import type { Contract } from '../usb';
import { ASSUMED } from './assumed';
import { currentLimits, leadResistance } from './conductor';
import type { CurrentLimit } from './conductor';
import { contractOf, isPlainUsb, offerOf, plainContract } from './contract';
import type { DrawnRig, Ends } from './drawn-rig';
import type { Evidence } from './figure';
import { batteryState } from './pack-spec';
import { isA } from './part';
import type { Part, Source } from './part';

/** The volts that stand at an output, whatever hangs on it. */
export interface OutputVolts {
  /** What gives them, for sentences. */
  readonly name: string;
  readonly highV: number;
  readonly lowV: number;
  /** Without load, at the charge the run starts with. */
  readonly startV: number;
  /** Follows the battery down; otherwise it is held. */
  readonly followsPack: boolean;
}

/**
 * One link of a rig with everything known about it, as its source sees it: which ports and cable meet, what the output
 * gives, what is agreed on over USB, what the lead takes and lets pass. Circuit, run, findings, answer, profile and feeds
 * read this and look nothing up again. A link that two sources reach is a connection of each.
 */
export interface Connection extends Ends {
  /** Undefined where nothing reaches the link. */
  readonly source: Source | undefined;
  /** The connection before it on the way from the source; undefined at the source itself. */
  readonly before: Connection | undefined;
  readonly supply: OutputVolts | undefined;
  /** What the output puts before the lead: nothing where it hands on what it is given. */
  readonly converter: Converter | undefined;
  readonly contract: Contract | undefined;
  readonly leadOhm: number;
  /** The least first. */
  readonly limits: readonly CurrentLimit[];
  /** The most that a device takes here while its own battery gives the rest; undefined where it takes all or nothing. */
  readonly mixedW: number | undefined;
  /** A figure is missing that must not be guessed, so nothing behind it can be computed. */
  readonly incomplete: boolean;
}

/** Whether something else carries the device when this link does not: a battery in its bay, built in, or another feed. */
export function hasCushion({ ends }: Pick<DrawnRig, 'ends'>, to: Part, id: string): boolean {
  return (isA(to, 'device') && to.gear.builtIn !== undefined) || ends.some((other) => other.to.id === to.id && other.id !== id);
}

/** Every connection that hangs on a source, outer before inner. */
export function connectionsOf(drawn: DrawnRig, source: Source, evidence: Evidence): readonly Connection[] {
  const found: Connection[] = [];
  const follow = (part: Part, before: Connection | undefined): void => {
    for (const ends of drawn.ends.filter(({ from }) => from.id === part.id)) {
      const connection = connect(drawn, source, ends, before, evidence);
      found.push(connection);
      follow(connection.to, connection);
    }
  };
  follow(source, undefined);
  return found;
}

/** A link that no source reaches: its plugs can be looked at, its volts cannot. */
export function unfedConnection(ends: Ends): Connection {
  const nothing = { source: undefined, before: undefined, supply: undefined, converter: undefined, contract: undefined };
  return { ...ends, ...nothing, leadOhm: 0, limits: [], mixedW: undefined, incomplete: true };
}

function connect(drawn: DrawnRig, source: Source, ends: Ends, before: Connection | undefined, evidence: Evidence): Connection {
  const given = before?.supply ?? (before === undefined ? sourceSupply(drawn.rig, source, ends.output) : undefined);
  const gives = outputOf(drawn, ends, given, before, evidence);
  const leadOhm = leadResistance(ends, evidence);
  return {
    ...ends,
    source,
    before,
    ...gives,
    leadOhm,
    mixedW: mixedPower(drawn, ends, gives.contract, leadOhm),
    limits: currentLimits(ends, gives.contract, evidence),
    incomplete: gives.incomplete || (before?.incomplete ?? false),
  };
}

/** Just within the contract, so that rounding does not pass it. */
const WITHIN = 1 - 1e-9;

/** Watts that reach a device at the contract's current, where its own battery adds what is missing. */
function mixedPower(drawn: DrawnRig, { id, to, input }: Ends, contract: Contract | undefined, leadOhm: number): number | undefined {
  const mixes = input.takes === 'pd' && (input.sink === 'mixes' || input.sink === 'needs-battery');
  if (!mixes || !contract || !hasCushion(drawn, to, id)) return undefined;
  return contract.currentA * (contract.voltageV - contract.currentA * leadOhm) * WITHIN;
}

/** A battery's own range, or the volts a mains supply holds. */
function sourceSupply(rig: Rig, source: Source, output: Output): OutputVolts | undefined {
  if (isA(source, 'battery')) {
    const { chemistry, cellsInSeries, name } = source.gear;
    const startV = cellsInSeries * cellVoltage(CHEMISTRIES[chemistry].ocvPerCell, batteryState(rig, source.id).startSoc);
    return { name, highV: fullVoltage(chemistry, cellsInSeries), lowV: batteryFigures(source.gear).cutoffV, startV, followsPack: true };
  }
  return output.gives === 'fixed' ? held(source.gear.name, output.voltageV) : undefined;
}

function held(name: string, voltageV: number): OutputVolts {
  return { name, highV: voltageV, lowV: voltageV, startV: voltageV, followsPack: false };
}

type Gives = Pick<Connection, 'supply' | 'converter' | 'contract' | 'incomplete'>;

const GIVES_NOTHING_KNOWN: Gives = { supply: undefined, converter: undefined, contract: undefined, incomplete: true };

/** What stands at an output: what it is given, its own fixed volts, or what Power Delivery agrees on. */
function outputOf(drawn: DrawnRig, ends: Ends, given: OutputVolts | undefined, before: Connection | undefined, evidence: Evidence): Gives {
  const { output } = ends;
  if (output.gives === 'pack') return handedOn(ends, output, given, evidence);
  const regulated = (voltageV: number): Pick<Gives, 'supply' | 'converter'> => {
    const { from } = ends;
    const name = isA(from, 'battery') || isA(from, 'supply') ? 'The port' : from.gear.name;
    return { supply: held(name, voltageV), converter: converterOf(ends, before, voltageV, evidence) };
  };
  if (output.gives === 'pd') return delivered(drawn, ends, output, regulated, evidence);
  const { voltageV, maxA } = output;
  const plain = ends.input.takes === 'pd' && isPlainUsb(voltageV);
  return { ...regulated(voltageV), contract: plain ? plainContract(ends, maxA) : undefined, incomplete: plain && maxA === undefined };
}

function handedOn(ends: Ends, output: Extract<Output, { gives: 'pack' }>, given: OutputVolts | undefined, evidence: Evidence): Gives {
  const { from, input } = ends;
  if (isA(from, 'adapter') && !from.gear.output.passThrough && from.gear.input.triggerV === undefined) {
    evidence.lack('output-voltage', from, { connectionId: ends.id });
    return GIVES_NOTHING_KNOWN;
  }
  const contract = input.takes === 'pd' && given && isPlainUsb(given.highV) ? plainContract(ends, output.maxA) : undefined;
  return { supply: given, converter: undefined, contract, incomplete: given === undefined };
}

function delivered(
  drawn: DrawnRig,
  ends: Ends,
  output: Extract<Output, { gives: 'pd' }>,
  regulated: (voltageV: number) => Pick<Gives, 'supply' | 'converter'>,
  evidence: Evidence,
): Gives {
  const { id, from, input } = ends;
  const neighbours = drawn.ends.filter(
    (other) =>
      other.from.id === from.id && other.output.id !== output.id && output.budget !== undefined && other.output.budget === output.budget,
  ).length;
  const profiles = offerOf(ends, output, neighbours, evidence);
  if (profiles === undefined) {
    evidence.lack(neighbours === 0 ? 'port-offer' : 'port-offer-shared', from, { connectionId: id, port: output.name });
    return GIVES_NOTHING_KNOWN;
  }
  const contract = contractOf(ends, output, profiles);
  if (contract) {
    const { voltageV, currentA, limitedBy, powerW } = contract;
    const basis = { of: 'contract', port: output.name, voltageV, currentA, limitedBy, ownList: output.profiles !== undefined } as const;
    evidence.note(from, basis, powerW, 'W', 'computed');
    return { ...regulated(voltageV), contract, incomplete: false };
  }
  // nothing agreed: a port that knows Power Delivery gives nothing but 5 V, and an input that asks for a contract takes none of it
  if (input.takes === 'pd') return GIVES_NOTHING_KNOWN;
  return { ...regulated(PLAIN_V), contract: undefined, incomplete: false };
}

/** The electronics behind a port: a bank's, a plate's or an adapter's, with the thresholds of the input behind it. */
function converterOf({ from, output }: Ends, before: Connection | undefined, outputV: number, evidence: Evidence): Converter {
  if (isA(from, 'supply')) return { outputV, efficiency: 1, standbyW: 0 }; // a wall socket's losses cost nobody a minute
  const regulated = output as Extract<Output, { gives: 'fixed' | 'pd' }>;
  const adapter = isA(from, 'adapter') ? from.gear : undefined;
  const efficiency = regulated.efficiency ?? (isA(from, 'battery') ? ASSUMED.bankEfficiency : ASSUMED.converterEfficiency);
  const standbyW = regulated.standbyW ?? (adapter ? ASSUMED.adapterStandbyW : 0);
  const linear = adapter?.linear ?? false;
  if (adapter) evidence.note(from, { of: 'output' }, outputV, 'V', adapter.from?.voltageV ?? 'printed');
  if (!linear) {
    const provenance = regulated.efficiency === undefined ? 'assumed' : (adapter?.from?.efficiency ?? 'printed');
    evidence.note(from, { of: 'efficiency', port: adapter ? undefined : output.name }, efficiency, 'fraction', provenance);
  }
  if (adapter) evidence.note(from, { of: 'own-draw' }, standbyW, 'W', regulated.standbyW === undefined ? 'assumed' : 'printed');
  const gate = before?.input;
  const { minV, maxV, startV } = gate?.takes === 'window' ? gate : {};
  return {
    outputV,
    efficiency,
    standbyW,
    ...(linear && { linear }),
    ...(minV !== undefined && { minInputV: minV }),
    ...(startV !== undefined && { startInputV: startV }),
    ...(maxV !== undefined && { maxInputV: maxV }),
    ...(adapter && output.gives === 'fixed' && output.maxA !== undefined && { maxOutputA: output.maxA }),
  };
}
