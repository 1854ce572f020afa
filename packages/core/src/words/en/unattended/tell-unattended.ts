import type { AloneAnswer } from '../../../unattended';
import { sayUnattended } from './unattended-words';

/** How an unattended rig lives, or why that cannot be told, in words. */
export type ToldAlone = Extract<AloneAnswer, { is: 'known' }> | { readonly is: 'unknown'; readonly why: string };

export function tellAlone(answer: AloneAnswer): ToldAlone {
  return answer.is === 'known' ? answer : { is: 'unknown', why: sayUnattended(answer.why) };
}
