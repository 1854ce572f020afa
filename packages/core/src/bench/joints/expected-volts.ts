import { batteryFigures } from '../../gear';
import type { Battery } from '../../gear';
import { cellVoltage, fullVoltage } from '../../physics/cell';
import { batteryState, isKind } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import type { Connection, SourceTree } from '../../rig/resolved';
import { ASSUMED, CHARGE_OFF, CHEMISTRIES, CONTRACT_SHARE, PLAIN_MOST_V, PLAIN_V } from '../../tables';
import type { MeterAccuracy } from '../sheet';

/** Volts between which a reading is expected. */
export interface Range {
  readonly minV: number;
  readonly maxV: number;
}

/** Of a range only what is known. */
type Known = { readonly [K in keyof Range]: number | undefined };

/** What a part stands at its input; an input that asks for levels stands each within what the standard lets it be off. */
export function acceptedBy({ takes, minV, maxV }: Connection['input'], meter: MeterAccuracy): Known {
  if (takes !== 'pd' || minV === undefined || maxV === undefined) return { minV, maxV };
  const mostV = maxV === PLAIN_V ? PLAIN_MOST_V : maxV * (1 + CONTRACT_SHARE);
  // the meter may be off by as much again
  return withMeter({ minV: minV * (1 - CONTRACT_SHARE), maxV: mostV }, meter);
}

/** So many volts, give or take a share of them. */
export const around = (volts: number, share: number): Range => ({ minV: volts * (1 - share), maxV: volts * (1 + share) });

/** What a meter may show of it that is off by as much as it says. */
export function withMeter(range: Known | undefined, meter: MeterAccuracy): Known {
  return {
    minV: range?.minV === undefined ? undefined : range.minV * (1 - meter.share) - meter.volts,
    maxV: range?.maxV === undefined ? undefined : range.maxV * (1 + meter.share) + meter.volts,
  };
}

/** Without load: a pack by its charge, as surely as that is known; what holds its output within what such outputs hold. */
export function openRange(rig: Rig, { source }: SourceTree, { supply }: Connection): Range | undefined {
  if (!supply) return undefined;
  if (!supply.followsPack) {
    const { low, high } = ASSUMED.supplyShare;
    const isHeld = supply.highV - supply.lowV < 1e-9;
    return isHeld ? { minV: supply.lowV * low, maxV: supply.highV * high } : { minV: supply.lowV, maxV: supply.highV };
  }
  const whole: Range = { minV: supply.lowV, maxV: supply.highV };
  if (!isKind(source, 'battery')) return whole;
  const range = packRange(rig, source.id, source.gear);
  return range ? { ...range, maxV: Math.min(range.maxV, supply.highV) } : whole;
}

/** A pack by itself, by its charge as surely as that is known; undefined where nobody says how full it is, or of how many cells. */
export function packRange(rig: Rig, id: string, battery: Battery): Range | undefined {
  const { startSoc, chosen } = batteryState(rig, id);
  const cells = batteryFigures(battery).cellsInSeries;
  // as it lies there now; else what the rig starts with
  const charge = battery.charge ?? (chosen.charge ? startSoc : undefined);
  if (charge === undefined || cells === undefined) return undefined;
  const { ocvPerCell } = CHEMISTRIES[battery.chemistry];
  const at = (share: number): number => cells * cellVoltage(ocvPerCell, Math.min(1, Math.max(0, share)));
  return {
    minV: at(charge - CHARGE_OFF),
    maxV: charge + CHARGE_OFF >= 1 ? fullVoltage(battery.chemistry, cells) : at(charge + CHARGE_OFF),
  };
}
