import { bank, build, camera, dummy, inCamera, pack, plainBank, splitter, usbCamera, usbWire, wire } from '../../testing/rig-builder';
import type { Built } from '../../testing/rig-builder';
import { assessModel } from '../answer/assess';
import { rigModel } from '../answer/rig-model';
import { LOW_WATER } from '../demo/low-water';
import type { Gear } from '../gear/gear';
import type { Link, Rig } from '../rig/drawn/rig';
import { STYLE_WEIGHTS } from '../tables/feed-weights';
import { sayFeed } from '../words/en/feed/feed-words';
import { sayPurchase } from '../words/en/feed/purchase-words';
import { APPROACHES } from './approach';
import { alternatives } from './approaches';
import { assignFeeds } from './assign-feeds';
import { KitIndex, NOTHING_TAKEN, take } from './chains';
import type { Taken } from './chains';
import { costOf, criteriaOf } from './criteria';
import { findFeeds } from './find-feeds';
import { purchasesFor } from './purchases';
import fc from 'fast-check';

const KIT = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigNamed = (name: string): Rig => LOW_WATER.rigs.find(({ body }) => body.name === name)!.body;
const unfed = (parts: Readonly<Record<string, Gear>>, changes: Partial<Rig> = {}): Built => build(parts, [], changes);
const titles = ({ rig, gear }: Built, device = 'camera') => findFeeds(rig, device, gear).feeds.map(({ title }) => title).sort(); // prettier-ignore

describe('a feed from a USB port through an adapter that knows no Power Delivery', () => {
  const adapter = dummy({ input: { connector: { type: 'usb-c' }, minV: 4.5, maxV: 5.5 }, output: { connector: { type: 'bay', family: 'S' }, voltageV: 8 } });
  const kitOf = (ratingW: number, watts: number): Built => unfed({ bank: bank({ ratingW }), cable: usbWire(), adapter, camera: usbCamera(watts, { minV: 20, maxV: 20 }) });

  it('keeps to what the port gives at 5 V', () => {
    // 10 W are 2 A at 5 V: 8 W at the camera are, 10 W are not
    expect(titles(kitOf(10, 7)).some((title) => title.includes('Adapter'))).toBe(true);
    expect(titles(kitOf(10, 10)).some((title) => title.includes('Adapter'))).toBe(false);
    const { rig, gear } = kitOf(10, 10);
    expect(findFeeds(rig, 'camera', gear).refused.map(({ reason }) => sayFeed(reason)).join()).toMatch(/allowed are 2 A/);
  });
}); // prettier-ignore

describe('a feed through a monitor that passes power on', () => {
  it('carries the monitor’s own draw, whether the rig lists it or not', () => {
    const on = { gives: 'pack', id: 'on', name: 'On', connector: { type: 'd-tap' }, maxA: 4 } as const;
    const monitor = camera({ name: 'Monitor', outputs: [on] }, 15);
    const { rig, gear } = unfed({ pack: pack(), monitor, camera: camera() });
    const links = [
      ['pack.out', 'monitor.in'],
      ['monitor.on', 'camera.in'],
    ] as const;
    const both = build({ pack: pack(), monitor, camera: camera() }, links);
    const { feeds } = findFeeds({ ...rig, devices: [{ gearId: 'camera' }] }, 'camera', gear);
    const through = feeds.find((feed) => feed.links.some(({ to }) => to.gearId === 'monitor'))!;
    expect(through.firstStopMin).toBeCloseTo(assessModel(rigModel(both.rig, both.gear)).firstStopMin!, 6);
  });
});

describe('every sound feed of a device', () => {
  const kit = {
    camera: usbCamera(10, { minV: 9 }),
    own: inCamera(),
    pack: pack(),
    adapter: dummy(),
    trigger: dummy({
      name: 'Trigger lead',
      input: { connector: { type: 'usb-c' }, triggerV: 15 },
      output: { connector: { type: 'd-tap' } },
    }),
    bank: bank(),
    plain: plainBank(2.4),
    lead: usbWire(),
    high: pack({ name: 'High pack', cellsInSeries: 7 }),
  };

  it('straight, by cable, by adapter, by trigger lead and adapter', () => {
    expect(titles(unfed(kit))).toEqual(['Bank → Trigger lead → Adapter', 'Bank → USB lead', 'Own battery', 'Pack → Adapter']);
  });

  it('refuses with a reason what mates and must not be', () => {
    const { rig, gear } = unfed(kit);
    const reasons = findFeeds(rig, 'camera', gear).refused.map(({ title, reason }) => `${title}: ${sayFeed(reason)}`);
    expect(reasons).toContainEqual(
      expect.stringMatching(/^High pack → Adapter: High pack gives up to 29.4 V; Adapter accepts at most 17 V/),
    );
  });

  it('tells first of the ways that are not sound what is nearest to it', () => {
    // the weak bank may be joined and only would not run; the pack is 16.8 V on an inlet for 8.4 V
    const inlet = camera({ inputs: [{ takes: 'window', id: 'dc', name: 'DC', connector: { type: 'd-tap' }, minV: 6, maxV: 8.4 }, { takes: 'pd', id: 'usb', name: 'USB-C', connector: { type: 'usb-c' }, minV: 9, maxV: 20, needW: 1, sink: 'runs' }] }, 30);
    const { rig, gear } = unfed({ pack: pack(), bank: bank({ ratingW: 18 }), cable: usbWire(), camera: inlet });
    const { feeds, refused } = findFeeds(rig, 'camera', gear);
    expect(feeds).toEqual([]);
    expect(refused.length).toBeGreaterThan(1);
    expect(refused[0]!.title).toMatch(/bank/i);
    // though the pack is the shorter way
    expect(refused.slice(1).some(({ title }) => !/bank/i.test(title))).toBe(true);
  }); // prettier-ignore

  it('gives each refused way its own reason, though its like was refused before', () => {
    const { rig, gear } = unfed({
      camera: camera(),
      one: pack({ name: 'One', cellsInSeries: 7 }),
      other: pack({ name: 'Other', cellsInSeries: 7 }),
    });
    for (const { title, reason } of findFeeds(rig, 'camera', gear).refused)
      expect(sayFeed(reason)).toContain(`${title} gives up to 29.4 V`);
  });

  it('passes power on through a monitor', () => {
    const monitor = camera({ name: 'Monitor', outputs: [{ gives: 'fixed', id: 'aux', name: 'Aux', connector: { type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity: 'centre-positive' }, voltageV: 8, maxA: 2, lead: true }] }); // prettier-ignore
    const needy = camera({}, 6, { connector: { type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity: 'centre-positive' } });
    expect(titles(unfed({ camera: needy, monitor, pack: pack() }))).toEqual(['Pack → Monitor']);
  });

  it('refuses a lead of the wrong polarity and takes the right one', () => {
    const barrel = (polarity: 'centre-positive' | 'centre-negative') => ({ type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity }) as const;
    const right = wire({ name: 'Right', ends: { source: barrel('centre-positive'), load: barrel('centre-positive') } });
    const wrong = wire({ name: 'Wrong', ends: { source: barrel('centre-positive'), load: barrel('centre-negative') } });
    const built = unfed({
      camera: camera({}, 10, { connector: barrel('centre-positive') }),
      pack: pack({}, { connector: barrel('centre-positive') }),
      right,
      wrong,
    });
    expect(titles(built)).toEqual(['Pack → Right']);
    expect(sayFeed(findFeeds(built.rig, 'camera', built.gear).refused[0]!.reason)).toContain('Plus of Wrong meets minus of Camera');
  });

  it('of parts that are alike one stands for all; what is excluded is left out', () => {
    const built = unfed({ camera: camera(), one: pack({ tag: 'V1' }), two: pack({ tag: 'V2' }), worn: pack({ tag: 'V3', years: 5 }) });
    expect(titles(built)).toEqual(['V1 Pack', 'V3 Pack']);
    expect(findFeeds(built.rig, 'camera', built.gear, { exclude: new Set(['one', 'worn']) }).feeds.map(({ title }) => title)).toEqual([
      'V2 Pack',
    ]);
  });

  it('batteries that differ in their charge are not alike', () => {
    const parts = { camera: camera(), full: pack({ tag: 'V1' }), half: pack({ tag: 'V2' }) };
    const built = unfed(parts, { batteries: [{ gearId: 'half', startCharge: 0.5 }] });
    const [first, second] = findFeeds(built.rig, 'camera', built.gear).feeds;
    expect([first!.title, second!.title]).toEqual(['V1 Pack', 'V2 Pack']);
    expect(second!.firstStopMin! / first!.firstStopMin!).toBeLessThan(0.55);
  });

  it('ranks by style: a stabiliser wants little on the camera, a shoulder carries it', () => {
    const parts = {
      camera: usbCamera(10, { minV: 9 }),
      heavy: inCamera({ name: 'Heavy', energyWh: 60, massG: 900, price: 50 }),
      light: inCamera({ name: 'Light', energyWh: 15, massG: 90, price: 50 }),
    };
    const first = (style: Rig['style']) => {
      const { rig, gear } = unfed(parts, { style, wantedMin: 240 });
      return findFeeds(rig, 'camera', gear).feeds[0]!.title;
    };
    expect(first('stabiliser')).toBe('Light');
    expect(first('shoulder')).toBe('Heavy');
  });

  it('what nobody weighed or priced is not taken for weightless and free', () => {
    const built = unfed({ camera: camera(), known: pack({ name: 'Known', massG: 10, price: 1 }), unknown: pack({ name: 'Unknown' }) });
    const [first, second] = findFeeds(built.rig, 'camera', built.gear).feeds;
    expect([first!.title, second!.title]).toEqual(['Known', 'Unknown']);
    expect([first!.points.unweighed, second!.points.unweighed]).toEqual([0, 2 * STYLE_WEIGHTS.handheld.unweighed]);
  });

  it('puts what another dominates last', () => {
    const built = unfed({
      camera: camera(),
      good: pack({ name: 'Good', massG: 600, price: 100 }),
      poor: pack({ name: 'Poor', massG: 700, price: 150, energyWh: 80 }),
    });
    const { feeds } = findFeeds(built.rig, 'camera', built.gear);
    expect(feeds.map(({ title, dominated }) => [title, dominated])).toEqual([['Good', false], ['Poor', true]]); // prettier-ignore
  });

  it('the whole trunk of the demo gives what the crew knows', () => {
    const rig = rigNamed('Galley on the old bank');
    const { feeds, bounded } = findFeeds(rig, rig.devices[0]!.gearId, KIT);
    expect(bounded).toBe(false);
    for (const { verdict } of feeds) expect(verdict).not.toBe('stop');
    expect(feeds.map(({ title }) => title)).toContain('B3 Grynna 25 PD → USB-C lead, 1 m');
    expect(feeds.some(({ title }) => title.startsWith('B2 ') && title.includes('USB-C lead'))).toBe(false); // too weak
  });

  it('law: a sound thing more in the kit never takes a sound way away', () => {
    const ids = [...KIT.keys()];
    const rig = rigNamed('Deck');
    const device = rig.devices[0]!.gearId;
    const feeds = (kit: ReadonlyMap<string, Gear>) => new Set(findFeeds(rig, device, kit).feeds.map(({ links }) => JSON.stringify(links)));
    fc.assert(
      fc.property(fc.uniqueArray(fc.constantFrom(...ids), { minLength: 10, maxLength: 40 }), fc.constantFrom(...ids), (some, more) => {
        const few = new Map([[device, KIT.get(device)!], ...some.map((id) => [id, KIT.get(id)!] as const)]);
        const all = new Map([...few, [more, KIT.get(more)!]]);
        const [before, after] = [feeds(few), feeds(all)];
        for (const feed of before) expect(after.has(feed)).toBe(true);
      }),
      { numRuns: 25, seed: 11 },
    );
  });
});

/** Every assignment there is, each weighed as a whole rig, nothing left out and nothing shared in between. */
function bruteForce({ rig, gear }: Built): number {
  const index = new KitIndex(gear);
  const weights = STYLE_WEIGHTS[rig.style ?? 'handheld'];
  let best = Infinity;
  const assign = (place: number, links: readonly Link[], taken: Taken): void => {
    const device = rig.devices[place];
    if (!device) {
      const model = rigModel({ ...rig, links }, gear);
      const answer = assessModel(model);
      const onlyLack = answer.findings.every(({ verdict, code }) => verdict !== 'stop' || code === 'not-fed');
      if (answer.verdict !== 'stop') best = Math.min(best, costOf(criteriaOf(model.resolved, answer), weights).cost);
      else if (!onlyLack) return;
      return;
    }
    for (const chain of index.chainsTo(device.gearId, taken, { forSeveral: true }).chains)
      assign(place + 1, [...links, ...chain], take(taken, chain));
  };
  assign(0, [], NOTHING_TAKEN);
  return best;
}

describe('a whole rig fed at once', () => {
  const cables = {
    c1: usbWire({ massG: 40, price: 10 }),
    c2: usbWire({ name: 'Long USB lead', resistanceOhm: 0.2, massG: 60, price: 12 }),
  };
  const small: readonly [string, Built][] = [
    ['two on one splitter or each its own', unfed({ camera: camera(), monitor: camera({ name: 'Monitor' }, 14), one: pack({ massG: 600, price: 180 }), two: pack({ energyWh: 49, massG: 400, price: 110, name: 'Small' }), hub: splitter(2, { massG: 80, price: 40 }) }, { wantedMin: 300 })],
    ['one cable for two cameras', unfed({ camera: usbCamera(10, { minV: 9 }), second: usbCamera(8, { minV: 9 }, { name: 'Second' }), bank: bank({}, { massG: 480, price: 70 }), c1: cables.c1, own: inCamera({ massG: 90, price: 40 }) }, { style: 'travel', wantedMin: 200 })],
    ['banks, leads and a shoulder', unfed({ camera: usbCamera(12, { minV: 9 }), second: usbCamera(8, { minV: 9 }, { name: 'Second' }), one: bank({ ratingW: 27 }, { massG: 300, price: 40, energyWh: 40 }), two: bank({}, { massG: 480, price: 70 }), ...cables }, { style: 'shoulder', wantedMin: 240 })],
    ['adapters and a V-mount', unfed({ camera: usbCamera(9), monitor: camera({ name: 'Monitor' }, 12), pack: pack({ massG: 640, price: 190 }), hub: splitter(3, { massG: 80, price: 45 }), adapter: dummy({ massG: 70, price: 60, gauge: 'always-full' }), own: inCamera({ massG: 80, price: 50 }) }, { style: 'stabiliser', wantedMin: 120 })],
  ]; // prettier-ignore

  it.each(small)('is as good as the best of all there are: %s', (_what, built) => {
    const { best, exact } = assignFeeds(built.rig, built.gear);
    expect(exact).toBe(true);
    expect(best[0]!.criteria.unfed).toBe(0);
    expect(best[0]!.cost).toBeCloseTo(bruteForce(built), 9);
    expect(best.map(({ cost }) => cost)).toEqual(best.map(({ cost }) => cost).sort((a, b) => a - b));
  });

  it('uses each part once, and says what it could not feed', () => {
    const { rig, gear } = unfed({
      camera: usbCamera(10, { minV: 9 }),
      second: usbCamera(10, { minV: 9 }, { name: 'Second' }),
      bank: bank(),
      cable: usbWire(),
    });
    const [first] = assignFeeds(rig, gear).best;
    expect(first!.criteria.unfed).toBe(1);
    expect(first!.answer.findings[0]).toMatchObject({ code: 'not-fed', verdict: 'stop' });
    for (const { links } of assignFeeds(rigNamed('Wheelhouse, everything on one V-mount'), KIT, { mostLooks: 1000 }).best) {
      const outputs = links.map(({ from }) => `${from.gearId}/${from.portId}`);
      const cablesUsed = links.flatMap(({ cableId }) => cableId ?? []);
      expect(new Set(outputs).size).toBe(outputs.length);
      expect(new Set(cablesUsed).size).toBe(cablesUsed.length);
    }
  });

  it('is bounded, and says so', () => {
    const { exact, looked, best } = assignFeeds(rigNamed('Wheelhouse, everything on one V-mount'), KIT, { mostLooks: 60 });
    expect(exact).toBe(false);
    expect(looked).toBeLessThan(120);
    expect(best.length).toBeGreaterThan(0);
  });
});

describe('what one purchase would help', () => {
  it('names the smallest thing that makes it sound, and why', () => {
    const { rig, gear } = unfed({ camera: usbCamera(12, { minV: 9, needW: 20 }), bank: bank({}, { massG: 480, price: 70 }) });
    const { owned, purchases } = purchasesFor(rig, 'camera', gear);
    expect(owned).toBeUndefined();
    expect(purchases[0]!.items).toHaveLength(1);
    expect(purchases.map(({ items }) => items.join())).toContainEqual(expect.stringMatching(/^USB-C cable/));
    expect(sayPurchase(purchases[0]!.why)).toContain('where nothing sound was there before');
    // what a generic thing costs nobody knows
    expect(purchases[0]!.price).toBeUndefined();
  });

  it('is silent where nothing gains', () => {
    const rig = rigNamed('Stills');
    for (const { feed } of purchasesFor(rig, rig.devices[0]!.gearId, KIT).purchases) expect(feed.verdict).not.toBe('stop');
  });

  it('names the lead that is missing where nothing joins two sockets, and not what may not be joined', () => {
    const inlet = (minV: number, maxV: number): Gear =>
      camera({ inputs: [{ takes: 'window', id: 'in', name: 'DC', connector: { type: 'circular2' }, minV, maxV }] }, 10);
    const kit = (minV: number, maxV: number): Built => unfed({ pack: pack(), camera: inlet(minV, maxV) });
    const fits = kit(11, 17);
    expect(findFeeds(fits.rig, 'camera', fits.gear).feeds).toEqual([]);
    const [first] = purchasesFor(fits.rig, 'camera', fits.gear).purchases;
    expect(first!.items).toEqual(['Lead of 0.5 m, 0.75 mm², D-tap to 2-pin circular']);
    expect(sayPurchase(first!.why)).toMatch(/^Runs .* where nothing sound was there before\.$/);
    // a pack of 16.8 V on an inlet for 8.4 V: no lead makes that sound
    const harmful = kit(6, 8.4);
    const offered = purchasesFor(harmful.rig, 'camera', harmful.gear).purchases.flatMap(({ items }) => items);
    expect(offered).not.toContain('Lead of 0.5 m, 0.75 mm², D-tap to 2-pin circular');
  });

  it('says what nothing gives, where neither kit nor shop helps', () => {
    const odd = camera(
      { inputs: [{ takes: 'window', id: 'in', name: 'DC', connector: { type: 'bay', family: 'Q9' }, minV: 90, maxV: 110 }] },
      10,
    );
    const { rig, gear } = unfed({ pack: pack(), camera: odd });
    const { purchases, lack } = purchasesFor(rig, 'camera', gear);
    expect(purchases).toEqual([]);
    expect(sayFeed(lack!)).toMatch(/90 V to 110 V at its battery bay Q9\.$/);
  });
});

describe('the approaches', () => {
  it('stand side by side, each of its kind or with the reason why not', () => {
    const rig = rigNamed('Wheelhouse');
    const found = alternatives(rig, KIT, { mostLooks: 200 });
    expect(found.map(({ approach }) => approach)).toEqual(Object.keys(APPROACHES));
    for (const { assignment, lack } of found) {
      expect(assignment === undefined).toBe(lack !== undefined);
      if (assignment) expect(assignment.answer.verdict).not.toBe('stop');
    }
    const of = (approach: string) => found.find((one) => one.approach === approach)!.assignment;
    const sources = (approach: string) => of(approach)!.links.map(({ from }) => KIT.get(from.gearId)!);
    expect(sources('one-v-mount').some((part) => part.kind === 'battery' && part.form === 'v-mount')).toBe(true);
    expect(sources('pd-bank').some((part) => part.kind === 'battery' && part.form === 'bank')).toBe(true);
    expect(sources('mains').every(({ kind }) => kind !== 'battery')).toBe(true);
    expect(of('mains')!.answer.unlimited).toBe(true);
    expect(of('grip')!.links.filter(({ to }) => KIT.get(to.gearId)?.kind === 'hub')).toHaveLength(2); // both slots
  });
});
