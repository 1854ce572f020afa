import { matchModes } from './match-modes';
import { peaksOf } from './peaks';
import { readTrace } from './read-trace';
import type { Trace } from './trace';

const HERTZ = 50;

/** Levels one after the other, with peaks of given milliseconds put on at given seconds. */
function trace(levels: readonly (readonly [seconds: number, watts: number])[], peaks: readonly (readonly [atS: number, ms: number, watts: number])[] = []): Trace {
  const powerW = Float64Array.from(levels.flatMap(([seconds, watts], level) => Array.from({ length: seconds * HERTZ }, (_, index) => watts * (1 + 0.01 * Math.sin(index * (level + 1.7))))));
  for (const [atS, ms, watts] of peaks) powerW.fill(watts, Math.round(atS * HERTZ), Math.round((atS + ms / 1000) * HERTZ));
  return { timeS: powerW.map((_, index) => index / HERTZ), powerW };
} // prettier-ignore

describe('peaks of a recording', () => {
  it('are as high and as long as they were, and counted', () => {
    const { segments } = readTrace(trace([[60, 8]], [[20, 120, 20], [40, 60, 18]])); // prettier-ignore
    expect(segments).toHaveLength(1);
    expect(segments[0]).toMatchObject({ peakW: 20, peaks: 2 });
    expect(segments[0]!.peakMs).toBeCloseTo(120, 6);
    expect(segments[0]!.startUp).toBeUndefined();
  });

  it('at switching on are told as such', () => {
    const { segments } = readTrace(trace([[30, 0.05], [60, 12]], [[30.2, 300, 22]])); // prettier-ignore
    expect(segments[1]).toMatchObject({ startUp: true, peakW: 22 });
    expect(segments[1]!.peakMs).toBeCloseTo(300, 6);
  });

  it('are not told where the power only wavers', () => {
    const { segments } = readTrace(trace([[60, 8]]));
    expect(segments[0]).toMatchObject({ peaks: 0, peakMs: 0 });
  });

  it('of nothing are nothing', () => {
    const empty = { fromS: 0, toS: 1, steady: { fromS: 0, toS: 1 }, meanW: 1, spreadW: 0, peakW: 1, peakMs: 0 };
    expect(peaksOf({ timeS: new Float64Array(), powerW: new Float64Array() }, [empty])).toEqual([
      { peakW: 0, peakMs: 0, peaks: 0, startUp: false },
    ]);
  });
});

describe('segments matched to modes', () => {
  const MODES = [{ modeId: 'usual', powerW: 15, spread: 0.05 }, { modeId: 'dim', powerW: 9, spread: 0.075 }]; // prettier-ignore
  const match = (...watts: number[]) => matchModes(watts.map((meanW) => ({ meanW })), MODES); // prettier-ignore

  it('are the mode that is near', () => expect(match(15.3, 9.4)).toEqual(['usual', 'dim']));
  it('are none where none is near', () => expect(match(0.1, 12, 30)).toEqual([undefined, undefined, undefined]));
  it('are none where two are about as near', () => {
    const alike = [{ modeId: 'a', powerW: 10, spread: 0.1 }, { modeId: 'b', powerW: 10.5, spread: 0.1 }]; // prettier-ignore
    expect(matchModes([{ meanW: 10.2 }], alike)).toEqual([undefined]);
  });
});
