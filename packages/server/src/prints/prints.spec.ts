import { LOW_WATER, LOW_WATER_DAY, LOW_WATER_TRIPS } from '@viaggio/core/demo';
import type { Gear } from '@viaggio/core/gear';
import { TAG_FORMATS } from '@viaggio/core/travel';
import { powerSheet } from '@viaggio/core/words';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PAPERS } from './paper';
import type { PaperSize } from './paper';
import { powerSheetPdf } from './power-sheet-pdf';
import { fileName, tagLink, tagsPdf } from './tags-pdf';

interface Box {
  readonly str: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
interface Pdf {
  readonly pages: readonly {
    readonly width: number;
    readonly height: number;
    readonly text: string;
    readonly boxes: readonly Box[];
    readonly fonts: readonly { readonly name: string; readonly embedded: boolean }[];
    readonly tags: readonly string[];
  }[];
  readonly bookmarks: readonly { readonly title: string; readonly below: readonly string[] }[];
  readonly isTagged: boolean;
  readonly title: string;
  readonly language: string;
}

const folder = mkdtempSync(path.join(tmpdir(), 'viaggio-prints-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function readBack(bytes: Buffer): Pdf {
  const file = path.join(folder, 'read.pdf');
  writeFileSync(file, bytes);
  const printed = execFileSync(process.execPath, [path.join(__dirname, '../../testing/read-pdf.mjs'), file], {
    encoding: 'utf8',
    maxBuffer: 2e8,
  });
  return JSON.parse(printed) as Pdf;
}

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const day = LOW_WATER_DAY.body;
const sheet = powerSheet({ gear, rigs, day, trip: LOW_WATER_TRIPS[0]!.body });

/** Two texts on one page whose letters lie over each other. */
function overlaps(boxes: readonly Box[]): readonly string[] {
  const found: string[] = [];
  boxes.forEach((one, at) => {
    for (const other of boxes.slice(at + 1)) {
      const wide = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
      const high = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y);
      if (wide > 1 && high > 0.4 * Math.min(one.height, other.height)) found.push(`${one.str} / ${other.str}`);
    }
  });
  return found;
}

describe.each(Object.keys(PAPERS) as PaperSize[])('the power sheet on %s', (size) => {
  let pdf: Pdf;
  beforeAll(async () => {
    pdf = readBack(await powerSheetPdf(sheet, size, '2026-01-11 18:00 UTC'));
  });

  it('is of that paper, with its title and language', () => {
    const [width, height] = size === 'a4' ? [595, 842] : [612, 792];
    for (const page of pdf.pages) expect([Math.round(page.width), Math.round(page.height)]).toEqual([width, height]);
    expect(pdf).toMatchObject({ isTagged: true, title: 'Power sheet: Day 2, out with the pilots', language: 'en' });
  });

  it('has a bookmark for the sheet and for each rig, the parts below', () => {
    expect(pdf.bookmarks.map(({ title }) => title)).toEqual([`Power sheet: ${day.name}`, ...sheet.rigs.map(({ title }) => title)]);
    expect(pdf.bookmarks[1]!.below).toEqual(expect.arrayContaining(['Energy path', 'Which gauge to believe', 'Order of connecting']));
  });

  it('says all that the sheet says, in text that can be selected', () => {
    const text = pdf.pages.map((page) => page.text).join(' ').replaceAll(' ', ''); // prettier-ignore
    const says = [
      ...sheet.cautions,
      ...sheet.people.map(({ name }) => name),
      ...sheet.batteries.flatMap(({ title, goesInto }) => [title, goesInto]),
      ...sheet.rigs.flatMap(({ runs, findings, gauges, fallbacks, connecting, changes }) => [
        runs,
        ...findings.flatMap(({ says: sentence, remedy }) => [sentence, remedy ?? '']),
        ...gauges.map(({ why }) => why),
        ...fallbacks.map(({ then }) => then),
        ...connecting,
        ...changes.map(({ says: act }) => act),
      ]),
      ...sheet.charging!.rows.map(({ battery }) => battery),
    ];
    expect(says.filter((one) => !text.includes(one.replaceAll(/\s/g, '')))).toEqual([]);
  });

  it('stays within the page, and nothing is written over anything', () => {
    for (const { boxes, width, height } of pdf.pages) {
      expect(
        boxes.filter(({ x, y, width: wide, height: high }) => x < 30 || x + wide > width - 30 || y < 30 || y + high > height - 30),
      ).toEqual([]);
      expect(overlaps(boxes)).toEqual([]);
    }
  });

  it('is tagged: headings, tables with heads, lists, drawings with words; its fonts are in it', () => {
    const tags = new Set(pdf.pages.flatMap((page) => page.tags.map((tag) => tag.split(':')[0])));
    for (const tag of ['H1', 'H2', 'P', 'L', 'LI', 'Table', 'TR', 'TH', 'TD', 'Figure']) expect(tags).toContain(tag);
    const figures = pdf.pages.flatMap((page) => page.tags.filter((tag) => tag.startsWith('Figure: ')));
    expect(figures).toContainEqual(expect.stringMatching(/^Figure: Energy path to Skuadon 60: Holmvik 147 12 V to 16\.8 V, then /));
    for (const { fonts } of pdf.pages) for (const font of fonts) expect(font.embedded).toBe(true);
  });
});

it('a table that is longer than a page has its head on each', async () => {
  const batteries = Array.from({ length: 120 }, (_, at) => ({
    title: `X${at}: Holmvik 95`,
    holds: '95 Wh',
    charge: '100 %',
    where: 'case 1',
    goesInto: 'spare',
  }));
  const pdf = readBack(await powerSheetPdf({ ...sheet, rigs: [], charging: undefined, batteries }, 'a4', 'now'));
  const pages = pdf.pages.filter(({ text }) => /X\d+: Holmvik/.test(text));
  expect(pages.length).toBeGreaterThan(2);
  for (const { text } of pages) expect(text).toContain('Battery Holds Charge Where it is Goes into');
  for (let at = 0; at < 120; at++) expect(pages.filter(({ text }) => text.includes(`X${at}: `))).toHaveLength(1);
});

it('names of other scripts are printed in the fonts that are there', async () => {
  const strange = {
    ...sheet,
    rigs: [],
    charging: undefined,
    batteries: [],
    title: 'Ærø → Дом, Ωmega, Łódź',
    people: [{ id: 'a', name: 'Zoë Żak' }],
  };
  const [page] = readBack(await powerSheetPdf(strange, 'a4', 'now')).pages;
  expect(page!.text).toContain('Ærø → Дом, Ωmega, Łódź');
  expect(page!.text).toContain('Zoë Żak');
});

describe('tags', () => {
  const some = LOW_WATER.gear.filter(({ body }) => body.kind === 'battery' || body.kind === 'cable');

  it.each(Object.entries(TAG_FORMATS))(
    '%s: each on its label, within it, none twice',
    async (format, { paper, across, down, width, height }) => {
      const pdf = readBack(
        await tagsPdf({ gear: some, format: format as keyof typeof TAG_FORMATS, skip: 0, origin: 'http://192.168.1.20:4377' }),
      );
      expect(pdf.pages).toHaveLength(Math.ceil(some.length / (across * down)));
      const [first] = pdf.pages;
      expect([Math.round(first!.width), Math.round(first!.height)]).toEqual(paper.map((mm) => Math.round((mm * 72) / 25.4)));
      // the grid of the sheet lies within its paper
      const of = TAG_FORMATS[format as keyof typeof TAG_FORMATS];
      expect(of.left + across * width + (across - 1) * of.gapX).toBeLessThanOrEqual(paper[0] + 0.01);
      expect(of.top + down * height + (down - 1) * of.gapY).toBeLessThanOrEqual(paper[1] + 0.01);
      for (const page of pdf.pages) expect(overlaps(page.boxes)).toEqual([]);
      const codes = pdf.pages.flatMap(({ tags }) => tags.filter((tag) => tag.startsWith('Figure')));
      expect(codes).toEqual(some.map(({ id }) => `Figure: Code with the link ${tagLink('http://192.168.1.20:4377', id)}`));
    },
  );

  it('begins where the sheet is free', async () => {
    const pdf = readBack(await tagsPdf({ gear: some.slice(0, 3), format: 'a4-24', skip: 23, origin: 'http://x' }));
    expect(pdf.pages).toHaveLength(2);
    const [last, next] = pdf.pages;
    expect(Math.min(...last!.boxes.map(({ x }) => x))).toBeGreaterThan((2 * last!.width) / 3);
    expect(Math.min(...next!.boxes.map(({ x }) => x))).toBeLessThan(next!.width / 3);
  });

  it('prints watt-hours that count, and not what was measured', async () => {
    const battery = gear.get(LOW_WATER.gear.find(({ body }) => body.tag === 'V2')!.id)! as Extract<Gear, { kind: 'battery' }>;
    const of = (body: Gear) => tagsPdf({ gear: [{ id: 'x', body }], format: 'one-62', skip: 0, origin: 'http://x' });
    expect(readBack(await of({ ...battery, labelWh: 98, energyWh: 81 })).pages[0]!.text).toContain('98 Wh');
    expect(readBack(await of({ ...battery, from: { energyWh: 'measured' } })).pages[0]!.text).not.toContain('Wh');
  });
});

it.each([
  ['Power sheet, Day 2', 'Power sheet, Day 2.pdf'],
  ['../../etc\n"x"', '.. .. etc x.pdf'],
  ['/', 'Viaggio.pdf'],
])('a file for “%s” is called %s', (title, name) => expect(fileName(title)).toBe(name));
