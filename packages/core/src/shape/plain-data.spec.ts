import fc from 'fast-check';
import { MOST_DEEP, unkeepable } from './plain-data';

const deep = (levels: number): unknown => JSON.parse(`${'['.repeat(levels)}1${']'.repeat(levels)}`);

describe('what can be kept', () => {
  it('plain data of a bounded depth can', () => {
    fc.assert(fc.property(fc.jsonValue({ maxDepth: 6, noUnicodeString: true }), (value) => expect(unkeepable(value)).toBeUndefined()), { numRuns: 200, seed: 17 }); // prettier-ignore
    expect(unkeepable(deep(MOST_DEEP - 1))).toBeUndefined();
  });
  it.each([
    ['a text with NUL', { a: ['x\0'] }, '/a/0', 'text without control characters'],
    ['half a surrogate pair', { a: '\ud800' }, '/a', 'text without control characters'],
    ['a name with NUL', { a: { 'b\0': 1 } }, '/a', 'a name without control characters'],
    ['what is nested too deep', deep(MOST_DEEP + 1), '/0/0/0/0', `at most ${MOST_DEEP} levels`],
    ['what is nested a hundred thousand deep', deep(100_000), '/0/0/0/0', `at most ${MOST_DEEP} levels`],
  ])('%s cannot, and says where', (_what, value, path, expected) => expect(unkeepable(value)).toEqual({ path, expected }));
  it('names that every object has are names like others', () => {
    expect(unkeepable(JSON.parse('{"__proto__": {"toString": 1}, "constructor": []}'))).toBeUndefined();
  });
});
