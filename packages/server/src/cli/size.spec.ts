import { readFileSync } from 'node:fs';
import path from 'node:path';
import { run } from './run';
import type { SizeToolName } from '@viaggio/core/bench';
import { sizeText } from './size';

function ask(tool: string, questions: unknown) {
  const [out, err]: [string[], string[]] = [[], []];
  const text = typeof questions === 'string' ? questions : JSON.stringify(questions);
  const code = sizeText(text, tool as SizeToolName, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, lines: out.map((line) => JSON.parse(line) as Record<string, unknown>), err };
}

describe('viaggio size', () => {
  it('answers in the order of the questions; what cannot be answered has its place too', () => {
    const { code, lines } = ask('fuse', [
      { continuousA: 4, wireMaxA: 6 },
      { continuousA: -4, wireMaxA: 6 },
      { continuousA: 4 },
      { continuousA: 4.1, wireMaxA: 6 },
    ]);
    expect(code).toBe(0);
    expect(lines[0]).toMatchObject({ fuseA: 5, formula: expect.stringContaining('1.25 × 4 A'), warnings: expect.any(Array) });
    expect(lines[1]).toEqual({ error: expect.stringContaining('more than 0'), path: '/continuousA' });
    expect(lines[2]).toEqual({ error: expect.stringContaining('got nothing'), path: '/wireMaxA' });
    expect(lines[3]).toMatchObject({ fuseA: null });
  });

  it('tells what is no list, no JSON, no tool', async () => {
    expect(ask('fuse', { continuousA: 4 })).toMatchObject({ code: 1, err: [expect.stringContaining('a list')] });
    expect(ask('fuse', '[')).toMatchObject({ code: 1, err: [expect.stringContaining('not JSON')] });
    const err: string[] = [];
    expect(await run(['size', 'hammer'], { out: () => undefined, err: (line) => err.push(line) })).toBe(2);
    expect(err[0]).toContain('one of lead, fuse, converter, pack, holder, parallel');
  });
});

describe('docs/bench.md', () => {
  const text = readFileSync(path.join(__dirname, '../../../../docs/bench.md'), 'utf8');
  const examples = [...text.matchAll(/^\{ "tool": .*$/gm)].map(
    ([line]) => JSON.parse(line) as { tool: string; question: object; answer: object },
  );

  it.each(examples)('says what $tool answers', ({ tool, question, answer }) => {
    expect(ask(tool, [question]).lines[0]).toMatchObject(answer);
  });

  it('has an example of each tool', () => {
    expect(new Set(examples.map(({ tool }) => tool)).size).toBe(6);
  });
});
