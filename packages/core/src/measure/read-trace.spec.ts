import fc from 'fast-check';
import { readTrace } from './read-trace';
import type { Trace } from './trace';

/** Half the time at 2 W, half at 18 W; the samples `stepsS` apart. */
function twoModes(stepsS: readonly number[]): Trace {
  const timeS = Float64Array.from(stepsS);
  for (let index = 1; index < timeS.length; index++) timeS[index]! += timeS[index - 1]!;
  const middleS = timeS[timeS.length - 1]! / 2;
  return { timeS, powerW: timeS.map((second) => (second < middleS ? 2 : 18)) };
}

/** To the nearest watt: a slot may lie across the step. */
const means = (trace: Trace) => readTrace(trace).stretches.map(({ meanW }) => Math.round(meanW));

describe('a recording that is read', () => {
  it('law: a meter that answers late now and then has not been away', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 80, max: 170 }), { minLength: 120, maxLength: 200 }), fc.nat(60), (milliseconds, late) => {
        const stepsS = milliseconds.map((step, index) => (index === 20 + late ? 1.4 : step / 1000));
        expect(means(twoModes(stepsS))).toEqual([2, 18]);
      }),
    );
  });

  it('reads a logger that writes every half minute as one that writes every second', () => {
    expect(means(twoModes(Array.from({ length: 240 }, () => 30)))).toEqual([2, 18]);
    expect(means(twoModes(Array.from({ length: 240 }, () => 1)))).toEqual([2, 18]);
  });

  it('parts what a gap parts', () => {
    const stepsS = Array.from({ length: 400 }, (_, index) => (index === 100 ? 30 : 0.1));
    expect(readTrace(twoModes(stepsS)).stretches.map(({ fromS, toS }) => [Math.round(fromS), Math.round(toS)])).toEqual([
      [0, 10],
      [40, 70],
    ]);
  });
});
