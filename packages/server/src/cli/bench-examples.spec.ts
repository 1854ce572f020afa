import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { FoundFault } from '@viaggio/core/bench';
import { LOW_WATER } from '@viaggio/core/demo';
import { PLAN_FORMAT, PLAN_VERSION } from '@viaggio/core/document';
import type { ToldStep } from '@viaggio/core/document';
import { checkText } from './check';
import { faultText } from './fault';

const PLAN = JSON.stringify({ format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs });
const DOCS = readFileSync(path.join(__dirname, '../../../../docs/bench.md'), 'utf8');
const lines = DOCS.split('\n').filter((line) => /^\{ "(check|fault)":/.test(line));

interface CheckExample {
  readonly check: string;
  readonly readings: readonly { readonly step: number; readonly value: number | 'OL'; readonly unit?: string }[];
  readonly answer: { readonly step: number; readonly verdict?: string; readonly closed?: boolean };
}
interface FaultExample {
  readonly fault: string;
  readonly symptom: string;
  readonly answers: readonly object[];
  readonly answer: { readonly cause: string };
}

function told(ask: (output: { out: (line: string) => void; err: (line: string) => void }) => number): readonly string[] {
  const out: string[] = [];
  expect(ask({ out: (line) => out.push(line), err: (line) => out.push(line) })).toBe(0);
  return out;
}

describe('docs/bench.md', () => {
  it('has examples of both', () => expect(lines.length).toBeGreaterThanOrEqual(7));

  it.each(lines)('%s', (line) => {
    const example = JSON.parse(line) as CheckExample | FaultExample;
    if ('fault' in example) {
      const [text] = told((output) => faultText(PLAN, example.fault, example.symptom, JSON.stringify(example.answers), output));
      expect((JSON.parse(text!) as FoundFault).causes[0]).toMatchObject(example.answer);
      return;
    }
    const steps = told((output) => checkText(PLAN, example.check, undefined, output)).map((text) => JSON.parse(text) as ToldStep);
    const readings = example.readings.map(({ step, ...reading }) => ({ ...reading, step: steps[step - 1]!.step }));
    const judged = told((output) => checkText(PLAN, example.check, JSON.stringify(readings), output)).map(
      (text) => JSON.parse(text) as ToldStep,
    );
    const { step, ...answer } = example.answer;
    expect(judged[step - 1]).toMatchObject(answer);
  });
});
