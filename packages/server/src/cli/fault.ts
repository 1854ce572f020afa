import { findFault } from '@viaggio/core/bench';
import type { FaultAnswer } from '@viaggio/core/bench';
import { faultAnswerShape } from '@viaggio/core/document';
import { FAULT_TESTS, list } from '@viaggio/core/units';
import type { FaultTest } from '@viaggio/core/units';
import { symptomOf, SYMPTOMS, tellFault } from '@viaggio/core/words';
import { parsePlan } from '../plan/read-plan';
import { validate } from '../validation/validate';
import { tellIssues } from './evaluate';
import { rigIn } from './item-in';
import type { Output } from './solve';

const answersShape = list('Answers', faultAnswerShape, { max: 60 });

/**
 * `viaggio fault FILE --rig ID --symptom S`: `{is, causes: [{cause, part, probability, why}], next: {test, parts, why}}` as
 * one line of JSON. Returns the exit code.
 */
export function faultText(plan: string, rigId: string, symptom: string, answers: string | undefined, { out, err }: Output): number {
  const read = parsePlan(plan);
  if (!read.ok) return tellIssues(read.issues, err);
  const rig = rigIn(read.plan, rigId, err);
  if (!rig) return 1;
  const known = symptomOf(symptom);
  if (!known) {
    err(`--symptom: expected one of ${Object.keys(SYMPTOMS).join(', ')}; got “${symptom.slice(0, 60)}”.`);
    return 1;
  }
  const tried = answers === undefined ? [] : answersOf(answers, err);
  if (!tried) return 1;
  const { sheets = [] } = read.plan;
  const gear = new Map(read.plan.gear.map(({ id, body }) => [id, body]));
  out(JSON.stringify(tellFault(findFault({ rig: rig.body, rigId: rig.id, gear, symptom: known, answers: tried, sheets }))));
  return 0;
}

function answersOf(source: string, err: Output['err']): readonly FaultAnswer[] | undefined {
  let received: unknown;
  try {
    received = JSON.parse(source);
  } catch (error) {
    err(`--answers: not JSON: ${(error as Error).message}`);
    return undefined;
  }
  const checked = validate(answersShape, received);
  if (!checked.ok) {
    tellIssues(checked.issues, (line) => err(`--answers: ${line}`));
    return undefined;
  }
  for (const [index, { test, answer }] of checked.value.entries()) {
    const { answers }: FaultTest = FAULT_TESTS[test];
    if (answers.includes(answer)) continue;
    err(`--answers: /${index}/answer: expected one of ${answers.join(', ')}; got “${answer}”.`);
    return undefined;
  }
  return checked.value;
}
