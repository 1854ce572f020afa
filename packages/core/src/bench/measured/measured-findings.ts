import type { Measured } from '../../answer';
import { finding } from '../../findings';
import type { Finding, FindingPlace, MeasuredWrong } from '../../findings';
import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { gearIdsOf } from '../../rig/drawn';
import type { Rig, Role } from '../../rig/drawn';
import { compareContacts, judgeTaps, windowOf } from '../contacts';
import { isOhms, sheetOfRig, standingOf } from '../joints';
import type { CheckedStep, ReadingCode } from '../joints';
import type { Sheet, SheetEntry } from '../sheet';

/**
 * Those of the sheets that were measured on a rig or on gear of it; a search for a fault says nothing of either.
 *
 * @example sheetsAbout('r', rig, []) // []
 */
export function sheetsAbout(rigId: string, rig: Rig, sheets: readonly SheetEntry[]): readonly SheetEntry[] {
  const ids = new Set<string | undefined>(gearIdsOf(rig));
  return sheets.filter(({ body }) => {
    switch (body.kind) {
      case 'joints':
        return body.rigId === rigId;
      case 'contacts':
        return ids.has(body.substituteId) && (body.deviceId === undefined || ids.has(body.deviceId));
      case 'taps':
        return ids.has(body.batteryId);
      case 'fault':
        return false;
    }
  });
}

/**
 * What was measured and says stop, as findings of a rig: at its joints, at the contacts of what stands in for its batteries,
 * at the groups of its packs. Only the newest sheet of each counts, and of a joint only what has not changed since.
 * Cost: that of working the rig out once more where it was measured, else next to nothing.
 *
 * @example measuredFindings('r', rig, gear, []) // []
 */
export function measuredFindings(
  rigId: string,
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  sheets: readonly SheetEntry[],
): readonly Finding[] {
  const about = sheetsAbout(rigId, rig, sheets);
  return [...atJoints(rigId, rig, gear, about), ...atContacts(gear, about), ...atGroups(gear, about)];
}

/**
 * The same of many rigs; those of which nothing says stop are left out.
 *
 * @example measuredOf(new Map(), gear, []).size // 0
 */
export function measuredOf(rigs: ReadonlyMap<string, Rig>, gear: ReadonlyMap<string, Gear>, sheets: readonly SheetEntry[]): Measured {
  const all = [...rigs].map(([id, rig]) => [id, measuredFindings(id, rig, gear, sheets)] as const);
  return new Map(all.filter(([, found]) => found.length > 0));
}

const WRONG: Readonly<Partial<Record<ReadingCode, MeasuredWrong>>> = {
  reversed: 'reversed',
  'nothing-there': 'nothing-there',
  'too-high': 'too-high',
  'too-low': 'too-low',
  broken: 'broken',
  short: 'short',
  'too-far-apart': 'too-far-apart',
};

function atJoints(rigId: string, rig: Rig, gear: ReadonlyMap<string, Gear>, sheets: readonly SheetEntry[]): readonly Finding[] {
  const sheet = sheetOfRig(sheets, rigId)?.body;
  if (sheet?.kind !== 'joints' || sheet.readings.length === 0) return [];
  return standingOf(rig, gear, sheet).steps.flatMap((checked) => ofJoint(checked, gear, dayOf(sheet.at)));
}

function ofJoint({ step, reading, judged }: CheckedStep, gear: ReadonlyMap<string, Gear>, on: string): readonly Finding[] {
  const wrong = judged && WRONG[judged.code];
  if (!wrong || judged.verdict !== 'stop') return [];
  const { fromId, cableId, next } = step;
  const own = isOhms(step);
  // volts between two batteries count whichever is the fuller
  const isPair = step.is === 'apart';
  const facts = {
    part: titleOf(fromId, gear),
    next: next.name,
    lead: cableId === undefined ? undefined : titleOf(cableId, gear),
    wrong,
    reading: reading === 'OL' ? undefined : isPair && reading !== undefined ? Math.abs(reading) : reading,
    unit: own ? 'ohm' : 'V',
    lowest: own || isPair ? undefined : (next.minV ?? step.minV),
    highest: own ? step.maxOhm : (next.maxV ?? step.maxV),
    on,
  } as const;
  const place = placeAt(cableId ?? fromId, gear, wrong === 'reversed' || own ? 'connector' : 'voltage');
  return [finding('measured-stop', 'stop', place, facts)];
}

/** The newest of those that are about the same thing. */
function newest<S extends Pick<Sheet, 'at'>>(sheets: readonly S[], keyOf: (sheet: S) => string): readonly S[] {
  const found = new Map<string, S>();
  for (const sheet of sheets) {
    const before = found.get(keyOf(sheet));
    if (!before || sheet.at >= before.at) found.set(keyOf(sheet), sheet);
  }
  return [...found.values()];
}

function atContacts(gear: ReadonlyMap<string, Gear>, sheets: readonly SheetEntry[]): readonly Finding[] {
  const about = sheets.flatMap(({ body }) =>
    body.kind === 'contacts' && body.substituteId !== undefined ? [{ ...body, substituteId: body.substituteId }] : [],
  );
  const own = newest(about, ({ substituteId, deviceId }) => `${substituteId} ${deviceId ?? ''}`);
  return own.flatMap((sheet) => {
    const { deviceId, substituteId, at } = sheet;
    const device = deviceId === undefined ? undefined : gear.get(deviceId);
    const stops = compareContacts(sheet, windowOf(device)).filter(({ verdict }) => verdict === 'stop');
    if (stops.length === 0) return [];
    const facts = {
      substitute: titleOf(substituteId, gear),
      device: device && gearTitle(device),
      contacts: stops.map(({ contact }) => contact.name),
      on: dayOf(at),
    };
    return [finding('contacts-stop', 'stop', placeAt(substituteId, gear, 'connector'), facts)];
  });
}

function atGroups(gear: ReadonlyMap<string, Gear>, sheets: readonly SheetEntry[]): readonly Finding[] {
  const about = sheets.flatMap(({ body }) => (body.kind === 'taps' ? [body] : []));
  return newest(about, ({ batteryId }) => batteryId).flatMap((sheet) => {
    const battery = gear.get(sheet.batteryId);
    // a sheet that was only begun says nothing
    if (battery?.kind !== 'battery' || sheet.volts.every((volts) => volts === 0)) return [];
    const { groups } = judgeTaps(battery.chemistry, sheet.volts, sheet.loaded);
    const stops = groups.flatMap(({ verdict }, index) => (verdict === 'stop' ? [index + 1] : []));
    if (stops.length === 0) return [];
    const facts = { battery: gearTitle(battery), groups: stops, on: dayOf(sheet.at) };
    return [finding('groups-stop', 'stop', placeAt(sheet.batteryId, gear, 'voltage'), facts)];
  });
}

/** A sheet's moment is as the clock on the wall said: its first ten signs are the day. */
const dayOf = (at: string): string => at.slice(0, 10);

function titleOf(id: string, gear: ReadonlyMap<string, Gear>): string {
  const body = gear.get(id);
  return body ? gearTitle(body) : 'a part that is gone';
}

function placeAt(id: string, gear: ReadonlyMap<string, Gear>, aspect: FindingPlace['aspect']): FindingPlace {
  const kind = gear.get(id)?.kind;
  const role: Role = kind === undefined || kind === 'charger' ? 'rig' : kind;
  return { aspect, role, gearId: id, part: titleOf(id, gear) };
}
