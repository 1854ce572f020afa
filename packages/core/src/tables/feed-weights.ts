/** What a feed is weighed by, and the points of one unit of it: judgement, 2026-11. Each is a cost: more of it is worse. */
export const USUAL_WEIGHTS = {
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
export const STYLE_WEIGHTS = {
  handheld: { ...USUAL_WEIGHTS, massOn: 2, joints: 0.25 },
  // behind the camera a battery balances the lens
  shoulder: { ...USUAL_WEIGHTS, massOn: 0.2, massOff: 0.4, swaps: 1.5 },
  tripod: { ...USUAL_WEIGHTS, massOn: 0.3, massOff: 0.1, swaps: 1.5, coldSwap: 1, tethered: 2 },
  // a small one cannot carry a battery that the camera does not hold itself
  stabiliser: { ...USUAL_WEIGHTS, massOn: 4, massOff: 0.6, joints: 0.25 },
  'locked-off': { ...USUAL_WEIGHTS, massOn: 0.1, massOff: 0.1, swaps: 2, coldSwap: 2, tethered: 0 },
  travel: { ...USUAL_WEIGHTS, massOn: 1, massOff: 1, chargers: 1, flight: 2, price: 0.15 },
  unattended: { ...USUAL_WEIGHTS, massOn: 0.05, massOff: 0.05, swaps: 5, coldSwap: 3, joints: 0.3, trouble: 0.5, tethered: 3 },
};
