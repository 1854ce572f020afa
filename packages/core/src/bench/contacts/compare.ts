import { worstVerdict } from '../../findings';
import type { Verdict } from '../../findings';
import type { Gear } from '../../gear';
import { CHARGE_SHARE, FLOATS_V, HELD_SHARE, SAG_SHARE, WARMTH_SHARE } from '../../tables';
import { HANDHELD } from '../sheet';
import type { Contact, MeterAccuracy, SheetOf } from '../sheet';

export type ContactCode =
  | 'same'
  | 'exchanged'
  | 'nothing-there'
  | 'live'
  | 'dead'
  | 'too-high'
  | 'too-low'
  | 'higher'
  | 'lower'
  | 'sags'
  | 'open'
  | 'shorted'
  | 'other-ohms'
  | 'other-volts'
  | 'not-measured';

/** How one contact of what takes the battery's place differs from the original's. */
export interface Difference {
  /** Its place among the contacts. */
  readonly index: number;
  readonly contact: Contact;
  readonly code: ContactCode;
  readonly verdict: Verdict;
}

/** What the device stands at its bay; undefined where nobody entered it. */
export interface BayWindow {
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
}

/**
 * What a device stands where its battery sits: in its bay, or on its plate; else at its first input that takes volts.
 *
 * @example windowOf(gear.get(cameraId)).maxV // 8.6
 */
export function windowOf(device: Gear | undefined): BayWindow {
  const inputs = device?.kind === 'device' ? device.inputs.filter(({ takes }) => takes === 'window') : [];
  const bay = inputs.find(({ connector: { type } }) => type === 'bay' || type === 'l-plate') ?? inputs[0];
  return { minV: bay?.minV, maxV: bay?.maxV };
}

/**
 * Every contact with how it differs, the original's readings beside those of the substitute, all against minus. Nothing
 * that was not measured is the same; a figure that the device's window does not cover is never good.
 *
 * @example compareContacts({ kind: 'contacts', at: '2026-01-07', name: 'M', contacts: [{ name: '1', role: 'plus', original: { openV: 8.3 }, substitute: { openV: -8 } }, { name: '2', role: 'minus' }] }, { minV: 6, maxV: 8.6 })[0].code // 'exchanged'
 */
export function compareContacts(
  { contacts }: SheetOf<'contacts'>,
  window: BayWindow,
  meter: MeterAccuracy = HANDHELD,
): readonly Difference[] {
  const plusV = contacts.find(({ role }) => role === 'plus')?.original?.openV;
  return contacts.map((contact, index): Difference => {
    const [code, verdict] = judge(contact, window, meter, plusV);
    return { index, contact, code, verdict };
  });
}

/**
 * Of all contacts: the worst.
 *
 * @example verdictOfContacts([]) // 'good'
 */
export function verdictOfContacts(differences: readonly Difference[]): Verdict {
  return worstVerdict(differences.map(({ verdict }) => verdict));
}

type Said = readonly [ContactCode, Verdict];

function judge(contact: Contact, window: BayWindow, meter: MeterAccuracy, plusV: number | undefined): Said {
  if (contact.role === 'plus') return judgePlus(contact, window, meter);
  // everything is measured against it
  if (contact.role === 'minus') return contact.substitute?.openV === undefined ? ['same', 'good'] : judgeMinus(contact, plusV);
  return judgeSignal(contact, meter);
}

function judgeMinus({ substitute }: Contact, plusV = 1): Said {
  return Math.abs(substitute!.openV!) > Math.max(FLOATS_V, CHARGE_SHARE * plusV) ? ['live', 'stop'] : ['same', 'good'];
}

function judgePlus({ original, substitute }: Contact, { minV, maxV }: BayWindow, meter: MeterAccuracy): Said {
  const volts = substitute?.openV;
  const loaded = substitute?.loadedV;
  if (volts === undefined) return ['not-measured', 'unknown'];
  if (volts < -FLOATS_V) return ['exchanged', 'stop'];
  if (Math.abs(volts) <= FLOATS_V) return ['nothing-there', 'stop'];
  if (maxV !== undefined && volts > maxV) return ['too-high', 'stop'];
  if (minV !== undefined && volts < minV) return ['too-low', 'stop'];
  if (loaded !== undefined && minV !== undefined && loaded < minV) return ['sags', 'stop'];
  const rests = original?.openV;
  const error = meter.share * volts + meter.volts;
  const usualSag =
    rests !== undefined && original?.loadedV !== undefined ? Math.max(SAG_SHARE, (1.5 * (rests - original.loadedV)) / rests) : SAG_SHARE;
  if (loaded !== undefined && volts - loaded > usualSag * volts + 2 * error) return ['sags', 'caution'];
  if (rests === undefined) return ['not-measured', 'unknown'];
  if (maxV === undefined && volts > rests * (1 + CHARGE_SHARE) + error) return ['higher', 'unknown'];
  if (minV === undefined && volts < rests * (1 - CHARGE_SHARE) - error) return ['lower', 'unknown'];
  // with no window and no original above it, nothing says what it stands; under load it was not tried
  if (maxV === undefined || minV === undefined || loaded === undefined) return ['not-measured', 'unknown'];
  return ['same', 'good'];
}

/** A temperature, a data, an unknown contact. */
function judgeSignal({ original, substitute }: Contact, meter: MeterAccuracy): Said {
  const [was, is] = [original?.openV, substitute?.openV];
  if (is !== undefined && Math.abs(is) > FLOATS_V) {
    if (was === undefined) return ['live', 'unknown'];
    if (Math.abs(was) <= FLOATS_V) return ['live', 'stop'];
    if (is < -FLOATS_V) return ['exchanged', 'stop'];
    const error = meter.share * Math.abs(is) + meter.volts;
    if (is > was * (1 + CHARGE_SHARE) + error) return ['other-volts', 'stop'];
    if (is < was * (1 - CHARGE_SHARE) - error) return ['other-volts', 'caution'];
  } else if (is !== undefined && was !== undefined && Math.abs(was) > FLOATS_V) return ['dead', 'caution'];
  const ohms = judgeOhms(original, substitute, meter);
  if (ohms) return ohms;
  const volts = was !== undefined && is !== undefined;
  return volts && hasOhms(original) && hasOhms(substitute) ? ['same', 'good'] : ['not-measured', 'unknown'];
}

const hasOhms = (side: Contact['original']): boolean => side?.over === true || side?.ohms !== undefined;

function judgeOhms(original: Contact['original'], substitute: Contact['substitute'], meter: MeterAccuracy): Said | undefined {
  if (!hasOhms(original) || !hasOhms(substitute)) return undefined;
  if (substitute?.over) return original?.over ? undefined : ['open', 'caution'];
  const is = substitute!.ohms!;
  if (original?.over) return ['shorted', 'caution'];
  const was = original!.ohms!;
  if (Math.abs(is - was) <= meter.ohms + meter.share * was) return undefined;
  if (is < HELD_SHARE * was) return ['shorted', 'caution'];
  return Math.abs(is - was) > WARMTH_SHARE * was ? ['other-ohms', 'caution'] : undefined;
}

/** Codes that a substitute may be put in with. */
export function mayGoIn(codes: readonly ContactCode[]): boolean {
  return codes.every((code) => code === 'same');
}
