import { formatQuantity } from '../../../quantity';
import type { FlownBattery, FlyAnswer, FlySays } from '../../../travel/rules';
import { sayer } from '../words-of';
import type { WordsOf } from '../words-of';

const percentOf = (share: number): string => `${Math.round(100 * share)} %`;

const FLY: WordsOf<FlySays> = {
  'may-not-fly': ({ id }) => `${id} may not fly: send it by road, or hire one there.`,
  'run-down-before': ({ id, mostCharge }) => `Run ${id} down to ${percentOf(mostCharge)} before the flight.`,
  'charged-at-most': ({ mostCharge, charge }) =>
    `Charged to at most ${percentOf(mostCharge)}${charge === undefined ? ': look at its gauge' : ''}.`,
  'not-on-board': () => 'Neither used nor charged on board.',
  damaged: () => 'Damaged, swollen or recalled batteries never fly.',
  'dry-cells': () => 'Dry cells: free, each protected so that nothing can short it.',
  'over-approval': ({ energyWh, approvalWh }) =>
    `${formatQuantity(energyWh, 'Wh')}: over ${formatQuantity(approvalWh, 'Wh')}, not in baggage.`,
  'needs-approval': ({ energyWh, freeWh, role, approvalSpares }) =>
    `${formatQuantity(energyWh, 'Wh')}: over ${formatQuantity(freeWh, 'Wh')}, only with the carrier’s approval${role === 'spare' ? `, at most ${approvalSpares} spares each` : ''}.`,
  'home-made': ({ energyWh }) =>
    `${formatQuantity(energyWh, 'Wh')}, home-made: carriers may refuse a pack without a test report (UN 38.3); ask before.`,
  'flies-free': ({ energyWh, freeWh, role }) =>
    `${formatQuantity(energyWh, 'Wh')}: up to ${formatQuantity(freeWh, 'Wh')} free${role === 'spare' ? ', in the cabin, terminals covered' : ', installed and switched off'}.`,
  'metal-over': ({ lithiumG, approvalLithiumG }) => `${lithiumG} g of lithium: over ${approvalLithiumG} g, not in baggage.`,
  'metal-approval': ({ lithiumG, freeLithiumG }) => `${lithiumG} g of lithium: over ${freeLithiumG} g, only with the carrier’s approval.`,
  'metal-free': ({ lithiumG, freeLithiumG }) => `${lithiumG} g of lithium: up to ${freeLithiumG} g free, in the cabin, terminals covered.`,
  spillable: () => 'Spillable lead-acid: not in baggage.',
  'lead-acid-volts': ({ energyWh, voltageV, leadAcidV }) =>
    `${formatQuantity(energyWh, 'Wh')} of lead-acid at ${formatQuantity(voltageV, 'V')}: over ${formatQuantity(leadAcidV, 'V')}, not in baggage.`,
  'lead-acid-over': ({ energyWh, leadAcidWh }) =>
    `${formatQuantity(energyWh, 'Wh')} of lead-acid: over ${formatQuantity(leadAcidWh, 'Wh')}, not in baggage.`,
  'lead-acid-free': ({ energyWh, leadAcidV, leadAcidSpares }) =>
    `${formatQuantity(energyWh, 'Wh')} of lead-acid, non-spillable, to ${formatQuantity(leadAcidV, 'V')}: free, at most ${leadAcidSpares} spares each.`,
  'leave-home': ({ ids }) => `Leave ${ids.join(', ')} at home, send ${ids.length === 1 ? 'it' : 'them'} by road, or hire there.`,
  'one-person-more': ({ more }) => `Or one person more (${more}).`,
  'people-more': ({ more, people }) => `Or ${more - people} people more (${more}).`,
};

export const sayFly = sayer(FLY);

/** What may fly, in words beside the same numbers. */
export interface ToldFly extends Omit<FlyAnswer, 'batteries' | 'short'> {
  readonly batteries: readonly (Omit<FlownBattery, 'rule'> & { readonly rule: string })[];
  readonly short: readonly string[];
}

/**
 * What may fly, in words.
 *
 * @example tellFly(whatMayFly({ people: 1, batteries: [{ id: 'V3', chemistry: 'li-ion', energyWh: 170, role: 'spare' }] })).possible // false
 */
export function tellFly({ batteries, possible, short, rules }: FlyAnswer): ToldFly {
  return {
    batteries: batteries.map(({ id, verdict, rule, ...rest }) => ({ id, verdict, rule: rule.map(sayFly).join(' '), ...rest })),
    possible,
    short: short.map(sayFly),
    rules,
  };
}
