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

/** To a milliwatt: a slot that lies across the step counts for neither mode. */
const means = (trace: Trace) => readTrace(trace).segments.map(({ meanW }) => Math.round(meanW * 1000) / 1000);

/** The slot before the pause held both modes, and the pause then held their mean: found by the law. */
const LATE_AT_THE_STEP = [
  80, 80, 80, 80, 80, 80, 80, 80, 80, 82, 100, 87, 101, 80, 80, 80, 121, 117, 104, 152, 159, 80, 155, 89, 80, 80, 80, 160, 80, 139, 112, 83,
  140, 80, 107, 137, 118, 134, 80, 94, 136, 86, 94, 100, 106, 121, 153, 104, 138, 93, 152, 134, 145, 149, 80, 121, 113, 80, 91, 80, 80, 80,
  80, 93, 80, 80, 80, 80, 80, 80, 80, 80, 80, 80, 80, 80, 80, 89, 101, 102, 150, 101, 83, 83, 90, 128, 128, 89, 146, 124, 133, 108, 108, 83,
  160, 90, 130, 83, 95, 165, 115, 166, 165, 122, 99, 80, 142, 93, 133, 145, 108, 120, 161, 102, 102, 144, 147, 90, 160, 166, 82, 169,
];

describe('a recording that is read', () => {
  it('law: a meter that answers late now and then has not been away', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 80, max: 170 }), { minLength: 120, maxLength: 200 }), fc.nat(60), (milliseconds, late) => {
        const stepsS = milliseconds.map((step, index) => (index === 20 + late ? 1.4 : step / 1000));
        expect(means(twoModes(stepsS))).toEqual([2, 18]);
      }),
      { examples: [[LATE_AT_THE_STEP, 52]] },
    );
  });

  it('reads a logger that writes every half minute as one that writes every second', () => {
    expect(means(twoModes(Array.from({ length: 240 }, () => 30)))).toEqual([2, 18]);
    expect(means(twoModes(Array.from({ length: 240 }, () => 1)))).toEqual([2, 18]);
  });

  it('parts what a gap parts', () => {
    const stepsS = Array.from({ length: 400 }, (_, index) => (index === 100 ? 30 : 0.1));
    expect(readTrace(twoModes(stepsS)).segments.map(({ fromS, toS }) => [Math.round(fromS), Math.round(toS)])).toEqual([
      [0, 10],
      [40, 70],
    ]);
  });
});
