import { idShape, localId, unknown } from '../../gear';
import { whenShape } from '../../measure/log';
import type { Named } from '../../rig/drawn';
import { choice, flag, list, number, object, optional, tagged, text } from '../../shape';
import type { Infer } from '../../shape';

const volts = (title: string) => optional(number(title, 'V', { min: -1000, max: 1_000_000 }));
const ohms = (title: string) => optional(number(title, 'ohm', { max: 1_000_000_000 }));

/** A meter's own error, from its data sheet: so much of what it shows, and so much on top. */
export const meterShape = object('Meter', {
  share: number('Of what it shows', 'fraction', { max: 0.2 }),
  volts: number('And on top', 'V', { max: 5 }),
  ohms: number('And on top, ohms', 'ohm', { max: 50 }),
});
export type MeterAccuracy = Infer<typeof meterShape>;
/** A hand-held meter of the usual kind, where its own sheet was not read. */
export const HANDHELD: MeterAccuracy = { share: 0.005, volts: 0.02, ohms: 0.2 };

/** What one contact shows against the minus contact: powered, and unpowered. */
const contactReading = (title: string) =>
  optional(
    object(title, {
      openV: volts('Volts, nothing on it'),
      loadedV: volts('Volts under load'),
      ohms: ohms('Ohms, unpowered'),
      over: optional(flag('Ohms over the range (OL)')),
    }),
  );

/** What a contact is there for. */
export const contactRole = choice('What it is', {
  plus: 'plus',
  minus: 'minus',
  temperature: 'temperature',
  data: 'data',
  other: 'not known',
});
export type ContactRole = Infer<typeof contactRole>;

export const contactShape = object('Contact', {
  name: text('Name', 20),
  role: contactRole,
  original: contactReading('The original battery'),
  substitute: contactReading('What takes its place'),
});
export type Contact = Infer<typeof contactShape>;

/** One reading of a step, with what was expected when it was taken. */
export const jointReadingShape = object('A reading', {
  step: text('Step', 200),
  volts: volts('Volts'),
  ohms: ohms('Ohms'),
  over: optional(flag('Over the range (OL)')),
  minV: volts('Expected at least'),
  maxV: volts('Expected at most'),
  maxOhm: ohms('Expected at most'),
  /** What the step rested on: another makes it to be measured again. */
  facts: text('What it rested on', 40),
});
export type JointReading = Infer<typeof jointReadingShape>;

const dated = {
  at: whenShape,
  by: optional(text('Who measured', 60)),
  note: optional(text('Note', 500)),
  unknown,
};

/** What was measured on the bench, as it was read: what it means is worked out anew each time. */
export const sheetShape = tagged('Bench sheet', 'kind', {
  /** The joints of a rig before there is power on it. */
  joints: {
    ...dated,
    rigId: idShape,
    meter: optional(meterShape),
    readings: list('Readings', jointReadingShape, { max: 500 }),
  },
  /** The contacts of an original battery beside those of what takes its place. */
  contacts: {
    ...dated,
    name: text('Name', 120),
    deviceId: optional(idShape),
    substituteId: optional(idShape),
    loadW: optional(number('Load', 'W', { above: 0, max: 500 })),
    contacts: list('Contacts', contactShape, { min: 2, max: 10 }),
  },
  /** A fault: what was tried, what was seen, and what it was. */
  fault: {
    ...dated,
    rigId: idShape,
    deviceId: optional(idShape),
    symptom: localId('Symptom'),
    answers: list('What was tried', object('A try', { test: localId('Test'), answer: localId('Answer') }), { max: 60 }),
    /** The cause, where it was found. */
    found: optional(localId('Cause')),
  },
  /** The volts at each tap of a pack's balance lead, from minus up. */
  taps: {
    ...dated,
    batteryId: idShape,
    volts: list('Volts of each group', number('Group', 'V', { min: -10, max: 20 }), { min: 1, max: 20 }),
    loaded: optional(flag('Under load')),
  },
});
export type Sheet = Infer<typeof sheetShape>;
export type SheetOf<K extends Sheet['kind']> = Extract<Sheet, { kind: K }>;
export interface SheetEntry {
  readonly id: string;
  readonly body: Sheet;
}

/** A sheet as it is kept in a plan. */
export const sheetItemShape = object('Bench sheet item', { id: idShape, body: sheetShape });

export const SHEET_KINDS: Readonly<Record<Sheet['kind'], string>> = {
  joints: 'Before power',
  contacts: 'Contacts compared',
  fault: 'Fault',
  taps: 'Balance lead',
};

/** Every item that a sheet names. */
export function namedBySheet(sheet: Sheet): readonly Named[] {
  const named = (path: string, kind: Named['kind'], id: string | undefined): readonly Named[] =>
    id === undefined ? [] : [{ path, kind, id }];
  switch (sheet.kind) {
    case 'joints':
      return named('/rigId', 'rigs', sheet.rigId);
    case 'contacts':
      return [...named('/deviceId', 'gear', sheet.deviceId), ...named('/substituteId', 'gear', sheet.substituteId)];
    case 'fault':
      return [...named('/rigId', 'rigs', sheet.rigId), ...named('/deviceId', 'gear', sheet.deviceId)];
    case 'taps':
      return named('/batteryId', 'gear', sheet.batteryId);
  }
}
