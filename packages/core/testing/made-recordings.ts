import type { Trace } from '../src/measure/trace';

/** A recording of which it is known what it is made of. */
export interface MadeRecording extends Trace {
  /** `three pulsed 5 Hz`: for whoever reads that one failed. */
  readonly name: string;
  readonly truth: readonly { readonly fromS: number; readonly toS: number; /** Of its samples. */ readonly meanW: number }[];
}

const NOISES = ['white', 'proportional', 'goes on', 'pink', 'ripple', 'pulsed', 'drift', 'quiet'] as const;
const RATES = [0.2, 1, 1, 2, 5, 10, 50, 'irregular'] as const;
const SHAPES: readonly (readonly [name: string, levelsW: readonly number[]])[] = [
  ['two', [12, 25]],
  ['three', [8, 22, 11]],
  ['stairs', [6, 12, 18, 24, 30]],
  ['ups', [5, 40, 5, 40, 5]],
  ['many', Array.from({ length: 9 }, (_, index) => 6 + ((index * 7) % 5) * 6)],
  ['one', [18]],
  ['close', [20, 22.5, 19, 21.5]],
];
/** Pulses: so long a period, so much of it on, so much higher on than off. */
const PERIOD_S = 2;
const DUTY = 0.2;
const PULSE = 0.6;
const RIPPLE_S = 3.7;
const DRIFT = 0.12;
const LONGEST_PINK = 6;

/**
 * Shapes × noises × rates, by a seed: the same every time. Noise is alike everywhere, grows with the power, goes on for
 * some seconds, is of every length, is a ripple, pulses or a slow drift. Left out is what nobody could tell: pulses seen
 * less often than they come, steps smaller than the drift beside them.
 */
export function madeRecording(seed: number): MadeRecording {
  const random = randomOf(seed * 7919 + 13);
  const normal = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  const noise = NOISES[seed % NOISES.length]!;
  const drawn = Math.floor(seed / NOISES.length) % SHAPES.length;
  const [shape, levels] = SHAPES[noise === 'drift' && SHAPES[drawn]![0] === 'close' ? 1 : drawn]!;
  const any = RATES[Math.floor(random() * RATES.length)]!;
  const rate = noise === 'pulsed' && (any === 'irregular' || any < 1) ? 5 : any;
  const stepS = rate === 'irregular' ? 1 : 1 / rate;
  const ends: number[] = [];
  for (const _ of levels) ends.push((ends.at(-1) ?? 0) + Math.max(25, 14 * stepS) * (1 + 5 * random()));
  const goesOn = (state: number, tauS: number) => {
    const rho = Math.exp(-stepS / tauS);
    return rho * state + Math.sqrt(1 - rho * rho) * normal();
  };
  let slow = 0;
  const pinks = Array.from({ length: LONGEST_PINK }, () => 0);
  /** Watts beside the level, `share` of the way through its segment. */
  const beside = (atS: number, levelW: number, share: number): number => {
    switch (noise) {
      case 'white':
        return 0.3 * normal();
      case 'quiet':
        return 0.015 * normal();
      case 'proportional':
        return 0.05 * levelW * normal();
      case 'goes on':
        return 0.02 * levelW * (slow = goesOn(slow, 4));
      case 'pink':
        pinks.forEach((state, index) => (pinks[index] = goesOn(state, 2 ** (index + 1))));
        return 0.008 * levelW * pinks.reduce((sum, one) => sum + one, 0);
      case 'ripple':
        return levelW * (0.06 * Math.sin((2 * Math.PI * atS) / RIPPLE_S) + 0.005 * normal());
      case 'pulsed':
        return levelW * (PULSE * ((atS % PERIOD_S < DUTY * PERIOD_S ? 1 : 0) - DUTY) + 0.01 * normal());
      case 'drift':
        return levelW * (DRIFT * (share - 0.5) + 0.01 * normal());
    }
  };
  const timeS: number[] = [];
  const powerW: number[] = [];
  const sums = levels.map(() => ({ sum: 0, count: 0 }));
  for (let atS = 0; atS < ends.at(-1)!; atS += rate === 'irregular' ? 0.2 + random() * 1.6 : stepS) {
    const index = ends.findIndex((end) => atS < end);
    const from = ends[index - 1] ?? 0;
    const watts = levels[index]! + beside(atS, levels[index]!, (atS - from) / (ends[index]! - from));
    timeS.push(atS);
    powerW.push(watts);
    sums[index]!.sum += watts;
    sums[index]!.count++;
  }
  return {
    name: `${shape}, ${noise}, ${rate === 'irregular' ? rate : `${rate} Hz`} (seed ${seed})`,
    timeS: Float64Array.from(timeS),
    powerW: Float64Array.from(powerW),
    truth: ends.map((toS, index) => ({ fromS: ends[index - 1] ?? 0, toS, meanW: sums[index]!.sum / sums[index]!.count })),
  };
}

/** The same numbers for the same seed (mulberry32). */
function randomOf(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}
