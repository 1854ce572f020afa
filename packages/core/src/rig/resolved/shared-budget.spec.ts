import { battery, device, USB_C, USB_IN, usbCable } from '../../../testing/rig-parts';
import { assess } from '../../answer/assess';
import type { Gear } from '../../gear/gear';
import type { Output } from '../../gear/port';
import type { Rig } from '../drawn/rig';

type DeliveryPort = Extract<Output, { gives: 'pd' }>;
const id = (place: number): string => `00000000-0000-4000-8000-0000000000${place}`;

/** Two cameras on a bank of two ports that keep one limit. */
function codes(ratings: readonly [number, number], maxW: number | undefined, shared: Partial<DeliveryPort> = {}): readonly string[] {
  const ports = ratings.map((ratingW, place): DeliveryPort => ({
    ...USB_C,
    id: `c${place}`,
    name: `USB-C ${place}`,
    ratingW,
    budget: 'all',
    ...shared,
  }));
  const bank = battery(ports[0]!, 1, 90, { outputs: ports, budgets: [{ id: 'all', name: 'All', ...(maxW !== undefined && { maxW }) }] });
  const gear = new Map<string, Gear>([
    [id(10), bank],
    ...[11, 12].map((place) => [id(place), device({ ...USB_IN, minV: 5, maxV: 15, needW: 10 }, 9)] as const),
    ...[21, 22].map((place) => [id(place), usbCable()] as const),
  ]);
  const links = [0, 1].map((place) => ({
    from: { gearId: id(10), portId: `c${place}` },
    to: { gearId: id(11 + place), portId: 'in' },
    cableId: id(21 + place),
  }));
  const rig: Rig = { name: 'Rig', devices: [{ gearId: id(11) }, { gearId: id(12) }], links };
  return assess(rig, gear).findings.flatMap(({ code, verdict }) => (verdict === 'good' ? [] : [`${code} ${verdict}`]));
}

describe('ports that keep one limit', () => {
  it('each keep their offer where both together stay within it', () => {
    expect(codes([45, 20], 65).filter((code) => !/stops-together|budget-shared|single/.test(code))).toEqual([]);
  });

  it('leave it open where nobody says what is left, and nothing else is made up of that', () => {
    for (const maxW of [50, undefined]) {
      const found = codes([45, 20], maxW);
      expect(found).toContain('figure-missing unknown');
      expect(found.join()).not.toContain('contract-none');
    }
  });

  it('offer what is left beside a neighbour where it is said', () => {
    expect(codes([45, 45], 50, { sharedRatingW: 20 }).join()).not.toMatch(/figure-missing|contract-none|contract-short/);
  });
});
