import fc from 'fast-check';
import { deliveredWh } from '../../cell';
import { GENERIC_BATTERIES } from '../../gear';
import type { Battery } from '../../gear';
import type { DrawObservation } from '../log';
import { combineDraws, drawFrom } from './learned-draw';

const PACK: Battery = { ...GENERIC_BATTERIES[4]!, from: {} }; // 95 Wh, four cells
const MEASURED: Battery = { ...PACK, from: { energyWh: 'measured' } };
const base = { at: '2026-01-07', deviceId: 'd', batteryId: 'b' } as const;

describe('what an observation says about a draw', () => {
  it('a run-down: energy over hours, less what the way lost', () => {
    const estimate = drawFrom({ kind: 'run-down', ...base, minutes: 310, lostShare: 0.09 }, PACK)!;
    expect(estimate.meanW).toBeCloseTo((deliveredWh({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: 95 }, 310) / (310 / 60)) * 0.91, 6);
    expect(estimate.formula).toBe('95 Wh (25 °C assumed) ÷ 5 h 10 min = 18.4 W at the battery, less 9 % lost on the way');
    expect(drawFrom({ kind: 'run-down', ...base, minutes: 310 }, MEASURED)!.sigmaW).toBeLessThan(
      drawFrom({ kind: 'run-down', ...base, minutes: 310 }, PACK)!.sigmaW,
    );
  });

  it('says what was assumed, and does not call it the device’s draw while the loss on the way is not known', () => {
    expect(drawFrom({ kind: 'run-down', ...base, minutes: 60, temperatureC: 25, lostShare: 0 }, PACK)).toMatchObject({
      at: 'device',
      formula: expect.not.stringContaining('assumed') as string,
    });
    expect(drawFrom({ kind: 'run-down', ...base, minutes: 60, temperatureC: 25 }, PACK)!.at).toBe('battery');
    expect(drawFrom({ kind: 'put-back', ...base, minutes: 60, energyWh: 50 })!.formula).toContain('less 12 % lost in charging, assumed');
  });

  it('in the cold there was less to draw', () => {
    const warm = drawFrom({ kind: 'run-down', ...base, minutes: 200 }, PACK)!;
    expect(drawFrom({ kind: 'run-down', ...base, minutes: 200, temperatureC: 0 }, PACK)!.meanW / warm.meanW).toBeCloseTo(0.89, 2);
  });

  it('a part test carries the indicator’s step as error: four bars are off by about twelve in a hundred', () => {
    const part = { kind: 'part', ...base, minutes: 120, from: 1, to: 0.5 } as const;
    const bars = drawFrom({ ...part, step: 0.25 }, PACK)!;
    const percent = drawFrom({ ...part, step: 0.01 }, PACK)!;
    expect(bars.meanW).toBeCloseTo(95 / 2 / 2, 6);
    expect(bars.sigmaW / bars.meanW).toBeGreaterThan(0.15);
    expect(percent.sigmaW / percent.meanW).toBeLessThan(0.06);
  });

  it('two points by volts at rest, along the cell’s table', () => {
    const full = 4 * 4.19;
    const half = 4 * 3.75;
    const estimate = drawFrom({ kind: 'two-point', ...base, minutes: 60, fromV: full, toV: half }, PACK)!;
    expect(estimate.meanW).toBeGreaterThan(45); // the upper half holds more than half
    expect(estimate.meanW).toBeLessThan(55);
    expect(drawFrom({ kind: 'two-point', ...base, minutes: 60, fromV: half, toV: full }, PACK)).toBeUndefined();
  });

  it('what a charger put back, its loss taken off', () => {
    const estimate = drawFrom({ kind: 'put-back', ...base, minutes: 60, energyWh: 50, chargerLoss: 0.1 })!;
    expect(estimate.meanW).toBeCloseTo(45, 6);
    expect(estimate.formula).toContain('50 Wh put back, less 10 % lost in charging');
  });

  it('a segment is the surest, and surer the longer it is', () => {
    const segment = (seconds: number): DrawObservation => ({ kind: 'segment', at: base.at, deviceId: 'd', meanW: 12, spreadW: 1, seconds });
    expect(drawFrom(segment(600))!.meanW).toBe(12);
    expect(drawFrom(segment(3600))!.sigmaW).toBeLessThan(drawFrom(segment(60))!.sigmaW);
    expect(drawFrom({ ...segment(600), atBattery: true, lostShare: 0.1 } as DrawObservation)!.meanW).toBeCloseTo(10.8, 9);
  });

  it('is nothing while the battery’s energy is not known', () => {
    const { energyWh: _energy, ...blank } = PACK;
    expect(drawFrom({ kind: 'run-down', ...base, minutes: 60 }, blank)).toBeUndefined();
    expect(drawFrom({ kind: 'run-down', ...base, minutes: 60 })).toBeUndefined();
  });
});

describe('several observations', () => {
  it('count by how sure they are', () => {
    const learnt = combineDraws([{ meanW: 10, sigmaW: 1 }, { meanW: 12, sigmaW: 2 }])!; // prettier-ignore
    expect(learnt.meanW).toBeCloseTo(10.4, 9);
    expect(learnt.shares).toEqual([0.8, 0.2]);
    expect(learnt.sigmaW).toBeCloseTo(Math.sqrt(0.8), 9);
  });

  it('count half as much after a year', () => {
    const learnt = combineDraws([{ meanW: 10, sigmaW: 1, at: '2025-01-07' }, { meanW: 13, sigmaW: 1, at: '2026-01-07' }])!; // prettier-ignore
    expect(learnt.meanW).toBeCloseTo(12, 2);
  });

  it('question one that disagrees, count it all the same, and leave out what a person set aside', () => {
    const estimates = [10, 10.2, 9.9, 16].map((meanW) => ({ meanW, sigmaW: 0.3 }));
    const learnt = combineDraws(estimates)!;
    expect(learnt.doubtful).toContain(3);
    expect(learnt.shares[3]).toBeGreaterThan(0);
    const decided = combineDraws(estimates.map((estimate, index) => ({ ...estimate, setAside: index === 3 })))!;
    expect(decided.doubtful).toEqual([]);
    expect(decided.meanW).toBeCloseTo(10.033, 2);
  });

  it('lie between the least and the most, and more of them are never less sure', () => {
    const estimate = fc.record({
      meanW: fc.double({ min: 0.1, max: 100, noNaN: true }),
      sigmaW: fc.double({ min: 0.01, max: 10, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(estimate, { minLength: 1, maxLength: 8 }), estimate, (some, another) => {
        const learnt = combineDraws(some)!;
        const means = some.map(({ meanW }) => meanW);
        expect(learnt.meanW).toBeGreaterThanOrEqual(Math.min(...means) - 1e-9);
        expect(learnt.meanW).toBeLessThanOrEqual(Math.max(...means) + 1e-9);
        expect(combineDraws([...some, another])!.sigmaW).toBeLessThanOrEqual(learnt.sigmaW + 1e-12);
      }),
    );
  });

  it('of none is nothing', () => {
    expect(combineDraws([])).toBeUndefined();
    expect(combineDraws([{ meanW: 1, sigmaW: 1, setAside: true }])).toBeUndefined();
  });
});
