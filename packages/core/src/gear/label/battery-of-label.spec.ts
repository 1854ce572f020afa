import { spoken } from '../../../testing/spoken';
import { missingFields } from '../../shape/missing-fields';
import { gearShape } from '../gear';
import { BATTERY_CLASSES, batteryOfLabel } from './battery-of-label';
import type { BatteryClassId, LabelAnswers } from './battery-of-label';
import { readLabel } from './read-label';

const of = (id: BatteryClassId, label: string, ports?: string, answers?: LabelAnswers) =>
  batteryOfLabel(id, readLabel(label), ports === undefined ? undefined : readLabel(ports), answers);

describe('a battery by its label', () => {
  it('that is lead-acid has six cells at 12 V, not some of lithium', () => {
    expect(of('lead', '12 V 33 Ah')).toMatchObject({
      battery: { chemistry: 'agm', cellsInSeries: 6, energyWh: 396, nominalV: 12, from: { energyWh: 'printed' } },
      asks: [],
    });
  });

  it('on a V-mount carries its mount, and the ports that its label names', () => {
    const { battery } = of('v-mount', '14.4 V 98 Wh 10A max', 'D-tap 8A, USB-C 65W, USB-A 5V 2.4A');
    expect(battery.outputs).toEqual([
      { gives: 'pack', id: 'mount', name: 'Mount', connector: { type: 'v-mount' }, maxA: 10 },
      { gives: 'pack', id: 'd-tap', name: 'D-tap', connector: { type: 'd-tap' }, maxA: 8 },
      { gives: 'pd', id: 'usb-c', name: 'USB-C', connector: { type: 'usb-c' }, ratingW: 65 },
      { gives: 'fixed', id: 'usb-a', name: 'USB-A', connector: { type: 'usb-a' }, voltageV: 5, maxA: 2.4 },
    ]);
    expect(of('v-mount', '14.8 V 98 Wh').battery.outputs.map(({ id }) => id)).toEqual(['mount', 'd-tap']);
  });

  it('of a bank counts its mAh at its cells, says so, and shares what is printed for all ports', () => {
    const { battery, assumed } = of('bank', '13000 mAh', 'USB-C1 100W, USB-C2 27W, USB-A 18W, total 120W');
    expect(battery).toMatchObject({ energyWh: 48.1, cellsInSeries: 1, from: { energyWh: 'guess' }, budgets: [{ maxW: 120 }] });
    expect(battery).not.toHaveProperty('nominalV');
    expect(spoken(assumed)).toMatch(/3\.7 V/);
    expect(battery.outputs.map(({ id, budget }) => [id, budget])).toEqual([
      ['usb-c1', 'all'],
      ['usb-c2', 'all'],
      ['usb-a', 'all'],
    ]);
    // 18 W of a plain port are no 3.6 A at 5 V
    expect(battery.outputs[2]).not.toHaveProperty('maxA');
  });

  it('of a bank takes the volts and amps beside its mAh for a port’s', () => {
    const { battery, asks, assumed } = of('bank', '13000mAh 5V 3A');
    expect(asks).toEqual([]);
    expect(battery).toMatchObject({ energyWh: 48.1, from: { energyWh: 'guess' } });
    expect(spoken(assumed)).toMatch(/3\.7 V/);
    expect(battery.outputs).toEqual([{ gives: 'fixed', id: 'usb', name: 'USB', connector: { type: 'usb-a' }, voltageV: 5, maxA: 3 }]);
  });

  it('keeps each of two like ports, with its range', () => {
    const ports = of('bank', '20000 mAh 74 Wh', 'USB-A 5V 2.4A, USB-A 5-6.5V 3A').battery.outputs;
    expect(ports).toMatchObject([
      { id: 'usb-a', name: 'USB-A', voltageV: 5, maxA: 2.4 },
      { id: 'usb-a-2', name: 'USB-A 2', voltageV: 5, minV: 5, maxV: 6.5, maxA: 3 },
    ]);
    expect(of('bank', '20000 mAh 74 Wh', '5V/2.4A; 5-6.5V/3A').battery.outputs).toMatchObject([
      { name: 'USB', voltageV: 5, maxA: 2.4 },
      { name: 'USB 2', minV: 5, maxV: 6.5, maxA: 3 },
    ]);
  });

  it('takes the list of a port, and its strongest profile as its rating', () => {
    const [port] = of('bank', '20000 mAh 74 Wh', 'USB-C 5V 3A / 9V 3A / 20V 2.25A').battery.outputs;
    expect(port).toMatchObject({ gives: 'pd', ratingW: 45, profiles: [{ voltageV: 5, currentA: 3 }, { voltageV: 9, currentA: 3 }, { voltageV: 20, currentA: 2.25 }] }); // prettier-ignore
  });

  it('of AA cells asks which, and then knows volts and watt-hours', () => {
    expect(of('holder', '8 x AA 1900 mAh').asks).toEqual(['chemistry']);
    const { battery, asks } = of('holder', '8 x AA 1900 mAh', undefined, { chemistry: 'nimh' });
    expect(asks).toEqual([]);
    expect(battery).toMatchObject({ chemistry: 'nimh', cellsInSeries: 8, energyWh: 18.24 });
  });

  it('asks for cells where volts could be those of a full pack', () => {
    expect(of('v-mount', '25.2 V 200 Wh')).toMatchObject({ asks: ['cellsInSeries'] });
    expect(of('v-mount', '25.2 V 200 Wh').battery).not.toHaveProperty('cellsInSeries');
    expect(of('v-mount', '25.2 V 200 Wh', undefined, { cellsInSeries: 7 }).battery.cellsInSeries).toBe(7);
  });

  it.each(Object.entries(BATTERY_CLASSES))(
    '%s: the example of its class makes a battery of the right shape',
    (id, { example, ...kind }) => {
      const { battery } = of(id as BatteryClassId, example, 'ports' in kind ? kind.ports : undefined);
      expect(missingFields(gearShape, battery)).toEqual([]);
      expect(battery.energyWh ?? 0).toBeGreaterThan(0);
    },
  );
});
