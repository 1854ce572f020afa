import { behind, byUsb, converter, direct, onSupply, PERCENT, supply } from '../../testing/hazard-rigs';
import { bank, build, camera, DTAP, judge, pack, usbCamera, wire } from '../../testing/rig-builder';
import type { Built } from '../../testing/rig-builder';
import type { Battery } from '../gear/gear';

const stops = (built: Built): readonly string[] => judge(built).findings.flatMap(({ code, verdict }) => (verdict === 'stop' || verdict === 'unknown' ? [code] : [])); // prettier-ignore
const cells = (count: number): Battery => pack({ cellsInSeries: count, cutoffV: 3 * count });

describe('a limit that is just met is met', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8, 10, 13])('%i cells, exactly at the highest that is accepted', (count) => {
    expect(stops(direct(cells(count), camera({}, 1, { minV: 2, maxV: 4.2 * count })))).toEqual([]);
    // as it is typed: 12.6, and not 12.600000000000001
    expect(stops(direct(cells(count), camera({}, 1, { minV: 2, maxV: Number((4.2 * count).toFixed(2)) })))).toEqual([]);
    expect(stops(direct(cells(count), camera({}, 1, { minV: 2, maxV: (4.2 * count) / PERCENT })))).toContain('over-voltage');
  });

  it.each([5, 7.2, 8, 12, 15, 24])('a supply of %d V for a device from as much, through a lead that nobody measured', (voltageV) => {
    const on = (minV: number, powerW = 5): Built => onSupply(supply('mains', { voltageV, minV: voltageV, maxV: voltageV }), { minV, maxV: 40 }, powerW); // prettier-ignore
    expect(stops(on(voltageV))).toEqual([]);
    expect(stops(on(voltageV * PERCENT))).not.toEqual([]);
  });

  it('what a lead takes that was measured counts to the last millivolt', () => {
    const by = (resistanceOhm: number | undefined): Built =>
      build(
        { supply: supply('mains', { voltageV: 12, minV: 12, maxV: 12 }), lead: wire({ resistanceOhm }), camera: camera({}, 5, { minV: 12, maxV: 16 }) },
        [['supply.out', 'camera.in', 'lead']],
      ); // prettier-ignore
    expect(stops(by(0.02))).toContain('under-voltage');
    expect(stops(by(undefined)).filter((code) => code === 'under-voltage')).toEqual([]);
  });

  it('an assumed lead that would take more than a per cent is asked about, and not passed over', () => {
    // 4 A through some 80 mΩ: 320 mV of 12 V
    const built = build(
      { supply: supply('mains', { voltageV: 12, minV: 12, maxV: 12 }), lead: wire({ resistanceOhm: undefined, maxA: 10 }), camera: camera({}, 48, { minV: 12, maxV: 16 }) },
      [['supply.out', 'camera.in', 'lead']],
    ); // prettier-ignore
    expect(judge(built).verdict).not.toBe('good');
  });

  it('a contract, a rating and a converter that give exactly what is asked for', () => {
    expect(stops(byUsb(bank({ ratingW: 27 }), usbCamera(27)))).toEqual([]);
    expect(stops(behind(converter({ output: { connector: DTAP, voltageV: 12 }, ratedW: 10 })))).toEqual([]);
    expect(stops(behind(converter({ output: { connector: DTAP, voltageV: 12 }, ratedW: 10 / PERCENT })))).toContain('adapter-overloaded');
  });
});
