import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { EXAMPLE_WORLD } from '../testing/example-world';

const SRC = __dirname;

function filesIn(folder: string): readonly string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const at = path.join(folder, entry.name);
    if (entry.isDirectory()) return filesIn(at);
    return /\.ts$/.test(entry.name) && !/\.spec\.ts$|index\.ts$/.test(entry.name) ? [at] : [];
  });
}

interface Example {
  readonly file: string;
  readonly expression: string;
  readonly expected: string;
}

/** Every `@example EXPRESSION // VALUE`, and every `@example` that is of another form. */
const examples = filesIn(SRC).flatMap((file): Example[] =>
  [...readFileSync(file, 'utf8').matchAll(/^ *\* @example ?(.*)$/gm)].map(([, text]) => {
    const at = text!.lastIndexOf(' // ');
    return {
      file: path.relative(SRC, file),
      expression: at < 0 ? text! : text!.slice(0, at).trim(),
      expected: at < 0 ? '' : text!.slice(at + 4),
    };
  }),
);

/** All that core has, by name, beside the demo crew's things. */
const scope: Record<string, unknown> = { ...EXAMPLE_WORLD };
for (const file of filesIn(SRC)) {
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- every file, whatever it is called
  for (const [name, value] of Object.entries(require(file) as Record<string, unknown>)) if (!(name in scope)) scope[name] = value;
}

function evaluate(code: string): unknown {
  // eslint-disable-next-line @typescript-eslint/no-implied-eval -- the examples are our own
  return new Function(...Object.keys(scope), `return (${code});`)(...Object.values(scope)) as unknown;
}

/** A value as written, with `…` for what is left out: numbers hold to the digits that they are written with. */
function matches(actual: unknown, expected: string): void {
  const open = expected.includes('…');
  const wanted = evaluate(expected.replace(/,?\s*…/g, ''));
  if (typeof wanted === 'number' && typeof actual === 'number') {
    const digits = /\.(\d+)/.exec(expected)?.[1]?.length ?? 0;
    expect(Math.abs(actual - wanted)).toBeLessThanOrEqual(0.5 * 10 ** -digits + 1e-12);
  } else if (typeof wanted === 'object' && wanted !== null && !Array.isArray(wanted)) expect(actual).toMatchObject(wanted);
  else if (open && Array.isArray(wanted)) expect((actual as unknown[]).slice(0, wanted.length)).toEqual(wanted);
  else expect(actual).toEqual(wanted);
}

describe('the examples of core', () => {
  it('are there, each an expression and the value that it has', () => {
    expect(examples.length).toBeGreaterThan(50);
    expect(examples.filter(({ expected }) => expected === '')).toEqual([]);
  });

  it.each(examples.map((example) => [`${example.file}: ${example.expression}`, example] as const))(
    '%s',
    (_name, { expression, expected }) => {
      matches(evaluate(expression), expected);
    },
  );
});
