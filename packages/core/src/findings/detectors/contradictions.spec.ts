import { bank, build, camera, DTAP, judge, pack, wire } from '../../../testing/rig-builder';
import type { Built } from '../../../testing/rig-builder';
import type { Battery, Device } from '../../gear/gear';
import { areaOfAwg, leadOhm } from '../../physics/wire/wire';
import { CONTRADICTS } from '../../tables/contradictions';
import type { FindingLevel } from '../verdict';

const PERCENT = 1.01;
const onPack = (changes: Partial<Battery>, powerW = 10): Built =>
  build({ pack: pack(changes), camera: camera({}, powerW, { minV: 11, maxV: 30 }) }, [['pack.out', 'camera.in']]);
const byLead = (changes: Parameters<typeof wire>[0], powerW = 10): Built =>
  build({ pack: pack(), lead: wire(changes), camera: camera({}, powerW) }, [['pack.out', 'camera.in', 'lead']]);
const device = (changes: Partial<Device>): Built => build({ pack: pack(), camera: camera(changes, 10) }, [['pack.out', 'camera.in']]);
const supplied = (port: object): Built =>
  build(
    {
      supply: { kind: 'supply', name: 'Supply', form: 'mains', outputs: [{ gives: 'fixed', id: 'out', name: 'Output', connector: DTAP, maxA: 5, ...port }] },
      camera: camera({}, 10, { maxV: 60 }),
    },
    [['supply.out', 'camera.in']],
  ); // prettier-ignore
const doubtIn = (built: Built): FindingLevel | undefined => judge(built).findings.find(({ code }) => code === 'figure-doubtful')?.verdict;
const cell = { capacityAh: 6.6, maxA: 10, resistanceOhm: 0.02 };
const gauge28 = areaOfAwg(28);
const halfMm = leadOhm(2, 0.5);

/** Each pair of figures just within its tolerance and just outside. */
const PAIRS: readonly (readonly [string, within: Built, outside: Built])[] = [
  ['gauge and square millimetres', byLead({ awg: 20, areaMm2: areaOfAwg(20) / (1 - CONTRADICTS.wire) / PERCENT }), byLead({ awg: 20, areaMm2: areaOfAwg(20) / (1 + CONTRADICTS.wire) / PERCENT })],
  ['ohms of a lead, too few', byLead({ lengthM: 2, areaMm2: 0.5, resistanceOhm: (halfMm / CONTRADICTS.ohmsTimes) * PERCENT }), byLead({ lengthM: 2, areaMm2: 0.5, resistanceOhm: halfMm / CONTRADICTS.ohmsTimes / PERCENT })],
  ['ohms of a lead, too many', byLead({ lengthM: 2, areaMm2: 0.5, resistanceOhm: (halfMm * CONTRADICTS.ohmsTimes + CONTRADICTS.plugsOhm) / PERCENT }), byLead({ lengthM: 2, areaMm2: 0.5, resistanceOhm: (halfMm * CONTRADICTS.ohmsTimes + CONTRADICTS.plugsOhm) * PERCENT })],
  ['amps of a pack and of its cells', onPack({ cell, cellsInParallel: 1, maxA: 11 / PERCENT, energyWh: 95 }), onPack({ cell, cellsInParallel: 1, maxA: 11 * PERCENT, energyWh: 95 })],
  ['ohms of a pack and of its cells', onPack({ cell, cellsInParallel: 1, resistanceOhm: 0.16 / PERCENT, energyWh: 95 }), onPack({ cell, cellsInParallel: 1, resistanceOhm: 0.16 * PERCENT, energyWh: 95 })],
  ['measured and printed watt-hours', onPack({ labelWh: 95, energyWh: 104.5 / PERCENT, from: { energyWh: 'measured' } }), onPack({ labelWh: 95, energyWh: 104.5 * PERCENT, from: { energyWh: 'measured' } })],
  ['watt-hours and cells', onPack({ cell: { capacityAh: 6 }, cellsInParallel: 1, energyWh: 86.4 * 1.1 / PERCENT }), onPack({ cell: { capacityAh: 6 }, cellsInParallel: 1, energyWh: 86.4 * 1.1 * PERCENT })],
  ['volts and cells', onPack({ nominalV: 14.4 * 1.07 / 1.001 }), onPack({ nominalV: 14.4 * 1.07 * PERCENT })],
  ['charging and full volts', onPack({ chargeV: 16.8 * 0.9 * PERCENT }), onPack({ chargeV: 16.8 * 0.9 / PERCENT })],
  ['a peak and its draw', device({ peakW: 9 * PERCENT }), device({ peakW: 9 / PERCENT })],
  ['frames longer than the time between', device({ draw: { basis: 'frames', awakeW: 5, awakeS: 29, sleepW: 1, everyS: 30 } }), device({ draw: { basis: 'frames', awakeW: 5, awakeS: 31, sleepW: 1, everyS: 30 } })],
  ['volts of a supply and its range', supplied({ voltageV: 12, minV: 11, maxV: 12 }), supplied({ voltageV: 12.4, minV: 11, maxV: 12 })],
  ['a class of PoE and the watts of its port', supplied({ voltageV: 48, maxA: 0.6, poeClass: 'at' }), supplied({ voltageV: 48, maxA: 0.4, poeClass: 'at' })],
  ['a start and the highest input', build({ pack: pack(), camera: camera({}, 10, { startV: 16.9, maxV: 17 }) }, [['pack.out', 'camera.in']]), build({ pack: pack(), camera: camera({}, 10, { startV: 17.1, maxV: 17 }) }, [['pack.out', 'camera.in']])],
]; // prettier-ignore

describe('two figures that say the same thing twice', () => {
  it.each(PAIRS)('%s: within the tolerance nothing is asked, outside it is', (_what, within, outside) => {
    expect(doubtIn(within)).toBeUndefined();
    expect(doubtIn(outside)).toMatch(/^(unknown|note)$/);
    const told = judge(outside).findings.find(({ code }) => code === 'figure-doubtful')!;
    expect(told.sentence).toContain('One of them is wrong.');
    expect(told.numbers).toHaveLength(2);
  });

  it('decide nothing where the rig is judged the same by either, and leave it unknown where not', () => {
    // AWG 28 beside 2.5 mm²: at 1 W both carry it, at 60 W the thin one burns
    expect(doubtIn(byLead({ awg: 28, areaMm2: 2.5, maxA: undefined }, 1))).toBe('note');
    const much = byLead({ awg: 28, areaMm2: 2.5, maxA: undefined }, 60);
    expect(doubtIn(much)).toBe('unknown');
    expect(judge(much).verdict).not.toBe('good');
    expect(gauge28).toBeLessThan(0.1);
    // nominal volts that decide whether it may be connected
    expect(doubtIn(onPack({ nominalV: 10.8, cutoffV: undefined }))).toBe('unknown');
  });

  it('are asked of a bank whose rating and list differ, where that decides', () => {
    const on = (powerW: number): Built => build({ bank: bank({ ratingW: 18, profiles: [{ voltageV: 9, currentA: 3 }] }), camera: { ...camera({}, powerW), inputs: [{ takes: 'pd', id: 'usb', name: 'USB-C', connector: { type: 'usb-c' }, minV: 5, maxV: 15, sink: 'runs' }] }, cable: { kind: 'cable', name: 'Cable', ends: { source: { type: 'usb-c' }, load: { type: 'usb-c' } }, resistanceOhm: 0.05 } }, [['bank.out', 'camera.usb', 'cable']]); // prettier-ignore
    expect(doubtIn(on(24))).toBe('unknown');
    expect(doubtIn(on(5))).toBe('note');
  });
});
