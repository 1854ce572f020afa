/** How finely a day is planned and what of it counts: judgement, 2026-11. */

/** A change is planned to so many minutes of the clock. */
export const ROUND_MIN = 5;
/** Within a pause a change is tried at moments so far apart. */
export const PAUSE_STEP_MIN = 15;
/** A gap without power shorter than this is the arithmetic's, not the rig's. */
export const LEAST_GAP_MIN = 1e-3;
/** The same of random runs, which are worked out less exactly. */
export const ROUGH_GAP_MIN = 0.05;
/** Plans that differ by less than so many dark minutes are as good. */
export const SAME_DARK_MIN = 0.05;
/** What is done at the chargers within so many minutes is one visit. */
export const ONE_VISIT_MIN = 5;
