import fc from 'fast-check';
import { dailySpans } from '../model';
import type { Place } from '../shape';
import { charger, dayOfRigs, pack } from '../../../testing/day';
import { chargerOf } from './charger';
import { ChargerBook } from './charger-book';
import type { Booking } from './charger-book';

const DAY = { date: '2026-01-12', days: 2 } as const;
const always = () => [{ fromMin: 0, toMin: 2880 }];

/** A book on one charger at one place, and the same charger in a day. */
function world({ order, slots, hands = always, place }: { order: 'together' | 'one-by-one'; slots: number; hands?: () => { fromMin: number; toMin: number }[]; place?: Partial<Place> }) {
  const gear = { p1: pack(95), p2: pack(49), p3: pack(147), c: charger(60, slots, order) };
  const here: Place = { id: 'house', name: 'House', power: 'mains', ...place };
  const live = dailySpans(DAY, here.powerFrom, here.powerTo);
  const book = new ChargerBook([{ id: 'c', charger: chargerOf(gear.c)!, place: here, live, coldestC: here.temperatureC }], new Map(Object.entries(gear)), hands);
  const run = (charges: readonly Booking[], start: Readonly<Record<string, number>>) =>
    dayOfRigs({
      rigs: {},
      gear,
      blocks: [],
      day: {
        ...DAY,
        places: [here],
        chargers: [{ gearId: 'c', placeId: 'house' }],
        batteries: Object.entries(start).map(([gearId, startCharge]) => ({ gearId, startCharge })),
        charges: charges.map(({ batteryId, chargerId, fromMin, toMin }) => ({ batteryId, chargerId, fromMin, toMin })),
      },
    }).run();
  return { book, run };
} // prettier-ignore

describe('a charger’s book', () => {
  it('law: a battery is at least as full as was promised, whatever else is on the charger', () => {
    const share = fc.double({ min: 0, max: 0.9, noNaN: true });
    const order = fc.constantFrom('together', 'one-by-one');
    const wishes = fc.array(fc.record({ from: fc.integer({ min: 0, max: 1400 }), length: fc.integer({ min: 30, max: 1200 }) }), { minLength: 3, maxLength: 3 }); // prettier-ignore
    fc.assert(
      fc.property(
        order,
        fc.integer({ min: 1, max: 3 }),
        fc.tuple(share, share, share),
        wishes,
        fc.constantFrom(undefined, 700),
        (way, slots, charges, asked, powerTo) => {
          const { book, run } = world({ order: way, slots, place: powerTo === undefined ? {} : { powerTo } });
          const ids = ['p1', 'p2', 'p3'];
          const start = Object.fromEntries(ids.map((id, index) => [id, charges[index]!]));
          let now = book;
          const bookings = ids.flatMap((id, index) => {
            const { from, length } = asked[index]!;
            const booking = now.offer(id, start[id]!, from, from + length);
            if (booking) now = now.with(booking);
            return booking ?? [];
          });
          for (const { charge, toCharge } of run(bookings, start).filled) {
            const promised = bookings.find(({ batteryId }) => batteryId === charge.batteryId)!;
            expect(charge).toMatchObject({ fromMin: promised.fromMin, toMin: promised.toMin });
            expect(toCharge).toBeGreaterThanOrEqual(promised.toCharge - 1e-6);
          }
        },
      ),
    );
  });

  it('one after the other fills in the order in which they were put on', () => {
    const { book, run } = world({ order: 'one-by-one', slots: 2 });
    const first = book.offer('p1', 0, 0, 1000)!;
    const second = book.with(first).offer('p2', 0, 0, 1000)!;
    expect(second.fillFromMin).toBe(first.fillToMin);
    const { filled } = run([first, second], { p1: 0, p2: 0 });
    expect(filled.map(({ fullMin }) => fullMin)).toEqual([expect.closeTo(first.fillToMin, 6), expect.closeTo(second.fillToMin, 6)]);
    expect(book.with(first).with(second).offer('p3', 0, 0, 900)).toBeUndefined();
  });

  it('moves nothing while nobody is there, and fills nothing while the outlet is dead', () => {
    const hands = () => [{ fromMin: 360, toMin: 420 }, { fromMin: 1200, toMin: 1320 }]; // prettier-ignore
    const { book } = world({ order: 'together', slots: 1, hands });
    expect(book.offer('p1', 0, 100, 1250)).toMatchObject({ fromMin: 360, toMin: 1250 });
    expect(book.offer('p1', 0, 100, 1100)).toMatchObject({ fromMin: 360, toMin: 420 });
    expect(book.offer('p1', 0, 430, 1100)).toBeUndefined();
    const dead = world({ order: 'together', slots: 1, place: { powerFrom: 600, powerTo: 660 } });
    expect(dead.book.offer('p1', 0, 0, 1200)).toMatchObject({ fillFromMin: 600, fillToMin: 660 });
    expect(dead.book.offer('p1', 0, 0, 500)).toBeUndefined();
    expect(world({ order: 'together', slots: 1, place: { temperatureC: -3 } }).book.offer('p1', 0, 0, 1200)).toBeUndefined();
  });
});
