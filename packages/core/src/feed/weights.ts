import type { Style } from '../rig/drawn';
import { STYLE_WEIGHTS } from '../tables';

/** What a feed is weighed by. Each is a cost: more of it is worse. Mass counts by the half kilogram, price by the hundred. */
export const CRITERIA = {
  swaps: 'swaps while it must run',
  coldSwap: 'a swap that cuts the power',
  massOn: 'mass on the camera',
  massOff: 'mass carried elsewhere',
  price: 'price',
  joints: 'plugs and contacts on the way',
  blindGauge: 'gauges that do not tell the truth',
  lost: 'modes and features lost',
  together: 'devices that stop with the first part that fails',
  chargers: 'kinds of charger to carry',
  flight: 'batteries that may not simply fly',
  tethered: 'sockets it hangs on',
  trouble: 'cautions named',
  unknown: 'figures missing',
  unweighed: 'masses and prices not entered',
  unfed: 'devices without a feed',
} as const;
export type Criterion = keyof typeof CRITERIA;
/** In the order in which they are told. */
export const CRITERION_NAMES = Object.keys(CRITERIA) as readonly Criterion[];
export type Weights = Readonly<Record<Criterion, number>>;

export const DEFAULT_STYLE: Style = 'handheld';

/** A style's weights with the person's own in their place; names that are no criterion count for nothing. */
export function weightsOf(style: Style, own: Readonly<Record<string, number>> = {}): Weights {
  const known = Object.entries(own).filter(([name]) => Object.hasOwn(CRITERIA, name));
  const weights: Weights = STYLE_WEIGHTS[style];
  return { ...weights, ...Object.fromEntries(known) };
}
