import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { USUAL } from '../measure/log';
import type { LogEntry, Observation, RecordingEntry } from '../measure/log';
import { rigSignal } from '../measure/meter';
import { readTrace } from '../measure/trace';
import type { Slots } from '../measure/trace';
import { demoId, GEAR } from './demo-id';
import { LOW_WATER } from './low-water';
import { moreId } from './more-gear';

const WHEELHOUSE = demoId(101);
const WHEELHOUSE_SMALL = demoId(102);
const DECK = demoId(103);
const v2 = moreId('v2');
const v6 = moreId('v6');

/** What the crew has written down so far: scraps, now kept. */
const observations: readonly Observation[] = [
  // the camera: three ways to the same figure
  { kind: 'run-down', at: '2026-01-03', deviceId: GEAR.wheelhouseCamera, rigId: WHEELHOUSE, batteryId: GEAR.v1, temperatureC: 18, minutes: 303, note: 'Guest house, 4K 25p, lens cap on.' }, // prettier-ignore
  { kind: 'part', at: '2026-01-04', deviceId: GEAR.wheelhouseCamera, rigId: WHEELHOUSE, batteryId: v2, temperatureC: 4, minutes: 128, from: 1, to: 0.5, step: 0.25 }, // prettier-ignore
  { kind: 'two-point', at: '2026-01-04', deviceId: GEAR.wheelhouseCamera, rigId: WHEELHOUSE, batteryId: GEAR.v1, temperatureC: 18, minutes: 150, fromV: 16.74, toV: 15.05 }, // prettier-ignore
  // the photographer's body: the plate says 5.2 W
  { kind: 'put-back', at: '2026-01-05', deviceId: GEAR.stillsCamera, batteryId: GEAR.k3, minutes: 204, energyWh: 16.4, fromEmpty: true, lostShare: 0, temperatureC: 20 }, // prettier-ignore
  { kind: 'run-down', at: '2026-01-06', deviceId: GEAR.stillsCamera, batteryId: moreId('k1'), minutes: 211, lostShare: 0, temperatureC: 20 }, // prettier-ignore
  { kind: 'run-down', at: '2026-01-06', deviceId: GEAR.stillsCamera, batteryId: moreId('k2'), minutes: 118, lostShare: 0, temperatureC: 20, note: 'Was K2 full?' }, // prettier-ignore
  // batteries over the seasons
  { kind: 'capacity', at: '2023-11-12', batteryId: v6, energyWh: 89, temperatureC: 20 },
  { kind: 'capacity', at: '2024-11-09', batteryId: v6, energyWh: 81, temperatureC: 20 },
  { kind: 'capacity', at: '2025-11-15', batteryId: v6, energyWh: 70, temperatureC: 20 },
  { kind: 'capacity', at: '2024-11-10', batteryId: GEAR.v4, energyWh: 43.5, temperatureC: 20 },
  { kind: 'capacity', at: '2025-04-20', batteryId: GEAR.v4, energyWh: 41.2, temperatureC: 20 },
  { kind: 'capacity', at: '2025-11-15', batteryId: GEAR.v4, energyWh: 37.9, temperatureC: 20 },
  { kind: 'capacity', at: '2025-11-16', batteryId: GEAR.v1, energyWh: 93.5, temperatureC: 20 },
  // on set
  { kind: 'set-run', at: '2026-01-07T16:10:00Z', rigId: WHEELHOUSE, batteryId: GEAR.v1, temperatureC: 3, minutes: 271, ended: 'died' },
  { kind: 'set-run', at: '2026-01-08T12:40:00Z', rigId: WHEELHOUSE, batteryId: v2, temperatureC: 2, minutes: 205, ended: 'swapped' },
  {
    kind: 'set-run',
    at: '2026-01-08T15:20:00Z',
    rigId: WHEELHOUSE_SMALL,
    batteryId: GEAR.v4,
    temperatureC: -6,
    minutes: 74,
    ended: 'died',
  },
  { kind: 'set-run', at: '2026-01-09T13:05:00Z', rigId: DECK, batteryId: GEAR.bank5V, temperatureC: -4, minutes: 226, ended: 'died' },
];

export const LOW_WATER_LOG: readonly LogEntry[] = observations.map((body, index) => ({ id: demoId(5001 + index), body }));

const HERTZ = 5;
const NOISE = 0.02;
const MINUTE = 60;
const SEED = 20260103;

/**
 * The demo's recording: a meter between V1 and the Wheelhouse's adapter for half an hour, played by the core itself with
 * seeded noise and a peak at each start. Made when it is asked for; the same every time.
 *
 * @example lowWaterRecording().entry.body.name // 'V1 to Wheelhouse, bench'
 */
export function lowWaterRecording(): { readonly entry: RecordingEntry; readonly slots: Slots } {
  const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
  const rig = LOW_WATER.rigs.find(({ id }) => id === WHEELHOUSE)!.body;
  const parts = [
    { modeId: 'off', seconds: 2 * MINUTE },
    { modeId: USUAL, seconds: 11 * MINUTE },
    { modeId: 'off', seconds: 3 * MINUTE },
    { modeId: USUAL, seconds: 14 * MINUTE },
  ];
  const mostS = parts.reduce((sum, { seconds }) => sum + seconds, 0);
  const signal = rigSignal(rig, gear, { deviceId: GEAR.wheelhouseCamera, batteryId: GEAR.v1, parts, stepS: 1 / HERTZ, mostS })!;
  const random = xoroshiro128plus(SEED);
  const noise = (): number => ((random.next() >>> 0) / 2 ** 32 - 0.5) * 2 * Math.sqrt(3) * NOISE;
  const powerW = signal.voltageV.map((volts, index) => volts * signal.currentA[index]! * (1 + noise()));
  for (const startS of [2 * MINUTE, 16 * MINUTE]) powerW.fill(25.4, startS * HERTZ + 2, startS * HERTZ + 4);
  const trace = { timeS: powerW.map((_, index) => index / HERTZ), powerW };
  const { segments, slots, seconds } = readTrace(trace);
  const named = segments.map((segment) => (segment.meanW > 10 ? { ...segment, modeId: USUAL } : { ...segment, name: 'off' }));
  const body = {
    name: 'V1 to Wheelhouse, bench',
    note: 'Guest house table, camera on and off.',
    at: '2026-01-03T19:20:00Z',
    deviceId: GEAR.wheelhouseCamera,
    rigId: WHEELHOUSE,
    batteryId: GEAR.v1,
    meterAt: 'battery' as const,
    source: 'bench meter, 5 a second',
    rows: powerW.length,
    seconds,
    remarks: [],
    segments: named,
  };
  return { entry: { id: demoId(5501), body }, slots };
}
