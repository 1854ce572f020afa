import type { Gear } from '@viaggio/core/gear';
import { gearOfCode } from './read-code';

const lead = (tag: string, archived?: true): Gear => ({ kind: 'cable', name: 'Lead', tag, ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } }, ...(archived && { archived }) }); // prettier-ignore
const ID = '0d0c0000-0000-4000-8000-000000000011';
const gear = new Map<string, Gear>([
  ['old', lead('V3', true)],
  [ID, lead('V3')],
  ['other', lead('R-7')],
]);

describe('what a code or a typed tag means', () => {
  it.each([
    [`http://192.168.1.20:4377/g/${ID}`, ID],
    [`https://elsewhere.example/g/${ID.toUpperCase()}?x=1`, ID],
    ['v3', ID],
    [' r-7 ', 'other'],
    ['V33', undefined],
    ['', undefined],
    ['http://192.168.1.20:4377/g/0d0c0000-0000-4000-8000-00000000ffff', undefined],
    ['http://192.168.1.20:4377/kit', undefined],
  ])('%s', (text, id) => expect(gearOfCode(text, gear)).toBe(id));
});
