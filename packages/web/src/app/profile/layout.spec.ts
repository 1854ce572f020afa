import { LOW_WATER, assess } from '@viaggio/core';
import { layoutProfile } from './layout';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const journeys = LOW_WATER.rigs.flatMap(({ body }) =>
  assess(body, gear).lanes.map(({ device, stations }) => [`${body.name}, to ${device}`, stations] as const),
);

describe('the layout of a voltage profile', () => {
  it.each(journeys)('%s: left to right without gaps, everything inside the picture', (_name, journey) => {
    for (const width of [1200, 640, 328]) {
      const { placed, ticks } = layoutProfile(journey, width, 250);
      expect(placed).toHaveLength(journey.length);
      placed.slice(1).forEach((place, index) => expect(place.x0).toBeCloseTo(placed[index]!.x1, 9));
      expect(placed.at(-1)!.x1).toBeLessThanOrEqual(width);
      for (const { x, y } of placed.flatMap(({ band, start, end, riser }) => [...band, ...start, ...end, ...riser])) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(width);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(250);
      }
      expect(ticks.length).toBeGreaterThanOrEqual(2);
      expect(ticks.length).toBeLessThanOrEqual(8);
    }
  });

  it('puts higher voltages higher, and lines end where the next begin', () => {
    const [, wheelhouse] = journeys[0]!;
    const { placed, yOf } = layoutProfile(wheelhouse, 640, 250);
    expect(yOf(16)).toBeLessThan(yOf(12));
    const [battery, lead, adapter] = placed;
    expect(lead!.start[0]!.y).toBeCloseTo(battery!.start[1]!.y, 9);
    expect(lead!.start[1]!.y).toBeGreaterThan(lead!.start[0]!.y);
    expect(adapter!.riser[0]!.y).toBeCloseTo(lead!.start[1]!.y, 9);
    expect(adapter!.riser[1]!.y).toBeCloseTo(yOf(8), 9);
  });

  it('gives lanes that are shown together one height of volts', () => {
    const rig = LOW_WATER.rigs.find(({ body }) => body.name.startsWith('Wheelhouse, everything'))!.body;
    const lanes = assess(rig, gear).lanes.map(({ stations }) => stations);
    const together = lanes.map((stations) => layoutProfile(stations, 640, 250, lanes.flat()).yOf(12));
    expect(new Set(together).size).toBe(1);
    expect(new Set(lanes.map((stations) => layoutProfile(stations, 640, 250).yOf(12))).size).toBeGreaterThan(1);
  });

  it('thickens the line with the watts and draws what it can of what is unknown', () => {
    const [, stills] = journeys.find(([name]) => name.startsWith('Stills, '))!;
    const [first] = layoutProfile(stills, 640, 250).placed;
    const heavier = layoutProfile([{ ...stills[0]!, start: { ...stills[0]!.start!, powerW: 30 } }, ...stills.slice(1)], 640, 250)
      .placed[0]!;
    expect(heavier.startWidth).toBeGreaterThan(first!.startWidth);
    const unknown = layoutProfile([{ ...stills[0]!, highV: undefined, start: undefined }], 640, 250).placed[0]!;
    expect([unknown.band, unknown.start]).toEqual([[], []]);
  });
});
