export interface Profile {
  readonly voltageV: number;
  readonly currentA: number;
}

export interface Contract extends Profile {
  readonly powerW: number;
  /** What keeps it from being more. */
  readonly limitedBy: 'source' | 'cable';
}

export interface UsbCable {
  readonly maxA: number;
  /** Over 20 V only through cables marked for the extended range. */
  readonly extendedRange: boolean;
}

/** Steps a source adds as its rating grows; the published power rules for fixed profiles (USB Power Delivery 3.1). */
const STEPS: readonly { readonly voltageV: number; readonly aboveW: number }[] = [
  { voltageV: 5, aboveW: 0 },
  { voltageV: 9, aboveW: 15 },
  { voltageV: 15, aboveW: 27 },
  { voltageV: 20, aboveW: 45 },
  { voltageV: 28, aboveW: 100 },
  { voltageV: 36, aboveW: 140 },
  { voltageV: 48, aboveW: 180 },
];
const STANDARD_RANGE_V = 20;

/**
 * The profiles a source of a rating offers when it prints no list of its own: 3 A at each step, the last at
 * rating / volts; up to 5 A at 20 V and above.
 *
 * @example profilesByRating(45) // 5 V 3 A, 9 V 3 A, 15 V 3 A
 */
export function profilesByRating(ratingW: number): readonly Profile[] {
  return STEPS.filter(({ aboveW }) => ratingW > aboveW).map(({ voltageV }) => {
    const mostA = voltageV >= STANDARD_RANGE_V ? 5 : 3;
    return { voltageV, currentA: Math.min(mostA, ratingW / voltageV) };
  });
}

/** What a cable carries: 5 A only when marked; with a USB-A end there is no Power Delivery at all, see the connectors. */
export function usbCable(marked5A: boolean, extendedRange: boolean): UsbCable {
  return { maxA: marked5A || extendedRange ? 5 : 3, extendedRange };
}

/**
 * The profile that source, cable and sink agree on: of those within the sink's window the one of most power, the
 * higher voltage where two are equal. Undefined when none is in the window.
 *
 * @example negotiate(profilesByRating(45), usbCable(false, false), { minV: 9, maxV: 15 }) // 15 V 3 A, 45 W
 */
export function negotiate(profiles: readonly Profile[], cable: UsbCable, sink: { minV: number; maxV: number }): Contract | undefined {
  let best: Contract | undefined;
  for (const { voltageV, currentA } of profiles) {
    if (voltageV < sink.minV || voltageV > sink.maxV) continue;
    if (voltageV > STANDARD_RANGE_V && !cable.extendedRange) continue;
    const amps = Math.min(currentA, cable.maxA);
    const contract: Contract = { voltageV, currentA: amps, powerW: voltageV * amps, limitedBy: cable.maxA < currentA ? 'cable' : 'source' };
    if (best === undefined || contract.powerW > best.powerW || (contract.powerW === best.powerW && voltageV > best.voltageV))
      best = contract;
  }
  return best;
}
