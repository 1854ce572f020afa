import { DaySimulation } from '../src/day/run/simulate';
import type { Block, Day } from '../src/day/shape/day';
import type { Battery, Gear } from '../src/gear/gear';
import type { Rig } from '../src/rig/drawn/rig';

const TERMINALS = { type: 'v-mount' } as const;

/** A pack without cold, age or spread to speak of, so that watt-hours are what they say. */
export const pack = (energyWh: number, more: Partial<Battery> = {}): Battery => ({
  kind: 'battery',
  name: `Pack ${energyWh}`,
  form: 'v-mount',
  chemistry: 'li-ion',
  cellsInSeries: 4,
  energyWh,
  resistanceOhm: 0.01,
  massG: energyWh * 7,
  from: { energyWh: 'measured' },
  outputs: [{ gives: 'pack', id: 'mount', name: 'Mount', connector: TERMINALS, maxA: 12 }],
  ...more,
});

/** A camera that runs straight from a pack. */
export const camera = (powerW: number): Gear => ({
  kind: 'device',
  name: `Camera ${powerW} W`,
  draw: { basis: 'meter', voltageV: 14, currentA: powerW / 14, at: 'device' },
  inputs: [{ takes: 'window', id: 'mount', name: 'Mount', connector: TERMINALS, minV: 11, maxV: 17 }],
});

export const charger = (powerW: number, slots = 1, order: 'together' | 'one-by-one' = 'together'): Gear => ({
  kind: 'charger',
  name: `Charger ${powerW} W`,
  slots,
  order,
  ...(order === 'together' ? { powerW } : { totalW: powerW }),
  connector: TERMINALS,
});

/** A place with an outlet. */
export const HOUSE = { id: 'house', name: 'House', power: 'mains', temperatureC: 20 } as const;

interface World {
  /** Watts of each rig's camera, and the battery in it. */
  readonly rigs: Readonly<Record<string, readonly [powerW: number, batteryId: string]>>;
  readonly gear: Readonly<Record<string, Gear>>;
  readonly blocks: readonly (Pick<Block, 'rigId' | 'fromMin' | 'toMin'> & Partial<Block>)[];
  readonly day?: Partial<Day>;
}

/** A day of rigs with one camera on one pack each. */
export function dayOfRigs({ rigs, gear, blocks, day = {} }: World): DaySimulation {
  const entries = Object.entries(rigs);
  const all = new Map<string, Gear>(Object.entries(gear));
  const bodies = new Map<string, Rig>();
  for (const [rigId, [powerW, batteryId]] of entries) {
    const cameraId = `${rigId}-camera`;
    all.set(cameraId, camera(powerW));
    bodies.set(rigId, {
      name: rigId,
      devices: [{ gearId: cameraId }],
      links: [{ from: { gearId: batteryId, portId: 'mount' }, to: { gearId: cameraId, portId: 'mount' } }],
      swapMin: 2,
    });
  }
  const body: Day = {
    name: 'Day',
    date: '2026-01-12',
    days: 1,
    temperatureC: 25,
    rigIds: entries.map(([rigId]) => rigId),
    batteries: Object.entries(gear).flatMap(([gearId, { kind }]) => (kind === 'battery' ? [{ gearId, startCharge: 1 }] : [])),
    blocks: blocks.map((block, index) => ({ id: `block-${index}`, kind: 'record', ...block })),
    ...day,
  };
  return new DaySimulation(body, all, bodies);
}
