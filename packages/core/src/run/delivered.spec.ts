import fc from 'fast-check';
import { deliveredWh } from '../physics/cell/delivered';
import { packFrom } from '../physics/cell/pack';
import { discharge } from './discharge';

describe('what a pack delivers in a test', () => {
  it('is what a run at that power takes from it, in the minutes of the test', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('li-ion', 'lifepo4', 'li-ion-hv'),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 10, max: 200 }),
        fc.integer({ min: 40, max: 1500 }),
        (chemistry, cellsInSeries, energyWh, minutes) => {
          const spec = { chemistry, cellsInSeries, energyWh } as const;
          const powerW = deliveredWh(spec, minutes) / (minutes / 60);
          const run = discharge({ pack: packFrom(spec), feeds: [{ id: 'f', resistanceOhm: 0, load: { id: 'l', powerW } }] });
          expect(run.minutes / minutes).toBeCloseTo(1, 3);
        },
      ),
    );
  });

  it('is what the label says at the rated pace, less when hurried, and less in the cold', () => {
    const spec = { chemistry: 'li-ion', cellsInSeries: 2, energyWh: 24.5 } as const;
    expect(deliveredWh(spec, 300)).toBeCloseTo(24.5, 1);
    expect(deliveredWh(spec, 50)).toBeLessThan(23.2);
    expect(deliveredWh({ ...spec, temperatureC: -10 }, 300)).toBeLessThan(0.9 * 24.5);
  });

  it('of lead-acid falls with the pace', () => {
    const spec = { chemistry: 'agm', cellsInSeries: 6, energyWh: 396 } as const;
    expect(deliveredWh(spec, 20 * 60)).toBeCloseTo(396, -1);
    expect(deliveredWh(spec, 60)).toBeLessThan(0.75 * 396);
  });
});
