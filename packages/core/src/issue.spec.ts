import { issue, pointer, showReceived } from './issue';

describe('an issue', () => {
  it('names the field, what was expected and what came, in one sentence', () => {
    expect(issue('/pack/capacityAh', 'not-a-number', 'a number of amp-hours', 'big')).toEqual({
      path: '/pack/capacityAh',
      code: 'not-a-number',
      expected: 'a number of amp-hours',
      received: '“big”',
      message: 'pack.capacityAh: expected a number of amp-hours; got “big”.',
    });
    expect(issue('', 'wrong-type', 'an object', [1]).message).toBe('The whole: expected an object; got a list of 1.');
  });

  it.each([
    [undefined, 'nothing'],
    ['', 'an empty text'],
    ['  ', 'an empty text'],
    ['abc', '“abc”'],
    ['x'.repeat(5000), `“${'x'.repeat(40)}…” (5000 characters)`],
    [-5, '-5'],
    [null, 'null'],
    [true, 'true'],
    [[1, 2], 'a list of 2'],
    [{ a: 1 }, 'an object'],
  ])('shows %j as %s', (received, shown) => expect(showReceived(received)).toBe(shown));

  it('points by RFC 6901', () => {
    expect(pointer([])).toBe('');
    expect(pointer(['feeds', 0, 'a/b', 'c~d'])).toBe('/feeds/0/a~1b/c~0d');
  });
});
