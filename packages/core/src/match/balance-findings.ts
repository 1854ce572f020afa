import { SAFE_MARGIN } from '../balance/rig-balance';
import type { RigBalance } from '../balance/rig-balance';
import { say } from './figure';
import { finding } from './finding';
import type { Finding, ShownNumber } from './finding';
import type { RigGraph } from './rig-graph';
import { list } from './voltage-findings';

/** From this share of its payload on a stabiliser has little left to hold against wind and walking. */
const NEAR_PAYLOAD = 0.9;
/** A shift that is seen on a balanced stabiliser: it has to be balanced anew. */
const SEEN_SHIFT_MM = 3;

/** Millimetres that matter for how a rig stands are whole ones. */
const millimetres = (value: number): string => say(Math.round(value), 'mm');

/** How the rig stands: tipping, payload, what a swap shifts. Nothing while nobody said what it stands on. */
export function balanceFindings({ rig }: RigGraph, balance: RigBalance | undefined): readonly Finding[] {
  if (!balance || !rig.balance) return [];
  const base = { aspect: 'balance', role: 'rig', part: rig.name } as const;
  const findings: Finding[] = [];
  if (balance.missing.length > 0) {
    const what = [
      ...balance.missing.filter((one) => one.what === 'place').map(({ name }) => `the place of ${name}`),
      ...balance.missing.filter((one) => one.what === 'mass').map(({ name }) => `the mass of ${name}`),
    ];
    findings.push(
      finding({
        ...base,
        code: 'balance-unknown',
        verdict: 'unknown',
        numbers: [],
        sentence: `Not known: ${list(what)}. The balance is told without.`,
        remedy: 'Weigh it, measure where it sits, or say that it is carried elsewhere.',
      }),
    );
  }
  return [...findings, ...standing(base, balance), ...onStabiliser(base, rig.balance.payloadG, rig.balance.support, balance)];
}

type Base = Pick<Finding, 'aspect' | 'role' | 'part'>;

function standing(base: Base, { tipping, centre, counterweightG, ballastG }: RigBalance): Finding[] {
  if (!tipping || !centre) return [];
  const { edge, marginMm, marginShare, angleDeg } = tipping;
  const numbers: ShownNumber[] = [
    { name: 'centre of mass, forward', value: centre.alongMm, unit: 'mm' },
    { name: `margin to the ${edge}`, value: marginMm, unit: 'mm' },
    { name: 'mass', value: centre.massG, unit: 'g' },
    ...(angleDeg === undefined ? [] : [{ name: 'tips when it leans by', value: angleDeg, unit: 'deg' } as const]),
  ];
  const side = edge === 'front' ? 'behind' : 'in front';
  const weight =
    counterweightG === undefined
      ? `Spread the feet, move the battery, or hang ${say(ballastG ?? 0, 'g')} below the middle.`
      : `Hang ${say(counterweightG, 'g')} ${side} to bring it over the middle, or ${say(ballastG ?? 0, 'g')} below the middle.`;
  if (marginMm <= 0) {
    const sentence = `The centre of mass is ${millimetres(-marginMm)} outside the feet at the ${edge}: it tips over.`;
    return [finding({ ...base, code: 'tips-over', verdict: 'stop', numbers, sentence, remedy: weight })];
  }
  if (marginShare < SAFE_MARGIN) {
    const sentence = `Only ${millimetres(marginMm)} (${say(marginShare, 'fraction')}) are left to the line of the feet at the ${edge}.`;
    return [finding({ ...base, code: 'tips-easily', verdict: 'caution', numbers, sentence, remedy: weight })];
  }
  const leans = angleDeg === undefined ? '' : `; it may lean by ${say(angleDeg, 'deg')}`;
  const sentence = `It stands: ${millimetres(marginMm)} to the line of the feet at the ${edge}${leans}.`;
  return [finding({ ...base, code: 'balance-fits', verdict: 'good', numbers, sentence })];
}

function onStabiliser(base: Base, payloadG: number | undefined, support: string, { payloadShare, centre, shifts }: RigBalance): Finding[] {
  const findings: Finding[] = [];
  if (payloadShare !== undefined && payloadG !== undefined && centre) {
    const numbers: ShownNumber[] = [
      { name: 'carried', value: centre.massG, unit: 'g' },
      { name: 'payload', value: payloadG, unit: 'g' },
    ];
    const carried = `${say(centre.massG, 'g')} of ${say(payloadG, 'g')}`;
    const remedy = 'Carry the battery on the arm, the belt or in a pocket.';
    if (payloadShare > 1)
      findings.push(
        finding({ ...base, code: 'payload-passed', verdict: 'stop', numbers, sentence: `It is to carry ${carried}: too heavy.`, remedy }),
      );
    else if (payloadShare > NEAR_PAYLOAD)
      findings.push(
        finding({ ...base, code: 'payload-near', verdict: 'caution', numbers, sentence: `It carries ${carried}: little is left.`, remedy }),
      );
    else findings.push(finding({ ...base, code: 'balance-fits', verdict: 'good', numbers, sentence: `It carries ${carried}.` }));
  }
  if (support !== 'stabiliser') return findings;
  return [
    ...findings,
    ...shifts
      .filter(({ alongMm }) => Math.abs(alongMm) > SEEN_SHIFT_MM)
      .map(({ battery, spare, alongMm, massG }) =>
        finding({
          ...base,
          code: 'swap-shifts',
          verdict: 'caution',
          numbers: [
            { name: 'shift', value: alongMm, unit: 'mm' },
            { name: 'mass', value: massG, unit: 'g' },
          ],
          sentence: `${spare} in the place of ${battery} moves the centre of mass by ${millimetres(Math.abs(alongMm))}: it has to be balanced anew.`,
          remedy: 'Use a spare of the same mass, or carry the battery off the carriage.',
        }),
      ),
  ];
}
