import { CHEMISTRIES, ocvArea } from '../cell';
import { batteryFigures } from '../gear';
import { batteryState, isA, roleOf } from '../rig';
import type { Connection, OutputVolts, ResolvedRig, SourceTree } from '../rig';
import type { Discharge } from '../run';
import { finding } from './finding';
import type { Finding, FindingPlace } from './finding';
import { lacking } from './lacking';
import { feedPoint, mostCurrent } from './points';

/** A battery stopped with less than this share of its charge left counts as used up. */
const NOTHING_STRANDED = 0.05;
/** A cable that takes more than this share of the voltage is told. */
const MUCH_DROP = 0.05;

/** A source's whole range against the window of everything it feeds, over the whole discharge. */
export function voltageFindings(rig: ResolvedRig, tree: SourceTree, run: Discharge | undefined): readonly Finding[] {
  return [
    ...tree.connections.flatMap((connection) => [...windowFindings(rig, tree, connection, run), ...dropFindings(connection, run)]),
    ...sagFindings(tree, run),
  ];
}

/** A load that pulls the battery down to its cut-off while there is charge left. */
function sagFindings({ source, connections, spec }: SourceTree, run: Discharge | undefined): readonly Finding[] {
  if (run?.cause !== 'pack-cutoff' || run.endSoc <= NOTHING_STRANDED || !isA(source, 'battery')) return [];
  const loads = connections.filter(({ to }) => isA(to, 'device')).map(({ to }) => to.gear.name);
  const place = { aspect: 'voltage', role: 'battery', gearId: source.id, part: source.gear.name } as const;
  const cutoffV = spec?.cutoffV ?? 0;
  const facts = { by: 'cutoff', battery: source.gear.name, loads, cutoffV, charge: run.endSoc, leftWh: run.strandedWh } as const;
  return [finding('charge-stranded', 'caution', place, facts)];
}

function dropFindings({ id, cable, to, supply, leadOhm }: Connection, run: Discharge | undefined): Finding[] {
  if (!cable || !supply || !run) return [];
  const currentA = mostCurrent(run, id);
  const dropV = currentA * leadOhm;
  const dropShare = dropV / supply.startV;
  if (dropShare <= MUCH_DROP) return [];
  const place = { aspect: 'voltage', role: 'cable', gearId: cable.id, connectionId: id, part: cable.gear.name } as const;
  return [finding('wire-drop', 'caution', place, { cable: cable.gear.name, to: to.gear.name, dropV, dropShare, currentA })];
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
  if (noStart) return [...findings, noStart];
  const low = tooLow(tree, connection, at, minV, run, arrivesV);
  if (low) findings.push(low);
  if (findings.length === 0) findings.push(finding('voltage-fits', 'good', at.place, { ...rangeOf(at), minV, maxV: maxV ?? minV }));
  return findings;
}

/** A window and what stands before it. */
interface Gate {
  readonly place: FindingPlace;
  readonly supply: OutputVolts;
}

function placeOf({ id, input, to }: Connection): { readonly place: FindingPlace } {
  const part = isA(to, 'device') ? `${input.name} of ${to.gear.name}` : to.gear.name;
  return { place: { aspect: 'voltage', role: roleOf(to), gearId: to.id, connectionId: id, part } };
}

function rangeOf({ place, supply: { name, highV, lowV } }: Gate) {
  return { supply: name, highV, lowV, place: place.part };
}

function tooHigh({ source }: SourceTree, at: Gate, minV: number | undefined, maxV: number): Finding[] {
  const { place, supply } = at;
  if (supply.highV > maxV) return [finding('over-voltage', 'stop', place, { ...rangeOf(at), minV, maxV })];
  // a battery charged in place lifts everything that follows it to the charger's voltage
  const chargeV = isA(source, 'battery') ? source.gear.chargeV : undefined;
  if (chargeV === undefined || !supply.followsPack || chargeV <= maxV) return [];
  return [finding('over-voltage-charging', 'caution', place, { battery: source.gear.name, place: place.part, chargeV, maxV })];
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
  const below = supply.startV < startV;
  if (!below && !refusedToStart(connection, run, arrivesV ?? supply.startV, minV)) return undefined;
  const { startSoc } = batteryState(rig, source.id);
  const facts = { ...rangeOf(at), startV, givenV: supply.startV, charge: startSoc, underLoad: !below };
  return finding('will-not-start', 'stop', place, facts);
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

function tooLow(
  { source }: SourceTree,
  connection: Connection,
  at: Gate,
  minV: number,
  run: Discharge | undefined,
  arrivesV: number | undefined,
): Finding | undefined {
  const { place, supply } = at;
  const { maxV } = connection.input;
  const endsHere = run !== undefined && stoppedAt(connection, run);
  // the run names the first part that cuts out; another may be too low at the same moment
  if (supply.startV < minV || (arrivesV !== undefined && arrivesV < minV) || (endsHere && run.minutes === 0)) {
    const facts = { ...rangeOf(at), minV, maxV, arrivesV: Math.min(arrivesV ?? supply.startV, supply.startV) };
    return finding('under-voltage', 'stop', place, facts);
  }
  if (!isA(source, 'battery')) return undefined;
  if (endsHere && run.endSoc > NOTHING_STRANDED) {
    const table = CHEMISTRIES[source.gear.chemistry].ocvPerCell;
    const left = { charge: run.endSoc, leftWh: run.strandedWh, leftShare: ocvArea(table, run.endSoc) / ocvArea(table, 1) };
    return finding('charge-stranded', 'caution', place, { by: 'window', battery: source.gear.name, ...rangeOf(at), minV, maxV, ...left });
  }
  if (run !== undefined || supply.lowV >= minV) return undefined;
  return finding('charge-stranded', 'caution', place, { by: 'window-untimed', ...rangeOf(at), minV, maxV });
}
