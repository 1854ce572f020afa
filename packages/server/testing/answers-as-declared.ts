import { Ajv2020 } from 'ajv/dist/2020';
import type { ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import type { Inspect } from '../src/http/router';

const ajv = new Ajv2020({ strict: false, allErrors: false });
(addFormats as unknown as (on: Ajv2020) => void)(ajv);
const checks = new Map<string, ValidateFunction>();

/** Throws where an operation answers other than it declares: status, body, or a body where it says that there is none. */
export const answersAsDeclared: Inspect = ({ id, answers }, { status, body, json, file, events }) => {
  const fault = (what: string): never => {
    throw new Error(`${id} answers other than it declares: ${what}`);
  };
  if (status !== answers.status) fault(`status ${status} instead of ${answers.status}`);
  if (file || events || !answers.schema) return;
  // as it is sent: without what JSON leaves out
  const sent: unknown = JSON.parse(json ? Buffer.from(json).toString() : JSON.stringify(body));
  let check = checks.get(id);
  if (!check) checks.set(id, (check = ajv.compile(answers.schema)));
  if (!check(sent)) fault(ajv.errorsText(check.errors));
};
