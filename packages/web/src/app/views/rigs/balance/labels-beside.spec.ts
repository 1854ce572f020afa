import fc from 'fast-check';
import { labelsBeside } from './labels-beside';
import type { Labelled, PlacedLabel } from './labels-beside';

const [WIDTH, HEIGHT] = [640, 360];
const thing = (x: number, y: number, labelWidth = 100): Labelled => ({ x, y, half: 10, labelWidth });
const cover = (a: PlacedLabel, b: PlacedLabel, one: Labelled, other: Labelled): boolean =>
  a.x < b.x + other.labelWidth && b.x < a.x + one.labelWidth && Math.abs(a.y - b.y) < 15;

describe('labels beside things', () => {
  it('stand right of a thing that is alone, in its line', () => {
    expect(labelsBeside([thing(100, 100)], WIDTH, HEIGHT)).toEqual([{ x: 116, y: 100, isAway: false }]);
  });

  it('stand left where the right is out of the picture', () => {
    expect(labelsBeside([thing(600, 100)], WIDTH, HEIGHT)).toEqual([{ x: 484, y: 100, isAway: false }]);
  });

  it('cover no thing beside it while there is room above or below, and then a line leads there', () => {
    const [label] = labelsBeside([{ ...thing(20, 100), labelWidth: 80 }, thing(60, 100)], WIDTH, HEIGHT);
    expect(Math.abs(label!.y - 100)).toBeGreaterThan(10);
    expect(label!.isAway).toBe(true);
  });

  it('law: never cover each other, and stay in the picture', () => {
    const any = fc.record({ x: fc.integer({ min: 120, max: 520 }), y: fc.integer({ min: 60, max: 300 }), labelWidth: fc.integer({ min: 20, max: 110 }) }); // prettier-ignore
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 8 }), (raw) => {
        const things = raw.map(({ x, y, labelWidth }) => thing(x, y, labelWidth));
        const labels = labelsBeside(things, WIDTH, HEIGHT);
        labels.forEach((label, index) => {
          expect(label.x).toBeGreaterThanOrEqual(0);
          expect(label.x + things[index]!.labelWidth).toBeLessThanOrEqual(WIDTH);
          labels.slice(0, index).forEach((other, at) => expect(cover(label, other, things[index]!, things[at]!)).toBe(false));
        });
      }),
    );
  });
});
