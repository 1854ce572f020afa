import fc from 'fast-check';
import { levelsOf } from './levels';
import { readTrace } from './read-trace';
import type { Trace } from './trace';

/** Levels one after the other; samples as far apart as `stepS` says at each. */
function made(levels: readonly (readonly [seconds: number, watts: (share: number) => number])[], stepS: (watts: number) => number): Trace {
  const timeS: number[] = [];
  const powerW: number[] = [];
  let from = 0;
  for (const [seconds, watts] of levels) {
    for (let at = 0; at < seconds; at += stepS(powerW.at(-1)!)) {
      timeS.push(from + at);
      powerW.push(watts(at / seconds));
    }
    from += seconds;
  }
  return { timeS: Float64Array.from(timeS), powerW: Float64Array.from(powerW) };
}

/** A pulsed load, written ten times as often while it is on. */
const PULSED = made(Array.from({ length: 60 }, (_, index) => [index % 2 === 0 ? 8 : 2, () => (index % 2 === 0 ? 5 : 30)] as const), (watts) =>
  watts > 10 ? 0.1 : 1,
); // prettier-ignore

describe('levels of segments by their samples', () => {
  it('weigh time and not rows, where a logger writes more often under load', () => {
    const [level] = levelsOf(PULSED, [{ fromS: 0, toS: 300 }]);
    // eight seconds of 5 W and two of 30 W, the edges on a slope: by rows it would be 20 W
    expect(level!.meanW).toBeGreaterThan(9.5);
    expect(level!.meanW).toBeLessThan(11.5);
  });

  it('law: the energy of a segment is the integral over its samples, within 0.1 %', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 50, max: 1500 }), fc.double({ min: 5, max: 25, noNaN: true })), { minLength: 60, maxLength: 200 }), (samples) => {
        let now = 0;
        const trace = { timeS: Float64Array.from(samples, ([ms]) => (now += ms / 1000)), powerW: Float64Array.from(samples, ([, watts]) => watts) };
        for (const { fromS, toS, meanW } of readTrace(trace).segments) {
          const within = [...trace.timeS.keys()].filter((at) => trace.timeS[at]! - trace.timeS[0]! >= fromS - 1e-9 && trace.timeS[at]! - trace.timeS[0]! < toS - 1e-9);
          if (within.length < 2) continue;
          let [joules, seconds] = [0, 0];
          for (const at of within.slice(1)) {
            const stepS = trace.timeS[at]! - trace.timeS[at - 1]!;
            joules += (stepS * (trace.powerW[at]! + trace.powerW[at - 1]!)) / 2;
            seconds += stepS;
          }
          expect(Math.abs(meanW / (joules / seconds) - 1)).toBeLessThan(0.001);
        }
      }),
      { numRuns: 60, endOnFailure: true },
    ); // prettier-ignore
  });

  it('tell a drift with its size, in one segment', () => {
    const warming = made([[120, () => 4], [600, (share) => 20 - 2.4 * share]], () => 1); // prettier-ignore
    const { segments } = readTrace(warming);
    expect(segments).toHaveLength(2);
    expect(segments[0]!.driftW).toBeUndefined();
    expect(segments[1]!.driftW).toBeCloseTo(-2.4, 1);
    expect(segments[1]!.meanW).toBeCloseTo(18.8, 1);
  });

  it('tell none where the power only wavers', () => {
    const { segments } = readTrace(made([[600, (share) => 20 + 2 * Math.sin(400 * share)]], () => 1)); // prettier-ignore
    expect(segments.map(({ driftW }) => driftW)).toEqual([undefined]);
  });

  it('are not told of a segment without two samples', () => {
    expect(levelsOf({ timeS: Float64Array.of(0), powerW: Float64Array.of(4) }, [{ fromS: 0, toS: 1 }])).toEqual([undefined]);
  });
});

describe('a logger that writes seldom while little is drawn', () => {
  it('has not been away between', () => {
    const slow = made([[200, () => 4], [120, () => 30], [200, () => 4]], (watts) => (watts > 10 ? 0.2 : 8)); // prettier-ignore
    expect(readTrace(slow).segments.map(({ meanW }) => Math.round(meanW))).toEqual([4, 30, 4]);
  });
});

describe('a fast meter', () => {
  it('of a thousand samples a second gives the same segments as a slow one', () => {
    const fast = made([[30, () => 6], [30, (share) => 14 + 0.5 * Math.sin(900 * share)], [30, () => 6]], () => 0.001); // prettier-ignore
    expect(readTrace(fast).segments.map(({ fromS, meanW }) => [Math.round(fromS), Math.round(meanW)])).toEqual([[0, 6], [30, 14], [60, 6]]); // prettier-ignore
  });
});
