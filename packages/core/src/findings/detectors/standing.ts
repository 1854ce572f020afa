import type { RigBalance } from '../../balance';
import type { ResolvedRig } from '../../rig/resolved';
import { SAFE_MARGIN } from '../../tables';
import type { Finding, FindingPlace } from '../facts';
import { finding } from '../finding';

/** From this share of its payload on a stabiliser has little left to hold against wind and walking. */
const NEAR_PAYLOAD = 0.9;
/** A shift that is seen on a balanced stabiliser: it has to be balanced again. */
const SEEN_SHIFT_MM = 3;

/** How the rig stands: tipping, payload, what a swap shifts. Nothing while what it stands on is not entered. */
export function balanceFindings({ rig }: Pick<ResolvedRig, 'rig'>, balance: RigBalance | undefined): readonly Finding[] {
  if (!balance || !rig.balance) return [];
  const place: FindingPlace = { aspect: 'balance', role: 'rig', part: rig.name };
  const { payloadG, support } = rig.balance;
  return [
    ...missing(place, balance),
    ...standing(place, balance),
    ...carried(place, balance, payloadG),
    ...(support === 'stabiliser' ? shifts(place, balance) : []),
  ];
}

function missing(place: FindingPlace, balance: RigBalance): Finding[] {
  if (balance.missing.length === 0) return [];
  const named = (what: 'mass' | 'place') => balance.missing.filter((one) => one.what === what).map(({ name }) => name);
  return [finding('balance-unknown', 'unknown', place, { places: named('place'), masses: named('mass') })];
}

function standing(place: FindingPlace, { tipping, centre, counterweightG, ballastG }: RigBalance): Finding[] {
  if (!tipping || !centre) return [];
  const { edge, marginMm, marginShare, angleDeg } = tipping;
  const { alongMm, massG } = centre;
  const facts = { edge, marginMm, marginShare, alongMm, massG, angleDeg, counterweightG, ballastG };
  if (marginMm <= 0) return [finding('tips-over', 'stop', place, facts)];
  if (marginShare < SAFE_MARGIN) return [finding('tips-easily', 'caution', place, facts)];
  return [finding('balance-fits', 'good', place, { on: 'feet', ...facts })];
}

function carried(place: FindingPlace, { payloadShare, centre }: RigBalance, payloadG: number | undefined): Finding[] {
  if (payloadShare === undefined || payloadG === undefined || !centre) return [];
  const facts = { massG: centre.massG, payloadG };
  if (payloadShare > 1) return [finding('payload-passed', 'stop', place, facts)];
  if (payloadShare > NEAR_PAYLOAD) return [finding('payload-near', 'caution', place, facts)];
  return [finding('balance-fits', 'good', place, { on: 'stabiliser', ...facts })];
}

function shifts(place: FindingPlace, balance: RigBalance): Finding[] {
  return balance.shifts
    .filter(({ alongMm }) => Math.abs(alongMm) > SEEN_SHIFT_MM)
    .map(({ battery, spare, alongMm, massG }) => finding('swap-shifts', 'caution', place, { battery, spare, alongMm, massG }));
}
