import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { solveText } from './solve';

const CASES_FILE = path.join(__dirname, '../../../core/testing/network-cases.json');
const CASES = JSON.parse(readFileSync(CASES_FILE, 'utf8')) as { id: string; pack: object; feeds: object[]; expect: object }[];
const SINGLE = CASES[0]!;

function solve(cases: unknown): { code: number; lines: Record<string, unknown>[]; errors: string[] } {
  const lines: Record<string, unknown>[] = [];
  const errors: string[] = [];
  const text = typeof cases === 'string' ? cases : JSON.stringify(cases);
  const code = solveText(text, {
    out: (line) => lines.push(JSON.parse(line) as Record<string, unknown>),
    err: (line) => errors.push(line),
  });
  return { code, lines, errors };
}

describe('viaggio solve', () => {
  it('prints one line a case with the fields asked for, in order', () => {
    const { code, lines, errors } = solve(CASES);
    expect([code, errors]).toEqual([0, []]);
    expect(lines.map(({ id }) => id)).toEqual(CASES.map(({ id }) => id));
    for (const line of lines) {
      expect(Object.keys(line)).toEqual([
        'id',
        'minutes',
        'cause',
        'at',
        'packWh',
        'loadsWh',
        'endSoc',
        'startPackV',
        'startPackA',
        'startFeeds',
      ]);
    }
    expect(lines[11]).toMatchObject({ id: 'peak-collapse', minutes: 0, startPackV: null, startPackA: null, startFeeds: [] });
  });

  it('takes a single case, with or without what is expected of it', () => {
    const { expect: _expected, ...bare } = SINGLE;
    expect(solve(bare).lines).toEqual(solve(SINGLE).lines);
    expect(solve(bare).lines).toHaveLength(1);
  });

  it.each<[string, unknown, RegExp]>([
    [
      'a field that is missing',
      { ...SINGLE, pack: undefined },
      /^case “single-direct”: \/pack: pack: expected an object with .*; got nothing/,
    ],
    [
      'a figure that is text',
      { ...SINGLE, pack: { ...SINGLE.pack, capacityAh: 'big' } },
      /\/pack\/capacityAh: .*number of amp-hours.*“big”/,
    ],
    [
      'a figure out of range',
      { ...SINGLE, feeds: [{ ...SINGLE.feeds[0], resistanceOhm: -1 }] },
      /\/feeds\/0\/resistanceOhm: .*from 0 to 1000; got -1/,
    ],
    [
      'a fault deep in the tree',
      { ...SINGLE, feeds: [{ id: 'a', resistanceOhm: 0, feeds: [{ id: 'b', resistanceOhm: 0, load: { id: 'l', powerW: 'x' } }] }] },
      /\/feeds\/0\/feeds\/0\/load\/powerW/,
    ],
    ['a field that there is not', { ...SINGLE, colour: 1 }, /\/colour: .*no field of this name/],
    [
      'a feed without load or feeds',
      { ...SINGLE, feeds: [{ id: 'a', resistanceOhm: 0 }] },
      /\/feeds\/0: .*either a load or feeds; got “neither”/,
    ],
    ['a phase for an unknown load', { ...SINGLE, profile: [{ minutes: 1, scale: { ghost: 1 } }] }, /\/profile\/0\/scale\/ghost/],
    ['something that is no case', 7, /^case number 2: .*got 7/],
    [
      'a profile without end',
      { ...SINGLE, repeatProfile: true, profile: [{ minutes: 1e-7, scale: {} }] },
      /\/profile: .*fewer or longer phases/,
    ],
  ])('names the case and the field of %s, solves the others, and fails', (_what, bad, says) => {
    const { code, lines, errors } = solve([SINGLE, bad, CASES[2]]);
    expect(code).toBe(1);
    expect(lines.map(({ id }) => id)).toEqual(['single-direct', 'two-feeds']);
    expect(errors.join('\n')).toMatch(says);
  });

  it('says what is wrong with a file that is not JSON', () => {
    expect(solve('{"id":')).toMatchObject({ code: 1, lines: [], errors: [expect.stringContaining('not JSON')] });
  });

  it('runs as a command: lines out, errors apart, exit code told', () => {
    const folder = mkdtempSync(path.join(os.tmpdir(), 'solve-'));
    const run = (...args: string[]) =>
      spawnSync(process.execPath, [path.join(__dirname, '../../bin/viaggio.mjs'), ...args], { encoding: 'utf8', cwd: folder });
    try {
      const file = path.join(folder, 'cases.json');
      writeFileSync(file, JSON.stringify([SINGLE, { id: 'broken' }]));
      const { status, stdout, stderr } = run('solve', file);
      expect(status).toBe(1);
      expect(stdout.trim().split('\n')).toHaveLength(1);
      expect((JSON.parse(stdout) as { minutes: number }).minutes).toBeCloseTo(506.8588, 3);
      expect(stderr).toContain('case “broken”: /pack');
      expect(run('solve', CASES_FILE).status).toBe(0);
      expect(run('solve', path.join(folder, 'nothing.json'))).toMatchObject({
        status: 1,
        stderr: expect.stringContaining('nothing.json') as string,
      });
      expect(run()).toMatchObject({ status: 2, stderr: expect.stringContaining('viaggio solve FILE') as string });
    } finally {
      rmSync(folder, { recursive: true });
    }
  });
});
