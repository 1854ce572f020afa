import { negotiate, plainFiveVolts, profilesByRating, usbCable } from './power-delivery';

const told = (profiles: readonly { voltageV: number; currentA: number }[]) =>
  profiles.map(({ voltageV, currentA }) => `${voltageV}/${Number(currentA.toFixed(3))}`).join(' ');

describe('profiles by rating, from the published power rules', () => {
  it.each([
    [7.5, '5/1.5'],
    [15, '5/3'],
    [18, '5/3 9/2'],
    [27, '5/3 9/3'],
    [30, '5/3 9/3 15/2'],
    [45, '5/3 9/3 15/3'],
    [60, '5/3 9/3 15/3 20/3'],
    [65, '5/3 9/3 15/3 20/3.25'],
    [100, '5/3 9/3 15/3 20/5'],
    [140, '5/3 9/3 15/3 20/5 28/5'],
    [180, '5/3 9/3 15/3 20/5 28/5 36/5'],
    [240, '5/3 9/3 15/3 20/5 28/5 36/5 48/5'],
  ])('%d W: %s', (ratingW, expected) => expect(told(profilesByRating(ratingW))).toBe(expected));
});

describe('negotiation', () => {
  const three = usbCable(false, false);
  const five = usbCable(true, false);
  const extended = usbCable(false, true);

  it.each([
    ['45 W to 9-15 V', 45, three, 9, 15, '15 V 3 A 45 W source'],
    ['27 W to 9-15 V', 27, three, 9, 15, '9 V 3 A 27 W source'],
    ['100 W through a 3 A cable', 100, three, 5, 20, '20 V 3 A 60 W cable'],
    ['100 W through a 5 A cable', 100, five, 5, 20, '20 V 5 A 100 W source'],
    ['140 W without an extended-range cable', 140, five, 5, 28, '20 V 5 A 100 W source'],
    ['140 W with one', 140, extended, 5, 28, '28 V 5 A 140 W source'],
    ['15 W to a 9 V sink', 15, three, 9, 15, 'none'],
    ['60 W to a 12 V sink', 60, three, 12, 12, 'none'],
  ])('%s: %s', (_what, ratingW, cable, minV, maxV, expected) => {
    const contract = negotiate(profilesByRating(ratingW), cable, { minV, maxV });
    const { voltageV, currentA, powerW, limitedBy } = contract ?? {};
    expect(contract ? `${voltageV} V ${currentA} A ${powerW} W ${limitedBy}` : 'none').toBe(expected);
  });

  it('uses the item’s own list, 12 V and all, and the higher voltage where powers are equal', () => {
    const own = [{ voltageV: 9, currentA: 3 }, { voltageV: 12, currentA: 2.25 }]; // prettier-ignore
    expect(negotiate(own, three, { minV: 5, maxV: 15 })).toMatchObject({ voltageV: 12, powerW: 27 });
    expect(negotiate(own, three, { minV: 5, maxV: 9 })).toMatchObject({ voltageV: 9 });
  });
});

describe('a programmable supply, from the published ranges: 3.3 V up to 11, 16 or 21 V in steps of 20 mV', () => {
  const three = usbCable(false, false);
  const range = (maxV: number, currentA = 3) => ({ minV: 3.3, maxV, currentA });

  it.each([
    ['8.4 V asked of 11 V', range(11), 8.3, 8.4, '8.4 V 3 A programmable'],
    ['between two steps: the one below', range(11), 8.3, 8.415, '8.4 V 3 A programmable'],
    ['the top of its range', range(11), 10, 14, '11 V 3 A programmable'],
    ['up to 21 V without an extended-range cable', range(21), 20.5, 21, '21 V 3 A programmable'],
    ['above its range', range(11), 12, 14, 'none'],
    ['less current than the cable', range(11, 2), 8.3, 8.4, '8.4 V 2 A programmable'],
  ])('%s', (_what, programmable, minV, maxV, expected) => {
    const contract = negotiate([{ voltageV: 5, currentA: 3 }], three, { minV, maxV, programmable: true }, programmable);
    expect(contract ? `${contract.voltageV} V ${contract.currentA} A ${contract.by}` : 'none').toBe(expected);
  });

  it('is left alone by a device that cannot ask for it', () => {
    expect(negotiate([], three, { minV: 8, maxV: 9 }, range(11))).toBeUndefined();
  });

  it('a fixed profile is taken where it gives more', () => {
    expect(negotiate(profilesByRating(45), three, { minV: 9, maxV: 15, programmable: true }, range(11))).toMatchObject({
      voltageV: 15,
      by: 'profile',
    });
  });
});

describe('a plain port', () => {
  it.each([
    ['the standard’s 0.5 A', 0.5, 5, 9, '5 V 0.5 A 2.5 W'],
    ['the standard’s charging port', 1.5, 5, 9, '5 V 1.5 A 7.5 W'],
    ['a maker’s own 2.4 A', 2.4, 5, 9, '5 V 2.4 A 12 W'],
    ['more than a plain cable carries', 4, 5, 9, '5 V 3 A 15 W'],
    ['a device that starts at 9 V', 2.4, 9, 15, 'none'],
    ['a device for less than 5 V', 2.4, 3, 4.5, 'none'],
  ])('%s', (_what, portA, minV, maxV, expected) => {
    const contract = plainFiveVolts(portA, usbCable(false, false), { minV, maxV });
    expect(contract ? `${contract.voltageV} V ${contract.currentA} A ${contract.powerW} W` : 'none').toBe(expected);
    if (contract) expect(contract.by).toBe('plain-5v');
  });
});
