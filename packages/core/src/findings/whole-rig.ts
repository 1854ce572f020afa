import type { Device } from '../gear';
import { connectionsInto, hasCushion, inOwnBay, isA, resilience, roleOf, spareTrouble } from '../rig';
import type { Part, ResolvedRig } from '../rig';
import { builtInId } from '../run';
import type { SystemRun } from '../run';
import { finding } from './finding';
import type { Finding, FindingPlace } from './finding';

/** What fails together, what nothing carries over a swap, batteries that empty while plugged in, spares that do not fit. */
export function wholeRigFindings(rig: ResolvedRig, timeline: SystemRun | undefined, plannedMin: number | undefined): Finding[] {
  return [...togetherFindings(rig), ...cushionFindings(rig, plannedMin), ...drainFindings(rig, timeline), ...spareFindings(rig)];
}

/** Whether it lasts as long as asked. */
export function lastsFindings({ rig, sources }: ResolvedRig, firstStopMin: number | undefined, plannedMin: number | undefined): Finding[] {
  const { wantedMin } = rig;
  if (firstStopMin === undefined || plannedMin === undefined || wantedMin === undefined) return [];
  const place: FindingPlace = { aspect: 'run', role: 'rig', part: sources.map(({ gear }) => gear.name).join(', ') };
  const facts = { wantedMin, plannedMin, firstStopMin };
  if (plannedMin >= wantedMin) return [finding('lasts', 'good', place, facts)];
  return [finding(firstStopMin >= wantedMin ? 'lasts-into-reserve' : 'too-short', 'caution', place, facts)];
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
    const place: FindingPlace = { aspect: 'run', role: roleOf(first!), gearId: first!.id, part: first!.gear.name };
    const facts = { parts: parts.map(({ gear }) => gear.name), stops: stops.map(({ gear }) => gear.name), devices: devices.length };
    return finding(all ? 'stops-together' : 'single-point', 'caution', place, facts);
  });
}

function cushionFindings(resolved: ResolvedRig, plannedMin: number | undefined): Finding[] {
  const { rig, devices } = resolved;
  const { wantedMin } = rig;
  if (wantedMin === undefined || plannedMin === undefined || plannedMin >= wantedMin) return [];
  const cut = devices.filter(({ part }) => {
    const [first, ...others] = connectionsInto(resolved, part);
    if (!first || others.length > 0 || hasCushion(resolved, part, first.id)) return false;
    return !bridged(resolved, first.from);
  });
  if (cut.length === 0) return [];
  const facts = { devices: cut.map(({ part }) => part.gear.name), wantedMin, plannedMin };
  return [finding('no-cushion', 'caution', { aspect: 'run', role: 'rig', part: rig.name }, facts)];
}

/** Whether a change of battery behind this part is carried: by a buffer, a second input, or a supply that is never changed. */
function bridged(rig: ResolvedRig, part: Part): boolean {
  if (isA(part, 'supply')) return true;
  const behind = connectionsInto(rig, part);
  if (isA(part, 'hub') && ((part.gear.bufferS ?? 0) > 0 || behind.length > 1)) return true;
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
    const { name: device } = part.gear;
    const place: FindingPlace = { aspect: 'run', role: 'device', gearId: part.id, part: device };
    return [finding('battery-drains', 'caution', place, { device, flatMin: flat.minute })];
  });
}

/** Spares that a rig names and that cannot be counted on. */
function spareFindings(resolved: ResolvedRig): Finding[] {
  const { rig, parts } = resolved;
  return (rig.batteries ?? []).flatMap(({ gearId, spareIds = [] }) => {
    const battery = parts.get(gearId);
    if (!battery || !isA(battery, 'battery')) return [];
    return spareIds.flatMap((id) => {
      const spare = parts.get(id);
      const trouble = spare && isA(spare, 'battery') ? spareTrouble(resolved, spare, battery) : undefined;
      if (!spare || trouble === undefined) return [];
      const place: FindingPlace = { aspect: 'run', role: 'battery', gearId: id, part: spare.gear.name };
      return [finding('spare-unfit', 'caution', place, { spare: spare.gear.name, battery: battery.gear.name, trouble })];
    });
  });
}
