import { profilesByRating } from '../../physics/usb';
import type { Contract } from '../../physics/usb';
import { isKind, roleOf } from '../../rig/drawn';
import { carriesDelivery, hasCushion, hasOwnBattery } from '../../rig/resolved';
import type { Connection, LoadDraw, ResolvedRig, SourceTree } from '../../rig/resolved';
import type { Discharge } from '../../run';
import { isAbove, POE_W, ROUNDING } from '../../tables';
import type { Facts, Finding, FindingPlace } from '../facts';
import { finding } from '../finding';
import { feedPoint } from '../points';
import { lacking } from './lacking';

/** What source, cable and device agree on over USB, whether it is enough, and what happens while it is not. */
export function contractFindings(rig: ResolvedRig, connection: Connection, wantedW: number | undefined): readonly Finding[] {
  const { id, contract, input, to } = connection;
  if (input.takes !== 'pd') return [];
  const part = `${input.name} of ${to.title}`;
  if (input.minV === undefined || input.maxV === undefined) return [lacking('profiles', to, id, part)];
  const place: FindingPlace = { aspect: 'voltage', role: roleOf(to), gearId: to.id, connectionId: id, part };
  if (contract === undefined) {
    if (connection.offerUnknown || (connection.incomplete && !saysWhatItGives(connection))) return [];
    return [finding('contract-none', 'stop', place, whyNone(connection, input.minV, input.maxV))];
  }
  return [
    ...enough(rig, connection, contract, wantedW, place),
    ...sinkFindings(rig, connection, place),
    ...shared(rig, connection, contract, place),
  ];
}

/**
 * What is negotiated over a network cable: the class of the two ends that gives less. All that hangs behind the joint draws
 * through it, whatever splits or converts it there.
 */
export function poeFindings(
  tree: SourceTree,
  connection: Connection,
  loads: ReadonlyMap<string, LoadDraw> | undefined,
  run: Discharge | undefined,
): readonly Finding[] {
  const { id, input, output, to } = connection;
  const classes = [input.takes === 'window' ? input.poeClass : undefined, output.gives === 'fixed' ? output.poeClass : undefined];
  const agreedW = Math.min(...classes.map((one) => (one === undefined ? Infinity : POE_W[one])));
  if (agreedW === Infinity) return [];
  const wantedW = Math.max(wattsThrough(run, id), wattsBehind(tree, connection, loads));
  if (!isAbove(wantedW, agreedW, Math.max(ROUNDING, connection.leeway.share))) return [];
  const place = { aspect: 'current', role: roleOf(to), gearId: to.id, connectionId: id, part: to.title } as const;
  return [finding('poe-short', 'stop', place, { device: to.title, agreedW, wantedW })];
}

/** The most watts that arrive at the end of a connection over a run. */
function wattsThrough(run: Discharge | undefined, id: string): number {
  const at = [run?.start, run?.end].flatMap((point) => feedPoint(point, id) ?? []);
  return Math.max(0, ...at.map(({ currentA, inputV }) => currentA * inputV));
}

/** What the devices behind a connection ask for, losses on the way left out. */
function wattsBehind({ connections }: SourceTree, connection: Connection, loads: ReadonlyMap<string, LoadDraw> | undefined): number {
  const isBehind = (one: Connection | undefined): boolean => one !== undefined && (one.id === connection.id || isBehind(one.before));
  const devices = new Set(connections.filter((one) => isKind(one.to, 'device') && isBehind(one)).map(({ to }) => to.id));
  return [...devices].reduce((sum, id) => sum + (loads?.get(id)?.powerW ?? 0), 0);
}

/** A port whose offer is missing is told as that, not as one that offers nothing. */
function saysWhatItGives({ output }: Connection): boolean {
  if (output.gives === 'pd') return output.ratingW !== undefined || output.profiles !== undefined;
  return output.gives !== 'fixed' || output.maxA !== undefined;
}

function whyNone(connection: Connection, minV: number, maxV: number) {
  const { output, from, cable, to } = connection;
  const why = reasonFor(connection, minV, maxV);
  return { why, port: output.name, of: from.title, cable: cable?.title, device: to.title, minV, maxV } as const;
}

/** Why nothing is agreed on: no Power Delivery, an end that carries none, a level that this cable must not carry, or none. */
function reasonFor(connection: Connection, minV: number, maxV: number): Facts['contract-none']['why'] {
  const { output } = connection;
  if (output.gives !== 'pd') return 'no-delivery';
  if (!carriesDelivery(connection)) return 'usb-a-end';
  const offered = output.profiles ?? (output.ratingW === undefined ? [] : profilesByRating(output.ratingW));
  return offered.some(({ voltageV }) => voltageV >= minV && voltageV <= maxV) ? 'cable-range' : 'no-profile';
}

function enough(
  rig: ResolvedRig,
  { id, input, to, cable, mixedW }: Connection,
  contract: Contract,
  wantedW: number | undefined,
  place: FindingPlace,
): Finding[] {
  if (input.takes !== 'pd') return [];
  const needW = Math.max(input.needW ?? 0, wantedW ?? 0);
  if (!isAbove(needW, contract.powerW)) return wantedW === undefined ? [] : [finding('contract-fits', 'good', place, { contract, needW })];
  const refuses = isAbove(input.needW ?? 0, contract.powerW);
  const mixes = (input.sink === 'mixes' || input.sink === 'needs-battery') && !refuses && hasCushion(rig, to, id);
  const end = cable?.gear.ends.source.type === 'usb-a' ? 'usb-a' : 'usb-c';
  const facts = {
    device: to.title,
    contract,
    needW,
    refuses,
    addedW: mixes ? needW - (mixedW ?? contract.powerW) : undefined,
    cableEnd: contract.limitedBy === 'cable' ? end : undefined,
  } as const;
  return [finding(contract.by === 'plain-5v' ? 'legacy-short' : 'contract-short', mixes ? 'caution' : 'stop', place, facts)];
}

function shared(rig: ResolvedRig, { id, from, output, to }: Connection, contract: Contract, place: FindingPlace): Finding[] {
  const neighbours = rig.ends
    .filter((other) => other.from.id === from.id && other.output.id !== output.id)
    .filter((other) => output.budget !== undefined && other.output.budget === output.budget)
    .map((other) => other.output.name);
  if (neighbours.length === 0) return [];
  const bridged = hasCushion(rig, to, id);
  const facts = { port: output.name, of: from.title, neighbours, device: to.title, contractW: contract.powerW, bridged };
  return [finding('budget-shared', bridged ? 'note' : 'caution', place, facts)];
}

function sinkFindings(rig: ResolvedRig, { id, input, to }: Connection, place: FindingPlace): Finding[] {
  if (input.takes !== 'pd') return [];
  const facts = { device: to.title };
  if (input.sink === 'unknown') return [lacking('usb-runs', to, id, to.title)];
  if (input.sink === 'charges-when-off') return [finding('sink-only-charges', 'stop', place, facts)];
  if (input.sink === 'needs-battery' && !hasOwnBattery(rig, to)) return [finding('sink-needs-battery', 'stop', place, facts)];
  return [];
}
