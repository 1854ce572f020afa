import type { Device } from '../../gear';
import { inOwnBay, isKind, roleOf } from '../../rig/drawn';
import type { Part } from '../../rig/drawn';
import { connectionsInto, hasCushion, resilience, spareTrouble } from '../../rig/resolved';
import type { ResolvedRig } from '../../rig/resolved';
import { builtInId, swapMinutes, unbridgedMinutes } from '../../run';
import type { SystemRun } from '../../run';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';

/** What fails together, what nothing carries over a swap, batteries that empty while plugged in, spares that do not fit. */
export function wholeRigFindings(rig: ResolvedRig, timeline: SystemRun | undefined, plannedMin: number | undefined): Finding[] {
  return [...togetherFindings(rig), ...cushionFindings(rig, timeline, plannedMin), ...drainFindings(rig, timeline), ...spareFindings(rig)];
}

/** Minutes that changes of battery up to then leave some device without power. */
export function swapGapMinutes(rig: ResolvedRig, timeline: SystemRun | undefined, untilMin: number): number {
  if (cutBySwaps(rig).length === 0) return 0;
  const swaps = timeline?.events.filter(({ kind, minute }) => kind === 'swap' && minute <= untilMin) ?? [];
  return swaps.reduce((sum, { id }) => sum + unbridgedMinutes(rig, id), 0);
}

/** Whether it lasts as long as asked. */
export function lastsFindings(
  resolved: ResolvedRig,
  timeline: SystemRun | undefined,
  firstStopMin: number | undefined,
  plannedMin: number | undefined,
): Finding[] {
  const { rig, sources } = resolved;
  const { wantedMin } = rig;
  if (firstStopMin === undefined || plannedMin === undefined || wantedMin === undefined) return [];
  const place: FindingPlace = { aspect: 'run', role: 'rig', part: sources.map(({ gear }) => gear.name).join(', ') };
  // while a battery is changed and nothing carries the rig it does not run: that is counted off
  const gapMin = swapGapMinutes(resolved, timeline, firstStopMin);
  const facts = { wantedMin, plannedMin, firstStopMin, gapMin };
  if (plannedMin - swapGapMinutes(resolved, timeline, plannedMin) >= wantedMin) return [finding('lasts', 'good', place, facts)];
  return [finding(firstStopMin - gapMin >= wantedMin ? 'lasts-into-reserve' : 'too-short', 'caution', place, facts)];
}

function togetherFindings(rig: ResolvedRig): Finding[] {
  const { devices, connections, sources } = rig;
  if (devices.length < 2 || connections.length === 0) return [];
  const sets = new Map<string, { readonly parts: Part[]; readonly stops: readonly Part<Device>[] }>();
  for (const { part, stops } of resilience(rig)) {
    if (stops.length < 2) continue;
    const key = stops.map(({ id }) => id).join();
    const set = sets.get(key) ?? { parts: [], stops };
    set.parts.push(part);
    sets.set(key, set);
  }
  return [...sets.values()].map(({ parts, stops }) => {
    const all = stops.length === devices.length && parts.some((part) => sources.some(({ id }) => id === part.id));
    const [first] = parts;
    const place: FindingPlace = { aspect: 'run', role: roleOf(first!), gearId: first!.id, part: first!.title };
    const facts = { parts: parts.map(({ title }) => title), stops: stops.map(({ title }) => title), devices: devices.length };
    return finding(all ? 'stops-together' : 'single-point', 'note', place, facts);
  });
}

/** A change of battery within the time asked for that nothing carries, whatever spares there are. */
function cushionFindings(resolved: ResolvedRig, timeline: SystemRun | undefined, plannedMin: number | undefined): Finding[] {
  const { rig } = resolved;
  const { wantedMin } = rig;
  if (wantedMin === undefined || plannedMin === undefined) return [];
  const swapped = timeline?.events.find(({ kind, minute }) => kind === 'swap' && minute < wantedMin);
  const firstSwapMin = swapped?.minute ?? (plannedMin < wantedMin ? plannedMin : undefined);
  const cut = cutBySwaps(resolved);
  if (firstSwapMin === undefined || cut.length === 0) return [];
  const swapMin = swapped ? unbridgedMinutes(resolved, swapped.id) : swapMinutes(rig);
  const facts = { devices: cut.map(({ title }) => title), wantedMin, firstSwapMin, swapMin };
  return [finding('no-cushion', 'note', { aspect: 'run', role: 'rig', part: rig.name }, facts)];
}

/** Devices that a change of battery leaves without power for a moment. */
function cutBySwaps(resolved: ResolvedRig): readonly Part<Device>[] {
  return resolved.devices.flatMap(({ part }) => {
    const [first, ...others] = connectionsInto(resolved, part);
    if (!first || others.length > 0 || hasCushion(resolved, part, first.id)) return [];
    return bridged(resolved, first.from) ? [] : [part];
  });
}

/** Whether a change of battery behind this part is carried: by a buffer, a second input, or a supply that is never changed. */
function bridged(rig: ResolvedRig, part: Part): boolean {
  if (isKind(part, 'supply')) return true;
  const behind = connectionsInto(rig, part);
  if (isKind(part, 'hub') && ((part.gear.bufferS ?? 0) >= swapMinutes(rig.rig) * 60 || behind.length > 1)) return true;
  return behind.some(({ from }) => bridged(rig, from));
}

function drainFindings(rig: ResolvedRig, timeline: SystemRun | undefined): Finding[] {
  if (!timeline) return [];
  return rig.devices.flatMap(({ part }) => {
    const into = connectionsInto(rig, part);
    const own = into.find(inOwnBay);
    const usb = into.find(({ input }) => input.takes === 'pd');
    const flat = timeline.events.find(({ kind, id }) => kind === 'own-battery-flat' && (id === own?.from.id || id === builtInId(part.id)));
    const gone = timeline.events.find(({ kind, id }) => kind === 'source-out' && id === usb?.from.id);
    // drained beside a feed that still stood, not after it
    if (!flat || !usb || (gone && gone.minute <= flat.minute)) return [];
    const { title: device } = part;
    const place: FindingPlace = { aspect: 'run', role: 'device', gearId: part.id, part: device };
    return [finding('battery-drains', 'caution', place, { device, flatMin: flat.minute })];
  });
}

/** Spares that a rig names and that cannot be counted on. */
function spareFindings(resolved: ResolvedRig): Finding[] {
  const { rig, parts } = resolved;
  return (rig.batteries ?? []).flatMap(({ gearId, spareIds = [] }) => {
    const battery = parts.get(gearId);
    if (!battery || !isKind(battery, 'battery')) return [];
    return spareIds.flatMap((id) => {
      const spare = parts.get(id);
      const trouble = spare && isKind(spare, 'battery') ? spareTrouble(resolved, spare, battery) : undefined;
      if (!spare || trouble === undefined) return [];
      const place: FindingPlace = { aspect: 'run', role: 'battery', gearId: id, part: spare.title };
      return [finding('spare-unfit', 'caution', place, { spare: spare.title, battery: battery.title, trouble })];
    });
  });
}
