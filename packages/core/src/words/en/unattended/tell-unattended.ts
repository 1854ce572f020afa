import type { AutonomyAnswer } from '../../../unattended';
import { sayUnattended } from './unattended-words';

/** How an unattended rig lives, or why that cannot be told, in words. */
export type ToldAutonomy = Extract<AutonomyAnswer, { is: 'known' }> | { readonly is: 'unknown'; readonly why: string };

/**
 * How a rig does unattended, in words.
 *
 * @example tellAutonomy(autonomyOf(unattendedRig, gear)).is // 'known'
 */
export function tellAutonomy(answer: AutonomyAnswer): ToldAutonomy {
  return answer.is === 'known' ? answer : { is: 'unknown', why: sayUnattended(answer.why) };
}
