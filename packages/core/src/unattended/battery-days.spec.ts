import { build, camera, pack } from '../../testing/rig-builder';
import { lifeOf, panelCharging } from './battery-days';
import type { Life } from './battery-days';

function life(powerW: number, changes: Parameters<typeof build>[2] = {}): Life {
  const { rig, gear } = build({ pack: pack(), camera: camera({}, powerW) }, [['pack.out', 'camera.in']], changes);
  const found = lifeOf(rig, gear);
  if ('code' in found) throw new Error(found.code);
  return found;
}

describe('what a rig lives on', () => {
  it('is a day at its draw, out of what its full battery gives', () => {
    const { useWh, fullWh } = life(10);
    expect(useWh).toBeGreaterThan(240);
    expect(useWh).toBeLessThan(1.05 * 240);
    expect(fullWh).toBeGreaterThan(0.9 * 95);
    // drawn more slowly than its label was measured at it gives a little more
    expect(fullWh).toBeLessThan(1.02 * 95);
  });

  it('is the whole of it too where the battery outlasts the look ahead', () => {
    // some two years, of which 400 days are followed
    const slow = life(0.005);
    expect(slow.useWh).toBeCloseTo(0.12, 2);
    expect(slow.fullWh).toBeGreaterThan(0.9 * 95);
    // what is spent first has the higher volts: from its share of charge the whole is taken for some more than it is
    expect(slow.fullWh).toBeLessThan(1.1 * 95);
  });

  it('is of full batteries, whatever charge is in them now', () => {
    expect(life(10, { startCharge: 0.3 }).fullWh).toBeCloseTo(life(10).fullWh, 9);
  });
});

describe('what a panel charges', () => {
  it.each([
    ['nothing limits lithium on a mild day', pack(), 20, 15, { chargeW: 20, limitedBy: undefined }],
    ['lithium in the frost takes nothing', pack(), 20, -5, { chargeW: 0, limitedBy: 'cold' }],
    [
      'cells that are not to be charged take nothing, however warm',
      pack({ chemistry: 'alkaline', cellsInSeries: 8 }),
      20,
      15,
      { chargeW: 0, limitedBy: 'primary' },
    ],
    [
      'and are told as such in the frost too',
      pack({ chemistry: 'alkaline', cellsInSeries: 8 }),
      20,
      -5,
      { chargeW: 0, limitedBy: 'primary' },
    ],
    ['a night is no limit of the battery', pack({ chemistry: 'alkaline', cellsInSeries: 8 }), 0, -5, { chargeW: 0, limitedBy: undefined }],
  ] as const)('%s', (_what, battery, panelW, temperatureC, expected) => {
    expect(panelCharging(panelW, [battery], temperatureC)).toEqual(expected);
  });

  it('one cell that is not to be charged among others keeps all of them from the panel', () => {
    expect(panelCharging(20, [pack(), pack({ chemistry: 'alkaline', cellsInSeries: 8 })], 15).limitedBy).toBe('primary');
  });

  it('lead takes a share of its watt-hours, and never more than the panel gives', () => {
    const lead = pack({ chemistry: 'agm', cellsInSeries: 6, energyWh: 84 });
    const { chargeW, limitedBy } = panelCharging(200, [lead], 15);
    expect(limitedBy).toBe('battery');
    expect(chargeW).toBeGreaterThan(0);
    expect(chargeW).toBeLessThan(84);
    expect(panelCharging(1, [lead], 15)).toEqual({ chargeW: 1, limitedBy: undefined });
  });
});
