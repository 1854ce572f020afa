import { batteryFigures, isMount } from '../../gear';
import type { Battery } from '../../gear';
import { fullVoltage, ocvArea, socAtVoltage } from '../../physics/cell';
import type { Pack } from '../../physics/cell';
import { HOUR_MIN } from '../../quantity';
import { batteryState, isKind, roleOf } from '../../rig/drawn';
import { portFeed } from '../../rig/resolved';
import type { Connection, OutputVolts, ResolvedRig, SourceTree } from '../../rig/resolved';
import type { Discharge } from '../../run';
import { CHEMISTRIES, isAbove, LITTLE_LEFT } from '../../tables';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';
import { endVerdict, feedPoint, mostCurrent } from '../points';
import type { FindingLevel } from '../verdict';
import { lacking } from './lacking';

/** A battery stopped with less than this share of its energy left counts as used up: it cannot be measured against the run. */
const NOTHING_STRANDED = 0.01;
/** A cable that takes more than this share of the voltage is told. */
const MUCH_DROP = 0.05;

/** A source's whole range against the window of everything it feeds, over the whole discharge. */
export function voltageFindings(rig: ResolvedRig, tree: SourceTree, run: Discharge | undefined): readonly Finding[] {
  return [
    ...tree.connections.flatMap((connection) => [
      ...windowFindings(rig, tree, connection, run),
      ...raiseFindings(connection),
      ...dropFindings(connection, run),
    ]),
    ...sagFindings(tree, run),
  ];
}

/** A load that pulls the battery down to its cut-off while there is charge left. */
function sagFindings({ source, connections, battery }: SourceTree, run: Discharge | undefined): readonly Finding[] {
  if (run?.cause !== 'pack-cutoff' || !isKind(source, 'battery') || !battery) return [];
  // at its rated pace it is cut off a little short of empty as well
  const { spec, pack } = battery;
  const { capacityAh, cutoffV } = pack;
  const ratedA = capacityAh / CHEMISTRIES[spec.chemistry].ratedHours;
  if (leftShare(source.gear, run.endSoc, socAtCutoff(pack, ratedA)) < NOTHING_STRANDED) return [];
  const loads = connections.filter(({ to }) => isKind(to, 'device')).map(({ to }) => to.title);
  const place = { aspect: 'voltage', role: 'battery', gearId: source.id, part: source.title } as const;
  const facts = { by: 'cutoff', battery: source.title, loads, cutoffV, charge: run.endSoc, leftWh: run.strandedWh } as const;
  return [finding('charge-stranded', strandedLevel(run, leftShare(source.gear, run.endSoc)), place, facts)];
}

/** Share of a full battery's energy between two charges: what a run leaves that could have been used. */
function leftShare({ chemistry }: Battery, endSoc: number, usedUpSoc = 0): number {
  const table = CHEMISTRIES[chemistry].ocvPerCell;
  return (ocvArea(table, endSoc) - ocvArea(table, Math.min(endSoc, usedUpSoc))) / ocvArea(table, 1);
}

/** What is left is little, a note; from a tenth of the battery or twenty minutes on it is a caution. */
function strandedLevel(run: Discharge, share: number): FindingLevel {
  const { end, strandedWh } = run;
  const leftMin = end && (strandedWh / (end.packA * end.packV)) * HOUR_MIN;
  const verdict = endVerdict(run);
  return verdict !== 'stop' && share < LITTLE_LEFT.share && leftMin !== undefined && leftMin < LITTLE_LEFT.minutes ? 'note' : verdict;
}

/** The charge at which its own protection would cut a battery off at so many amps. */
function socAtCutoff({ cellsInSeries, cutoffV, resistanceOhm, ocvPerCell }: Pack, currentA: number): number {
  return socAtVoltage(ocvPerCell, (cutoffV + currentA * resistanceOhm) / cellsInSeries);
}

function dropFindings({ id, cable, to, supply, leadOhm }: Connection, run: Discharge | undefined): Finding[] {
  if (!cable || !supply || !run) return [];
  const currentA = mostCurrent(run, id);
  const dropV = currentA * leadOhm;
  const dropShare = dropV / supply.startV;
  if (dropShare <= MUCH_DROP) return [];
  const place = { aspect: 'voltage', role: 'cable', gearId: cable.id, connectionId: id, part: cable.title } as const;
  return [finding('wire-drop', 'caution', place, { cable: cable.title, to: to.title, dropV, dropShare, currentA })];
}

function windowFindings(rig: ResolvedRig, tree: SourceTree, connection: Connection, run: Discharge | undefined): Finding[] {
  const { id, input, to, supply } = connection;
  if (input.takes === 'pd' || !supply) return [];
  const at: Gate = { ...placeOf(connection), supply };
  const { minV, maxV } = input;
  const findings: Finding[] = [];
  if (maxV === undefined) findings.push(lacking('highest-voltage', to, id, at.place.part));
  else findings.push(...tooHigh(tree, at, minV, maxV));
  if (minV === undefined) return [...findings, lacking('lowest-voltage', to, id, at.place.part)];
  const arrivesV = feedPoint(run?.start, id)?.inputV;
  const noStart = startFinding(rig, tree, connection, at, minV, run, arrivesV);
  if (noStart?.verdict === 'stop') return [...findings, noStart];
  if (noStart) findings.push(noStart);
  const low = tooLow(tree, connection, at, minV, run, arrivesV);
  if (low) findings.push(low);
  const again = restartFinding(tree, connection, at, run);
  if (again) findings.push(again);
  if (findings.length > 0) return findings;
  // a battery that would go lower has been used up by then: the range told is the one that the run goes through
  const lowV = supply.followsPack ? Math.max(supply.lowV, Math.min(minV, supply.highV)) : supply.lowV;
  return [finding('voltage-fits', 'good', at.place, { ...rangeOf(at), lowV, minV, maxV: maxV ?? minV })];
}

/** A converter that only steps down, given less than it is to give. */
function raiseFindings({ id, from, output, before }: Connection): Finding[] {
  if (output.gives !== 'fixed' || output.works !== 'down' || output.voltageV === undefined) return [];
  const given = before?.supply;
  if (!given || !isAbove(output.voltageV, given.startV)) return [];
  // an adapter's own input needs as much already: told there
  if (before.input.takes === 'window' && (before.input.minV ?? 0) >= output.voltageV) return [];
  const place: FindingPlace = { aspect: 'voltage', role: roleOf(from), gearId: from.id, connectionId: id, part: from.title };
  const facts = { converter: from.title, outV: output.voltageV, source: given.name, givenV: given.startV };
  return [finding('cannot-raise', 'stop', place, facts)];
}

/** A part that runs on below the voltage at which it starts: after an interruption it stays off. */
function restartFinding(
  { source }: SourceTree,
  { id, input }: Connection,
  { place }: Gate,
  run: Discharge | undefined,
): Finding | undefined {
  const startV = input.takes === 'window' ? input.startV : undefined;
  const endV = feedPoint(run?.end, id)?.inputV;
  if (startV === undefined || endV === undefined || endV >= startV) return undefined;
  const from = run?.trace.find((point) => (feedPoint(point, id)?.inputV ?? Infinity) < startV);
  const facts = { place: place.part, source: source.title, startV, fromMin: from?.minute, charge: from?.soc };
  return finding('will-not-restart', 'caution', place, facts);
}

/** A window and what stands before it. */
interface Gate {
  readonly place: FindingPlace;
  readonly supply: OutputVolts;
}

function placeOf({ id, input, to }: Connection): { readonly place: FindingPlace } {
  const part = isKind(to, 'device') ? `${input.name} of ${to.title}` : to.title;
  return { place: { aspect: 'voltage', role: roleOf(to), gearId: to.id, connectionId: id, part } };
}

function rangeOf({ place, supply: { name, highV, lowV } }: Gate) {
  return { supply: name, highV, lowV, place: place.part };
}

function tooHigh({ source }: SourceTree, at: Gate, minV: number | undefined, maxV: number): Finding[] {
  const { place, supply } = at;
  if (isAbove(supply.highV, maxV)) return [finding('over-voltage', 'stop', place, { ...rangeOf(at), minV, maxV })];
  // a battery charged in place lifts everything that follows it to the charger's voltage
  const { chargingV: chargeV } = supply;
  if (chargeV === undefined || !isAbove(chargeV, maxV)) return [];
  return [finding('over-voltage-charging', 'stop', place, { battery: source.title, place: place.part, chargeV, maxV })];
}

function startFinding(
  { rig }: ResolvedRig,
  { source }: SourceTree,
  connection: Connection,
  at: Gate,
  minV: number,
  run: Discharge | undefined,
  arrivesV: number | undefined,
): Finding | undefined {
  const { place, supply } = at;
  const { startV } = connection.input.takes === 'window' ? connection.input : {};
  if (startV === undefined) return undefined;
  const below = isAbove(startV, supply.startV);
  // once it carries its own load it is pulled below again: it may not start, or drop out at once
  const sags = arrivesV !== undefined && arrivesV < startV - connection.leeway.volts;
  const refused = below || refusedToStart(connection, run, arrivesV ?? supply.startV, minV);
  if (!refused && !sags) return undefined;
  const { startSoc } = batteryState(rig, source.id);
  const givenV = below ? supply.startV : Math.min(arrivesV ?? supply.startV, supply.startV);
  const facts = { ...rangeOf(at), startV, givenV, charge: startSoc, underLoad: !below };
  return finding('will-not-start', refused ? 'stop' : 'caution', place, facts);
}

/** Whether a run that never began was kept from it by this window's start threshold, the rest of the rig drawing. */
function refusedToStart(connection: Connection, run: Discharge | undefined, arrivesV: number, minV: number): boolean {
  return run?.minutes === 0 && run.cause === 'converter-dropout' && stoppedAt(connection, run) && arrivesV >= minV;
}

/** Whether what ended a run is the window at the end of this connection. */
function stoppedAt({ id, to }: Connection, run: Discharge): boolean {
  if (run.cause !== 'converter-dropout' && run.cause !== 'load-undervoltage') return false;
  return run.at === id || run.at === to.id || run.at.startsWith(`${to.id}:`);
}

/** Volts below which the converter at a place of the circuit drops out: its own, where it only steps down. */
function dropsOutV({ connections }: SourceTree, at: string): number {
  return connections.find(({ from, output }) => portFeed(from.id, output.id) === at)?.converter?.minInputV ?? 0;
}

function tooLow(
  tree: SourceTree,
  connection: Connection,
  at: Gate,
  minV: number,
  run: Discharge | undefined,
  arrivesV: number | undefined,
): Finding | undefined {
  const { source } = tree;
  const { place, supply } = at;
  const { maxV } = connection.input;
  const endsHere = run !== undefined && stoppedAt(connection, run);
  // the run names the first part that cuts out; another may be too low at the same moment
  const leastV = minV - connection.leeway.volts;
  if (isAbove(minV, supply.startV) || (arrivesV !== undefined && arrivesV < leastV) || (endsHere && run.minutes === 0)) {
    const facts = { ...rangeOf(at), minV, maxV, arrivesV: Math.min(arrivesV ?? supply.startV, supply.startV) };
    return finding('under-voltage', 'stop', place, facts);
  }
  // a supply that goes lower now and then takes the device with it
  if (!supply.followsPack && isAbove(minV, supply.lowV)) return finding('supply-sags', 'caution', place, { ...rangeOf(at), minV, maxV });
  if (!isKind(source, 'battery')) return undefined;
  // what its own protection would leave at that draw is not the window's doing
  const usedUpSoc = tree.battery ? socAtCutoff(tree.battery.pack, run?.end?.packA ?? 0) : 0;
  if (endsHere && leftShare(source.gear, run.endSoc, usedUpSoc) >= NOTHING_STRANDED) {
    const stopsV = Math.max(minV, dropsOutV(tree, run.at));
    const left = { charge: run.endSoc, leftWh: run.strandedWh, leftShare: leftShare(source.gear, run.endSoc) };
    const cells = batteryFigures(source.gear).cellsInSeries;
    const fullV = cells === undefined ? undefined : fullVoltage(source.gear.chemistry, cells + 1);
    const oneMoreFits = !isMount(connection.input.connector) && fullV !== undefined && maxV !== undefined && !isAbove(fullV, maxV);
    const facts = { by: 'window', battery: source.title, ...rangeOf(at), minV: stopsV, maxV, ...left, oneMoreFits } as const;
    return finding('charge-stranded', strandedLevel(run, left.leftShare), place, facts);
  }
  if (run !== undefined || supply.lowV >= minV) return undefined;
  return finding('charge-stranded', 'caution', place, { by: 'window-untimed', ...rangeOf(at), minV, maxV });
}
