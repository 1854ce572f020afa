import type { Gear } from '../gear/gear';
import { forBay } from '../gear/generic/generic';
import { GENERIC_TRUNK } from '../gear/generic/generic-kit';
import { offersFor } from './offers';

/** Generic things under their own names, each for bay M where it is made for one. */
const kit = new Map<string, Gear>(GENERIC_TRUNK.map((gear) => [gear.name, forBay(gear, 'M')]));

function offered(part: string, portId: string): readonly string[] {
  const rig = { name: 'Rig', devices: [{ gearId: part }], links: [] };
  return offersFor(rig, kit, { gearId: part, portId }).offers.map(({ link }) => link.from.gearId);
}

describe('generic gear with its ports', () => {
  it.each([
    ['Switching regulator, 12 V in, 8 V out', 'in', 'Lead-acid battery, 12 V 33 Ah'],
    ['Linear regulator, 12 V in, 7.5 V out', 'in', 'LiFePO4 battery, 12.8 V 12 Ah'],
    ['Step-up regulator, 12 V in, 19 V out', 'in', 'Solar panel 20 W with a controller, 12 V'],
    ['Battery-shaped adapter, from a barrel, 8 V in', 'in', 'Switching regulator, 12 V in, 8 V out'],
    ['Battery-shaped adapter, from a barrel, 8 V in', 'in', 'Monitor that passes its power on'],
    ['Battery-shaped adapter, from a barrel, 8 V in', 'in', 'Stabiliser that feeds a camera'],
    ['Battery-shaped adapter, from a barrel, 8 V in', 'in', 'Holder of two 18650 cells, 2600 mAh'],
    ['Battery-shaped adapter, from a barrel, 8 V in', 'in', 'V-mount plate with an 8 V regulator'],
    ['Battery-shaped adapter, from USB-C Power Delivery', 'in', 'V-mount battery with D-tap and USB, 98 Wh'],
    ['Mid-size camera, 4K at high frame rate', 'bay', 'Mains coupler for a battery bay, 8 V 3 A'],
    ['Mid-size camera, 4K at high frame rate', 'bay', 'Battery-shaped adapter, from USB-C Power Delivery'],
    ['PoE splitter, 12 V out', 'poe', 'PoE switch port, 30 W'],
    ['Two-battery V-mount plate, hot swap', 'right', 'V-mount battery with D-tap and USB, 98 Wh'],
    ['Step-up plate, V-mount to 26 V', 'mount', 'V-mount battery, 147 Wh'],
    ['Audio recorder, six tracks', 'dc', 'PoE splitter, 12 V out'],
    ['Audio recorder, six tracks', 'dc', 'Holder of 8 AA, NiMH 1900 mAh'],
    ['Time-lapse camera with a controller', 'dc', 'Switching regulator, 12 V in, 8 V out'],
  ])('%s is fed at %s by %s', (part, portId, source) => expect(offered(part, portId)).toContain(source));

  it('says of every battery how many cells it has, and of every source its volts', () => {
    for (const gear of GENERIC_TRUNK) {
      if (gear.kind === 'battery') expect([gear.name, gear.cellsInSeries]).toEqual([gear.name, expect.any(Number)]);
      if (gear.kind === 'supply')
        for (const port of gear.outputs)
          expect([gear.name, port.gives === 'fixed' ? port.voltageV : port]).toEqual([gear.name, expect.anything()]);
    }
  });
});
