import { assess } from '../answer/assess';
import { LOW_WATER } from '../demo/low-water';
import type { Gear } from '../gear/gear';
import { linksTo, withFeed, withLinks, withoutDevice, withoutFeed, withPartReplaced } from '../rig/drawn/edit-links';
import type { Rig } from '../rig/drawn/rig';
import { sayFeed } from '../words/en/feed/feed-words';
import { sayRemedy } from '../words/en/feed/remedy-words';
import { sayFinding } from '../words/en/findings/tell';
import { findFeeds } from './find-feeds';
import { offersFor } from './offers';
import { RemedySearch } from './remedies';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const demo = (name: string): Rig => LOW_WATER.rigs.find(({ body }) => body.name === name)!.body;
const idOf = (name: string, tag?: string): string =>
  LOW_WATER.gear.find(({ body }) => body.name === name && (tag === undefined || body.tag === tag))!.id;
const titles = (rig: Rig, code: string, kit: ReadonlyMap<string, Gear> = gear) => {
  const found = assess(rig, kit).findings.find((one) => one.code === code && one.verdict !== 'good')!;
  return new RemedySearch(rig, kit).for(found).map(({ act }) => sayRemedy(act));
};

describe('remedies', () => {
  it('of a late over-current: the stronger battery, or another feed', () => {
    const rig = demo('Wheelhouse on the small battery');
    // the smallest that holds as much, with a port that is strong enough
    expect(titles(rig, 'over-current-late')[0]).toBe('Use V2: Holmvik 95');
    expect(titles(rig, 'too-short')[0]).toBe('Use V2: Holmvik 95');
  });

  it('of a port passed late: the second port, a lower brightness', () => {
    const rig = demo('Wheelhouse, everything on one V-mount');
    const splitter = idOf('Splitter, four D-taps');
    const hub = gear.get(splitter)!;
    if (hub.kind !== 'hub') throw new Error('a splitter is a hub');
    // the monitor’s port lets pass just less than it takes at the end
    const tight = { ...hub, outputs: hub.outputs.map((port) => (port.id === 'p1' ? { ...port, maxA: 1.2 } : port)) };
    const kit = new Map([...gear, [splitter, tight]]);
    expect(titles(rig, 'over-current-late', kit).slice(0, 2)).toEqual([
      'Use Port 4 of Splitter, four D-taps',
      'Turn Lysning 7 monitor-recorder down to 90 %',
    ]);
  });

  it('of a contract too small for a 3 A cable: the 5 A cable', () => {
    const rig: Rig = {
      name: 'Needs 80 W',
      devices: [{ gearId: 'big' }],
      links: [{ from: { gearId: idOf('Grynna 27 PD'), portId: 'c1' }, to: { gearId: 'big', portId: 'usb-c' }, cableId: idOf('USB-C lead, 1 m') }],
    }; // prettier-ignore
    const big: Gear = {
      kind: 'device',
      name: 'Big lamp',
      draw: { basis: 'maker', powerW: 75 },
      inputs: [{ takes: 'pd', id: 'usb-c', name: 'USB-C', connector: { type: 'usb-c' }, minV: 15, maxV: 20, needW: 80, sink: 'runs' }],
    };
    expect(titles(rig, 'contract-short', new Map([...gear, ['big', big]]))[0]).toBe('Use the cable USB-C lead, 5 A');
  });

  it('of a plate that will not start: the battery filled up', () => {
    expect(titles(demo('Cinema camera day'), 'will-not-start')).toContain('Charge V5: Holmvik 196 to 100 %');
  });

  it('of a run too short: a spare of the kit', () => {
    expect(titles(demo('Wheelhouse, everything on one V-mount'), 'too-short')).toContain('Carry V5: Holmvik 196 as a spare');
  });

  it('take the finding away, never add a stop, and never run shorter, on every rig of the demo', () => {
    for (const { body } of LOW_WATER.rigs) {
      const before = assess(body, gear);
      const search = new RemedySearch(body, gear);
      for (const found of before.findings.filter(({ verdict }) => verdict !== 'good').slice(0, 3)) {
        for (const { act: title, rig } of search.for(found)) {
          const after = assess(rig, gear);
          const same = after.findings.filter((one) => one.code === found.code && sayFinding(one) === sayFinding(found));
          expect({ title, same }).toEqual({ title, same: [] });
          const stops = (answer: typeof after) => answer.findings.filter(({ verdict }) => verdict === 'stop').length;
          expect(stops(after)).toBeLessThanOrEqual(stops(before));
          if (!after.unlimited) expect(after.firstStopMin ?? Infinity).toBeGreaterThanOrEqual((before.firstStopMin ?? 0) * 0.999);
        }
      }
    }
  });

  it('are none where nothing at one press would help', () => {
    const found = assess(demo('Wheelhouse, everything on one V-mount'), gear).findings.find(({ code }) => code === 'single-point')!;
    expect(new RemedySearch(demo('Wheelhouse, everything on one V-mount'), gear).for(found)).toEqual([]);
  });
});

describe('a chain built by hand', () => {
  const rig = demo('Galley interviews');
  const camera = rig.devices[0]!.gearId;

  it('is offered only what mates, the soundest first, and told why the rest does not', () => {
    const { offers, refused } = offersFor(rig, gear, { gearId: camera, portId: 'usb-c' });
    expect(offers[0]).toMatchObject({
      verdict: 'good',
      link: { from: { gearId: idOf('Grynna 27 PD') }, to: { gearId: camera, portId: 'usb-c' } },
    });
    const ranks = offers.map(({ verdict }) => ['good', 'caution', undefined, 'unknown', 'stop'].indexOf(verdict));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    const why = (id: string) => {
      const reason = refused.find(({ gearId }) => gearId === id)?.reason;
      return reason && sayFeed(reason);
    };
    expect(why(idOf('Ternlet cell S', 'S1'))).toBe('battery bay S does not fit USB-C.');
    expect(why(camera)).toBeUndefined(); // a camera gives nothing, so it is no question
    const all = new Set([...offers.map(({ link }) => link.from.gearId), ...refused.map(({ gearId }) => gearId)]);
    for (const [id, body] of gear) if (body.kind === 'battery' || body.kind === 'supply') expect(all.has(id)).toBe(true);
  });

  it('offers a part that needs feeding by its plug, to be fed next', () => {
    const { offers } = offersFor(rig, gear, { gearId: camera, portId: 'bay' });
    const adapter = offers.find(({ link }) => link.from.gearId === idOf('Adapter M from D-tap'))!;
    expect(adapter).toMatchObject({ verdict: undefined, worst: undefined });
    const next = offersFor({ ...rig, links: [adapter.link] }, gear, { gearId: idOf('Adapter M from D-tap'), portId: 'in' });
    expect(next.offers[0]).toMatchObject({ link: { from: { portId: 'd-tap' } } });
    expect(next.refused.find(({ gearId }) => gearId === camera)).toBeUndefined();
  });

  it('never calls a lead of the wrong polarity good', () => {
    const murre = idOf('Murre 6 audio recorder');
    const { offers } = offersFor({ name: 'Sound', devices: [{ gearId: murre }], links: [] }, gear, { gearId: murre, portId: 'dc' });
    const wrong = offers.filter(({ worst }) => worst && /plus/i.test(sayFinding(worst)));
    expect(wrong.length).toBeGreaterThan(0);
    expect(wrong.every(({ verdict }) => verdict === 'stop')).toBe(true);
  });

  it('does not offer what hangs behind, what is in use, put away or kept out', () => {
    const whole = demo('Wheelhouse, everything on one V-mount');
    const plate = idOf('Kjolen plate');
    const splitter = idOf('Splitter, four D-taps');
    const kit = new Map([...gear, [idOf('Holmvik 95', 'V1'), { ...gear.get(idOf('Holmvik 95', 'V1'))!, archived: true }]]);
    const { offers, refused } = offersFor(whole, kit, { gearId: plate, portId: 'mount' }, new Set([idOf('Holmvik 49', 'V7')]));
    const seen = [...offers.map(({ link }) => link.from.gearId), ...refused.map(({ gearId }) => gearId)];
    expect(seen).not.toContain(idOf('Holmvik 95', 'V1'));
    expect(seen).not.toContain(idOf('Holmvik 49', 'V7'));
    expect(refused.find(({ gearId }) => gearId === splitter)?.reason.code).toBe('in-a-circle');
    expect(refused.find(({ gearId }) => gearId === idOf('Holmvik 95', 'V6'))?.reason.code).toBe('already-spare');
  });

  it('of a port that is not there offers nothing', () => {
    expect(offersFor(rig, gear, { gearId: camera, portId: 'none' })).toEqual({ offers: [], refused: [] });
    expect(offersFor(rig, gear, { gearId: 'ghost', portId: 'none' })).toEqual({ offers: [], refused: [] });
  });
});

describe('changing what feeds what', () => {
  const rig = demo('Wheelhouse, everything on one V-mount');
  const [camera, monitor] = rig.devices.map(({ gearId }) => gearId);

  it('finds the way to one device, source first', () => {
    expect(linksTo(rig, monitor!).map(({ to }) => gear.get(to.gearId)!.kind)).toEqual(['hub', 'hub', 'device']);
  });

  it('takes one feed away and leaves what others hang on', () => {
    const without = withoutFeed(rig, monitor!);
    expect(linksTo(without, monitor!)).toEqual([]);
    expect(linksTo(without, camera!)).toEqual(linksTo(rig, camera!));
    expect(without.links).toHaveLength(rig.links.length - 1);
  });

  it('takes a device away with its feed, its place and its part in phases', () => {
    const phased: Rig = { ...rig, phases: [{ minutes: 10, devices: [{ gearId: monitor!, mode: 'off' }] }] };
    const without = withoutDevice(phased, monitor!);
    expect(without.devices.map(({ gearId }) => gearId)).not.toContain(monitor);
    expect(without.phases![0]!.devices).toEqual([]);
    expect(without.balance!.places.some(({ gearId }) => gearId === monitor)).toBe(false);
  });

  it('feeds a device anew by a way that was found, and the rig is that', () => {
    const alone = demo('Galley interviews');
    const device = alone.devices[0]!.gearId;
    const feed = findFeeds(alone, device, gear).feeds[0]!;
    expect(assess(withFeed(alone, device, feed.links), gear).firstStopMin).toBeCloseTo(feed.firstStopMin!, 6);
  });

  it('puts another battery in the place of one, with its place on the rig, but not its charge', () => {
    const [v3, v1] = [idOf('Holmvik 147'), idOf('Holmvik 95', 'V2')];
    const charged: Rig = { ...rig, batteries: [{ gearId: v3, startCharge: 0.5, spareIds: [idOf('Holmvik 95', 'V6')] }] };
    const swapped = withPartReplaced(charged, v3, v1);
    expect(swapped.batteries).toEqual([{ gearId: v1, spareIds: [idOf('Holmvik 95', 'V6')] }]);
    expect(swapped.balance!.places.find(({ gearId }) => gearId === v1)).toMatchObject({ alongMm: -215 });
    expect(withLinks(rig, []).batteries).toBeUndefined();
  });
});

describe('a feed beside what feeds the others', () => {
  const rig = demo('Wheelhouse, everything on one V-mount');
  const monitor = idOf('Lysning 7 monitor-recorder');
  const beside = withoutFeed(rig, monitor).links;

  it('may hang on their free ports, and is judged with the whole rig', () => {
    const { feeds } = findFeeds(rig, monitor, gear, { beside });
    const shared = feeds.find(({ links }) => links[0]!.from.gearId === idOf('Splitter, four D-taps'))!;
    expect(shared.links).toHaveLength(1);
    const whole = assess({ ...withFeed(rig, monitor, shared.links), batteries: [] }, gear);
    expect(shared.firstStopMin).toBeCloseTo(whole.firstStopMin!, 6);
  });

  it('uses nothing twice', () => {
    const taken = new Set(beside.map(({ from }) => `${from.gearId}/${from.portId}`));
    const cables = new Set(beside.map(({ cableId }) => cableId).filter((id) => id !== undefined));
    for (const { links } of findFeeds(rig, monitor, gear, { beside }).feeds) {
      for (const { from, cableId } of links) {
        expect(taken.has(`${from.gearId}/${from.portId}`)).toBe(false);
        expect(cableId !== undefined && cables.has(cableId)).toBe(false);
      }
    }
  });
});
