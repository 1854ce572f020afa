import { mates } from '../../gear';
import type { Battery, Connector, Gear } from '../../gear';
import type { Span } from '../model';
import type { Charge, Place } from '../shape';

/** A battery on a charger. It ends when the battery is wanted elsewhere. */
export interface OnCharger extends Charge {
  readonly place: Place | undefined;
}

/** When each place's outlet is live. */
export type Outlets = ReadonlyMap<string, readonly Span[]>;

/** Anything that fills batteries: a charger with slots, or a Power Delivery supply, whose ports fill USB banks. */
export interface Charger {
  readonly slots: number;
  readonly order: 'together' | 'one-by-one';
  /** Watts of a slot, and of all together, as far as they are known. */
  readonly powerW: number | undefined;
  readonly totalW: number | undefined;
  /** Where batteries sit; a supply fills what takes USB-C. */
  readonly connector: Connector | 'usb-c';
}

/**
 * A piece of gear as a charger; undefined when it is none.
 *
 * @example chargerOf({ kind: 'charger', name: 'Plate', slots: 2, order: 'together', powerW: 65, connector: { type: 'v-mount' } }).slots // 2
 */
export function chargerOf(gear: Gear | undefined): Charger | undefined {
  if (gear?.kind === 'charger') {
    const { slots, order, powerW, totalW, connector } = gear;
    return { slots, order, powerW, totalW, connector };
  }
  if (gear?.kind !== 'supply') return undefined;
  const ports = gear.outputs.flatMap((port) => (port.gives === 'pd' && port.ratingW !== undefined ? [port.ratingW] : []));
  if (ports.length === 0) return undefined;
  return { slots: ports.length, order: 'together', powerW: Math.min(...ports), totalW: gear.budgets?.[0]?.maxW, connector: 'usb-c' };
}

/** Whether a battery can be filled there: it sits on the charger's connector, or is a bank that takes USB-C. */
export function fits({ connector }: Charger, { form, outputs }: Battery): boolean {
  if (connector === 'usb-c') return form === 'bank';
  return outputs.some((port) => mates(port.connector, connector) === 'yes');
}

/** Whether a battery can be charged in the rig that it sits in: its maker lets it feed and be charged, and a lead reaches it. */
export function canChargeInPlace({ connector }: Charger, { chargesWhileFeeding }: Battery): boolean {
  return chargesWhileFeeding === true && connector === 'usb-c';
}

/** Watts of a slot when so many are filled; undefined while the charger's power is not known. */
export function wattsOf({ powerW, totalW }: Pick<Charger, 'powerW' | 'totalW'>, active: number): number | undefined {
  if (totalW === undefined) return powerW;
  return Math.min(powerW ?? Infinity, totalW / Math.max(1, active));
}
