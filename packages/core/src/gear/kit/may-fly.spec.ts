import { inCamera, pack } from '../../../testing/rig-builder';
import { mayFly, strictestFlight } from './may-fly';

describe('what may fly', () => {
  it.each([
    ['100 Wh', pack({ energyWh: 100 }), 'free'],
    ['just over 100 Wh', pack({ energyWh: 100.1 }), 'approval'],
    ['160 Wh', pack({ energyWh: 160 }), 'approval'],
    ['just over 160 Wh', pack({ energyWh: 160.1 }), 'no'],
    ['a battery whose watt-hours nobody gave', pack({ energyWh: undefined }), 'unknown'],
    ['a pack of one’s own of 43.2 Wh, by its cells', pack({ energyWh: undefined, cellsInSeries: 2, cellsInParallel: 2, cell: { capacityAh: 3 } }), 'free'],
    ['lead-acid, 12 V and 84 Wh', pack({ chemistry: 'agm', cellsInSeries: 6, energyWh: 84 }), 'free'],
    ['lead-acid over 100 Wh', pack({ chemistry: 'agm', cellsInSeries: 6, energyWh: 216 }), 'no'],
    ['lead-acid of 24 V', pack({ chemistry: 'agm', cellsInSeries: 12, energyWh: 84 }), 'no'],
    ['a camera battery', inCamera(), 'free'],
    ['dry cells whose watt-hours nobody gave', pack({ chemistry: 'alkaline', energyWh: undefined }), 'free'],
    ['a nickel pack above what lithium may hold', pack({ chemistry: 'nimh', cellsInSeries: 12, energyWh: 170 }), 'free'],
    ['one that fell, however small', pack({ energyWh: 40, harmed: [{ what: 'dropped' }] }), 'no'],
    ['one that fell and was found sound', pack({ energyWh: 40, harmed: [{ what: 'dropped', sound: true }] }), 'free'],
    ['a swollen one that somebody calls sound', pack({ energyWh: 40, harmed: [{ what: 'swollen', sound: true }] }), 'no'],
    ['lithium cells of 3 Ah, about a gram each', pack({ chemistry: 'lithium-metal', cellsInSeries: 8, energyWh: 36 }), 'free'],
    ['lithium cells of 10 Ah, 3.3 g each', pack({ chemistry: 'lithium-metal', cellsInSeries: 2, energyWh: 30 }), 'approval'],
    ['of 30 Ah, 9.9 g each', pack({ chemistry: 'lithium-metal', cellsInSeries: 2, energyWh: 90 }), 'no'],
    ['of which nobody gave the watt-hours', pack({ chemistry: 'lithium-metal', energyWh: undefined }), 'unknown'],
    ['dry cells that leak', pack({ chemistry: 'alkaline', harmed: [{ what: 'leaks' }] }), 'no'],
  ])('%s: %s', (_what, battery, expected) => expect(mayFly(battery)).toBe(expected));

  it('the strictest of several counts', () => {
    expect(strictestFlight([])).toBe('free');
    expect(strictestFlight(['free', 'approval'])).toBe('approval');
    expect(strictestFlight(['approval', 'unknown', 'free'])).toBe('unknown');
    expect(strictestFlight(['no', 'unknown'])).toBe('no');
  });
}); // prettier-ignore
