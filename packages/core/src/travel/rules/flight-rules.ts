import { unknown } from '../../gear';
import { flag, number, object, optional, text } from '../../shape';
import type { Infer } from '../../shape';
import { RULES_OLD_MONTHS, USUAL_FLIGHT_LIMITS } from '../../tables';

const wattHours = (title: string) => number(title, 'Wh', { above: 0, max: 1000 });
const count = (title: string) => number(title, 'count', { min: 0, max: 100, integer: true });

/** What a carrier lets a passenger take, dated: rules change, and a carrier may be stricter than the usual ones. */
export const flightRulesShape = object('Flight rules', {
  carrier: optional(text('Carrier', 60)),
  unknown,
  asOf: text('As of', 10, { regex: /^\d{4}-(0[1-9]|1[0-2])(-(0[1-9]|[12]\d|3[01]))?$/, says: 'a month or day such as 2026-11' }),
  source: text('Source', 200),
  /** Lithium-ion: freely up to here … */
  freeWh: wattHours('Lithium-ion free up to'),
  /** … and with the carrier's approval up to here. */
  approvalWh: wattHours('Lithium-ion with approval up to'),
  /** Spares a person, of those that need approval. */
  approvalSpares: count('Spares with approval, each person'),
  /** Spares a person in all; some carriers set none. */
  spares: optional(count('Spares, each person')),
  /** USB banks a person; some carriers set none. */
  banks: optional(count('Banks, each person')),
  /** Banks may be neither used nor charged on board. */
  banksUnused: optional(flag('Banks not used on board')),
  /** What a bag in the cabin may weigh. */
  cabinG: optional(number('Cabin bag up to', 'g', { above: 0, max: 100_000 })),
  /** Highest state of charge that a carrier asks for, where it does. */
  mostCharge: optional(number('Charged at most to', 'fraction', { above: 0, max: 1 })),
  leadAcidWh: wattHours('Lead-acid, watt-hours up to'),
  leadAcidV: number('Lead-acid, volts up to', 'V', { above: 0, max: 100 }),
  leadAcidSpares: count('Lead-acid spares, each person'),
  /** Lithium metal: freely up to so many grams of lithium, and with approval up to so many. */
  freeLithiumG: number('Lithium metal free up to', 'g', { above: 0, max: 100 }),
  approvalLithiumG: number('Lithium metal with approval up to', 'g', { above: 0, max: 100 }),
});
export type FlightRules = Infer<typeof flightRulesShape>;

/** The usual international rules. The carrier and the local authority decide. */
export const USUAL_FLIGHT_RULES: FlightRules = USUAL_FLIGHT_LIMITS;

/**
 * Whether rules are so old that somebody should look them up again.
 *
 * @example areOld({ asOf: '2024-01-01' }, '2026-01-12') // true
 */
export function areOld({ asOf }: Pick<FlightRules, 'asOf'>, today: string): boolean {
  const months = (date: string): number => 12 * Number(date.slice(0, 4)) + Number(date.slice(5, 7));
  return months(today) - months(asOf) > RULES_OLD_MONTHS;
}

/**
 * What a set of rules is called.
 *
 * @example flightRulesTitle({ carrier: 'Skarn Air', asOf: '2026-01-01' }) // 'Skarn Air, 2026-01-01'
 */
export function flightRulesTitle({ carrier, asOf }: Pick<FlightRules, 'carrier' | 'asOf'>): string {
  return `${carrier ?? 'Usual rules'}, ${asOf}`;
}

/**
 * The limits of several sets at once: what keeps these keeps each of them. Who carries what through a journey of several
 * carriers is shared out by them.
 *
 * @example strictestRules([USUAL_FLIGHT_RULES, { ...USUAL_FLIGHT_RULES, freeWh: 90, banks: 2 }]).banks // 2
 */
export function strictestRules(rules: readonly FlightRules[]): FlightRules {
  const [first = USUAL_FLIGHT_RULES, ...others] = rules;
  const least = (key: 'spares' | 'banks' | 'mostCharge' | 'cabinG', a: FlightRules, b: FlightRules) => {
    const values = [a[key], b[key]].filter((value) => value !== undefined);
    return values.length === 0 ? {} : { [key]: Math.min(...values) };
  };
  return others.reduce(
    (a, b): FlightRules => ({
      ...a,
      freeWh: Math.min(a.freeWh, b.freeWh),
      approvalWh: Math.min(a.approvalWh, b.approvalWh),
      approvalSpares: Math.min(a.approvalSpares, b.approvalSpares),
      leadAcidWh: Math.min(a.leadAcidWh, b.leadAcidWh),
      leadAcidV: Math.min(a.leadAcidV, b.leadAcidV),
      leadAcidSpares: Math.min(a.leadAcidSpares, b.leadAcidSpares),
      freeLithiumG: Math.min(a.freeLithiumG, b.freeLithiumG),
      approvalLithiumG: Math.min(a.approvalLithiumG, b.approvalLithiumG),
      ...least('spares', a, b),
      ...least('banks', a, b),
      ...least('mostCharge', a, b),
      ...least('cabinG', a, b),
      ...(a.banksUnused || b.banksUnused ? { banksUnused: true } : {}),
    }),
    first,
  );
}
