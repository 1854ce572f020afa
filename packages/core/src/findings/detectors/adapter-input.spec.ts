import { adapter, battery, BAY, device, rigOf, USB_A } from '../../../testing/rig-parts';
import { assess } from '../../answer/assess';
import type { Adapter } from '../../gear/gear';
import type { Output } from '../../gear/port';

type PlainPort = Extract<Output, { gives: 'fixed' }>;

function answer(input: Partial<Adapter['input']>, ports: readonly Partial<PlainPort>[], powerW = 6) {
  const outputs = ports.map((port, place): PlainPort => ({
    ...USB_A,
    ...(place > 0 && { id: `out-${place}`, name: `USB-A ${place + 1}` }),
    ...port,
  }));
  const { rig, gear } = rigOf({
    device: device(BAY, powerW),
    battery: { ...battery(USB_A, 1, 50), outputs },
    adapter: adapter({ input: { connector: { type: 'usb-a' }, minV: 4.4, maxV: 5.5, ...input }, ratedW: 30 }),
  });
  return assess(rig, gear);
}
const codes = (...asked: Parameters<typeof answer>) =>
  answer(...asked).findings.flatMap(({ code, verdict }) => (verdict === 'good' ? [] : [`${code} ${verdict}`]));

describe('what an adapter asks of its port', () => {
  it('is amps enough to start on; a port of unknown amps leaves it open', () => {
    expect(codes({ leastA: 2 }, [{ maxA: 2.4 }])).not.toContain('port-weak caution');
    expect(codes({ leastA: 2 }, [{ maxA: 1.5 }])).toContain('port-weak caution');
    const { maxA: _maxA, ...unknown } = USB_A;
    const { rig, gear } = rigOf({
      device: device(BAY, 6),
      battery: battery(unknown, 1, 50),
      adapter: adapter({ input: { connector: { type: 'usb-a' }, leastA: 2 }, ratedW: 30 }),
    });
    expect(assess(rig, gear).verdict).not.toBe('good');
  });

  it('with two plugs is a second port like the first, and both carry it', () => {
    const heavy = 14;
    expect(codes({}, [{ maxA: 2.4 }, { maxA: 2.4 }], heavy)).toContain('over-current stop');
    const two = codes({ plugs: 2 }, [{ maxA: 2.4 }, { maxA: 2.4 }], heavy);
    expect(two).toContain('two-plugs caution');
    expect(two.some((code) => code.startsWith('over-current'))).toBe(false);
  });

  it('with two plugs and one port is told, and carried by that port alone', () => {
    const alone = codes({ plugs: 2 }, [{ maxA: 2.4 }], 14);
    expect(alone).toContain('two-plugs caution');
    expect(alone).toContain('over-current stop');
  });
});
