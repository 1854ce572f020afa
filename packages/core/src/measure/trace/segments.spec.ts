import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { steadySegments } from './segments';
import { inSlots } from './trace';
import type { Trace } from './trace';

/** Seeded normal numbers; the seeds here are not those that the constants were looked at with. */
function normals(seed: number): () => number {
  const random = xoroshiro128plus(seed);
  const unit = (): number => (random.next() >>> 0) / 2 ** 32;
  return () => Array.from({ length: 12 }, unit).reduce((sum, one) => sum + one, 0) - 6;
}

interface Part {
  readonly seconds: number;
  readonly watts: number;
}

/** A made recording: levels one after the other, noise as a share, spikes now and then. */
function made(parts: readonly Part[], { seed = 1, noise = 0, hz = 4, spikeEveryS = 0 } = {}): Trace {
  const normal = normals(seed);
  const time: number[] = [];
  const power: number[] = [];
  let start = 0;
  for (const { seconds, watts } of parts) {
    for (let sample = 0; sample < seconds * hz; sample++) {
      const at = start + sample / hz;
      const spike = spikeEveryS > 0 && Math.floor(at * hz) % Math.round(spikeEveryS * hz) === Math.round((spikeEveryS * hz) / 2);
      time.push(at);
      power.push(watts * (1 + noise * normal()) * (spike ? 2.5 : 1));
    }
    start += seconds;
  }
  return { timeS: Float64Array.from(time), powerW: Float64Array.from(power) };
}

const DAY: readonly Part[] = [
  { seconds: 300, watts: 5 },
  { seconds: 620, watts: 14 },
  { seconds: 45, watts: 16.8 },
  { seconds: 900, watts: 14 },
  { seconds: 240, watts: 1.2 },
  { seconds: 700, watts: 11.2 },
];

/** Boundaries and means that were found against those the recording was made with. */
function errors(parts: readonly Part[], found: ReturnType<typeof steadySegments>): { readonly boundaryS: number; readonly mean: number } {
  let end = 0;
  const ends = parts.map(({ seconds }) => (end += seconds));
  return {
    boundaryS: Math.max(...found.slice(0, -1).map(({ toS }, index) => Math.abs(toS - ends[index]!))),
    mean: Math.max(...found.map(({ meanW }, index) => Math.abs(meanW / parts[index]!.watts - 1))),
  };
}

describe('steady segments of a recording', () => {
  it.each([101, 202, 303, 404, 505, 606])('with 5 %% of noise, seed %i: every boundary within 2 s, every mean within 1 %%', (seed) => {
    const found = steadySegments(inSlots(made(DAY, { seed, noise: 0.05 }), 1));
    expect(found).toHaveLength(DAY.length);
    const { boundaryS, mean } = errors(DAY, found);
    expect(boundaryS).toBeLessThanOrEqual(2);
    expect(mean).toBeLessThanOrEqual(0.01);
  });

  it.each([11, 22, 33, 44])('sees steps of a fifth in 5 %% of noise, seed %i: boundaries within 2 s, means within 1 %%', (seed) => {
    const parts = [10, 12, 10, 8, 9.6, 8, 10].map((watts) => ({ seconds: 120, watts }));
    const found = steadySegments(inSlots(made(parts, { seed, noise: 0.05 }), 1));
    expect(found).toHaveLength(parts.length);
    const { boundaryS, mean } = errors(parts, found);
    expect(boundaryS).toBeLessThanOrEqual(2);
    expect(mean).toBeLessThanOrEqual(0.01);
  });

  it('is not taken in by spikes, and tells them as peaks', () => {
    const parts = [{ seconds: 400, watts: 8 }, { seconds: 400, watts: 12 }]; // prettier-ignore
    const found = steadySegments(inSlots(made(parts, { seed: 9, noise: 0.03, hz: 10, spikeEveryS: 60 }), 1));
    expect(found).toHaveLength(2);
    expect(found[0]!.peakW).toBeGreaterThan(18);
    expect(found[0]!.peakMs).toBe(7000); // seven seconds of four hundred hold one
    expect(found[0]!.spreadW).toBeLessThan(0.3 * found[0]!.meanW);
  });

  it('finds one segment where nothing changes, whatever the noise', () => {
    for (const noise of [0, 0.02, 0.1, 0.3]) {
      for (const seed of [1, 2, 3, 4, 5]) {
        const found = steadySegments(inSlots(made([{ seconds: 3600, watts: 9 }], { seed, noise, hz: 1 }), 1));
        expect({ noise, seed, found: found.length }).toEqual({ noise, seed, found: 1 });
      }
    }
  });

  it('parts what lies before a gap from what lies after it', () => {
    const { timeS, powerW } = made([{ seconds: 100, watts: 6 }, { seconds: 100, watts: 6 }], { noise: 0.01 }); // prettier-ignore
    const gapped = { timeS: timeS.map((second) => (second < 100 ? second : second + 50)), powerW };
    expect(steadySegments(inSlots(gapped, 1)).map(({ fromS, toS }) => [fromS, toS])).toEqual([
      [0, 100],
      [150, 250],
    ]);
  });

  it('of nothing is nothing, of a moment is itself', () => {
    expect(steadySegments(inSlots({ timeS: new Float64Array(), powerW: new Float64Array() }, 1))).toEqual([]);
    expect(steadySegments(inSlots({ timeS: Float64Array.of(3), powerW: Float64Array.of(7) }, 1))).toMatchObject([{ fromS: 0, toS: 1, meanW: 7 }]); // prettier-ignore
  });
});

describe('slots', () => {
  it('take samples of any spacing, and leave gaps empty', () => {
    const { meanW, highestW, samples } = inSlots({ timeS: Float64Array.of(10, 10.5, 13.2), powerW: Float64Array.of(4, 6, 8) }, 1);
    expect([[...meanW], [...highestW], [...samples]]).toEqual([[5, 0, 0, 8], [6, 0, 0, 8], [2, 0, 0, 1]]); // prettier-ignore
  });

  it('are refused where they would be too many', () => {
    expect(() => inSlots({ timeS: Float64Array.of(0, 1e9), powerW: Float64Array.of(1, 1) }, 0.01)).toThrow('slotS: expected a length');
  });
});
