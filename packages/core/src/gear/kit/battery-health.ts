import { ageFactor } from '../../physics/cell';
import { batteryFigures } from '..';
import type { Battery } from '..';

/** How much of its label a battery still holds. */
export interface BatteryHealth {
  readonly share: number;
  readonly from: 'measured' | 'assumed';
  /** How it follows, for whoever asks. */
  readonly formula: string;
}

/**
 * What is left of a battery: measured over printed where both are known, else by its age and cycles; undefined when
 * nothing is known of either.
 *
 * @example batteryHealth({ ...battery, energyWh: 41, labelWh: 49, from: { energyWh: 'measured' } })?.share // 0.837
 */
export function batteryHealth(battery: Battery): BatteryHealth | undefined {
  const { energyWh, labelWh, years, cycles, from } = battery;
  if (from?.energyWh === 'measured' && energyWh !== undefined && labelWh !== undefined)
    return { share: energyWh / labelWh, from: 'measured', formula: `${energyWh} Wh measured ÷ ${labelWh} Wh printed` };
  if (years === undefined && cycles === undefined) return undefined;
  return {
    share: ageFactor(years ?? 0, cycles ?? 0),
    from: 'assumed',
    formula: `1 − 2 % × ${years ?? 0} years − 0.04 % × ${cycles ?? 0} cycles`,
  };
}

/**
 * Where `energyNow` is from, in words.
 *
 * @example energyFrom({ ...battery, from: { energyWh: 'measured' } }) // 'measured'
 */
export function energyFrom({ from, years, cycles }: Battery): string {
  const said = from?.energyWh ?? 'printed';
  const aged = said !== 'measured' && ageFactor(years ?? 0, cycles ?? 0) < 1;
  return `${said === 'guess' ? 'a guess' : said}${aged ? ', less its age' : ''}`;
}

/**
 * Watt-hours that it holds when full now: as measured, or its label less its age; undefined while its energy is not known.
 *
 * @example energyNow({ ...battery, energyWh: 95, from: { energyWh: 'measured' } }) // 95
 */
export function energyNow(battery: Battery): number | undefined {
  const { energyWh } = batteryFigures(battery);
  if (energyWh === undefined || battery.from?.energyWh === 'measured') return energyWh;
  return energyWh * ageFactor(battery.years ?? 0, battery.cycles ?? 0);
}

/** ±3 % of a measured capacity, ±8 % otherwise; read as two standard deviations, like the draws. */
export const ENERGY_SPREAD = { measured: 0.015, other: 0.04 };

/** What `energyNow` may be off by, as a share of it: one standard deviation, its own where that was worked out. */
export function energySpread({ from, energySpread: own }: Battery): number {
  return from?.energyWh === 'measured' ? (own ?? ENERGY_SPREAD.measured) : ENERGY_SPREAD.other;
}
