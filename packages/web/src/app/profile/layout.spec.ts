import { assess } from '@viaggio/core/answer';
import type { Track } from '@viaggio/core/answer';
import { LOW_WATER } from '@viaggio/core/demo';
import { drawAt, eventsOf, momentIndex } from './drawing';
import { cutTo, layoutProfile, nameLines, trackKey } from './layout';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const tracksOf = (name: string): readonly Track[] => assess(LOW_WATER.rigs.find(({ body }) => body.name === name)!.body, gear).tracks;
const rigs = LOW_WATER.rigs.map(({ body }) => [body.name, assess(body, gear).tracks] as const);
const WHOLE = 'Wheelhouse, everything on one V-mount';

describe('the layout of a voltage profile', () => {
  it.each(rigs)('%s: left to right without gaps, a row a track, everything inside the picture', (_name, tracks) => {
    for (const frame of [1200, 640, 328]) {
      const layout = layoutProfile(tracks, frame);
      const { placed, rows, width, height } = layout;
      expect(rows.map(({ track }) => track)).toEqual(tracks);
      for (const place of placed) {
        expect(place.x1).toBeGreaterThan(place.x0);
        if (place.before) expect(place.x0).toBeGreaterThanOrEqual(place.before.x1 - 1e-9);
        if (place.before && place.station.kind !== 'device') expect(place.x0).toBeCloseTo(place.before.x1, 9);
      }
      const drawn = [0, 45, 1e6].flatMap((minute) => drawAt(layout, minute));
      for (const { x, y } of drawn.flatMap(({ band, line, tie }) => [...band, ...line, ...tie])) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(width);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(height);
      }
      for (const { ticksV } of rows) {
        expect(ticksV.length).toBeGreaterThanOrEqual(1);
        expect(ticksV.length).toBeLessThanOrEqual(8);
      }
    }
  });

  it('draws what tracks share once, and ties it into them', () => {
    const tracks = tracksOf(WHOLE);
    const layout = layoutProfile(tracks, 800);
    const keys = layout.placed.map(({ station }) => station.key);
    expect(new Set(keys).size).toBe(keys.length);
    expect(layout.placed.filter(({ station }) => station.kind === 'battery')).toHaveLength(1);
    expect(keys.length).toBeLessThan(tracks.flatMap(({ stations }) => stations).length);
    const tied = drawAt(layout, 0).filter(({ tie }) => tie.length > 0);
    expect(tied).toHaveLength(tracks.length - 1);
    for (const { placed, tie } of tied) {
      expect(tie[0]!.x).toBe(tie[1]!.x);
      expect(tie[1]!.y).toBeGreaterThan(tie[0]!.y);
      expect(placed.before!.row).toBeLessThan(placed.row);
    }
  });

  it('has one height of volts for tracks of one size, higher voltages higher', () => {
    const tracks = tracksOf(WHOLE);
    const layout = layoutProfile(tracks, 800, new Set(tracks.map(trackKey)));
    const heights = layout.rows.map(({ top }, row) => layout.yOf(row, 12) - top);
    heights.forEach((height) => expect(height).toBeCloseTo(heights[0]!, 9));
    expect(layout.yOf(0, 16)).toBeLessThan(layout.yOf(0, 12));
  });

  it('stays readable with twelve lanes: flat until one is opened, and all of them in one screen', () => {
    const [track] = tracksOf('Wheelhouse');
    const tracks = Array.from({ length: 12 }, (_, index) => ({ ...track!, deviceId: `d${index}`, stations: track!.stations.map((station, at) => (at === track!.stations.length - 1 ? { ...station, key: `device d${index}` } : station)) })); // prettier-ignore
    const shut = layoutProfile(tracks, 360);
    expect(shut.rows.map(({ size }) => size)).toEqual(Array(12).fill('flat'));
    expect(shut.height).toBeLessThan(600);
    for (const { x0, x1 } of shut.placed) expect(x1 - x0).toBeGreaterThanOrEqual(30);
    const { rows } = layoutProfile(tracks, 360, new Set([trackKey(tracks[3]!)]));
    expect(rows.map(({ size }) => size).indexOf('tall')).toBe(3);
    expect(rows[3]!.bottom - rows[3]!.top).toBeGreaterThan(150);
  });

  it('has names in full where there is room, in two lines where there is less, and cut only where both are too short', () => {
    expect(nameLines('lead of Adapter M from D-tap', 300)).toEqual(['lead of Adapter M from D-tap']);
    expect(nameLines('lead of Adapter M from D-tap', 120)).toEqual(['lead of Adapter M', 'from D-tap']);
    expect(nameLines('lead of Adapter M from D-tap', 60)).toEqual(['lead of', 'Adapter …']);
    expect(nameLines('Splitterkasten', 40)).toEqual(['Split…']);
    expect([cutTo('Splitterkasten', 40), cutTo('Splitterkasten', 400)]).toEqual(['Split…', 'Splitterkasten']);
  });

  it('has a meter at each limit: amps now and at the worst, of what is allowed', () => {
    const layout = layoutProfile(tracksOf('Wheelhouse on the small battery'), 900);
    const [first] = drawAt(layout, 0).flatMap(({ meter }) => (meter ? [meter] : []));
    expect(first!.text).toMatch(/^1\.\d+ of 1\.5 A$/);
    expect(first!.now).toBeLessThan(0.8);
    expect(first!.worst).toBeCloseTo(1, 3);
    const [last] = drawAt(layout, 1e6).flatMap(({ meter }) => (meter ? [meter] : []));
    expect(last!.now).toBeCloseTo(1, 3);
    const unlimited = drawAt(layout, 0).filter(({ placed }) => placed.station.limit === undefined);
    expect(unlimited.every(({ meter }) => meter === undefined)).toBe(true);
  });
});

describe('a moment of the profile', () => {
  const layout = layoutProfile(tracksOf('Wheelhouse on the small battery'), 640);
  const last = layout.rows[0]!.track.moments.at(-1)!.minute;

  it('is the last that is not after the minute, and the end past the end', () => {
    const [track] = tracksOf('Wheelhouse');
    expect(momentIndex(track!, 0)).toBe(0);
    expect(momentIndex(track!, track!.moments[7]!.minute)).toBe(7);
    expect(momentIndex(track!, track!.moments[7]!.minute + 0.01)).toBe(7);
    expect(momentIndex(track!, 1e9)).toBe(track!.moments.length - 1);
  });

  it('lowers the levels, and shows the late overload when it is there', () => {
    const [battery, lead] = drawAt(layout, 0);
    const [batteryLate, leadLate] = drawAt(layout, last);
    expect(batteryLate!.line[0]!.y).toBeGreaterThan(battery!.line[0]!.y);
    expect(lead!.moment.verdict).toBe('good');
    expect(leadLate!.moment.verdict).toBe('stop');
    expect(leadLate!.lineWidth).toBeGreaterThan(1.5);
  });

  it('is named: peaks that can stop it, limits that come near and are reached, in time', () => {
    const events = eventsOf(layout);
    expect(events.map(({ verdict }) => verdict)).toEqual(['stop', 'caution', 'stop']);
    expect(events[0]!.sentence).toBe('from here on a peak of Skuadon 60 can shut it off.');
    expect(events.at(-1)).toMatchObject({ minute: last, sentence: '1.5 A of 1.5 A (D-tap of Holmvik 49): at its limit.' });
    const minutes = events.map(({ minute }) => minute);
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b));
  });

  it('draws what is known where nothing was run', () => {
    const stopped = layoutProfile(tracksOf('Galley on the old bank'), 640);
    const drawn = drawAt(stopped, 0);
    expect(drawn.every(({ timed }) => !timed)).toBe(true);
    expect(drawn.some(({ line }) => line.length > 0)).toBe(true);
  });
});
