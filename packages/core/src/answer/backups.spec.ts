import { battery, BAY, BY_DTAP, BY_PD, CONTACTS, device, IN_CAMERA, rigOf, troubles, USB_IN } from '../../testing/rig-parts';
import { LOW_WATER } from '../demo/low-water';
import type { Gear } from '../gear/gear';
import type { Rig } from '../rig/drawn/rig';
import { orderOfConnecting } from '../rig/resolved/connecting';
import { resolveRig } from '../rig/resolved/resolve-rig';
import { sayConnecting } from '../words/en/rig/connecting-words';
import { assess } from './assess';
import { backups } from './backups';

const id = (place: number): string => `00000000-0000-4000-8000-0000000000${place}`;

/** A camera on a bank, with a battery in its bay. */
function both(sink: 'mixes' | 'runs'): { readonly rig: Rig; readonly gear: ReadonlyMap<string, Gear> } {
  const { rig, gear } = rigOf({
    ...BY_PD,
    device: {
      ...device(USB_IN),
      inputs: [
        { ...USB_IN, sink },
        { ...BAY, id: 'bay' },
      ],
    },
  });
  const own = battery(CONTACTS, 2, 16, { name: 'Own battery' });
  const link = { from: { gearId: id(21), portId: 'out' }, to: { gearId: rig.devices[0]!.gearId, portId: 'bay' } };
  return { rig: { ...rig, links: [...rig.links, link] }, gear: new Map([...gear, [id(21), own]]) };
}

describe('a backup', () => {
  it('of a battery in the bay beside a bank takes over without a cut, adds its own minutes, and is the time for a swap', () => {
    const { rig, gear } = both('runs');
    const [one, ...others] = backups(rig, gear);
    expect(others).toEqual([]);
    expect(one).toMatchObject({ device: 'Camera', first: 'Battery', then: 'Own battery', takeover: 'seamless', endless: false });
    const bare = assess({ ...rig, links: rig.links.slice(0, 1) }, gear);
    const alone = assess({ ...rig, links: rig.links.slice(1) }, gear);
    expect(one!.atMin).toBeCloseTo(bare.firstStopMin!, 0);
    expect(one!.aloneMin).toBeCloseTo(alone.firstStopMin!, 6);
    expect(one!.addsMin).toBeCloseTo(assess(rig, gear).firstStopMin! - bare.firstStopMin!, 6);
  });

  it('that is built in is one too, and where there is none nothing is told', () => {
    const { rig, gear } = rigOf({
      ...BY_PD,
      device: { ...device({ ...USB_IN, sink: 'mixes' }), builtIn: { energyWh: 10, cellsInSeries: 2 } },
    });
    const [one] = backups(rig, gear);
    expect(one).toMatchObject({ then: 'built-in battery of Camera' });
    expect(one!.aloneMin).toBeGreaterThan(30);
    expect(one!.addsMin).toBeGreaterThan(30);
    const none = rigOf(IN_CAMERA);
    expect(backups(none.rig, none.gear)).toEqual([]);
  });

  it('is told for the second slot of the demo’s grip and plates, with minutes', () => {
    const kit = new Map(LOW_WATER.gear.map(({ id: one, body }) => [one, body]));
    const told = LOW_WATER.rigs.flatMap(({ body }) => backups(body, kit));
    expect(told.length).toBeGreaterThan(1);
    for (const { aloneMin, endless } of told) expect(endless || aloneMin === undefined || aloneMin > 0).toBe(true);
  });
});

describe('the order of connecting', () => {
  const order = (rig: Rig, gear: ReadonlyMap<string, Gear>) => orderOfConnecting(resolveRig(rig, gear)).map(sayConnecting);

  it('puts the camera last, behind what was measured', () => {
    const { rig, gear } = rigOf(BY_DTAP);
    expect(order(rig, gear)).toEqual([
      'Switch Camera off.',
      'Plug Battery into Adapter.',
      'Measure Adapter: about 8 V, the right way round.',
      'Put Adapter into Bay of Camera; lead the cable out and close the door.',
      'Switch Camera on, and let it run a minute.',
    ]);
  });

  it('puts the own battery in before the bank, and looks for the sign of outside power', () => {
    const { rig, gear } = both('mixes');
    expect(order(rig, gear)).toEqual([
      'Switch Camera off.',
      'Put Own battery into Camera.',
      'Plug Battery into USB-C of Camera by Cable.',
      'Switch Camera on: its screen shows the sign of outside power.',
    ]);
  });

  it('names every link of every demo rig once', () => {
    const kit = new Map(LOW_WATER.gear.map(({ id: one, body }) => [one, body]));
    for (const { body } of LOW_WATER.rigs) {
      const resolved = resolveRig(body, kit);
      const acts = orderOfConnecting(resolved).filter(({ act }) => ['own-battery', 'plug', 'into-camera'].includes(act));
      expect([body.name, acts.length]).toEqual([body.name, resolved.connections.length]);
    }
  });
});

describe('what ends a recording though there is power', () => {
  const limited = (rig: Partial<Rig>, limits: object) =>
    troubles(assessOf({ ...IN_CAMERA, device: { ...device(), limits }, rig })).filter((one) => /take-ends|heat-ends/.test(one));
  const assessOf = (parts: Parameters<typeof rigOf>[0]) => {
    const { rig, gear } = rigOf(parts);
    return assess(rig, gear);
  };

  it.each([
    [{}, { takeMin: 29 }, ['take-ends caution']],
    [{ wantedMin: 20 }, { takeMin: 29 }, []],
    [{}, { takeMin: 29_000 / 60 }, []],
    [{}, { hotMin: 25, hotFromC: 22 }, ['heat-ends caution']],
    [{ temperatureC: 10 }, { hotMin: 25, hotFromC: 22 }, []],
    [{ temperatureC: 10 }, { hotMin: 25 }, ['heat-ends caution']],
    [{ wantedMin: 20, temperatureC: 30 }, { hotMin: 25, hotFromC: 22 }, []],
  ])('%j with %j: %j', (rig, limits, codes) => expect(limited(rig, limits)).toEqual(codes));

  it('goes by the mode of each phase, and by how long it lasts', () => {
    const top = { id: 'top', name: 'Top', draw: { basis: 'maker' as const, powerW: 12 }, limits: { takeMin: 29 } };
    const found = (minutes: readonly number[]) => {
      const { rig, gear } = rigOf({ ...IN_CAMERA, device: { ...device(), modes: [top] } });
      const gearId = rig.devices[0]!.gearId;
      const phases = minutes.map((length, place) => ({ minutes: length, devices: [{ gearId, mode: place % 2 === 0 ? 'top' : 'usual' }] }));
      return troubles(assess({ ...rig, phases }, gear)).filter((one) => one.startsWith('take-ends'));
    };
    expect(found([20, 60, 20])).toEqual([]);
    expect(found([30, 60])).toEqual(['take-ends caution']);
  });
});
