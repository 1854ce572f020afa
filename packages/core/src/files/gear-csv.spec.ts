import fc from 'fast-check';
import { LOW_WATER } from '../demo/low-water';
import { gearShape } from '../gear/gear';
import { UNITS } from '../quantity/unit';
import type { Unit } from '../quantity/unit';
import { number } from '../shape/shape';
import { readCell, writeCell } from './csv-cell';
import { gearToCsv, MOST_ROWS, readGearCsv } from './gear-csv';

const V1 = LOW_WATER.gear.find(({ body }) => body.tag === 'V1')!;
const lines = (...rows: readonly string[]) => rows.join('\r\n');

describe('gear as a table', () => {
  it('gives back the very same gear, known or new', () => {
    const csv = gearToCsv(LOW_WATER.gear);
    for (const known of [LOW_WATER.gear, []]) {
      const { rows, issues, ignored } = readGearCsv(csv, known);
      expect({ issues, ignored }).toEqual({ issues: [], ignored: [] });
      expect(rows.map(({ id, body }) => ({ id, body }))).toEqual(LOW_WATER.gear);
    }
  });

  it('gives it back whatever the order of its rows, and so of its columns', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...LOW_WATER.gear], { minLength: 2 }), (items) => {
        const { rows, issues } = readGearCsv(gearToCsv(items), LOW_WATER.gear);
        expect(issues).toEqual([]);
        expect(rows.map(({ id, body }) => ({ id, body }))).toEqual(items);
      }),
      { numRuns: 40, endOnFailure: true },
    );
  });

  it('is RFC 4180: CRLF, quotes doubled, commas and line breaks inside quotes', () => {
    const note = 'says "95 Wh", and\r\nmeans it';
    const csv = gearToCsv([{ id: V1.id, body: { ...V1.body, note } }]);
    expect(csv).toContain('"says ""95 Wh"", and\r\nmeans it"');
    expect(csv.replace(note.replaceAll('"', '""'), '').replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
    expect(readGearCsv(csv).rows[0]!.body.note).toBe(note);
  });

  it('keeps what a newer document held beside the known fields', () => {
    const unknown = [{ path: '/colour', value: { list: [], none: null } }];
    const known = [{ id: V1.id, body: { ...V1.body, unknown } }];
    expect(readGearCsv(gearToCsv(known), known).rows[0]!.body).toEqual(known[0]!.body);
  });

  it('has one way to write each figure, read back exactly', () => {
    const units = Object.keys(UNITS) as Unit[];
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (unit, value) => {
        const shape = number('Figure', unit, { max: 2e6 });
        const shown = unit === 'count' ? Math.round(value) : value;
        const read = readCell(shape, writeCell(shape, shown));
        // a share goes through per cent: the last bit may differ
        expect(read.ok && Math.abs((read.value as number) - shown) <= Math.abs(shown) * 4e-16).toBe(true);
      }),
      { endOnFailure: true },
    );
  });
});

describe('a table typed by hand', () => {
  it('takes titles, units, decimal commas, semicolons, labels and watts; ports follow from the form', () => {
    const csv = lines(
      'Kind;Name;Label tag;Form;label;Mass (g);Age;watts',
      'battery;Brick;V9;V-mount battery;14,4 V 6600 mAh;0,64 kg;2;',
      'battery;Bank;B9;bank;95 Wh;;;',
      'device;Lamp;;;;;;"12,5 W"',
    );
    const { rows, issues } = readGearCsv(csv.replace('V-mount battery', 'v-mount'));
    expect(issues).toEqual([]);
    expect(rows.map(({ line }) => line)).toEqual([2, 3, 4]);
    expect(rows[0]!.body).toMatchObject({ form: 'v-mount', cellsInSeries: 4, massG: 640, years: 2, from: { energyWh: 'printed' } });
    expect(rows[0]!.body.kind === 'battery' && rows[0]!.body.energyWh).toBeCloseTo(95.04, 9);
    expect(rows[1]!.body).toMatchObject({ form: 'bank', outputs: [{ gives: 'fixed', voltageV: 5 }] });
    expect(rows[2]!.body).toMatchObject({ kind: 'device', draw: { basis: 'maker', powerW: 12.5 } });
  });

  it('changes a known item by its tag: what has no column stays, an empty cell takes the figure out', () => {
    const { rows } = readGearCsv(lines('kind,tag,name,years,price', 'battery,V1,Holmvik 95,7,'), LOW_WATER.gear);
    expect(rows).toHaveLength(1);
    const { price: _price, ...rest } = V1.body;
    expect(rows[0]).toEqual({ line: 2, id: V1.id, body: { ...rest, years: 7 } });
  });

  it('leaves what must be there as it is when its cell is empty', () => {
    const { rows, issues } = readGearCsv(lines('kind,tag,name,form,chemistry,years', 'battery,V1,Holmvik 95,,,2'), LOW_WATER.gear);
    expect(issues).toEqual([]);
    expect(rows[0]!.body).toEqual({ ...V1.body, years: 2 });
  });

  it('may change a shared port into one of another sort, which starts empty', () => {
    const csv = lines('id,outputs.1.gives,outputs.1.id,outputs.1.name,outputs.1.connector.type,outputs.1.ratingW', `${V1.id},pd,c,USB-C,usb-c,60`); // prettier-ignore
    const { rows, issues } = readGearCsv(csv, LOW_WATER.gear);
    expect(issues).toEqual([]);
    expect(rows[0]!.body).toMatchObject({ outputs: [{ gives: 'pd', id: 'c', name: 'USB-C', connector: { type: 'usb-c' }, ratingW: 60 }] });
  });
});

describe('what is wrong in a table', () => {
  const only = (csv: string) => readGearCsv(csv, LOW_WATER.gear).issues;

  it.each([
    ['a figure out of range', 'kind,tag,name,years\nbattery,V1,Holmvik 95,99', 2, 'years', 'from 0 to 30 years', '“99”'],
    ['a word for a number', 'kind,tag,name,energyWh\nbattery,V1,Holmvik 95,much', 2, 'energyWh', 'a number of watt-hours, such as 95 Wh', '“much”'], // prettier-ignore
    ['an unknown kind', 'kind,name\nlamp,X', 2, 'kind', 'one of battery, device, adapter, cable, hub, supply, charger', '“lamp”'],
    ['no kind', 'name\nX', 2, 'kind', 'one of battery, device, adapter, cable, hub, supply, charger', 'an empty text'],
    ['a figure of another kind', 'kind,name,form,energyWh,cellsInSeries,slots\nbattery,X,bank,5,1,2', 2, 'slots', 'an empty cell: there is no “slots” here', '“2”'], // prettier-ignore
    ['a missing figure that cannot be left out', 'kind,name\ncable,X', 2, 'ends', 'an object with source, load', 'nothing'],
    ['an item of another kind', `id,kind\n${V1.id},device`, 2, 'kind', 'battery, as Holmvik 95 is', '“device”'],
    ['an identifier that is none', 'id,kind,name\nabc,charger,X', 2, 'id', 'an identifier that was exported, or none', '“abc”'],
    ['more cells than columns', `id,kind\n${V1.id},battery,1,2`, 2, '', '2 cells', '“4 cells”'],
    ['an open quote', 'kind,name\nbattery,"X', 2, '', 'a cell whose quotes are closed', 'Quoted field unterminated'],
    ['nothing', '', 1, '', 'a first row of column names', 'nothing'],
  ])('%s is told by line and column', (_what, csv, line, column, expected, received) => {
    expect(only(csv)).toContainEqual({ line, column, expected, received });
  });

  it('counts lines as an editor does, past cells of several lines', () => {
    const csv = lines('kind,tag,name,note,years', 'battery,V1,Holmvik 95,"two\r\nlines",1', 'battery,V2,Holmvik 95,x,old');
    const { rows, issues } = readGearCsv(csv, LOW_WATER.gear);
    expect(rows.map(({ line }) => line)).toEqual([2]);
    expect(issues).toMatchObject([{ line: 4, column: 'years', received: '“old”' }]);
  });

  it('leaves good rows alone when another is bad, and names columns it does not know', () => {
    const { rows, issues, ignored } = readGearCsv(lines('kind,tag,name,years,colour', 'battery,V1,Holmvik 95,3,red', 'battery,V2,Holmvik 95,-1,blue'), LOW_WATER.gear); // prettier-ignore
    expect([rows.length, issues.length, ignored]).toEqual([1, 1, ['colour']]);
  });

  it('refuses the same item twice, and more rows than a plan holds', () => {
    expect(only(lines('id,kind', `${V1.id},battery`, `${V1.id},battery`))).toMatchObject([{ line: 3, column: 'id', expected: 'each item once' }]); // prettier-ignore
    const many = ['kind,tag,name', ...Array.from({ length: MOST_ROWS + 1 }, () => 'battery,V1,Holmvik 95')].join('\n');
    expect(only(many).some(({ expected }) => expected === 'at most 1000 rows')).toBe(true);
  });

  it('never throws, whatever comes', () => {
    const paths = Object.values(gearShape.variants).flatMap((fields) => Object.keys(fields));
    const header = fc.array(fc.oneof(fc.constantFrom(...paths, 'outputs.1.gives', 'outputs.2.maxA', 'draw.basis', 'label'), fc.string()), { maxLength: 6 }); // prettier-ignore
    const cell = fc.oneof(fc.string(), fc.constantFrom('battery', 'device', 'pd', '95 Wh', '', '1e9', '__proto__'));
    fc.assert(
      fc.property(header, fc.array(fc.array(cell, { maxLength: 7 }), { maxLength: 4 }), (columns, cells) => {
        const csv = [columns, ...cells].map((row) => row.map((one) => `"${one.replaceAll('"', '""')}"`).join(',')).join('\n');
        const { rows, issues } = readGearCsv(csv, LOW_WATER.gear);
        expect(rows.length + issues.length).toBeLessThan(1000);
      }),
      { numRuns: 300, endOnFailure: true },
    );
  });
});

describe('names that a spreadsheet would run', () => {
  it.each(['=1+1', '+cmd', '-2+3', '@SUM(A1)', "'=quoted", "''-x", '=HYPERLINK("http://x")', 'plain', '-5', '+12 V lead'])(
    '%s is harmless in the table, and comes back',
    (name) => {
      const body = { kind: 'cable', name, ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } } as const;
      const csv = gearToCsv([{ id: '0d0c0000-0000-4000-8000-000000000001', body }]);
      const cells = csv.split('\r\n')[1]!.split(',').map((cell) => cell.replace(/^"/, '')); // prettier-ignore
      for (const cell of cells) expect(/^[=+\-@\t\r]/.test(cell) && !/^[+-]?\d+$/.test(cell)).toBe(false);
      expect(readGearCsv(csv).rows[0]!.body).toEqual(body);
    },
  );
});
