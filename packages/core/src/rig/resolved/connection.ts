import { batteryFigures } from '../../gear';
import type { Battery, Output } from '../../gear';
import { cellVoltage, fullVoltage } from '../../physics/cell';
import type { Converter } from '../../physics/circuit';
import type { Contract } from '../../physics/usb';
import { ASSUMED, ASSUMED_CHARGE_CELL_V, ASSUMED_LEAD_TAKES, CHEMISTRIES, isAbove, PLAIN_V, timesFigure } from '../../tables';
import { batteryState, inOwnBay, isChargedInPlace, isKind } from '../drawn';
import type { DrawnRig, Ends, Part, Rig, Source } from '../drawn';
import { currentLimits, isLeadAssumed, leadResistance, secondPort } from './conductor';
import type { CurrentLimit } from './conductor';
import { contractOf, isPlainUsb, offerOf, plainContract } from './contract';
import type { Evidence } from './figure';
import { outputVolts, windowOf } from './output-volts';
import type { OutputVolts } from './output-volts';

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
  /** Where the second plug of an adapter goes. */
  readonly secondPort: Output | undefined;
  /** The least first. */
  readonly limits: readonly CurrentLimit[];
  /** By how much its limits may be missed and still count as met: more where its lead is assumed. */
  readonly leeway: Leeway;
  /** The most that a device takes here while its own battery gives the rest; undefined where it takes all or nothing. */
  readonly mixedW: number | undefined;
  /** The most watts that arrive of a contract; undefined without one. */
  readonly agreedW: number | undefined;
  /** What the part at its end takes for itself. */
  readonly ownW: number | undefined;
  /** Nobody says what its port offers, so whether anything is agreed on is not known. */
  readonly offerUnknown?: boolean;
  /** A figure is missing that must not be guessed, so nothing behind it can be computed. */
  readonly incomplete: boolean;
}

/** What is just met is met: by so many volts at its end, and by such a share of its amps. */
export interface Leeway {
  readonly volts: number;
  readonly share: number;
}

const EXACT: Leeway = { volts: 0, share: 0 };

/** An assumed lead behind volts that are held decides nothing by the little that it takes. */
function leewayOf(ends: Ends, supply: OutputVolts | undefined): Leeway {
  const minV = ends.input.takes === 'window' ? ends.input.minV : undefined;
  if (!supply || supply.followsPack || !isLeadAssumed(ends) || isAbove(minV ?? 0, supply.lowV)) return EXACT;
  return { volts: Math.max(ASSUMED_LEAD_TAKES.volts, ASSUMED_LEAD_TAKES.share * supply.startV), share: ASSUMED_LEAD_TAKES.share };
}

/** Whether something else carries the device when this link does not: a battery in its bay, built in, or another feed. */
export function hasCushion({ ends }: Pick<DrawnRig, 'ends'>, to: Part, id: string): boolean {
  return (isKind(to, 'device') && to.gear.builtIn !== undefined) || ends.some((other) => other.to.id === to.id && other.id !== id);
}

/** Whether a device has a battery of its own to run from: in its bay, or built in. */
export function hasOwnBattery({ ends }: Pick<DrawnRig, 'ends'>, to: Part): boolean {
  return (isKind(to, 'device') && to.gear.builtIn !== undefined) || ends.some((other) => other.to.id === to.id && inOwnBay(other));
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
  return {
    ...ends,
    ...nothing,
    leadOhm: 0,
    leeway: EXACT,
    limits: [],
    secondPort: undefined,
    mixedW: undefined,
    agreedW: undefined,
    ownW: undefined,
    incomplete: true,
  };
}

function connect(drawn: DrawnRig, source: Source, ends: Ends, before: Connection | undefined, evidence: Evidence): Connection {
  const given = before?.supply ?? (before === undefined ? sourceSupply(drawn.rig, source, evidence) : undefined);
  const gives = outputOf(drawn, ends, given, before, evidence);
  const leadOhm = leadResistance(ends, evidence);
  const windowed = { ...ends, input: windowOf(ends, evidence) };
  return {
    ...windowed,
    source,
    before,
    ...gives,
    leadOhm,
    leeway: leewayOf(ends, gives.supply),
    mixedW: mixedPower(drawn, ends, gives.contract, leadOhm),
    agreedW: gives.contract && agreedPower(gives.contract, leadOhm),
    ownW: ownDraw(drawn, ends, evidence),
    secondPort: secondPort(drawn.ends, ends),
    limits: currentLimits(windowed, gives.contract, evidence, secondPort(drawn.ends, ends)),
    incomplete: gives.incomplete || (before?.incomplete ?? false),
  };
}

/** Just within the contract, so that rounding does not pass it. */
const WITHIN = 1 - 1e-9;

/** Watts that reach a device at the contract's current, where its own battery adds what is missing. */
function mixedPower(drawn: DrawnRig, { id, to, input }: Ends, contract: Contract | undefined, leadOhm: number): number | undefined {
  const mixes = input.takes === 'pd' && (input.sink === 'mixes' || input.sink === 'needs-battery');
  return mixes && contract && hasCushion(drawn, to, id) ? agreedPower(contract, leadOhm) : undefined;
}

/** Watts that arrive of a contract at its full current: what the lead takes is within what was agreed on. */
function agreedPower({ voltageV, currentA }: Contract, leadOhm: number): number {
  return Math.max(0, currentA * (voltageV - currentA * leadOhm) * WITHIN);
}

/** What electronics in a plate or a box take for themselves; a splitter and a grip are wire. */
function ownDraw(drawn: DrawnRig, { to }: Ends, evidence: Evidence): number | undefined {
  if (!isKind(to, 'hub')) return undefined;
  const { standbyW, form } = to.gear;
  if (standbyW !== undefined) return standbyW;
  // its converters have their own
  if (form === 'splitter' || form === 'grip' || drawn.ends.some(({ from, output }) => from.id === to.id && output.gives !== 'pack'))
    return undefined;
  return evidence.assume(to, { of: 'own-draw' }, form === 'plate' ? ASSUMED.converterOwnW : ASSUMED.bankOwnW, 'W');
}

/** A battery's own range; undefined where nothing says it. What a supply gives is said by its output. */
function sourceSupply(rig: Rig, source: Source, evidence: Evidence): OutputVolts | undefined {
  if (!isKind(source, 'battery')) return undefined;
  const { chemistry } = source.gear;
  const { cellsInSeries: cells, cutoffV = 0 } = batteryFigures(source.gear);
  if (cells === undefined) return undefined;
  const startV = cells * cellVoltage(CHEMISTRIES[chemistry].ocvPerCell, batteryState(rig, source.id).startSoc);
  const highV = fullVoltage(chemistry, cells);
  return {
    name: source.title,
    highV,
    lowV: cutoffV,
    startV,
    followsPack: true,
    chargingV: chargingVolts(rig, source, cells, highV, evidence),
  };
}

/** Volts at which a battery stands while its charger or panel is on it; undefined where it is not charged in place. */
function chargingVolts(rig: Rig, source: Part<Battery>, cells: number, fullV: number, evidence: Evidence): number | undefined {
  const { chargeV, chemistry } = source.gear;
  if (chargeV !== undefined) return chargeV;
  if (!isChargedInPlace(rig, source.id)) return undefined;
  const cellV = ASSUMED_CHARGE_CELL_V[chemistry];
  if (cellV === undefined) return fullV;
  return evidence.assume(source, { of: 'charging-volts' }, timesFigure(cellV, cells), 'V');
}

type Gives = Pick<Connection, 'supply' | 'converter' | 'contract' | 'incomplete'> & Partial<Pick<Connection, 'offerUnknown'>>;

const GIVES_NOTHING_KNOWN: Gives = { supply: undefined, converter: undefined, contract: undefined, incomplete: true };

/** What stands at an output: what it is given, its own fixed volts, or what Power Delivery agrees on. */
function outputOf(drawn: DrawnRig, ends: Ends, given: OutputVolts | undefined, before: Connection | undefined, evidence: Evidence): Gives {
  const { output } = ends;
  if (output.gives === 'pack') return handedOn(ends, output, given, evidence);
  const regulated = (voltageV: number): Pick<Gives, 'supply' | 'converter'> => ({
    supply: outputVolts(ends, voltageV, given, evidence),
    converter: converterOf(ends, before, voltageV, evidence),
  });
  if (output.gives === 'pd') return delivered(drawn, ends, output, regulated, evidence);
  const { voltageV, maxA } = output;
  if (voltageV === undefined) {
    evidence.lack(isKind(ends.from, 'supply') ? 'source-voltage' : 'output-voltage', ends.from, {
      connectionId: ends.id,
      port: output.name,
    });
    return GIVES_NOTHING_KNOWN;
  }
  // a panel without load stands far above what is printed on it
  if (isKind(ends.from, 'supply') && ends.from.gear.form === 'solar' && output.maxV === undefined)
    evidence.lack('source-voltage', ends.from, { connectionId: ends.id, port: output.name });
  const plain = ends.input.takes === 'pd' && isPlainUsb(voltageV);
  return { ...regulated(voltageV), contract: plain ? plainContract(ends, maxA) : undefined, incomplete: plain && maxA === undefined };
}

function handedOn(ends: Ends, output: Extract<Output, { gives: 'pack' }>, given: OutputVolts | undefined, evidence: Evidence): Gives {
  const { from, input } = ends;
  if (isKind(from, 'adapter') && !from.gear.output.passThrough && from.gear.input.triggerV === undefined) {
    evidence.lack('output-voltage', from, { connectionId: ends.id });
    return GIVES_NOTHING_KNOWN;
  }
  // a supply that hands on what nothing gives it: its volts are not known
  if (isKind(from, 'supply')) evidence.lack('source-voltage', from, { connectionId: ends.id, port: output.name });
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
  const neighbours = drawn.ends.flatMap((other) =>
    other.from.id === from.id && other.output.id !== output.id && output.budget !== undefined && other.output.budget === output.budget
      ? [other.output]
      : [],
  );
  const profiles = offerOf(ends, output, neighbours, evidence);
  if (profiles === undefined) {
    evidence.lack(neighbours.length === 0 ? 'port-offer' : 'port-offer-shared', from, { connectionId: id, port: output.name });
    return { ...GIVES_NOTHING_KNOWN, offerUnknown: true };
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
  if (isKind(from, 'supply')) return { outputV, efficiency: 1, standbyW: 0 }; // a wall socket's losses cost nobody a minute
  const regulated = output as Extract<Output, { gives: 'fixed' | 'pd' }>;
  const adapter = isKind(from, 'adapter') ? from.gear : undefined;
  const works = output.gives === 'fixed' ? output.works : undefined;
  const port = adapter ? undefined : output.name;
  if (adapter) evidence.note(from, { of: 'output' }, outputV, 'V', adapter.from?.voltageV ?? 'printed');
  if (works === undefined && before) evidence.note(from, { of: 'works', port }, outputV, 'V', 'assumed');
  const gate = before?.input;
  const { minV, maxV, startV } = gate?.takes === 'window' ? gate : {};
  // what only steps down drops out where its input has come down to its output
  const leastV = works === 'down' ? Math.max(minV ?? 0, outputV) : minV;
  return {
    outputV,
    efficiency: efficiencyOf(from, regulated, port, evidence),
    standbyW: standbyOf(from, regulated, port, evidence),
    ...(adapter?.linear && { linear: true }),
    ...(leastV !== undefined && { minInputV: leastV }),
    ...(startV !== undefined && { startInputV: startV }),
    ...(maxV !== undefined && { maxInputV: maxV }),
    ...(adapter && output.gives === 'fixed' && output.maxA !== undefined && { maxOutputA: output.maxA }),
  };
}

type Regulated = Extract<Output, { gives: 'fixed' | 'pd' }>;

function efficiencyOf(from: Part, { efficiency }: Regulated, port: string | undefined, evidence: Evidence): number {
  if (isKind(from, 'adapter') && from.gear.linear) return 1; // what goes in as current comes out as current
  const basis = { of: 'efficiency', port } as const;
  if (efficiency === undefined)
    return evidence.assume(from, basis, isKind(from, 'battery') ? ASSUMED.bankEfficiency : ASSUMED.converterEfficiency, 'fraction');
  evidence.note(from, basis, efficiency, 'fraction', (isKind(from, 'adapter') ? from.gear.from?.efficiency : undefined) ?? 'printed');
  return efficiency;
}

function standbyOf(from: Part, { standbyW }: Regulated, port: string | undefined, evidence: Evidence): number {
  const basis = { of: 'own-draw', port } as const;
  if (standbyW === undefined) return evidence.assume(from, basis, isKind(from, 'battery') ? ASSUMED.bankOwnW : ASSUMED.converterOwnW, 'W');
  evidence.note(from, basis, standbyW, 'W', 'printed');
  return standbyW;
}
