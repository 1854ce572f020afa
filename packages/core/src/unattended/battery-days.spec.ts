import { build, camera, pack } from '../../testing/rig-builder';
import { lifeOf } from './battery-days';
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
