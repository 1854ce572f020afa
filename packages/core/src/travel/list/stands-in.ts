import type { Gear } from '../../gear';
import { whyNotAtHand } from '../../gear/kit';
import { isKind } from '../../rig/drawn';
import type { DrawnRig, Part } from '../../rig/drawn';
import { spareTrouble } from '../../rig/resolved';
import { isSameValue } from '../../shape';

/**
 * Whether a piece of gear can take the place of a part of a rig without the rig being judged anew: batteries as spares
 * are, else the same plugs at both ends, the same volts, and no less current. On the safe side: what says less than the
 * part it would stand in for does not.
 */
export function standsIn(drawn: DrawnRig, part: Part, id: string, gear: Gear): boolean {
  if (id === part.id || gear.kind !== part.gear.kind || whyNotAtHand(gear) !== undefined || gear.changedByHand?.length) return false;
  if (isKind(part, 'battery')) return gear.kind === 'battery' && spareTrouble(drawn, { ...part, id, gear }, part) === undefined;
  if (isKind(part, 'cable')) return gear.kind === 'cable' && sameLead(part.gear, gear);
  return isSameValue(plugsOf(part.gear), plugsOf(gear)) && carries(gear) >= carries(part.gear);
}

type Lead = Extract<Gear, { kind: 'cable' }>;

function sameLead(own: Lead, other: Lead): boolean {
  return (
    isSameValue(own.ends, other.ends) &&
    (own.crossed ?? false) === (other.crossed ?? false) &&
    (other.maxA ?? 0) >= (own.maxA ?? 0) &&
    (!own.marked5A || other.marked5A === true) &&
    (!own.extendedRange || other.extendedRange === true)
  );
}

/** What decides what it can be joined to: connectors and volts, names and identifiers left out. */
function plugsOf(gear: Gear): unknown {
  const port = ({ id: _id, name: _name, ...rest }: { readonly id: string; readonly name: string }) => rest;
  switch (gear.kind) {
    case 'adapter':
      return { input: gear.input, output: gear.output };
    case 'hub':
      return { form: gear.form, inputs: gear.inputs.map(port), outputs: gear.outputs.map(port), order: gear.inputOrder };
    case 'supply':
      return { form: gear.form, outputs: gear.outputs.map(port) };
    case 'charger':
      return { connector: gear.connector };
    default:
      return gear;
  }
}

/** Watts, where it says some. */
function carries(gear: Gear): number {
  if (gear.kind === 'adapter') return gear.ratedW ?? 0;
  return gear.kind === 'charger' ? (gear.powerW ?? 0) : 0;
}
