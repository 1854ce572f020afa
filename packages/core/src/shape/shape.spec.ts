import { isWithin, readField } from './check-number';
import { describe as describeShape, describeTyped } from './describe';
import { differences } from './differences';
import { toJsonSchema } from './json-schema';
import { choice, flag, list, number, object, optional, tagged, text, tuple } from './shape';
import type { Infer } from './shape';

const draw = number('Draw', 'W', { above: 0, max: 2000 });
const thing = object('Thing', {
  name: text('Name', 20),
  draw,
  reserve: optional(number('Reserve', 'fraction', { max: 0.9 })),
  size: choice('Size', { s: 'small', l: 'large' }),
  ports: list('Ports', tagged('Port', 'gives', { fixed: { voltageV: number('Volts', 'V', { max: 48 }) }, pack: {} }), { max: 3 }),
});

describe('types come from shapes', () => {
  it('compiles what fits and nothing else', () => {
    const sound: Infer<typeof thing> = { name: 'a', draw: 1, size: 's', ports: [{ gives: 'fixed', voltageV: 5 }, { gives: 'pack' }] };
    // @ts-expect-error: not one of the sizes
    const wrongChoice: Infer<typeof thing> = { ...sound, size: 'm' };
    // @ts-expect-error: a fixed port has a voltage
    const wrongVariant: Infer<typeof thing> = { ...sound, ports: [{ gives: 'fixed' }] };
    // @ts-expect-error: the draw is not optional
    const missing: Infer<typeof thing> = { name: 'a', size: 's', ports: [] };
    expect([sound, wrongChoice, wrongVariant, missing]).toHaveLength(4);
  });
});

describe('a number’s range', () => {
  it.each([
    [1e-9, true],
    [0, false],
    [-5, false],
    [2000, true],
    [2000.01, false],
    [NaN, false],
    [Infinity, false],
  ])('%d is within: %s', (value, within) => expect(isWithin(draw, value)).toBe(within));

  it('lets its smallest value in unless it says above, and wants whole numbers where it says so', () => {
    expect(isWithin(number('T', 'C', { min: -40, max: 60 }), -40)).toBe(true);
    const cells = number('Cells', 'count', { min: 1, max: 20, integer: true });
    expect([isWithin(cells, 4), isWithin(cells, 4.5)]).toEqual([true, false]);
  });

  it('is told in words, for programs and for hands', () => {
    expect(describeShape(draw)).toBe('a number of watts more than 0 and at most 2000');
    expect(describeTyped(thing.fields.reserve.of)).toBe('from 0 to 90 %');
    const field = readField(draw, '-5 W');
    expect(!field.ok && field.issue).toMatchObject({
      code: 'out-of-range',
      expected: 'more than 0 and at most 2000 W',
      received: '“-5 W”',
    });
    expect(readField(draw, '2 kW')).toEqual({ ok: true, value: 2000 });
  });
});

describe('JSON Schema', () => {
  it('says type, range, what is required, and shuts other fields out', () => {
    expect(toJsonSchema(thing)).toMatchObject({
      type: 'object',
      required: ['name', 'draw', 'size', 'ports'],
      additionalProperties: false,
      properties: {
        draw: { type: 'number', exclusiveMinimum: 0, maximum: 2000 },
        reserve: { type: 'number', minimum: 0, maximum: 0.9 },
        size: { enum: ['s', 'l'] },
        ports: {
          type: 'array',
          maxItems: 3,
          items: { oneOf: [{ properties: { gives: { const: 'fixed' } }, required: ['gives', 'voltageV'] }, { required: ['gives'] }] },
        },
      },
    });
  });

  it('refers to a shape that holds itself instead of going round', () => {
    expect(toJsonSchema({ kind: 'lazy', title: 'Feed', name: 'Feed', of: () => thing })).toEqual({ $ref: '#/components/schemas/Feed' });
    expect(toJsonSchema(tuple('Point', [draw, draw]))).toMatchObject({ minItems: 2, maxItems: 2 });
    expect(toJsonSchema(flag('On'))).toEqual({ type: 'boolean', title: 'On' });
  });
});

describe('differences', () => {
  const one = { name: 'a', draw: 5, size: 's', ports: [{ gives: 'fixed', voltageV: 5 }] };

  it('tells each field in its unit and words, whatever the order of keys', () => {
    const other = { ports: [{ voltageV: 9, gives: 'fixed' }], reserve: 0.1, size: 'l', draw: 7.5, name: 'a' };
    expect(differences(thing, one, other)).toEqual([
      { path: '/draw', title: 'Draw', one: '5 W', other: '7.5 W' },
      { path: '/reserve', title: 'Reserve', one: 'not given', other: '10 %' },
      { path: '/size', title: 'Size', one: 'small', other: 'large' },
      { path: '/ports/0/voltageV', title: 'Volts', one: '5 V', other: '9 V' },
    ]);
  });

  it('takes a thing of another kind, or a list of another length, as a whole', () => {
    expect(differences(thing, one, { ...one, ports: [{ gives: 'pack' }] }).map(({ path }) => path)).toEqual(['/ports/0']);
    expect(differences(thing, one, { ...one, ports: [] }).map(({ path }) => path)).toEqual(['/ports']);
    expect(differences(thing, one, structuredClone(one))).toEqual([]);
  });
});
