import { METER_SHOWS } from '../../tables';

/**
 * Whether a meter can show it: what lies beyond is a gap, in a file as live. Figures that are not known are left out.
 *
 * @example canShow({ voltageV: 14.4, currentA: 9.9e37 }) // false
 */
export function canShow({
  voltageV = 0,
  currentA = 0,
  powerW = voltageV * currentA,
}: {
  readonly voltageV?: number;
  readonly currentA?: number;
  readonly powerW?: number;
}): boolean {
  const { volts, amps, watts, wattsBack } = METER_SHOWS;
  return Math.abs(voltageV) <= volts && Math.abs(currentA) <= amps && powerW <= watts && powerW >= -wattsBack;
}
