import { LOW_WATER } from '@viaggio/core/demo';
import type { Gear, GearKind } from '@viaggio/core/gear';
import { withChanges } from '@viaggio/core/units';
import { KINDS } from '../../parts/gear/kinds';
import type { Entry } from '../../state/items';
import { columnsOf } from './columns';
import { cellOf, filledColumns, mostOf, sorted } from './lines';
import { rowOf } from '../../parts/kit-row';
import type { KitRow } from '../../parts/kit-row';

const entryOf = (id: string, body: Gear): Entry<'gear'> => ({ id, revision: 1, body, sync: { is: 'saved' } });
const all = LOW_WATER.gear.map(({ id, body }) => rowOf(entryOf(id, body)));
const of = (kind: GearKind) => all.filter(({ gear }) => gear.kind === kind);
const tagged = (tag: string) => all.find(({ gear }) => gear.tag === tag)!;
const facts = { lastTest: new Map([[tagged('V4').id, '2025-11-03T10:00:00Z']]), most: mostOf(all) };
const columnOf = (kind: GearKind, key: string) => columnsOf(kind).find((column) => column.key === key)!;
const shown = (row: KitRow) => Object.fromEntries(columnsOf(row.gear.kind).map((column) => [column.key, cellOf(column, row, facts).text]));

describe('the columns of a kind', () => {
  it('of a battery are its energy, health, charge, whether it flies, and when it was tested', () => {
    expect(shown(tagged('V5'))).toMatchObject({ tag: 'V5', energy: '196 Wh', charge: '55 %', flight: 'may not fly', 'last test': '' });
    expect(shown(tagged('V4'))).toMatchObject({ health: '80 %', 'last test': '3 Nov 2025' });
    expect(cellOf(columnOf('battery', 'health'), tagged('V6'), facts)).toMatchObject({ from: 'measured', share: 71 / 95 });
  });

  it('of the other kinds are what decides about them', () => {
    const first = (kind: GearKind, name: string) => shown(of(kind).find(({ gear }) => gear.name === name)!);
    expect(first('device', 'Skuadon 60')).toMatchObject({ draw: '16.7 W', accepts: expect.stringContaining('6.3 to 8.6 V') });
    expect(first('adapter', 'Adapter M from D-tap')).toMatchObject({
      in: expect.stringContaining('D-tap'),
      rated: '30 W',
      'gauge shows': 'always full',
    });
    expect(first('cable', 'D-tap lead, 0.6 m')).toMatchObject({ ends: 'D-tap → D-tap', length: '0.6 m' });
    expect(first('charger', 'V-mount charger, two slots')).toMatchObject({ slots: '2, in turn', fits: 'V-mount' });
  });

  it('never show a figure of another kind, nor one that nobody gave', () => {
    for (const kind of KINDS) {
      for (const column of columnsOf(kind)) {
        const stranger = all.find(({ gear }) => gear.kind !== kind)!;
        if (!['tag', 'name', 'where', 'energy', 'draw'].includes(column.key)) expect(cellOf(column, stranger, facts).text).toBe('');
        for (const row of of(kind)) expect(cellOf(column, row, facts).text).not.toMatch(/undefined|NaN/);
      }
    }
  });
});

describe('the columns that are shown', () => {
  const keys = (rows: readonly KitRow[], open?: string) => filledColumns('battery', rows, open, facts).map(({ key }) => key);
  const bare = rowOf(entryOf('x', withChanges(tagged('V1').gear, { charge: undefined, where: undefined })));

  it('are those that somebody filled', () => {
    expect(keys(of('battery'))).toEqual(columnsOf('battery').map(({ key }) => key));
    expect(keys([bare])).toEqual(['tag', 'name', 'energy', 'flight']);
    expect(keys([rowOf(entryOf('y', { ...bare.gear, where: 'case 1' }))])).toContain('where');
  });

  it('are all that can be typed where a line is open', () => {
    expect(keys([bare], 'x')).toEqual(['tag', 'name', 'energy', 'charge', 'flight', 'where']);
    expect(keys([bare], 'elsewhere')).not.toContain('charge');
  });
});

describe('the bar of a figure', () => {
  it('is to one scale over the whole kit: the largest is whole, twice the energy is twice as long', () => {
    const share = (tag: string) => cellOf(columnOf('battery', 'energy'), tagged(tag), facts).share!;
    expect(Math.max(...of('battery').map(({ gear }) => share(gear.tag!)))).toBe(1);
    expect(share('V5') / share('V1')).toBeCloseTo(196 / 95, 6);
  });

  it('is left away where the figure is not known', () => {
    const unknown = rowOf(entryOf('x', withChanges(tagged('V1').gear, { energyWh: undefined, from: undefined })));
    expect(cellOf(columnOf('battery', 'energy'), unknown, facts)).toEqual({ text: 'energy unknown', from: '' });
  });
});

describe('sorting a kind', () => {
  const by = (kind: GearKind, key: string, down: boolean, rows = of(kind)) => sorted(rows, columnOf(kind, key), down, facts);

  it('counts numbers in tags, and puts what has none last either way', () => {
    const ten = [...of('battery'), rowOf(entryOf('z', { ...tagged('V2').gear, tag: 'V10' })), rowOf(entryOf('y', { ...tagged('V2').gear, tag: undefined }))]; // prettier-ignore
    const tags = (down: boolean) => by('battery', 'tag', down, ten).map(({ gear }) => gear.tag);
    expect(tags(false).indexOf('V10')).toBeGreaterThan(tags(false).indexOf('V7'));
    expect([tags(false).at(-1), tags(true).at(-1)]).toEqual([undefined, undefined]);
  });

  it('goes by what the column is about', () => {
    expect(by('battery', 'health', false)[0]!.gear.tag).toBe('V6');
    expect(by('battery', 'charge', false)[0]!.gear.tag).toBe('V7');
    const volts = by('adapter', 'out', true).map(({ gear }) => (gear.kind === 'adapter' ? gear.output.voltageV : undefined));
    const known = volts.filter((value) => value !== undefined);
    expect(known).toEqual([...known].sort((a, b) => b - a));
    expect(volts.slice(known.length).every((value) => value === undefined)).toBe(true);
  });

  it('leaves the given list alone', () => {
    const before = [...of('cable')];
    by('cable', 'name', true, before);
    expect(before).toEqual(of('cable'));
  });
});
