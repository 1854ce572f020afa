import { LOW_WATER, LOW_WATER_SHEETS } from '@viaggio/core/demo';
import { STYLE_WEIGHTS } from '@viaggio/core/units';
import { deserialize, serialize } from 'node:v8';
import { coreCalls } from './core-calls';

const kit = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rig = (name: string) => LOW_WATER.rigs.find(({ body }) => body.name === name)!.body;
const none: ReadonlySet<string> = new Set();
const weights = STYLE_WEIGHTS.handheld;

/** A worker gets and gives copies: whatever cannot be copied fails there, and only there. */
const copied = <T>(value: T): T => deserialize(serialize(value)) as T;

describe('what workers are asked', () => {
  const wheelhouse = rig('Wheelhouse on the small battery');
  const camera = wheelhouse.devices[0]!.gearId;

  it('can be copied there and back, every call of it', () => {
    const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
    const answers = {
      rigGlances: coreCalls.rigGlances(copied(rigs), copied(kit), new Map()),
      outlook: coreCalls.outlook(copied(wheelhouse), copied(kit)),
      remedies: coreCalls.remedies(copied(wheelhouse), copied(kit), copied(none)),
      feeds: coreCalls.feeds(copied(wheelhouse), camera, copied(kit), weights, none),
      offers: coreCalls.offers(wheelhouse, kit, { gearId: camera, portId: 'bay' }, none),
      approach: coreCalls.approach('mains', wheelhouse, kit, weights, none),
    };
    expect(copied(answers)).toEqual(answers);
  });

  it('glances at every rig, and works out again only what changed', () => {
    const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
    const glances = coreCalls.rigGlances(rigs, kit, new Map());
    const of = (name: string, all = glances) => all.get(LOW_WATER.rigs.find(({ body }) => body.name === name)!.id)!;
    expect(of('Galley interviews')).toMatchObject({ verdict: 'good', worst: undefined });
    expect(of(wheelhouse.name)).toMatchObject({ plannedMin: expect.any(Number), unlimited: false, worst: expect.any(String) });
    const heavier = new Map(kit).set(camera, { ...kit.get(camera)!, name: 'Another camera' });
    const later = coreCalls.rigGlances(rigs, heavier, new Map());
    expect(of('Stills', later)).toBe(of('Stills'));
    expect(of(wheelhouse.name, later)).not.toBe(of(wheelhouse.name));
  });

  it('glances at what a meter stopped as at a stop, and works out only the rigs whose sheet has changed', () => {
    const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
    const sheets = new Map(LOW_WATER_SHEETS.map(({ id, body }) => [id, body]));
    const named = (all: ReturnType<typeof coreCalls.rigGlances>) => new Map([...all].map(([id, glance]) => [rigs.get(id)!.name, glance]));
    const before = named(coreCalls.rigGlances(rigs, kit, new Map()));
    const after = named(coreCalls.rigGlances(rigs, kit, sheets));
    const stopped = [...after].filter(([name, { verdict }]) => verdict === 'stop' && before.get(name)!.verdict !== 'stop');
    expect(stopped.map(([name]) => name).sort()).toEqual(['Monitor on the drawer lead', 'Skuadon on the blue board']);
    for (const [, { worst }] of stopped) expect(worst).toMatch(/\d.* V|\breversed|wrong way/);
    expect(after.get('Stills')).toBe(before.get('Stills'));
  });

  it('gives remedies in the order of the findings that are not good', () => {
    const remedies = coreCalls.remedies(wheelhouse, kit, none);
    expect(remedies[0]!.map(({ title }) => title)).toContain('Use V2: Holmvik 95');
  });

  it('leaves out what is not to be used', () => {
    const v7 = LOW_WATER.gear.find(({ body }) => body.tag === 'V7')!.id;
    const titles = coreCalls.remedies(wheelhouse, kit, new Set([v7])).flat().map(({ title }) => title); // prettier-ignore
    expect(titles.some((title) => title.includes('V7'))).toBe(false);
  });

  it('seeds its ranges: the same rig has the same', () => {
    expect(coreCalls.outlook(wheelhouse, kit)).toEqual(coreCalls.outlook(wheelhouse, kit));
  });
});
