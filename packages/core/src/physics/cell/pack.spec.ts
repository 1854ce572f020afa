import fc from 'fast-check';
import { discharge } from '../../run/discharge';
import { CHEMISTRIES } from '../../tables/chemistries';
import type { ChemistryId } from '../../tables/chemistries';
import { ageFactor, coldDerating, rateFactor } from './derating';
import { cellVoltage, ocvArea } from './ocv';
import { cellsFromNominal, fullVoltage, packFrom } from './pack';

const IDS = Object.keys(CHEMISTRIES) as ChemistryId[];

describe('chemistry tables', () => {
  it.each(IDS)('%s runs from 0 to 1, rises, and lies between cut-off and full', (id) => {
    const { ocvPerCell, cutoffCellV, fullCellV } = CHEMISTRIES[id];
    expect(ocvPerCell[0]![0]).toBe(0);
    expect(ocvPerCell.at(-1)![0]).toBe(1);
    for (let index = 1; index < ocvPerCell.length; index++) {
      expect(ocvPerCell[index]![0]).toBeGreaterThan(ocvPerCell[index - 1]![0]);
      expect(ocvPerCell[index]![1]).toBeGreaterThan(ocvPerCell[index - 1]![1]);
    }
    expect(ocvPerCell.at(-1)![1]).toBeGreaterThan(cutoffCellV);
    // lead-acid settles a little above its table’s “at rest” once off the charger
    expect(fullCellV).toBeGreaterThan(ocvPerCell.at(-1)![1] - 0.03);
  });

  it('is straight between points and held beyond them', () => {
    const table = [[0, 3], [0.5, 3.6], [1, 4.2]] as const; // prettier-ignore
    expect(cellVoltage(table, 0.25)).toBeCloseTo(3.3, 12);
    expect(cellVoltage(table, 0.5)).toBeCloseTo(3.6, 12);
    expect(cellVoltage(table, 1.2)).toBe(4.2);
    expect(cellVoltage(table, -0.1)).toBe(3);
    expect(ocvArea(table, 1)).toBeCloseTo(3.6, 12);
    expect(ocvArea(table, 0.75, 0.25)).toBeCloseTo(0.5 * 3.6, 12);
  });
});

describe('a pack', () => {
  it.each(IDS)('of %s delivers its rated watt-hours at its rated pace', (chemistry) => {
    const energyWh = 60;
    const pack = packFrom({ chemistry, cellsInSeries: 4, energyWh });
    const ratedA = pack.capacityAh / CHEMISTRIES[chemistry].ratedHours;
    // a linear regulator draws a constant current, which is what the rating is measured with
    const load = { id: 'tester', powerW: ratedA * 0.01 };
    const run = discharge({
      pack,
      feeds: [{ id: 'f', resistanceOhm: 0, converter: { outputV: 0.01, efficiency: 1, standbyW: 0, linear: true }, load }],
    });
    expect(run.packWh / energyWh).toBeCloseTo(1, 6);
  });

  it('holds with a resistance of its own given', () => {
    const pack = packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95, resistanceOhm: 0.25 });
    expect(pack.resistanceOhm).toBe(0.25);
    expect(pack.capacityAh).toBeGreaterThan(packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95 }).capacityAh);
  });

  it('never holds much more than its label says, whatever its resistance: a high one only takes away', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...IDS),
        fc.integer({ min: 1, max: 14 }),
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 0.001, max: 10, noNaN: true }),
        (chemistry, cellsInSeries, energyWh, resistanceOhm) => {
          const pack = packFrom({ chemistry, cellsInSeries, energyWh, resistanceOhm });
          // so slowly that nothing is lost on the way
          const powerW = energyWh / 5000;
          const run = discharge({ pack, feeds: [{ id: 'f', resistanceOhm: 0, load: { id: 'l', powerW } }] });
          expect(run.packWh).toBeLessThanOrEqual(1.05 * energyWh * (1 + 1e-9));
        },
      ),
      { numRuns: 500, seed: 20261201 },
    );
    // four cells, 98 Wh, 1.3 ohm: 27 000 Wh once
    const old = packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 98, resistanceOhm: 1.3 });
    const run = discharge({ pack: old, feeds: [{ id: 'f', resistanceOhm: 0, load: { id: 'l', powerW: 10 } }] });
    expect(run.packWh).toBeLessThan(98 * 1.05);
  });

  it('does not run longer through more ohms of lead', () => {
    const pack = packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95 });
    const minutes = [0, 0.05, 0.1, 0.3, 1, 2].map(
      (resistanceOhm) => discharge({ pack, feeds: [{ id: 'f', resistanceOhm, load: { id: 'l', powerW: 20, minV: 9 } }] }).minutes,
    );
    expect(minutes).toEqual([...minutes].sort((a, b) => b - a));
  });

  it('loses capacity and gains resistance in the cold, by the table', () => {
    const warm = packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95 });
    const cold = packFrom({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95, temperatureC: -10 });
    expect(cold.capacityAh / warm.capacityAh).toBeCloseTo(0.8, 9);
    expect(cold.resistanceOhm / warm.resistanceOhm).toBeCloseTo(3, 9);
  });

  it.each([
    ['lithium-ion', 25, 1, 1],
    ['lithium-ion', 40, 1, 1],
    ['lithium-ion', 5, 0.93, 1.65],
    ['lithium-ion', -15, 0.71, 4],
    ['lithium-ion', -35, 0.62, 5],
    ['steep', -10, 0.65, 3.45],
  ] as const)('%s at %d C keeps %d of its capacity at %d × the resistance', (table, temperatureC, capacity, resistance) => {
    const { capacityFactor, resistanceFactor } = coldDerating(table, temperatureC);
    expect(capacityFactor).toBeCloseTo(capacity, 9);
    expect(resistanceFactor).toBeCloseTo(resistance, 9);
  });

  it('ages by years and cycles, never below a half', () => {
    expect(ageFactor(0, 0)).toBe(1);
    expect(ageFactor(3, 250)).toBeCloseTo(0.84, 12);
    expect(ageFactor(30, 3000)).toBe(0.5);
  });

  it('of lead-acid or alkaline gives less when hurried, and never more when spared', () => {
    expect(rateFactor(1.12, 0.9, 3.6)).toBeCloseTo(4 ** -0.12, 12);
    expect(rateFactor(1.12, 0.9, 0.1)).toBe(1);
    expect(rateFactor(1, 0.9, 9)).toBe(1);
    // 2.5 Ah at 50 mA, 1.2 Ah at 500 mA
    expect(2.5 * rateFactor(CHEMISTRIES.alkaline.peukertExponent, 0.05, 0.5)).toBeCloseTo(1.2, 9);
  });

  it('knows its full voltage, and its cells from a nominal one', () => {
    expect(fullVoltage('li-ion', 4)).toBeCloseTo(16.8, 12);
    expect(fullVoltage('lifepo4', 4)).toBeCloseTo(14.4, 12);
    expect(['7.2', '7.4', '14.4', '14.8', '3.7', '11.1'].map((volts) => cellsFromNominal('li-ion', Number(volts)))).toEqual([
      2, 2, 4, 4, 1, 3,
    ]);
    expect(cellsFromNominal('li-ion', 12)).toBeUndefined(); // three cells are 10.8 V, four 14.4 V: a regulated output, or another chemistry
    expect(cellsFromNominal('agm', 12)).toBe(6);
  });
});
