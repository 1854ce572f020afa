import { choice, number, optional, tagged, text } from '../shape';
import type { Infer } from '../shape';
import { amps, volts, watts } from './fields';

/** What the feed of a test lost between battery and device; without it, the rig's own feed is taken to be that of the test. */
const lostShare = number('Lost on the way in that test', 'fraction', { max: 0.9 });
const spread = optional(number('Spread (standard deviation)', 'fraction', { max: 1 }));

/**
 * How the draw is known: the maker's watts, a meter's volts and amps, how long a pack lasted; or, for what does not draw
 * steadily, energy a shot beside the standby between shots, and the duty of a time-lapse.
 */
export const drawShape = tagged('Draw', 'basis', {
  maker: { powerW: watts('Draw') },
  meter: {
    voltageV: volts('Meter volts'),
    currentA: amps('Meter amps'),
    at: choice('Meter sat', { device: 'at the device', battery: 'at the battery' }),
    lostShare: optional(lostShare),
    spread,
  },
  'run-down': {
    lostShare: optional(lostShare),
    energyWh: number('Pack of the test', 'Wh', { above: 0, max: 5000 }),
    minutes: number('It lasted', 'min', { above: 0, max: 43_200 }),
    /** Of the battery in that test; a room's when absent. */
    temperatureC: optional(number('It was', 'C', { min: -40, max: 60 })),
    /** What came out of the pack: counted by a meter, or worked out when the feed of the test was said. */
    givenWh: optional(number('It gave', 'Wh', { above: 0, max: 5000 })),
    spread,
  },
  /** Taken over from the log. */
  learnt: {
    powerW: watts('Draw'),
    spread: number('Spread (standard deviation)', 'fraction', { max: 1 }),
    /** What it rests on, in words and numbers. */
    how: text('Learnt from', 300),
  },
  shots: {
    shotJ: number('Energy of a shot', 'J', { above: 0, max: 10_000 }),
    standbyW: number('Between shots', 'W', { max: 2000 }),
    shotsPerHour: number('Shots', 'per-hour', { above: 0, max: 36_000 }),
  },
  /** As makers count it: so many shots from one battery. */
  'shots-a-charge': {
    shots: number('Shots a charge', 'count', { min: 1, max: 100_000, integer: true }),
    energyWh: number('From a battery of', 'Wh', { above: 0, max: 5000 }),
    standbyW: optional(number('Between shots', 'W', { max: 2000 })),
    shotsPerHour: number('Shots', 'per-hour', { above: 0, max: 36_000 }),
    /** The pace at which they were counted; that of the shooting when absent. */
    countedPerHour: optional(number('Counted at', 'per-hour', { above: 0, max: 36_000 })),
  },
  frames: {
    awakeW: watts('Awake'),
    awakeS: number('Awake a frame', 's', { above: 0, max: 86_400 }),
    sleepW: number('Asleep', 'W', { max: 2000 }),
    everyS: number('A frame every', 's', { above: 0, max: 604_800 }),
  },
});
export type Draw = Infer<typeof drawShape>;
