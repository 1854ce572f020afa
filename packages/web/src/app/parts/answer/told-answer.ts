import type { Answer } from '@viaggio/core/answer';
import { displayNow } from '@viaggio/core/units';
import type { Display } from '@viaggio/core/units';
import { tellAnswer } from '@viaggio/core/words';
import type { ToldAnswer } from '@viaggio/core/words';

const known = new WeakMap<Answer, { readonly display: Display; readonly told: ToldAnswer }>();

/** An answer in words, told once however many show it: the band, the findings, the sections below. */
export function toldAnswer(answer: Answer): ToldAnswer {
  const before = known.get(answer);
  if (before?.display === displayNow()) return before.told;
  const told = tellAnswer(answer);
  known.set(answer, { display: displayNow(), told });
  return told;
}
