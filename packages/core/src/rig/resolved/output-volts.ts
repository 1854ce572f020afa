import type { Connector, Input, Supply } from '../../gear';
import { ASSUMED, POE_V, TRANSFORMER_IDLE, USB_5V_WINDOW, valueInRange, VEHICLE_V } from '../../tables';
import { isKind } from '../drawn';
import type { Ends } from '../drawn';
import type { Evidence } from './figure';

/** The volts that stand at an output, whatever hangs on it. */
export interface OutputVolts {
  /** What gives them, for sentences. */
  readonly name: string;
  readonly highV: number;
  readonly lowV: number;
  /** Without load, at the charge the run starts with. */
  readonly startV: number;
  /** Follows the battery down; otherwise it is held. */
  readonly followsPack: boolean;
  /** Where the battery stands while it is charged in place; undefined where it is not, or where it is not followed. */
  readonly chargingV?: number | undefined;
}

/** A regulated output as its input and its kind make it: held, or within the range that a supply of its kind goes through. */
export function outputVolts(ends: Ends, voltageV: number, given: OutputVolts | undefined, evidence: Evidence): OutputVolts {
  const { from, output } = ends;
  const name = isKind(from, 'battery') || isKind(from, 'supply') ? 'The port' : from.title;
  const { minV, maxV, works } = output.gives === 'fixed' ? output : {};
  const held = { lowV: voltageV, highV: voltageV };
  const isSaid = minV !== undefined && maxV !== undefined;
  const usual = isKind(from, 'supply') && !isSaid ? supplyRange(ends, voltageV, evidence) : held;
  const lowV = Math.min(voltageV, minV ?? usual.lowV);
  const highV = Math.max(voltageV, maxV ?? usual.highV);
  // one that only steps up hands on what is higher already
  const handedV = works === 'up' && given ? Math.max(given.highV, given.chargingV ?? 0) : 0;
  return { name, lowV, highV: Math.max(highV, handedV), startV: voltageV, followsPack: false };
}

/** Volts between which a supply stands when nobody says, by what is printed on it. */
function supplyRange(ends: Ends, voltageV: number, evidence: Evidence): { readonly lowV: number; readonly highV: number } {
  const { from, output } = ends;
  if (!isKind(from, 'supply') || output.gives !== 'fixed') return { lowV: voltageV, highV: voltageV };
  const basis = { of: 'supply-volts', port: output.name } as const;
  const byKind = rangeByKind(from.gear.form, output.connector.type, voltageV);
  if (byKind) {
    evidence.note(from, basis, voltageV, 'V', 'assumed', { low: byKind.lowV, high: byKind.highV });
    return byKind;
  }
  // it holds what is printed, within a tolerance that is looked at from both sides
  const share = valueInRange(ASSUMED.supplyShare, evidence.placeInRange(from, basis));
  const { low, high } = ASSUMED.supplyShare;
  evidence.noteAssumed(from, basis, voltageV * share, { ...ASSUMED.supplyShare, low: low * voltageV, high: high * voltageV }, 'V');
  return { lowV: voltageV * Math.min(1, share), highV: voltageV * Math.max(1, share) };
}

/** Volts that a supply of its kind goes through; undefined where it holds what is printed. */
function rangeByKind(form: Supply['form'], connector: Connector['type'], voltageV: number) {
  if (form === 'transformer') return { lowV: voltageV, highV: voltageV * TRANSFORMER_IDLE };
  if (connector === 'poe') return { lowV: Math.min(POE_V.lowV, voltageV), highV: Math.max(POE_V.highV, voltageV) };
  if (form !== 'vehicle') return undefined;
  if (Math.abs(voltageV - 12) < 3) return VEHICLE_V[12];
  return Math.abs(voltageV - 24) < 6 ? VEHICLE_V[24] : undefined;
}

/** Volts this close are one printed voltage, not a window. */
const ONE_VOLTAGE_V = 1e-9;
const isUsb = ({ connector: { type } }: Input): boolean => type === 'usb-a' || type === 'usb-c';

/**
 * An input with its window: where one voltage is printed instead of two, what such devices take around it; at least 5 V
 * on a USB plug means what USB calls 5 V.
 */
export function windowOf({ to, input }: Ends, evidence: Evidence): Input {
  if (input.takes !== 'window') return input;
  const { minV, maxV, name: port } = input;
  const isNominal5 = (volts: number | undefined): boolean => volts !== undefined && Math.abs(volts - 5) < 0.01;
  const isOne = minV !== undefined && maxV !== undefined && Math.abs(maxV - minV) <= ONE_VOLTAGE_V;
  if (isNominal5(minV) && (isOne || isUsb(input))) {
    evidence.note(to, { of: 'least-volts', port }, USB_5V_WINDOW.minV, 'V', 'assumed');
    if (!isNominal5(maxV)) return { ...input, minV: USB_5V_WINDOW.minV };
    evidence.note(to, { of: 'highest-volts', port }, USB_5V_WINDOW.maxV, 'V', 'assumed');
    return { ...input, ...USB_5V_WINDOW };
  }
  if (!isOne) return input;
  const { low, high } = ASSUMED.windowShare;
  const around = (of: 'least-volts' | 'highest-volts', side: -1 | 1): number => {
    const share = valueInRange(ASSUMED.windowShare, evidence.placeInRange(to, { of, port }));
    const ends = [minV * (1 + side * low), minV * (1 + side * high)].sort((a, b) => a - b);
    evidence.noteAssumed(to, { of, port }, minV * (1 + side * share), { ...ASSUMED.windowShare, low: ends[0]!, high: ends[1]! }, 'V');
    return minV * (1 + side * share);
  };
  return { ...input, minV: around('least-volts', -1), maxV: around('highest-volts', 1) };
}
