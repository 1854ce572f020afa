import type { Needs } from '../../gear';
import { inOwnBay, isKind } from '../../rig/drawn';
import type { DeviceUse, Part } from '../../rig/drawn';
import { connectionsInto, connectionTo, treeFeeding } from '../../rig/resolved';
import type { Connection, ResolvedRig, SourceTree } from '../../rig/resolved';
import type { Discharge } from '../../run';
import type { Need } from '../fact-parts';
import type { Facts, Finding, FindingPlace } from '../facts';
import { finding } from '../finding';
import { deviceVolts, feedPoint } from '../points';

/** A device and what feeds it. */
interface Fed {
  readonly use: DeviceUse;
  readonly connection: Connection;
  readonly run: Discharge | undefined;
  /** The battery in the device's own bay, whatever feeds it. */
  readonly own: Part | undefined;
}

/** What a device loses on its feed: the mode chosen, other modes, features. */
export function capabilityFindings(rig: ResolvedRig, runs: ReadonlyMap<SourceTree, Discharge | undefined>): Finding[] {
  return rig.devices.flatMap((use) => {
    const tree = treeFeeding(rig.trees, use.part);
    if (!tree) return [];
    const connection = connectionTo(tree, use.part);
    const own = connectionsInto(rig, use.part).find(inOwnBay)?.from;
    const fed: Fed = { use, connection, run: runs.get(tree), own };
    return [...modeInUse(fed), ...otherModes(fed), ...features(fed)];
  });
}

function placeOf({ use: { part }, connection: { id } }: Fed): FindingPlace {
  return { aspect: 'modes', role: 'device', gearId: part.id, connectionId: id, part: part.title };
}

function modeInUse(fed: Fed): Finding[] {
  const {
    title: device,
    gear: { modes, needs: usual },
  } = fed.use.part;
  const mode = modes?.find(({ id }) => id === fed.use.modeId);
  const need = unmet(fed, mode ? mode.needs : usual);
  if (!need) return [];
  const facts = { device, mode: mode?.name, need };
  if (isUnknown(need)) return [finding('figure-missing', 'unknown', placeOf(fed), { lack: 'mode', ...facts })];
  const late = need.need === 'volts' && need.startV >= need.needV;
  return [finding(late ? 'mode-lost-late' : 'mode-lost', late ? 'caution' : 'stop', placeOf(fed), facts)];
}

function otherModes(fed: Fed): Finding[] {
  const {
    title: device,
    gear: { modes = [] },
  } = fed.use.part;
  return modes.flatMap(({ id, name: mode, needs }) => {
    const need = id === fed.use.modeId ? undefined : unmet(fed, needs);
    return need ? [finding('mode-closed', 'note', placeOf(fed), { device, mode, need })] : [];
  });
}

function features(fed: Fed): Finding[] {
  const {
    title: device,
    gear: { features: all = [] },
  } = fed.use.part;
  return all.flatMap(({ name: feature, needs, silently = false }) => {
    const need = unmet(fed, needs);
    if (!need) return [];
    const facts: Facts['feature-lost'] = { device, feature, silently, need };
    if (isUnknown(need)) return [finding('figure-missing', 'unknown', placeOf(fed), { lack: 'feature', ...facts })];
    // what goes without a word is missed on the day
    return [finding('feature-lost', silently ? 'caution' : 'note', placeOf(fed), facts)];
  });
}

/** Whether it cannot be told if the condition is met. */
export function isUnknown({ need }: Need): boolean {
  return need === 'contract-unknown' || need === 'volts-unknown' || need === 'recognition-unknown';
}

/** The condition that a feed does not meet over the whole discharge, one that is not met before one that is not known. */
function unmet(fed: Fed, needs: Needs | undefined): Need | undefined {
  if (!needs) return undefined;
  const { minV, contractW, recognised } = needs;
  const all = [
    contractW === undefined ? undefined : unmetContract(fed, contractW),
    minV === undefined ? undefined : unmetVolts(fed, minV),
    recognised ? unrecognised(fed) : undefined,
  ].filter((need) => need !== undefined);
  return all.find((need) => !isUnknown(need)) ?? all[0];
}

function unmetContract({ connection: { input, contract } }: Fed, needW: number): Need | undefined {
  if (input.takes !== 'pd') return { need: 'delivery', needW };
  if (!contract) return { need: 'contract-unknown' };
  return contract.powerW < needW ? { need: 'contract', needW, givenW: contract.powerW } : undefined;
}

function unmetVolts({ connection: { id, to, supply }, run }: Fed, needV: number): Need | undefined {
  const startV = feedPoint(run?.start, id)?.loadV ?? deviceVolts(run?.start, to.id) ?? supply?.startV;
  const endV = feedPoint(run?.end, id)?.loadV ?? deviceVolts(run?.end, to.id) ?? supply?.lowV;
  if (startV === undefined || endV === undefined) return { need: 'volts-unknown' };
  return Math.min(startV, endV) < needV ? { need: 'volts', needV, startV, endV } : undefined;
}

function unrecognised({ connection: { input, from }, own }: Fed): Need | undefined {
  // USB feeds beside the bay: what sits there is what the device knows
  const battery = input.takes === 'pd' ? own : from;
  if (!battery) return { need: 'no-battery' };
  const known = isKind(battery, 'battery') || isKind(battery, 'adapter') || isKind(battery, 'hub') ? battery.gear.recognised : false;
  if (known === true) return undefined;
  return { need: known === undefined ? 'recognition-unknown' : 'recognised', battery: battery.title };
}
