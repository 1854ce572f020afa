import { assess } from '../answer/assess';
import { LOW_WATER } from '../demo/low-water';
import { sayMoment } from '../words/en/answer/moment-words';
import { momentOf } from './moment';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const demo = (name: string) => assess(LOW_WATER.rigs.find(({ body }) => body.name === name)!.body, gear);

describe('a moment of the run', () => {
  it('shows a late over-current as it arrives: within, near, at the limit', () => {
    const [track] = demo('Wheelhouse on the small battery').tracks;
    const port = track!.stations.find(({ limit }) => limit?.maxA === 1.5)!;
    const verdicts = port.moments.map((_, index) => momentOf(port, index));
    expect(verdicts[0]!.verdict).toBe('good');
    expect(verdicts.at(-1)).toMatchObject({ verdict: 'stop', near: 'at-limit' });
    expect(sayMoment(port, verdicts.at(-1)!)).toBe('1.5 A of 1.5 A (D-tap of Holmvik 49): at its limit.');
    expect(verdicts.map(({ verdict }) => verdict).filter((verdict, index, all) => verdict !== all[index - 1])).toEqual(['good', 'caution', 'stop']); // prettier-ignore
    const used = verdicts.map((one) => one.used!);
    expect(used).toEqual([...used].sort((a, b) => a - b));
  });

  it('has a level for each moment of its track, and those of start and end among them', () => {
    for (const { body } of LOW_WATER.rigs) {
      for (const { moments, stations } of assess(body, gear).tracks) {
        for (const station of stations) {
          expect(station.moments).toHaveLength(moments.length);
          if (moments.length === 0) continue;
          expect(station.moments[0]!.voltageV).toBeCloseTo(station.start!.voltageV, 9);
          expect(station.moments.at(-1)!.voltageV).toBeCloseTo(station.end!.voltageV, 6);
        }
      }
    }
  });

  it('is near a limit from nine tenths of it on', () => {
    const station = { ...demo('Stills').tracks[0]!.stations.at(-1)!, lowV: undefined, highV: undefined };
    const at = (currentA: number) =>
      momentOf(
        {
          ...station,
          limit: { maxA: 10, by: 'port', past: 'trips', part: 'Plate', port: undefined },
          moments: [{ voltageV: 7, currentA, powerW: 7 * currentA }],
        },
        0,
      );
    expect(at(8.9)).toMatchObject({ verdict: 'good', near: undefined });
    expect(at(9.1)).toMatchObject({ verdict: 'caution', near: 'near-limit' });
    expect(at(10)).toMatchObject({ verdict: 'stop', near: 'at-limit' });
  });

  it('tells a gate that is near its lowest volts, and one that is there', () => {
    const { tracks } = demo('Stills');
    const camera = tracks[0]!.stations.at(-1)!;
    const at = (voltageV: number) => {
      const station = { ...camera, lowV: 6.3, highV: 8.6, moments: [{ voltageV, currentA: 1, powerW: voltageV }] };
      const moment = momentOf(station, 0);
      return { verdict: moment.verdict, sentence: sayMoment(station, moment) };
    };
    expect(at(7).verdict).toBe('good');
    expect(at(6.4)).toMatchObject({ verdict: 'caution', sentence: '0.1 V above the lowest it accepts.' });
    expect(at(6.3).verdict).toBe('stop');
    expect(at(8.7)).toMatchObject({ verdict: 'stop', sentence: '8.7 V arrive; at most 8.6 V are accepted.' });
  });

  it('without a run keeps the verdict of the whole', () => {
    const { tracks } = demo('Galley on the old bank');
    expect(momentOf(tracks[0]!.stations.at(-1)!, 0)).toMatchObject({ verdict: 'stop', level: undefined });
  });

  it('keeps a second feed apart from the first', () => {
    const { tracks } = demo('Galley, two cameras on mains');
    expect(tracks.map(({ device, first }) => [device, first])).toEqual([
      ['Skuadon 60', true],
      ['Skuadon 60 B', true],
      ['Murre 6 audio recorder', true],
      ['Skuadon 60', false],
      ['Skuadon 60 B', false],
    ]);
  });
});
