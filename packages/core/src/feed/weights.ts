import type { Style } from '../rig/drawn';

/** What a feed is weighed by. Each is a cost: more of it is worse. */
export const CRITERIA = {
  swaps: 'swaps while it must run',
  coldSwap: 'a swap that cuts the power',
  massOn: 'half kilograms on the camera',
  massOff: 'half kilograms carried elsewhere',
  price: 'hundreds of money',
  joints: 'plugs and contacts on the way',
  blindGauge: 'gauges that do not tell the truth',
  lost: 'modes and features lost',
  together: 'devices that stop with the first part that fails',
  chargers: 'kinds of charger to carry',
  flight: 'batteries that may not simply fly',
  tethered: 'sockets it hangs on',
  trouble: 'cautions named',
  unknown: 'figures missing',
  unweighed: 'masses and prices that nobody gave',
  unfed: 'devices without a feed',
} as const;
export type Criterion = keyof typeof CRITERIA;
export type Weights = Readonly<Record<Criterion, number>>;

const BASE: Weights = {
  swaps: 1,
  coldSwap: 0.5,
  massOn: 1,
  massOff: 0.3,
  price: 0.1,
  joints: 0.15,
  blindGauge: 0.5,
  lost: 1.5,
  together: 0.2,
  chargers: 0.3,
  flight: 0.1,
  tethered: 5,
  trouble: 0.25,
  unknown: 3,
  unweighed: 0.4,
  unfed: 100,
};

/** What each way of shooting makes of them: points a unit, changed by whoever thinks otherwise. */
export const STYLE_WEIGHTS: Readonly<Record<Style, Weights>> = {
  handheld: { ...BASE, massOn: 2, joints: 0.25 },
  // behind the camera a battery balances the lens
  shoulder: { ...BASE, massOn: 0.2, massOff: 0.4, swaps: 1.5 },
  tripod: { ...BASE, massOn: 0.3, massOff: 0.1, swaps: 1.5, coldSwap: 1, tethered: 2 },
  // a small one cannot carry a battery that the camera does not hold itself
  stabiliser: { ...BASE, massOn: 4, massOff: 0.6, joints: 0.25 },
  'locked-off': { ...BASE, massOn: 0.1, massOff: 0.1, swaps: 2, coldSwap: 2, tethered: 0 },
  travel: { ...BASE, massOn: 1, massOff: 1, chargers: 1, flight: 2, price: 0.15 },
  unattended: { ...BASE, massOn: 0.05, massOff: 0.05, swaps: 5, coldSwap: 3, joints: 0.3, trouble: 0.5, tethered: 3 },
};
export const DEFAULT_STYLE: Style = 'handheld';

/** A style's weights with the person's own in their place; names that are no criterion count for nothing. */
export function weightsOf(style: Style, own: Readonly<Record<string, number>> = {}): Weights {
  const known = Object.entries(own).filter(([name]) => Object.hasOwn(CRITERIA, name));
  return { ...STYLE_WEIGHTS[style], ...Object.fromEntries(known) };
}
