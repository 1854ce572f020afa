import type { Output } from '../../gear';
import { negotiate, plainFiveVolts, profilesByRating, usbCable } from '../../physics/usb';
import type { Contract, Profile } from '../../physics/usb';
import { LEGACY_A, PLAIN_V, TYPE_C_A } from '../../tables';
import type { Ends, Part } from '../drawn';
import type { Evidence } from './figure';

type DeliveryOutput = Extract<Output, { gives: 'pd' }>;

/** Whether an output gives about 5 V, as a USB port without Power Delivery does. */
export function isPlainUsb(voltageV: number): boolean {
  return Math.abs(voltageV - PLAIN_V) < 0.5;
}

/** Whether a cable between two ends carries the talk of Power Delivery at all. */
export function carriesDelivery({ cable, output, input }: Ends): boolean {
  const ends = cable ? [cable.gear.ends.source.type, cable.gear.ends.load.type] : [];
  return [output.connector.type, input.connector.type, ...ends].every((type) => type === 'usb-c');
}

/** What a Power Delivery port, cable and input agree on; undefined where there is nothing. */
export function contractOf(ends: Ends, output: DeliveryOutput, profiles: readonly Profile[]): Contract | undefined {
  const { cable, input } = ends;
  if (input.takes !== 'pd' || input.minV === undefined || input.maxV === undefined) return undefined;
  const carries = usbCable(cable?.gear.marked5A ?? false, cable?.gear.extendedRange ?? false);
  const sink = { minV: input.minV, maxV: input.maxV, programmable: input.programmable ?? false };
  if (!carriesDelivery(ends)) return plainFiveVolts(plainPortAmps(ends, output), carries, sink);
  return negotiate(profiles, carries, sink, output.programmable);
}

/**
 * Amps at 5 V that a Power Delivery port gives where nothing is agreed on: its own 5 V profile, or its rating; 3 A at most
 * from USB-C to USB-C, the standard's 1.5 A through a USB-A end.
 */
export function plainPortAmps(ends: Ends, { ratingW, profiles }: DeliveryOutput): number {
  const own = profiles?.find(({ voltageV }) => isPlainUsb(voltageV))?.currentA;
  return Math.min(carriesDelivery(ends) ? TYPE_C_A : LEGACY_A, own ?? (ratingW === undefined ? TYPE_C_A : ratingW / PLAIN_V));
}

/** What an input made for Power Delivery takes from a plain 5 V port of so many amps. */
export function plainContract({ cable, input }: Ends, portA: number | undefined): Contract | undefined {
  if (input.takes !== 'pd' || input.minV === undefined || input.maxV === undefined || portA === undefined) return undefined;
  const carries = usbCable(cable?.gear.marked5A ?? false, cable?.gear.extendedRange ?? false);
  return plainFiveVolts(portA, carries, { minV: input.minV, maxV: input.maxV });
}

/**
 * What a port offers while others on the same budget are in use (`neighbours`); undefined where nobody says. Where all of
 * them together stay within the budget each keeps its own offer.
 */
export function offerOf(
  { from, output }: Ends,
  port: DeliveryOutput,
  others: readonly Output[],
  evidence: Evidence,
): readonly Profile[] | undefined {
  const neighbours = fitsBudget(from, port, others) ? 0 : others.length;
  const ratingW = neighbours === 0 ? port.ratingW : port.sharedRatingW;
  if (ratingW !== undefined && neighbours > 0) evidence.note(from, { of: 'shared-rating', port: output.name }, ratingW, 'W', 'printed');
  const byRating = ratingW === undefined ? undefined : profilesByRating(ratingW);
  return (neighbours === 0 ? port.profiles : port.sharedProfiles) ?? byRating;
}

/** Whether a port and its neighbours can all give what they are rated for at once. */
function fitsBudget({ budgets }: Part, port: DeliveryOutput, others: readonly Output[]): boolean {
  const most = budgets.find(({ id }) => id === port.budget)?.maxW;
  if (most === undefined) return false;
  const watts = [port, ...others].map(ratedWatts);
  return watts.every((one) => one !== undefined) && watts.reduce((sum: number, one) => sum + one, 0) <= most;
}

function ratedWatts(port: Output): number | undefined {
  if (port.gives === 'pd') return port.ratingW;
  if (port.gives === 'pack') return port.maxW;
  return port.voltageV === undefined || port.maxA === undefined ? undefined : port.voltageV * port.maxA;
}
