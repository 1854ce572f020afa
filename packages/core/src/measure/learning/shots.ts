import type { Draw } from '../../gear';
import type { ObservationOf } from '../log';
import { combined } from './combined';
import type { SeenValue } from './combined';
import { MINUTES, scaled } from './draw-estimate';
import type { EstimateErrors } from './draw-estimate';

/** What a device draws between shots or frames. */
export interface Standby {
  readonly powerW: number;
  /** One standard deviation. */
  readonly sigmaW: number;
}

/** One test: what left the battery, and how much of it reached the device. */
export interface ShotsTest {
  readonly body: ObservationOf<'shots'>;
  readonly used: { readonly energyWh: number; readonly errors: EstimateErrors };
  readonly keeps: number;
}

/** What was entered of the standby may be off by this share, or so many watts. */
const ENTERED = 0.5;
const ENTERED_W = 0.2;
/** Tests tell shots and standby apart from this ratio of their paces. */
const PACES = 1.5;
/** They must say more of the standby than was known before. */
const SAYS = 0.7;
const J_PER_WH = 3600;

/** The standby as the device has it; undefined where it does not draw by the shot or frame. */
export function heldStandby(draw: Draw | undefined): Standby | undefined {
  const powerW = draw?.basis === 'shots' ? draw.standbyW : draw?.basis === 'frames' ? draw.sleepW : undefined;
  return powerW === undefined ? undefined : { powerW, sigmaW: 0 };
}

/** Joules of a shot or frame beyond the standby, as the device has them. */
export function wakesOf(draw: Draw | undefined): { readonly eventJ: number } | undefined {
  if (draw?.basis === 'shots') return { eventJ: draw.shotJ };
  return draw?.basis === 'frames' ? { eventJ: (draw.awakeW - draw.sleepW) * draw.awakeS } : undefined;
}

/** What a test says of one shot or frame, the standby between them taken off. */
export function perEvent(
  { count, minutes }: ObservationOf<'shots'>,
  { energyWh, errors }: ShotsTest['used'],
  keeps: number,
  { powerW, sigmaW }: Standby,
): { readonly meanJ: number; readonly errors: EstimateErrors } {
  const toJoules = (keeps * J_PER_WH) / count;
  const seconds = minutes * 60;
  return {
    meanJ: energyWh * toJoules - (powerW * seconds) / count,
    errors: {
      own: Math.hypot(errors.own * toJoules, (powerW * 60 * MINUTES) / count),
      shared: [...scaled(errors.shared, toJoules), { source: 'standby', sigma: (-sigmaW * seconds) / count }],
    },
  };
}

/**
 * What is drawn between shots, learnt apart from the shots: from tests of which some were shot faster than others.
 * Undefined where they do not tell it.
 */
export function learnedStandby(tests: readonly ShotsTest[], { powerW }: Standby): Standby | undefined {
  const paces = tests.map(({ body }) => body.count / body.minutes);
  if (tests.length < 2 || Math.max(...paces) < PACES * Math.min(...paces)) return undefined;
  const enteredW = Math.max(ENTERED * powerW, ENTERED_W);
  const seen = tests.map(({ body, used, keeps }): SeenValue => {
    const toJoules = keeps * J_PER_WH;
    return {
      value: used.energyWh * toJoules,
      own: Math.max(used.errors.own * toJoules, 1e-6),
      shared: scaled(used.errors.shared, toJoules),
      of: [body.count, body.minutes * 60],
    };
  });
  const { unknowns, covariance } = combined([...seen, { value: powerW, own: enteredW, shared: [], of: [0, 1] }]);
  const sigmaW = Math.sqrt(covariance[1]![1]!);
  return sigmaW < SAYS * enteredW ? { powerW: Math.max(0, unknowns[1]!), sigmaW } : undefined;
}
