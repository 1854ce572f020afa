import { bank, camera, dummy, pack, splitter, usbCamera, usbWire } from '../../testing/rig-builder';
import { oneFeed } from '../rig/drawn/one-feed';
import { gearIdsOf } from '../rig/drawn/rig';
import { batteryFigures } from './battery-figures';
import { connectorName, isMount, mates } from './connector';
import type { Connector } from './connector';
import { plusMeets, plusOn } from './plus';
import { meetsDirectly, portsOf } from './ports-of';

const barrel = (outerMm?: number, innerMm?: number, polarity?: Connector['polarity']): Connector => ({
  type: 'barrel',
  ...(outerMm !== undefined && { outerMm }),
  ...(innerMm !== undefined && { innerMm }),
  ...(polarity && { polarity }),
});

describe('connectors of size and polarity', () => {
  it.each([
    [barrel(5.5, 2.1), barrel(5.5, 2.1), 'yes'],
    [barrel(5.5, 2.1), barrel(5.5, 2.5), 'no'],
    [barrel(5.5, 2.1), barrel(5.54, 2.1), 'yes'],
    [barrel(5.5, 2.1), barrel(5.5), 'unknown'],
    [barrel(5.5, 2.1), barrel(4), 'no'],
    [barrel(), barrel(5.5, 2.1), 'unknown'],
  ] as const)('%j and %j: %s', (one, other, expected) => {
    expect(mates(one, other)).toBe(expected);
    expect(mates(other, one)).toBe(expected);
  });

  it.each([
    [barrel(5.5, 2.1, 'centre-positive'), barrel(5.5, 2.1, 'centre-positive'), 'same'],
    [barrel(5.5, 2.1, 'centre-positive'), barrel(5.5, 2.1, 'centre-negative'), 'reversed'],
    [barrel(5.5, 2.1, 'centre-positive'), barrel(5.5, 2.1), 'unknown'],
    [{ type: 'd-tap' }, { type: 'd-tap' }, 'same'],
    [{ type: 'bare' }, { type: 'bare' }, 'unknown'],
    [{ type: 'circular2' }, { type: 'circular2' }, 'unknown'],
    [{ type: 'xlr4' }, { type: 'xlr4', polarity: 'pin-1-negative' }, 'same'],
    [{ type: 'xlr4' }, { type: 'xlr4', polarity: 'pin-1-positive' }, 'reversed'],
    [{ type: 'xlr4', polarity: 'as-marked' }, { type: 'xlr4' }, 'same'],
    [{ type: 'xt60' }, { type: 'xt60', polarity: 'pin-1-positive' }, 'unknown'],
  ] as const)('plus of %j against %j: %s', (one, other, expected) => {
    expect(plusMeets(plusOn(one), plusOn(other))).toBe(expected);
    expect(plusMeets(plusOn(other), plusOn(one))).toBe(expected);
  });

  it('have names, and mounts are told from plugs', () => {
    expect(connectorName(barrel(5.5, 2.1))).toBe('barrel plug 5.5 × 2.1 mm');
    expect([isMount({ type: 'v-mount' }), isMount({ type: 'bay' }), isMount({ type: 'd-tap' })]).toEqual([true, true, false]);
  });
});

describe('ports', () => {
  it('of an adapter are its two ends; a trigger lead asks for a contract and hands it on', () => {
    const { inputs, outputs } = portsOf(dummy());
    expect(inputs[0]).toMatchObject({ id: 'in', takes: 'window', minV: 11, maxV: 17, lead: true });
    expect(outputs[0]).toMatchObject({ id: 'out', gives: 'fixed', voltageV: 8, efficiency: 0.9 });
    const trigger = portsOf(dummy({ input: { connector: { type: 'usb-c' }, triggerV: 15 }, output: { connector: { type: 'd-tap' } } }));
    expect(trigger.inputs[0]).toMatchObject({ takes: 'pd', minV: 15, maxV: 15 });
    expect(trigger.outputs[0]).toMatchObject({ gives: 'pack' });
    expect(portsOf(dummy({ output: { connector: { type: 'd-tap' }, voltageV: 8, passThrough: true } })).outputs[0]!.gives).toBe('pack');
  });

  it('of everything else are its own; a cable has ends instead', () => {
    expect(portsOf(splitter(3)).outputs).toHaveLength(3);
    expect(portsOf(pack()).inputs).toEqual([]);
    expect(portsOf(camera()).outputs).toEqual([]);
    expect(portsOf(usbWire())).toEqual({ inputs: [], outputs: [], budgets: [] });
  });

  it('meet without a cable only where one is a plug or a mount', () => {
    const [usbOut] = bank().outputs;
    const [usbIn, bay] = usbCamera().inputs;
    expect(meetsDirectly(usbOut!, usbIn!)).toBe(false);
    expect(meetsDirectly({ ...usbOut!, lead: true }, usbIn!)).toBe(true);
    expect(meetsDirectly(pack().outputs[0]!, camera().inputs[0]!)).toBe(true);
    expect(meetsDirectly(pack().outputs[0]!, bay!)).toBe(true);
  });
});

describe('a battery’s figures', () => {
  it('are its own, or count up from its cells', () => {
    expect(batteryFigures(pack({ cutoffV: undefined }))).toMatchObject({
      energyWh: 95,
      resistanceOhm: 0.09,
      cutoffV: 12,
      fromCells: undefined,
    });
    const own = pack({
      energyWh: undefined,
      resistanceOhm: undefined,
      cutoffV: undefined,
      cellsInSeries: 2,
      cellsInParallel: 2,
      cell: { capacityAh: 3, maxA: 8, resistanceOhm: 0.04 },
    });
    expect(batteryFigures(own)).toMatchObject({ maxA: 16, resistanceOhm: 0.04, cutoffV: 6 });
    expect(batteryFigures(own).energyWh).toBeCloseTo(2 * 2 * 3 * 3.6, 9);
    expect(batteryFigures(own).fromCells).toBe('2 in series × 2 in parallel × 3 Ah × 3.6 V');
    expect(batteryFigures(pack({ energyWh: undefined })).energyWh).toBeUndefined();
    expect(batteryFigures(pack({ cellsInSeries: undefined, nominalV: 14.8 })).cellsInSeries).toBe(4);
    expect(batteryFigures(pack({ cellsInSeries: undefined, cutoffV: undefined })).cutoffV).toBeUndefined();
  });
});

describe('a rig', () => {
  it('names its gear once each: devices, the way, spares', () => {
    const chain = oneFeed({ deviceId: 'd', inputId: 'i', batteryId: 'b', outputId: 'o', adapterId: 'a', cableId: 'c' });
    expect(gearIdsOf({ name: 'Rig', ...chain, batteries: [{ gearId: 'b', spareIds: ['s', 'b'] }] })).toEqual(['d', 'b', 'c', 'a', 's']);
  });
});
