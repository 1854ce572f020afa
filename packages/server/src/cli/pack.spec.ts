import { assess } from '@viaggio/core/answer';
import { LOW_WATER, LOW_WATER_DAY, LOW_WATER_RULES, LOW_WATER_TRIPS } from '@viaggio/core/demo';
import type { Gear } from '@viaggio/core/gear';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { packText } from './pack';
import { run } from './run';

const folder = mkdtempSync(path.join(tmpdir(), 'viaggio-pack-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const document = {
  format: 'viaggio-plan',
  version: 2,
  ...LOW_WATER,
  days: [LOW_WATER_DAY],
  rules: LOW_WATER_RULES,
  trips: LOW_WATER_TRIPS,
};
const file = path.join(folder, 'plan.json');
writeFileSync(file, JSON.stringify(document));
const TRIP = LOW_WATER_TRIPS[0]!;

interface Packed {
  readonly things: readonly { readonly title: string; readonly bag?: string; readonly why: readonly string[]; readonly suggested: boolean }[];
  readonly flight: { readonly possible: unknown; readonly batteries: readonly { readonly title: string; readonly verdict: string; readonly carriedBy?: string; readonly legs: readonly { readonly rule: string; readonly asOf: string }[] }[] };
  readonly bags: readonly { readonly over: unknown; readonly things: readonly string[] }[];
  readonly lostBags: readonly { readonly bag: string; readonly stops: readonly { readonly rig: string }[] }[];
  readonly lacks: readonly { readonly says: string }[];
  readonly rigs: readonly { readonly id: string; readonly verdict: string; readonly stops: readonly string[] }[];
} // prettier-ignore

function pack(text: string, trip: string) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = packText(text, trip, { out: (line) => out.push(line), err: (line) => err.push(line) }, '2026-01-11');
  return { code, answer: out[0] === undefined ? undefined : (JSON.parse(out[0]) as Packed), err };
}

describe('viaggio pack', () => {
  it('prints the list, who carries what, each verdict by leg with rule and date, and what a lost bag stops', () => {
    const { code, answer } = pack(JSON.stringify(document), TRIP.id);
    expect(code).toBe(0);
    const { things, flight, bags, lostBags, lacks, rigs } = answer!;
    const bodies = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
    expect(rigs.length).toBeGreaterThan(2);
    for (const { id, verdict, stops } of rigs) {
      expect([id, verdict]).toEqual([id, assess(LOW_WATER.rigs.find((one) => one.id === id)!.body, bodies).verdict]);
      expect(stops.length > 0).toBe(verdict === 'stop');
    }
    expect(things.every(({ bag, suggested }) => bag !== undefined && suggested)).toBe(true);
    expect(things.find(({ title }) => title.startsWith('V6'))!.why[0]).toMatch(/^spare for V3/);
    expect(bags.flatMap((bag) => bag.things)).toHaveLength(things.length);
    expect(bags.some(({ over }) => over === true)).toBe(false);
    const v3 = flight.batteries.find(({ title }) => title.startsWith('V3'))!;
    expect(v3).toMatchObject({ verdict: 'approval', carriedBy: expect.any(String) });
    expect(v3.legs).toHaveLength(2);
    for (const { rule, asOf } of v3.legs) expect([rule, asOf]).toEqual([expect.stringContaining('147 Wh'), '2026-01']);
    expect(flight.possible).toBe(true);
    expect(lostBags.find(({ bag }) => bag === 'Crate on the supply boat')!.stops.map(({ rig }) => rig)).toEqual(['Breakwater']);
    expect(lacks.length).toBeGreaterThan(5);
  });

  it('finds a trip by its name; tells those that there are where there is none', () => {
    expect(pack(JSON.stringify(document), TRIP.body.name).code).toBe(0);
    expect(pack(JSON.stringify(document), 'Home').err[0]).toContain(`${TRIP.id} (${TRIP.body.name})`);
    expect(pack(JSON.stringify({ ...document, trips: [] }), 'Home').err[0]).toBe(
      '--trip: expected a trip, and the file holds none; got “Home”.',
    );
  });

  it('a leg with rules that are not there, or a bag of a kind that is none, is refused by its field', () => {
    const broken = { ...document, trips: [{ ...TRIP, body: { ...TRIP.body, bags: [{ id: 'x', name: 'X', goes: 'pocket' }] } }] };
    expect(pack(JSON.stringify(broken), TRIP.id).err.join(' ')).toMatch(/trips\/0\/body\/bags\/0\/goes/);
  });
});

describe('viaggio sheet', () => {
  const sheet = async (...args: string[]) => {
    const [out, err]: [string[], string[]] = [[], []];
    const code = await run(['sheet', ...args], { out: (line) => out.push(line), err: (line) => err.push(line) });
    return { code, out: out.join('\n'), err: err.join('\n') };
  };

  it('writes a PDF of a day, or of a rig', async () => {
    const [day, rig] = [path.join(folder, 'day.pdf'), path.join(folder, 'rig.pdf')];
    expect((await sheet(file, '--day', LOW_WATER_DAY.id, '--out', day)).code).toBe(0);
    expect(readFileSync(day).subarray(0, 5).toString()).toBe('%PDF-');
    expect((await sheet(file, '--rig', 'Deck', '--paper', 'letter', '--out', rig)).code).toBe(0);
    expect(readFileSync(rig).length).toBeLessThan(readFileSync(day).length);
  });

  it.each([
    ['neither a day nor a rig', ['--out', 'x.pdf'], /--day is missing/],
    ['a paper that is none', ['--day', 'x', '--paper', 'a3', '--out', 'x.pdf'], /--paper: expected a4 or letter; got “a3”/],
    ['a day that is not there', ['--day', 'Tomorrow', '--out', 'x.pdf'], /--day: expected one of/],
    ['a folder that is not there', ['--day', LOW_WATER_DAY.id, '--out', path.join(folder, 'no/such/sheet.pdf')], /no such file/i],
  ])('%s is told, and nothing is written', async (_what, args, says) => {
    const { code, err } = await sheet(file, ...args);
    expect(code).not.toBe(0);
    expect(err).toMatch(says);
    expect(existsSync('x.pdf')).toBe(false);
  });
});
