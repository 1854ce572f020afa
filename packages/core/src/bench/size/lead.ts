import { ampacity, areaOfAwg } from '../../physics/wire';
import { said } from '../../said';
import { number, object, optional } from '../../shape';
import type { Infer } from '../../shape';
import { ASSUMED, COPPER_OHM_MM2_PER_M, copperWarmth, GAUGES_AWG, USUAL_AMBIENT_C, USUAL_DROP_SHARE, WARM_ENOUGH_C } from '../../tables';
import type { Sized } from './sized';

export const leadQuestion = object('A lead to be made', {
  currentA: number('Current', 'A', { above: 0, max: 200 }),
  lengthM: number('Length, one way', 'm', { above: 0, max: 200 }),
  voltageV: number('Voltage', 'V', { above: 0, max: 400 }),
  dropV: optional(number('Allowed drop', 'V', { above: 0, max: 400 })),
  dropShare: optional(number('Allowed drop, of the voltage', 'fraction', { above: 0, max: 0.5 })),
  ambientC: optional(number('Ambient', 'C', { min: -40, max: 60 })),
  /** PVC about 70 °C, silicone about 180 °C: what is printed on the wire. */
  insulationC: optional(number('Its insulation stands', 'C', { min: 70, max: 200 })),
});
export type LeadQuestion = Infer<typeof leadQuestion>;

export interface LeadSize {
  readonly awg: number;
  readonly areaMm2: number;
  /** Of both conductors, warm as the air; without contacts. */
  readonly resistanceOhm: number;
  readonly dropV: number;
  readonly lossW: number;
  /** That the wire carries for long at this ambient. */
  readonly maxA: number;
}

/** Hand tables count from here; insulation of PVC is soft above the other. */
const [TABLE_C, HOTTEST_C] = [30, 70];
/**
 * The thinnest wire that keeps the drop and carries the current for long. Copper of both conductors counts, as warm as the
 * air; contacts come on top and are told as a warning. Impossible: both drops at once; no wire up to AWG 10 does.
 *
 * @example sizeLead({ currentA: 4, lengthM: 1, voltageV: 14.4, dropShare: 0.03 }) // { awg: 21, … }
 */
export function sizeLead(question: LeadQuestion): Sized<LeadSize> {
  const { currentA, lengthM, voltageV, dropV, dropShare, ambientC = USUAL_AMBIENT_C } = question;
  if (dropV !== undefined && dropShare !== undefined) return { error: said('drop-twice'), path: '/dropShare' };
  if (dropV !== undefined && dropV >= voltageV) return { error: said('drop-takes-all', { dropV, voltageV }), path: '/dropV' };
  const allowedV = dropV ?? (dropShare ?? USUAL_DROP_SHARE) * voltageV;
  const sizes = GAUGES_AWG.map((awg) => leadOf(awg, question, ambientC));
  const found = sizes.find((size) => size.dropV <= allowedV && size.maxA >= currentA);
  if (!found) {
    const thickest = sizes.at(-1)!;
    return thickest.dropV > allowedV
      ? {
          error: said('no-wire-drop', { dropV: thickest.dropV, allowedV }),
          path: '/lengthM',
        }
      : {
          error: said('no-wire-amps', { maxA: thickest.maxA }),
          path: '/currentA',
        };
  }
  const copper = rho(ambientC);
  const { low, high } = ASSUMED.contactsOhm;
  const [contactsLowV, contactsHighV] = [2 * low * currentA, 2 * high * currentA];
  const byDrop = sizes.find((size) => size.dropV <= allowedV)!;
  return {
    ...found,
    formula: said('lead-formula', {
      copper,
      lengthM,
      areaMm2: found.areaMm2,
      resistanceOhm: found.resistanceOhm,
      currentA,
      dropV: found.dropV,
      allowedV,
    }),
    warnings: [
      ...(found.awg % 2 === 1 ? [said('odd-gauge', { awg: found.awg })] : []),
      ...(dropV === undefined && dropShare === undefined ? [said('drop-assumed')] : []),
      ...(question.ambientC === undefined ? [said('ambient-assumed')] : []),
      ...(byDrop.awg !== found.awg ? [said('gauge-by-drop', { awg: byDrop.awg })] : []),
      said('contacts-on-top', { contactsLowV, contactsHighV }),
      said('connectors-carry-too'),
      said('fuse-at-plus'),
      said('continuity-first'),
    ],
  };
}

/**
 * The gauge that was found beside those that are sold, two thinner and two thicker: what each would drop, lose and carry.
 *
 * @example leadNeighbours({ currentA: 4, lengthM: 1, voltageV: 14.4 }, 21).map(({ awg }) => awg) // [24, 22, 21, 20, 18]
 */
export function leadNeighbours(question: LeadQuestion, awg: number): readonly LeadSize[] {
  const sold = GAUGES_AWG.filter((gauge) => gauge % 2 === 0);
  const thinner = sold.filter((gauge) => gauge > awg).slice(-2);
  const thicker = sold.filter((gauge) => gauge < awg).slice(0, 2);
  return [...thinner, awg, ...thicker].map((gauge) => leadOf(gauge, question, question.ambientC ?? USUAL_AMBIENT_C));
}

function leadOf(awg: number, { currentA, lengthM, insulationC = HOTTEST_C }: LeadQuestion, ambientC: number): LeadSize {
  const areaMm2 = areaOfAwg(awg);
  const resistanceOhm = (2 * rho(ambientC) * lengthM) / areaMm2;
  return {
    awg,
    areaMm2,
    resistanceOhm,
    dropV: currentA * resistanceOhm,
    lossW: currentA ** 2 * resistanceOhm,
    maxA: ampacityAt(areaMm2, ambientC, Math.min(insulationC, WARM_ENOUGH_C)),
  };
}

function rho(ambientC: number): number {
  return COPPER_OHM_MM2_PER_M * copperWarmth(ambientC);
}

/** Heat leaves a wire by how much hotter it may get than the air, and grows with the square of the current. */
function ampacityAt(areaMm2: number, ambientC: number, hottestC: number): number {
  return ampacity(areaMm2) * Math.sqrt((hottestC - Math.max(TABLE_C, ambientC)) / (HOTTEST_C - TABLE_C));
}
