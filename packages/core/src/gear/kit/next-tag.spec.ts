import { missingFields } from '../../shape/missing-fields';
import { gearShape } from '../gear';
import { GENERIC_TRUNK } from '../generic/generic-kit';
import { nextTags, tagFor } from './next-tag';

describe('tags', () => {
  it.each([
    ['V7', 3, ['V8'], ['V7', 'V9', 'V10']],
    ['K', 1, ['K'], ['K']],
    ['K', 2, [], ['K1', 'K2']],
    ['09', 2, [], ['9', '10']],
    ['', 2, [], ['1', '2']],
  ] as const)('from %j, %i of them', (first, count, inUse, tags) => {
    expect(nextTags(first, count, new Set<string>(inUse))).toEqual(tags);
  });

  it('go on after the highest of a sort', () => {
    expect(tagFor('v-mount', ['V1', 'V12', 'V3'], new Set())).toBe('V13');
    expect(tagFor('v-mount', ['Brick 4'], new Set(['Brick 4']))).toBe('Brick 5');
  });

  it('begin with the letter of the form, and the first number that is free', () => {
    expect(tagFor('v-mount', [], new Set())).toBe('V1');
    expect(tagFor('bank', ['old', 'new'], new Set(['B1', 'B2', 'V3']))).toBe('B3');
  });
});

describe('the generic kit', () => {
  it('is whole, names each thing once, and never says that a typical draw was measured', () => {
    expect(GENERIC_TRUNK.flatMap((gear) => missingFields(gearShape, gear))).toEqual([]);
    const names = GENERIC_TRUNK.map(({ name }) => name);
    expect(names.filter((name, index) => names.indexOf(name) !== index)).toEqual([]);
    for (const gear of GENERIC_TRUNK) if (gear.kind === 'device') expect(gear.from?.draw).toBe('guess');
  });
});
