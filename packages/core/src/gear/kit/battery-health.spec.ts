import type { Battery } from '../gear';
import { GENERIC_BATTERIES } from '../generic/generic';
import { batteryHealth, energyNow } from './battery-health';
import { mayFly } from './may-fly';

const pack: Battery = { ...GENERIC_BATTERIES[4]!, from: {} }; // a V-mount of 95 Wh

describe('the health of a battery', () => {
  it('is measured over printed where both are known, whatever its age', () => {
    const worn: Battery = { ...pack, energyWh: 71.25, labelWh: 95, from: { energyWh: 'measured' }, years: 5 };
    expect(batteryHealth(worn)).toMatchObject({ share: 0.75, from: 'measured' });
    expect(energyNow(worn)).toBe(71.25);
  });

  it('follows from age and cycles otherwise, and says that it is assumed', () => {
    const old: Battery = { ...pack, years: 3, cycles: 250 };
    expect(batteryHealth(old)!.share).toBeCloseTo(0.84, 12);
    expect(batteryHealth(old)!.from).toBe('assumed');
    expect(energyNow(old)).toBeCloseTo(95 * 0.84, 9);
  });

  it('is unknown when nothing is known, and so is the energy', () => {
    expect(batteryHealth(pack)).toBeUndefined();
    expect(energyNow(pack)).toBe(95);
    const { energyWh: _energy, ...blank } = pack;
    expect(energyNow(blank)).toBeUndefined();
  });

  it('does not let a battery fly that was measured below the limit it is printed above', () => {
    const big: Battery = { ...pack, energyWh: 92, labelWh: 110, from: { energyWh: 'measured' } };
    expect(mayFly(big)).toBe('approval');
    expect(mayFly({ ...big, labelWh: 99 })).toBe('free');
  });
});
