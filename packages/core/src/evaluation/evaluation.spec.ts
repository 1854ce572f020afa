import { LOW_WATER } from '../demo/low-water';
import { LOW_WATER_DAY } from '../demo/low-water-day';
import { LOW_WATER_SHEETS } from '../demo/low-water-sheets';
import { PLAN_FORMAT, PLAN_VERSION } from '../document/plan';
import type { Plan } from '../document/plan';
import { weightsOf } from '../feed/weights';
import type { Device } from '../gear/gear';
import { evaluate, planIssues } from './evaluate';

const PLAN: Plan = { format: PLAN_FORMAT, version: PLAN_VERSION, gear: LOW_WATER.gear, rigs: LOW_WATER.rigs };

describe('an evaluation', () => {
  const evaluation = evaluate(PLAN);

  it('answers every rig with a range, what matters, what the gauges show, and what it costs', () => {
    expect(evaluation.rigs.map(({ name }) => name)).toEqual(LOW_WATER.rigs.map(({ body }) => body.name));
    for (const { answer, range, sensitivities, cost, indicators } of evaluation.rigs) {
      expect(answer.figures.length).toBeGreaterThan(3);
      expect(cost).toBeGreaterThan(0);
      expect(indicators.length).toBeGreaterThan(0);
      if (answer.verdict === 'stop') expect([range, sensitivities]).toEqual([undefined, []]);
      else {
        expect(range!.p10Min!).toBeLessThanOrEqual(range!.p90Min!);
        expect(sensitivities.length).toBeGreaterThan(0);
      }
    }
  });

  it('tells the phase in which something is found, and what was assumed with how far off it may be', () => {
    const wheelhouse = LOW_WATER.rigs.find(({ body }) => body.name === 'Wheelhouse')!;
    const [camera] = wheelhouse.body.devices;
    const body = LOW_WATER.gear.find(({ id }) => id === camera!.gearId)!.body as Device;
    const heavy: Device = { ...body, modes: [{ id: 'burst', name: 'burst', draw: { basis: 'maker', powerW: 45 } }] };
    const phases = [{ name: 'talk', minutes: 20, devices: [] }, { name: 'burst', minutes: 5, devices: [{ gearId: camera!.gearId, mode: 'burst' }] }];
    const gear = LOW_WATER.gear.map((item) => (item.id === camera!.gearId ? { ...item, body: heavy } : item));
    const [told] = evaluate({ ...PLAN, gear, rigs: [{ ...wheelhouse, body: { ...wheelhouse.body, phases } }] }).rigs;
    expect(told!.answer.findings.find(({ phase }) => phase)).toMatchObject({ code: 'adapter-overloaded', phase: { number: 2, name: 'burst', fromMin: 20 } });
    const assumed = told!.answer.figures.filter(({ from, range }) => from === 'assumed' && range);
    expect(assumed.length).toBeGreaterThan(1);
    for (const { value, range } of assumed) expect(range!.low <= value && value <= range!.high).toBe(true);
  }); // prettier-ignore

  it('is plain JSON: nothing that does not survive the wire', () => {
    const sent = JSON.parse(JSON.stringify(evaluation)) as typeof evaluation;
    expect(sent).toEqual(evaluation);
    expect(JSON.stringify(evaluation)).not.toMatch(/:null|NaN|Infinity/);
  });

  it('searches only when asked, for the rigs asked, by the weights asked', () => {
    const id = LOW_WATER.rigs[2]!.id;
    const asked = evaluate({ ...PLAN, ask: { rigs: [id], feeds: true, purchases: true, runs: 0, weights: { price: 50, zebra: 9 } } }).rigs;
    expect(asked.map((rig) => rig.id)).toEqual([id]);
    expect(asked[0]!.feeds![0]!.feeds.length).toBeGreaterThan(1);
    expect(asked[0]!.purchases).toHaveLength(1);
    expect(asked[0]!.range).toBeUndefined();
    expect(asked[0]!.points.price).toBeCloseTo((50 * asked[0]!.criteria.price) / 100, 9);
    expect(weightsOf('handheld', { price: 2, zebra: 1 })).toMatchObject({ price: 2 });
    expect(evaluation.rigs[0]!.feeds).toBeUndefined();
  });
});

describe('the bench of an evaluation', () => {
  const [wheelhouse] = LOW_WATER.rigs;
  const ask = {
    checks: true,
    runs: 0,
    sizes: [
      { tool: 'fuse', continuousA: 4, wireMaxA: 6 },
      { tool: 'fuse', continuousA: 4.1, wireMaxA: 6 },
    ],
    faults: [{ rigId: wheelhouse!.id, symptom: 'flashes-and-dies', answers: [{ test: 'wiggle', answer: 'changes' }] }],
  } as const;
  const { rigs, bench } = evaluate({ ...PLAN, sheets: LOW_WATER_SHEETS, ask });
  const check = (name: string) => rigs.find((rig) => rig.name === name)!.check!;

  it('tells each rig’s joints with its newest sheet: passed, stopped with what is behind it closed, or not measured', () => {
    expect(check('Wheelhouse')).toMatchObject({ standing: 'passed', reopened: [] });
    const board = check('Skuadon on the blue board');
    expect(board.standing).toBe('stopped');
    expect(board.steps.find(({ verdict }) => verdict === 'stop')).toMatchObject({
      reading: 9.4,
      reason: expect.stringContaining('Do not connect'),
    });
    expect(board.steps.at(-1)).toMatchObject({ closed: true });
    expect(check('Monitor on the drawer lead').steps.find(({ verdict }) => verdict === 'stop')?.reason).toContain('exchanged');
    expect(check('Deck').standing).toBe('none');
  });

  it('finds the third contact that is live and the weak group among the sheets; answers sizes and faults', () => {
    expect(bench?.sheets).toMatchObject([
      { kind: 'contacts', verdict: 'stop', says: expect.arrayContaining([expect.stringContaining('Never put it in')]) },
      { kind: 'taps', verdict: 'caution', says: [expect.stringContaining('Group 2 is weak')] },
    ]);
    expect(bench?.sizes).toMatchObject([{ tool: 'fuse', fuseA: 5 }, { tool: 'fuse', fuseA: null }]); // prettier-ignore
    expect(bench?.faults?.[0]?.causes[0]?.cause).toBe('contact-loose');
    expect(evaluate(PLAN).bench).toBeUndefined();
  });
});

describe('what is not evaluated', () => {
  it('identifiers used twice, circles, and too much at once are named with their place', () => {
    const codes = (plan: Plan) => planIssues(plan).map(({ path: at, code }) => `${at} ${code}`);
    expect(codes(PLAN)).toEqual([]);
    expect(codes({ ...PLAN, gear: [...PLAN.gear, PLAN.gear[0]!] })).toEqual([`/gear/${PLAN.gear.length}/id id-twice`]);
    const hubs = PLAN.gear.filter(({ body }) => body.name.startsWith('Splitter')).map(({ id }) => id);
    const circle = { ...PLAN.rigs[0]!.body, links: [{ from: { gearId: hubs[0]!, portId: 'p1' }, to: { gearId: hubs[0]!, portId: 'in' } }] };
    expect(codes({ ...PLAN, rigs: [{ id: PLAN.rigs[0]!.id, body: circle }] })).toEqual(['/rigs/0/body/links cyclic']);
    expect(codes({ ...PLAN, ask: { runs: 20_000 } })).toEqual(['/ask/runs too-much-asked']);
    expect(codes({ ...PLAN, ask: { alternatives: true } })).toEqual(['/ask too-much-asked']);
  });
});

describe('days of a document', () => {
  const days = [LOW_WATER_DAY];

  it('are run where that is asked for, and only then', () => {
    const runs = { runs: 0, rigs: [] };
    expect(evaluate({ ...PLAN, days, ask: runs }).days).toBeUndefined();
    const [day] = evaluate({ ...PLAN, days, ask: { ...runs, days: true } }).days!;
    expect([day!.plan, day!.chances]).toEqual([undefined, undefined]);
    expect(day!.topUps.some(({ worth }) => worth)).toBe(true);
    expect(day!.indicators.length).toBeGreaterThan(10);
    expect(day).toMatchObject({ id: LOW_WATER_DAY.id, name: 'Day 2, out with the pilots', issues: [] });
    expect(day!.blocks).toHaveLength(LOW_WATER_DAY.body.blocks.length);
    expect(day!.gaps.length).toBeGreaterThan(0);
    expect(day!.charging.notReady.map(({ battery }) => battery)).toContain('V5: Holmvik 196');
    // plain data, as it is sent
    expect(JSON.parse(JSON.stringify(day))).toEqual(day);
  });

  it('are planned, and run with random draws, where that is asked for', () => {
    const ask = { rigs: [], days: true, plans: true, dayRuns: 20, seed: 4 };
    const [day] = evaluate({ ...PLAN, days, ask }).days!;
    expect(day!.plan).toMatchObject({ unmet: [], cost: { interruptions: 0 } });
    expect(day!.chances).toMatchObject({ runs: 20, seed: 4 });
    expect(Object.keys(day!.chances!.blocks)).toHaveLength(LOW_WATER_DAY.body.blocks.length);
    expect(JSON.parse(JSON.stringify(day))).toEqual(day);
    const swaps = day!.plan!.swaps;
    const [again] = evaluate({ ...PLAN, days: [{ ...LOW_WATER_DAY, body: { ...LOW_WATER_DAY.body, swaps, charges: day!.plan!.charges } }], ask: { rigs: [], days: true } }).days!; // prettier-ignore
    expect(again!.figures.gapMin).toBe(0);
    expect(again!.needed).toHaveLength(day!.plan!.charges.length);
  });

  it('are refused where more is asked of them than one evaluation does', () => {
    const five = Array.from({ length: 5 }, (_, index) => ({ id: `d${index}`, body: LOW_WATER_DAY.body }));
    const refused = (ask: object, all: typeof five = five) =>
      planIssues({ ...PLAN, days: all, ask: { days: true, ...ask } }).map(({ path }) => path);
    expect(refused({})).toEqual([]);
    expect(refused({ plans: true })).toEqual(['/ask/plans']);
    expect(refused({ dayRuns: 2000 })).toEqual(['/ask/dayRuns']);
    const charge = { batteryId: LOW_WATER.gear[0]!.id, chargerId: LOW_WATER.gear[1]!.id, fromMin: 0, toMin: 60 };
    const busy = { ...LOW_WATER_DAY.body, charges: Array.from({ length: 30 }, () => charge) };
    expect(refused({}, five.map(({ id }) => ({ id, body: busy })))).toEqual(['/ask/days']); // prettier-ignore
  });

  it('are refused where they are too many, and told what is wrong in them', () => {
    const many = Array.from({ length: 200 }, (_, index) => ({ id: `d${index}`, body: LOW_WATER_DAY.body }));
    expect(planIssues({ ...PLAN, days: many, ask: { days: true } })).toMatchObject([{ path: '/ask/days', code: 'too-much-asked' }]);
    const [first, ...rest] = LOW_WATER_DAY.body.blocks;
    const body = { ...LOW_WATER_DAY.body, zone: 'Skarnholm', blocks: [{ ...first!, toMin: first!.fromMin, placeId: 'moon' }, ...rest] };
    const [day] = evaluate({ ...PLAN, days: [{ id: 'd', body }], ask: { rigs: [], days: true } }).days!;
    expect(day!.issues.map(({ path, code }) => [path, code])).toEqual([
      ['/zone', 'no-such-zone'],
      ['/blocks/0/toMin', 'ends-before-it-begins'],
      ['/blocks/0/placeId', 'no-such-place'],
    ]);
  });
});
