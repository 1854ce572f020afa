import fc from 'fast-check';
import { despeckled, grainOf, greyOf, levelled, skewOf, smoothed } from './picture';
import type { Grey } from './picture';

/** Lines of print as bars, on a ground, turned by some degrees. */
function printed(degrees: number, ground: (x: number, y: number) => number = () => 220, ink = -160): Grey {
  const [width, height] = [240, 160];
  const data = new Uint8ClampedArray(width * height);
  const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const [dx, dy] = [x - width / 2, y - height / 2];
      const [along, across] = [dx * cos - dy * sin, dy * cos + dx * sin];
      const isInk = Math.abs(across % 24) < 4 && Math.abs(across) < 60 && Math.abs(along) < 90 && Math.floor(along / 3) % 3 !== 0;
      data[y * width + x] = ground(x, y) + (isInk ? ink : 0);
    }
  }
  return { width, height, data };
}

describe('a picture of a label', () => {
  it('is grey by how bright its colours look', () => {
    const grey = greyOf({ width: 3, height: 1, data: Uint8ClampedArray.of(255, 255, 255, 255, 0, 255, 0, 255, 0, 0, 255, 255) });
    expect([...grey.data]).toEqual([255, 150, 29]);
  });

  it('loses specks on its ground', () => {
    const ground = { width: 50, height: 40, data: new Uint8ClampedArray(2000).fill(200) };
    const speckled = Uint8ClampedArray.from(ground.data);
    for (let at = 55; at < 1940; at += 37) if (at % 50 > 0 && at % 50 < 49) speckled[at] = at % 2 === 0 ? 0 : 255;
    expect(
      despeckled({ ...ground, data: speckled })
        .data.slice(51, 1949)
        .filter((value) => value !== 200),
    ).toHaveLength(0);
  });

  it('tells its grain, whatever is printed on it, and loses it by smoothing', () => {
    let state = 7;
    const random = (): number => (state = (state * 1103515245 + 12345) % 2147483648) / 2147483648;
    const clean = printed(0);
    const grained = { ...clean, data: clean.data.map((value) => value + (random() + random() + random() - 1.5) * 40) };
    expect(grainOf(clean)).toBeLessThan(2);
    expect(grainOf(grained)).toBeGreaterThan(12);
    expect(grainOf(grained)).toBeLessThan(28);
    expect(grainOf(smoothed(grained, 1))).toBeLessThan(0.5 * grainOf(grained));
  });

  it('is evenly lit, however the light falls, and light print on dark becomes dark on light', () => {
    const share = ({ data, width }: Grey): number => data.filter((value, at) => value < 110 && at % width > 20 && at % width < 220).length / data.length; // prettier-ignore
    const even = share(levelled(printed(0)));
    const dim = share(levelled(printed(0, (x, y) => 40 + 0.35 * x + 0.2 * y, -32)));
    const dark = share(levelled(printed(0, () => 40, 150)));
    expect(even).toBeGreaterThan(0.03);
    expect(Math.abs(dim - even)).toBeLessThan(0.4 * even);
    expect(Math.abs(dark - even)).toBeLessThan(0.4 * even);
  });

  it('that is plain stays plain', () => {
    const plain = levelled({ width: 20, height: 20, data: new Uint8ClampedArray(400).fill(90) });
    expect(new Set(plain.data).size).toBe(1);
    expect(skewOf(plain)).toBe(0);
  });

  it('tells by how much it is turned', () => {
    fc.assert(
      fc.property(fc.integer({ min: -25, max: 25 }), (degrees) => {
        expect(Math.abs(skewOf(levelled(printed(degrees))) - degrees)).toBeLessThan(1.3);
      }),
      { numRuns: 20 },
    );
  });
});
