import type { Trace } from '../src/measure/trace/trace';

/** A recording of which it is known what it is made of. */
export interface MadeRecording extends Trace {
  /** `three pulsed 5 Hz`: for whoever reads that one failed. */
  readonly name: string;
  readonly truth: readonly {
    readonly fromS: number;
    readonly toS: number;
    /** Over its time, between its samples. */ readonly meanW: number;
  }[];
}

const NOISES = ['white', 'proportional', 'goes on', 'pink', 'ripple', 'pulsed', 'drift', 'quiet'] as const;
/** Samples a second; of any spacing about a second; ten times as many while much is drawn. */
const RATES = [0.1, 0.2, 1, 1, 2, 5, 10, 50, 1000, 'irregular', 'under load'] as const;
/** More samples than that show nothing more. */
const MOST_SAMPLES = 60_000;
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
 * less often than they come, or more often while they are on, steps smaller than the drift beside them.
 */
export function madeRecording(seed: number): MadeRecording {
  const random = randomOf(seed * 7919 + 13);
  const normal = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  const noise = NOISES[seed % NOISES.length]!;
  const drawn = Math.floor(seed / NOISES.length) % SHAPES.length;
  const [shape, levels] = SHAPES[noise === 'drift' && SHAPES[drawn]![0] === 'close' ? 1 : drawn]!;
  const any = RATES[Math.floor(random() * RATES.length)]!;
  const isRegular = typeof any === 'number';
  const rate = noise === 'pulsed' && (!isRegular || any < 1) ? 5 : any;
  const usualS = typeof rate === 'number' ? 1 / rate : 1;
  const middleW = (Math.min(...levels) + Math.max(...levels)) / 2;
  const stepAt = (levelW: number): number => {
    if (rate === 'irregular') return 0.2 + random() * 1.6;
    return rate === 'under load' ? (levelW >= middleW ? 0.2 : 2) : usualS;
  };
  const ends: number[] = [];
  for (const _ of levels)
    ends.push((ends.at(-1) ?? 0) + Math.max(25, 14 * usualS) * (1 + (usualS * MOST_SAMPLES < 75 * levels.length ? 1 : 5) * random()));
  let stepS = usualS;
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
  const sums = levels.map(() => ({ joules: 0, seconds: 0 }));
  let beforeAt = -1;
  for (let atS = 0; atS < ends.at(-1)!; atS += stepS) {
    const index = ends.findIndex((end) => atS < end);
    const from = ends[index - 1] ?? 0;
    const watts = levels[index]! + beside(atS, levels[index]!, (atS - from) / (ends[index]! - from));
    if (index === beforeAt) {
      sums[index]!.joules += (stepS * (watts + powerW.at(-1)!)) / 2;
      sums[index]!.seconds += stepS;
    }
    beforeAt = index;
    timeS.push(atS);
    powerW.push(watts);
    stepS = stepAt(levels[index]!);
  }
  return {
    name: `${shape}, ${noise}, ${typeof rate === 'number' ? `${rate} Hz` : rate} (seed ${seed})`,
    timeS: Float64Array.from(timeS),
    powerW: Float64Array.from(powerW),
    truth: ends.map((toS, index) => ({ fromS: ends[index - 1] ?? 0, toS, meanW: sums[index]!.joules / sums[index]!.seconds })),
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
