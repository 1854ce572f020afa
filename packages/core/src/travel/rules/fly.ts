import { issue } from '../../issue';
import type { Issue } from '../../issue';
import { said } from '../../said';
import { choice, flag, list, number, object, optional, text } from '../../shape';
import type { Infer } from '../../shape';
import { CHEMISTRIES } from '../../tables';
import { flightRulesShape, USUAL_FLIGHT_RULES } from './flight-rules';
import type { FlightRules } from './flight-rules';
import type { FlySaid } from './says';
import { shareOut } from './who-carries';
import type { Carried } from './who-carries';

const chemistries = {
  ...Object.fromEntries(Object.entries(CHEMISTRIES).map(([id, { name }]) => [id, name])),
  'lithium-metal': 'lithium metal',
};
type FlyingChemistry = keyof typeof CHEMISTRIES | 'lithium-metal';

const flyingBattery = object('A battery', {
  id: text('Identifier', 60),
  chemistry: choice('Chemistry', chemistries as Record<FlyingChemistry, string>),
  energyWh: optional(number('Energy as printed', 'Wh', { above: 0, max: 5000 })),
  voltageV: optional(number('Volts as printed', 'V', { above: 0, max: 100 })),
  capacityAh: optional(number('Capacity as printed', 'Ah', { above: 0, max: 1000 })),
  /** Of lithium metal, where it is printed. */
  lithiumG: optional(number('Lithium', 'g', { above: 0, max: 1000 })),
  role: choice('It is', { spare: 'a spare', installed: 'installed in equipment' }),
  bank: optional(flag('A USB bank')),
  homeMade: optional(flag('Home-made')),
  damaged: optional(flag('Damaged, swollen or recalled')),
  spillable: optional(flag('Spillable')),
  /** Where a carrier asks for it. */
  charge: optional(number('Charged to', 'fraction', { max: 1 })),
});
export type FlyingBattery = Infer<typeof flyingBattery>;

export const flyQuestion = object('What may fly', {
  people: number('People', 'count', { min: 1, max: 50, integer: true }),
  batteries: list('Batteries', flyingBattery, { max: 500 }),
  rules: optional(flightRulesShape),
});
export type FlyQuestion = Infer<typeof flyQuestion>;

export type FlyVerdict = 'free' | 'approval' | 'never';

export interface FlownBattery {
  readonly id: string;
  readonly verdict: FlyVerdict;
  /** In the rule's words, with the figures that are compared. */
  readonly rule: readonly FlySaid[];
  /** Which person, from 1; undefined for what is installed, may not fly, or finds nobody who may take it. */
  readonly carriedBy?: number;
}

export interface FlyAnswer {
  readonly batteries: readonly FlownBattery[];
  /** Everything may fly, and everybody keeps the limits. */
  readonly possible: boolean;
  /** What would do where it is not possible; empty where it is. */
  readonly short: readonly FlySaid[];
  readonly rules: Pick<FlightRules, 'asOf' | 'source' | 'carrier'>;
}

/**
 * Figures that are missing without which a battery cannot be judged: watt-hours, or volts and amp-hours; volts of lead-acid.
 * Empty: `whatMayFly` will answer.
 *
 * @example flyIssues({ people: 1, batteries: [] }) // []
 */
export function flyIssues({ batteries }: FlyQuestion): readonly Issue[] {
  const seen = new Set<string>();
  return batteries.flatMap((battery, at) => {
    const path = `/batteries/${at}`;
    const issues: Issue[] = [];
    if (seen.has(battery.id)) issues.push(issue(`${path}/id`, 'id-twice', 'an identifier used once', battery.id));
    seen.add(battery.id);
    const { chemistry, voltageV } = battery;
    if (isDry(battery) || battery.damaged) return issues;
    if (chemistry === 'lithium-metal') {
      if (battery.lithiumG === undefined) issues.push(issue(`${path}/lithiumG`, 'missing', 'the grams of lithium', undefined));
      return issues;
    }
    if (wattHours(battery) === undefined)
      issues.push(issue(`${path}/energyWh`, 'missing', 'watt-hours as printed, or voltageV and capacityAh', undefined));
    if (chemistry === 'agm' && voltageV === undefined)
      issues.push(issue(`${path}/voltageV`, 'missing', 'the volts of a lead-acid battery', undefined));
    return issues;
  });
}

/**
 * What may fly by the rules, and who carries which spare so that everybody keeps the limits of a person.
 *
 * Precondition: `flyIssues(question)` is empty.
 *
 * @example whatMayFly({ people: 1, batteries: [{ id: 'V3', chemistry: 'li-ion', energyWh: 147, role: 'spare' }] }).batteries[0].verdict // 'approval'
 */
export function whatMayFly({ people, batteries, rules = USUAL_FLIGHT_RULES }: FlyQuestion): FlyAnswer {
  const judged = batteries.map((battery) => ({ battery, ...judge(battery, rules) }));
  const spares = judged.filter(({ battery, verdict }) => battery.role === 'spare' && verdict !== 'never');
  const carried = spares.map(({ battery, verdict }): Carried => ({
    id: battery.id,
    approval: verdict === 'approval',
    bank: battery.bank ?? false,
    leadAcid: battery.chemistry === 'agm',
    energyWh: wattHours(battery) ?? 0,
  }));
  const shared = shareOut(carried, people, rules);
  const never = judged.filter(({ verdict }) => verdict === 'never');
  const tooFull = judged.filter(({ battery, verdict }) => verdict !== 'never' && isTooFull(battery, rules));
  return {
    batteries: judged.map(({ battery: { id }, verdict, rule }): FlownBattery => {
      const carriedBy = shared.by.get(id);
      return { id, verdict, rule, ...(carriedBy !== undefined && { carriedBy }) };
    }),
    possible: never.length === 0 && tooFull.length === 0 && shared.left.length === 0,
    short: [
      ...never.map(({ battery: { id } }) => said('may-not-fly', { id })),
      ...tooFull.map(({ battery: { id } }) => said('run-down-before', { id, mostCharge: rules.mostCharge! })),
      ...(shared.left.length === 0 ? [] : shared.wouldDo),
    ],
    rules: { asOf: rules.asOf, source: rules.source, ...(rules.carrier !== undefined && { carrier: rules.carrier }) },
  };
}

/** Alkaline and NiMH: dry cells, no limit but that nothing can short them. */
const isDry = ({ chemistry }: FlyingBattery): boolean => chemistry === 'alkaline' || chemistry === 'nimh';

/** As printed; else volts × amp-hours, the computation that is shown at the gate. */
function wattHours({ energyWh, voltageV, capacityAh }: FlyingBattery): number | undefined {
  if (energyWh !== undefined) return energyWh;
  return voltageV !== undefined && capacityAh !== undefined ? voltageV * capacityAh : undefined;
}

const isLithiumIon = ({ chemistry }: FlyingBattery): boolean => chemistry.startsWith('li-ion') || chemistry === 'lifepo4';

/** Charged higher than the carrier lets it be. One of unknown charge is told of, see `judge`. */
function isTooFull(battery: FlyingBattery, { mostCharge }: FlightRules): boolean {
  return mostCharge !== undefined && isLithiumIon(battery) && battery.charge !== undefined && over(battery.charge, mostCharge);
}

/** Printed figures multiply to a hair beside a limit: 27.8 × 3.6. */
const over = (value: number, limit: number): boolean => value > limit * (1 + 1e-9);

type Judged = Pick<FlownBattery, 'verdict' | 'rule'>;

/** By what it is and holds; then what the carrier asks of its charge and its use on board. */
function judge(battery: FlyingBattery, rules: FlightRules): Judged {
  const judged = judgeKind(battery, rules);
  if (judged.verdict === 'never') return judged;
  const asked = [
    ...(rules.mostCharge !== undefined && isLithiumIon(battery)
      ? [said('charged-at-most', { mostCharge: rules.mostCharge, charge: battery.charge })]
      : []),
    ...(rules.banksUnused && battery.bank ? [said('not-on-board')] : []),
  ];
  return { ...judged, rule: [...judged.rule, ...asked] };
}

function judgeKind(battery: FlyingBattery, rules: FlightRules): Judged {
  if (battery.damaged) return { verdict: 'never', rule: [said('damaged')] };
  if (isDry(battery)) return { verdict: 'free', rule: [said('dry-cells')] };
  if (battery.chemistry === 'lithium-metal') return judgeMetal(battery.lithiumG ?? Infinity, rules);
  if (battery.chemistry === 'agm') return judgeLeadAcid(battery, rules);
  const energyWh = wattHours(battery) ?? Infinity;
  const { freeWh, approvalWh } = rules;
  if (over(energyWh, approvalWh)) return { verdict: 'never', rule: [said('over-approval', { energyWh, approvalWh })] };
  if (over(energyWh, freeWh))
    return {
      verdict: 'approval',
      rule: [said('needs-approval', { energyWh, freeWh, role: battery.role, approvalSpares: rules.approvalSpares })],
    };
  if (battery.homeMade) return { verdict: 'approval', rule: [said('home-made', { energyWh })] };
  return {
    verdict: 'free',
    rule: [said('flies-free', { energyWh, freeWh, role: battery.role })],
  };
}

function judgeMetal(lithiumG: number, { freeLithiumG, approvalLithiumG }: FlightRules): Judged {
  if (over(lithiumG, approvalLithiumG)) return { verdict: 'never', rule: [said('metal-over', { lithiumG, approvalLithiumG })] };
  if (over(lithiumG, freeLithiumG)) return { verdict: 'approval', rule: [said('metal-approval', { lithiumG, freeLithiumG })] };
  return { verdict: 'free', rule: [said('metal-free', { lithiumG, freeLithiumG })] };
}

function judgeLeadAcid(battery: FlyingBattery, { leadAcidWh, leadAcidV, leadAcidSpares }: FlightRules): Judged {
  const energyWh = wattHours(battery) ?? Infinity;
  if (battery.spillable) return { verdict: 'never', rule: [said('spillable')] };
  const { voltageV = Infinity } = battery;
  if (over(voltageV, leadAcidV))
    return {
      verdict: 'never',
      rule: [said('lead-acid-volts', { energyWh, voltageV, leadAcidV })],
    };
  if (over(energyWh, leadAcidWh)) return { verdict: 'never', rule: [said('lead-acid-over', { energyWh, leadAcidWh })] };
  return {
    verdict: 'free',
    rule: [said('lead-acid-free', { energyWh, leadAcidV, leadAcidSpares })],
  };
}
