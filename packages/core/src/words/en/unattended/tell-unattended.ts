import type { AloneAnswer } from '../../../unattended';
import { sayUnattended } from './unattended-words';

/** How an unattended rig lives, or why that cannot be told, in words. */
export type ToldAlone = Extract<AloneAnswer, { is: 'known' }> | { readonly is: 'unknown'; readonly why: string };

/**
 * How a rig does unattended, in words.
 *
 * @example tellAlone(leftAlone(unattendedRig, gear)).is // 'known'
 */
export function tellAlone(answer: AloneAnswer): ToldAlone {
  return answer.is === 'known' ? answer : { is: 'unknown', why: sayUnattended(answer.why) };
}
