import type { Difference } from '../../../bench/contacts';
import type { ContactRole } from '../../../bench/sheet';
import { formatQuantity } from '../../../quantity';

const volts = (value: number | undefined): string => (value === undefined ? 'not measured' : formatQuantity(value, 'V'));

/** What the difference is, with the readings. */
export function sayDifference({ contact, code }: Difference): string {
  const { name, role, original, substitute } = contact;
  const who = role === 'other' ? `Contact ${name}` : `${WHO[role]} (${name})`;
  const [was, is, loaded] = [volts(original?.openV), volts(substitute?.openV), volts(substitute?.loadedV)];
  switch (code) {
    case 'same':
      return `${who}: as on the original.`;
    case 'exchanged':
      return `${who}: ${is}, on the original ${was}: plus and minus are exchanged. Never put it in.`;
    case 'nothing-there':
      return `${who}: nothing there (${is}), on the original ${was}.`;
    case 'live':
      return original?.openV === undefined
        ? `${who}: ${is}; measure the original’s before it goes in.`
        : `${who}: ${is}, on the original dead (${was}). Never put it in.`;
    case 'dead':
      return `${who}: dead (${is}), on the original ${was}.`;
    case 'too-high':
      return `${who}: ${is}, more than the device takes. Never put it in.`;
    case 'too-low':
      return `${who}: ${is}, less than the device needs.`;
    case 'higher':
    case 'lower':
      return `${who}: ${is}, on the original ${was}; what the device takes is not entered.`;
    case 'sags':
      return `${who}: ${is}, under load ${loaded}: it sags.`;
    case 'open':
      return `${who}: open, on the original ${ohms(original)}.`;
    case 'shorted':
      return `${who}: ${ohms(substitute)} to minus, on the original ${ohms(original)}: held to minus.`;
    case 'other-ohms':
      return `${who}: ${ohms(substitute)}, on the original ${ohms(original)}.`;
    case 'other-volts':
      return `${who}: ${is}, on the original ${was}.`;
    case 'not-measured':
      return `${who}: not all of it is measured.`;
  }
}

const WHO: Readonly<Record<Exclude<ContactRole, 'other'>, string>> = {
  plus: 'Plus',
  minus: 'Minus',
  temperature: 'Temperature',
  data: 'Data',
};

function ohms(side: { readonly ohms?: number; readonly over?: boolean } | undefined): string {
  if (side?.over) return 'open (OL)';
  return side?.ohms === undefined ? 'not measured' : formatQuantity(side.ohms, 'ohm');
}

/** What such a difference commonly does; empty where it does nothing. */
export function sayCommonly({ code, contact: { role } }: Difference): string {
  switch (code) {
    case 'exchanged':
    case 'too-high':
      return 'Damage the moment it is put in.';
    case 'live':
      return 'Damage to the camera’s battery electronics, or it refuses to start.';
    case 'nothing-there':
    case 'too-low':
      return 'No start.';
    case 'sags':
      return 'Flashes and dies, or shuts off when recording or the shutter starts.';
    case 'open':
    case 'other-ohms':
      return role === 'temperature'
        ? 'No start, flash and off, a temperature warning, or no charge in the camera.'
        : 'No gauge, a message about the battery, modes that stay closed.';
    case 'shorted':
      return role === 'temperature'
        ? 'Read as far too hot: no start, flash and off, no charge.'
        : 'A battery that is not recognised: no gauge, closed modes.';
    case 'dead':
    case 'other-volts':
      return 'No gauge, a message about the battery, modes that stay closed.';
    case 'higher':
    case 'lower':
    case 'not-measured':
      return 'Cannot be told yet.';
    case 'same':
      return '';
  }
}

/** The sound ways on; none of them goes round what the camera protects itself with. */
export const WAYS_ON: readonly string[] = [
  'An adapter made for this very model, by its maker’s list.',
  'The camera’s maker: which substitutes it allows, and how.',
  'Somebody qualified, for the measuring or a repair.',
];
