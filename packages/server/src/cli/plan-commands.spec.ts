import { LOW_WATER } from '@viaggio/core/demo';
import { PLAN_FORMAT, PLAN_VERSION } from '@viaggio/core/document';
import type { Evaluation } from '@viaggio/core/document';
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { evaluateText } from './evaluate';
import { feedsText } from './feeds';

const PLAN = { format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs };
const BIN = path.join(__dirname, '../../bin/viaggio.mjs');

function told(run: (output: { out: (line: string) => void; err: (line: string) => void }) => number) {
  const lines: string[] = [];
  const errors: string[] = [];
  const code = run({ out: (line) => lines.push(line), err: (line) => errors.push(line) });
  return { code, text: lines.join('\n'), errors };
}

describe('viaggio evaluate', () => {
  it('prints everything computed for a plan', () => {
    const { code, text, errors } = told((output) => evaluateText(JSON.stringify(PLAN), output));
    expect([code, errors]).toEqual([0, []]);
    expect((JSON.parse(text) as Evaluation).rigs).toHaveLength(LOW_WATER.rigs.length);
  });

  it('names the field of what is wrong, and prints nothing', () => {
    const broken = { ...PLAN, rigs: [{ ...PLAN.rigs[0]!, body: { ...PLAN.rigs[0]!.body, reserve: 2 } }] };
    const { code, text, errors } = told((output) => evaluateText(JSON.stringify(broken), output));
    expect([code, text]).toEqual([1, '']);
    expect(errors).toEqual([expect.stringMatching(/^\/rigs\/0\/body\/reserve: .*expected a number from 0 to 0\.9/)]);
    expect(told((output) => evaluateText('{', output)).errors[0]).toContain('a JSON document');
  });
});

describe('viaggio feeds', () => {
  const feeds = (rig: string) => told((output) => feedsText(JSON.stringify(PLAN), rig, output));

  it('prints every sound feed and the rig fed at once, by identifier or by name', () => {
    const { code, text } = feeds(LOW_WATER.rigs[2]!.id);
    const found = JSON.parse(text) as { name: string; feeds: { feeds: { title: string }[] }[]; assignments: { best: object[] } };
    expect([code, found.name]).toEqual([0, 'Deck']);
    expect(found.feeds[0]!.feeds.map(({ title }) => title)).toContain('B1 Grynna 10 → Adapter S from 5 V');
    expect(found.assignments.best.length).toBeGreaterThan(0);
    expect(feeds('Deck').text).toBe(text);
  });

  it('says which rigs there are', () => {
    const { code, errors } = feeds('nowhere');
    expect(code).toBe(1);
    expect(errors[0]).toContain('(Deck)');
  });
});

describe('the command', () => {
  const viaggio = (args: readonly string[], input = '') =>
    spawnSync(process.execPath, [BIN, ...args], { input, encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 });

  it('reads a plan from standard input', () => {
    const { status, stdout } = viaggio(['feeds', '-', '--rig', 'Deck'], JSON.stringify(PLAN));
    expect(status).toBe(0);
    expect(stdout).toContain('"name": "Deck"');
  });

  it('says how it is used', () => {
    for (const args of [['feeds', 'x'], ['feeds', '--zebra'], []]) {
      const { status, stderr } = viaggio(args);
      expect([args, status, stderr.includes('viaggio feeds FILE… --rig ID')]).toEqual([args, 2, true]);
    }
    for (const args of [['help'], ['--help'], ['feeds', '--help'], ['help', 'feeds']]) {
      const { status, stdout } = viaggio(args);
      expect([args, status, stdout.includes('viaggio feeds FILE… --rig ID')]).toEqual([args, 0, true]);
    }
  });

  it('takes several files; what one is refused for keeps no other from being answered', () => {
    const { status, stdout, stderr } = viaggio(['evaluate', '/nowhere.json', '-'], JSON.stringify(PLAN));
    expect(status).toBe(1);
    expect((JSON.parse(stdout) as Evaluation).rigs).toHaveLength(LOW_WATER.rigs.length);
    expect(stderr).toContain('/nowhere.json: ENOENT');
  });

  it('refuses an option that a command does not know, and a command that there is not', () => {
    expect(viaggio(['solve', '-', '--rig', 'Deck'], '[]')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('--rig is not for solve') as string,
    });
    expect(viaggio(['toString', '-'], '')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('“toString” is no command') as string,
    });
  });
});
