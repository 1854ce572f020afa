// A made-up trunk of 500 things and a rig of twelve loads, to see whether the page stays fluid.
import { randomUUID } from 'node:crypto';

const DTAP = { type: 'd-tap' };
const LOADS = 12;
const ITEMS = 500;

export function largeKit() {
  const gear = [];
  const add = (body) => {
    const id = randomUUID();
    gear.push({ id, body });
    return id;
  };
  const battery = add({
    kind: 'battery',
    name: 'Holmvik 294',
    tag: 'W0',
    form: 'v-mount',
    chemistry: 'li-ion',
    cellsInSeries: 4,
    energyWh: 294,
    gauge: { reads: 'voltage', steps: 4 },
    outputs: [{ gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: 15 }],
  });
  const splitters = [0, 1].map((place) =>
    add({
      kind: 'hub',
      name: `Splitter ${place + 1} of many`,
      form: 'splitter',
      resistanceOhm: 0.01,
      inputs: [{ takes: 'window', id: 'in', name: 'D-tap', connector: DTAP, minV: 9, maxV: 20 }],
      outputs: Array.from({ length: 7 }, (_, port) => ({
        gives: 'pack',
        id: `p${port}`,
        name: `Port ${port + 1}`,
        connector: DTAP,
        maxA: 4,
      })),
    }),
  );
  const devices = Array.from({ length: LOADS }, (_, place) =>
    add({
      kind: 'device',
      name: `Load ${place + 1} of many`,
      draw: { basis: 'maker', powerW: 2 + 0.5 * place },
      peakW: 3 + 1.2 * place,
      peakMs: 200,
      inputs: [{ takes: 'window', id: 'dc', name: 'D-tap lead', connector: DTAP, minV: 11, maxV: 17 }],
    }),
  );
  while (gear.length < ITEMS)
    add({
      kind: 'battery',
      name: `Holmvik ${50 + (gear.length % 5) * 25}`,
      tag: `W${gear.length}`,
      form: 'v-mount',
      chemistry: 'li-ion',
      cellsInSeries: 4,
      energyWh: 50 + (gear.length % 5) * 25,
      years: gear.length % 6,
      cycles: (gear.length * 7) % 400,
      where: `case ${gear.length % 9}`,
      outputs: [{ gives: 'pack', id: 'd-tap', name: 'D-tap', connector: DTAP, maxA: 8 }],
    });
  // the second splitter hangs on the first: a trunk, and a branch of it
  const links = [
    { from: { gearId: battery, portId: 'd-tap' }, to: { gearId: splitters[0], portId: 'in' } },
    { from: { gearId: splitters[0], portId: 'p6' }, to: { gearId: splitters[1], portId: 'in' } },
    ...devices.map((gearId, place) => ({
      from: { gearId: splitters[place < 6 ? 0 : 1], portId: `p${place % 6}` },
      to: { gearId, portId: 'dc' },
    })),
  ];
  const rig = {
    id: randomUUID(),
    body: { name: 'Twelve loads', devices: devices.map((gearId) => ({ gearId })), links, temperatureC: 4, wantedMin: 300 },
  };
  return { gear, rig };
}
