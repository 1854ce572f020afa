import type { Device, Gear, Hub } from '../src/gear/gear';
import type { Rig } from '../src/rig/drawn/rig';
import { battery } from './rig-parts';

const id = (place: number): string => `00000000-0000-4000-8000-${String(place).padStart(12, '0')}`;
const DTAP = { type: 'd-tap' } as const;

/** Watts of six things on a shoulder rig. */
const WATTS = [22, 12, 6, 9, 4, 2.5];

/** A shoulder rig of six loads behind a splitter on one V-mount, four batteries for it, and a day of 14 h in 40 phases. */
export function sixLoads(): { readonly rig: Rig; readonly gear: ReadonlyMap<string, Gear> } {
  const devices = WATTS.map((powerW, place): Device => ({
    kind: 'device',
    name: `Device ${place + 1}`,
    draw: { basis: 'maker', powerW },
    inputs: [{ takes: 'window', id: 'in', name: 'D-tap lead', connector: DTAP, minV: 11, maxV: 17 }],
  }));
  const splitter: Hub = {
    kind: 'hub',
    name: 'Splitter',
    form: 'splitter',
    resistanceOhm: 0.02,
    inputs: [{ takes: 'window', id: 'in', name: 'D-tap', connector: DTAP, minV: 9, maxV: 20 }],
    outputs: WATTS.map((_watts, place) => ({ gives: 'pack', id: `out${place}`, name: `Port ${place + 1}`, connector: DTAP, maxA: 5 })),
  };
  const vMount = battery({ gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: 10 }, 4, 147, { form: 'v-mount' });
  const gear = new Map<string, Gear>([
    [id(1), splitter],
    ...[2, 3, 4, 5, 6, 7, 8].map((place) => [id(place), { ...vMount, name: `V-mount ${place}` }] as const),
    ...devices.map((device, place) => [id(10 + place), device] as const),
  ]);
  const rig: Rig = {
    name: 'Six loads',
    devices: devices.map((_device, place) => ({ gearId: id(10 + place) })),
    links: [
      { from: { gearId: id(2), portId: 'd-tap' }, to: { gearId: id(1), portId: 'in' } },
      ...devices.map((_device, place) => ({
        from: { gearId: id(1), portId: `out${place}` },
        to: { gearId: id(10 + place), portId: 'in' },
      })),
    ],
    batteries: [{ gearId: id(2), spareIds: [3, 4, 5, 6, 7, 8].map(id) }],
    temperatureC: 4,
    wantedMin: 14 * 60,
    swapMin: 0,
    phases: Array.from({ length: 40 }, (_, phase) => ({
      minutes: 21,
      devices: devices.map((_device, place) => ({
        gearId: id(10 + place),
        mode: (phase + place) % 5 === 0 ? 'off' : 'usual',
        scale: 1 - 0.1 * (phase % 3),
      })),
    })),
  };
  return { rig, gear };
}
