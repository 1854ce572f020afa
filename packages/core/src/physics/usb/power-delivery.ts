import { HIGHEST_WITHOUT_EXTENDED_V, PLAIN_V, PROFILE_STEPS, PROGRAMMABLE_STEP_V, STANDARD_RANGE_V } from '../../tables';
export interface Profile {
  readonly voltageV: number;
  readonly currentA: number;
}

export interface Contract extends Profile {
  readonly powerW: number;
  /** What keeps it from being more. */
  readonly limitedBy: 'source' | 'cable';
  /** How it came about: agreed over Power Delivery, in a programmable supply's steps, or plain 5 V that nobody agreed on. */
  readonly by: 'profile' | 'programmable' | 'plain-5v';
}

/** Volts that a source sets as it is asked, in steps of 20 mV. */
export interface Programmable {
  readonly minV: number;
  readonly maxV: number;
  readonly currentA: number;
}

/** What a device takes at its USB-C port. */
export interface Sink {
  readonly minV: number;
  readonly maxV: number;
  readonly programmable?: boolean;
}

export interface UsbCable {
  readonly maxA: number;
  /** Over 20 V only through cables marked for the extended range. */
  readonly extendedRange: boolean;
}

/**
 * The profiles a source of a rating offers when it prints no list of its own: 3 A at each step, the last at
 * rating / volts; up to 5 A at 20 V and above.
 *
 * @example profilesByRating(45) // [{ voltageV: 5, currentA: 3 }, { voltageV: 9, currentA: 3 }, { voltageV: 15, currentA: 3 }]
 */
export function profilesByRating(ratingW: number): readonly Profile[] {
  return PROFILE_STEPS.filter(({ aboveW }) => ratingW > aboveW).map(({ voltageV }) => {
    const mostA = voltageV >= STANDARD_RANGE_V ? 5 : 3;
    return { voltageV, currentA: Math.min(mostA, ratingW / voltageV) };
  });
}

/** What a cable carries: 5 A only when marked; with a USB-A end there is no Power Delivery at all, see the connectors. */
export function usbCable(marked5A: boolean, extendedRange: boolean): UsbCable {
  return { maxA: marked5A || extendedRange ? 5 : 3, extendedRange };
}

/**
 * What source, cable and sink agree on: of the profiles within the sink's window the one of most power, the higher
 * voltage where two are equal; a programmable supply's highest step in the window where that gives more and the sink
 * can ask for it. Undefined when nothing is in the window.
 *
 * @example negotiate(profilesByRating(45), usbCable(false, false), { minV: 9, maxV: 15 }) // { voltageV: 15, currentA: 3, powerW: 45, … }
 */
export function negotiate(profiles: readonly Profile[], cable: UsbCable, sink: Sink, programmable?: Programmable): Contract | undefined {
  const offers: readonly (Profile & Pick<Contract, 'by'>)[] = [
    ...profiles.map((profile) => ({ ...profile, by: 'profile' as const })),
    ...(programmable && sink.programmable ? programmableOffer(programmable, sink) : []),
  ];
  let best: Contract | undefined;
  for (const { voltageV, currentA, by } of offers) {
    if (voltageV < sink.minV || voltageV > sink.maxV) continue;
    if (voltageV > HIGHEST_WITHOUT_EXTENDED_V && !cable.extendedRange) continue;
    const contract = contractAt(voltageV, currentA, cable, by);
    if (best === undefined || contract.powerW > best.powerW || (contract.powerW === best.powerW && voltageV > best.voltageV))
      best = contract;
  }
  return best;
}

/**
 * What a port without Power Delivery gives a USB device: 5 V at what the port and the cable carry; undefined for a
 * device that does not take 5 V.
 *
 * @example plainFiveVolts(2.4, usbCable(false, false), { minV: 5, maxV: 9 }) // { voltageV: 5, currentA: 2.4, powerW: 12, … }
 */
export function plainFiveVolts(portA: number, cable: UsbCable, sink: Sink): Contract | undefined {
  return sink.minV <= PLAIN_V && PLAIN_V <= sink.maxV ? contractAt(PLAIN_V, portA, cable, 'plain-5v') : undefined;
}

function programmableOffer({ minV, maxV, currentA }: Programmable, sink: Sink): (Profile & Pick<Contract, 'by'>)[] {
  const voltageV = Math.floor(Math.min(maxV, sink.maxV) / PROGRAMMABLE_STEP_V + 1e-9) * PROGRAMMABLE_STEP_V;
  return voltageV >= minV ? [{ voltageV: Math.round(voltageV * 100) / 100, currentA, by: 'programmable' }] : [];
}

function contractAt(voltageV: number, sourceA: number, cable: UsbCable, by: Contract['by']): Contract {
  const currentA = Math.min(sourceA, cable.maxA);
  return { voltageV, currentA, powerW: voltageV * currentA, limitedBy: cable.maxA < sourceA ? 'cable' : 'source', by };
}
