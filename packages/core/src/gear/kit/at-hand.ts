import type { Gear } from '..';
import { isHarmed } from './harm';

/** A battery at or below this is flat: it feeds nothing before it has been on a charger. */
export const FLAT_CHARGE = 0.1;

/**
 * Why a piece of gear cannot simply be taken: `archived`, `lent`, `lost`, `packed`, `broken`, or `damaged` and not looked at
 * since; undefined where it lies at hand.
 *
 * @example whyNotAtHand({ kind: 'cable', name: 'Lead', ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } }, away: 'lent' }) // 'lent'
 */
export function whyNotAtHand(gear: Gear): string | undefined {
  return gear.archived ? 'archived' : (gear.away ?? (isHarmed(gear) ? 'damaged' : undefined));
}

/**
 * Whether it is a battery known to be flat now. One of unknown charge is not.
 *
 * @example isFlat({ ...battery, charge: 0 }) // true
 */
export function isFlat(gear: Gear): boolean {
  return gear.kind === 'battery' && gear.charge !== undefined && gear.charge <= FLAT_CHARGE;
}

/** Whether it can be used this minute: at hand, and not flat. */
export function isReady(gear: Gear): boolean {
  return whyNotAtHand(gear) === undefined && !isFlat(gear);
}
