import { spoken } from '../../../testing/spoken';
import { areOld, USUAL_FLIGHT_RULES } from './flight-rules';
import { flyIssues, whatMayFly } from './fly';
import type { FlyingBattery } from './fly';
import { shareOut } from './who-carries';
import type { Carried } from './who-carries';
import fc from 'fast-check';

const spare = (over: Partial<FlyingBattery>): FlyingBattery => ({ id: 'a', chemistry: 'li-ion', role: 'spare', ...over });
const verdictOf = (over: Partial<FlyingBattery>) => whatMayFly({ people: 2, batteries: [spare(over)] }).batteries[0]!.verdict;

describe('what may fly, both sides of each limit', () => {
  const lithium = ['li-ion', 'li-ion-hv', 'lifepo4'] as const;
  const roles = ['spare', 'installed'] as const;
  const limits: [string, Partial<FlyingBattery>, string][] = lithium.flatMap((chemistry) =>
    roles.flatMap((role): [string, Partial<FlyingBattery>, string][] => [
      [`${chemistry} ${role} 100.0 Wh`, { chemistry, role, energyWh: 100 }, 'free'],
      [`${chemistry} ${role} 100.1 Wh`, { chemistry, role, energyWh: 100.1 }, 'approval'],
      [`${chemistry} ${role} 160.0 Wh`, { chemistry, role, energyWh: 160 }, 'approval'],
      [`${chemistry} ${role} 160.1 Wh`, { chemistry, role, energyWh: 160.1 }, 'never'],
      [`${chemistry} ${role} 14.4 V × 6.9 Ah`, { chemistry, role, voltageV: 14.4, capacityAh: 6.9 }, 'free'],
      [`${chemistry} ${role} 14.4 V × 7 Ah`, { chemistry, role, voltageV: 14.4, capacityAh: 7 }, 'approval'],
      [`${chemistry} ${role} 20 V × 8.01 Ah`, { chemistry, role, voltageV: 20, capacityAh: 8.01 }, 'never'],
      [`${chemistry} ${role} damaged`, { chemistry, role, energyWh: 20, damaged: true }, 'never'],
      [`${chemistry} ${role} home-made`, { chemistry, role, energyWh: 20, homeMade: true }, 'approval'],
      [`${chemistry} ${role} home-made, over`, { chemistry, role, energyWh: 161, homeMade: true }, 'never'],
    ]),
  );
  const others: [string, Partial<FlyingBattery>, string][] = [
    ['lead-acid 12 V 100 Wh', { chemistry: 'agm', voltageV: 12, energyWh: 100 }, 'free'],
    ['lead-acid 12 V 100.1 Wh', { chemistry: 'agm', voltageV: 12, energyWh: 100.1 }, 'never'],
    ['lead-acid 12.1 V', { chemistry: 'agm', voltageV: 12.1, energyWh: 50 }, 'never'],
    ['lead-acid 12 V × 8.3 Ah', { chemistry: 'agm', voltageV: 12, capacityAh: 8.3 }, 'free'],
    ['lead-acid 12 V × 8.4 Ah', { chemistry: 'agm', voltageV: 12, capacityAh: 8.4 }, 'never'],
    ['spillable', { chemistry: 'agm', voltageV: 12, energyWh: 50, spillable: true }, 'never'],
    ['lithium metal 2 g', { chemistry: 'lithium-metal', lithiumG: 2 }, 'free'],
    ['lithium metal 2.1 g', { chemistry: 'lithium-metal', lithiumG: 2.1 }, 'approval'],
    ['lithium metal 8 g', { chemistry: 'lithium-metal', lithiumG: 8 }, 'approval'],
    ['lithium metal 8.1 g', { chemistry: 'lithium-metal', lithiumG: 8.1 }, 'never'],
    ['NiMH of any size', { chemistry: 'nimh', energyWh: 300 }, 'free'],
    ['alkaline, nothing printed', { chemistry: 'alkaline' }, 'free'],
    ['damaged NiMH', { chemistry: 'nimh', damaged: true }, 'never'],
  ];
  it.each([...limits, ...others])('%s', (_what, over, verdict) => expect(verdictOf(over)).toBe(verdict));

  it('says the rule with its figures, its date and source; a carrier’s own rules count instead', () => {
    const strict = { ...USUAL_FLIGHT_RULES, carrier: 'Skarn Air', freeWh: 90, banks: 2 };
    const answer = whatMayFly({ people: 1, batteries: [spare({ energyWh: 95 })], rules: strict });
    expect(spoken(answer.batteries[0])).toMatchObject({ verdict: 'approval', rule: expect.stringContaining('90 Wh') });
    expect(answer.rules).toEqual({ asOf: '2026-11', source: USUAL_FLIGHT_RULES.source, carrier: 'Skarn Air' });
    expect([areOld(strict, '2027-05-01'), areOld(strict, '2027-06-01')]).toEqual([false, true]);
  });

  it('asks for figures that are missing by the field', () => {
    const batteries = [spare({}), spare({ id: 'b', chemistry: 'agm', energyWh: 50 }), spare({ id: 'b', chemistry: 'lithium-metal' })];
    expect(flyIssues({ people: 1, batteries }).map(({ path }) => path)).toEqual([
      '/batteries/0/energyWh',
      '/batteries/1/voltageV',
      '/batteries/2/id',
      '/batteries/2/lithiumG',
    ]);
  });
});

describe('who carries what', () => {
  const batteries = (count: number, over: Partial<FlyingBattery> = {}) =>
    Array.from({ length: count }, (_, at) => spare({ id: `b${at}`, energyWh: 147, ...over }));

  it('two spares each of those that need approval; says the least that would do beyond', () => {
    expect(whatMayFly({ people: 2, batteries: batteries(4) })).toMatchObject({ possible: true, short: [] });
    const over = whatMayFly({ people: 2, batteries: batteries(5) });
    expect(over.possible).toBe(false);
    expect(over.short.map(spoken)).toEqual([expect.stringMatching(/^Leave b\d at home/), 'Or one person more (3).']);
    expect(over.batteries.filter(({ carriedBy }) => carriedBy === undefined)).toHaveLength(1);
  });

  it('leaves at home what is missed least: the smallest of those over, and each keeps the largest', () => {
    const spares = [40, 95, 147, 80].map((energyWh, at): Carried => ({
      id: `b${at}`,
      approval: false,
      bank: true,
      leadAcid: false,
      energyWh,
    }));
    const { by, left } = shareOut(spares, 1, { ...USUAL_FLIGHT_RULES, banks: 2 });
    expect([...by.keys()].sort()).toEqual(['b1', 'b2']);
    expect([...left].sort()).toEqual(['b0', 'b3']);
  });

  it('what is installed is nobody’s spare, what may not fly makes the journey impossible as it is', () => {
    expect(whatMayFly({ people: 1, batteries: batteries(5, { role: 'installed' }) }).possible).toBe(true);
    const never = whatMayFly({ people: 1, batteries: [spare({ id: 'V5', energyWh: 196 })] });
    expect(never).toMatchObject({ possible: false, short: [{ code: 'may-not-fly', numbers: { id: 'V5' } }] });
  });

  const sort = fc.record({
    approval: fc.boolean(),
    bank: fc.boolean(),
    leadAcid: fc.constant(false),
    energyWh: fc.integer({ min: 10, max: 150 }),
  });
  const some = fc.array(sort, { maxLength: 6 }).map((all) => all.map((one, at): Carried => ({ id: `${at}`, ...one })));
  const rules = fc.record({
    approvalSpares: fc.integer({ min: 0, max: 2 }),
    banks: fc.integer({ min: 0, max: 2 }),
    spares: fc.integer({ min: 0, max: 4 }),
  });

  /** Every way of giving each spare to somebody, or to nobody: the most that can be carried. */
  function most(spares: readonly Carried[], people: number, of: { approvalSpares: number; banks: number; spares: number }): number {
    let best = 0;
    const go = (at: number, who: readonly number[]): void => {
      if (at === spares.length) {
        for (let person = 1; person <= people; person++) {
          const own = spares.filter((_, index) => who[index] === person);
          if (own.filter(({ approval }) => approval).length > of.approvalSpares || own.filter(({ bank }) => bank).length > of.banks || own.length > of.spares) return; // prettier-ignore
        }
        best = Math.max(best, who.filter((person) => person > 0).length);
        return;
      }
      for (let person = 0; person <= people; person++) go(at + 1, [...who, person]);
    };
    go(0, []);
    return best;
  }

  it('law: keeps every limit, loses nothing, gives nothing twice, and carries as much as brute force finds', () => {
    fc.assert(
      fc.property(some, fc.integer({ min: 1, max: 2 }), rules, (spares, people, of) => {
        const { by, left } = shareOut(spares, people, { ...USUAL_FLIGHT_RULES, ...of });
        expect([...by.keys(), ...left].sort()).toEqual(spares.map(({ id }) => id).sort());
        for (let person = 1; person <= people; person++) {
          const own = spares.filter(({ id }) => by.get(id) === person);
          expect(own.filter(({ approval }) => approval).length).toBeLessThanOrEqual(of.approvalSpares);
          expect(own.filter(({ bank }) => bank).length).toBeLessThanOrEqual(of.banks);
          expect(own.length).toBeLessThanOrEqual(of.spares);
        }
        expect(by.size).toBe(most(spares, people, of));
      }),
      { numRuns: 300, seed: 17 },
    );
  });

  it('of hundreds among many is shared out at once', () => {
    const many = Array.from({ length: 300 }, (_, at): Carried => ({ id: `${at}`, approval: at % 8 === 0, bank: at % 5 === 0, leadAcid: at % 31 === 0, energyWh: at })); // prettier-ignore
    const { by, left } = shareOut(many, 20, { ...USUAL_FLIGHT_RULES, banks: 3 });
    expect(by.size + left.length).toBe(300);
    expect(left.length).toBeLessThan(10);
  });
});
