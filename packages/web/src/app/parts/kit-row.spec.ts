import { LOW_WATER } from '@viaggio/core/demo';
import type { Gear } from '@viaggio/core/gear';
import type { Entry } from '../state/items';
import { rowOf } from './kit-row';

const entryOf = (id: string, body: Gear): Entry<'gear'> => ({ id, revision: 1, body, sync: { is: 'saved' } });
const rows = LOW_WATER.gear.map(({ id, body }) => rowOf(entryOf(id, body)));
const tagged = (tag: string) => rows.find(({ gear }) => gear.tag === tag)!;
const named = (name: string) => rows.find(({ gear }) => gear.name === name)!;

describe('a line of the kit', () => {
  it.each([
    ['V6', '71 Wh', 'measured'],
    ['V4', '39 Wh', 'printed, less its age'],
    ['V1', '95 Wh', 'printed'],
  ])('%s says what it holds now and where that is from', (tag, figure, from) => {
    expect(tagged(tag)).toMatchObject({ figure, from });
  });

  it.each([
    ['Ternlet 2', '6.8 W', 'measured'],
    ['Skuadon 60', '16.7 W', 'measured by a run-down'],
    ['Plovera R', '5.2 W', 'printed'],
    ['Plovera R, second body', '9 J a shot, 2 modes', 'printed'],
    ['Ternlet T', 'a frame every 60 s', 'printed'],
    ['Adapter M from D-tap', 'D-tap → 8 V', 'to 30 W'],
    ['V-mount charger, two slots', '2 slots, V-mount', ''],
  ])('%s says its figure and where it is from', (name, figure, from) => {
    expect(named(name)).toMatchObject({ figure, from });
  });

  it('never shows a figure that nobody gave', () => {
    const { energyWh: _energy, ...blank } = tagged('V1').gear as Extract<Gear, { kind: 'battery' }>;
    expect(rowOf(entryOf('x', blank))).toMatchObject({ figure: 'energy unknown', from: '' });
    const { draw: _draw, ...idle } = named('Plovera R').gear as Extract<Gear, { kind: 'device' }>;
    expect(rowOf(entryOf('y', idle)).figure).toBe('draw unknown');
  });

  it('is worked out once for each state of a thing', () => {
    const { id, body } = LOW_WATER.gear[0]!;
    expect(rowOf(entryOf(id, body)).text).toBe(rowOf(entryOf(id, body)).text);
    expect(rowOf(entryOf(id, { ...body, name: 'Other' })).text).toContain('other');
  });
});
