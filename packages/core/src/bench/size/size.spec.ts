import { cellVoltage } from '../../physics/cell/ocv';
import { packFrom } from '../../physics/cell/pack';
import { areaOfAwg, fuseFor } from '../../physics/wire/wire';
import { CHARGE_CELL_V } from '../../tables/assumed';
import { CHEMISTRIES } from '../../tables/chemistries';
import { FUSE_SIZES_A } from '../../tables/conductors';
import { tellSize } from '../../words/en/bench/tell-size';
import { sizeConverter } from './converter';
import type { ConverterQuestion } from './converter';
import { sizeFuse } from './fuse';
import { sizeHolder } from './holder';
import { sizeLead } from './lead';
import { sizePack } from './pack';
import { sizeParallel } from './parallel';
import type { ParallelQuestion } from './parallel';
import type { Sized } from './sized';
import fc from 'fast-check';

function found<T extends object>(sized: Sized<T>): T & { formula: string; warnings: readonly string[]; reasons: readonly string[] } {
  if ('error' in sized) throw new Error(sized.error.code);
  return tellSize(sized) as never;
}
const amps = fc.double({ min: 0.05, max: 25, noNaN: true });

/** Square millimetres of the standard's table (ASTM B258). */
const TABLE = [
  [10, 5.261], [11, 4.172], [12, 3.309], [13, 2.624], [14, 2.081], [15, 1.65], [16, 1.309], [17, 1.038], [18, 0.823], [19, 0.653], [20, 0.518], [21, 0.41], [22, 0.326], [23, 0.258], [24, 0.205], [25, 0.162], [26, 0.129], [27, 0.102], [28, 0.081],
] as const; // prettier-ignore

describe('a lead', () => {
  it.each(TABLE)('AWG %d is %f mm² within half a per cent', (gauge, areaMm2) => {
    // the table itself is rounded to a thousandth
    expect(Math.abs(areaOfAwg(gauge) - areaMm2)).toBeLessThanOrEqual(0.005 * areaMm2 + 0.0005);
  });

  it('is as thin as the drop allows: both conductors count', () => {
    const lead = found(sizeLead({ currentA: 4, lengthM: 1, voltageV: 14.4, dropShare: 0.03 }));
    expect(lead.awg).toBe(21);
    expect(lead.resistanceOhm).toBeCloseTo((2 * 0.01724) / areaOfAwg(21), 9);
    expect(lead.dropV).toBeCloseTo(4 * lead.resistanceOhm, 9);
    expect(lead.lossW).toBeCloseTo(16 * lead.resistanceOhm, 9);
    expect(lead.formula).toContain('× 1 m');
    expect(lead.warnings[0]).toContain('AWG 20');
  });

  it('is thicker where it would get too warm, and says so', () => {
    const lead = found(sizeLead({ currentA: 6, lengthM: 0.2, voltageV: 14.4, dropV: 1, ambientC: 20 }));
    expect(lead.maxA).toBeGreaterThanOrEqual(6);
    expect(lead.warnings.join(' ')).toContain('would get too warm');
    const warm = found(sizeLead({ currentA: 6, lengthM: 0.2, voltageV: 14.4, dropV: 1, ambientC: 55 }));
    expect(warm.awg).toBeLessThan(lead.awg);
  });

  it('law: keeps the drop and carries the current, and no thinner one does both', () => {
    fc.assert(
      fc.property(amps, fc.double({ min: 0.1, max: 10, noNaN: true }), fc.double({ min: 0.05, max: 2, noNaN: true }), fc.integer({ min: -20, max: 50 }), (currentA, lengthM, dropV, ambientC) => {
        const sized = sizeLead({ currentA, lengthM, voltageV: 14.4, dropV, ambientC });
        if ('error' in sized) {
          expect(sized.path).toMatch(/lengthM|currentA/);
          return;
        }
        expect(sized.dropV).toBeLessThanOrEqual(dropV);
        expect(sized.maxA).toBeGreaterThanOrEqual(currentA);
        if (sized.awg === 28) return;
        const thinner = sizeLead({ currentA, lengthM, voltageV: 14.4, dropV: sized.dropV * (areaOfAwg(sized.awg) / areaOfAwg(sized.awg + 1)) * 1.000001, ambientC });
        // allowed its drop, the next thinner one is either taken or too warm
        if (!('error' in thinner) && thinner.awg === sized.awg + 1) expect(thinner.dropV).toBeGreaterThan(dropV);
      }),
    ); // prettier-ignore
  });

  it('that nothing can be made for says by which field', () => {
    expect(sizeLead({ currentA: 20, lengthM: 100, voltageV: 12, dropV: 0.1 })).toMatchObject({ path: '/lengthM' });
    expect(sizeLead({ currentA: 100, lengthM: 0.1, voltageV: 12, dropV: 5 })).toMatchObject({ path: '/currentA' });
    expect(sizeLead({ currentA: 1, lengthM: 1, voltageV: 5, dropV: 6 })).toMatchObject({ path: '/dropV' });
    expect(sizeLead({ currentA: 1, lengthM: 1, voltageV: 5, dropV: 1, dropShare: 0.1 })).toMatchObject({ path: '/dropShare' });
  });

  it('says what it takes for granted', () => {
    const { warnings } = found(sizeLead({ currentA: 1, lengthM: 1, voltageV: 14.4 }));
    expect(warnings.filter((one) => /was said/.test(one))).toHaveLength(2);
  });
});

describe('a fuse', () => {
  it.each([
    [4, 6, undefined, 5],
    [3.96, 6, undefined, 5],
    [4.04, 6, undefined, null],
    [4.04, 7.5, undefined, 7.5],
    [4.04, 7.425, undefined, null],
    [0.8, 6, 0.99, null],
    [0.8, 6, 1.01, 1],
    [16, 21, 25, 20],
    [16.16, 40, 40, null],
  ])('for %f A behind wire for %f A and connectors for %p A is %p A', (continuousA, wireMaxA, connectorMaxA, fuseA) => {
    expect(found(sizeFuse({ continuousA, wireMaxA, connectorMaxA })).fuseA).toBe(fuseA);
  });

  it('law: is sold, lets a quarter more pass, and is never larger than what it protects; no sound one is refused', () => {
    fc.assert(
      fc.property(amps, amps, fc.option(amps, { nil: undefined }), (continuousA, wireMaxA, connectorMaxA) => {
        const mostA = Math.min(wireMaxA, connectorMaxA ?? Infinity);
        const { fuseA, warnings } = found(sizeFuse({ continuousA, wireMaxA, connectorMaxA }));
        const sound = FUSE_SIZES_A.filter((size) => size >= 1.25 * continuousA && size <= mostA);
        expect(fuseA).toBe(sound[0] ?? null);
        if (fuseA === null) expect(warnings[0]).toMatch(/^No fuse/);
        else expect(fuseA).toBe(fuseFor(continuousA));
      }),
    );
  });
});

describe('a converter', () => {
  const SHEET: ConverterQuestion = {
    kind: 'step-down',
    packFullV: 16.8,
    packEmptyV: 12,
    outputV: 8,
    loadW: 16,
    efficiency: 0.9,
    dropoutV: 1,
    maxInputV: 30,
    maxOutputA: 5,
  };
  const judge = (more: Partial<ConverterQuestion>) => found(sizeConverter({ ...SHEET, ...more }));

  it('takes the most where the pack is emptiest, and loses the rest as heat', () => {
    const { inputA, heatW, verdict } = judge({});
    expect(inputA).toBeCloseTo(16 / 0.9 / 12, 9);
    expect(heatW).toBeCloseTo(16 / 0.9 - 16, 9);
    expect(verdict).toBe('good');
  });

  it('linear: as much in as out, and the rest of a full pack is heat', () => {
    const { inputA, heatW, verdict, reasons } = judge({ kind: 'linear' });
    expect([inputA, heatW]).toEqual([2, 2 * (16.8 - 8)]);
    expect(verdict).toBe('caution');
    expect(reasons.at(-1)).toContain('heat sink');
  });

  it.each<[string, Partial<ConverterQuestion>, string]>([
    ['a full pack just above its highest input', { maxInputV: 16.8 * 0.99 }, 'stop'],
    ['a full pack just below it', { maxInputV: 16.8 * 1.01 }, 'good'],
    ['a load just above what it may give', { maxOutputA: 2 * 0.99 }, 'stop'],
    ['a load just below', { maxOutputA: 2 * 1.01 }, 'caution'],
    ['a load of four fifths and a little', { maxOutputA: 2.5 * 0.99 }, 'caution'],
    ['a load of a little less than four fifths', { maxOutputA: 2.5 * 1.01 }, 'good'],
    ['an empty pack just above output and dropout', { packEmptyV: 9 * 1.01 }, 'good'],
    ['an empty pack just below', { packEmptyV: 9 * 0.99 }, 'caution'],
    ['a full pack just below: it never holds its output', { packFullV: 9 * 0.99, packEmptyV: 8 }, 'stop'],
    ['a highest input that nobody entered', { maxInputV: undefined }, 'unknown'],
    ['a most current that nobody entered', { maxOutputA: undefined }, 'unknown'],
    ['a dropout that nobody entered, where it turns on it', { packEmptyV: 9, dropoutV: undefined }, 'unknown'],
    ['a dropout that nobody entered, where any would do', { dropoutV: undefined }, 'good'],
    ['a step-up set just below a full pack', { kind: 'step-up', outputV: 16.8 * 0.99 }, 'stop'],
    ['a step-up set just above', { kind: 'step-up', outputV: 16.8 * 1.01 }, 'good'],
  ])('%s', (_case, more, verdict) => expect(judge(more).verdict).toBe(verdict));

  it('law: what harms is never called good, whatever else is sound', () => {
    const volts = fc.double({ min: 3, max: 40, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom('linear', 'step-down', 'step-up'), volts, volts, volts, amps, volts, (kind, full, output, maxInputV, maxOutputA, loadW) => {
        const { verdict } = judge({ kind, packFullV: full, packEmptyV: full * 0.7, outputV: output, maxInputV, maxOutputA, loadW });
        const isHarmful = full > maxInputV || loadW / output > maxOutputA || (kind === 'step-up' ? full > output : full < output);
        if (isHarmful) expect(verdict).toBe('stop');
      }),
    ); // prettier-ignore
  });

  it('of a pack that is emptier full than empty says which field', () => {
    expect(sizeConverter({ ...SHEET, packEmptyV: 17 })).toMatchObject({ path: '/packEmptyV' });
  });
});

describe('a pack of cells', () => {
  const CELL = { chemistry: 'li-ion', capacityAh: 3, maxA: 8, massG: 48 } as const;

  it('counts as a battery of the kit does, so that its run says the same', () => {
    for (const chemistry of ['li-ion', 'li-ion-hv', 'lifepo4'] as const) {
      const pack = found(sizePack({ cell: { ...CELL, chemistry }, cellsInSeries: 4, cellsInParallel: 2, loadW: 60 }));
      const run = packFrom({ chemistry, cellsInSeries: 4, energyWh: pack.energyWh, startSoc: 1 });
      expect(pack.energyWh).toBeCloseTo(4 * CHEMISTRIES[chemistry].nominalCellV * 6, 9);
      expect(pack.emptyV).toBeCloseTo(run.cutoffV, 9);
      expect(pack.alarmV).toBeGreaterThan(pack.emptyV);
      // what stands on a battery in a rig while it is charged
      expect(pack.chargeV).toBeCloseTo(4 * (CHARGE_CELL_V[chemistry] ?? 0), 9);
    }
  });

  it.each([
    [8.08 * 24, 'stop'],
    [7.92 * 24, 'caution'],
    [6.464 * 24, 'caution'],
    [6.336 * 24, 'good'],
  ])('under %f W is %s: a cell gives the most when it is empty', (loadW, verdict) => {
    // 2 × 12 V at empty
    expect(found(sizePack({ cell: CELL, cellsInSeries: 4, cellsInParallel: 2, loadW })).verdict).toBe(verdict);
  });

  it('says what is not known, and never charges alkaline', () => {
    const pack = found(sizePack({ cell: { chemistry: 'alkaline', capacityAh: 2.5 }, cellsInSeries: 8, cellsInParallel: 1, loadW: 2 }));
    expect([pack.maxA, pack.massG, pack.chargeV, pack.verdict]).toEqual([null, null, null, 'unknown']);
    expect(pack.warnings.join(' ')).toContain('never be charged');
  });

  it.each([
    [3.4, 2, 'test report'],
    [3.5, 2, 'only if the carrier agrees'],
    [5.6, 2, 'may not fly'],
  ])('of cells of %f Ah, %d side by side: %s', (capacityAh, cellsInParallel, says) => {
    const pack = found(sizePack({ cell: { ...CELL, capacityAh }, cellsInSeries: 4, cellsInParallel, loadW: 20 }));
    expect(pack.warnings.at(-1)).toContain(says);
  });
});

describe('a holder', () => {
  it('of eight AA is not 12 V: more when fresh, far less when empty', () => {
    const holder = found(sizeHolder({ chemistry: 'alkaline', inSeries: 8, inParallel: 1 }));
    expect([holder.freshV, holder.nominalV, holder.emptyV].map((volts) => Number(volts.toFixed(6)))).toEqual([12.8, 12, 7.2]);
    expect(holder.formula).toContain('alkaline');
  });

  it('law: fresh is above nominal is above empty', () => {
    for (const chemistry of Object.keys(CHEMISTRIES) as (keyof typeof CHEMISTRIES)[]) {
      const { freshV, nominalV, emptyV } = found(sizeHolder({ chemistry, inSeries: 3, inParallel: 2 }));
      expect(freshV).toBeGreaterThan(nominalV);
      expect(nominalV).toBeGreaterThan(emptyV);
    }
  });
});

describe('two batteries side by side', () => {
  const PACK = { chemistry: 'li-ion', cellsInSeries: 4, charge: 0.5, resistanceOhm: 0.1, capacityAh: 6 } as const;
  const join = (a: Partial<ParallelQuestion['a']>, b: Partial<ParallelQuestion['b']> = {}) =>
    found(sizeParallel({ a: { ...PACK, ...a }, b: { ...PACK, ...b } }));

  it('of one charge let nothing flow', () => {
    expect(join({})).toMatchObject({ joinA: 0, into: null, verdict: 'good' });
  });

  it('a full one and a half empty one weld: the volts between them over both resistances', () => {
    const { joinA, verdict, formula, warnings } = join({ charge: 1 });
    expect(joinA).toBeCloseTo((4 * (4.19 - 3.75)) / 0.2, 9);
    expect(verdict).toBe('stop');
    expect(formula).toContain('÷ (0.1 + 0.1) Ω');
    expect(warnings.join(' ')).toContain('Equalise first');
  });

  it.each([
    // half its amp-hours, and a twentieth of that
    [3 * 1.01, 'stop'],
    [3 * 0.99, 'caution'],
    [0.15 * 1.01, 'caution'],
    [0.15 * 0.99, 'good'],
  ])('that let %f A flow into 6 Ah: %s', (flowA, verdict) => {
    // a full cell is 0.44 V above a half full one
    const resistanceOhm = (4 * 0.44) / flowA / 2;
    expect(join({ charge: 1, resistanceOhm }, { resistanceOhm }).verdict).toBe(verdict);
  });

  it.each(['nimh', 'alkaline'] as const)('of %s never go together, however equal they are', (chemistry) => {
    const cells = { chemistry, cellsInSeries: 8 };
    const { verdict, joinA, warnings } = join(cells, cells);
    expect([verdict, joinA]).toEqual(['stop', 0]);
    expect(warnings.join(' ')).toMatch(/charge/);
  });

  it('of other cells never go together, however equal their volts', () => {
    expect(join({ chemistry: 'lifepo4' }).verdict).toBe('stop');
    expect(join({ cellsInSeries: 3 }).verdict).toBe('stop');
  });

  it('law: whichever is called a, the same flows the other way', () => {
    const charge = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(charge, charge, (one, other) => {
        const [there, back] = [join({ charge: one }, { charge: other }), join({ charge: other }, { charge: one })];
        expect(there.joinA).toBeCloseTo(back.joinA, 9);
        expect([there.into, back.into].sort()).toEqual(there.joinA === 0 ? [null, null] : ['a', 'b']);
        expect(there.verdict).toBe(back.verdict);
      }),
    );
  });

  it('are never joined where cells that must not be charged would be', () => {
    expect(join({ chemistry: 'alkaline', charge: 1 }, { chemistry: 'alkaline', charge: 0.9 }).verdict).toBe('stop');
  });
});

describe('two batteries on one load', () => {
  const side = (charge: number, resistanceOhm: number): ParallelQuestion['a'] => ({ chemistry: 'li-ion', cellsInSeries: 4, charge, resistanceOhm, capacityAh: 6.6 }); // prettier-ignore

  it('law: share it so that volts meet and watts add up; too much is said', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0.05, max: 0.4, noNaN: true }),
        fc.double({ min: 0.05, max: 0.4, noNaN: true }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        (ca, cb, ra, rb, loadW) => {
          const [a, b] = [side(ca, ra), side(cb, rb)];
          const { eachA } = found(sizeParallel({ a, b, loadW }));
          const voltsOf = ({ charge, resistanceOhm }: ParallelQuestion['a'], amps: number) =>
            4 * cellVoltage(CHEMISTRIES['li-ion'].ocvPerCell, charge) - amps * resistanceOhm;
          expect(voltsOf(a, eachA!.a)).toBeCloseTo(voltsOf(b, eachA!.b), 6);
          expect((eachA!.a + eachA!.b) * voltsOf(a, eachA!.a)).toBeCloseTo(loadW, 4);
        },
      ),
      { numRuns: 200, seed: 2 },
    );
    expect(sizeParallel({ a: side(1, 1), b: side(1, 1), loadW: 500 })).toMatchObject({ path: '/loadW' });
  });
});

describe('the insulation of a lead', () => {
  it('lets a wire carry more, but none gets hotter than a shell and a hand stand', () => {
    const at = (insulationC: number | undefined) =>
      found(sizeLead({ currentA: 6, lengthM: 0.3, voltageV: 14.4, ...(insulationC !== undefined && { insulationC }) }));
    expect(at(105).awg).toBeGreaterThan(at(70).awg);
    expect(at(200)).toEqual({ ...at(105) });
    expect(at(undefined).awg).toBe(at(70).awg);
  });
});
