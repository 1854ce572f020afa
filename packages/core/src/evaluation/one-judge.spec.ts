import { LIMIT_TRIALS } from '../../testing/trials/limits';
import { TIME_TRIALS } from '../../testing/trials/times';
import { WORD_TRIALS } from '../../testing/trials/words';
import { assess } from '../answer/assess';
import { attention } from '../attention/concerns';
import { withReading } from '../bench/joints/standing';
import { checkSteps } from '../bench/joints/steps';
import { measuredFindings, measuredOf } from '../bench/measured/measured-findings';
import type { Sheet, SheetEntry, SheetOf } from '../bench/sheet/sheet-shape';
import { DaySimulation } from '../day/run/simulate';
import type { Day } from '../day/shape/day';
import { LOW_WATER } from '../demo/low-water';
import { LOW_WATER_DAY } from '../demo/low-water-day';
import type { Plan } from '../document/plan';
import type { Gear } from '../gear/gear';
import type { Rig } from '../rig/drawn/rig';
import { powerSheet } from '../words/en/travel/power-sheet';
import { evaluate } from './evaluate';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const log = { observations: [], recordings: [], gear, rigs: new Map<string, Rig>() };
const entry = (body: Sheet): SheetEntry => ({ id: '0d0c0000-0000-4000-8000-00000000f001', body });

/** A sheet on which plus and minus of the first joint with volts are exchanged; undefined where a rig has no joint. */
function reversed(rigId: string, rig: Rig, kit: ReadonlyMap<string, Gear> = gear): SheetEntry | undefined {
  const step = checkSteps(rig, kit).find(({ is }) => is === 'open');
  if (!step) return undefined;
  const empty: SheetOf<'joints'> = { kind: 'joints', rigId, at: '2026-01-11T18:00', readings: [] };
  return entry(withReading(empty, step, -(step.maxV ?? 8)));
}

/** The day of the demo with one rig alone, shot from eight to nine. */
const dayOf = (rigId: string): Day => ({
  ...LOW_WATER_DAY.body,
  rigIds: [rigId],
  blocks: [{ ...LOW_WATER_DAY.body.blocks[0]!, id: 'one', kind: 'record', rigId, fromMin: 480, toMin: 540 }],
  swaps: [],
  charges: [],
  cardChanges: [],
});

/** What each place says of a rig. */
function everywhere(rigId: string, rig: Rig, kit: ReadonlyMap<string, Gear>, sheets: readonly SheetEntry[]) {
  const rigs = new Map([[rigId, rig]]);
  const plan = { gear: [...kit].map(([id, body]) => ({ id, body })), rigs: [{ id: rigId, body: rig }], sheets } as unknown as Plan;
  const day = dayOf(rigId);
  const run = new DaySimulation(day, kit, rigs, undefined, measuredOf(rigs, kit, sheets)).run();
  return {
    answer: assess(rig, kit, { measured: measuredFindings(rigId, rig, kit, sheets) }).verdict,
    document: evaluate(plan).rigs[0]!.answer.verdict,
    today: attention({ rigs, gear: kit, day: undefined, log, sheets, today: '2026-01-12' }).rigs[0]!.answer.verdict,
    sheet: powerSheet({ gear: kit, rigs, day: undefined, trip: undefined, sheets }).rigs[0]!.verdict,
    dark: run.gaps.some(({ blockId }) => blockId === 'one'),
  };
}

describe('one judge: what is true in one view is true in all', () => {
  const measurable = LOW_WATER.rigs.flatMap(({ id, body }) => {
    const sheet = reversed(id, body);
    return sheet ? [[body.name, id, body, sheet] as const] : [];
  });

  it('has rigs to be tried on', () => expect(measurable.length).toBeGreaterThan(8));

  it.each(measurable)('%s: a lead measured reversed stops it everywhere', (_name, id, rig, sheet) => {
    const told = everywhere(id, rig, gear, [sheet]);
    expect(told).toEqual({ answer: 'stop', document: 'stop', today: 'stop', sheet: 'stop', dark: true });
    // and no time is told, nor how to connect it
    expect(assess(rig, gear, { measured: measuredFindings(id, rig, gear, [sheet]) }).plannedMin).toBeUndefined();
    expect(powerSheet({ gear, rigs: new Map([[id, rig]]), day: undefined, trip: undefined, sheets: [sheet] }).rigs[0]!.connecting).toEqual(
      [],
    );
  });

  it.each(measurable)('%s: says the same of it without sheets as before', (_name, id, rig) => {
    const told = everywhere(id, rig, gear, []);
    expect([told.document, told.today, told.sheet]).toEqual([told.answer, told.answer, told.answer]);
  });

  it('judges every rig that a figure was tried in the same, wherever it is told', () => {
    const rigs = [...LIMIT_TRIALS, ...WORD_TRIALS, ...TIME_TRIALS].flatMap(([field, sound, breaks]) => [
      [`${field}, sound`, sound] as const,
      [`${field}, broken`, breaks] as const,
    ]);
    expect(rigs.length).toBeGreaterThan(300);
    for (const [name, { rig, gear: kit }] of rigs) {
      const told = everywhere('rig', rig, kit, []);
      expect([name, told.document, told.today, told.sheet]).toEqual([name, told.answer, told.answer, told.answer]);
    }
  });

  it.each([['swollen'], ['recalled'], ['wet']] as const)('gear that is %s stops its rig everywhere', (what) => {
    for (const { id, body } of LOW_WATER.rigs) {
      const [link] = body.links;
      if (!link) continue;
      const kit = new Map(gear).set(link.from.gearId, { ...gear.get(link.from.gearId)!, harmed: [{ what }] });
      expect(everywhere(id, body, kit, [])).toEqual({ answer: 'stop', document: 'stop', today: 'stop', sheet: 'stop', dark: true });
    }
  });

  it.each([
    ['broken', 'stop'],
    ['lost', 'stop'],
    ['lent', 'caution'],
    ['packed', 'good'],
  ] as const)('gear that is %s makes a good rig %s', (away, verdict) => {
    const { id, body } = LOW_WATER.rigs.find(({ body: { name } }) => name === 'Wheelhouse')!;
    const of = body.links[0]!.from.gearId;
    const kit = new Map(gear).set(of, { ...gear.get(of)!, away });
    const told = everywhere(id, body, kit, []);
    expect([told.answer, told.document, told.today, told.sheet]).toEqual([verdict, verdict, verdict, verdict]);
  });

  it('what was only dropped is not known, and sound again once somebody has looked', () => {
    const { body } = LOW_WATER.rigs.find(({ body: { name } }) => name === 'Wheelhouse')!;
    const of = body.links[0]!.from.gearId;
    const verdictWith = (changes: Partial<Gear>) => assess(body, new Map(gear).set(of, { ...gear.get(of)!, ...changes } as Gear)).verdict;
    expect(verdictWith({ harmed: [{ what: 'dropped' }] })).toBe('unknown');
    expect(verdictWith({ harmed: [{ what: 'dropped', sound: true }] })).toBe('good');
    expect(verdictWith({ harmed: [{ what: 'swollen', sound: true }] })).toBe('stop');
    expect(verdictWith({ borrowed: { how: 'rented', from: 'Somebody', out: { on: '2026-01-10', damaged: true } } })).toBe('unknown');
  });

  it('a pack with a dead group, and a plate whose contacts are exchanged, stop the rigs that use them', () => {
    const { id, body } = LOW_WATER.rigs.find(({ body: { name } }) => name === 'Wheelhouse')!;
    const { from, to } = body.links[0]!;
    const taps = entry({ kind: 'taps', at: '2026-01-11T18:00', batteryId: from.gearId, volts: [4.1, 4.1, 0, 4.1] });
    expect(measuredFindings(id, body, gear, [taps]).map(({ code, verdict }) => [code, verdict])).toEqual([['groups-stop', 'stop']]);
    const contacts = (openV: number, at: string) =>
      entry({
        kind: 'contacts', name: 'Adapter', at, deviceId: body.devices[0]!.gearId, substituteId: to.gearId,
        contacts: [{ name: '1', role: 'plus', original: { openV: 8.3 }, substitute: { openV } }, { name: '2', role: 'minus' }],
      }); // prettier-ignore
    expect(measuredFindings(id, body, gear, [contacts(-8, '2026-01-10T10:00')])).toMatchObject([
      { code: 'contacts-stop', verdict: 'stop' },
    ]);
    // the newest counts
    expect(measuredFindings(id, body, gear, [contacts(-8, '2026-01-10T10:00'), contacts(8, '2026-01-11T10:00')])).toEqual([]);
  });

  it('a reading counts for no longer than what lies before its joint stays as it was', () => {
    const rig = LOW_WATER.rigs.find(({ body: { name } }) => name === 'Wheelhouse, everything on one V-mount')!;
    const steps = checkSteps(rig.body, gear);
    // devices behind a splitter, which hands on what its plate gives
    const behind = steps.filter(
      ({ fromId, is }) => is === 'open' && gear.get(fromId)?.kind === 'hub' && steps.some((one) => one.fromId !== fromId),
    );
    const plateIds = new Set(rig.body.links.filter(({ from }) => gear.get(from.gearId)?.kind === 'battery').map(({ to }) => to.gearId));
    const before = new Map(steps.map((step) => [step.id, step.facts]));
    const changed = new Map([...gear].map(([id, body]): [string, Gear] => {
      if (!plateIds.has(id) || body.kind !== 'hub') return [id, body];
      return [id, { ...body, outputs: body.outputs.map((one) => ({ ...one, gives: 'fixed', voltageV: 16, maxA: 8, fuseA: undefined }) as never) }];
    })); // prettier-ignore
    const now = new Map(checkSteps(rig.body, changed).map((step) => [step.id, step.facts]));
    expect(behind.length).toBeGreaterThan(1);
    for (const { id } of behind) expect(now.get(id)).not.toBe(before.get(id));
  });
});
