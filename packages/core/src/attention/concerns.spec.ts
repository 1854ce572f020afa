import type { Day } from '../day/shape/day';
import { LOW_WATER } from '../demo/low-water';
import { LOW_WATER_DAY } from '../demo/low-water-day';
import { LOW_WATER_LOG } from '../demo/low-water-log';
import { LOW_WATER_SHEETS } from '../demo/low-water-sheets';
import type { Gear } from '../gear/gear';
import type { Rig } from '../rig/drawn/rig';
import { sayReading } from '../words/en/bench/joint-words';
import { attention, verdictOfConcern } from './concerns';
import type { Concern } from './concerns';
import { nearestDay } from './nearest-day';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map<string, Rig>(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const log = { observations: LOW_WATER_LOG, recordings: [], gear, rigs };
const demoDay = LOW_WATER_DAY;
const rigCalled = (name: string): ReadonlyMap<string, Rig> => new Map([...rigs].filter(([, body]) => body.name === name));
const asked = (over: Partial<Parameters<typeof attention>[0]>) =>
  attention({ rigs, gear, day: undefined, log, today: '2026-01-12', ...over });
const only = <K extends Concern['is']>(concerns: readonly Concern[], is: K) =>
  concerns.filter((concern): concern is Extract<Concern, { is: K }> => concern.is === is);

describe('what concerns somebody', () => {
  it('says of every rig that must not run why, and of none that may', () => {
    const { concerns, rigs: standing } = asked({});
    const stopped = standing.filter(({ answer }) => answer.verdict === 'stop').map(({ rigId }) => rigId);
    expect(stopped.length).toBeGreaterThan(0);
    expect(only(concerns, 'cannot-run').map(({ rigId }) => rigId)).toEqual(stopped);
    for (const { finding } of only(concerns, 'cannot-run')) expect(finding.verdict).toBe('stop');
  });

  it('holds a rig alone against the time that is asked of it, and on a day the day', () => {
    const small = rigCalled('Wheelhouse on the small battery');
    const [short] = only(asked({ rigs: small }).concerns, 'too-short');
    expect(short!.plannedMin).toBeLessThan(short!.wantedMin);
    const day = { id: demoDay.id, day: demoDay.body };
    expect(only(asked({ rigs: small, day }).concerns, 'too-short')).toEqual([]);
  });

  it('says which rigs a meter stopped, and which have changed since they were measured', () => {
    const { concerns, rigs: standing } = asked({ sheets: LOW_WATER_SHEETS });
    const stopped = only(concerns, 'check-stopped');
    expect(stopped.map(({ rig }) => rig).sort()).toEqual(['Monitor on the drawer lead', 'Skuadon on the blue board']);
    for (const concern of stopped)
      expect([verdictOfConcern(concern), sayReading(concern.checked)]).toEqual(['stop', expect.stringMatching(/connect/i)]);
    expect(standing.find(({ rig }) => rig.name === 'Wheelhouse')?.check.is).toBe('passed');
    expect(only(concerns, 'check-again')).toEqual([]);
    const wheelhouse = [...rigs.values()].find(({ name }) => name === 'Wheelhouse')!;
    const adapterId = wheelhouse.links[0]!.to.gearId;
    const adapter = gear.get(adapterId)! as Extract<Gear, { kind: 'adapter' }>;
    const other = new Map(gear).set(adapterId, { ...adapter, output: { ...adapter.output, voltageV: 7.4 } });
    const again = only(asked({ gear: other, rigs: rigCalled('Wheelhouse'), sheets: LOW_WATER_SHEETS }).concerns, 'check-again');
    expect(again).toMatchObject([{ rig: 'Wheelhouse', joints: 2 }]);
    expect(verdictOfConcern(again[0]!)).toBe('unknown');
  });

  it('says of a rig that a meter stopped what else stops it, and never that it is short', () => {
    const blue = rigCalled('Skuadon on the blue board');
    const told = ({ concerns }: ReturnType<typeof asked>) => concerns.map(({ is }) => is).filter((is) => is !== 'measure');
    expect(told(asked({ rigs: blue, sheets: LOW_WATER_SHEETS }))).toContain('check-stopped');
    expect(told(asked({ rigs: blue, sheets: LOW_WATER_SHEETS }))).not.toContain('cannot-run');
    expect(told(asked({ rigs: blue, sheets: LOW_WATER_SHEETS }))).not.toContain('too-short');
    const [, rig] = [...blue][0]!;
    const harmed = new Map(gear);
    for (const { gearId } of rig.devices) harmed.set(gearId, { ...gear.get(gearId)!, harmed: [{ what: 'wet' }] });
    const both = asked({ rigs: blue, gear: harmed, sheets: LOW_WATER_SHEETS });
    expect(told(both)).toEqual(expect.arrayContaining(['check-stopped', 'cannot-run']));
    expect(only(both.concerns, 'cannot-run')[0]!.finding.code).toBe('gear-harmed');
  });

  it('names the rigs of a day that go dark, with their blocks and minutes', () => {
    const { charges: _charges, ...unplanned } = demoDay.body;
    const day: Day = { ...unplanned, swaps: [] };
    const { concerns, run } = asked({ day: { id: 'd', day } });
    const dark = run!.blocks.filter(({ gapMin }) => gapMin > 0);
    expect(dark.length).toBeGreaterThan(0);
    const told = only(concerns, 'goes-dark');
    expect(told.flatMap(({ blocks }) => blocks)).toHaveLength(dark.length);
    expect(told.reduce((sum, { minutes }) => sum + minutes, 0)).toBeCloseTo(
      dark.reduce((sum, { gapMin }) => sum + gapMin, 0),
      6,
    );
  });

  it('asks to charge what is known not to be full, never what nobody entered', () => {
    const all = asked({});
    const charged = only(all.concerns, 'charge');
    for (const { gearId, charge } of charged) expect(gear.get(gearId)).toMatchObject({ charge });
    const unknown = new Map([...gear].map(([id, body]) => [id, body.kind === 'battery' ? { ...body, charge: undefined } : body]));
    expect(only(asked({ gear: unknown }).concerns, 'charge')).toEqual([]);
    const low = new Map([...gear].map(([id, body]) => [id, body.kind === 'battery' ? { ...body, charge: 0.5 } : body]));
    expect(only(asked({ gear: low }).concerns, 'charge').length).toBeGreaterThan(charged.length);
  });

  it('leaves out what is lent, lost or archived', () => {
    const away = new Map(
      [...gear].map(([id, body]) => [id, body.kind === 'battery' ? { ...body, charge: 0.5, away: 'lent' as const } : body]),
    );
    const { concerns } = asked({ gear: away });
    expect([...only(concerns, 'charge'), ...only(concerns, 'fly'), ...only(concerns, 'retire')]).toEqual([]);
  });

  it('lists devices whose draw nobody measured, the hungriest first', () => {
    const measure = only(asked({}).concerns, 'measure');
    expect(measure.length).toBeGreaterThan(1);
    const watts = measure.map(({ powerW }) => powerW ?? Infinity);
    expect(watts).toEqual([...watts].sort((a, b) => b - a));
    expect(measure.every(({ from }) => from !== ('measured' as string))).toBe(true);
  });

  it('asks to measure the mode that a rig gives a device, not the one that is measured', () => {
    const id = rigCalled('Wheelhouse').keys().next().value!;
    const rig = rigs.get(id)!;
    const camera = gear.get(rig.devices[0]!.gearId) as Extract<Gear, { kind: 'device' }>;
    const withMode: Gear = { ...camera, modes: [{ id: 'fast', name: 'Fast', draw: { basis: 'maker', powerW: 21 } }] };
    const kit = new Map([...gear, [rig.devices[0]!.gearId, withMode]]);
    const measure = (modeId: string | undefined) =>
      only(asked({ rigs: new Map([[id, { ...rig, devices: [{ gearId: rig.devices[0]!.gearId, ...(modeId && { modeId }) }] }]]), gear: kit }).concerns, 'measure'); // prettier-ignore
    expect(measure(undefined)).toEqual([]);
    expect(measure('fast')).toMatchObject([{ powerW: 21, from: 'printed' }]);
  });

  it('says what cannot be judged, and what may fly of which nobody knows: a missing figure is never well', () => {
    const stills = rigCalled('Stills');
    const [, rig] = [...stills][0]!;
    const cellId = rig.links[0]!.from.gearId;
    const { energyWh: _energy, labelWh: _label, ...cell } = gear.get(cellId) as Extract<Gear, { kind: 'battery' }>;
    const { concerns } = asked({ rigs: stills, gear: new Map([...gear, [cellId, cell]]) });
    expect(only(concerns, 'cannot-tell')).toMatchObject([{ rig: 'Stills', finding: { verdict: 'unknown' } }]);
    expect(only(concerns, 'fly')).toMatchObject([{ flight: 'unknown', batteries: [{ gearId: cellId, printedWh: undefined }] }]);
    expect(verdictOfConcern(only(concerns, 'cannot-tell')[0]!)).toBe('unknown');
    expect(only(asked({ rigs: stills }).concerns, 'cannot-tell')).toEqual([]);
  });

  it('puts what harms before what is only not known', () => {
    const loud = { stop: 0, caution: 1, unknown: 2, good: 3 };
    const verdicts = asked({}).concerns.map((concern) => loud[verdictOfConcern(concern)]);
    expect(verdicts.indexOf(0)).toBe(0);
    expect(verdicts.lastIndexOf(0)).toBeLessThan(verdicts.indexOf(1));
  });
});

describe('the day that is prepared', () => {
  const days = (...dates: string[]) => dates.map((date) => ({ id: date, body: { ...demoDay.body, date, days: 1 } }));
  it.each([
    ['the next to come', days('2026-01-10', '2026-01-14', '2026-02-01'), '2026-01-12', '2026-01-14', 2],
    ['the one that goes on', days('2026-01-12', '2026-01-13'), '2026-01-12', '2026-01-12', 0],
    ['the last that was, where none comes', days('2026-01-10', '2026-01-02'), '2026-01-12', '2026-01-10', -2],
    ['one of several days that goes on', [{ id: 'long', body: { ...demoDay.body, date: '2026-01-10', days: 4 } }], '2026-01-12', 'long', 0],
  ])('%s', (_what, all, today, id, inDays) => expect(nearestDay(all, today)).toMatchObject({ id, inDays }));

  it('is none where there is none', () => expect(nearestDay([], '2026-01-12')).toBeUndefined());
});
