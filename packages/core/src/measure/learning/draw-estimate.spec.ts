import type { Battery } from '../../gear/gear';
import { GENERIC_BATTERIES } from '../../gear/generic/generic';
import { deliveredWh } from '../../physics/cell/delivered';
import type { DrawObservation } from '../log/observation';
import { drawFrom } from './draw-estimate';

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
    const part = { kind: 'part', ...base, temperatureC: 25, minutes: 120, from: 1, to: 0.5 } as const;
    const bars = drawFrom({ ...part, step: 0.25, gauge: 'rounds' }, PACK)!;
    const percent = drawFrom({ ...part, step: 0.01 }, PACK)!;
    expect(bars.meanW).toBeCloseTo(95 / 2 / 2, 6);
    expect((2 * bars.errors.own) / (95 / 2)).toBeCloseTo(0.12, 2);
    expect(percent.sigmaW / percent.meanW).toBeLessThan(0.06);
  });

  it('a gauge that holds a bar until it is used up shows more than there is, and one of which nobody said may be either', () => {
    const part = { kind: 'part', ...base, temperatureC: 25, minutes: 60, step: 0.25 } as const;
    const shows = (from: number, to: number, gauge?: 'rounds' | 'holds') => drawFrom({ ...part, from, to, ...(gauge && { gauge }) }, PACK)!;
    // full to two of four bars: between two and three quarters of it are left to be used, by the nearest 3/8 to 5/8
    expect(shows(1, 0.5, 'holds').meanW / 95).toBeCloseTo(0.625, 9);
    expect(shows(1, 0.5, 'rounds').meanW / 95).toBeCloseTo(0.5, 9);
    expect(shows(1, 0.5).meanW / 95).toBeCloseTo(0.5625, 9);
    expect(shows(1, 0.5).errors.own).toBeGreaterThan(shows(1, 0.5, 'holds').errors.own);
    expect(shows(0.75, 0.25, 'holds').meanW / 95).toBeCloseTo(0.5, 9);
    expect(shows(1, 0, 'holds').errors.own).toBeCloseTo((95 * 1) / 60, 6);
  });

  it('a test whose temperature nobody entered may have been in the cold', () => {
    const down = { kind: 'run-down', ...base, minutes: 300, lostShare: 0 } as const;
    const [told, untold] = [drawFrom({ ...down, temperatureC: 25 }, PACK)!, drawFrom(down, PACK)!];
    expect(untold.meanW).toBe(told.meanW);
    // a cold day keeps eight tenths: that is within two standard deviations
    expect(untold.meanW - 2 * untold.sigmaW).toBeLessThan(0.8 * told.meanW);
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
