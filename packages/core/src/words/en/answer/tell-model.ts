import type { Indicator, Sensitivity } from '../../../answer';
import { sayGauge } from './gauge-words';
import { sayHowToMeasure, saySensitive } from './sensitivity-words';

/** A gauge as documents and pages show it. */
export interface ToldIndicator extends Omit<Indicator, 'part' | 'why'> {
  readonly where: string;
  readonly why: string;
}

export function tellIndicator({ part, why, ...rest }: Indicator): ToldIndicator {
  return { where: sayWhere(part), ...rest, why: sayGauge(why) };
}

/** Where one looks. */
export function sayWhere(part: string): string {
  return `gauge of ${part}`;
}

/** What one uncertain figure does to the run, in words beside the same numbers. */
export interface ToldSensitivity extends Omit<Sensitivity, 'what'> {
  readonly what: string;
  readonly remedy: string;
}

/**
 * What an uncertain figure does to the time, in words.
 *
 * @example tellSensitivity(sensitivities(rigModel(rig, gear))[0]).share > 0 // true
 */
export function tellSensitivity({ gearId, part, what, spread, lowMin, highMin, share }: Sensitivity): ToldSensitivity {
  return { gearId, part, what: saySensitive(what), spread, lowMin, highMin, remedy: sayHowToMeasure(what), share };
}
